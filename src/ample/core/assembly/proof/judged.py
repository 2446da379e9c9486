"""What the judge of the proof is given, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Literal

from ample.core.assembly.end_play import EndPlay
from ample.core.assembly.line import LineSheet
from ample.core.assembly.run_in import RunIn

State = Literal["open", "low", "right", "high", "unsure"]


@dataclass(frozen=True)
class OpenTorque:
    """A torque, or a setting, that fitting up left open: the step and what it says."""

    key: str
    words: str


@dataclass(frozen=True)
class ProofFacts:
    """What the judge of proving has to know beside the sheet."""

    strip_down: LineSheet
    fit_up_open: tuple[OpenTorque, ...]
    today: date


@dataclass(frozen=True)
class SetJudged:
    """A set point: mean and uncertainty (k = 2) of its readings, and its verdict."""

    key: str
    state: State
    value: float | None
    uncertainty: float | None


@dataclass(frozen=True)
class PlayJudged:
    """An end play, None while it is not read."""

    key: str
    play: EndPlay | None


@dataclass(frozen=True)
class FillJudged:
    """A fill by volume and level."""

    key: str
    state: State
    words: str


@dataclass(frozen=True)
class CurvePoint:
    """A point of the curve that a run is predicted to follow."""

    minute: float
    temperature_c: float


@dataclass(frozen=True)
class RunJudged:
    """A run: where it settles, the curve to there, what its last readings rose, °C in a minute, and how many more it takes to say."""

    key: str
    run: RunIn | None
    curve: tuple[CurvePoint, ...]
    rise_c_min: float | None
    more_readings: int


@dataclass(frozen=True)
class ProofCheck:
    """A check that this unit needs, with its pass value, and what it showed."""

    key: str
    code: str
    of: str
    words: str
    passes: str
    unit: str
    state: Literal["open", "holds", "fails"]
    why: str = ""


@dataclass(frozen=True)
class ComparedJudged:
    """What changed between before and after; None where a figure is missing."""

    key: str
    change: float | None
    change_percent: float | None


@dataclass(frozen=True)
class OpenPoint:
    """What prevents closing."""

    code: str
    key: str
    words: str


@dataclass(frozen=True)
class Proposed:
    """A row that the strip-down or the fit-up asks for and that is not on the sheet yet: into which rows, and what is known."""

    rows: Literal["set_points", "plays", "tasks"]
    key: str
    what: str
    value: float | None
    unit: str
    because: str


@dataclass(frozen=True)
class ProofJudged:
    """All of it judged; `open` prevents closing, `late` are tasks whose day has passed."""

    set_points: tuple[SetJudged, ...]
    plays: tuple[PlayJudged, ...]
    fills: tuple[FillJudged, ...]
    runs: tuple[RunJudged, ...]
    checks: tuple[ProofCheck, ...]
    compared: tuple[ComparedJudged, ...]
    which_helped: Literal["", "known", "not_known"]
    open: tuple[OpenPoint, ...]
    late: tuple[str, ...]
    proposed: tuple[Proposed, ...]
