"""A unit taken in, judged: likely causes with what was found inside, cautions, what is refused of what is planned."""

from __future__ import annotations

from dataclasses import dataclass

from pydantic import ValidationError

from ample.core import contract
from ample.core.condition.take_in import TakeInSheet
from ample.core.errors import AmpleError, BadInput
from ample.core.operations import job
from ample.core.operations.register import bad_request

LEAST_TITLE = 2
FIELDS = {"energy": "energies", "fluid": "fluids", "work": "works", "duty": "duties"}


@dataclass(frozen=True)
class TakeInFacts:
    """What the strip-down has shown: signs, by name."""

    found_on_line: tuple[str, ...] = ()


def judge_take_in(sheet: TakeInSheet, facts: TakeInFacts) -> contract.TakeInJudged:
    """Rank causes by the signs of the sheet and those found on the line; gather the cautions of the situation."""
    found = _cautions(sheet)
    signs = [*sheet.signs, *(sign for sign in facts.found_on_line if sign not in sheet.signs)]
    return contract.TakeInJudged(
        found_on_line=list(facts.found_on_line),
        causes=job.causes(contract.CausesRequest(unit=sheet.unit, signs=signs, checked=dict(sheet.checked))),
        cautions=found.cautions,
        refused=found.refused,
        not_understood=found.not_understood,
    )


def _cautions(sheet: TakeInSheet) -> contract.CautionsAnswer:
    return job.cautions(
        contract.CautionsRequest(
            unit=sheet.unit, energies=sheet.energies, fluids=sheet.fluids, works=sheet.works, duties=sheet.duties,
            planned=sheet.planned,
        )
    )  # fmt: skip


def check_take_in(sheet: TakeInSheet, facts: TakeInFacts) -> None:
    """Refuse names that are not known, at their field.

    Raises:
        BadInput: For an unknown unit, sign, energy, fluid, work, duty or cause.
    """
    if len(sheet.title) < LEAST_TITLE:
        raise BadInput("no_title", "Enter what the unit is.", "sheet.title")
    try:
        job.causes(contract.CausesRequest(signs=sheet.signs, checked=dict(sheet.checked)))
        _cautions(sheet)
    except ValidationError as error:  # the core's own limits
        refused = bad_request(error)
        raise BadInput(refused.code, refused.message, f"sheet.{refused.field}", refused.hint) from error
    except AmpleError as error:
        field = FIELDS.get(error.field or "", error.field)
        raise BadInput(error.code, error.message, f"sheet.{field}", error.hint) from error
