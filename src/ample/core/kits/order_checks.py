"""The checks before an order: each with what is unproven in words."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from ample.core.fits.finding import PlaceFinding
from ample.core.interchange import Interchange
from ample.core.kits.places import place_of
from ample.core.parts import PartSpec
from ample.core.parts.requirement import Requirement
from ample.core.sizes.figures import percent

PROVEN_CHANCE = 0.95
OF_HOUSING = frozenset(
    {"bore_large", "bore_small", "depth_short"}
)  # findings of a seal's housing; the rest are of its shaft or groove
WORST_SIGMAS = 4.0
CHECKS = ("identity", "interchange", "shaft", "housing", "quantity")  # asked of every part
ALSO = ("clearance", "strip_down", "build", "stock")  # asked where there is something to say


@dataclass(frozen=True)
class SeatFact:
    """What is known of a seat: the decision (`no_seat`, `not_judged` where there is none), its reason, the chance of creep."""

    decision: str
    reason: str
    creep_probability: float | None


@dataclass(frozen=True)
class OnTheShelf:
    """A part of the shop's own shelf that meets the requirement."""

    marking: str
    quantity: int
    place: str


@dataclass(frozen=True)
class LineFacts:
    """What is open on the strip-down that the part belongs to."""

    contradictions: int = 0
    not_judged: tuple[str, ...] = ()
    build_question: str = ""


@dataclass(frozen=True)
class OrderFacts:
    """What is known of a part that is to be ordered. None stands for not looked at; `changed_since` says that
    the evidence has changed since a person confirmed what the part is, `from_file` that only a job file says it.
    """

    probability: float | None
    worst_sigmas: float | None
    clash: str
    features_read: int
    marking_read: bool
    wanted: Requirement | None
    fitted: PartSpec | None
    interchange: Interchange | None
    shaft: SeatFact | None
    housing: SeatFact | None
    quantity: int
    family: str = "bearing"
    changed_since: bool = False
    from_file: bool = False
    needed_because: str = ""
    clearance_advice: str = ""
    place_findings: tuple[PlaceFinding, ...] = ()
    line: LineFacts = LineFacts()
    shelf: OnTheShelf | None = None


@dataclass(frozen=True)
class OrderCheckResult:
    """One check: holds, not_proven, does_not_hold or not_looked_at, why in words, and the facts that it rests on."""

    check: str
    state: str
    words: str
    rests_on: object = None


def check_part(facts: OrderFacts) -> tuple[OrderCheckResult, ...]:
    """Judge what is proven and what is not before a part is ordered.

    Formula: identity holds at 95 % and more with no misfit over 4 σ and no clash; the interchange when the part
    meets the requirement with nothing open, and does not where it contradicts what is known; a seat by its decision
    and a chance of creep under 5 %, the place of a seal or ring by sizes that suit it; the quantity when it is what
    the unit needs. Clearance, strip-down, build and stock are asked where there is something to say.

    Args:
        facts: What is known.

    Returns:
        The checks, the five that every part has first.

    Raises:
        Nothing.

    Source: common practice; the limits are house choices.

    Example:
        >>> facts = OrderFacts(None, None, "", 0, False, None, None, None, None, None, 1)
        >>> [check.state for check in check_part(facts)][0]
        'not_looked_at'
    """
    checks = (identity, interchange, place, quantity, clearance, strip_down, build, stock)
    return in_order(each for check in checks for each in check(facts))


def in_order(results: Iterable[OrderCheckResult]) -> tuple[OrderCheckResult, ...]:
    """Checks in the order they are shown: those of every part, those that apply only sometimes, any others."""
    order = {name: place for place, name in enumerate((*CHECKS, *ALSO))}
    return tuple(sorted(results, key=lambda each: order.get(each.check, len(order))))


def identity(facts: OrderFacts) -> tuple[OrderCheckResult, ...]:
    """Whether it is known what the part is."""
    return (_identity(facts),)


def interchange(facts: OrderFacts) -> tuple[OrderCheckResult, ...]:
    """Whether what is chosen meets what is required."""
    return (_interchange(facts),)


def place(facts: OrderFacts) -> tuple[OrderCheckResult, ...]:
    """Whether both places that the part goes into were judged and suit it."""
    if facts.family == "bearing":
        return (_seat("shaft", facts.shaft), _seat("housing", facts.housing))
    return (_place("shaft", facts), _place("housing", facts))


def quantity(facts: OrderFacts) -> tuple[OrderCheckResult, ...]:
    """Whether as many are ordered as the unit needs."""
    return (_quantity(facts),)


def _identity(facts: OrderFacts) -> OrderCheckResult:
    if facts.probability is None or facts.wanted is None:
        return OrderCheckResult("identity", "not_looked_at", "Not identified yet.")
    for clash in facts.wanted.clashes:
        words = f"The {clash.name.replace('_', ' ')}: {clash.marked} is marked, {clash.confirmed} confirmed."
        return OrderCheckResult("identity", "not_proven", words)
    if facts.clash:
        return OrderCheckResult("identity", "not_proven", facts.clash)
    if facts.worst_sigmas is not None and facts.worst_sigmas > WORST_SIGMAS:
        words = f"A reading is {facts.worst_sigmas:.0f} σ outside new-part limits of the size chosen."
        return OrderCheckResult("identity", "does_not_hold", words)
    if facts.features_read < 2 and not facts.marking_read:
        return OrderCheckResult("identity", "not_proven", "Based on fewer than two sizes and no marking.")
    if facts.probability < PROVEN_CHANCE:
        since = " The evidence has changed since then." if facts.changed_since else ""
        return OrderCheckResult(
            "identity", "not_proven", f"Confidence in the size: {percent(facts.probability)}.{since}"
        )
    if facts.from_file:
        words = "Identified in the job file, and the readings agree. Confirm it here."
        return OrderCheckResult("identity", "not_proven", words)
    return OrderCheckResult(
        "identity", "holds", f"Size identified with {percent(facts.probability, 1)} confidence."
    )


def _interchange(facts: OrderFacts) -> OrderCheckResult:
    found = facts.interchange
    if found is None:
        return OrderCheckResult("interchange", "not_looked_at", "No replacement chosen yet.")
    if found.contradictions:
        told = [
            f"{each.name} ({each.old} wanted, {each.new} offered)"
            for each in found.attributes
            if each.name in found.contradictions
        ]
        words = f"Contradicts what is known of the old part: {'; '.join(told)}."
        return OrderCheckResult("interchange", "does_not_hold", words)
    if found.verdict == "not_interchangeable":
        return OrderCheckResult("interchange", "does_not_hold", found.words)
    if found.open:
        told = [each.consequence for each in found.attributes if each.name in found.open]
        return OrderCheckResult("interchange", "not_proven", " ".join(dict.fromkeys(told)))
    state = "holds" if found.verdict == "drop_in" else "not_proven"
    return OrderCheckResult("interchange", state, found.words)


def _seat(side: str, seat: SeatFact | None) -> OrderCheckResult:
    if seat is None:
        return OrderCheckResult(side, "not_looked_at", f"The {side} has not been measured.")
    if seat.decision == "no_seat":
        return OrderCheckResult(side, "holds", seat.reason)
    if seat.decision == "not_judged":
        return OrderCheckResult(side, "not_proven", f"Not checked. {seat.reason}")
    if seat.decision == "reject":
        return OrderCheckResult(side, "does_not_hold", seat.reason)
    if seat.decision != "accept":
        return OrderCheckResult(side, "not_proven", seat.reason)
    if seat.creep_probability is not None and seat.creep_probability > 1 - PROVEN_CHANCE:
        words = f"In its zone, but there is a {percent(seat.creep_probability)} chance of ring creep at this load."
        return OrderCheckResult(side, "not_proven", words)
    return OrderCheckResult(side, "holds", seat.reason)


def _place(side: str, facts: OrderFacts) -> OrderCheckResult:
    """The place of a seal, ring or small part: met only by sizes that suit it."""
    if facts.fitted is None or facts.wanted is None:
        return OrderCheckResult(side, "not_looked_at", "Its groove or housing has not been measured.")
    found = place_of(facts.fitted, side, {each.feature: each for each in facts.wanted.measured})
    told = [each for each in facts.place_findings if (each.code in OF_HOUSING) is (side == "housing")]
    for severity, state in (("stop", "does_not_hold"), ("warn", "not_proven")):
        words = " ".join(f"{each.words} {each.repair}" for each in told if each.severity == severity)
        if words and found.state != "does_not_hold":
            return OrderCheckResult(side, state, words)
    return OrderCheckResult(side, found.state, found.words)


def _quantity(facts: OrderFacts) -> OrderCheckResult:
    needed = facts.wanted.count if facts.wanted else 1
    because = f" ({facts.needed_because})" if "×" in facts.needed_because else ""
    words = f"{needed} needed{because}, {facts.quantity} on the order"
    if facts.quantity == needed:
        return OrderCheckResult("quantity", "holds", f"{words}.")
    if facts.quantity < needed:
        return OrderCheckResult("quantity", "does_not_hold", f"{words}: too few.")
    return OrderCheckResult("quantity", "not_proven", f"{words}: more than needed.")


def clearance(facts: OrderFacts) -> tuple[OrderCheckResult, ...]:
    """What the seats advise of the clearance, where another group is to be fitted."""
    return (
        (OrderCheckResult("clearance", "not_proven", facts.clearance_advice),)
        if facts.clearance_advice
        else ()
    )


def strip_down(facts: OrderFacts) -> tuple[OrderCheckResult, ...]:
    """What is open on the strip-down of the part's line."""
    line = facts.line
    if not line.contradictions and not line.not_judged:
        return ()
    told = [f"{line.contradictions} unresolved contradiction(s)."] if line.contradictions else []
    if line.not_judged:
        told.append(f"Not inspected yet: {', '.join(line.not_judged)}.")
    return (OrderCheckResult("strip_down", "not_proven", f"On the strip-down: {' '.join(told)}"),)


def build(facts: OrderFacts) -> tuple[OrderCheckResult, ...]:
    """The question that tells the builds of the unit's model apart, while nobody has answered it."""
    question = facts.line.build_question
    return (
        (OrderCheckResult("build", "not_proven", f"{question} The builds take different parts."),)
        if question
        else ()
    )


def stock(facts: OrderFacts) -> tuple[OrderCheckResult, ...]:
    """A part of the shop's own shelf that could be taken first."""
    shelf = facts.shelf
    if shelf is None:
        return ()
    where = f" in {shelf.place}" if shelf.place else ""
    words = f"{shelf.quantity} of {shelf.marking}{where} in stock: use these first."
    return (OrderCheckResult("stock", "not_proven", words),)
