"""Kinds of part as data, and the questions that tell one from another."""

from __future__ import annotations

from collections import defaultdict
from dataclasses import dataclass
from functools import cached_property, lru_cache
from pathlib import Path

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
SEAL_NAMES = {
    "lip": ("shaft_mm", "bore_mm", "width_mm"),
    "v_ring": ("shaft_mm", "bore_mm", "width_mm"),
    "ring": ("inside_mm", "section_mm"),
    "backup": ("inside_mm", "section_mm", "thickness_mm"),
    "rod_cup": ("inside_mm", "outside_mm", "section_mm", "height_mm"),
    "wiper": ("inside_mm", "outside_mm", "section_mm", "height_mm", "base_mm"),
    "piston": ("inside_mm", "outside_mm", "section_mm", "height_mm"),
    "band": ("inside_mm", "outside_mm", "section_mm", "height_mm"),
    "face": ("shaft_mm", "seat_outside_mm", "seat_thickness_mm", "working_length_mm"),
    "external": ("size_mm", "groove_mm", "slot_mm", "thickness_mm", "free_mm"),
    "internal": ("size_mm", "groove_mm", "slot_mm", "thickness_mm", "free_mm"),
    "e_ring": ("size_mm", "groove_mm", "slot_mm", "thickness_mm", "free_mm"),
    "wire_external": ("size_mm", "groove_mm", "slot_mm", "thickness_mm", "free_mm"),
    "wire_internal": ("size_mm", "groove_mm", "slot_mm", "thickness_mm", "free_mm"),
    "washer": ("inside_mm", "outside_mm", "thickness_mm"),
    "key": ("width_mm", "height_mm", "length_mm"),
    "woodruff": ("width_mm", "height_mm", "length_mm"),
}
_NAMES = CONTRACT_NAMES | SEAL_NAMES
PICTURES = (
    ("ball", "ball", "deep_groove"),
    ("roller", "roller", "cylindrical_nu"),
    ("taper", "taper", "taper"),
    ("barrel", "spherical", "spherical_roller"),
    ("thrust", "thrust", "thrust_ball"),
    ("needle", "needle", "drawn_cup"),
    ("track", "track roller", "track_roller_yoke"),
    ("insert", "insert", "insert"),
    ("plain", "plain", "spherical_plain"),
)
GROUPS = tuple(group for group, _, _ in PICTURES)


@dataclass(frozen=True)
class Kind:
    """A kind of part: its words, scheme of dimensions, tolerances, clearance table, how common it is, what is seen."""

    name: str
    group: str
    words: str
    scheme: str
    tolerance: str
    clearance: str
    closable: bool
    seen: tuple[tuple[str, str], ...]
    share: float = 1.0

    @cached_property
    def told(self) -> dict[str, str]:
        """What is seen of it, by question."""
        return dict(self.seen)

    @property
    def dimension_names(self) -> tuple[str, ...]:
        """The dimensions it is sold by, as the contract names them."""
        return _NAMES[self.scheme]


@dataclass(frozen=True)
class Question:
    """A question to eye and hand, with its answers in words by value, and how much trouble it is."""

    name: str
    words: str
    answers: tuple[tuple[str, str], ...]
    trouble: float


@lru_cache
def bearing_kinds() -> dict[str, Kind]:
    """Every kind of bearing, by name, in the order of the table."""
    found = {}
    asked = [question.name for question in bearing_questions()]
    for row in read_table(_HERE / "bearing_kinds.csv").rows:
        seen = tuple((name, row[name]) for name in asked if row[name])
        found[row["kind"]] = Kind(
            row["kind"], row["group"], row["words"], row["scheme"], row["tolerance"], row["clearance"],
            row["closable"] == "yes", seen,
        )  # fmt: skip
    return found


@lru_cache
def seal_kinds() -> dict[str, dict[str, Kind]]:
    """Kinds of seals, rings and small parts by family and name, in the order of the table."""
    found: dict[str, dict[str, Kind]] = {}
    asked = [question.name for question in questions_in("seals/questions.csv")]
    for row in read_table(_HERE / "seals/kinds.csv").rows:
        seen = tuple((name, row[name]) for name in asked if row[name])
        found.setdefault(row["family"], {})[row["kind"]] = Kind(
            row["kind"], row["group"], row["words"], row["scheme"], row["tolerance"], "", False, seen,
            float(row["share"]),
        )  # fmt: skip
    return found


def bearing_questions() -> tuple[Question, ...]:
    """The questions asked of a bearing, in order."""
    return questions_in("bearing_questions.csv")


def seal_questions(family: str) -> tuple[Question, ...]:
    """The questions that tell the kinds of one family of seals, rings or small parts apart."""
    kinds = seal_kinds()[family].values()
    found = []
    for question in questions_in("seals/questions.csv"):
        given = {kind.told[question.name] for kind in kinds if question.name in kind.told}
        if len(given) > 1:
            answers = tuple(pair for pair in question.answers if pair[0] in given)
            found.append(Question(question.name, question.words, answers, question.trouble))
    return tuple(found)


@lru_cache
def questions_in(table: str) -> tuple[Question, ...]:
    """The questions of a table in the order in which they are asked."""
    answers: dict[tuple[str, str, str], list[tuple[str, str]]] = defaultdict(list)
    for row in read_table(_HERE / table).rows:
        answers[row["question"], row["words"], row["trouble"]].append(
            (row["answer"], row["answer_words"].replace(";", ","))
        )
    return tuple(
        Question(name, words, tuple(found), float(trouble))
        for (name, words, trouble), found in answers.items()
    )
