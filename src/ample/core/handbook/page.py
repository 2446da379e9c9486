"""The pages of the handbook: every named question with its fields, formula, source and limits, and how it is asked."""

from __future__ import annotations

import inspect
import re
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from types import ModuleType
from typing import Any

from ample.core.errors import BadInput
from ample.core.handbook import bearings, fastening, fitting, measuring, sealing, setting, volumes
from ample.core.tables import read_table

TOPICS: dict[str, tuple[str, ModuleType]] = {
    "measuring": ("Measuring", measuring), "fitting": ("Fits, warming, pressing", fitting),
    "bearings": ("Bearings", bearings), "sealing": ("Seals and grooves", sealing),
    "fastening": ("Threads, keys, rings", fastening), "setting": ("Shims, couplings, belts", setting),
    "volumes": ("Volumes and units", volumes),
}  # fmt: skip
MOST = 1e7
COLDEST_C = -273.15
MOST_IN_A_LIST = 200
_LONGEST_TEXT = 40
_SECTIONS = ("Formula", "Worked", "Valid", "Source", "Note", "Example")


@dataclass(frozen=True)
class Field:
    """An input of a question: its name, words, what it can be, and whether it can be left out."""

    name: str
    words: str
    range: str
    optional: bool


@dataclass(frozen=True)
class Page:
    """A question of the handbook."""

    question: str
    topic: str
    words: str
    fields: tuple[Field, ...]
    formula: str
    worked: str
    validity: str
    source: str
    notes: str

    def answer(self, given: Mapping[str, object]) -> dict[str, Any]:
        """Answer the question.

        Args:
            given: The inputs by name.

        Returns:
            The outputs by name.

        Raises:
            BadInput: At the name of a field that is missing, unknown or cannot be.

        Source: the formula of the page.

        Example:
            >>> pages()["belt_sag"].answer({"span_mm": 250})
            {'sag_mm': 4.0}
        """
        known = {each.name: each for each in self.fields}
        for name in given:
            if name not in known:
                raise BadInput(
                    "unknown_field",
                    f"This question has no “{name[:40]}”.",
                    name,
                    f"It has {', '.join(known)}.",
                )
        values: dict[str, object] = {}
        for each in self.fields:
            if given.get(each.name) is not None:
                values[_PARAMETER.get(each.name, each.name)] = checked(each, given[each.name])
            elif not each.optional:
                raise BadInput("missing", f"{each.words.capitalize()} is missing.", each.name)
        try:
            return dict(_function(self.topic, self.question)(**values))
        except (OverflowError, ZeroDivisionError) as error:
            raise BadInput(
                "no_number", "With these numbers there is no answer.", self.fields[0].name
            ) from error


_PARAMETER = {"class": "class_", "from": "from_"}
_FIELD = {parameter: name for name, parameter in _PARAMETER.items()}


def checked(field: Field, value: object) -> object:
    """An input as its range asks for it; refused at its name.

    >>> checked(Field("rpm", "speed", ">=0", False), 1500)
    1500.0
    """
    kind, _, rest = field.range.partition(" ")
    if kind == "choice":
        if value not in rest.split():
            raise BadInput(
                "no_such_choice",
                f"{field.words.capitalize()} is one of {', '.join(rest.split())}.",
                field.name,
            )
        return value
    if kind == "text":
        if not isinstance(value, str) or not 0 < len(value) <= _LONGEST_TEXT:
            raise BadInput("no_text", f"{field.words.capitalize()} is a short text.", field.name)
        return value
    if kind == "value":
        return (
            value
            if isinstance(value, str) and len(value) <= _LONGEST_TEXT
            else _number(field, value, "any", "")
        )
    if kind in ("list", "pairs"):
        if not isinstance(value, list) or not 0 < len(value) <= MOST_IN_A_LIST:
            raise BadInput(
                "no_list", f"{field.words.capitalize()} is a list of 1 to {MOST_IN_A_LIST}.", field.name
            )
        if kind == "list":
            return [_number(field, each, rest, "") for each in value]
        if not all(isinstance(each, list | tuple) and len(each) == 2 for each in value):
            raise BadInput("no_pairs", "Give pairs of a share and a value.", field.name)
        return [(_number(field, share, ">=0", "1"), _number(field, each, ">0", "")) for share, each in value]
    number = _number(field, value, kind, rest)
    if kind == "count":
        if number != int(number):
            raise BadInput("not_whole", f"{field.words.capitalize()} is a whole number.", field.name)
        return int(number)
    return number


def _number(field: Field, value: object, kind: str, rest: str) -> float:
    if isinstance(value, bool) or not isinstance(value, int | float):
        raise BadInput("no_number", f"{field.words.capitalize()} is a number.", field.name)
    number = float(value)
    most = float(rest) if rest and kind != "count" else MOST
    least = {">0": 0.0, ">=0": 0.0, "cold": COLDEST_C, "count": float(rest or 1)}.get(kind, -MOST)
    if not least <= number <= most or (kind == ">0" and number <= 0):
        over = "over" if kind == ">0" else "at least"
        raise BadInput(
            "out_of_range",
            f"{field.words.capitalize()} must be {over} {least:g}, at most {most:g}.",
            field.name,
        )
    return number


def _plain(number: float) -> str:
    return f"{number:,.0f}".replace(",", " ") if number >= 1000 else f"{number:g}"


@lru_cache
def _inputs() -> dict[str, tuple[str, str]]:
    rows = read_table(Path(__file__).with_name("inputs.csv")).rows
    return {row["input"]: (row["words"], row["range"]) for row in rows}


@lru_cache
def pages() -> dict[str, Page]:
    """Every question by its name, topic by topic."""
    found = {}
    for topic, (_, module) in TOPICS.items():
        for name, run in vars(module).items():
            if inspect.isfunction(run) and run.__module__ == module.__name__ and not name.startswith("_"):
                found[name] = _page(topic, name, run)
    return found


def _function(topic: str, name: str) -> Callable[..., Mapping[str, Any]]:
    found: Callable[..., Mapping[str, Any]] = getattr(TOPICS[topic][1], name)
    return found


def _page(topic: str, name: str, run: Callable[..., Mapping[str, Any]]) -> Page:
    text = inspect.getdoc(run) or ""
    said = _sections(text)
    fields = []
    for parameter in inspect.signature(run).parameters.values():
        field = _FIELD.get(parameter.name, parameter.name)
        words, range_ = _inputs()[field]
        fields.append(Field(field, words, range_, parameter.default is None))
    return Page(
        name, topic, text.split("\n", 1)[0].rstrip("."), tuple(fields), said["Formula"], said.get("Worked", ""), said["Valid"], said["Source"],
        said.get("Note", ""),
    )  # fmt: skip


def _sections(text: str) -> dict[str, str]:
    """What a docstring says under each heading, in one line."""
    found: dict[str, str] = {}
    heading = ""
    for line in text.splitlines():
        begins = re.match(rf"({'|'.join(_SECTIONS)}):\s*(.*)", line)
        if begins:
            heading = begins[1]
            found[heading] = begins[2]
        elif heading and line.startswith(" "):
            found[heading] = f"{found[heading]} {line.strip()}".strip()
    return found


def calculate(question: str, given: Mapping[str, object]) -> dict[str, Any]:
    """Answer a question of the handbook with its formula, source, limits and notes.

    Args:
        question: Its name.
        given: The inputs by name; all of them, and no other.

    Returns:
        The outputs by name, and `formula`, `source`, `validity`, `notes`.

    Raises:
        BadInput: When the question is not known, or at the name of a field that is missing, unknown or cannot be.

    Source: that of the question.

    Example:
        >>> calculate("lip_speed", {"shaft_mm": 50, "rpm": 1500})["source"]
        'geometry'
    """
    page = pages().get(question)
    if page is None:
        raise BadInput("no_such_question", f"There is no question “{question[:40]}”.", "question")
    answer = page.answer(given)
    return answer | {
        "formula": page.formula, "source": page.source, "validity": page.validity, "notes": page.notes,
    }  # fmt: skip
