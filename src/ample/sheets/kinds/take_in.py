"""Taking a unit in."""

from __future__ import annotations

from ample.core.condition import known_signs, known_units, known_words
from ample.core.condition.take_in import TakeInSheet
from ample.core.contract import TakeInJudged
from ample.core.kits.order_checks import build
from ample.core.operations.take_in import TakeInFacts, check_take_in, judge_take_in
from ample.core.sizes.figures import percent
from ample.sheets.kind import SheetKind, Table


def tables(sheet: TakeInSheet, judged: TakeInJudged | None) -> tuple[Table, ...]:
    """What is known of the unit, what was seen, what is planned; and its verdict."""
    unit = known_units().get(sheet.unit)
    known = {
        "title": sheet.title, "owner": sheet.owner, "symptom": sheet.symptom, "kind of unit": unit.words if unit else sheet.unit,
        "plate": sheet.plate, "model": sheet.model, "build": sheet.build, "serial number": sheet.serial,
        "since when": sheet.since, "max. downtime, days": "" if sheet.lie_open_days is None else str(sheet.lie_open_days),
        "cost of rework": {"cheap": "low", "costly": "high"}[sheet.access], "identical units": str(sheet.units_alike), "planned": sheet.planned,
        "for the next person": sheet.note_next,
    }  # fmt: skip
    words, signs = known_words(), known_signs()
    seen = [("sign", signs[name].words if name in signs else name) for name in sheet.signs]
    for kind, names in (
        ("energy", sheet.energies),
        ("fluid", sheet.fluids),
        ("work", sheet.works),
        ("duty", sheet.duties),
    ):
        seen += [(kind, words.get((kind, name), name)) for name in names]
    own = (
        Table("unit", ("field", "value"), tuple((name, said) for name, said in known.items() if said)),
        Table("seen and planned", ("kind", "entry"), tuple(seen)),
        Table("causes checked", ("cause", "result"), tuple(sheet.checked.items())),
        Table("parts needed", ("part", "how many"), tuple((each.name, str(each.quantity)) for each in sheet.spares)),
    )  # fmt: skip
    if judged is None:
        return own
    causes = tuple((each.words, f"{percent(each.weight)}") for each in judged.causes.causes)
    cautions = tuple((each.stage, f"{each.title}: {each.do}") for each in judged.cautions)
    return (
        *own,
        Table("likely causes", ("cause", "share"), causes),
        Table("cautions", ("when", "caution"), cautions),
    )


TAKE_IN = SheetKind(
    name="take_in",
    title="Take in",
    subject="job",
    sheet=TakeInSheet,
    facts=TakeInFacts,
    judged=TakeInJudged,
    judge=judge_take_in,
    tables=tables,
    check=check_take_in,
    order_checks=build,
    in_files=False,
)
