"""The brake on guessing: tries are counted before the hash, and slowed, never locked.

A guesser is held up for the name that is guessed at the address it comes from. Whoever signs in on a machine
that they have signed in on before is counted there alone, so nobody elsewhere can hold them up.
"""

from __future__ import annotations

import hashlib
from dataclasses import dataclass
from datetime import datetime, timedelta

from ample.core.errors import AmpleError
from ample.shop.people import queries
from ample.store import Transaction

FORGOTTEN = timedelta(minutes=30)
LONGEST_SECONDS = 60.0


class TooManyTries(AmpleError):
    """Signing in failed too often of late."""

    status = 429

    def __init__(self, seconds: float) -> None:
        self.seconds = max(1, round(seconds + 0.499))
        super().__init__(
            "too_many_tries",
            f"Too many wrong tries. Try again in {self.seconds} s.",
            "secret",
            "Forgotten? The owner can give you a new PIN.",
        )


@dataclass(frozen=True)
class Bucket:
    """What tries are counted in: how many are free, and how long the wait can become."""

    key: str
    free: int
    longest_seconds: float = LONGEST_SECONDS

    def wait_seconds(self, failures: int) -> float:
        """The wait after so many failures: none while they are free, then 1, 2, 4 … s."""
        over = failures - self.free
        return 0.0 if over < 0 else min(2.0**over, self.longest_seconds)


@dataclass(frozen=True)
class Try:
    """One try to sign in: for whom, from where, on which machine if it is known for this person."""

    name: str
    person_id: int | None
    address: str
    machine: str | None = None

    @property
    def buckets(self) -> tuple[Bucket, ...]:
        """Where it is counted, in an order that two tries at once agree on."""
        who = str(self.person_id or _short(self.name.casefold()))
        if self.machine:
            return (Bucket(f"machine {_short(self.machine)} {who}", 10),)
        return (
            Bucket(f"address {_short(self.address)}", 20, 1.0),
            Bucket(f"name {who}", 30),
            Bucket(f"pair {_short(self.address)} {who}", 5),
        )


def count(t: Transaction, tried: Try, now: datetime) -> None:
    """Count a try as failed before it is looked at; refuse it while it has to wait."""
    held = []
    for bucket in tried.buckets:
        row = queries.brake(t, bucket.key, now)
        rested = now - row["last_at"] > FORGOTTEN
        held.append((bucket, 0 if rested else int(row["failures"]), row["next_at"]))
    # Two tries at once may come in the other order than they began: a free one waits for no other.
    waits = [
        (next_at - now).total_seconds() for bucket, failures, next_at in held if bucket.wait_seconds(failures)
    ]
    if waits and max(waits) > 0:
        raise TooManyTries(max(waits))
    for bucket, failures, _ in held:
        wait = timedelta(seconds=bucket.wait_seconds(failures + 1))
        queries.set_brake(t, bucket.key, failures + 1, now + wait, now)


def forgive(t: Transaction, tried: Try, now: datetime) -> None:
    """A good try takes back what it was counted as, and what this person did wrong here before it."""
    for bucket in tried.buckets:
        if bucket.key.startswith(("machine", "pair")):
            queries.set_brake(t, bucket.key, 0, now, now)
        else:
            queries.take_back(t, bucket.key)
    queries.forget_brakes(t, now - timedelta(days=1))


def _short(text: str) -> str:
    return hashlib.sha256(text.encode("utf-8", "replace")).hexdigest()[:32]
