"""Records of people."""

from __future__ import annotations

from pydantic import BaseModel, Field


class Person(BaseModel):
    """A person as the screens know them."""

    person_id: int
    name: str
    role: str


class DemoPerson(BaseModel):
    """A person of the demo, with the PIN that is no secret."""

    name: str
    role: str
    pin: str


class SignInRequest(BaseModel):
    """A name and a PIN or password."""

    name: str = Field(min_length=1, max_length=60)
    secret: str = Field(min_length=1, max_length=200)


class SessionAnswer(BaseModel):
    """Who is signed in, the token that writing requests carry, and the demo's people."""

    person: Person | None
    csrf_token: str
    demo_people: list[DemoPerson]
