"""Condition cards: what to look at, and the verdict from what was seen and measured."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.tables import read_table

HERE = Path(__file__).parent
VERDICTS = ("open", "reuse", "regrease", "dress", "ask", "move_lip", "sleeve", "machine_shop", "replace")
VERDICT_WORDS = {
    "open": "not inspected yet",
    "reuse": "use again",
    "regrease": "clean and regrease",
    "ask": "second person decides",
    "ask_supplier": "ask the supplier",
    "dress": "dress",
    "move_lip": "move the lip",
    "sleeve": "sleeve",
    "machine_shop": "to the machine shop",
    "replace": "replace",
    "reclaim": "recondition: no longer made",
}
ACCESS = ("cheap", "costly")
LARGEST_MM = 500.0


@dataclass(frozen=True)
class CardAnswer:
    """One answer to a question of a card."""

    name: str
    words: str


@dataclass(frozen=True)
class Question:
    """What to look at: how, the criterion, and the answers, the good one first."""

    question: str
    words: str
    how: str
    criterion: str
    answers: tuple[CardAnswer, ...]

    @property
    def measured(self) -> bool:
        """Whether the answer is a length in mm."""
        return not self.answers


@dataclass(frozen=True)
class Condition:
    """One condition of a rule: a question with the answers that meet it, or a least length."""

    question: str
    answers: tuple[str, ...]
    over_mm: float | None

    def met(self, findings: Mapping[str, str]) -> bool:
        """Whether the findings meet it."""
        found = findings.get(self.question)
        if found is None:
            return False
        return found in self.answers if self.over_mm is None else float(found) > self.over_mm


@dataclass(frozen=True)
class VerdictReason:
    """One reason of a verdict, with the other school and the source."""

    verdict: str
    reason: str
    other_school: str
    source: str


@dataclass(frozen=True)
class CardRule(VerdictReason):
    """A verdict, what leads to it, why, and what the other school does."""

    when: tuple[Condition, ...]


@dataclass(frozen=True)
class Card:
    """A condition card of a kind of part."""

    card: str
    questions: tuple[Question, ...]
    rules: tuple[CardRule, ...]

    def question(self, name: str) -> Question | None:
        """A question by its name."""
        return next((each for each in self.questions if each.question == name), None)


@dataclass(frozen=True)
class Reclaim:
    """The route when a part is no longer made: what must be matched and what recorded."""

    route: str
    match: str
    record: str


@dataclass(frozen=True)
class Verdict:
    """The verdict, its words, the reasons (weightiest first), what is unanswered, the reclaim route."""

    verdict: str
    words: str
    reasons: tuple[VerdictReason, ...]
    unanswered: tuple[str, ...]
    second_person: bool
    reclaim: Reclaim | None


@lru_cache(maxsize=1)
def known_cards() -> dict[str, Card]:
    """The condition cards; a rule that asks what no question answers is a fault of the table."""
    questions: dict[str, list[Question]] = {}
    for row in read_table(HERE / "card_questions.csv").rows:
        questions.setdefault(row["card"], []).append(
            Question(row["question"], row["words"], row["how"], row["criterion"], _answers(row["answers"]))
        )
    rules: dict[str, list[CardRule]] = {card: [] for card in questions}
    for row in read_table(HERE / "card_rules.csv").rows:
        when = tuple(_condition(part) for part in row["when"].split("&"))
        _check_rule(row["card"], questions.get(row["card"], []), when, row["verdict"])
        rules[row["card"]].append(
            CardRule(row["verdict"], row["reason"], row["other_school"], row["source"], when)
        )
    return {card: Card(card, tuple(questions[card]), tuple(rules[card])) for card in questions}


def _answers(text: str) -> tuple[CardAnswer, ...]:
    if text == "mm":
        return ()
    pairs = [each.split(":", 1) for each in text.split("|")]
    return tuple(CardAnswer(*pair) for pair in pairs)


def _condition(text: str) -> Condition:
    found = re.fullmatch(r"\s*(\w+)(=|>)([\w|.]+)\s*", text)
    if found is None:
        raise ValueError(f"card_rules.csv: unknown condition “{text}”")
    name, sign, value = found.groups()
    if sign == ">":
        return Condition(name, (), float(value))
    return Condition(name, tuple(value.split("|")), None)


def _check_rule(card: str, questions: list[Question], when: tuple[Condition, ...], verdict: str) -> None:
    known = {each.question: each for each in questions}
    for each in when:
        if each.question == "access":
            possible: set[str] = set(ACCESS)
        elif each.question in known:
            possible = {answer.name for answer in known[each.question].answers}
        else:
            raise ValueError(f"card_rules.csv: {card} has no question {each.question}")
        if not set(each.answers) <= possible or (each.over_mm is None) == (not possible):
            raise ValueError(f"card_rules.csv: {card} has no such answer to {each.question}")
    if verdict not in VERDICTS:
        raise ValueError(f"card_rules.csv: {card} has the unknown verdict {verdict}")


@lru_cache(maxsize=1)
def reclaim_routes() -> dict[str, Reclaim]:
    """What can be done for a part that is no longer made, by card."""
    rows = read_table(HERE / "reclaim.csv").rows
    return {row["card"]: Reclaim(row["route"], row["match"], row["record"]) for row in rows}


def card_of(card: str) -> Card:
    """The condition card of that name.

    Args:
        card: Its name ("bearing", "shaft", …).

    Returns:
        Questions and rules.

    Raises:
        BadInput: When there is no such card.

    Source: common practice.

    Example:
        >>> [each.question for each in card_of("lip_seal").questions]
        ['lip', 'out']
    """
    found = known_cards().get(card)
    if found is None:
        raise BadInput("no_such_card", f"Unknown condition card “{card[:30]}”.", "card")
    return found


def inspect_part(
    card: str, findings: Mapping[str, str], access: str = "cheap", obtainable: bool = True
) -> Verdict:
    """Judge a part by its condition card.

    Every rule whose conditions are all met speaks; the gravest verdict stands: replace over
    machine shop over sleeve over moving the lip over asking over dressing over regreasing over
    using again. Of two rules with one verdict the one with more conditions is named first.

    Args:
        card: The card's name.
        findings: Answers by question; a depth in mm, 0 to 500, written as a number.
        access: What coming back would cost: "cheap" or "costly".
        obtainable: Whether the part can still be bought.

    Returns:
        The verdict with its reasons, both schools, what is unanswered, whether a second person
        decides, and the reclaim route when it must be replaced and cannot be bought.

    Raises:
        BadInput: When a card, question, answer or length is not known.

    Source: common practice; each rule carries its own.

    Example:
        >>> judged = inspect_part("shaft", {"track": "felt", "room": "no"})
        >>> judged.words, judged.reasons[0].other_school
        ('sleeve', 'Regrind and take another seal size.')
    """
    own = card_of(card)
    _check_findings(own, findings)
    if access not in ACCESS:
        raise BadInput("no_such_access", f"“{access[:20]}” is not cheap or costly.", "access")
    known = {**findings, "access": access}
    met = [rule for rule in own.rules if all(each.met(known) for each in rule.when)]
    met.sort(key=lambda rule: (-VERDICTS.index(rule.verdict), -len(rule.when)))
    verdict = met[0].verdict if met else "open"
    reclaim = None
    if verdict == "replace" and not obtainable:
        verdict, reclaim = "reclaim", reclaim_routes().get(card)
    unanswered = tuple(each.question for each in own.questions if each.question not in findings)
    reasons = tuple(VerdictReason(each.verdict, each.reason, each.other_school, each.source) for each in met)
    return Verdict(verdict, VERDICT_WORDS[verdict], reasons, unanswered, verdict == "ask", reclaim)


def _check_findings(card: Card, findings: Mapping[str, str]) -> None:
    for name, answer in findings.items():
        question = card.question(name)
        if question is None:
            raise BadInput("no_such_question", f"Unknown question “{name[:30]}”.", f"findings.{name}")
        if question.measured:
            _length_mm(name, answer)
        elif answer not in {each.name for each in question.answers}:
            raise BadInput(
                "no_such_answer", f"“{answer[:30]}” is not an answer to “{question.words}”.", f"findings.{name}",
                f"One of {', '.join(each.words for each in question.answers)}.",
            )  # fmt: skip


def _length_mm(name: str, answer: str) -> float:
    try:
        value = float(answer)
    except ValueError:
        value = -1.0
    if not 0 <= value <= LARGEST_MM:
        raise BadInput(
            "bad_depth",
            f"“{answer[:20]}” is not a length from 0 to 500 mm.",
            f"findings.{name}",
            "In mm: 0.08.",
        )
    return value
