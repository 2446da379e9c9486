"""Reading a reference table: a CSV with a header that says where it comes from."""

from __future__ import annotations

import csv
from dataclasses import dataclass
from pathlib import Path

HEADER_KEYS = ("source", "edition", "table", "entered from", "checked by", "status")


@dataclass(frozen=True)
class Table:
    """A reference table: its header (source, edition, table, how checked, status) and rows."""

    header: dict[str, str]
    rows: tuple[dict[str, str], ...]

    @property
    def source(self) -> str:
        """Source and table in one line, as it is shown beside a value."""
        edition = self.header["edition"]
        year = f":{edition}" if edition not in ("", "-") else ""
        return f"{self.header['source']}{year}, {self.header['table']}"


def read_table(path: Path) -> Table:
    """Read a CSV table; a missing header line or an uneven row is a fault of the table."""
    lines = path.read_text(encoding="utf-8").splitlines()
    header = {}
    body = []
    for line in lines:
        if line.startswith("#"):
            key, _, value = line[1:].partition(":")
            header[key.strip()] = value.strip()
        elif line.strip():
            body.append(line)
    missing = [key for key in HEADER_KEYS if key not in header]
    if missing:
        raise ValueError(f"{path.name}: the header lacks {', '.join(missing)}")
    reader = csv.DictReader(body)
    rows = tuple(reader)
    width = len(reader.fieldnames or ())
    for number, row in enumerate(rows, start=1):
        if None in row or None in row.values():
            raise ValueError(f"{path.name}: row {number} does not have {width} columns")
    return Table(header, rows)
