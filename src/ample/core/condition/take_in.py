"""Taking a unit in: what is known of it before it is opened."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from ample.core.sheet import Sheet

Name = Annotated[str, Field(pattern=r"^[a-z0-9_]{2,40}$")]


class TypedSpare(Sheet):
    """A part that somebody says the unit will need: a marking, a size or a name."""

    name: str = Field(min_length=2, max_length=80)
    quantity: int = Field(default=1, ge=1, le=999)


class TakeInSheet(Sheet):
    """What is known of a unit before it is opened."""

    title: str = Field(min_length=2, max_length=80)
    owner: str = Field(default="", max_length=80)
    symptom: str = Field(default="", max_length=200)
    unit: Name = "other"
    plate: str = Field(default="", max_length=200)
    model: str = Field(default="", max_length=60)
    build: str = Field(default="", max_length=40)
    serial: str = Field(default="", max_length=60)
    built_in: Literal["", "inch", "metric", "far_east"] = Field(
        default="", description="where the machine was built: by it goes the list of its O-rings"
    )
    since: str = Field(default="", max_length=60)
    lie_open_days: int | None = Field(default=None, ge=0, le=3650)
    access: Literal["cheap", "costly"] = "cheap"
    units_alike: int = Field(default=1, ge=1, le=99, description="identical units on this job")
    planned: str = Field(default="", max_length=2000)
    note_next: str = Field(default="", max_length=2000)
    signs: list[Name] = Field(default_factory=list, max_length=80)
    energies: list[Name] = Field(default_factory=list, max_length=20)
    fluids: list[Name] = Field(default_factory=list, max_length=20)
    works: list[Name] = Field(default_factory=list, max_length=20)
    duties: list[Name] = Field(default_factory=list, max_length=10, description="what depends on the unit")
    spares: list[TypedSpare] = Field(default_factory=list, max_length=60)
    checked: dict[Annotated[str, Field(max_length=40)], Literal["found", "cleared"]] = Field(
        default_factory=dict, max_length=60
    )
