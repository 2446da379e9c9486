"""Half-legible texts of seals and rings: unread characters stand for any, the lists say which."""

from __future__ import annotations

import re
from functools import lru_cache

from ample.core.designation.seals.reading import assembled
from ample.core.designation.seals.sizes import BARE_SCORE
from ample.core.designation.seals.text import Text
from ample.core.parts import MarkingReading, Span
from ample.core.sizes import INCH_MM
from ample.core.standards import SealSize, sizes_of_family

_WORN = re.compile(r"(?:[0-9?]|\.\.)[0-9?.,]*(?:\s*[X×*/ -]\s*[0-9?][0-9?.,]*)*")
_WORN_CODE = re.compile(r"(?<![0-9?.X])([0-9?]{1,4})[\s-]([0-9?]{1,5})[\s-]([0-9?]{1,4})(?![0-9?.X])")
_UNSEEN, _SEEN = re.compile(r"\?|\.\."), re.compile("[0-9]")
_READ = re.compile(r"[^?]+")
_TIMES = re.compile(r"\s*[X×*]\s*")
_BETWEEN = re.compile(r"\s*[X×*/ -]\s*")
_FAMILIES = ("lip_seal", "o_ring", "hydraulic_seal", "retaining_ring", "washer", "key")
_BY_NAME = _FAMILIES[:3]  # their sizes are their names


def half_read(text: Text, most: int) -> list[MarkingReading]:
    """Names of the lists that fit what could be read, the commonest first."""
    codes = _composed(text, most)
    if codes:
        return codes
    pieces = [
        m
        for m in _WORN.finditer(text.without_words())
        if _UNSEEN.search(m.group()) and _SEEN.search(m.group())
    ]
    if not pieces:
        return []
    piece = max(pieces, key=lambda match: len(match.group()))
    parts = _BETWEEN.sub("x", piece.group().strip().replace(",", ".")).split("x")
    if parts[0] == "2" and len(parts) == 2 and len(parts[1]) == 3 and "-" in piece.group():
        parts = parts[1:]  # 2-2?4 is a dash number
    told, fitting = text.told, text.fitting()
    found = []
    for family in _FAMILIES:
        if family not in fitting or (told and family not in told):
            continue
        if family not in _BY_NAME and len(parts) == 1 and not told:
            continue  # a figure or two by themselves are no ring
        guess = 0.9 if told else BARE_SCORE.get(len(parts), {}).get(family, 0.3)
        kind = text.kind(family)
        like = _like(family, tuple(parts)) or _by_fractions(family, piece.group())
        for rank, size in enumerate(
            [each for each in like if family in _BY_NAME or kind in ("", each.kind)][:most]
        ):
            span = _can_be(text, piece, size, size.designation, size.listed)
            score = guess * 0.8 * min(size.share, 1.0) * 0.995**rank
            found.append(assembled(text, family, size.dimensions_mm, [span], score, size))
    return found


def _can_be(text: Text, match: re.Match[str], size: SealSize, said: str, basis: str) -> Span:
    start, stop = match.span()
    piece = text.typed[start:stop]
    return Span(start, stop, piece, f"can be {said}", "designation", size.designation, "half_read", basis)


@lru_cache(maxsize=512)
def _like(family: str, parts: tuple[str, ...]) -> tuple[SealSize, ...]:
    """The listed parts whose name can be read so, the commonest first."""
    if len(parts) == 1 and family != "retaining_ring" and not (len(parts[0]) == 3 and family == "o_ring"):
        return ()
    seen = f"-{parts[0]}" if family == "o_ring" and len(parts) == 1 else "x".join(parts)
    if len(parts) > 1 and ".." in seen:
        pattern = re.escape(seen).replace(r"\.\.", "[0-9.]*").replace(r"\?", "[0-9]")
        lines, sizes = _by_line(family)
        like = re.finditer(f"^{pattern}$", lines, re.MULTILINE)
        read = [size for line in like for size in sizes[line.group()]]
        return tuple(sorted(read, key=lambda size: -size.share))
    return _read_so(family, seen)


def _by_fractions(family: str, typed: str) -> tuple[SealSize, ...]:
    """The listed parts whose name in fractions can be read so: 1 1/? x 2 1/4 x 3/8."""
    return _read_so(family, _TIMES.sub(" x ", typed.strip())) if "/" in typed else ()


def _read_so(family: str, seen: str) -> tuple[SealSize, ...]:
    """The listed parts that are called so, with any figure where none is seen; the commonest first."""
    found = _by_shape(family).get(seen.translate(_SHAPE), ())
    for piece in _READ.finditer(seen):
        found = tuple(
            [(called, size) for called, size in found if called.startswith(piece.group(), piece.start())]
        )
    return tuple([size for _, size in found])


def _called(size: SealSize) -> tuple[str, ...]:
    """What a part is called in a text: its name, or of small parts their sizes."""
    if size.family in _BY_NAME:
        return (size.designation,)
    if size.family == "retaining_ring":
        nominal, thickness = size.dimensions_mm[0], size.dimensions_mm[3]
        return f"{nominal:g}", f"{nominal:g}x{thickness:g}"
    return ("x".join(f"{each:g}" for each in size.dimensions_mm[:3]),)


_SHAPE = str.maketrans(dict.fromkeys("123456789?", "0"))


@lru_cache
def _by_shape(family: str) -> dict[str, tuple[tuple[str, SealSize], ...]]:
    """What the parts of a family are called, by that with 0 for every figure; the commonest first.

    Of seals that differ in kind alone the commonest stands for all; small parts stand with every kind.
    """
    held: dict[tuple[str, str], SealSize] = {}
    for size in sizes_of_family(family):
        for called in _called(size):
            key = (called, "" if family in _BY_NAME else size.designation)
            before = held.get(key)
            if before is None or size.share > before.share:
                held[key] = size
    found: dict[str, list[tuple[str, SealSize]]] = {}
    for (called, _), size in sorted(held.items(), key=lambda each: -each[1].share):
        found.setdefault(called.translate(_SHAPE), []).append((called, size))
    return {shape: tuple(own) for shape, own in found.items()}


@lru_cache
def _by_line(family: str) -> tuple[str, dict[str, list[SealSize]]]:
    """The same parts by what they are called, and that as one text, a line each."""
    found: dict[str, list[SealSize]] = {}
    for own in _by_shape(family).values():
        for called, size in own:
            found.setdefault(called, []).append(size)
    return "\n".join(found), found


def _composed(text: Text, most: int) -> list[MarkingReading]:
    """A composed U-cup code with unread figures; a lone `?` is a whole unread group."""
    match = _WORN_CODE.search(text.clean)
    if match is None or not (len(match.group(1)) == 4 and match.group(1).endswith("0")):
        return []
    groups = ["[0-9]+" if piece == "?" else piece.replace("?", "[0-9]") for piece in match.groups()]
    lines, sizes = _composed_codes()
    found = []
    for code in list(re.finditer(rf"\n({' '.join(groups)})(?=\n)", lines))[:most]:
        size = sizes[code.group(1)]
        span = _can_be(text, match, size, f"{code.group(1)}: {size.called}", "common practice")
        found.append(assembled(text, "hydraulic_seal", size.dimensions_mm, [span], 0.6, size))
    return found


@lru_cache
def _composed_codes() -> tuple[str, dict[str, SealSize]]:
    """Every listed inch U-cup as its composed code, a line each."""
    found: dict[str, SealSize] = {}
    for size in sizes_of_family("hydraulic_seal"):
        if size.listed == "inch practice" and size.kind.startswith("u_cup"):
            inside, section, height = (int(each / INCH_MM * 1000 + 1e-6) for each in size.dimensions_mm[:3])
            found.setdefault(f"{section:03d}0 {inside:03d} {height:03d}", size)
    return "\n" + "\n".join(found) + "\n", found
