"""Numbers that are given out one after another, in the order in which they can be seen."""

from __future__ import annotations

import re

from ample.store import Transaction

LONGEST_COUNTED = 8  # figures: a longer number that came from elsewhere does not move the counter


def next_number(t: Transaction, name: str) -> int:
    """The next number; whoever asks next waits until this one is stored, or given up."""
    t.change("UPDATE counters SET value = LAST_INSERT_ID(value + 1) WHERE name = %(name)s", {"name": name})
    return int(t.single_value("SELECT LAST_INSERT_ID()"))


def count_from(t: Transaction, name: str, number: str) -> None:
    """A number came from elsewhere: those given out from now on are above it."""
    if re.fullmatch(rf"[0-9]{{1,{LONGEST_COUNTED}}}", number):
        t.change(
            "UPDATE counters SET value = GREATEST(value, %(least)s) WHERE name = %(name)s",
            {"name": name, "least": int(number)},
        )
