"""What every sheet that a person fills in is made of."""

from __future__ import annotations

from pydantic import BaseModel, ConfigDict


class Sheet(BaseModel):
    """A sheet, or a part of one: unknown fields are refused, numbers are finite, nothing is changed in place."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False, frozen=True)
