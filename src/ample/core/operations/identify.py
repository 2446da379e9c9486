"""What a part can be by its readings: operations of the register."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from ample.core import contract
from ample.core.contract.specs import called
from ample.core.designation import (
    Dialect,
    decode,
)
from ample.core.designation.titles import title_of
from ample.core.errors import AmpleError, BadInput
from ample.core.identify import Catalogue, KindEvidence, Observation, identify, standard_catalogue
from ample.core.identify.origin import for_job
from ample.core.identify.ranking import Candidate, Identification, VariantChance
from ample.core.identify.wear_level import ConfirmedRing, for_wear, wear_level, wear_words
from ample.core.interchange import against
from ample.core.operations.sizes import nearest
from ample.core.parts import (
    CLOSURES,
    FAMILIES,
    BearingSpec,
    Family,
    MarkingReading,
    PartSpec,
)
from ample.core.parts.attributes import check_said
from ample.core.parts.ratings import element_mm
from ample.core.parts.requirement import (
    Evidence,
    Measured,
    OperatingConditions,
    Requirement,
    requirement_of,
)
from ample.core.parts.rubber import rubber_for
from ample.core.sizes import (
    Instrument,
    default_instrument,
    parse_length,
    rounding_mm,
    together,
)

EVIDENCE_READINGS = 400
SHOWN_MARKINGS = 8
LIKELY = 0.2  # from here on a size is taken into the requirement while it forms
InstrumentOf = Callable[[str], Instrument]


def identify_part(request: contract.IdentifyRequest) -> contract.IdentifyAnswer:
    """Rank all listed parts of a family."""
    return identify_answer(request, standard_catalogue(request.family))


def identify_answer(
    request: contract.IdentifyRequest,
    catalogue: Catalogue,
    dialects: Sequence[Dialect] = (),
    instrument_of: InstrumentOf = default_instrument,
) -> contract.IdentifyAnswer:
    """Identify from a request over a catalogue, with the shop's own instruments and dialects."""
    family = catalogue.family
    observations, markings = _read(request, family.name, dialects, instrument_of)
    catalogue, of_wear = _of_job(catalogue, request, instrument_of)
    at_hand = instrument_of(request.at_hand) if request.at_hand else None
    seen = KindEvidence.of(request.kind, request.answers, family)
    found = identify(catalogue, observations, markings, request.limit, at_hand, request.variants, seen)
    place, size_of = _size_meant(found, request.chosen)
    wanted = requirement_of(_evidence(request, markings, observations, size_of))
    candidates = [_candidate(each, family) for each in found.candidates]
    if place is not None:
        candidates[place].variants = _best_first(candidates[place].variants, found.candidates[place], wanted)
    return contract.IdentifyAnswer(
        requirement=wanted,
        title=title_of(wanted),
        candidates=candidates,
        none_probability=found.none_probability,
        unexplained=found.unexplained,
        explanations=list(found.explanations),
        comes_near=found.comes_near,
        unit_hint=_unit_hint(found),
        next_measurement=found.next_measurement,
        clash=found.clash,
        entropy_bits=found.entropy_bits,
        readings=_uncertainties(observations),
        marking=_to_show(markings, found),
        kinds=_kind_shares(family, found.kinds),
        next_question=found.next_question,
        offered=list(found.offered),
        advice=[*_of_rubber(wanted, request), *of_wear, *found.advice],
    )


def _of_job(
    catalogue: Catalogue, request: contract.IdentifyRequest, instrument_of: InstrumentOf
) -> tuple[Catalogue, list[str]]:
    """The list of O-rings as the job makes it: by where the machine was built, and by how hard it was used; and what is said
    of that.
    """
    if catalogue.family.name != "o_ring":
        return catalogue, []
    rings = [
        ConfirmedRing(
            each.designation,
            tuple(_all_of(each.observations, f"read_before[{place}].", instrument_of, "o_ring")),
        )
        for place, each in enumerate(request.read_before)
    ]
    level = wear_level(catalogue, rings)
    said = wear_words(level, sum(bool(each.observations) for each in rings))
    listed = for_wear(for_job(catalogue, request.origin, request.confirmed), level)
    return listed, [said] if said and request.observations else []


def _known(wanted: Requirement, name: str) -> bool:
    found = wanted.known(name)
    return found is not None and bool(found.value)


def _of_rubber(wanted: Requirement, request: contract.IdentifyRequest) -> list[str]:
    """Where the medium is known and the rubber is not, which rubbers stand it: that is the dangerous choice."""
    if (
        request.duty is None
        or "material" not in FAMILIES[request.family].marked
        or _known(wanted, "material")
    ):
        return []
    said = rubber_for(request.duty.medium)
    return [said] if said else []


def _size_meant(found: Identification, chosen: int | None) -> tuple[int | None, PartSpec | None]:
    """Which candidate's size the requirement takes, and the listed part chosen: the likeliest if it is likely at all."""
    if chosen is not None:
        for place, each in enumerate(found.candidates):
            for variant in each.variants:
                if variant.entry.key == chosen:
                    return place, variant.entry.spec
    if found.candidates and found.candidates[0].probability > LIKELY:
        return 0, found.candidates[0].variants[0].entry.spec
    return None, None


def _evidence(
    request: contract.IdentifyRequest,
    markings: Sequence[MarkingReading],
    observations: Sequence[Observation],
    size_of: PartSpec | None,
) -> Evidence:
    duty = request.duty
    conditions = [each.condition for each in request.observations if each.condition]
    return Evidence(
        request.family,
        (request.marking or "").strip(),
        tuple(markings),
        tuple(_measured(each) for each in observations),
        request.kind or "",
        tuple(sorted(request.answers.items())),
        request.condition or (conditions[0] if conditions else ""),
        tuple(sorted(request.said.items())),
        size_of,
        request.count,
        duty=OperatingConditions(duty.rpm, duty.temperature_c, duty.medium, duty.dirty) if duty
        else OperatingConditions(),
    )  # fmt: skip


def _measured(observation: Observation) -> Measured:
    reading = observation.reading
    return Measured(
        observation.feature, round(reading.mean_mm, 5), round(reading.expanded_uncertainty_mm, 4), reading.count,
        observation.instrument.name,
    )  # fmt: skip


def _best_first(
    variants: Sequence[contract.VariantAnswer], candidate: Candidate, wanted: Requirement
) -> list[contract.VariantAnswer]:
    """The listed parts of a size held against the requirement: what contradicts it is never offered first."""
    if wanted.spec is None:
        return list(variants)
    judged = []
    for answer, chance in zip(variants, candidate.variants, strict=True):
        contradictions, unknown = against(wanted, chance.entry.spec)
        judged.append(answer.model_copy(update={"contradictions": [*contradictions], "open": [*unknown]}))
    return sorted(judged, key=lambda each: bool(each.contradictions))


def requirement_for(
    request: contract.IdentifyRequest,
    size_of: PartSpec | None,
    dialects: Sequence[Dialect] = (),
    instrument_of: InstrumentOf = default_instrument,
) -> Requirement:
    """The requirement that a request amounts to, of the size of a listed part that a person confirmed."""
    observations, markings = _read(request, request.family, dialects, instrument_of)
    return requirement_of(_evidence(request, markings, observations, size_of))


def _read(
    request: contract.IdentifyRequest, family: str, dialects: Sequence[Dialect], instrument_of: InstrumentOf
) -> tuple[list[Observation], tuple[MarkingReading, ...]]:
    observations = _all_of(request.observations, "", instrument_of, family)
    check_said(request.said)
    marking = (request.marking or "").strip()
    return observations, decode(marking, tuple(dialects), EVIDENCE_READINGS, family) if marking else ()


def _all_of(
    asked: Sequence[contract.ObservationRequest], before: str, instrument_of: InstrumentOf, family: str
) -> list[Observation]:
    named = [(each.feature, each.instrument) for each in asked]
    if len(set(named)) != len(named):
        raise BadInput(
            "feature_twice",
            "A feature is given twice with one instrument. List repeats together.",
            f"{before}observations",
        )
    return [
        each
        for place, one in enumerate(asked)
        for each in _observations(one, f"{before}observations[{place}]", instrument_of, family)
    ]


def _to_show(markings: Sequence[MarkingReading], found: Identification) -> list[MarkingReading]:
    """Readings of the marking, those that name the likeliest part first."""
    best = found.candidates[0].variants[0].entry.spec.designation if found.candidates else ""
    return sorted(markings, key=lambda reading: reading.designation != best)[:SHOWN_MARKINGS]


def _kind_shares(family: Family, shares: Sequence[tuple[str, float]]) -> list[contract.KindShare]:
    return [
        contract.KindShare(kind=kind, words=family.kinds[kind].words, probability=p) for kind, p in shares
    ]


def _observations(
    request: contract.ObservationRequest, field: str, instrument_of: InstrumentOf, family: str
) -> list[Observation]:
    """The readings of a feature with one instrument; what was typed coarser than it shows stands apart."""
    by_step: dict[float, list[float]] = {}
    try:
        instrument = instrument_of(request.instrument)
    except AmpleError as error:
        raise BadInput(error.code, error.message, f"{field}.{error.field}", error.hint) from error
    for place, value in enumerate(request.values):
        try:
            text = value if isinstance(value, str) else f"{value:.9f}".rstrip("0").rstrip(".")
            length = parse_length(text, request.unit)
        except BadInput as error:
            raise BadInput(error.code, error.message, f"{field}.values[{place}]", error.hint) from error
        coarse = isinstance(value, str) and rounding_mm(instrument, length.step_mm) > 0
        by_step.setdefault(length.step_mm if coarse else 0.0, []).append(length.mm)
    try:
        return [
            Observation(request.feature, tuple(values), instrument, request.condition, family, step)
            for step, values in by_step.items()
        ]
    except AmpleError as error:
        raise BadInput(error.code, error.message, f"{field}.{error.field}", error.hint) from error


def _uncertainties(observations: Sequence[Observation]) -> list[contract.UncertaintyAnswer]:
    """By feature, what all its readings are worth."""
    by_feature: dict[str, list[Observation]] = {}
    for each in observations:
        by_feature.setdefault(each.feature, []).append(each)
    found = []
    for feature, own in by_feature.items():
        reading = together([each.reading for each in own])
        found.append(
            contract.UncertaintyAnswer(
                feature=feature,
                mean_mm=round(reading.mean_mm, 5),
                expanded_uncertainty_mm=round(reading.expanded_uncertainty_mm, 4),
                count=reading.count,
                repeats_disagree=reading.repeats_disagree,
                nearest=nearest(reading.mean_mm),
            )
        )
    return found


def _candidate(candidate: Candidate, family: Family) -> contract.CandidateAnswer:
    best = candidate.variants[0].entry.spec
    return contract.CandidateAnswer(
        designation=best.designation,
        dimensions=candidate.dimensions,
        probability=candidate.probability,
        features=list(candidate.features),
        misfit=candidate.misfit,
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


def _variant(chance: VariantChance, family: Family) -> contract.VariantAnswer:
    spec = chance.entry.spec
    own = spec.marked
    closure = own.get("closure", "open")
    bearing = spec if isinstance(spec, BearingSpec) else None
    return contract.VariantAnswer(
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


def _unit_hint(found: Identification) -> contract.UnitHintAnswer | None:
    hint = found.unit_hint
    if hint is None:
        return None
    word = "inches" if hint.unit == "in" else "millimetres"
    return contract.UnitHintAnswer(
        unit="in" if hint.unit == "in" else "mm",
        probability=hint.probability,
        designation=hint.designation,
        message=f"Are these {word}? As {word} they are a {hint.designation}.",
    )
