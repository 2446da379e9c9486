"""What a machine shop needs to bring a rejected seat back: a drawing to scale with the sizes to work to, and notes."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from ample.core.errors import BadInput
from ample.core.fits import SeatCheck
from ample.core.fits.judging.repair import RepairWay

Layer = Literal["outline", "hidden", "centre", "dimension", "hatch"]
Point = tuple[float, float]
FINISH_RA_UM = {"shaft": 0.8, "housing": 1.6}
SHOULDER, STUB = 1.25, 0.82  # beside the seat, of its diameter
DRAWN = ("sleeve", "build_up", "grind", "replace")


@dataclass(frozen=True)
class Stroke:
    """A line through points, mm on the part, on a layer."""

    layer: Layer
    points: tuple[Point, ...]


@dataclass(frozen=True)
class Lettering:
    """A text at a point, its height in mm on the part; turned by degrees."""

    at: Point
    text: str
    height: float
    turned: float = 0.0


@dataclass(frozen=True)
class ShopSheet:
    """A drawing with its notes: everything in mm at 1:1, x along the part, y across it."""

    title: str
    way: str
    strokes: tuple[Stroke, ...]
    letterings: tuple[Lettering, ...]
    notes: tuple[str, ...]
    box: tuple[float, float, float, float]


def shop_sheet(check: SeatCheck, width_mm: float, title: str, way: str = "") -> ShopSheet:
    """The machine-shop sheet of a seat that is to be repaired.

    Formula: none; the seat as long as its ring is wide, a shoulder and a stub beside it; a housing as a cut block.

    Args:
        check: The seat as it was judged.
        width_mm: Width of the ring, mm.
        title: What the part is.
        way: The way back to draw: `sleeve`, `build_up`, `grind` or `replace`; the best of them when empty.

    Returns:
        The drawing and its notes.

    Raises:
        BadInput: When the seat is not rejected, or the way is none of its ways.

    Source: common practice; the machine shop decides.

    Example:
        >>> from ample.core.fits import MeasuredSeat, check_seat
        >>> from ample.core.parts import BearingSpec
        >>> from ample.core.sizes import default_instrument
        >>> seat = MeasuredSeat("shaft", BearingSpec("6205", "62", 25, 52, 15), [[24.9]], default_instrument("micrometer"))
        >>> shop_sheet(check_seat(seat), 15, "shaft").way
        'sleeve'
    """
    open_ways = [each for each in check.repair_ways if each.suits and each.way in DRAWN]
    if not open_ways:
        raise BadInput("nothing_to_repair", "This seat is not rejected: there is nothing to machine.", "side")
    chosen = next((each for each in open_ways if each.way == way), None) if way else open_ways[0]
    if chosen is None:
        raise BadInput(
            "no_such_way",
            f"“{way[:20]}” is not open for this seat.",
            "way",
            f"One of {', '.join(each.way for each in open_ways)}.",
        )
    d, length = check.nominal_mm, width_mm
    drawn = _shaft(d, length, chosen) if check.part == "shaft" else _housing(d, length, chosen)
    strokes, letterings, box = drawn
    return ShopSheet(
        title, chosen.way, tuple(strokes), tuple(letterings), _notes(check, chosen, width_mm), box
    )


def _size(way: RepairWay) -> str:
    return f"Ø{way.sizes_mm['from']:.3f} / {way.sizes_mm['to']:.3f}"


def _notes(check: SeatCheck, way: RepairWay, width_mm: float) -> tuple[str, ...]:
    sizes = way.sizes_mm
    found = f"Found: mean {check.mean_mm:.3f} mm, U = ±{check.expanded_uncertainty_um:.1f} µm; {check.form}."
    first = {
        "sleeve": f"1. {'Turn' if check.part == 'shaft' else 'Bore'} to Ø{sizes.get('machine_to', 0):.2f}; fit a sleeve, wall {sizes.get('wall', 0):.1f} mm, pressed or shrunk on.",
        "build_up": f"1. Undercut to Ø{sizes.get('machine_to', 0):.2f}; build up by plating, spraying or welding.",
        "grind": "1. Take off to size.",
        "replace": "1. Make new.",
    }[way.way]
    return (
        found,
        first,
        f"2. Finish the seat to {_size(way)} mm ({way.zone or check.zone}) over {width_mm:g} mm at least.",
        f"Cylindricity {check.cylindricity_limit_um / 1000:.4f} mm, Ra {FINISH_RA_UM[check.part]:g} µm; square to the shoulder; edges broken.",
        "The machine shop decides on the way; report the sizes reached.",
    )


def _dimension(
    x: float, low: float, high: float, text: str, height: float
) -> tuple[list[Stroke], list[Lettering]]:
    """A dimension across the part at x, with its text beside it, turned along."""
    tick = height * 0.5
    strokes = [
        Stroke("dimension", ((x, low), (x, high))),
        *(Stroke("dimension", ((x - tick, y - tick), (x + tick, y + tick))) for y in (low, high)),
    ]
    return strokes, [Lettering((x - height * 0.6, (low + high) / 2), text, height, 90.0)]


def _along(length: float, y: float, height: float) -> list[Stroke]:
    """A dimension along the part."""
    tick = height * 0.5
    ends = [Stroke("dimension", ((x - tick, y - tick), (x + tick, y + tick))) for x in (0.0, length)]
    return [Stroke("dimension", ((0.0, y), (length, y))), *ends]


def _shaft(
    d: float, length: float, way: RepairWay
) -> tuple[list[Stroke], list[Lettering], tuple[float, float, float, float]]:
    left, right = -0.6 * d, length + 0.7 * d
    r, big, small = d / 2, SHOULDER * d / 2, STUB * d / 2
    height = max(d * 0.06, 2.0)
    outline: list[Point] = [(left, big), (0, big), (0, r), (length, r), (length, small), (right, small)]
    strokes = [
        Stroke("outline", tuple(outline)),
        Stroke("outline", tuple((x, -y) for x, y in outline)),
        *(
            Stroke("outline", ((x, -y), (x, y)))
            for x, y in ((left, big), (0.0, big), (length, r), (right, small))
        ),
        Stroke("centre", ((left - 0.1 * d, 0.0), (right + 0.1 * d, 0.0))),
    ]
    under = way.sizes_mm.get("machine_to")
    if under:
        strokes += [
            Stroke("hidden", ((0.0, side * under / 2), (length, side * under / 2))) for side in (1, -1)
        ]
    at = right + 0.2 * d
    finish, texts = _dimension(at, -r, r, _size(way), height)
    strokes += [
        *finish,
        *(Stroke("dimension", ((length, side * r), (at + height, side * r))) for side in (1, -1)),
    ]
    if under:
        first, more = _dimension(-0.28 * d, -under / 2, under / 2, f"Ø{under:.2f}", height)
        strokes += first
        texts += more
    strokes += _along(length, -big - 2 * height, height)
    texts.append(Lettering((length / 2, -big - 4 * height), f"{length:g}", height))
    return strokes, texts, (left - 0.15 * d, -big - 6 * height, right + 0.3 * d, big + 2 * height)


def _housing(
    d: float, length: float, way: RepairWay
) -> tuple[list[Stroke], list[Lettering], tuple[float, float, float, float]]:
    r, outer = d / 2, 0.75 * d
    height = max(d * 0.05, 2.0)
    strokes: list[Stroke] = []
    for side in (1, -1):
        block = (
            (0.0, side * r),
            (length, side * r),
            (length, side * outer),
            (0.0, side * outer),
            (0.0, side * r),
        )
        strokes.append(Stroke("outline", block))
        step = max((outer - r) / 4, 1.0)
        count = int((length + outer - r) / step)
        for line in range(1, count):
            x0, x1 = line * step - (outer - r), line * step
            low, high = max(x0, 0.0), min(x1, length)
            if high > low:
                strokes.append(
                    Stroke("hatch", ((low, side * (r + low - x0)), (high, side * (r + high - x0))))
                )
    strokes.append(Stroke("centre", ((-0.15 * d, 0.0), (length + 0.3 * d, 0.0))))
    at = length + 0.18 * d
    finish, texts = _dimension(at, -r, r, _size(way), height)
    strokes += [
        *finish,
        *(Stroke("dimension", ((length, side * r), (at + height, side * r))) for side in (1, -1)),
    ]
    under = way.sizes_mm.get("machine_to")
    if under:
        strokes += [
            Stroke("hidden", ((0.0, side * under / 2), (length, side * under / 2))) for side in (1, -1)
        ]
        first, more = _dimension(-0.1 * d, -under / 2, under / 2, f"Ø{under:.2f}", height)
        strokes += first
        texts += more
    strokes += _along(length, -outer - 1.5 * height, height)
    texts.append(Lettering((length / 2, -outer - 3.5 * height), f"{length:g}", height))
    return strokes, texts, (-0.3 * d, -outer - 5 * height, length + 0.35 * d, outer + height)
