"""The register of operations: one definition serves HTTP, the command line and OpenAPI."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, TypeVar

from pydantic import BaseModel, TypeAdapter, ValidationError

from ample.core import contract
from ample.core.assembly.end_play import EndPlay
from ample.core.assembly.fasteners import Tightening
from ample.core.assembly.fit_up import FitUpPlan
from ample.core.assembly.run_in import RunIn
from ample.core.condition import Verdict
from ample.core.condition.trend import Trend
from ample.core.errors import BadInput
from ample.core.operations import job, keeping
from ample.core.operations.glands import gland, lip_seal
from ample.core.operations.handbook import answer_question, codes, handbook, media, tightening_of
from ample.core.operations.identify import identify_part
from ample.core.operations.interchange import judge_interchange
from ample.core.operations.kinds import kinds_of_family
from ample.core.operations.markings import decode_marking
from ample.core.operations.parts import encode_part, needles, rubber
from ample.core.operations.places import Place, place
from ample.core.operations.seats import advised_zones, fitted_clearance, seat
from ample.core.operations.sizes import clearance_of_ring, fit_of_seat, length, limits_of_ring, limits_of_size
from ample.core.places.gland import Gland
from ample.core.places.lip_seal import LipSeal

Model = TypeVar("Model", bound=BaseModel)


@dataclass(frozen=True)
class Operation:
    """A question to the core: its name, models and function."""

    name: str
    summary: str
    request: type[contract.Request]
    answer: type[Any]
    run: Callable[[Any], Any]


def ask(name: str, request: object) -> dict[str, Any]:
    """Answer one question given as JSON data.

    Args:
        name: The name of the operation.
        request: The request as JSON data.

    Returns:
        The answer as JSON data.

    Raises:
        AmpleError: When the operation is not known or the request is refused.

    Source: the project's contract.

    Example:
        >>> ask("limits", {"size_mm": 25, "zone": "k6"})["upper_um"]
        15.0
    """
    operation = OPERATIONS.get(name)
    if operation is None:
        raise BadInput(
            "no_such_operation",
            f"There is no operation “{name[:40]}”.",
            "operation",
            f"One of {', '.join(OPERATIONS)}.",
        )
    answer = operation.run(parse_request(operation.request, request))
    found: dict[str, Any] = _writer(operation.answer).dump_python(answer, mode="json", by_alias=True)
    return found


_WRITERS: dict[type[Any], TypeAdapter[Any]] = {}


def _writer(answer: type[Any]) -> TypeAdapter[Any]:
    """What writes an answer, be it a model or a dataclass of the domain."""
    if answer not in _WRITERS:
        _WRITERS[answer] = TypeAdapter(answer)
    return _WRITERS[answer]


def parse_request(model: type[Model], data: object) -> Model:
    """Check JSON data against a request model; the first fault becomes an error at its field."""
    try:
        return model.model_validate(data)
    except ValidationError as error:
        raise bad_request(error) from error
    except (OverflowError, ValueError) as error:
        raise BadInput("bad_number", "A number is too large.", None) from error


def bad_request(error: ValidationError) -> BadInput:
    """The first fault that pydantic found, in our shape."""
    fault = error.errors(include_url=False, include_context=False, include_input=False)[0]
    field = ""
    for step in fault["loc"]:
        if isinstance(step, int):
            field += f"[{step}]"
        elif step.replace("_", "").isalnum() and step not in (
            "float",
            "str",
            "SpecRequest",
            "InstrumentRequest",
        ):
            field += f".{step}" if field else step
    return BadInput(str(fault["type"]), f"{fault['msg']}.", field or None)


# the answers -------------------------------------------------------------------------------


def _register(
    *operations: tuple[str, str, type[contract.Request], type[Any], Callable[[Any], Any]],
) -> dict[str, Operation]:
    return {row[0]: Operation(*row) for row in operations}


OPERATIONS: dict[str, Operation] = _register(
    ("length", "Read a length as a person writes it", contract.LengthRequest, contract.LengthAnswer, length),
    ("limits", "Limit deviations of an ISO 286 zone", contract.LimitsRequest, contract.ZoneLimitsAnswer, limits_of_size),
    ("fit", "The fit of a hole and a shaft zone", contract.FitRequest, contract.FitAnswer, fit_of_seat),
    ("ring-limits", "Tolerance of a bearing ring", contract.RingLimitsRequest, contract.LimitsAnswer, limits_of_ring),
    ("internal-clearance", "Radial internal clearance", contract.InternalClearanceRequest, contract.InternalClearanceAnswer, clearance_of_ring),
    ("decode", "Read a marking, whole or half worn", contract.DecodeRequest, contract.DecodeAnswer, decode_marking),
    ("kinds", "Kinds of part by picture, and the questions that tell them", contract.KindsRequest, contract.KindsAnswer, kinds_of_family),
    ("encode", "Write a part's marking in several styles", contract.EncodeRequest, contract.EncodeAnswer, encode_part),
    ("rubber", "Which rubber a ring is of, by evidence", contract.RubberRequest, contract.RubberAnswer, rubber),
    ("needles", "How many needles belong, and whether some are lost", contract.NeedlesRequest, contract.NeedleCount, needles),
    ("identify", "Rank what a worn part could be", contract.IdentifyRequest, contract.IdentifyAnswer, identify_part),
    ("interchange", "Compare a replacement with the original", contract.InterchangeRequest, contract.Interchange, judge_interchange),
    ("calculate", "Answer a question of the handbook", contract.CalculateRequest, contract.CalculateAnswer, answer_question),
    ("handbook", "The pages of the handbook", contract.HandbookRequest, contract.HandbookAnswer, handbook),
    ("codes", "Prefixes and suffixes of rolling bearings in common use", contract.LookUpRequest, contract.CodesAnswer, codes),
    ("tightening", "How tight a screw is made, by thread and grade", contract.TighteningRequest, Tightening, tightening_of),
    ("media", "Rubbers against media, heat and cold", contract.LookUpRequest, contract.MediaAnswer, media),
    ("seat", "Judge a measured shaft or housing seat", contract.SeatRequest, contract.SeatCheck, seat),
    ("place", "Judge the place that a part goes into, by the rules of its kind", contract.PlaceRequest, Place, place),
    ("gland", "Judge an O-ring in its groove", contract.GlandRequest, Gland, gland),
    ("lip-seal", "Judge a lip seal on its shaft", contract.LipSealRequest, LipSeal, lip_seal),
    ("zone-advice", "The zone a seat should have", contract.ZoneAdviceRequest, contract.ZoneChoice, advised_zones),
    ("fitted-clearance", "Clearance before fitting, after it and running", contract.FittedClearanceRequest, contract.ClearanceAfterFitting, fitted_clearance),
    ("causes", "Rank the likely causes of what was reported and seen", contract.CausesRequest, contract.CausesAnswer, job.causes),
    ("cautions", "Hazards, and what is refused", contract.CautionsRequest, contract.CautionsAnswer, job.cautions),
    ("inspect", "Judge a part by its condition card", contract.InspectRequest, Verdict, job.inspect),
    ("line-check", "Contradictions, verdicts and counts of a line", contract.LineCheckRequest, contract.LineCheckAnswer, job.line_check),
    ("fit-up-plan", "The strip-down reversed into steps of fitting up", contract.FitUpRequest, FitUpPlan, job.fit_up),
    ("end-play", "Judge an end play by dial, and what sets it", contract.EndPlayRequest, EndPlay, keeping.end_play),
    ("run-in", "The temperature that a run will settle at", contract.RunInRequest, RunIn, keeping.run_in),
    ("trend", "Tell a trend of a log from noise, and when it reaches its limit", contract.TrendRequest, Trend, keeping.trend),
    ("trade", "Kinds of part, signs, units and condition cards", contract.TradeRequest, contract.TradeAnswer, job.trade),
)  # fmt: skip
