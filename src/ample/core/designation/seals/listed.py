"""The listed seals, rings and small parts by name and by size."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache

from ample.core.standards import SealSize, seal_sizes, sizes_of_family

NEAR_MM = 0.06


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


def _wholes(size_mm: float) -> set[int]:
    return {int(size_mm - NEAR_MM), int(size_mm + NEAR_MM)}


@lru_cache
def _by_first() -> dict[tuple[str, int], list[SealSize]]:
    """Listed sizes by family and whole millimetre of their first dimension."""
    found: dict[tuple[str, int], list[SealSize]] = {}
    for size in seal_sizes():
        for whole in _wholes(size.dimensions_mm[0]):
            found.setdefault((size.family, whole), []).append(size)
    return found


@lru_cache
def _by_two() -> dict[tuple[str, int, int], list[SealSize]]:
    """The same by the first two dimensions."""
    found: dict[tuple[str, int, int], list[SealSize]] = {}
    for size in seal_sizes():
        for first in _wholes(size.dimensions_mm[0]):
            for second in _wholes(size.dimensions_mm[1]):
                found.setdefault((size.family, first, second), []).append(size)
    return found


def listed_near(family: str, sizes_mm: Sequence[float]) -> list[SealSize]:
    """Listed parts of these sizes, as many as are given, in the order of the lists."""
    near: Sequence[SealSize]
    if len(sizes_mm) > 1:
        near = _by_two().get((family, int(sizes_mm[0]), int(sizes_mm[1])), ())
    else:
        near = _by_first().get((family, int(sizes_mm[0])), ())
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
