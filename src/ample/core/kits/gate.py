"""The gate before an order: five lights, each with what is unproven in words."""

from __future__ import annotations

from dataclasses import dataclass

PROVEN_CHANCE = 0.95
WORST_SIGMAS = 4.0
LIGHTS = ("identity", "interchange", "shaft", "housing", "quantity")


@dataclass(frozen=True)
class SeatFact:
    """What is known of a seat: the decision, its reason, and the chance that its ring creeps."""

    decision: str
    reason: str
    creep_probability: float


@dataclass(frozen=True)
class GateFacts:
    """What is known of a part that is to be ordered. None stands for not looked at; `changed_since` says that
    the evidence has changed since a person confirmed what the part is, `from_file` that only a job file says it.
    """

    probability: float | None
    worst_sigmas: float | None
    clash: str
    features_read: int
    marking_read: bool
    verdict: str | None
    verdict_words: str
    shaft: SeatFact | None
    housing: SeatFact | None
    quantity: int
    needed: int
    family: str = "bearing"
    read: frozenset[str] = frozenset()
    changed_since: bool = False
    from_file: bool = False


# What stands for shaft and housing of a part that is not pressed on: features read beside it, and in words.
PLACES = {
    "lip_seal": ((("shaft", "shaft_track"), "shaft under the lip"), (("housing_bore",), "housing bore")),
    "o_ring": ((("groove_diameter",), "bottom of the groove"), (("groove_width", "groove_depth"), "groove")),
    "hydraulic_seal": ((("rod", "bore"), "rod or bore"), (("groove_diameter", "groove_width"), "groove")),
    "face_seal": ((("shaft",), "shaft or sleeve"), (("seat_outside",), "seat")),
    "retaining_ring": ((("groove_diameter",), "groove"), (("groove_width",), "width of the groove")),
    "key": ((("shaft", "key_width"), "keyway"), (("key_height", "key_width"), "keyway")),
}


@dataclass(frozen=True)
class GateLight:
    """One light: holds, not_proven, does_not_hold or not_looked_at, and why in words."""

    light: str
    state: str
    words: str


def gate(facts: GateFacts) -> tuple[GateLight, ...]:
    """Judge what is proven and what is not before a part is ordered.

    Formula: identity holds at 95 % and more with no misfit over 4 doubts and no clash; the
    interchange by its verdict; a seat by its decision and a creep chance under 5 %, the place of a
    seal or ring by being measured; the quantity when it meets what the unit needs.

    Args:
        facts: What is known.

    Returns:
        The five lights in the order identity, interchange, shaft, housing, quantity.

    Raises:
        Nothing.

    Source: common practice; the limits are house choices.

    Example:
        >>> facts = GateFacts(None, None, "", 0, False, None, "", None, None, 1, 1)
        >>> [light.state for light in gate(facts)][0]
        'not_looked_at'
    """
    return (
        _identity(facts),
        _interchange(facts),
        _seat("shaft", facts.shaft) if facts.family == "bearing" else _place("shaft", facts),
        _seat("housing", facts.housing) if facts.family == "bearing" else _place("housing", facts),
        _quantity(facts),
    )


def _identity(facts: GateFacts) -> GateLight:
    if facts.probability is None:
        return GateLight("identity", "not_looked_at", "Nobody has said what the part is.")
    if facts.clash:
        return GateLight("identity", "not_proven", facts.clash)
    if facts.worst_sigmas is not None and facts.worst_sigmas > WORST_SIGMAS:
        words = f"A reading lies {facts.worst_sigmas:.0f} doubts off the size chosen."
        return GateLight("identity", "does_not_hold", words)
    if facts.features_read < 2 and not facts.marking_read:
        return GateLight("identity", "not_proven", "It rests on fewer than two sizes and no marking.")
    if facts.probability < PROVEN_CHANCE:
        since = " The evidence has changed since it was confirmed." if facts.changed_since else ""
        return GateLight("identity", "not_proven", f"Only {facts.probability:.0%} sure of the size.{since}")
    if facts.from_file:
        words = "The job file says so, and the readings agree: confirm it here."
        return GateLight("identity", "not_proven", words)
    shown = min(facts.probability, 0.999)
    return GateLight("identity", "holds", f"Size sure to {shown:.1%}.")


def _interchange(facts: GateFacts) -> GateLight:
    states = {
        None: "not_looked_at",
        "drop_in": "holds",
        "fits_with_differences": "not_proven",
        "needs_change": "not_proven",
        "not_interchangeable": "does_not_hold",
    }
    state = states.get(facts.verdict, "not_proven")
    words = facts.verdict_words or "No replacement is chosen yet."
    return GateLight("interchange", state, words)


def _seat(side: str, seat: SeatFact | None) -> GateLight:
    if seat is None:
        return GateLight(side, "not_looked_at", f"The {side} has not been measured.")
    if seat.decision == "not_judged":
        return GateLight(side, "not_proven", f"Not judged. {seat.reason}")
    if seat.decision == "reject":
        return GateLight(side, "does_not_hold", seat.reason)
    if seat.decision != "accept":
        return GateLight(side, "not_proven", seat.reason)
    if seat.creep_probability > 1 - PROVEN_CHANCE:
        words = f"In its zone, but the ring creeps with {seat.creep_probability:.0%} chance under this load."
        return GateLight(side, "not_proven", words)
    return GateLight(side, "holds", seat.reason)


def _place(side: str, facts: GateFacts) -> GateLight:
    """The place of a seal, ring or small part: measured beside it, or not looked at."""
    places = PLACES.get(facts.family)
    if places is None:
        return GateLight(side, "holds", "Nothing there to be measured for it.")
    features, words = places[0 if side == "shaft" else 1]
    if facts.read & set(features):
        return GateLight(side, "holds", f"The {words} was measured.")
    return GateLight(side, "not_looked_at", f"The {words} has not been measured.")


def _quantity(facts: GateFacts) -> GateLight:
    if facts.quantity == facts.needed:
        return GateLight("quantity", "holds", f"{facts.needed} needed, {facts.quantity} on the sheet.")
    if facts.quantity < facts.needed:
        words = f"{facts.needed} needed, only {facts.quantity} on the sheet."
        return GateLight("quantity", "does_not_hold", words)
    words = f"{facts.needed} needed, {facts.quantity} on the sheet: more than this place takes."
    return GateLight("quantity", "not_proven", words)
