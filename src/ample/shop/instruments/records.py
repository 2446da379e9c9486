"""Records of instruments."""

from __future__ import annotations

from datetime import date
from typing import Literal

from pydantic import BaseModel, ConfigDict, Field


class InstrumentRecord(BaseModel):
    """An instrument of the shop, its uncertainty (U, k = 2, mm) and whether its calibration is overdue."""

    name: str
    kind: str
    outside_u_mm: float
    inside_u_mm: float
    scatter_mm: float
    calibrated_on: date | None
    overdue: bool
    words: str
    version: int
    zero_checked: bool = Field(default=False, description="its zero was checked today")


class ZeroCheck(BaseModel):
    """The instrument whose zero was checked just now and is right."""

    model_config = ConfigDict(extra="forbid")

    name: str = Field(min_length=1, max_length=40)


class InstrumentSave(BaseModel):
    """An instrument of the shop with its certificate: a new one (version 0), or a change of one that was seen."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    name: str = Field(min_length=1, max_length=40)
    kind: Literal["rule", "caliper", "micrometer", "bore_gauge", "pi_tape"]
    outside_u_mm: float = Field(gt=0, le=2, description="expanded uncertainty, k = 2")
    inside_u_mm: float = Field(gt=0, le=2)
    scatter_mm: float = Field(default=0.01, ge=0, le=1, description="spread of repeats")
    calibrated_on: date
    months_valid: int = Field(default=12, ge=1, le=120)
    version: int = Field(default=0, ge=0, le=2**31, description="the version that was seen; 0: a new one")


class Instruments(BaseModel):
    """The shop's instruments, then the usual kinds."""

    instruments: list[InstrumentRecord]
