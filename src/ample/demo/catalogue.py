"""Some 40,000 listed parts of three invented makers, made by rule from the standard sizes."""

from __future__ import annotations

import json
import zlib
from collections.abc import Iterable, Iterator
from decimal import Decimal
from pathlib import Path
from typing import Any

from ample.core.designation import Dialect, encode, encode_seal, read_dialect
from ample.core.errors import BadInput
from ample.core.parts import CLOSURES, BearingSpec, SealSpec, bearing_kinds
from ample.core.standards import BoundarySize, ball_bearing_sizes, bearing_sizes, seal_sizes
from ample.core.tables import read_table
from ample.shop.catalogue.columns import columns_of

MAKERS = ("Oldwick", "Tarnfell", "Sevenmill")
_EXTRA = {
    "open": Decimal("1.00"), "shield_one": Decimal("1.04"), "shield_two": Decimal("1.08"),
    "low_friction_one": Decimal("1.12"), "low_friction_two": Decimal("1.20"),
    "seal_one": Decimal("1.10"), "seal_two": Decimal("1.16"),
}  # fmt: skip
_KIND_LEVEL = {
    "spherical_roller": Decimal("2.4"), "angular_contact": Decimal("1.8"), "taper": Decimal("1.3"),
    "double_row_cylindrical": Decimal("4.5"), "cylindrical_nu": Decimal("1.9"), "cylindrical_nj": Decimal("1.9"),
    "self_aligning": Decimal("1.7"), "four_point": Decimal("2.6"), "track_roller_yoke": Decimal("2.8"),
    "thin_section": Decimal("6.0"), "spherical_thrust": Decimal("2.5"),
}  # fmt: skip
_MAKER_LEVEL = {"Oldwick": Decimal("1.15"), "Tarnfell": Decimal("1.00"), "Sevenmill": Decimal("0.82")}


def dialect_rows(maker: str) -> tuple[dict[str, str], ...]:
    """The codes of a maker of the demo."""
    return read_table(Path(__file__).with_name("dialects") / f"{maker.lower()}.csv").rows


def specs() -> Iterator[BearingSpec]:
    """What the makers make: closures, clearances, classes, cages and angles that go together."""
    metric = ball_bearing_sizes()
    for size in metric:
        yield from _deep_groove(size, CLOSURES)
    for size in bearing_sizes():
        if size.kind != "deep_groove":
            yield from _other(size)
    held = {size.designation for size in metric}
    for size in bearing_sizes():
        if size.kind == "deep_groove" and size.designation not in held:
            yield from _deep_groove(size, ("open", "shield_two", "seal_two"), finer=False)


_TAPER_BORES = ("spherical_roller", "self_aligning", "double_row_cylindrical")
_ANGLES = {
    "70": ("15", "25"),
    "718": ("15", "25"),
    "719": ("15", "25"),
    "72": ("40", "30"),
    "73": ("40",),
    "74": ("40",),
}
_CAGES = {"cylindrical_nu": "polyamide", "cylindrical_nj": "polyamide", "cylindrical_nup": "polyamide",
          "four_point": "brass_machined", "angular_contact": "polyamide"}  # fmt: skip


def _other(size: BoundarySize) -> Iterator[BearingSpec]:
    kind = bearing_kinds()[size.kind]
    closures = ["open"] if size.B_open_mm else []
    if size.B_closed_mm and kind.closable and size.d_mm <= 60:
        closures.append("seal_two")
    bores = ["cylindrical"]
    if size.kind in _TAPER_BORES and size.d_mm >= 20:
        bores.append("taper_1_30" if size.series in ("240", "241") else "taper_1_12")
    clearances = ("N", "3") if kind.clearance and size.d_mm <= 200 else ("N",)
    cages = ("standard", _CAGES[size.kind]) if size.kind in _CAGES and size.d_mm <= 150 else ("standard",)
    for closure in closures:
        for bore_shape in bores if closure == "open" else ("cylindrical",):
            for clearance in clearances:
                for cage in cages:
                    for angle in _ANGLES.get(size.series, ("",)):
                        yield BearingSpec(
                            size.designation, size.series, size.d_mm, size.D_mm,
                            size.width_mm(closure != "open") or 0.0, closure, clearance,
                            "4" if angle in ("15", "25") else "Normal", cage, "none", bore_shape, (),
                            size.kind, size.T_mm, size.C_mm, angle,
                        )  # fmt: skip


def _deep_groove(size: BoundarySize, closures: Iterable[str], finer: bool = True) -> Iterator[BearingSpec]:
    """A size as it is made: every closure with two clearances, some also in finer classes."""
    for closure in closures:
        width = size.width_mm(closure != "open")
        small = size.d_mm <= 200 or closure == "open"
        if width is None or not small:
            continue
        grades = [("N", "Normal"), ("3", "Normal")]
        if finer and closure in ("open", "shield_two"):
            grades.append(("N", "6"))
        if finer and closure == "open" and size.d_mm <= 100:
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
        place = f"bin {_number('bin', marking) % 40 + 1}" if held else ""
        rows.append(columns_of(spec) | {"marking": marking, "stock_quantity": held, "stock_place": place})
    return rows


def _marking(spec: BearingSpec, dialect: Dialect) -> str | None:
    try:
        return encode(spec, dialect)
    except BadInput:
        return None


def _number(*parts: str) -> int:
    """A number that is the same in every run, for rules that should look uneven."""
    return zlib.crc32("|".join(parts).encode())


_COMMON = ("60", "62", "63", "72", "32", "222", "302", "320", "inch_taper", "511", "HK", "NU2", "UC2", "12")


def _stock(maker: str, spec: BearingSpec, marking: str) -> int:
    common = spec.series in _COMMON and 8 <= spec.d_mm <= 40
    shelf = common and spec.tolerance_class == "Normal" and spec.closure in ("shield_two", "seal_two", "open")
    return _number("stock", maker, marking) % 7 if shelf and _number(marking, maker) % 3 == 0 else 0


def price(maker: str, row: dict[str, Any]) -> Decimal:
    """A made-up price: by ring volume, closure, class and maker."""
    width = row["size_4_mm"] or row["size_3_mm"]
    volume = width * abs(row["size_2_mm"] ** 2 - row["size_1_mm"] ** 2) / 1000
    base = Decimal(str(round(1.6 + 0.16 * volume**0.82, 2))) * _KIND_LEVEL.get(row["kind"], Decimal(1))
    grade = {"Normal": Decimal("1.0"), "6": Decimal("1.6"), "5": Decimal("2.7"), "4": Decimal("4.2")}
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


# seals, rings and small parts ----------------------------------------------------------------

SEAL_MAKER = "Tarnfell"
_LEAST_SHARE = {"o_ring": 0.02, "lip_seal": 0.1}
_IN_ALL_RUBBERS = {"o_ring": 0.2}
_RUBBERS = {
    "lip_seal": (("NBR",), ("FKM",)),
    "o_ring": (("NBR", "70"), ("FKM", "75"), ("EPDM", "70"), ("NBR", "90")),
    "hydraulic_seal": (("PU", "93"), ("NBR", "85")),
}
_WANTED_KINDS = ("lip_two", "lip_split", "lip_grease", "cassette", "v_ring", "axial_seal", "lip_metal_cased")


def seal_specs() -> Iterator[SealSpec]:
    """What the shop's lists hold of seals, rings and small parts: listed sizes in the usual rubbers."""
    for size in seal_sizes():
        common = size.share >= _LEAST_SHARE.get(size.family, 0.0) or size.kind in _WANTED_KINDS
        if not common:
            continue
        for place, rubber in enumerate(_RUBBERS.get(size.family, ((),))):
            if place and (
                size.share < _IN_ALL_RUBBERS.get(size.family, 0.5)
                or size.kind in ("wiper_cased", "wear_band", "piston_seal")
            ):
                continue
            marked: tuple[tuple[str, str], ...] = tuple(
                zip(("material", "hardness_shore_a"), rubber, strict=False)
            )
            if size.kind.startswith("backup") or size.kind in ("wear_band", "piston_seal"):
                marked = (("material", "PTFE"),)
            yield SealSpec(size.family, size.designation, size.kind, size.dimensions_mm, marked, size.listed)


def seal_items() -> list[dict[str, Any]]:
    """The rows of seals, rings and small parts."""
    rows: dict[str, dict[str, Any]] = {}
    for spec in seal_specs():
        marking = encode_seal(spec, "market" if spec.family == "lip_seal" else "standard")
        held = _number("shelf", marking) % 9 if _number(marking) % 4 == 0 else 0
        place = f"drawer {_number('drawer', marking) % 60 + 1}" if held else ""
        shelf = {"marking": marking, "stock_quantity": held, "stock_place": place}
        rows.setdefault(marking.upper(), columns_of(spec) | shelf)
    return list(rows.values())


_RUBBER_LEVEL = {
    "NBR": Decimal("1"),
    "PU": Decimal("2.2"),
    "FKM": Decimal("4.1"),
    "EPDM": Decimal("1.3"),
    "PTFE": Decimal("3"),
}
_FAMILY_LEVEL = {"o_ring": "0.25", "lip_seal": "1.4", "hydraulic_seal": "2.6", "face_seal": "19", "retaining_ring": "0.2",
                 "washer": "0.15", "key": "0.4"}  # fmt: skip


def seal_price(row: dict[str, Any]) -> Decimal:
    """A made-up price: by size, family and rubber."""
    rubber = json.loads(row["attributes"]).get("material", "NBR")
    level = Decimal(_FAMILY_LEVEL[row["family"]]) * _RUBBER_LEVEL.get(rubber, Decimal(1))
    return (level * (1 + Decimal(str(round(row["size_1_mm"], 2))) / 25)).quantize(Decimal("0.01"))


def seal_offers(row: dict[str, Any], item_id: int) -> dict[str, dict[str, Any]]:
    """Who offers a seal or ring, at what price and how soon."""
    number = _number("offer", row["marking"])
    full = seal_price(row)
    found = {"Fenbank Seals": {"item_id": item_id, "price": full, "lead_days": 1 + number % 4}}
    if number % 3 == 0:
        more = (full * Decimal("1.12")).quantize(Decimal("0.01"))
        found["Lowgate Factors"] = {"item_id": item_id, "price": more, "lead_days": 1}
    return found
