"""What every request is made of: a model that refuses what it does not know."""

from __future__ import annotations

from pydantic import BaseModel, ConfigDict


class Strict(BaseModel):
    """A request: unknown fields are refused."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)
