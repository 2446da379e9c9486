"""An order of steps from what must come before what; rules that conflict give way by rank, and that is reported."""

from __future__ import annotations

import heapq
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field

CHAINED = "line_reversed"
Place = tuple[float, ...]


@dataclass(frozen=True)
class OrderedPair:
    """A pair that the order keeps, and the rule that asked for it."""

    before: str
    after: str
    code: str


@dataclass(frozen=True)
class Clash:
    """A pair that cannot be kept: the rule that gives way, and those that conflict with it."""

    before: str
    after: str
    code: str
    against: tuple[str, ...]


@dataclass
class _Graph:
    names: list[str]
    number: dict[str, int] = field(init=False)
    after: list[int] = field(init=False)
    ahead: list[int] = field(init=False)
    edges: list[dict[int, str]] = field(init=False)

    def __post_init__(self) -> None:
        self.number = {name: i for i, name in enumerate(self.names)}
        self.after, self.ahead = [0] * len(self.names), [0] * len(self.names)
        self.edges = [{} for _ in self.names]

    def add(self, a: int, b: int, code: str) -> bool:
        """Put a before b; false when b is before a already."""
        if a == b or self.after[b] >> a & 1:
            return False
        if not self.after[a] >> b & 1:
            below, above = self.after[b] | 1 << b, self.ahead[a] | 1 << a
            for each in _bits(above):
                self.after[each] |= below
            for each in _bits(below):
                self.ahead[each] |= above
            self.edges[a][b] = code
        return True

    def complete(self, row: list[int]) -> None:
        """Put each of a row before those after it, where neither is known."""
        for i in range(len(row) - 2, -1, -1):  # from the end: what lies beyond is known then
            a = row[i]
            for b in row[i + 1 :]:
                if not (self.after[a] >> b & 1 or self.after[b] >> a & 1):
                    self.add(a, b, CHAINED)

    def codes_between(self, a: int, b: int) -> tuple[str, ...]:
        """The rules along a way from a to b."""
        found: list[str] = []
        while a != b:
            a, code = next(
                (to, code) for to, code in self.edges[a].items() if to == b or self.after[to] >> b & 1
            )
            found.append(code)
        return tuple(dict.fromkeys(found))


def _bits(held: int) -> Iterable[int]:
    while held:
        low = held & -held
        yield low.bit_length() - 1
        held ^= low


def ordered(
    places: Mapping[str, Place],
    pairs: Iterable[tuple[str, str, str]],
    quiet: frozenset[str] = frozenset(),
    chains: Iterable[Sequence[str]] = (),
) -> tuple[list[str], list[OrderedPair], list[Clash]]:
    """Order steps so that every pair is kept; of those that are free, the one with the least place comes first.

    Args:
        places: Every step with its place where nothing decides.
        pairs: What comes before what with the rule that says so, the firmest first. A pair that contradicts those before
            it gives way.
        chains: Rows whose steps follow one another as far as nothing speaks against it, also where a neighbour gave way.
        quiet: Rules whose pairs give way without being told as a clash.

    Returns:
        The steps in order, the pairs kept, and the clashes.

    Raises:
        KeyError: When a pair names a step that is not there.

    Source: topological sorting (Kahn 1962).

    Example:
        >>> ordered({"a": (0,), "b": (1,), "c": (2,)}, [("c", "a", "first")])[0]
        ['b', 'c', 'a']
    """
    graph = _Graph(list(places))
    held, clashes = [], []
    for before, after, code in pairs:
        a, b = graph.number[before], graph.number[after]
        if graph.add(a, b, code):
            held.append(OrderedPair(before, after, code))
        elif code not in quiet:
            clashes.append(Clash(before, after, code, graph.codes_between(b, a) if a != b else ()))
    for chain in chains:
        graph.complete([graph.number[each] for each in chain])
    return _sorted(graph, places), held, clashes


def _sorted(graph: _Graph, places: Mapping[str, Place]) -> list[str]:
    waits = [0] * len(graph.names)
    for own in graph.edges:
        for to in own:
            waits[to] += 1
    ready = [(places[graph.names[i]], i) for i, count in enumerate(waits) if not count]
    heapq.heapify(ready)
    found = []
    while ready:
        _, i = heapq.heappop(ready)
        found.append(graph.names[i])
        for to in graph.edges[i]:
            waits[to] -= 1
            if not waits[to]:
                heapq.heappush(ready, (places[graph.names[to]], to))
    return found
