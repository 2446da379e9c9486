"""Words and codes on seals, rings and small parts, as they appear in a text."""

from __future__ import annotations

import re
from collections import defaultdict
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.parts import SEALS, Span
from ample.core.tables import read_table


@dataclass(frozen=True, slots=True)
class Word:
    """A word or code with one meaning: the families it is for and what it sets."""

    code: str
    families: frozenset[str]
    sets: tuple[tuple[str, str], ...]
    meaning: str
    basis: str
    names_family: bool  # it says by itself which family the part is of


Words = tuple[tuple[int, int, tuple[Word, ...]], ...]  # of a text: start, stop, meanings


@lru_cache
def seal_words() -> dict[str, tuple[Word, ...]]:
    """Every word by the text it is compared by: capitals, spaces and dashes alike."""
    found: dict[str, list[Word]] = defaultdict(list)
    for row in read_table(Path(__file__).with_name("codes.csv")).rows:
        families = frozenset(row["families"].split())
        sets = tuple(zip(row["attribute"].split("+"), row["value"].split("+"), strict=True))
        if families - set(SEALS):
            raise ValueError(f"seals/codes.csv: {row['code']} is for a family that does not exist")
        for attribute, value in sets:
            kinds = {kind for family in families for kind in SEALS[family].kinds}
            if attribute == "kind" and value not in kinds:
                raise ValueError(f"seals/codes.csv: {row['code']} means a kind that does not exist")
        names_family = len(families) == 1 and sets[0][0] in ("family", "kind") and len(row["code"]) > 2
        word = Word(row["code"], families, sets, row["meaning"], row["basis"], names_family)
        if any(
            word.sets == other.sets and word.families == other.families for other in found[bare(row["code"])]
        ):
            raise ValueError(f"seals/codes.csv: {row['code']} appears twice with the same meaning")
        found[bare(row["code"])].append(word)
    return {code: tuple(words) for code, words in found.items()}


_APART = re.compile(r"[\s\-]")


def bare(code: str) -> str:
    """A code as it is compared: without spaces, dashes and points."""
    return _APART.sub("", code.upper())


@lru_cache
def _patterns() -> dict[str, re.Pattern[str]]:
    """The longest word at a place by its first character; its own spaces and dashes may be there or not."""
    codes = sorted(
        {word.code for words in seal_words().values() for word in words}, key=lambda c: (-len(c), c)
    )
    pieces: dict[str, list[str]] = defaultdict(list)
    for code in codes:
        body = r"[\s\-]{0,3}".join(re.escape(piece) for piece in re.split(r"[\s\-]+", code))
        end = r"(?![A-Z])" if code[-1].isalpha() else r"(?![A-Z0-9])"
        pieces[code[0]].append(body + end)
    return {first: re.compile("|".join(bodies)) for first, bodies in pieces.items()}


_A_SIZE = re.compile(r"\d\s*[X×*]\s*[\d.,]")
_WORD_FIRST = re.compile(r"\s*[A-Z](?:[A-Z]{2}|-[A-Z])")


@lru_cache
def _starts() -> re.Pattern[str]:
    """Where a word can begin."""
    return re.compile(rf"(?<![A-Z0-9?])[{''.join(map(re.escape, _patterns()))}]")


def behind_a_size(clean: str, at: int) -> bool:
    """Whether sizes with a times sign stand before a place."""
    return _A_SIZE.search(clean, 0, at) is not None


@lru_cache(maxsize=16)  # one text is gone over several times
def words_in(clean: str) -> Words:
    """Every word in a text in capitals: start, stop, meanings."""
    found = []
    patterns = _patterns()
    stop = 0
    for begin in _starts().finditer(clean):
        at = begin.start()
        match = patterns[clean[at]].match(clean, at) if at >= stop else None
        if match and match.end() == at + 1 and clean[at + 1 : at + 2].isdigit() and behind_a_size(clean, at):
            continue  # C4 behind a size is no C
        words = seal_words().get(bare(match.group())) if match else None
        if match and words:
            stop = match.end()
            found.append((at, stop, words))
    return tuple(found)


def begins_as_seal(clean: str) -> bool:
    """Whether a text in capitals begins with a word that says by itself which family of seals or small parts it is of."""
    if _WORD_FIRST.match(clean) is None:
        return False
    words = words_in(clean)
    if not words or clean[: words[0][0]].strip():
        return False
    return any(word.names_family for word in words[0][2])


def spans_of(start: int, stop: int, typed: str, word: Word) -> list[Span]:
    """The spans of one word."""
    return [
        Span(start, stop, typed[start:stop], word.meaning, attribute, value, "stated", word.basis)
        for attribute, value in word.sets
    ]
