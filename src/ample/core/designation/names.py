"""Basic designations as they are written in different markets, and the sizes they stand for."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from functools import lru_cache

from ample.core.designation.bore_code import bore_of_code
from ample.core.errors import BadInput
from ample.core.sizes import INCH_MM
from ample.core.standards import BoundarySize, Series, bearing_series, bearing_sizes

Piece = tuple[int, str, str, str]
_THIN = re.compile(r"6(18|19)(\d\d)")
_THIN_MINI = re.compile(r"6([89])(\d)")
_NEEDLE_CODE = re.compile(r"(HK|BK|AXK|AS|LS)(\d\d)(\d{2,3})")
_NEEDLE_SIZE = re.compile(r"(NKI?)(\d+)/(\d+)")
_CAGE = re.compile(r"(K)(\d+)X(\d+)X(\d+)")
_SPHERICAL = re.compile(r"(GE)(\d+)([A-Z]{0,2})")
_JOINT = re.compile(r"(UJ|U-JOINT|CROSS)(\d+(?:\.\d+)?)(X\d+(?:\.\d+)?)?")
_SIXTEENTHS = re.compile(r"(SCE)(\d{1,2}?)(\d{1,2})")
_ISO355 = re.compile(r"(T)(\d)([A-G])([A-E])(\d{3})")
_INSERT_INCH = re.compile(r"(UC2)(\d\d)(-\d+)")
_HOUSED = re.compile(r"(UC|UK|SB|SA|HC)(PA|PH|P|FL|FC|F|T|C)([23]\d\d)(-\d+)?")
SPECIAL_BORE = "62sb"  # metric outside and width, bored to another shaft
_SPECIAL = re.compile(r"(6[23]\d\d)(-.+)")
SIXTEENTH_MM = INCH_MM / 16
HOUSED = ("UC2", "UC3", "UK2", "SB2", "SA2", "HC2")
_HOUSINGS = {
    "P": "pillow block", "PA": "tapped-base pillow block", "PH": "high pillow block", "F": "four-bolt flange",
    "FL": "two-bolt flange", "FC": "round flange", "T": "take-up unit", "C": "cartridge unit",
}  # fmt: skip
_BORE = re.compile(r"/\d{1,3}(?:\.\d)?|\d\d|\d(?!\d)")


@dataclass(frozen=True, slots=True)
class KnownName:
    """A way of writing a basic designation, as it is compared, and the size it stands for."""

    text: str
    size: BoundarySize
    share: float


@lru_cache
def known_names() -> dict[str, KnownName]:
    """Every way of writing a basic designation that is held, canonical and other markets' forms.

    Names are compared in capitals and without spaces; dashes count only where they tell sizes apart.
    """
    shares = {name: series.share for name, series in bearing_series().items()}
    names: dict[str, KnownName] = {}
    for size in bearing_sizes():
        text = size.designation.upper()
        names[text] = KnownName(text, size, shares[size.series])
    for size in bearing_sizes():
        for text in _other_forms(size):
            names.setdefault(text, KnownName(text, size, shares[size.series]))
    return names


@lru_cache
def longest_by_first() -> dict[str, int]:
    """The length of the longest known name by first character."""
    found: dict[str, int] = {}
    for text in known_names():
        found[text[0]] = max(found.get(text[0], 0), len(text))
    return found


@lru_cache
def lengths_by_beginning() -> dict[str, tuple[int, ...]]:
    """The lengths that known names have, longest first, by their first three characters; by two of the shortest."""
    found: dict[str, set[int]] = {}
    for text in known_names():
        found.setdefault(text[:3], set()).add(len(text))
    for short in [beginning for beginning in found if len(beginning) < 3]:
        for beginning, own in found.items():
            if beginning.startswith(short):
                own.add(len(short))
    return {beginning: tuple(sorted(own, reverse=True)) for beginning, own in found.items()}


@lru_cache
def names_by_first() -> dict[str, str]:
    """All known names as one text, a name a line, by first character; all together under ``."""
    lines: dict[str, list[str]] = {"": []}
    for text in known_names():
        lines.setdefault(text[0], []).append(text)
        lines[""].append(text)
    return {first: "\n" + "\n".join(found) + "\n" for first, found in lines.items()}


_NO_BORE_CODE = ("UC2", "UC3", "SB2", "LR2", "LR52", "UK2", "SA2", "HC2", "16")


@lru_cache
def series_by_beginning() -> dict[str, tuple[tuple[str, Series], ...]]:
    """Series that take a bore code, longest first, by the first two characters written (or the only one)."""
    taking = [series for series in bearing_series().values()
              if re.fullmatch(r"[A-Z]{0,3}\d{1,3}", series.name) and series.name not in _NO_BORE_CODE]  # fmt: skip
    found: dict[str, list[tuple[str, Series]]] = {}
    for series in sorted(taking, key=lambda each: -len(each.name)):
        found.setdefault(series.name[:2], []).append((series.name, series))
    return {beginning: tuple(own) for beginning, own in found.items()}


def _other_forms(size: BoundarySize) -> Iterator[str]:
    """6805 for 61805, 619/8 for 698, 5205 for 3205, LM11949/10, K202413, SL1830 for NCF30, HK 25x32x16."""
    name = size.designation.upper()
    if size.also:
        yield size.also.upper()
    thin = _THIN.fullmatch(name)
    if size.series in ("618", "619") and thin:
        yield f"6{thin.group(1)[1]}{thin.group(2)}"
    if size.series in ("68", "69") and _THIN_MINI.match(name):
        yield f"61{name[1]}/{size.d_mm:g}"
    if size.series in ("60", "62", "63") and name.endswith("X"):
        yield f"{size.series}/{size.d_mm:g}"
    if size.kind == "double_row_angular":
        yield f"5{name[1:]}"
    if size.series in ("718", "719"):
        yield f"7{name[2:]}" if len(name) == 5 else name
    if size.kind == "spherical_plain":
        yield from (f"GE{size.d_mm:g}{each}" for each in ("", "E", "ES", "DO"))
    if size.kind == "joint_cross":
        yield from (name.replace("UJ", word) for word in ("U-JOINT", "CROSS"))
    if size.kind == "needle_cage":
        yield name.replace("X", "")
    if size.kind in ("drawn_cup", "needle_no_ring") and size.series in ("HK", "NK"):
        yield f"{size.series}{size.d_mm:g}X{size.D_mm:g}X{size.C_mm:g}"
    if size.series in ("NCF30", "NCF22"):
        yield f"SL18{name[3:]}"
    if size.series == "NNF50":
        yield f"SL04{name[3:]}"
    if size.series == SPECIAL_BORE:
        base, _, bore = name.partition("-")
        yield f"{base}-{bore.replace('-', '')}"
        sixteenths = size.d_mm / SIXTEENTH_MM
        if abs(sixteenths - round(sixteenths)) < 1e-6:
            yield f"{base}-{round(sixteenths)}"
    if size.kind == "insert" and size.series in HOUSED:
        yield from (name.replace(size.series[:2], f"{size.series[:2]}{each}", 1) for each in _HOUSINGS)
    if size.kind in ("metric_cone", "metric_cup"):
        yield name.replace(" ", "")
    if size.kind == "inch_taper":
        yield name.replace("/", "")
        yield from _short_pairs(*name.split("/"))


def _short_pairs(cone: str, cup: str) -> Iterator[str]:
    """A cone with what differs in its cup: LM11949/910, L44649+L44610, 02474+20."""
    yield f"{cone}+{cup}"
    bare = cup.lstrip("ABCDEFGHJLMNPTX")
    for length in (2, 3):
        if len(bare) > length and cone.startswith(cup[:-length]):
            yield from (f"{cone}{sign}{cup[-length:]}" for sign in "/+-")
    if len(bare) > 3:
        yield f"{cone}/{cup[-3:]}"
        yield f"{cone}{cup[-3:]}"


@lru_cache(maxsize=8192)
def pieces_of(text: str) -> tuple[Piece, ...]:
    """What the pieces of a known name say: length, meaning, attribute, value."""
    size = known_names()[text].size
    for pattern, said in _SPELLED:
        found = pattern.fullmatch(text)
        if found:
            return said(found, size)
    if size.kind == "inch_taper":
        return _cone_and_cup(text, size)
    words = bearing_series()[size.series].words
    if size.series in ("inch_cone", "inch_cup", "metric_cone", "metric_cup", "thin", "SCE"):
        return ((len(text), f"{words}, {_size_words(size)}", "series", size.series),)
    split = _series_length(text, size)
    return (
        (split, words, "series", size.series),
        (len(text) - split, f"{_inside_word(size)} {size.d_mm:g} mm", "d_mm", f"{size.d_mm:g}"),
    )


def _cage_sizes(found: re.Match[str], size: BoundarySize) -> tuple[Piece, ...]:
    said = ("under the needles {:g} mm", "over the needles {:g} mm", "width {:g} mm")
    return _sizes_said(found, size, said, ("d_mm", "D_mm", "C_mm"))


def _needle_sizes(found: re.Match[str], size: BoundarySize) -> tuple[Piece, ...]:
    return _sizes_said(found, size, ("{:g} mm", "width {:g} mm"), ("d_mm", "C_mm"))


def _sizes_said(
    found: re.Match[str], size: BoundarySize, said: tuple[str, ...], attributes: tuple[str, ...]
) -> tuple[Piece, ...]:
    """Sizes written out with a stroke or a multiplication sign between them."""
    words = bearing_series()[size.series].words
    pieces: list[Piece] = [(len(found.group(1)), words, "series", found.group(1))]
    for place, (text, attribute) in enumerate(zip(said, attributes, strict=True)):
        figure = found.group(place + 2)
        pieces.append((
            len(figure) + (place > 0), text.format(float(figure)), attribute, f"{float(figure):g}",
        ))  # fmt: skip
    return tuple(pieces)


def _needle_code(found: re.Match[str], size: BoundarySize) -> tuple[Piece, ...]:
    """A needle bearing by two figures: HK2020 inside and width, NK25/20 inside and outside."""
    letters, inside, figure = found.group(1, 2, 3)
    second, attribute = ("width", "C_mm") if letters in ("HK", "BK") else ("outside", "D_mm")
    value = f"{float(figure):g}"
    return (
        (len(letters), bearing_series()[size.series].words, "series", size.series),
        (2, f"{_inside_word(size)} {float(inside):g} mm", "d_mm", f"{size.d_mm:g}"),
        (len(figure), f"{second} {value} mm", attribute, value),
    )


def _iso355(found: re.Match[str], size: BoundarySize) -> tuple[Piece, ...]:
    return (
        (1, "tapered roller bearing of ISO 355", "series", size.series),
        (1, f"angle series {found.group(2)}", "note", "angle_series"),
        (1, f"diameter series {found.group(3)}", "note", "diameter_series"),
        (1, f"width series {found.group(4)}", "note", "width_series"),
        (3, f"bore {size.d_mm:g} mm", "d_mm", f"{size.d_mm:g}"),
    )


def _insert_in_inches(found: re.Match[str], size: BoundarySize) -> tuple[Piece, ...]:
    sixteenths = found.group(3)
    return (
        (3, bearing_series()[size.series].words, "series", size.series),
        (2, f"outside {size.D_mm:g} mm", "D_mm", f"{size.D_mm:g}"),
        (len(sixteenths), f"bore {sixteenths[1:]}/16 in", "d_mm", f"{size.d_mm:g}"),
    )


def _cone_and_cup(text: str, size: BoundarySize) -> tuple[Piece, ...]:
    cone = len(size.designation.partition("/")[0])
    return (
        (cone, f"cone, bore {size.d_mm:g} mm", "series", size.series),
        (len(text) - cone, f"cup, outside {size.D_mm:g} mm", "D_mm", f"{size.D_mm:g}"),
    )


def _housed(found: re.Match[str], size: BoundarySize) -> tuple[Piece, ...]:
    """An insert in its housing: the letters between say which; the housing itself is ordered by the whole mark."""
    letters, housing, number, bore = found.groups()
    said = [
        (len(letters), bearing_series()[size.series].words, "series", size.series),
        (len(housing), f"in a {_HOUSINGS[housing]}", "extra", f"housing_{housing.lower()}"),
        (len(number), f"outside {size.D_mm:g} mm", "D_mm", f"{size.D_mm:g}"),
    ]
    if bore:
        said.append((len(bore), f"bore {bore[1:]}/16 in", "d_mm", f"{size.d_mm:g}"))
    return tuple(said)


def _spherical(found: re.Match[str], size: BoundarySize) -> tuple[Piece, ...]:
    """GE25ES: the bore, and what slides on what."""
    letters, bore, faces = found.groups()
    said = [
        (len(letters), bearing_series()[size.series].words, "series", size.series),
        (len(bore), f"bore {size.d_mm:g} mm", "d_mm", f"{size.d_mm:g}"),
    ]
    if faces:
        said.append((len(faces), "steel on steel: it has to be greased", "note", "steel_on_steel"))
    return tuple(said)


def _joint(found: re.Match[str], size: BoundarySize) -> tuple[Piece, ...]:
    """UJ27x74.6: the caps, and the length over two of them; UJ1310: a series of drive shafts."""
    letters, first, second = found.groups()
    words = bearing_series()[size.series].words
    if not second:
        sizes = f"caps {size.D_mm:g} mm, {size.C_mm:g} mm over two"
        return (len(letters), words, "series", size.series), (len(first), sizes, "D_mm", f"{size.D_mm:g}")
    return (
        (len(letters), words, "series", size.series),
        (len(first), f"outside of a cap {size.D_mm:g} mm", "D_mm", f"{size.D_mm:g}"),
        (len(second), f"over two caps {size.C_mm:g} mm", "C_mm", f"{size.C_mm:g}"),
    )


def _special_bore(found: re.Match[str], size: BoundarySize) -> tuple[Piece, ...]:
    base, bore = found.groups()
    return (
        (len(base), f"outside and width of a {base}", "series", size.series),
        (len(bore), f"special bore {size.d_mm:g} mm", "bore", "special"),
    )


# Names that spell their sizes out, and what their pieces say.
_SPELLED: tuple[tuple[re.Pattern[str], Callable[[re.Match[str], BoundarySize], tuple[Piece, ...]]], ...] = (
    (_CAGE, _cage_sizes),
    (_HOUSED, _housed),
    (_SPECIAL, _special_bore),
    (_SPHERICAL, _spherical),
    (_JOINT, _joint),
    (_NEEDLE_SIZE, _needle_sizes),
    (_NEEDLE_CODE, _needle_code),
    (_ISO355, _iso355),
    (_INSERT_INCH, _insert_in_inches),
)


def _inside_word(size: BoundarySize) -> str:
    if size.kind in ("drawn_cup", "drawn_cup_closed", "needle_no_ring", "needle_thrust", "needle_cage"):
        return "under the needles"
    return "stud" if size.kind == "track_roller_stud" else "bore"


def _size_words(size: BoundarySize) -> str:
    if size.kind in ("inch_cone", "metric_cone"):
        return f"bore {size.d_mm:g} mm"
    if size.kind in ("inch_cup", "metric_cup"):
        return f"outside {size.D_mm:g} mm"
    return f"{size.d_mm:g} x {size.D_mm:g} x {size.B_open_mm:g} mm"


def _series_length(text: str, size: BoundarySize) -> int:
    """Where the bore code begins: a stroke, the last two digits, or the last digit."""
    stroke = text.find("/")
    if stroke > 0:
        return stroke
    if text.startswith("R") and size.series == "R":
        return 1
    digits = re.search(r"\d+[A-Z]?$", text)
    if digits is None:
        return len(text)
    own = size.series
    if text.startswith(own) and len(text) > len(own):
        return len(own)
    code = 1 if size.d_mm < 10 and not text[-2:].startswith("0") else 2
    return max(len(text) - code, 1)


def bore_after(text: str, at: int) -> tuple[float, int] | None:
    """The bore that a bore code at this place gives, and where it ends; None when there is none."""
    found = _BORE.match(text, at)
    if not found or (len(found.group()) == 1):
        return None
    try:
        return bore_of_code(found.group()), found.end()
    except BadInput:
        return None
