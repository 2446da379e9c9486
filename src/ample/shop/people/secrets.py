"""PINs and passwords: what is good enough, and how it is kept."""

from __future__ import annotations

import secrets
from functools import cache

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerifyMismatchError

from ample.core.errors import BadInput

LEAST, LEAST_OF_OWNER, MOST = 6, 8, 200
# the first that a guesser tries, beside repeated and counted ones
COMMON = frozenset(
    {"qwerty", "qwertz", "azerty", "password", "passwort", "letmein", "welcome", "bearing", "112233"}
)
RUNS = ("01234567890", "09876543210", "abcdefghijklmnopqrstuvwxyz", "qwertyuiop")


@cache
def _hasher() -> PasswordHasher:
    return PasswordHasher(time_cost=2, memory_cost=19_456, parallelism=1)


def hash_secret(secret: str) -> str:
    """The argon2 hash of a PIN or password."""
    return _hasher().hash(secret)


@cache
def nobody_hash() -> str:
    """What a name that nobody has is checked against, so that it takes as long."""
    return hash_secret(secrets.token_hex(8))


def matches(secret_hash: str, secret: str) -> bool:
    """Whether a PIN or password is the one that was hashed."""
    try:
        return _hasher().verify(secret_hash, secret)
    except (VerifyMismatchError, InvalidHashError):
        return False


def checked_secret(secret: str, name: str, role: str) -> str:
    """A PIN or password that is good enough for this person, or why not.

    >>> checked_secret("123456", "Wren", "bench")
    Traceback (most recent call last):
    ...
    ample.core.errors.BadInput: “123456” is too easy to guess.
    """
    least = LEAST_OF_OWNER if role == "owner" else LEAST
    if not least <= len(secret) <= MOST:
        raise BadInput(
            "secret_too_short",
            f"A PIN or password needs at least {least} characters.",
            "secret",
            "An owner can change everything: choose a longer one."
            if role == "owner"
            else "Six digits are enough.",
        )
    plain = secret.casefold()
    if plain in COMMON or len(set(plain)) < 3 or any(plain in run for run in RUNS):
        raise BadInput(
            "secret_common", f"“{secret[:20]}” is too easy to guess.", "secret",
            "Choose digits that do not repeat or count up.",
        )  # fmt: skip
    if name.casefold() in plain or plain in name.casefold():
        raise BadInput("secret_is_the_name", "Leave the name out of the PIN or password.", "secret")
    return secret


def temporary_pin() -> str:
    """A PIN to be replaced at the first sign-in."""
    return f"{secrets.randbelow(10**8):08d}"
