"""The listed seals, rings and small parts by name and by size."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache
from itertools import product

from ample.core.standards import SealSize, seal_sizes, sizes_of_family

NEAR_MM = 0.06
_BORDER_MM = 0.07  # a little more
_INDEXED = 3  # dimensions: what is left then is a handful


@lru_cache
def _by_name() -> dict[tuple[str, str], list[SealSize]]:
    found: dict[tuple[str, str], list[SealSize]] = {}
    for size in seal_sizes():
        found.setdefault((size.family, size.designation), []).append(size)
    return found


def all_named(family: str, designation: str) -> list[SealSize]:
    """Every kind that is listed under a name."""
    return _by_name().get((family, designation), [])


def named(family: str, designation: str) -> SealSize | None:
    """The first that is listed under a name; None when nothing is."""
    return next(iter(all_named(family, designation)), None)


def _whole(size_mm: float) -> int:
    """The whole millimetre nearest to a size: few sizes stand on the border between two."""
    return int(size_mm + 0.5)


@lru_cache
def _by_wholes(count: int) -> dict[tuple[str | int, ...], list[SealSize]]:
    """Listed sizes by family and the whole millimetres of their first dimensions, as many as are given."""
    found: dict[tuple[str | int, ...], list[SealSize]] = {}
    for size in seal_sizes():
        near = [{_whole(own - _BORDER_MM), _whole(own + _BORDER_MM)} for own in size.dimensions_mm[:count]]
        for wholes in product(*near):
            found.setdefault((size.family, *wholes), []).append(size)
    return found


def listed_near(family: str, sizes_mm: Sequence[float]) -> list[SealSize]:
    """Listed parts of these sizes, as many as are given, in the order of the lists."""
    first = sizes_mm[:_INDEXED]
    near = _by_wholes(len(first)).get((family, *map(_whole, first)), ())
    found = []
    for size in near:
        for own, wanted in zip(size.dimensions_mm, sizes_mm, strict=False):
            if not -NEAR_MM <= own - wanted <= NEAR_MM:
                break
        else:
            found.append(size)
    return found


def apart_mm(size: SealSize, sizes_mm: Sequence[float]) -> float:
    """The largest difference of a listed part from sizes, mm."""
    return max([abs(a - b) for a, b in zip(size.dimensions_mm, sizes_mm, strict=False)])


def most_met(family: str, sizes_mm: Sequence[float], kind: str) -> SealSize | None:
    """The commonest listed part of these sizes, of the kind given, if any."""
    found = listed_near(family, sizes_mm)
    own = [size for size in found if size.kind == kind] or found
    return max(own, key=lambda size: (-round(apart_mm(size, sizes_mm), 2), size.share), default=None)


@lru_cache
def e_rings() -> tuple[SealSize, ...]:
    """Rings that are pushed on from the side: they are called by their groove."""
    return tuple(size for size in sizes_of_family("retaining_ring") if size.kind == "e_ring")
