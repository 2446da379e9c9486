"""What goes in the place of each part of a strip-down, as far as the job knows it."""

from __future__ import annotations

from collections.abc import Mapping

from ample.base import job_queries as jobs
from ample.base.records import PartHead
from ample.core.assembly.fit_up import FittedPart
from ample.core.assembly.fit_up.places import Tightness
from ample.core.designation import title_of
from ample.core.parts import BearingSpec, PartSpec
from ample.core.places import SeatFacts, SeatSheet, judge_seats
from ample.core.places.place import PlaceSheet
from ample.sheets import store as sheets
from ample.sheets.kinds.place import PLACE
from ample.sheets.kinds.seats import SEATS
from ample.shop.bench import queries
from ample.shop.bench.actions import InstrumentOf, known_item
from ample.shop.bench.fitted import as_fitted
from ample.shop.bench.requirements import requirements_of
from ample.store import Transaction

# The sizes of a family that stand for its inside, outside and width along the shaft; the first that it has.
SIZES = {
    "inside_mm": ("d_mm", "Fw_mm", "shaft_mm", "inside_mm"),
    "outside_mm": ("D_mm", "bore_mm", "outside_mm"),
    "width_mm": ("T_mm", "B_mm", "C_mm", "width_mm", "height_mm", "section_mm", "thickness_mm"),
}
TIGHT_RING = {"shaft": "inner", "housing": "outer", "shaking": "both"}


def to_fit(
    t: Transaction, job_id: int, line_keys: Mapping[int, str], instrument_of: InstrumentOf
) -> tuple[FittedPart, ...]:
    """What goes in the places of a job's parts: what was chosen, else what is required; with its seats where measured."""
    parts = [each for each in jobs.parts_of_jobs(t, [job_id]) if each.part_id in line_keys]
    wanted = requirements_of(t, parts)
    found = []
    for part in parts:
        row = queries.match(t, part.part_id)
        item = known_item(t, row["item_id"]) if row else None
        own = wanted.get(part.part_id)
        spec = item.spec if item else own.spec if own else None
        title = item.marking if item else title_of(own) if own else ""
        if spec is not None:
            found.append(_fitted(t, part, line_keys[part.part_id], spec, title, instrument_of))
    return tuple(found)


def _fitted(
    t: Transaction, part: PartHead, key: str, spec: PartSpec, title: str, instrument_of: InstrumentOf
) -> FittedPart:
    own = spec.dimensions
    sizes = {
        name: next((own[each] for each in names if own.get(each)), None) for name, names in SIZES.items()
    }
    if spec.family == "o_ring" and sizes["inside_mm"] and sizes["width_mm"]:
        sizes["outside_mm"] = round(sizes["inside_mm"] + 2 * sizes["width_mm"], 3)
    more = _seated(t, part, spec, title, instrument_of) if isinstance(spec, BearingSpec) else _placed(t, part)
    marked = spec.marked
    return FittedPart.model_validate(
        {
            "part": key, "title": title, "kind": spec.kind, "closure": marked.get("closure", ""),
            "material": marked.get("material", ""), **sizes, **more,
        }
    )  # fmt: skip


def _placed(t: Transaction, part: PartHead) -> dict[str, object]:
    """What the lip passes on its way in, as the place sheet of a seal or ring says."""
    now = sheets.held(t, PLACE, part.part_id)
    sheet: PlaceSheet = now.sheet
    return {"way_in": list(sheet.way_in)} if now.version else {}


def _seated(
    t: Transaction, part: PartHead, spec: BearingSpec, title: str, instrument_of: InstrumentOf
) -> dict[str, object]:
    """The tight ring, and how tight it is, as the seats of a bearing say."""
    now = sheets.held(t, SEATS, part.part_id)
    if not now.version:
        return {}
    sheet: SeatSheet = now.sheet
    judged = judge_seats(sheet, SeatFacts(as_fitted(spec, title, chosen=True), instrument_of))
    side = judged.housing if judged and sheet.turning == "housing" else judged.shaft if judged else None
    fit = side.check.interference_um if side and side.check else None
    setting = judged.setting if judged else None
    taken = setting.taken_usual if setting else None
    return {
        "axial_taken_um": Tightness(min=taken.min, max=taken.max) if taken else None,
        "tight_ring": TIGHT_RING[sheet.turning],
        "interference_um": Tightness(min=fit.min, max=fit.max) if fit else None,
    }
