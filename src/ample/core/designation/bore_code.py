"""Bore codes of metric rolling bearings, with their exceptions."""

from __future__ import annotations

from ample.core.errors import BadInput

_FIRST = {"00": 10.0, "01": 12.0, "02": 15.0, "03": 17.0}
_CODE_OF = {bore: code for code, bore in _FIRST.items()}


def bore_of_code(code: str) -> float:
    """The bore that a bore code stands for.

    Formula: 00 = 10, 01 = 12, 02 = 15, 03 = 17 mm; 04 to 96 times 5; a single digit or a
    number after a stroke is the bore in mm itself (608, 62/22, 618/8, /500).

    Args:
        code: Two digits, one digit, or a stroke and a number of mm.

    Returns:
        The bore, mm.

    Raises:
        BadInput: When the code is none of these.

    Source: ISO 15 and DIN 623-1.

    Example:
        >>> [bore_of_code(code) for code in ("03", "05", "/22", "8")]
        [17.0, 25.0, 22.0, 8.0]
    """
    digits = code.removeprefix("/")
    plain = digits.replace(".", "", 1)
    if not (plain.isascii() and plain.isdigit()) or len(digits) > 6 or (float(digits) <= 0 and code != "00"):
        raise BadInput("no_bore_code", f"Unknown bore code “{code[:12]}”.", "text")
    if code.startswith("/") or len(digits) == 1:
        return float(digits)
    if code in _FIRST:
        return _FIRST[code]
    if len(code) == 2 and 4 <= int(code) <= 96:
        return int(code) * 5.0
    raise BadInput("no_bore_code", f"Unknown bore code “{code[:12]}”. Bore codes run from 00 to 96.", "text")


def code_of_bore(bore_mm: float) -> str:
    """The bore code that a bore of 10 mm and more is written with.

    Formula: the inverse of `bore_of_code`.

    Args:
        bore_mm: The bore, 10 mm and more.

    Returns:
        Two digits, or a stroke and the bore.

    Raises:
        BadInput: When the bore is under 10 mm, where the last digit is the bore.

    Source: ISO 15 and DIN 623-1.

    Example:
        >>> [code_of_bore(bore) for bore in (17, 25, 22)]
        ['03', '05', '/22']
    """
    if bore_mm < 10:
        raise BadInput("no_bore_code", "Below 10 mm the last digit is the bore.", "bore_mm")
    if bore_mm in _CODE_OF:
        return _CODE_OF[bore_mm]
    fives = bore_mm / 5
    if fives == int(fives) and 4 <= fives <= 96:
        return f"{int(fives):02d}"
    return f"/{bore_mm:g}"
