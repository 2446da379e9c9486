"""Dialects: the codes of one maker or market, as data; and the general dictionary."""

from __future__ import annotations

import re
from collections import defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from functools import cached_property, lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.tables import read_table

_ATTRIBUTES = frozenset(("closure", "clearance", "class", "cage", "snap_ring", "bore_shape", "extra"))
_CODE = re.compile(r"[A-Z0-9]{1,8}")


@dataclass(frozen=True, slots=True, eq=False)
class Code:
    """One code with one meaning: the attributes it sets and where the meaning comes from."""

    code: str
    place: str
    sets: tuple[tuple[str, str], ...]
    meaning: str
    basis: str


@dataclass(frozen=True)
class Dialect:
    """A named set of codes. A code with several meanings stands several times."""

    name: str
    codes: tuple[Code, ...]

    @cached_property
    def suffixes(self) -> dict[str, tuple[Code, ...]]:
        """Suffix meanings by code."""
        return self._by_place("suffix")

    @cached_property
    def prefixes(self) -> dict[str, tuple[Code, ...]]:
        """Prefix meanings by code."""
        return self._by_place("prefix")

    @cached_property
    def suffix_pattern(self) -> re.Pattern[str]:
        """Matches the longest suffix code at a place."""
        return _any_of(self.suffixes)

    @cached_property
    def prefix_pattern(self) -> re.Pattern[str]:
        """Matches the longest prefix code at a place."""
        return _any_of(self.prefixes)

    @cached_property
    def writing(self) -> dict[tuple[tuple[str, str], ...], Code]:
        """The code to write for what it sets: the first row that sets just that."""
        chosen: dict[tuple[tuple[str, str], ...], Code] = {}
        for code in self.codes:
            held = self.suffixes if code.place == "suffix" else self.prefixes
            if len(held[code.code]) == 1:
                chosen.setdefault(code.sets, code)
        return chosen

    def _by_place(self, place: str) -> dict[str, tuple[Code, ...]]:
        found: dict[str, list[Code]] = defaultdict(list)
        for code in self.codes:
            if code.place == place:
                found[code.code].append(code)
        return {name: tuple(codes) for name, codes in found.items()}

    @cached_property
    def over_general(self) -> Dialect:
        """This dialect's codes in front of the general ones: where both hold a code, these stand."""
        base = general_dialect()
        own = {(code.place, code.code) for code in self.codes}
        rest = tuple(code for code in base.codes if (code.place, code.code) not in own)
        return Dialect(self.name, self.codes + rest)


def _any_of(codes: Iterable[str]) -> re.Pattern[str]:
    longest_first = sorted(codes, key=lambda code: (-len(code), code))
    return re.compile("|".join(map(re.escape, longest_first)) or r"(?!)")


def read_dialect(name: str, rows: Iterable[Mapping[str, str]]) -> Dialect:
    """Build a dialect from rows (code, place, attribute, value, meaning, basis); each is checked."""
    codes = []
    for number, row in enumerate(rows, start=1):
        names, values = row["attribute"].split("+"), row["value"].split("+")
        good = (
            _CODE.fullmatch(row["code"])
            and row["place"] in ("prefix", "suffix")
            and len(names) == len(values)
            and set(names) <= _ATTRIBUTES
            and row["meaning"]
        )
        if not good:
            raise BadInput(
                "bad_code",
                f"Row {number} of the dialect “{name}” cannot be used.",
                "codes",
                "It needs a code, prefix or suffix, an attribute, a value and a meaning.",
            )
        sets = tuple(zip(names, values, strict=True))
        codes.append(Code(row["code"], row["place"], sets, row["meaning"], row["basis"]))
    if len({(c.place, c.code, c.sets) for c in codes}) != len(codes):
        raise BadInput("bad_code", f"A code of “{name}” stands twice with one meaning.", "codes")
    return Dialect(name, tuple(codes))


@lru_cache
def general_dialect() -> Dialect:
    """Codes in common use, with no maker's name."""
    return read_dialect("general", read_table(Path(__file__).with_name("codes.csv")).rows)
