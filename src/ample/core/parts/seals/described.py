"""What each family of seals, rings and small parts is described by, from its tables."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.tables import read_table

_HERE = Path(__file__).parent


@lru_cache
def rows(table: str, family: str | None = None) -> tuple[dict[str, str], ...]:
    """The rows of a table, of one family when it is given."""
    return tuple(row for row in read_table(_HERE / table).rows if family in (None, row.get("family")))


@dataclass(frozen=True)
class Described:
    """A family: its words, dimensions in order, usual scheme, what a marking can state, wear beside it, and how much is on no list."""

    words: str
    dimensions: tuple[str, ...]
    scheme: str
    marked: tuple[str, ...]
    wear_mean_mm: float
    wear_shape: float
    unlisted: float


@lru_cache
def described() -> dict[str, Described]:
    """Every family by its name, in the order of the table."""
    return {
        row["family"]: Described(
            row["words"], tuple(row["dimensions"].split()), row["scheme"], tuple(row["marked"].split()),
            float(row["wear_mean_mm"]), float(row["wear_shape"]), float(row["unlisted"]),
        )
        for row in rows("families.csv")
    }  # fmt: skip


@lru_cache
def dimensions_of() -> dict[str, tuple[str, ...]]:
    """The dimensions of every family, in order."""
    return {name: own.dimensions for name, own in described().items()}
