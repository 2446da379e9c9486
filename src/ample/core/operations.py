"""The register of operations: one definition serves HTTP, the command line and OpenAPI."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import asdict, dataclass, replace
from typing import Any, TypeVar

from pydantic import BaseModel, ValidationError

from ample.core import exchange as x
from ample.core import job_exchange as j
from ample.core import job_operations as job
from ample.core.designation import (
    Dialect,
    Habit,
    composed_code,
    decode,
    encode,
    encode_seal,
    general_dialect,
)
from ample.core.errors import AmpleError, BadInput
from ample.core.fits import (
    Duty,
    Interference,
    check_seat,
    clearance_after_fitting,
    fit,
    zone_advice,
)
from ample.core.identify import Catalogue, Observation, Seen, identify, standard_catalogue
from ample.core.identify.ranking import Candidate, Identification, VariantChance
from ample.core.interchange import Running, interchange_of
from ample.core.parts import (
    CLOSURES,
    FAMILIES,
    BearingSpec,
    Family,
    MarkingReading,
    PartSpec,
    bearing_kinds,
    clearance_table,
    ring_kind,
)
from ample.core.parts.needles import needle_count
from ample.core.parts.ratings import element_mm
from ample.core.parts.rubber import Clues, rubber_by_evidence, rubbers
from ample.core.sizes import (
    Instrument,
    combine,
    default_instrument,
    format_inch,
    nearest_sizes,
    parse_length,
    parse_size,
)
from ample.core.specs import called, part_of, seal_of_reading, spec_of, spec_of_reading
from ample.core.standards import internal_clearance, limits, ring_limits

InstrumentOf = Callable[[str], Instrument]
EVIDENCE_READINGS = 400
SHOWN_MARKINGS = 8
SHOWN_CONDITIONS = ("new", "used", "worn", "stretched", "swollen", "shrunk", "flattened", "hard")
HABITS: tuple[Habit, ...] = ("standard", "market", "words")
BEARING_CONDITIONS = ("new", "worn", "spun", "rusty")
Model = TypeVar("Model", bound=BaseModel)


@dataclass(frozen=True)
class Operation:
    """A question to the core: its name, models and function."""

    name: str
    summary: str
    request: type[x.Request]
    answer: type[x.Answer]
    run: Callable[[Any], x.Answer]


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
    return answer.model_dump(mode="json", by_alias=True)


def parse_request(model: type[Model], data: object) -> Model:
    """Check JSON data against a request model; the first fault becomes an error at its field."""
    try:
        return model.model_validate(data)
    except ValidationError as error:
        raise bad_request(error) from error
    except (OverflowError, ValueError) as error:
        raise BadInput("bad_number", "A number is too large to be used.", None) from error


def bad_request(error: ValidationError) -> BadInput:
    """The first fault that pydantic found, in our shape."""
    fault = error.errors(include_url=False, include_context=False, include_input=False)[0]
    field = ""
    for place in fault["loc"]:
        if isinstance(place, int):
            field += f"[{place}]"
        elif place.replace("_", "").isalnum() and place not in (
            "float",
            "str",
            "SpecRequest",
            "InstrumentRequest",
        ):
            field += f".{place}" if field else place
    return BadInput(str(fault["type"]), f"{fault['msg']}.", field or None)


# the answers -------------------------------------------------------------------------------


def _length(request: x.LengthRequest) -> x.LengthAnswer:
    lengths = parse_size(request.text, request.unit)
    first = lengths[0] if len(lengths) > 1 else parse_length(request.text, request.unit)
    return x.LengthAnswer(
        mm=first.mm,
        inch=first.inch,
        unit=first.unit,
        written=first.written,
        fraction=format_inch(first.exact_mm),
        nearest=_nearest(first.mm),
        sizes_mm=[length.mm for length in lengths],
    )


def _nearest(mm: float) -> list[x.NearestSize]:
    return [x.NearestSize.model_validate(near) for near in nearest_sizes(mm)]


def _limits(request: x.LimitsRequest) -> x.LimitsAnswer:
    return x.LimitsAnswer.model_validate(limits(request.size_mm, request.zone))


def _fit(request: x.FitRequest) -> x.FitAnswer:
    return x.FitAnswer.model_validate(fit(request.size_mm, request.hole, request.shaft))


def _ring_limits(request: x.RingLimitsRequest) -> x.LimitsAnswer:
    found = ring_limits(request.ring, request.size_mm, request.tolerance_class, request.kind)
    return x.LimitsAnswer.model_validate(found)


def _internal_clearance(request: x.InternalClearanceRequest) -> x.InternalClearanceAnswer:
    found = internal_clearance(request.kind, request.bore_mm, request.group)
    return x.InternalClearanceAnswer.model_validate(found)


def _decode(request: x.DecodeRequest) -> x.DecodeAnswer:
    return decode_answer(request.text, (), request.family)


def decode_answer(text: str, dialects: Sequence[Dialect] = (), family: str | None = None) -> x.DecodeAnswer:
    """Read a marking with the general dictionary and, first, the dialects given."""
    readings = decode(text, tuple(dialects), family=family)
    return x.DecodeAnswer(
        readings=[_reading(reading) for reading in readings],
        unread=list(readings[0].unread) if readings else [text],
    )


def _reading(reading: MarkingReading) -> x.ReadingAnswer:
    return x.ReadingAnswer(
        family=reading.family,
        designation=reading.designation,
        series=reading.series,
        dimensions=reading.dimensions,
        attributes=reading.attributes,
        spans=[x.SpanAnswer.model_validate(span) for span in reading.spans],
        unread=list(reading.unread),
        score=reading.score,
        dialect=reading.dialect,
    )


def _kinds(request: x.KindsRequest) -> x.KindsAnswer:
    family = FAMILIES[request.family]
    return x.KindsAnswer(
        family=family.name,
        words=family.words,
        groups=[
            x.FamilyGroup(group=name, words=words, pictured=kind) for name, words, kind in family.pictures
        ],
        kinds=[
            x.FamilyKindAnswer(
                kind=kind.name,
                group=kind.group,
                words=kind.words,
                scheme=kind.scheme,
                dimensions=list(kind.dimension_names),
                offered=list(family.offered(frozenset({kind.scheme}))),
                measured=list(family.measured_in(kind.scheme)),
                seen=dict(kind.seen),
            )
            for kind in family.kinds.values()
        ],
        questions=[
            x.EyeQuestion(
                question=each.name,
                words=each.words,
                answers=[x.EyeAnswer(value=value, words=words) for value, words in each.answers],
            )
            for each in family.questions
        ],
        features=[
            x.FamilyFeature(feature=each.name, words=each.words, on_part=each.on_part, shows=each.shows)
            for each in family.features
        ],
        conditions=[word for word in SHOWN_CONDITIONS if word in family.seen_words]
        or list(BEARING_CONDITIONS),
    )


def _identify(request: x.IdentifyRequest) -> x.IdentifyAnswer:
    return identify_answer(request, standard_catalogue(request.family))


def identify_answer(
    request: x.IdentifyRequest,
    catalogue: Catalogue,
    dialects: Sequence[Dialect] = (),
    instrument_of: InstrumentOf = default_instrument,
) -> x.IdentifyAnswer:
    """Identify from a request over a catalogue, with the shop's own instruments and dialects."""
    family = catalogue.family
    observations = [
        _observation(each, f"observations[{place}]", instrument_of, family.name)
        for place, each in enumerate(request.observations)
    ]
    marking = (request.marking or "").strip()
    markings = decode(marking, tuple(dialects), EVIDENCE_READINGS, family.name) if marking else ()
    at_hand = instrument_of(request.at_hand) if request.at_hand else None
    seen = Seen.of(request.kind, request.answers, family)
    found = identify(catalogue, observations, markings, request.limit, at_hand, request.variants, seen)
    return x.IdentifyAnswer(
        candidates=[_candidate(each, family) for each in found.candidates],
        none_probability=found.none_probability,
        unit_hint=_unit_hint(found),
        next_measurement=(
            x.NextMeasurementAnswer.model_validate(found.next_measurement) if found.next_measurement else None
        ),
        clash=found.clash,
        entropy_bits=found.entropy_bits,
        readings=[_doubt(each) for each in observations],
        marking=[_reading(reading) for reading in _to_show(markings, found)],
        kinds=_kind_shares(family, found.kinds),
        next_question=(
            x.NextQuestionAnswer.model_validate(found.next_question) if found.next_question else None
        ),
        offered=list(found.offered),
        advice=list(found.advice),
    )


def _to_show(markings: Sequence[MarkingReading], found: Identification) -> list[MarkingReading]:
    """Readings of the marking, those that name the likeliest part first."""
    best = found.candidates[0].variants[0].entry.spec.designation if found.candidates else ""
    return sorted(markings, key=lambda reading: reading.designation != best)[:SHOWN_MARKINGS]


def _kind_shares(family: Family, shares: Sequence[tuple[str, float]]) -> list[x.KindShare]:
    return [x.KindShare(kind=kind, words=family.kinds[kind].words, probability=p) for kind, p in shares]


def _observation(
    request: x.ObservationRequest, field: str, instrument_of: InstrumentOf, family: str
) -> Observation:
    values = []
    for place, value in enumerate(request.values):
        try:
            text = value if isinstance(value, str) else f"{value:.9f}".rstrip("0").rstrip(".")
            values.append(parse_length(text, request.unit).mm)
        except BadInput as error:
            raise BadInput(error.code, error.message, f"{field}.values[{place}]", error.hint) from error
    try:
        instrument = instrument_of(request.instrument)
        return Observation(request.feature, tuple(values), instrument, request.condition, family)
    except AmpleError as error:
        raise BadInput(error.code, error.message, f"{field}.{error.field}", error.hint) from error


def _doubt(observation: Observation) -> x.DoubtAnswer:
    reading = combine(observation.values_mm, observation.instrument, observation.reach)
    return x.DoubtAnswer(
        feature=observation.feature,
        mean_mm=round(reading.mean_mm, 5),
        expanded_uncertainty_mm=round(reading.expanded_uncertainty_mm, 4),
        count=reading.count,
        repeats_disagree=reading.repeats_disagree,
        nearest=_nearest(reading.mean_mm),
    )


def _candidate(candidate: Candidate, family: Family) -> x.CandidateAnswer:
    best = candidate.variants[0].entry.spec
    return x.CandidateAnswer(
        designation=best.designation,
        dimensions=candidate.dimensions,
        probability=candidate.probability,
        features=[x.AgreementAnswer.model_validate(each) for each in candidate.features],
        misfit=x.AgreementAnswer.model_validate(candidate.misfit) if candidate.misfit else None,
        variants=[_variant(each, family) for each in candidate.variants],
        variant_count=candidate.variant_count,
        kind=best.kind,
        kinds=_kind_shares(family, candidate.kinds),
        size_text=best.size_text,
        called=called(best),
        ball_mm=_rolls_mm(best),
    )


def _rolls_mm(spec: PartSpec) -> float:
    if isinstance(spec, BearingSpec):
        return element_mm(spec.kind, spec.d_mm, spec.D_mm, spec.T_mm or spec.B_mm)
    return 0.0


def _variant(chance: VariantChance, family: Family) -> x.VariantAnswer:
    spec = chance.entry.spec
    own = spec.marked
    closure = own.get("closure", "open")
    bearing = spec if isinstance(spec, BearingSpec) else None
    return x.VariantAnswer(
        key=chance.entry.key,
        designation=spec.designation,
        marking=chance.entry.marking,
        closure=closure,
        closure_words=CLOSURES[closure].words,
        clearance=own.get("clearance", "N"),
        tolerance_class=own.get("class", "Normal"),
        kind=spec.kind,
        kind_words=family.kinds[spec.kind].words,
        attributes={} if bearing else {name: value for name, value in own.items() if value},
        bore_shape=bearing.bore_shape if bearing else "cylindrical",
        angle=bearing.angle if bearing else "",
        probability=chance.probability,
    )


def _unit_hint(found: Identification) -> x.UnitHintAnswer | None:
    hint = found.unit_hint
    if hint is None:
        return None
    word = "inches" if hint.unit == "in" else "millimetres"
    return x.UnitHintAnswer(
        unit="in" if hint.unit == "in" else "mm",
        probability=hint.probability,
        designation=hint.designation,
        message=f"Are these {word}? As {word} they are a {hint.designation}.",
    )


def _rubber(request: x.RubberRequest) -> x.RubberAnswer:
    found = rubber_by_evidence(Clues(**request.model_dump()))
    known = rubbers()
    return x.RubberAnswer(
        chances=[
            x.RubberChance(rubber=name, words=known[name].words, probability=chance)
            for name, chance in found.chances
        ],
        density_g_cm3=found.density_g_cm3,
        density_doubt_g_cm3=found.density_doubt_g_cm3,
        settled=found.settled,
        words=list(found.words),
    )


def _encode(request: x.EncodeRequest) -> x.EncodeAnswer:
    readings = decode(request.text, family=request.family)
    if not readings:
        raise BadInput("not_a_designation", f"“{request.text[:30]}” cannot be read.", "text")
    reading = readings[0]
    if reading.family == "bearing":
        return x.EncodeAnswer(
            family="bearing", texts={"general": encode(spec_of_reading(reading), general_dialect())}
        )
    spec = seal_of_reading(reading)
    texts: dict[str, str] = {habit: encode_seal(spec, habit) for habit in HABITS}
    if code := composed_code(spec):
        texts["composed"] = code
    return x.EncodeAnswer(family=reading.family, texts=texts)


def _needles(request: x.NeedlesRequest) -> x.NeedlesAnswer:
    found = needle_count(request.inside_mm, request.needle_mm, request.outside_mm, request.counted)
    return x.NeedlesAnswer.model_validate(found)


def _interchange(request: x.InterchangeRequest) -> x.InterchangeAnswer:
    duty = request.duty
    running = Running(duty.rpm, duty.temperature_c, duty.dirty) if duty else None
    old, new = part_of(request.old, "from"), part_of(request.new, "to")
    found = interchange_of(old, new, running)
    return x.InterchangeAnswer.model_validate(found)


def _asked_spec(request: x.SeatRequest | x.FittedClearanceRequest) -> BearingSpec:
    return spec_of(
        x.SpecRequest(
            designation=request.designation, d_mm=request.d_mm, D_mm=request.D_mm, B_mm=request.B_mm
        ),
        "designation",
    )


def _sizes(spec: BearingSpec) -> tuple[float, float, float]:
    return spec.d_mm, spec.D_mm, spec.B_mm


def _instrument(asked: str | x.InstrumentRequest, instrument_of: InstrumentOf) -> Instrument:
    if isinstance(asked, str):
        return instrument_of(asked)
    base = default_instrument(asked.kind)
    u = asked.expanded_uncertainty_mm
    return replace(base, outside_u_mm=u, inside_u_mm=u, depth_u_mm=u, scatter_mm=min(base.scatter_mm, u / 2))


def _seat(request: x.SeatRequest) -> x.SeatAnswer:
    return seat_answer(request)


def seat_answer(request: x.SeatRequest, instrument_of: InstrumentOf = default_instrument) -> x.SeatAnswer:
    """Judge a seat from a request, with the shop's own instruments."""
    spec = _asked_spec(request)
    sizes = _sizes(spec)
    duty = _duty(request.duty)
    nominal = sizes[0] if request.part == "shaft" else sizes[1]
    advice = zone_advice(request.part, nominal, duty)
    found = check_seat(
        request.part,
        nominal,
        request.readings_mm,
        _instrument(request.instrument, instrument_of),
        request.zone or advice.zone,
        sizes,
        request.tolerance_class,
        duty,
        request.temperature_c,
        request.instrument_temperature_c,
        request.edition,
        request.finish,
        ring_kind(spec.kind),
    )
    return x.SeatAnswer.model_validate(asdict(found) | {"advice": asdict(advice)})


def _duty(request: x.DutyRequest | None) -> Duty:
    return Duty(**request.model_dump()) if request else Duty()


def _zone_advice(request: x.ZoneAdviceRequest) -> x.ZoneAdviceAnswer:
    advice = zone_advice(request.part, request.size_mm, _duty(request.duty))
    zone = limits(request.size_mm, request.zone or advice.zone)
    ring = ring_limits(
        "bore" if request.part == "shaft" else "outside", request.size_mm, request.tolerance_class
    )
    return x.ZoneAdviceAnswer(
        **asdict(advice),
        chosen_zone=zone.zone,
        zone_lower_um=zone.lower_um,
        zone_upper_um=zone.upper_um,
        ring_lower_um=ring.lower_um,
        ring_upper_um=ring.upper_um,
    )


def _fitted_clearance(request: x.FittedClearanceRequest) -> x.FittedClearanceAnswer:
    def tight(asked: x.InterferenceAnswer | None) -> Interference | None:
        return Interference(asked.min, asked.likely, asked.max) if asked else None

    spec = _asked_spec(request)
    table = clearance_table(spec)
    if not table or table.endswith("_taper_bore") or table in ("four_point", "double_row_angular"):
        raise BadInput(
            "no_radial_clearance",
            f"A {bearing_kinds()[spec.kind].words} is not bought with a radial clearance on a straight seat.",
            "designation",
            "Its setting or its axial clearance is looked at when it is fitted.",
        )
    found = clearance_after_fitting(
        _sizes(spec),
        request.group,
        tight(request.shaft),
        tight(request.housing),
        request.warmer_inner_k,
        request.hollow_mm,
        kind=table,
    )
    return x.FittedClearanceAnswer.model_validate(found)


def _register(
    *operations: tuple[str, str, type[x.Request], type[x.Answer], Callable[[Any], x.Answer]],
) -> dict[str, Operation]:
    return {row[0]: Operation(*row) for row in operations}


OPERATIONS: dict[str, Operation] = _register(
    ("length", "Read a length as a person writes it", x.LengthRequest, x.LengthAnswer, _length),
    ("limits", "Limit deviations of an ISO 286 zone", x.LimitsRequest, x.LimitsAnswer, _limits),
    ("fit", "The fit of a hole and a shaft zone", x.FitRequest, x.FitAnswer, _fit),
    ("ring-limits", "Tolerance of a bearing ring", x.RingLimitsRequest, x.LimitsAnswer, _ring_limits),
    ("internal-clearance", "Radial internal clearance", x.InternalClearanceRequest, x.InternalClearanceAnswer, _internal_clearance),
    ("decode", "Read a marking, whole or half worn", x.DecodeRequest, x.DecodeAnswer, _decode),
    ("kinds", "Kinds of part by picture, and the questions that tell them", x.KindsRequest, x.KindsAnswer, _kinds),
    ("encode", "Write a part's marking in several habits", x.EncodeRequest, x.EncodeAnswer, _encode),
    ("rubber", "Which rubber a ring is of, by evidence", x.RubberRequest, x.RubberAnswer, _rubber),
    ("needles", "How many needles belong, and whether some are lost", x.NeedlesRequest, x.NeedlesAnswer, _needles),
    ("identify", "Rank what a worn part can be", x.IdentifyRequest, x.IdentifyAnswer, _identify),
    ("interchange", "Judge one bearing in the place of another", x.InterchangeRequest, x.InterchangeAnswer, _interchange),
    ("seat", "Judge a measured shaft or housing seat", x.SeatRequest, x.SeatAnswer, _seat),
    ("zone-advice", "The zone a seat should have", x.ZoneAdviceRequest, x.ZoneAdviceAnswer, _zone_advice),
    ("fitted-clearance", "Clearance before fitting, after it and running", x.FittedClearanceRequest, x.FittedClearanceAnswer, _fitted_clearance),
    ("causes", "Rank the likely causes of what was told and seen", j.CausesRequest, j.CausesAnswer, job.causes),
    ("cautions", "What can hurt someone here, and what is refused", j.CautionsRequest, j.CautionsAnswer, job.cautions),
    ("inspect", "Judge a part by its condition card", j.InspectRequest, j.InspectAnswer, job.inspect),
    ("line-check", "Contradictions, verdicts and counts of a line", j.LineCheckRequest, j.LineCheckAnswer, job.line_check),
    ("trade", "Kinds of part, signs, units and condition cards", j.TradeRequest, j.TradeAnswer, job.trade),
)  # fmt: skip
