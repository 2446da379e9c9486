"""The lines that a caliper sends, as `docs/caliper-lines.md` describes them."""

from __future__ import annotations

import re
from dataclasses import dataclass

LONGEST_LINE = 64
_READING = re.compile(r"R ([+-])(\d{1,5}(?:\.\d{1,6})?) (\w{1,8})(?: (\d{1,3}))?")
_ALIVE = re.compile(r"S (\d{1,3})")
UNITS = ("mm", "in")


@dataclass(frozen=True)
class CaliperMessage:
    """What a line says: a reading as it is typed into a field, the battery, or what is wrong with it."""

    typed: str | None = None
    unit: str = ""
    battery_percent: int | None = None
    trouble: str = ""


def read_line(line: str) -> CaliperMessage:
    """Read one whole line; what is not understood is reported, never guessed."""
    reading = _READING.fullmatch(line)
    if reading:
        sign, value, unit, battery = reading.groups()
        charge = _charge(battery)
        if unit not in UNITS:
            return CaliperMessage(None, "", charge, f"it sends in “{unit}”: set it to mm or in")
        if sign == "-" or not float(value):
            return CaliperMessage(
                None, unit, charge, f"it shows {sign}{value} {unit}: set its zero with the jaws closed"
            )
        return CaliperMessage(value, unit, charge)
    alive = _ALIVE.fullmatch(line)
    if alive:
        return CaliperMessage(battery_percent=_charge(alive.group(1)))
    return CaliperMessage(trouble=f"not a line from a caliper: “{_shown(line)}”")


def _charge(text: str | None) -> int | None:
    return min(int(text), 100) if text else None


def _shown(line: str) -> str:
    clean = "".join(c if c.isprintable() else "·" for c in line)
    return clean[:24] + ("…" if len(clean) > 24 else "")


class LineBuffer:
    """Puts what arrives together into lines; a line without an end is held back, an endless one dropped."""

    def __init__(self) -> None:
        self._held = b""
        self._dropping = False

    def feed(self, data: bytes) -> list[str]:
        """The lines that are whole now."""
        self._held += data
        *whole, self._held = self._held.split(b"\n")
        lines = []
        for raw in whole:
            if self._dropping:
                self._dropping = False
                lines.append("")
                continue
            lines.append(raw.rstrip(b"\r").decode("ascii", errors="replace"))
        if len(self._held) > LONGEST_LINE:
            self._held, self._dropping = b"", True
        return lines

    @property
    def cut_off(self) -> bool:
        """Whether part of a line is held: if the link ends now, it ended in the middle of a line."""
        return bool(self._held)
