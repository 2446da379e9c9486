"""Published values that tests stand beside, and open tables from the registries."""

import csv
import re
from importlib.metadata import files
from pathlib import Path

from ample.core.tables import read_table

PUBLISHED = Path(__file__).with_name("published")


def published(name: str) -> tuple[dict[str, str], ...]:
    """Rows of a published table, typed apart from the one under test."""
    return read_table(PUBLISHED / name).rows


def bd_warehouse(name: str) -> list[dict[str, str]]:
    """A CSV table of PyPI's bd-warehouse (Apache-2.0), read as data."""
    path = next(file.locate() for file in files("bd_warehouse") or [] if file.name == name)
    with open(path, encoding="utf-8") as handle:
        return list(csv.DictReader(handle))


def bosl2_ball_bearings() -> list[tuple[str, float, float, float, bool]]:
    """The ball bearing table of the open CAD library in PyPI's solidpython2: name, d, D, B, shielded."""
    path = next(file.locate() for file in files("solidpython2") or [] if file.name == "ball_bearings.scad")
    row = re.compile(r'\[\s*"(\w+)",([^,]+),([^,]+),([^,]+),\s*(true|false)')
    found = []
    for name, *sizes, shielded in row.findall(Path(path).read_text(encoding="utf-8")):
        d, D, B = (_value(text) for text in sizes)
        found.append((name, d, D, B, shielded == "true"))
    return found


def _value(text: str) -> float:
    inches = "IN" in text
    number = text.replace("*IN", "").strip()
    top, _, bottom = number.partition("/")
    return float(top) / float(bottom or 1) * (25.4 if inches else 1.0)
