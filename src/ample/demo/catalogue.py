"""Some 15,000 listed parts of three invented makers, made by rule from the standard sizes."""

from __future__ import annotations

import zlib
from collections.abc import Iterator
from decimal import Decimal
from pathlib import Path
from typing import Any

from ample.core.designation import Dialect, encode, read_dialect
from ample.core.errors import BadInput
from ample.core.parts import CLOSURES, BearingSpec
from ample.core.standards import ball_bearing_sizes
from ample.core.tables import read_table

MAKERS = ("Oldwick", "Tarnfell", "Sevenmill")
_EXTRA = {
    "open": Decimal("1.00"), "shield_one": Decimal("1.04"), "shield_two": Decimal("1.08"),
    "low_friction_one": Decimal("1.12"), "low_friction_two": Decimal("1.20"),
    "seal_one": Decimal("1.10"), "seal_two": Decimal("1.16"),
}  # fmt: skip
_MAKER_LEVEL = {"Oldwick": Decimal("1.15"), "Tarnfell": Decimal("1.00"), "Sevenmill": Decimal("0.82")}


def dialect_rows(maker: str) -> tuple[dict[str, str], ...]:
    """The codes of a maker of the demo."""
    return read_table(Path(__file__).with_name("dialects") / f"{maker.lower()}.csv").rows


def specs() -> Iterator[BearingSpec]:
    """What the makers make: closures, clearances and classes that go together."""
    for size in ball_bearing_sizes():
        for closure in CLOSURES:
            width = size.width_mm(closure != "open")
            small = size.d_mm <= 200 or closure == "open"
            if width is None or not small:
                continue
            grades = [("N", "Normal"), ("3", "Normal")]
            if closure in ("open", "shield_two"):
                grades.append(("N", "6"))
            if closure == "open" and size.d_mm <= 100:
                grades.append(("N", "5"))
            for clearance, tolerance_class in grades:
                yield BearingSpec(
                    size.designation, size.series, size.d_mm, size.D_mm, width,
                    closure, clearance, tolerance_class,
                )  # fmt: skip


def items_of(maker: str) -> list[dict[str, Any]]:
    """The rows of a maker; each leaves some out, by rule."""
    dialect = read_dialect(maker, dialect_rows(maker))
    rows = []
    for spec in specs():
        marking = _marking(spec, dialect)
        if marking is None or _number(maker, marking) % 20 == 0:
            continue
        held = _stock(maker, spec, marking)
        rows.append(
            {
                "marking": marking, "designation": spec.designation, "series": spec.series,
                "d_mm": round(spec.d_mm, 6), "D_mm": round(spec.D_mm, 6), "B_mm": round(spec.B_mm, 6),
                "closure": spec.closure, "clearance": spec.clearance,
                "tolerance_class": spec.tolerance_class, "stock_quantity": held,
                "stock_place": f"bin {_number('bin', marking) % 40 + 1}" if held else "",
            }
        )  # fmt: skip
    return rows


def _marking(spec: BearingSpec, dialect: Dialect) -> str | None:
    try:
        return encode(spec, dialect)
    except BadInput:
        return None


def _number(*parts: str) -> int:
    """A number that is the same in every run, for rules that should look uneven."""
    return zlib.crc32("|".join(parts).encode())


def _stock(maker: str, spec: BearingSpec, marking: str) -> int:
    common = spec.series in ("60", "62", "63") and 8 <= spec.d_mm <= 40
    shelf = common and spec.tolerance_class == "Normal" and spec.closure in ("shield_two", "seal_two", "open")
    return _number("stock", maker, marking) % 7 if shelf and _number(marking, maker) % 3 == 0 else 0


def price(maker: str, row: dict[str, Any]) -> Decimal:
    """A made-up price: by ring volume, closure, class and maker."""
    volume = row["B_mm"] * (row["D_mm"] ** 2 - row["d_mm"] ** 2) / 1000
    base = Decimal(str(round(1.6 + 0.16 * volume**0.82, 2)))
    grade = {"Normal": Decimal("1.0"), "6": Decimal("1.6"), "5": Decimal("2.7")}
    wider = Decimal("1.05") if row["clearance"] != "N" else Decimal(1)
    full = base * _EXTRA[row["closure"]] * grade[row["tolerance_class"]] * wider * _MAKER_LEVEL[maker]
    return full.quantize(Decimal("0.01"))


def offers(maker: str, row: dict[str, Any], item_id: int) -> dict[str, dict[str, Any]]:
    """Who offers a row, at what price and how soon."""
    number = _number("offer", maker, row["marking"])
    full = price(maker, row)
    found = {}
    if number % 10 < 8:
        found["Lowgate Factors"] = {"item_id": item_id, "price": full, "lead_days": 1 + number % 3}
    if number % 10 > 3:
        less = (full * Decimal("0.93")).quantize(Decimal("0.01"))
        found["Quayside Transmission"] = {"item_id": item_id, "price": less, "lead_days": 4 + number % 8}
    return found
