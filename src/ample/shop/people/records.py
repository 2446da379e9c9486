"""Records of people."""

from __future__ import annotations

from decimal import Decimal
from typing import Literal

from pydantic import BaseModel, Field

from ample.base.rights import RightName, RoleName
from ample.base.strict import Strict
from ample.base.times import UtcTime

GivenRole = Literal["counter", "bench", "buyer"]


class Person(BaseModel):
    """A person as the screens know them."""

    person_id: int
    name: str
    role: RoleName
    choose_secret: bool = False


class DemoPerson(BaseModel):
    """A person of the demo, with the PIN that is no secret."""

    name: str
    role: RoleName
    pin: str


class SignInRequest(Strict):
    """A name and a PIN or password."""

    name: str = Field(min_length=1, max_length=60)
    secret: str = Field(min_length=1, max_length=200)


class SessionAnswer(BaseModel):
    """Who is signed in and what they may do, the token that writing requests carry, and what the sign-in page shows."""

    person: Person | None
    may: list[RightName]
    order_limit: Decimal | None
    csrf_token: str
    demo_people: list[DemoPerson] = Field(description="told on the machine itself only")
    needs_owner: bool = Field(description="nobody has been added yet: the first start asks for the owner")
    address: str = Field(description="what others type to reach this shop")


class FirstOwner(Strict):
    """The owner of a new shop, with the code that its start has shown on the terminal."""

    code: str = Field(min_length=1, max_length=40)
    name: str = Field(min_length=1, max_length=60)
    secret: str = Field(min_length=1, max_length=200)


class PersonRow(BaseModel):
    """A person as the owner sees them."""

    person_id: int
    name: str
    role: RoleName
    active: bool
    choose_secret: bool
    demo: bool
    sign_ins: int = Field(description="how many machines are signed in now")
    signed_in_at: UtcTime | None
    wrong_tries: int = Field(description="within the last day")
    version: int


class RoleRight(BaseModel):
    """Whether one role has one right."""

    role: RoleName
    allowed: bool
    usual: bool = Field(description="as in a new shop")
    fixed: bool = Field(description="cannot be changed: the owner has all, and some only the owner can have")
    limit: Decimal | None
    version: int


class RightRow(BaseModel):
    """One right, and which roles have it."""

    right: RightName
    words: str
    has_limit: bool
    roles: list[RoleRight]


class PeopleAnswer(BaseModel):
    """Everybody, and who may do what."""

    people: list[PersonRow]
    rights: list[RightRow]


class NewPerson(Strict):
    """A new person with a PIN that they replace at their first sign-in."""

    name: str = Field(min_length=1, max_length=60)
    role: RoleName
    secret: str = Field(min_length=1, max_length=200)


class ChangePerson(Strict):
    """Another name or role; deactivated, or activated again."""

    name: str = Field(min_length=1, max_length=60)
    role: RoleName
    active: bool
    version: int = Field(ge=1, le=2**31)


class NewSecret(Strict):
    """A new PIN for somebody, who replaces it at the next sign-in."""

    secret: str = Field(min_length=1, max_length=200)
    version: int = Field(ge=1, le=2**31)


class OwnSecret(Strict):
    """One's own PIN or password, changed."""

    old: str = Field(min_length=1, max_length=200)
    new: str = Field(min_length=1, max_length=200)


class SetRight(Strict):
    """Give a right to a role, or take it."""

    role: GivenRole
    right: RightName
    allowed: bool
    limit: Decimal | None = Field(default=None, ge=0, le=Decimal("9999999999.99"), decimal_places=2)
    version: int = Field(ge=0, le=2**31, description="0 when it is as in a new shop")
