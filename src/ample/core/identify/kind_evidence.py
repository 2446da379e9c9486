"""What the picture chosen and the questions answered say of each kind of part."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample.core.identify.catalogue import Catalogue
from ample.core.identify.values import ranking_value
from ample.core.parts import BEARING, FAMILIES, Family

Floats = NDArray[np.float64]
WRONG_PICTURE = ranking_value("wrong_picture")
WRONG_ANSWER = ranking_value("wrong_answer")
UNDECIDED = ranking_value("undecided_answer")
WORTH_ASKING_BITS = 0.1


@dataclass(frozen=True)
class KindEvidence:
    """What was seen and felt: kinds meant by the picture chosen (none: not chosen), and answers by question."""

    kinds: frozenset[str] = frozenset()
    answers: tuple[tuple[str, str], ...] = ()

    @staticmethod
    def of(kind: str | None, answers: Mapping[str, str], family: Family = BEARING) -> KindEvidence:
        """From what was asked: a kind or a group, and answers; both are checked."""
        for question, answer in answers.items():
            family.check_answer(question, answer)
        return KindEvidence(family.kinds_meant(kind) if kind else frozenset(), tuple(sorted(answers.items())))


@dataclass(frozen=True)
class NextQuestion:
    """The question that tells most between the kinds still possible."""

    question: str
    words: str
    gain_bits: float


def kind_likelihood(catalogue: Catalogue, seen: KindEvidence) -> Floats:
    """Likelihood of what was seen for each kind of the catalogue."""
    return _likelihoods(catalogue.family.name, catalogue.kinds, seen)


@lru_cache(maxsize=512)
def _likelihoods(family: str, kinds: tuple[str, ...], seen: KindEvidence) -> Floats:
    return np.array([_likelihood(family, kind, seen) for kind in kinds])


def _likelihood(family: str, name: str, seen: KindEvidence) -> float:
    likelihood = 1.0 if not seen.kinds or name in seen.kinds else WRONG_PICTURE
    told = FAMILIES[family].kinds[name].told
    for question, answer in seen.answers:
        own = told.get(question)
        likelihood *= UNDECIDED if own is None else 1.0 if own == answer else WRONG_ANSWER
    return likelihood


@lru_cache(maxsize=512)
def schemes_meant(seen: KindEvidence, family: str = BEARING.name) -> frozenset[str]:
    """The schemes of dimensions that the part can have after what was seen; none when all can."""
    if not seen.kinds and not seen.answers:
        return frozenset()
    likely: dict[str, float] = {}
    for kind in FAMILIES[family].kinds.values():
        likely[kind.scheme] = max(likely.get(kind.scheme, 0.0), _likelihood(family, kind.name, seen))
    best = max(likely.values())
    return frozenset(scheme for scheme, chance in likely.items() if chance > 0.1 * best)


def next_question(catalogue: Catalogue, kind_chance: Floats, seen: KindEvidence) -> NextQuestion | None:
    """The unanswered question that tells most for its trouble; None when none tells much.

    Formula: H(answer) over the kinds still possible; a kind that gives no clear answer tells nothing.
    """
    total = float(kind_chance.sum())
    if total <= 0:
        return None
    answered = {question for question, _ in seen.answers}
    best: NextQuestion | None = None
    worth = 0.0
    for question in catalogue.family.questions:
        if question.name in answered:
            continue
        shares = kind_chance @ _answers(catalogue.family.name, catalogue.kinds, question.name) / total
        shares = shares[shares > 0]
        bits = float(-(shares * np.log2(shares / shares.sum())).sum())
        if bits > WORTH_ASKING_BITS and bits / question.trouble > worth:
            worth = bits / question.trouble
            best = NextQuestion(question.name, question.words, float(bits))
    return best


@lru_cache(maxsize=256)
def _answers(family: str, kinds: tuple[str, ...], question: str) -> Floats:
    """Which kind (row) gives which answer (column) to a question."""
    given = [FAMILIES[family].kinds[name].told.get(question) for name in kinds]
    columns = sorted({answer for answer in given if answer is not None})
    return np.array([[float(answer == column) for column in columns] for answer in given])
