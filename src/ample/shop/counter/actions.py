"""The field of the Counter: what a marking, a size or a job number can mean, as it is typed."""

from __future__ import annotations

import re

from ample.base import job_queries as jobs
from ample.base.units import units_named
from ample.core import contract
from ample.core.contract.specs import seal_of_reading, spec_of_reading
from ample.core.designation import names_other_things
from ample.core.designation.mixed import SIZES_OF_A_NAME, Asked, asked_in_words
from ample.core.designation.seals import ON_NO_LIST
from ample.core.errors import BadInput
from ample.core.operations import decode_answer
from ample.core.parts import FAMILIES
from ample.core.parts.ratings import element_mm
from ample.core.sizes import parse_size
from ample.shop.bench.actions import InstrumentOf, identify_in_shop
from ample.shop.catalogue import queries as catalogue
from ample.shop.catalogue.index import ShopIndex
from ample.shop.counter.records import CounterAnswer, CounterAsked, CounterReading
from ample.store import Transaction

MOST_READINGS = 3
NOT_READ = "No marking, size or job found in this."
NOT_OURS = (
    "Pins, screws, belts, chains and hoses are on no list here; no marking, size or job found beside them."
)
_LOOSE_SIZE = re.compile(r"\s*([\d.,/ ]+?)\s+([\d.,]+)(?:\s+([\d.,]+))?\s*")
_SIZES = 3  # of a name, as a rule
_SAME_MM = 0.06  # a size said is the mark's own, rounded to a tenth
_FEATURES = ("bore", "outside", "width")


def answer_line(t: Transaction, index: ShopIndex, text: str, instrument_of: InstrumentOf) -> CounterAnswer:
    """Every useful meaning of a line, best first."""
    found = CounterAnswer(text=text, jobs=[], units=[], readings=[], by_size=None, not_read=None)
    if not text.strip():
        return found
    found.jobs = jobs.jobs_like(t, text.strip()[:40])
    found.units = units_named(t, text.strip()[:40])
    readings = decode_answer(text, index.dialects).readings
    asked = asked_in_words(text)
    if asked and _says_less_than_a_part(asked, readings):
        found.asked = _understood(asked)
        readings = _marked(asked, index)
        if not readings:
            found.by_size = _by_sizes_said(asked, found.asked, index, instrument_of)
            return found
    for reading in _distinct(readings)[:MOST_READINGS]:
        found.readings.append(_with_stock(t, reading))
    if not found.readings:
        found.by_size = _by_size(index, text, instrument_of)
    if not (found.jobs or found.units or found.readings or found.by_size):
        found.not_read = NOT_OURS if names_other_things(text.upper()) else NOT_READ
    return found


def _says_less_than_a_part(asked: Asked, readings: list[contract.MarkingReading]) -> bool:
    """Sizes of features that do not make a whole part: a marking beside them is completed by them.

    Sizes without a word are left to the reading of marks where it knows them, but for two of a lip seal or a key: its
    width, its length is another question.
    """
    family = FAMILIES[asked.family]
    if len(asked.sizes) >= len(family.offered_in[family.usual_scheme]):
        return False
    if readings and _is_all_of(readings[0], asked):
        return False
    return asked.by_word or not readings or (asked.family in ("lip_seal", "key") and len(asked.sizes) == 2)


def _is_all_of(reading: contract.MarkingReading, asked: Asked) -> bool:
    """Whether a reading leaves nothing of what is asked open: a bearing's mark with its bore, every size of another name."""
    if reading.family != asked.family or reading.unread:
        return False
    enough = len(asked.sizes) >= SIZES_OF_A_NAME.get(asked.family, _SIZES)
    if any(each.isdigit() for piece in reading.beside for each in piece):
        return enough and reading.family == "bearing"
    return reading.family == "bearing" or (enough and reading.attributes["series"] != ON_NO_LIST)


def _marked(asked: Asked, index: ShopIndex) -> list[contract.MarkingReading]:
    """Readings of a legible mark that has every size said beside it already: 1623 5/8 bore."""
    if not any(each.isdigit() for each in asked.rest):
        return []
    readings = decode_answer(asked.rest, index.dialects).readings
    if not readings or readings[0].family != asked.family or readings[0].unread:
        return []
    if any(span.certainty == "half_read" for span in readings[0].spans):
        return []
    family, dimensions = FAMILIES[asked.family], readings[0].dimensions
    for each in asked.sizes:
        feature = family.feature(each.feature)
        named = dimensions.get(feature.shows or feature.axis)
        if named is None or abs(named - each.mm) > _SAME_MM:
            return []
    return readings


def _understood(asked: Asked) -> CounterAsked:
    """What goes to the Bench as evidence: the sizes said, the kind named and the mark beside them."""
    sizes = [{"feature": each.feature, "typed": each.typed, "unit": each.unit} for each in asked.sizes]
    marking = asked.rest if any(each.isdigit() for each in asked.rest) else ""
    return CounterAsked.model_validate(
        {"family": asked.family, "kind": asked.kind, "marking": marking, "sizes": sizes}
    )


def _by_sizes_said(
    asked: Asked, understood: CounterAsked, index: ShopIndex, instrument_of: InstrumentOf
) -> contract.IdentifyAnswer:
    """What it can be by what is understood."""
    said = [
        contract.ObservationRequest(feature=each.feature, values=[f"{each.mm:.4f}"], instrument="rule")
        for each in asked.sizes
    ]
    request = contract.IdentifyRequest(
        family=understood.family, kind=asked.kind or None, marking=understood.marking or None, observations=said,
        limit=MOST_READINGS, variants=1,
    )  # fmt: skip
    return identify_in_shop(index, request, instrument_of)


def _distinct(readings: list[contract.MarkingReading]) -> list[contract.MarkingReading]:
    """The same part said in two dialects is one answer here."""
    kept: dict[tuple[str, ...], contract.MarkingReading] = {}
    for reading in readings:
        a = reading.attributes
        own = (a["closure"], a["clearance"], a["class"]) if reading.family == "bearing" else (a["kind"],)
        kept.setdefault((reading.family, reading.designation, *own), reading)
    return list(kept.values())


def _with_stock(t: Transaction, reading: contract.MarkingReading) -> CounterReading:
    bearing = reading.family == "bearing"
    assumed = [span.meaning for span in reading.spans if span.certainty == "assumed"][:2]
    closure = reading.attributes.get("closure", "open")
    stock = catalogue.stock_of_designation(t, reading.family, reading.designation, closure)
    if not bearing:
        return CounterReading(
            reading=reading,
            size_text=seal_of_reading(reading).size_text,
            ball_mm=0.0,
            assumed=assumed,
            stock=stock,
        )
    size = reading.dimensions
    spec = spec_of_reading(reading) if len(size) > 1 else None
    return CounterReading(
        reading=reading,
        size_text=spec.size_text if spec else f"bore {next(iter(size.values())):g}, size not in the tables",
        ball_mm=element_mm(spec.kind, spec.d_mm, spec.D_mm, spec.T_mm or spec.B_mm) if spec else None,
        assumed=assumed,
        stock=stock,
    )


def _by_size(index: ShopIndex, text: str, instrument_of: InstrumentOf) -> contract.IdentifyAnswer | None:
    """Two or three lengths are bore, outside and width as a caliper would read them."""
    loose = _LOOSE_SIZE.fullmatch(text)
    sizes = text if not loose else " x ".join(filter(None, loose.groups()))
    try:
        lengths = parse_size(sizes)
    except BadInput:
        return None
    if not 2 <= len(lengths) <= 3:
        return None
    request = contract.IdentifyRequest(
        observations=[
            contract.ObservationRequest(feature=feature, values=[length.mm])
            for feature, length in zip(_FEATURES, lengths, strict=False)
        ],
        limit=MOST_READINGS,
        variants=1,
    )
    return identify_in_shop(index, request, instrument_of)
