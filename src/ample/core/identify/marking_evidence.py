"""How well a marking, whole or half worn, speaks for each listed part."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.catalogue import Catalogue, Floats, Ints
from ample.core.identify.values import ranking_value
from ample.core.parts import MarkingReading

MISREAD = ranking_value("misread_marking")
NOT_OF_THIS = ranking_value("not_of_this_part")
_END_NOT_SEEN = ranking_value("end_not_seen")
_OTHER_KIND = ranking_value("marking_other_kind")
_OTHER_ATTRIBUTE = ranking_value("marking_other_attribute")
_WHOLE_SILENT = {"closure": 0.15, "clearance": 0.2, "class": 0.2}
_WORN_SILENT = {"closure": 0.6, "clearance": 0.6, "class": 0.6}
_CONTRADICTS = {"closure": 0.03, "clearance": 0.05, "class": 0.05}
_USUAL = {"closure": "open", "clearance": "N", "class": "Normal"}


@dataclass(frozen=True)
class Evidence:
    """Likelihood of the marking: some parts (rows, in order) have more, all have the background; and of what is not listed."""

    background: float
    rows: Ints
    extra: Floats
    of_none: float

    def of(self, rows: Ints) -> Floats:
        """The likelihood for these parts."""
        if not len(self.rows):
            return np.full(len(rows), self.background)
        at = np.minimum(np.searchsorted(self.rows, rows), len(self.rows) - 1)
        return np.asarray(self.background + np.where(self.rows[at] == rows, self.extra[at], 0.0))


def marking_likelihood(catalogue: Catalogue, markings: Sequence[MarkingReading]) -> Evidence:
    """Likelihood of the marking for each listed part, and for one that is not listed.

    A part named by the marking gets 1, one whose name goes on from it the share of such ends that are not seen, another
    the chance of a misread or foreign ring shared over all names; attributes that the marking states, or leaves out, weigh
    within a part. One that is not listed has that background too, but where the marking is read whole and names what is on
    no list: there are taken to be as many names on no list as on it.
    """
    if not markings:
        return Evidence(1.0, np.zeros(0, dtype=np.intp), np.zeros(0), 1.0)
    background = MISREAD / max(len(catalogue.rows_named), 1)
    found: dict[str, Floats] = {}
    fewest = min(len(reading.unread) for reading in markings)
    for reading in markings:
        if reading.designation not in catalogue.rows_named:
            continue
        more = len(reading.unread) - fewest
        left_over = NOT_OF_THIS**more * (min(reading.score / markings[0].score, 1.0) if more else 1.0)
        for name in (reading.designation, *catalogue.names_beyond.get(reading.designation, ())):
            rows = catalogue.rows_named[name]
            seen = 1.0 if name == reading.designation else _END_NOT_SEEN
            weights = np.full(len(rows), seen * left_over * _strength(reading, markings))
            for attribute, column in catalogue.entry_marked.items():
                weights *= _weights(reading, attribute, column[rows])
            weights *= _of_kind(reading, catalogue, rows)
            held = found.get(name)
            found[name] = weights if held is None else np.maximum(held, weights)
    of_none = (1 - MISREAD) / MISREAD * background if not_listed(catalogue, markings) else background
    if not found:
        return Evidence(background, np.zeros(0, dtype=np.intp), np.zeros(0), of_none)
    rows = np.concatenate([catalogue.rows_named[name] for name in found])
    extra = (1 - MISREAD) * np.concatenate(list(found.values()))
    order = np.argsort(rows)
    return Evidence(background, rows[order], extra[order], of_none)


def not_listed(catalogue: Catalogue, markings: Sequence[MarkingReading]) -> str:
    """What a marking names that is read whole and names no listed part; empty when it does not.

    Args:
        catalogue: What is listed.
        markings: Readings of the marking, best first.

    Returns:
        The designation, or nothing.

    Raises:
        Nothing.

    Example:
        >>> from ample.core.designation import decode
        >>> from ample.core.identify import standard_catalogue
        >>> not_listed(standard_catalogue(), decode("22392")), not_listed(standard_catalogue(), decode("6205"))
        ('22392', '')
    """
    if not markings or markings[0].designation in catalogue.rows_named:
        return ""
    best = markings[0]
    whole = not best.unread and all(span.certainty != "half_read" for span in best.spans)
    return best.designation if whole else ""


def _of_kind(reading: MarkingReading, catalogue: Catalogue, rows: Ints) -> Floats:
    """A seal's marking that states its kind speaks for that kind of the size it names."""
    if "kind" not in reading.stated or reading.attributes.get("kind") not in catalogue.kinds:
        return np.ones(len(rows))
    own = catalogue.kinds.index(reading.attributes["kind"])
    return np.where(catalogue.entry_kind[rows] == own, 1.0, _OTHER_KIND)


def _weights(reading: MarkingReading, attribute: str, column: NDArray[np.str_]) -> NDArray[np.float64]:
    value = reading.attributes.get(attribute, _USUAL.get(attribute, ""))
    if attribute not in _USUAL:
        return np.where((column == value) | (column == "") | (value == ""), 1.0, _OTHER_ATTRIBUTE)
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
