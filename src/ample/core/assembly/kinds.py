"""The kinds of part that a line is made of."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.condition.inspection import known_cards
from ample.core.condition.keeping import keep_table
from ample.core.errors import BadInput
from ample.core.tables import read_table


@dataclass(frozen=True)
class PartKind:
    """A kind of part: its key, how it is drawn, its card, and the mark that tells its way round.

    The shares are proportions to the shaft, for drawing while sizes are unknown. `border` says
    that it parts the inside from the outside; `inner` that it stands inside. `picture` is the group of
    bearings that it goes to the Bench as.
    """

    kind: str
    key: str
    words: str
    drawn: str
    card: str
    family: str
    picture: str
    telling: str
    left: str
    right: str
    inside_share: float
    outside_share: float
    width_share: float
    border: bool
    inner: bool


@lru_cache(maxsize=1)
def part_kinds() -> dict[str, PartKind]:
    """Every kind of part, in the order it is offered; a fault of the table is refused on loading."""
    found = {}
    for row in read_table(Path(__file__).with_name("part_kinds.csv")).rows:
        shares = {name: float(row[name]) for name in ("inside_share", "outside_share", "width_share")}
        flags = {name: row[name] == "yes" for name in ("border", "inner")}
        found[row["kind"]] = PartKind(**{**row, **shares, **flags})  # type: ignore[arg-type]
    for each in found.values():
        if each.card not in known_cards() or each.kind not in keep_table():
            raise ValueError(f"part_kinds.csv: {each.kind} has no card or no advice on keeping")
    return found


def part_kind(kind: str) -> PartKind:
    """A kind of part by its name.

    Args:
        kind: Its name ("lip_seal", "shim", …).

    Returns:
        The kind.

    Raises:
        BadInput: When the kind is not known.

    Source: common practice.

    Example:
        >>> part_kind("lip_seal").telling
        'lip'
    """
    found = part_kinds().get(kind)
    if found is None:
        raise BadInput("no_such_kind", f"Unknown kind of part “{kind[:30]}”.", "kind")
    return found
