"""Kinds of rolling bearing as data, and the questions that tell one from another."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from functools import cached_property, lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.tables import read_table

_HERE = Path(__file__).parent
CONTRACT_NAMES = {
    "radial": ("d_mm", "D_mm", "B_mm"),
    "taper": ("d_mm", "D_mm", "B_mm", "T_mm", "C_mm"),
    "cone": ("d_mm", "B_mm"),
    "cup": ("D_mm", "C_mm"),
    "thrust": ("d_mm", "D_mm", "T_mm"),
    "needle": ("Fw_mm", "D_mm", "C_mm"),
    "track": ("d_mm", "D_mm", "B_mm", "C_mm"),
    "insert": ("d_mm", "D_mm", "B_mm", "C_mm"),
}
PICTURES = (
    ("ball", "ball", "deep_groove"),
    ("roller", "roller", "cylindrical_nu"),
    ("taper", "taper", "taper"),
    ("barrel", "spherical", "spherical_roller"),
    ("thrust", "thrust", "thrust_ball"),
    ("needle", "needle", "drawn_cup"),
    ("track", "track roller", "track_roller_yoke"),
    ("insert", "insert", "insert"),
)
GROUPS = tuple(group for group, _, _ in PICTURES)


@dataclass(frozen=True)
class BearingKind:
    """A kind of bearing: its words, scheme of dimensions, tolerances, clearance table, and what is seen of it."""

    name: str
    group: str
    words: str
    scheme: str
    tolerance: str
    clearance: str
    closable: bool
    seen: tuple[tuple[str, str], ...]

    @cached_property
    def told(self) -> dict[str, str]:
        """What is seen of it, by question."""
        return dict(self.seen)

    @property
    def dimension_names(self) -> tuple[str, ...]:
        """The dimensions it is sold by, as the contract names them."""
        return CONTRACT_NAMES[self.scheme]


@dataclass(frozen=True)
class Question:
    """A question to eye and hand, with its answers in words by value, and how much trouble it is."""

    name: str
    words: str
    answers: tuple[tuple[str, str], ...]
    trouble: float


@lru_cache
def bearing_kinds() -> dict[str, BearingKind]:
    """Every kind of bearing, by name, in the order of the table."""
    found = {}
    asked = [question.name for question in bearing_questions()]
    for row in read_table(_HERE / "bearing_kinds.csv").rows:
        seen = tuple((name, row[name]) for name in asked if row[name])
        found[row["kind"]] = BearingKind(
            row["kind"], row["group"], row["words"], row["scheme"], row["tolerance"], row["clearance"],
            row["closable"] == "yes", seen,
        )  # fmt: skip
    return found


@lru_cache
def bearing_questions() -> tuple[Question, ...]:
    """The questions in the order in which they are asked."""
    answers: dict[tuple[str, str, str], list[tuple[str, str]]] = defaultdict(list)
    for row in read_table(_HERE / "bearing_questions.csv").rows:
        answers[row["question"], row["words"], row["trouble"]].append(
            (row["answer"], row["answer_words"].replace(";", ","))
        )
    return tuple(
        Question(name, words, tuple(found), float(trouble))
        for (name, words, trouble), found in answers.items()
    )


def kind_named(name: str, field: str = "kind") -> BearingKind:
    """The kind of bearing with this name.

    Args:
        name: The kind's name, such as `cylindrical_nu`.
        field: The field that an error names.

    Returns:
        The kind.

    Raises:
        BadInput: When there is no such kind.

    Source: bearing_kinds.csv.

    Example:
        >>> kind_named("taper").dimension_names
        ('d_mm', 'D_mm', 'B_mm', 'T_mm', 'C_mm')
    """
    found = bearing_kinds().get(name)
    if found is None:
        raise BadInput(
            "no_such_kind",
            f"“{name[:30]}” is no kind of bearing.",
            field,
            f"One of {', '.join(bearing_kinds())}; or a group: {', '.join(GROUPS)}.",
        )
    return found


def kinds_meant(name: str, field: str = "kind") -> frozenset[str]:
    """The kinds that a kind or a group (`ball`, `taper`, …) names.

    Args:
        name: A kind or a group.
        field: The field that an error names.

    Returns:
        The names of the kinds.

    Raises:
        BadInput: When it is neither.

    Source: bearing_kinds.csv.

    Example:
        >>> sorted(kinds_meant("insert"))
        ['insert']
    """
    if name in GROUPS:
        inside = frozenset(kind.name for kind in bearing_kinds().values() if kind.group == name)
        return inside | ({name} if name in bearing_kinds() else frozenset())
    return frozenset({kind_named(name, field).name})


def check_answer(question: str, answer: str) -> None:
    """Refuse an answer to a question that is not asked, or that is none of its answers.

    Args:
        question: The question's name.
        answer: The answer's value.

    Returns:
        Nothing.

    Raises:
        BadInput: When the question or the answer is not known.

    Source: bearing_questions.csv.

    Example:
        >>> check_answer("rows", "2")
    """
    asked = {each.name: each for each in bearing_questions()}
    if question not in asked:
        raise BadInput(
            "no_such_question", f"“{question[:30]}” is not asked.", "answers", f"One of {', '.join(asked)}."
        )
    values = [value for value, _ in asked[question].answers]
    if answer not in values:
        raise BadInput(
            "no_such_answer",
            f"“{answer[:30]}” is no answer to “{asked[question].words}”.",
            f"answers.{question}",
            f"One of {', '.join(values)}.",
        )
