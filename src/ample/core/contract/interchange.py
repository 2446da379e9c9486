"""Whether another part will do: request and answer models."""

from __future__ import annotations

from pydantic import Field

from ample.core.contract.base import Millimetres, Name, Request


class SpecRequest(Request):
    """A bearing by designation, or by its sizes and attributes."""

    designation: Name | None = None
    d_mm: Millimetres | None = None
    D_mm: Millimetres | None = None
    B_mm: Millimetres | None = None
    T_mm: Millimetres | None = None
    C_mm: Millimetres | None = None
    kind: Name | None = None
    closure: Name | None = None
    clearance: Name | None = None
    tolerance_class: Name | None = Field(default=None, alias="class")
    cage: Name | None = None
    snap_ring: Name | None = None


class RunningRequest(Request):
    """The duty, where it is known."""

    rpm: float | None = Field(default=None, ge=0, le=200_000)
    temperature_c: float | None = Field(default=None, ge=-100, le=400)
    dirty: bool | None = None


class InterchangeRequest(Request):
    """The part to be replaced and the one offered."""

    old: Name | SpecRequest = Field(alias="from")
    new: Name | SpecRequest = Field(alias="to")
    duty: RunningRequest | None = None
