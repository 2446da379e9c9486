"""When nothing listed fits all readings: what single thing, if it went wrong, would explain them."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from statistics import median

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.catalogue import Catalogue
from ample.core.identify.conditions import UNSEEN, Conditions, conditions_given
from ample.core.identify.joined import joint
from ample.core.identify.model import Profile
from ample.core.identify.observations import Observation
from ample.core.identify.posterior import Posterior, feature_rows, units_together
from ample.core.parts import Feature
from ample.core.sizes import INCH_MM

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

LEAST_SHARE = 0.01
MOST_SHOWN = 4
EVEN_CHANCE = 0.5
INCH_NEAR = 0.03
CHAMFERED, CHAMFER_MM = ("bore",), (0.5, 4.0)  # twice the corner of ISO 582, from 0.3 to 2 mm
ZERO, ONE_READING, CONDITION, SAID, OTHER_KIND, MARKING, UNLISTED = (
    "zero_error", "one_reading", "condition", "condition_said", "other_kind", "marking", "unlisted",
)  # fmt: skip


@dataclass(frozen=True)
class Explanation:
    """One thing that would explain the readings, its share, and the likeliest part if it holds.

    `feature` is the one to read again, `off_mm` by how much it or the instrument's zero is off; `do` what settles it.
    """

    what: str
    share: float
    designation: str
    size_text: str
    feature: str
    off_mm: float | None
    words: str
    do: str


@dataclass(frozen=True, eq=False)
class Weights:
    """By group: how likely what was seen is; prior with marking, and, where there is one, as if it were of another part; the
    chance of an entry; and none of these.
    """

    seen: Floats
    of_group: Floats
    unmarked: Floats | None
    of_entries: Callable[[Ints], Floats]
    none: float


@dataclass(frozen=True, eq=False)
class _Way:
    """A way to explain the readings: the density of every group of parts under it."""

    what: str
    density: Floats
    feature: str = ""

    def by_group(self, weighed: Weights) -> Floats:
        """The density of every group with its prior and marking."""
        own = weighed.unmarked if self.what == MARKING else weighed.of_group
        assert own is not None
        return own * self.density


def explanations(
    catalogue: Catalogue,
    observations: tuple[Observation, ...],
    posterior: Posterior,
    weighed: Weights,
    named: str = "",
) -> tuple[Explanation, ...]:
    """What would explain readings that no listed part fits, likeliest first.

    Formula: for each single mishap h (the zero off, one reading wrong, a rare or unsaid condition, another kind than was
    pointed at), P(h | m) ∝ Σ_c P(c) p(m, h | c) with everything else as it should be; and none of these as measured.

    Args:
        catalogue: What is listed.
        observations: The readings.
        posterior: What they say, looked at closely.
        weighed: Prior, marking and what was seen, by group; and the density of a part on no list.
        named: What the marking says, where it names a part that is not listed.

    Returns:
        At most four explanations with more than a hundredth each.

    Raises:
        Nothing.

    Source: docs/decisions/one-ranking.md.
    """
    ways = _ways(catalogue, observations, posterior, weighed)
    masses = [float(way.by_group(weighed).sum()) for way in ways]
    none = weighed.none
    total = sum(masses) + none
    if total <= 0:
        return ()
    found = []
    for way, mass in zip(ways, masses, strict=True):
        if mass > LEAST_SHARE * total:
            found.append(_explained(catalogue, observations, posterior, way, mass / total, weighed))
    if none > LEAST_SHARE * total:
        found.append(on_no_list(catalogue, observations, none / total, named))
    return tuple(sorted(found, key=lambda each: -each.share)[:MOST_SHOWN])


def _ways(
    catalogue: Catalogue, observations: tuple[Observation, ...], posterior: Posterior, weighed: Weights
) -> list[_Way]:
    seen, marked = weighed.seen, weighed.unmarked is not None
    given, nodes = posterior.conditions, posterior.nodes
    right = {name: _only_right(made) for name, made in posterior.profiles.items()}
    near = nodes * (~_far(posterior))
    usual = given.usual if given.usual.size.any() else given

    def groups(profiles: Mapping[str, Profile], weights: Floats, conditions: Conditions) -> Floats:
        return units_together(catalogue, dict(profiles), weights, conditions)[catalogue.group_unit]

    found = [_Way(ZERO, seen * groups(right, nodes * _far(posterior), usual))]
    if marked:
        found.append(_Way(MARKING, seen * groups(right, near, usual)))
    if len(right) > 1 or marked:
        found += [
            _Way(ONE_READING, seen * groups({**right, name: _only_wrong(made)}, near, usual), name)
            for name, made in posterior.profiles.items()
        ]
    rare = np.array([kind.rare for kind in catalogue.family.conditions])
    unsaid = conditions_given(catalogue.family, tuple(replace(each, condition=None) for each in observations))
    if given.size[rare].sum() > EVEN_CHANCE:  # it was said, and explains what is off
        found.append(_Way(SAID, seen * groups(right, near, given)))
    elif rare.any():
        of_rare = Conditions(catalogue.family, np.where(rare, unsaid.size, 0.0), given.shape)
        found.append(_Way(CONDITION, seen * groups(right, near, of_rare)))
    elif any(each.condition for each in observations):
        found.append(_Way(CONDITION, UNSEEN * seen * groups(right, near, unsaid)))
    if seen.min() < 0.5 * seen.max():
        others = np.where(seen < 0.5 * seen.max(), seen, 0.0)
        found.append(_Way(OTHER_KIND, others * groups(right, near, usual)))
    return found


def _far(posterior: Posterior) -> NDArray[np.bool_]:
    """Which nodes of the shared error are of an instrument whose zero is off."""
    if posterior.shared is None:
        return np.zeros(1, dtype=bool)
    return np.arange(len(posterior.shared.shifts_mm)) >= posterior.shared.sound


def _only_right(made: Profile) -> Profile:
    return replace(made, gross=np.zeros_like(made.gross))


def _only_wrong(made: Profile) -> Profile:
    return replace(made, right=np.zeros_like(made.right))


def _explained(
    catalogue: Catalogue,
    observations: tuple[Observation, ...],
    posterior: Posterior,
    way: _Way,
    share: float,
    weighed: Weights,
) -> Explanation:
    rows = np.flatnonzero(catalogue.entry_group == int(np.argmax(way.by_group(weighed))))
    entry = int(rows[np.argmax(weighed.of_entries(rows))])
    spec = catalogue.entries[entry].spec
    unit = int(catalogue.entry_unit[entry])
    feature, off = way.feature, None
    if way.what == ZERO:
        off = _zero_mm(catalogue, posterior, unit)
        name = posterior.main.name if posterior.main else "instrument"
        instrument = name if name[-1:].isdigit() else f"the {name}"
        side = "over" if off > 0 else "under"
        words = f"If {instrument} reads {abs(off):.2f} mm {side}, it is {spec.designation}."
        do = "Close it, clean it, and read its zero or a gauge block."
    elif way.what == ONE_READING:
        described = catalogue.family.feature(feature)
        read = median(next(each.values_mm for each in observations if each.feature == feature))
        meant = catalogue.family.measures(catalogue.unit_tolerances[unit], feature)
        if meant:
            size = min((each.nominal_mm for each in meant), key=lambda one: abs(one - read))
            off = round(read - size, 4)
            words = f"{_misread(described, read, size)}, it is {spec.designation}."
        else:
            words = f"If {read:.2f} mm is not its {described.words}, it is {spec.designation}."
        do = f"Measure the {described.words} again."
    elif way.what == CONDITION:
        unsaid = any(each.condition for each in observations)
        words = (
            f"If its condition is another than was said, it is {spec.designation}."
            if unsaid
            else f"If rust stands on it or has eaten into it, it is {spec.designation}."
        )
        do = "Check its condition." if unsaid else "Clean its faces down to the metal and measure again."
    elif way.what == SAID:
        words = f"With the rust that was said, it is {spec.designation}."
        do = "Clean its faces down to the metal and measure again."
    elif way.what == MARKING:
        words = (
            f"If the marking was misread or is of another part, it is {spec.designation} ({spec.size_text})."
        )
        do = "Read the marking again."
    else:
        words = f"If it is of another kind than was chosen, it is {spec.designation}, {_kind_words(catalogue, spec.kind)}."
        do = "Check its kind."
    return Explanation(way.what, share, spec.designation, spec.size_text, feature, off, words, do)


def _misread(feature: Feature, read_mm: float, size_mm: float) -> str:
    """How one reading went wrong, as far as its size tells: taken in inches, on a chamfer, or misread."""
    if abs(read_mm * INCH_MM - size_mm) < INCH_NEAR * size_mm:
        return f"If the {feature.words} {read_mm:g} was read in inches ({size_mm:g} mm)"
    over = read_mm - size_mm
    if feature.name in CHAMFERED and CHAMFER_MM[0] < over < CHAMFER_MM[1]:
        return f"If the {feature.words} was read on its chamfer ({read_mm:.2f} mm; it should be {size_mm:g})"
    return f"If the {feature.words} was misread ({read_mm:.2f} mm; it should be {size_mm:g})"


def _kind_words(catalogue: Catalogue, kind: str) -> str:
    return catalogue.family.kinds[kind].words


def _zero_mm(catalogue: Catalogue, posterior: Posterior, unit: int) -> float:
    """By how much the zero is off if the part is this one, mm."""
    assert posterior.shared is not None
    rows = np.array([unit])
    parts = {
        name: feature_rows(catalogue.intervals[name], _only_right(made), rows)
        for name, made in posterior.profiles.items()
    }
    weights = posterior.nodes * _far(posterior)
    chance = joint(parts, posterior.conditions, weights, 1).sum(axis=(0, 1, 2))
    return float(round(chance @ posterior.shared.shifts_mm / chance.sum(), 2))


def on_no_list(
    catalogue: Catalogue, observations: tuple[Observation, ...], share: float, named: str = ""
) -> Explanation:
    """That the part is in none of the lists, as measured or as its marking names it.

    Args:
        catalogue: What is listed.
        observations: The readings.
        share: How likely that is, 0 to 1.
        named: What the marking says, where it names a part that is not listed.

    Returns:
        The explanation, in words.

    Raises:
        Nothing.

    Source: docs/decisions/one-ranking.md.
    """
    sizes = ", ".join(
        f"{catalogue.family.feature(each.feature).words} {median(each.values_mm):.2f}"
        for each in observations
    )
    measured = f", as measured: {sizes} mm" if sizes else ""
    words = f"{named} is in none of the lists held here{measured}." if named else (
        f"It may be in none of the lists held here{measured}."
    )  # fmt: skip
    do = (
        "Measure once more, then ask a supplier with these sizes."
        if sizes
        else "Measure it before you ask a supplier."
    )
    return Explanation(UNLISTED, share, "", "", "", None, words, do)
