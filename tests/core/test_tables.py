"""Every reference table says where it comes from and is whole."""

from pathlib import Path

import pytest

import ample
from ample.core.tables import HEADER_KEYS, read_table

ROOT = Path(ample.__file__).parent
TABLES = sorted(ROOT.rglob("*.csv")) + sorted((Path(__file__).parents[1] / "published").glob("*.csv"))
STATUS = ("exact", "two sources", "rounded", "from memory", "common practice")


@pytest.mark.parametrize("path", TABLES, ids=lambda path: path.name)
def test_a_table_says_where_it_comes_from(path):
    table = read_table(path)
    assert all(table.header[key] for key in HEADER_KEYS)
    assert table.header["status"] in STATUS
    assert table.rows


@pytest.mark.parametrize("path", TABLES, ids=lambda path: path.name)
def test_no_row_stands_twice(path):
    rows = [tuple(row.values()) for row in read_table(path).rows]
    assert len(rows) == len(set(rows))


@pytest.mark.parametrize(
    "path", [p for p in TABLES if "over_mm" in p.read_text()], ids=lambda path: path.name
)
def test_steps_begin_below_where_they_end(path):
    for row in read_table(path).rows:
        assert float(row["over_mm"]) < float(row["up_to_mm"])


def test_a_table_without_its_header_is_refused(tmp_path):
    bad = tmp_path / "bad.csv"
    bad.write_text("# source: nowhere\na,b\n1,2\n")
    with pytest.raises(ValueError, match="header lacks"):
        read_table(bad)


def test_an_uneven_row_is_refused(tmp_path):
    bad = tmp_path / "bad.csv"
    bad.write_text("".join(f"# {key}: x\n" for key in HEADER_KEYS) + "a,b\n1\n")
    with pytest.raises(ValueError, match="row 1"):
        read_table(bad)


def test_steps_with_a_gap_are_refused():
    from ample.core.standards.steps import read_steps

    with pytest.raises(ValueError, match="gap"):
        read_steps([(0.0, 3.0, 1), (4.0, 6.0, 2)])
