"""Records of calipers that send."""

from __future__ import annotations

from pydantic import BaseModel, Field

from ample.base.strict import Strict


class Caliper(BaseModel):
    """A caliper with its address, whether it is linked, and its battery."""

    caliper_id: int
    name: str
    host: str
    port: int
    state: str
    words: str
    battery_percent: int | None
    version: int


class CaliperReading(BaseModel):
    """A reading as it would be typed, with its unit and the caliper it came from."""

    reading_id: int
    name: str
    typed: str
    unit: str


class CalipersAnswer(BaseModel):
    """Calipers, what they sent after a reading, and the number of the last."""

    calipers: list[Caliper]
    readings: list[CaliperReading]
    last: int
    networks: list[str] | None = Field(
        default=None, description="where calipers may be; told without `after`"
    )


class NewCaliper(Strict):
    """A caliper of the shop: the instrument's name, and where it sends (version 0: it is not listed yet)."""

    name: str = Field(min_length=1, max_length=40)
    host: str = Field(default="127.0.0.1", min_length=1, max_length=100, pattern=r"^[A-Za-z0-9.:\-]+$")
    port: int = Field(ge=1, le=65535)
    version: int = Field(default=0, ge=0, le=2**31, description="the version that was seen; 0: a new one")


class SetNetworks(Strict):
    """Where calipers may be, beside this machine: addresses and networks; `seen` is what was there before."""

    networks: list[str] = Field(max_length=20)
    seen: list[str] = Field(max_length=20)


class SinceQuery(Strict):
    """Only what came after this reading; without it, nothing that came before."""

    after: int | None = Field(default=None, ge=0, le=2**62)
