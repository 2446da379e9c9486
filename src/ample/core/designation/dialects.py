"""Dialects: the codes of one maker or market, as data; and the general dictionary."""

from __future__ import annotations

import re
from collections import defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from functools import cached_property, lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.parts import GROUPS, bearing_kinds
from ample.core.tables import Table, read_table

ATTRIBUTES = frozenset(("closure", "clearance", "class", "cage", "snap_ring", "bore_shape", "angle", "extra"))
_CODE = re.compile(r"[A-Z0-9]{1,8}")


@dataclass(frozen=True, slots=True, eq=False)
class Code:
    """One code with one meaning: the attributes it sets and where the meaning comes from."""

    code: str
    place: str
    sets: tuple[tuple[str, str], ...]
    meaning: str
    basis: str
    kinds: frozenset[str] = frozenset()

    def is_of(self, kind: str, group: str) -> bool:
        """Whether the code has this meaning on a kind of bearing."""
        return not self.kinds or kind in self.kinds or group in self.kinds


@dataclass(frozen=True, eq=False)
class Dialect:
    """A named set of codes. A code with several meanings is listed several times."""

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
    def longest_suffix(self) -> int:
        """The length of the longest suffix."""
        return max((len(name) for name in self.suffixes), default=0)

    def suffixes_of(self, kind: str, group: str) -> dict[str, tuple[Code, ...]]:
        """Suffix meanings by code, as far as they hold for a kind of bearing."""
        held = self._of_kind.get(kind)
        if held is None:
            held = {}
            for name, codes in self.suffixes.items():
                own = tuple(code for code in codes if code.is_of(kind, group))
                if own:
                    held[name] = own
            self._of_kind[kind] = held
        return held

    @cached_property
    def _of_kind(self) -> dict[str, dict[str, tuple[Code, ...]]]:
        return {}

    def writing(self, kind: str, group: str) -> dict[tuple[tuple[str, str], ...], Code]:
        """The code to write for what it sets: the first that means just that on this kind of bearing."""
        if kind in self._writing_of_kind:
            return self._writing_of_kind[kind]
        chosen: dict[tuple[tuple[str, str], ...], Code] = {}
        for code in self.codes:
            held = self.suffixes_of(kind, group) if code.place == "suffix" else self.prefixes
            if code.is_of(kind, group) and len(held[code.code]) == 1:
                chosen.setdefault(code.sets, code)
        self._writing_of_kind[kind] = chosen
        return chosen

    @cached_property
    def _writing_of_kind(self) -> dict[str, dict[tuple[tuple[str, str], ...], Code]]:
        return {}

    def _by_place(self, place: str) -> dict[str, tuple[Code, ...]]:
        found: dict[str, list[Code]] = defaultdict(list)
        for code in self.codes:
            if code.place == place:
                found[code.code].append(code)
        return {name: tuple(codes) for name, codes in found.items()}

    @cached_property
    def over_general(self) -> Dialect:
        """This dialect's codes in front of the general ones: where both have a code, these apply."""
        base = general_dialect()
        own = {(code.place, code.code) for code in self.codes}
        rest = tuple(code for code in base.codes if (code.place, code.code) not in own)
        return Dialect(self.name, self.codes + rest)


def _any_of(codes: Iterable[str]) -> re.Pattern[str]:
    longest_first = sorted(codes, key=lambda code: (-len(code), code))
    return re.compile("|".join(map(re.escape, longest_first)) or r"(?!)")


def read_dialect(name: str, rows: Iterable[Mapping[str, str]]) -> Dialect:
    """Build a dialect from rows (code, place, attribute, value, meaning, basis, kinds); each is checked."""
    codes = []
    for number, row in enumerate(rows, start=1):
        names, values = row["attribute"].split("+"), row["value"].split("+")
        good = (
            _CODE.fullmatch(row["code"])
            and row["place"] in ("prefix", "suffix")
            and len(names) == len(values)
            and set(names) <= ATTRIBUTES
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
        kinds = _kinds(row.get("kinds") or "", number)
        codes.append(Code(row["code"], row["place"], sets, row["meaning"], row["basis"], kinds))
    _check_shadows(name, codes)
    return Dialect(name, tuple(codes))


def _kinds(text: str, number: int) -> frozenset[str]:
    """The kinds or groups that a code is for; a name that is neither is refused."""
    names = frozenset(text.split())
    unknown = sorted(names - set(bearing_kinds()) - set(GROUPS))
    if unknown:
        raise BadInput(
            "bad_code", f"Row {number}: Unknown kind of bearing “{unknown[0][:30]}”.", "codes",
            f"A kind, or a group: {', '.join(GROUPS)}.",
        )  # fmt: skip
    return names


def _check_shadows(name: str, codes: list[Code]) -> None:
    """No code appears twice with the same meaning for one kind of bearing."""
    seen: set[tuple[str, str, tuple[tuple[str, str], ...], str]] = set()
    for code in codes:
        for kind in code.kinds or {""}:
            key = (code.place, code.code, code.sets, kind)
            if key in seen:
                raise BadInput(
                    "bad_code",
                    f"The code {code.code} of “{name}” appears twice with the same meaning.",
                    "codes",
                )
            seen.add(key)


@lru_cache
def general_dialect() -> Dialect:
    """Codes in common use, with no maker's name."""
    return read_dialect("general", code_table().rows)


def code_table() -> Table:
    """The table of codes in common use."""
    return read_table(Path(__file__).with_name("codes.csv"))
