"""Outdated and dangerous practice, refused in words."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.tables import read_table

MOST_CHARACTERS = 2000


@dataclass(frozen=True)
class Refusal:
    """A practice that is refused: which, the words that told it, why, and what to do instead."""

    practice: str
    told_by: str
    why: str
    instead: str


@dataclass(frozen=True)
class PracticeRule:
    """A practice: phrases that all must stand in a sentence, and phrases that lift the refusal."""

    practice: str
    all_of: tuple[re.Pattern[str], ...]
    none_of: re.Pattern[str] | None
    why: str
    instead: str


@lru_cache(maxsize=1)
def practice_rules() -> tuple[PracticeRule, ...]:
    """Every practice that is refused."""
    rows = read_table(Path(__file__).with_name("refusals.csv")).rows
    return tuple(
        PracticeRule(
            row["practice"],
            tuple(_any_of(words) for words in row["all_of"].split("&")),
            _any_of(row["none_of"]) if row["none_of"] else None,
            row["why"],
            row["instead"],
        )
        for row in rows
    )


def _any_of(words: str) -> re.Pattern[str]:
    """Any of the phrases, each begun at a word's start (so that “ring” is not found in “bring”)."""
    return re.compile(r"(?<!\w)(?:" + "|".join(re.escape(each) for each in words.split("|")) + ")", re.I)


def refused_practices(text: str) -> tuple[Refusal, ...]:
    """Find dangerous or outdated practices in what someone plans or notes.

    Args:
        text: Plain words, at most 2000 characters are read; sentence by sentence.

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
    found: dict[str, Refusal] = {}
    for sentence in re.split(r"[.!?;\n]+(?=\s|$)|\n", text[:MOST_CHARACTERS]):
        for rule in practice_rules():
            told = [pattern.search(sentence) for pattern in rule.all_of]
            if all(told) and not (rule.none_of and rule.none_of.search(sentence)):
                words = sentence.strip()[:160]
                found.setdefault(rule.practice, Refusal(rule.practice, words, rule.why, rule.instead))
    return tuple(found.values())
