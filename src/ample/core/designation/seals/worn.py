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

_WORN = re.compile(r"[0-9?][0-9?.,]*(?:\s*[X×*/ -]\s*[0-9?][0-9?.,]*)*")
_WORN_CODE = re.compile(r"(?<![0-9?.X])([0-9?]{1,4})[\s-]([0-9?]{1,5})[\s-]([0-9?]{1,4})(?![0-9?.X])")
_READ = re.compile(r"[^?]+")
_BETWEEN = re.compile(r"\s*[X×*/ -]\s*")
_FAMILIES = ("lip_seal", "o_ring", "hydraulic_seal")


def half_read(text: Text, most: int) -> list[MarkingReading]:
    """Names of the lists that fit what could be read, the commonest first."""
    codes = _composed(text, most)
    if codes:
        return codes
    pieces = [m for m in _WORN.finditer(text.without_words()) if "?" in m.group() or ".." in m.group()]
    if not pieces:
        return []
    piece = max(pieces, key=lambda match: len(match.group()))
    parts = _BETWEEN.sub("x", piece.group().strip().replace(",", ".")).split("x")
    told, fitting = text.told, text.fitting()
    found = []
    for family in _FAMILIES:
        if family not in fitting or (told and family not in told):
            continue
        guess = 0.9 if told else BARE_SCORE.get(len(parts), {}).get(family, 0.3)
        for rank, size in enumerate(_like(family, tuple(parts))[:most]):
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
    if len(parts) == 1 and not (len(parts[0]) == 3 and family == "o_ring"):
        return ()
    seen = "x".join(parts) if len(parts) > 1 else f"-{parts[0]}"
    if len(parts) > 1 and ".." in seen:
        pattern = re.escape(seen).replace(r"\.\.", "[0-9.]*").replace(r"\?", "[0-9]")
        lines, sizes = _by_line(family)
        read = [sizes[line.group()] for line in re.finditer(f"^{pattern}$", lines, re.MULTILINE)]
        return tuple(sorted(read, key=lambda size: -size.share))
    found = _by_shape(family).get(seen.translate(_SHAPE), ())
    for piece in _READ.finditer(seen):
        found = tuple([size for size in found if size.designation.startswith(piece.group(), piece.start())])
    return found


_SHAPE = str.maketrans(dict.fromkeys("123456789?", "0"))


@lru_cache
def _by_shape(family: str) -> dict[str, tuple[SealSize, ...]]:
    """The commonest part of each name of a family, by the name with 0 for every figure; the commonest first."""
    held: dict[str, SealSize] = {}
    for size in sizes_of_family(family):
        before = held.get(size.designation)
        if before is None or size.share > before.share:
            held[size.designation] = size
    found: dict[str, list[SealSize]] = {}
    for size in sorted(held.values(), key=lambda size: -size.share):
        found.setdefault(size.designation.translate(_SHAPE), []).append(size)
    return {shape: tuple(own) for shape, own in found.items()}


@lru_cache
def _by_line(family: str) -> tuple[str, dict[str, SealSize]]:
    """The same parts by name, and their names as one text, a line each."""
    found = {size.designation: size for own in _by_shape(family).values() for size in own}
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
