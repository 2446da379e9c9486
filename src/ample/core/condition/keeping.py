"""Always new, used again if good, or kept: by kind of part."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.tables import read_table

KEEPS = ("always_new", "if_good", "keep")


@dataclass(frozen=True)
class KeepAdvice:
    """What is usually done with a kind of part, and why."""

    kind: str
    keep: str
    reason: str
    source: str


@lru_cache(maxsize=1)
def keep_table() -> dict[str, KeepAdvice]:
    """The advice by kind of part."""
    rows = read_table(Path(__file__).with_name("keeping.csv")).rows
    wrong = [row["kind"] for row in rows if row["keep"] not in KEEPS]
    if wrong:
        raise ValueError(f"keeping.csv: {wrong} does not say always_new, if_good or keep")
    return {row["kind"]: KeepAdvice(**row) for row in rows}


def keep_advice(kind: str) -> KeepAdvice:
    """Say whether a kind of part is always renewed, used again if good, or kept.

    Args:
        kind: The kind of part, as in the line ("o_ring", "shim", …).

    Returns:
        always_new, if_good or keep, with the reason.

    Raises:
        BadInput: When the kind is not known.

    Source: common practice.

    Example:
        >>> keep_advice("o_ring").keep
        'always_new'
    """
    found = keep_table().get(kind)
    if found is None:
        raise BadInput("no_such_kind", f"Unknown kind of part “{kind[:30]}”.", "kind")
    return found
