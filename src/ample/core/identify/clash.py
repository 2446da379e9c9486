"""Marking and readings that say different parts: both sides in words."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.agreement import DISAGREES_SIGMA, FeatureAgreement, agreements
from ample.core.identify.catalogue import Catalogue
from ample.core.identify.marking_evidence import not_listed
from ample.core.identify.observations import Observation
from ample.core.identify.unit_hint import likeliest_entry
from ample.core.parts import MarkingReading

Floats = NDArray[np.float64]


def clash(
    catalogue: Catalogue,
    markings: Sequence[MarkingReading],
    observations: tuple[Observation, ...],
    factor: Floats,
) -> str | None:
    """What the marking names and the readings contradict, in words; None when they agree, or one of them is missing.

    They contradict when every part that the marking names, whole or as the beginning of its name, misses a reading by more than four standard
    uncertainties; what is on no list, when a size that it states lies farther from the reading than a used part's can. Of a
    half-legible marking nothing is said, it is the readings that complete it.

    Args:
        catalogue: What is listed.
        markings: Readings of the marking, best first.
        observations: The readings.
        factor: What the readings say of each group of parts, with what was seen.

    Returns:
        A sentence or two.

    Raises:
        Nothing.

    Source: common practice.
    """
    if not markings or not observations:
        return None
    fewest = min(len(reading.unread) for reading in markings)
    whole = [reading.designation for reading in markings if len(reading.unread) == fewest]
    beyond = [other for name in whole for other in catalogue.names_beyond.get(name, ())]
    named = dict.fromkeys((*whole, *beyond))
    rows = [catalogue.rows_named[name] for name in named if name in catalogue.rows_named]
    if any(span.certainty == "half_read" for span in markings[0].spans):
        return None
    if not_listed(catalogue, markings):
        return _of_no_list(markings[0], observations)
    if not rows:
        return None
    nearest: tuple[int, FeatureAgreement] | None = None
    named_rows = np.concatenate(rows)  # open and closed ones differ in width: each unit once
    _, first = np.unique(catalogue.entry_unit[named_rows], return_index=True)
    for row in named_rows[np.sort(first)]:
        unit = int(catalogue.entry_unit[row])
        worst = max(agreements(catalogue, unit, observations), key=lambda each: each.sigmas or 0.0)
        if (worst.sigmas or 0.0) <= DISAGREES_SIGMA:
            return None
        if nearest is None or (worst.sigmas or 0.0) < (nearest[1].sigmas or 0.0):
            nearest = int(row), worst
    assert nearest is not None
    spec, worst = catalogue.entries[nearest[0]].spec, nearest[1]
    feature = catalogue.family.feature(worst.feature)
    read = next(each for each in observations if each.feature == worst.feature)
    off = (
        f"{abs(worst.off_mm):.2f} mm {'over' if worst.off_mm > 0 else 'under'} it"
        if worst.off_mm
        else "not of it"
    )
    said = (
        f"The marking says {spec.designation} ({spec.size_text}), "
        f"but the {feature.words} reads {read.reading.mean_mm:.2f} mm, {off}. "
    )
    by_size = catalogue.entries[likeliest_entry(catalogue, factor)].spec
    if by_size.designation in named or _misses(catalogue, by_size.designation, observations):
        return f"{said}Check both again."
    return f"{said}By its size it is {by_size.designation} ({by_size.size_text}). Check both again."


def _of_no_list(reading: MarkingReading, observations: tuple[Observation, ...]) -> str | None:
    """What a marking of a part that is not listed states of a size, and a reading contradicts."""
    for each in observations:
        feature = each.described
        size = reading.dimensions.get(feature.shows or feature.axis)
        if not size:
            continue
        far = feature.far_mm + feature.far_share * size + 2 * each.reading.expanded_uncertainty_mm
        if abs(each.reading.mean_mm - size) > far:
            return (
                f"The marking says {reading.designation}, which is on no list here, {feature.words} {size:g} mm; "
                f"it reads {each.reading.mean_mm:.2f} mm. Check both again."
            )
    return None


def _misses(catalogue: Catalogue, name: str, observations: tuple[Observation, ...]) -> bool:
    """Whether the likeliest part by size misses a reading too."""
    unit = int(catalogue.entry_unit[catalogue.rows_named[name][0]])
    return any((each.sigmas or 0.0) > DISAGREES_SIGMA for each in agreements(catalogue, unit, observations))
