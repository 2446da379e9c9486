"""Writing a seal, ring or small part so that it is read again as the same part, in several habits."""

from __future__ import annotations

from functools import lru_cache
from typing import Literal

from ample.core.designation.seals.words import seal_words
from ample.core.parts import SealSpec
from ample.core.sizes import INCH_MM
from ample.core.standards import seal_sizes
from ample.core.standards.seals import inch_fraction

Habit = Literal["standard", "market", "words"]
_OWN_NAME = ("DIN ", "ISO ", "MB", "V-", "-", "8-")
_MARKET = {
    "lip_rubber": "SC", "lip_rubber_dust": "TC", "lip_metal": "SB", "lip_metal_dust": "TB",
    "lip_metal_cased": "SA", "lip_metal_cased_dust": "TA", "lip_two": "DC", "lip_grease": "VB",
}  # fmt: skip
_STANDARD = {
    "lip_rubber": "A", "lip_rubber_dust": "AS", "lip_metal": "B", "lip_metal_dust": "BS",
    "lip_metal_cased": "C", "lip_metal_cased_dust": "CS",
}  # fmt: skip
_FAMILY_WORD = {"lip_seal": "OIL SEAL", "o_ring": "O-RING", "face_seal": "MECHANICAL SEAL"}


def encode_seal(spec: SealSpec, habit: Habit = "standard") -> str:
    """The text for a seal, ring or small part.

    Formula: none; type letters of DIN 3760, or of the market before the size, or plain words.

    Args:
        spec: The part; a rubber and a hardness are written when it has them.
        habit: `standard` (35x52x7 AS NBR), `market` (TC 35x52x7 NBR) or `words` (oil seal 35x52x7 …).

    Returns:
        The text; reading it gives the same family, kind, sizes, rubber and hardness.

    Raises:
        Nothing.

    Source: DIN 3760, SAE AS568, DIN 471, DIN 6885-1; common practice.

    Example:
        >>> encode_seal(SealSpec("lip_seal", "35x52x7", "lip_rubber_dust", (35.0, 52.0, 7.0)), "market")
        'TC 35x52x7'
    """
    own = dict(spec.attributes)
    rubber = " ".join(filter(None, (own.get("material", ""), _hardness(own.get("hardness_shore_a", "")))))
    name, word = _size(spec), _kind_word(spec, habit)
    if habit == "standard" and spec.kind in _STANDARD:
        pieces = [name, _STANDARD[spec.kind], rubber]
    else:
        pieces = [word, name, rubber]
    return " ".join(filter(None, pieces))


def composed_code(spec: SealSpec) -> str:
    """The composed inch code of a hydraulic seal; empty where its sizes are no sixteenths of an inch.

    Formula: inches cut to thousandths, the section with a trailing zero, then inside, then height; a piston
    seal by the sixteenths of its bore.

    Args:
        spec: The seal.

    Returns:
        `1870 1125 375`, or `PISTON SEAL 28`; empty for a metric seal.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> composed_code(SealSpec("hydraulic_seal", "", "u_cup", (28.575, 4.7625, 9.525, 0.0)))
        '1870 1125 375'
    """
    if spec.family != "hydraulic_seal":
        return ""
    inside, section, height = (size / INCH_MM for size in spec.dimensions_mm[:3])
    if spec.kind == "piston_seal":
        bore = 16 * (inside + 2 * section)
        return f"PISTON SEAL {round(bore)}" if abs(bore - round(bore)) < 0.002 else ""
    if any(abs(16 * each - round(16 * each)) > 0.002 for each in (inside, section, height)):
        return ""
    cut = [int(round(16 * each) / 16 * 1000 + 1e-6) for each in (section, inside, height)]
    return f"{cut[0]:03d}0 {cut[1]:03d} {cut[2]:03d}"


def _hardness(shore: str) -> str:
    return f"{shore} SHORE" if shore else ""


def _size(spec: SealSpec) -> str:
    """Its name on the lists where that says the size alone, or its sizes."""
    if spec.designation.startswith(_OWN_NAME):
        return spec.designation
    if spec.family == "face_seal":
        return f"{_written(spec.dimensions_mm[0])} x {_written(spec.dimensions_mm[3])}"
    if spec.family == "retaining_ring":
        return spec.designation
    if spec.family == "washer":
        return spec.designation.removeprefix("wave ")
    if spec.kind in ("square_ring", "x_ring"):
        return spec.designation.removeprefix("SQ").removeprefix("X")
    return spec.designation


def _written(size_mm: float) -> str:
    """A size with its unit: in inches where it is a whole number of their thirty-seconds and of no millimetre."""
    parts = size_mm / INCH_MM * 32
    if abs(parts - round(parts)) < 1e-3 and abs(size_mm - round(size_mm)) > 1e-3:
        return f"{inch_fraction(size_mm)} IN"
    return f"{size_mm:g} MM"


def _kind_word(spec: SealSpec, habit: Habit) -> str:
    if spec.designation.startswith(_OWN_NAME) and spec.kind not in ("backup_split", "backup_spiral"):
        return ""
    if habit == "market" and spec.kind in _MARKET:
        return _MARKET[spec.kind]
    if spec.kind in ("o_ring",):
        return _FAMILY_WORD["o_ring"] if habit == "words" else ""
    word = _words_of_kinds().get((spec.family, spec.kind), "")
    lead = _FAMILY_WORD.get(spec.family, "") if habit == "words" or spec.family == "face_seal" else ""
    return " ".join(filter(None, (lead, word)))


@lru_cache
def _words_of_kinds() -> dict[tuple[str, str], str]:
    """For each kind the word that means just that."""
    found: dict[tuple[str, str], str] = {}
    for words in seal_words().values():
        for word in words:
            for family in word.families:
                alone = sum(family in other.families for other in words) == 1
                if word.sets[0][0] == "kind" and alone:
                    found.setdefault((family, word.sets[0][1]), word.code)
    for kind in _STANDARD:
        found["lip_seal", kind] = _STANDARD[kind]
    return found


@lru_cache
def listed_specs() -> tuple[SealSpec, ...]:
    """Every listed part without rubber or hardness."""
    return tuple(
        SealSpec(size.family, size.designation, size.kind, size.dimensions_mm, (), size.listed)
        for size in seal_sizes()
    )
