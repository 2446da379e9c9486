"""What every request and answer model is made from."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

Unit = Literal["mm", "in"]
Millimetres = Annotated[float, Field(gt=0, le=20_000, allow_inf_nan=False)]
Name = Annotated[str, Field(max_length=60)]
FamilyName = Literal[
    "bearing", "lip_seal", "o_ring", "hydraulic_seal", "face_seal", "retaining_ring", "washer", "key"
]


class Request(BaseModel):
    """A request: unknown fields are refused, numbers are finite."""

    model_config = ConfigDict(
        extra="forbid", allow_inf_nan=False, populate_by_name=True, serialize_by_alias=True
    )


class Answer(BaseModel):
    """An answer."""

    model_config = ConfigDict(
        populate_by_name=True,
        serialize_by_alias=True,
        from_attributes=True,
        json_schema_serialization_defaults_required=True,
    )
