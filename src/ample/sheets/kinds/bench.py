"""A part on the bench."""

from __future__ import annotations

from ample.core.contract import BenchJudged, BenchSheet
from ample.core.kits.order_checks import identity
from ample.core.operations.bench import BenchFacts, check_bench, judge_bench, settle_bench
from ample.core.parts import FAMILIES
from ample.core.sizes.figures import percent
from ample.sheets.kind import SheetKind, Table


def tables(sheet: BenchSheet, judged: BenchJudged | None) -> tuple[Table, ...]:
    """Readings by feature, what is seen and said of the part, and what it can be."""
    family = FAMILIES[sheet.family] if sheet.family else None
    said = {
        "family": family.words if family else "", "marking": sheet.marking, "condition": sheet.condition,
        "kind": sheet.kind.replace("_", " "), "medium": sheet.medium,
        "temperature °C": "" if sheet.temperature_c is None else f"{sheet.temperature_c:g}",
        "how many": "" if sheet.needed is None else str(sheet.needed),
        **{name.replace("_", " "): value.replace("_", " ") for name, value in (sheet.answers | sheet.said).items()},
    }  # fmt: skip
    readings = tuple(
        (each.feature.replace("_", " "), "; ".join(f"{one.typed} ({one.unit})" for one in each.readings), each.instrument)
        for each in sheet.observations
    )  # fmt: skip
    own = (
        Table("readings", ("feature", "read", "instrument"), readings),
        Table(
            "seen and stated",
            ("field", "value"),
            tuple((name, value) for name, value in said.items() if value),
        ),
    )
    if judged is None or judged.found is None:
        return own
    rows = tuple((each.designation, f"{percent(each.probability, 1)}") for each in judged.found.candidates)
    return (*own, Table("candidates", ("part", "probability"), rows))


BENCH = SheetKind(
    name="bench",
    title="Bench",
    subject="part",
    sheet=BenchSheet,
    facts=BenchFacts,
    judged=BenchJudged,
    judge=judge_bench,
    tables=tables,
    check=check_bench,
    settle=settle_bench,
    order_checks=identity,
    in_files=False,
)
