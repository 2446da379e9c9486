"""Putting a reading of a seal, ring or small part together from what its words and sizes say."""

from __future__ import annotations

import re
from collections.abc import Sequence
from functools import cache

from ample.core.designation.seals.text import Text
from ample.core.parts import SEALS, MarkingReading, SealSpec, Span
from ample.core.standards import SealSize

_UNREAD_COST, _CONTRADICTS = 0.6, 0.4
ON_NO_LIST = "in no list available here"  # what a reading of such a size gives as its series
_OF_RUBBER = ("lip_seal", "o_ring", "hydraulic_seal")
_NO_KIND_WORDS = ("note", "designation", "family")


def stated(
    text: Text, match: re.Match[str], meaning: str, attribute: str, value: str, basis: str = "common practice"
) -> Span:
    """A span that a text states."""
    start, stop = match.span()
    return Span(start, stop, text.typed[start:stop], meaning, attribute, value, "stated", basis)


def assembled(
    text: Text,
    family: str,
    sizes_mm: tuple[float, ...],
    own: Sequence[Span],
    score: float,
    listed: SealSize | None = None,
) -> MarkingReading:
    """The spans together; the kind given, or that of the listed part assumed."""
    spans = [*own, *text.spans(family)]
    attributes, contradictions = _attributes(spans)
    told = attributes.get("kind")
    differs = (
        listed is not None and listed.kind not in (told, f"{told}_inch") and family != "lip_seal"
    )  # a word does not tell the inch kind from the metric one: the size does
    if told and differs:
        contradictions += 1
    kind = told or ""
    if told is None or (listed is not None and listed.kind != told and family != "lip_seal"):
        kind = listed.kind if listed else told or SEALS[family].usual_kind
    spans += _assumed(family, kind, attributes)
    sizes = listed.dimensions_mm if listed else sizes_mm
    spec = SealSpec(family, listed.designation if listed else canonical(family, kind, sizes), kind, sizes)
    unread = text.unread(spans)
    attributes["kind"] = kind
    attributes["series"] = listed.listed if listed else ON_NO_LIST
    if listed and listed.called:
        attributes["called"] = listed.called
    score *= _CONTRADICTS**contradictions * _UNREAD_COST ** len(unread)
    return MarkingReading(
        family, spec.designation, attributes["series"], spec.dimensions, attributes, tuple(spans), unread, round(score, 4)
    )  # fmt: skip


def _attributes(spans: Sequence[Span]) -> tuple[dict[str, str], int]:
    """What the spans set, the first of each; and how many say something else than an earlier one."""
    found: dict[str, str] = {}
    contradictions = 0
    for span in spans:
        if span.attribute in _NO_KIND_WORDS or span.attribute.endswith("_mm"):
            continue
        if span.value and found.setdefault(span.attribute, span.value) != span.value:
            contradictions += 1
    return found, contradictions


def _assumed(family: str, kind: str, attributes: dict[str, str]) -> list[Span]:
    """What goes without saying, said."""
    found = []
    if "kind" not in attributes:
        found.append(_no_kind(family, kind))
    if family in _OF_RUBBER and "material" not in attributes:
        found.append(_no_material(kind))
    return found


@cache
def _no_kind(family: str, kind: str) -> Span:
    words = f"no type marked: {SEALS[family].kinds[kind].words}"
    return Span(-1, -1, "", words, "kind", kind, "assumed", "common practice")


@cache
def _no_material(kind: str) -> Span:
    words = (
        f"no {'rubber' if kind not in _OF_PTFE else 'material'} marked: often {_usual(kind)}, not confirmed"
    )
    return Span(-1, -1, "", words, "material", "", "assumed", "common practice")


_OF_PU = ("u_cup", "u_cup_loaded", "buffer", "wiper", "wiper_double", "wiper_cased")
_OF_PTFE = ("piston_seal", "wear_band", "backup_solid", "backup_split", "backup_spiral", "backup_concave")


def _usual(kind: str) -> str:
    """What a kind is made of most often."""
    return "PU" if kind in _OF_PU else "PTFE" if kind in _OF_PTFE else "NBR"


def canonical(family: str, kind: str, sizes_mm: tuple[float, ...]) -> str:
    """The name of a part of a size that is in no list, as the lists write it."""
    spec = SealSpec(family, "", kind, tuple(round(size, 4) for size in sizes_mm))
    return spec.size_text.replace(" × ", "x")
