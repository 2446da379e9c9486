"""What the lip of a seal passes on its way in."""

from __future__ import annotations

from typing import Literal

WayIn = Literal[
    "chamfer", "shoulder", "no_chamfer", "keyway", "spline", "thread", "ring_groove", "cross_hole", "burr"
]
HARMLESS: tuple[WayIn, ...] = ("chamfer", "shoulder")
