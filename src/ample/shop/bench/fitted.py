"""The bearing that would be fitted in a place."""

from __future__ import annotations

from ample.base.records import PartHead
from ample.core.designation import title_of
from ample.core.parts import BearingSpec, SealSpec, bearing_kinds
from ample.core.places import FittedBearing
from ample.core.places.place import GoingIn
from ample.shop.bench import queries
from ample.shop.bench.actions import known_item
from ample.shop.bench.requirements import requirements_of
from ample.store import Transaction


def fitted_bearing(t: Transaction, part: PartHead) -> FittedBearing | None:
    """The chosen replacement, else what is required.

    A seal, ring or small part is not pressed to a zone and has no seats.
    """
    row = queries.match(t, part.part_id)
    if row is not None:
        item = known_item(t, row["item_id"])
        spec, title, chosen = item.spec, item.marking, True
    else:
        wanted = requirements_of(t, [part]).get(part.part_id)
        if wanted is None or wanted.spec is None:
            return None
        spec, title, chosen = wanted.spec, title_of(wanted), False
    return as_fitted(spec, title, chosen) if isinstance(spec, BearingSpec) else None


def going_in(t: Transaction, part: PartHead) -> GoingIn | None:
    """What goes into the place of a seal, ring or small part: the replacement, else the listed part that it was confirmed
    as, else what is required.
    """
    match = queries.match(t, part.part_id)
    row = match or queries.identification(t, part.part_id)
    wanted = requirements_of(t, [part]).get(part.part_id)
    spec = wanted.spec if wanted else None
    title = title_of(wanted) if wanted and spec else ""
    if row is not None:
        item = known_item(t, row["item_id"])
        spec, title = item.spec, item.marking
    if not isinstance(spec, SealSpec):
        return None
    return GoingIn.of(spec, title, match is not None, wanted)


def as_fitted(spec: BearingSpec, title: str, chosen: bool) -> FittedBearing:
    """A bearing as the judge of seats asks for it."""
    return FittedBearing(
        title=title, chosen=chosen, size_text=spec.size_text, kind=spec.kind,
        kind_words=bearing_kinds()[spec.kind].words, dimensions=spec.dimensions, d_mm=spec.d_mm, D_mm=spec.D_mm,
        tolerance_class=spec.tolerance_class, spec=spec,
    )  # fmt: skip
