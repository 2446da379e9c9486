"""From signs to likely causes: what to check first and what must change."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.tables import read_table

HERE = Path(__file__).parent
STRENGTHS = {"strong": 8.0, "some": 3.0, "weak": 1.6, "against": 0.4}
NOT_OF_THIS_UNIT = 0.02  # what such a unit does not have is hardly its fault
CHECKED = {"found": 25.0, "cleared": 0.05}
LIES = ("outside", "fitting", "seat", "part")
OUTSIDE_KINDS = (
    "wiring and controls",
    "alignment",
    "reversed hoses",
    "blocked return or breather",
    "overpressure",
    "surge",
    "belt too tight",
    "electrical current through the bearing",
    "vibration",
    "water and dirt",
    "ran dry",
)


@dataclass(frozen=True)
class Sign:
    """Something reported at the counter (symptom) or seen inside (evidence)."""

    sign: str
    stage: str
    group: str
    words: str


@dataclass(frozen=True)
class Rule:
    """What one sign says for or against a cause."""

    sign: str
    strength: str
    reason: str
    source: str


@dataclass(frozen=True)
class Cause:
    """A cause: where it lies, the cheap check, and what must change so that the new part survives."""

    cause: str
    words: str
    lies: str
    outside_kind: str
    share: float
    check: str
    change: str
    rules: tuple[Rule, ...]
    units: tuple[str, ...] = ()


@dataclass(frozen=True)
class Reason(Rule):
    """Why a cause stands where it is: a rule with its sign in words."""

    words: str


@dataclass(frozen=True)
class FoundCause:
    """A cause with its weight among all (0 to 1) and the signs that speak for and against it."""

    cause: str
    words: str
    lies: str
    outside_kind: str
    weight: float
    check: str
    change: str
    checked: str
    reasons: tuple[Reason, ...]


@lru_cache(maxsize=1)
def known_signs() -> dict[str, Sign]:
    """The signs that can be given, in the order they are shown."""
    signs = {row["sign"]: Sign(**row) for row in read_table(HERE / "signs.csv").rows}
    wrong = [each.sign for each in signs.values() if each.stage not in ("symptom", "evidence")]
    if wrong:
        raise ValueError(f"signs.csv: {wrong} is neither symptom nor evidence")
    return signs


@lru_cache(maxsize=1)
def known_causes() -> dict[str, Cause]:
    """The causes with their rules; a rule about an unknown sign or cause is a fault of the table."""
    rows = {row["cause"]: row for row in read_table(HERE / "causes.csv").rows}
    rules: dict[str, list[Rule]] = {cause: [] for cause in rows}
    for row in read_table(HERE / "cause_rules.csv").rows:
        if row["cause"] not in rows or row["sign"] not in known_signs() or row["strength"] not in STRENGTHS:
            raise ValueError(f"cause_rules.csv: {row['cause']}, {row['sign']}, {row['strength']} not known")
        rules[row["cause"]].append(Rule(row["sign"], row["strength"], row["reason"], row["source"]))
    for cause, row in rows.items():
        kinds = OUTSIDE_KINDS if row["lies"] == "outside" else ("",)
        if row["lies"] not in LIES or row["outside_kind"] not in kinds or not rules[cause]:
            raise ValueError(f"causes.csv: {cause} does not say where it lies, or has no rule")
    return {
        cause: Cause(
            cause, row["words"], row["lies"], row["outside_kind"], float(row["share"]),
            row["check"], row["change"], tuple(rules[cause]),
            tuple(unit for unit in row["units"].split("|") if unit),
        )
        for cause, row in rows.items()
    }  # fmt: skip


def find_causes(
    signs: Sequence[str], checked: Mapping[str, str] | None = None, limit: int = 8, unit: str = "other"
) -> tuple[FoundCause, ...]:
    """Rank the causes that the signs speak for.

    Formula: weight ∝ share · ∏ factor, with factor 8 (strong), 3 (some), 1.6 (weak) or 0.4
    (against) for each sign that a rule of the cause names, 25 when its check was found so and
    0.05 when the check cleared it, 0.02 for what a unit of this kind does not have (hoses, belts, suction);
    weights of all causes add up to 1. They rank; they are no
    measured frequencies.

    Args:
        signs: Names of symptoms and evidence (`known_signs`).
        checked: Results of checks by cause: "found" or "cleared".
        limit: How many causes at most, 1 and up.
        unit: The kind of unit; `other` can have every cause.

    Returns:
        The causes that at least one sign or check speaks for, likeliest first; none without signs.

    Raises:
        BadInput: When a sign, cause or result is not known.

    Source: common practice; damage named after ISO 15243:2017. Each rule carries its own.

    Example:
        >>> best = find_causes(["fluting"])[0]
        >>> best.cause, best.outside_kind
        ('current', 'electrical current through the bearing')
    """
    results = dict(checked or {})
    given = list(dict.fromkeys(signs))
    _check(given, results)
    weights = {cause.cause: _weight(cause, given, results, unit) for cause in known_causes().values()}
    total = sum(weights.values())
    found = [
        FoundCause(
            cause.cause, cause.words, cause.lies, cause.outside_kind, weights[cause.cause] / total,
            cause.check, cause.change, results.get(cause.cause, ""), _reasons(cause, given),
        )
        for cause in known_causes().values()
    ]  # fmt: skip
    spoken = [each for each in found if _spoken_for(each)]
    return tuple(sorted(spoken, key=lambda each: -each.weight)[: max(1, limit)])


def _check(signs: list[str], results: dict[str, str]) -> None:
    for sign in signs:
        if sign not in known_signs():
            raise BadInput("no_such_sign", f"Unknown sign “{sign[:40]}”.", "signs")
    for cause, result in results.items():
        if cause not in known_causes() or result not in CHECKED:
            raise BadInput(
                "no_such_check",
                f"“{cause[:40]}: {result[:20]}” is not a result of a check.",
                "checked",
                "Use found or cleared.",
            )


def _weight(cause: Cause, signs: list[str], results: dict[str, str], unit: str) -> float:
    factors = [STRENGTHS[rule.strength] for rule in cause.rules if rule.sign in signs]
    if cause.cause in results:
        factors.append(CHECKED[results[cause.cause]])
    if cause.units and unit not in cause.units:
        factors.append(NOT_OF_THIS_UNIT)
    return cause.share * math.prod(factors)


def _reasons(cause: Cause, signs: list[str]) -> tuple[Reason, ...]:
    order = list(STRENGTHS)
    own = [rule for rule in cause.rules if rule.sign in signs]
    return tuple(
        Reason(**vars(rule), words=known_signs()[rule.sign].words)
        for rule in sorted(own, key=lambda rule: order.index(rule.strength))
    )


def _spoken_for(found: FoundCause) -> bool:
    return bool(found.checked) or any(each.strength != "against" for each in found.reasons)
