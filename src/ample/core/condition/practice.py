"""Outdated and dangerous practice, refused in words: what someone plans is read clause by clause."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.tables import read_table

HERE = Path(__file__).parent
MOST_CHARACTERS = 2000
BEARING_C, SEALED_C, COLD_C = 120.0, 80.0, -50.0
_SENTENCE = re.compile(r"(?<=[.!?;\n])(?=\s|$)|\n")
_NOT = re.compile(r"(?<!\w)(?:never|not|don't|no)(?!\w)", re.I)
_WITH_NO = re.compile(r"(?<!\w)with no(?!\w)", re.I)
_ENDINGS = "(?:s|es|d|ed|ing|ning|ning up|ped|ping|ting|ned)?"
_FIGURE = re.compile(
    r"(?P<sign>-|−|minus )?(?P<figure>\d+(?:[.,]\d+)?)\s*(?:°\s*|degrees?\s*)?"
    r"(?P<unit>celsius|fahrenheit|kelvin|[cfk](?!\w))?",
    re.I,
)
_DEGREES = re.compile(r"°|degree", re.I)
_NUMBER_WORDS = {
    "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7, "eight": 8, "nine": 9, "ten": 10,
    "twenty": 20, "thirty": 30, "forty": 40, "fifty": 50, "sixty": 60, "seventy": 70, "eighty": 80, "ninety": 90,
    "hundred": 100,
}  # fmt: skip
_IN_WORDS = re.compile(rf"(?<!\w)((?:{'|'.join(_NUMBER_WORDS)}|and)(?:[\s-]+(?:{'|'.join(_NUMBER_WORDS)}|and))*)\s+"
                       r"(?:degrees?\s*)?(celsius|fahrenheit|kelvin|c|f|k)(?!\w)", re.I)  # fmt: skip
Fact = tuple[str, str]


@dataclass(frozen=True)
class Refusal:
    """A practice that is refused: which, the words that told it, why, and what to do instead."""

    practice: str
    told_by: str
    why: str
    instead: str


@dataclass(frozen=True)
class PracticeRule:
    """A practice: terms that a clause must all meet, each by one of its codes, and terms that lift the refusal."""

    practice: str
    needs: tuple[frozenset[Fact], ...]
    unless: frozenset[Fact]
    why: str
    instead: str

    def refuses(self, facts: frozenset[Fact]) -> bool:
        """Whether a clause says it."""
        return all(term & facts for term in self.needs) and not self.unless & facts


@dataclass(frozen=True)
class PlannedPractice:
    """What a text plans: the practices refused, and the clauses of which no word is understood."""

    refused: tuple[Refusal, ...]
    not_understood: tuple[str, ...]


@lru_cache(maxsize=1)
def practice_rules() -> tuple[PracticeRule, ...]:
    """Every practice that is refused."""
    rows = read_table(HERE / "refusals.csv").rows
    return tuple(
        PracticeRule(
            row["practice"],
            tuple(_term(text) for text in row["needs"].split()),
            frozenset(fact for text in row["unless"].split() for fact in _term(text)),
            row["why"],
            row["instead"],
        )
        for row in rows
    )


def _term(text: str) -> frozenset[Fact]:
    place, _, codes = text.partition(":")
    return frozenset((place, code) for code in codes.split("|"))


@lru_cache(maxsize=1)
def _words() -> tuple[tuple[Fact, re.Pattern[str]], ...]:
    """What each word means; the same word may mean several things."""
    rows = read_table(HERE / "practice_words.csv").rows
    return tuple(((row["place"], row["code"]), _any_of(row["words"].split("|"))) for row in rows)


def _any_of(words: list[str]) -> re.Pattern[str]:
    return re.compile("|".join(_one(each) for each in words), re.I)


def _one(word: str) -> str:
    if word.endswith("*"):
        return rf"(?<!\w){re.escape(word[:-1])}"
    stem = word.removesuffix("e")
    silent = "(?:e)?" if stem != word else ""
    return rf"(?<![\w-]){re.escape(stem)}{silent}{_ENDINGS}(?!\w)"


@lru_cache(maxsize=1)
def _apart() -> re.Pattern[str]:
    """Where one clause ends: at a comma, `then`, `but`, and at an `and` that another act follows."""
    acts = "|".join(pattern.pattern for (place, _), pattern in _words() if place == "act")
    return re.compile(rf",|(?<!\w)(?:then|but)(?!\w)|(?<!\w)and\s+(?=(?:then\s+)?(?:{acts}))", re.I)


def planned_practice(text: str) -> PlannedPractice:
    """Read what someone plans, clause by clause: what is done, to what, with what, how hot, under which condition.

    A `never` or `not` covers its own clause only, a question plans nothing. A clause without a thing or an act of its
    own goes on with those before it in the sentence.

    Args:
        text: Plain words; at most 2000 characters are read.

    Returns:
        What is refused, why, and what to do instead, and what was not understood; nothing refused means only that
        nothing was recognised.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> [each.practice for each in planned_practice("Wash it in petrol, never smoke.").refused]
        ['wash_petrol']
        >>> [each.practice for each in planned_practice("Heat the bearing to 300 °F.").refused]
        ['overheat']
    """
    found: dict[str, Refusal] = {}
    unread = []
    for clause, facts in _clauses(text[:MOST_CHARACTERS]):
        if not facts:
            unread.append(clause[:160])
        for rule in practice_rules():
            if rule.refuses(facts):
                refusal = Refusal(rule.practice, clause[:160], rule.why, rule.instead)
                found.setdefault(rule.practice, refusal)
    return PlannedPractice(tuple(found.values()), tuple(unread))


def refused_practices(text: str) -> tuple[Refusal, ...]:
    """Find dangerous or outdated practices in what someone plans or notes.

    Args:
        text: Plain words, at most 2000 characters are read; clause by clause.

    Returns:
        What is refused, why, and what to do instead; none means only that nothing was recognised.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> [each.practice for each in refused_practices("Wash the bearing in petrol.")]
        ['wash_petrol']
        >>> refused_practices("Never wash it in petrol.")
        ()
    """
    return planned_practice(text).refused


_NEGATED: frozenset[Fact] = frozenset({("act", "not_done")})


def _clauses(text: str) -> Iterator[tuple[str, frozenset[Fact]]]:
    """The clauses with what each says; of one that is not done, or is a question, only that."""
    for sentence in _SENTENCE.split(text):
        before: frozenset[Fact] = frozenset()
        for piece in _apart().split(sentence):
            clause = piece.strip().rstrip(".;!").strip()
            if not clause:
                continue
            if clause.endswith("?") or _NOT.search(_WITH_NO.sub("without", clause)):
                yield clause, _NEGATED
                continue
            own = _facts(clause)
            goes_on = frozenset(
                fact for fact in before
                if (fact[0] in ("thing", "act") and fact[0] not in {place for place, _ in own})
                or fact == ("state", "raised")
            )  # fmt: skip
            yield clause, own | goes_on if own else own
            before = own | goes_on


def _facts(clause: str) -> frozenset[Fact]:
    said = {fact for fact, pattern in _words() if pattern.search(clause)}
    if re.search(r"\d\s*bar(?!\w)", clause, re.I):
        said.add(("state", "charged"))
    temperatures = list(_temperatures_c(clause))
    if temperatures:
        hottest, coldest = max(temperatures), min(temperatures)
        said |= {("heat", "over_120")} if hottest > BEARING_C else set()
        said |= {("heat", "over_80")} if hottest > SEALED_C else set()
        said |= {("heat", "under_minus_50")} if coldest < COLD_C else set()
    return frozenset(said)


def _temperatures_c(clause: str) -> Iterator[float]:
    """Every temperature in a clause, °C: in figures with a unit or degrees, or in words with a unit."""
    for match in _FIGURE.finditer(clause):
        unit = (match["unit"] or "").lower()[:1]
        if not unit and not _DEGREES.search(match.group()):
            continue
        value = float(match["figure"].replace(",", ".")) * (-1 if match["sign"] else 1)
        yield _as_c(value, unit)
    for match in _IN_WORDS.finditer(clause):
        yield _as_c(_number(match[1]), match[2].lower()[:1])


def _as_c(value: float, unit: str) -> float:
    if unit == "f":
        return (value - 32) / 1.8
    return value - 273.15 if unit == "k" else value


def _number(words: str) -> float:
    """A number in words, up to the hundreds."""
    total = 0
    for word in re.findall(r"[a-z]+", words.lower()):
        value = _NUMBER_WORDS.get(word, 0)
        total = max(total, 1) * value if value == 100 else total + value
    return float(total)
