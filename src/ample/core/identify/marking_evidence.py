"""How well a marking, whole or half worn, speaks for each listed part."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.catalogue import Catalogue
from ample.core.parts import MarkingReading

MISREAD = 0.03
KNOWN_NAMES = 400
_WHOLE_SILENT = {"closure": 0.15, "clearance": 0.2, "class": 0.2}
_WORN_SILENT = {"closure": 0.6, "clearance": 0.6, "class": 0.6}
_CONTRADICTS = {"closure": 0.03, "clearance": 0.05, "class": 0.05}
_USUAL = {"closure": "open", "clearance": "N", "class": "Normal"}


def marking_likelihood(
    catalogue: Catalogue, markings: Sequence[MarkingReading]
) -> tuple[NDArray[np.float64], float]:
    """Likelihood of the marking for each listed part, and for one that is not listed.

    A part named by the marking gets 1, another the chance of a misread or foreign ring shared
    over all names; attributes that the marking states, or leaves out, weigh within a part.
    """
    if not markings:
        return np.ones(catalogue.size), 1.0
    background = MISREAD / KNOWN_NAMES
    best = np.zeros(catalogue.size)
    for reading in markings:
        rows = catalogue.rows_named.get(reading.designation)
        if rows is None:
            continue
        weights = np.full(len(rows), _strength(reading, markings))
        for attribute, column in (
            ("closure", catalogue.entry_closure),
            ("clearance", catalogue.entry_clearance),
            ("class", catalogue.entry_class),
        ):
            weights *= _weights(reading, attribute, column[rows])
        best[rows] = np.maximum(best[rows], weights)
    return (1 - MISREAD) * best + background, background


def _weights(reading: MarkingReading, attribute: str, column: NDArray[np.str_]) -> NDArray[np.float64]:
    value = reading.attributes.get(attribute, _USUAL[attribute])
    if attribute in reading.stated:
        other = _CONTRADICTS[attribute]
    else:
        worn = bool(reading.unread) or any(s.certainty == "half_read" for s in reading.spans)
        other = (_WORN_SILENT if worn else _WHOLE_SILENT)[attribute]
    return np.where(column == value, 1.0, other)


def _strength(reading: MarkingReading, markings: Sequence[MarkingReading]) -> float:
    """Readings that differ only in what a code means share; different sizes under a gap do not."""
    same = [each.score for each in markings if each.designation == reading.designation]
    return reading.score / max(same) if same and max(same) > 0 else 1.0
