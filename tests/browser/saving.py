"""What the strip at the foot says once everything typed is stored; and the few of many cases that a short run takes."""

import re

import pytest

SAVED = re.compile(r"^\s*saved \d\d:\d\d")  # not “saved on this device only”


def shortly(cases, count):
    """The first few of many alike; the others in the long run."""
    return [
        case if n < count else pytest.param(*case, marks=pytest.mark.long) for n, case in enumerate(cases)
    ]
