"""Which bearings' seats can be judged by the rules that are here, and which are not judged."""

from __future__ import annotations

from functools import cache
from pathlib import Path
from typing import Literal

from ample.core.parts import BearingSpec, bearing_kinds
from ample.core.tables import read_table

NotJudged = Literal["no_rules", "taper_bore"]


@cache
def judged_kinds() -> frozenset[str]:
    """The kinds of bearing whose seats can be judged.

    Returns:
        Kinds of bearing_kinds.csv.

    Raises:
        Nothing.

    Source: seat_rules.csv.

    Example:
        >>> "deep_groove" in judged_kinds(), "drawn_cup" in judged_kinds()
        (True, False)
    """
    return frozenset(row["kind"] for row in read_table(Path(__file__).with_name("seat_rules.csv")).rows)


def not_judged(spec: BearingSpec) -> NotJudged | None:
    """Why the seats of a bearing are not judged; None when they can be.

    A ring on a taper bore is fitted by driving it up: no zone of a straight seat judges it.

    Args:
        spec: The bearing.

    Returns:
        `no_rules`, `taper_bore`, or None.

    Raises:
        Nothing.

    Source: seat_rules.csv.

    Example:
        >>> not_judged(BearingSpec("6205", "62", 25, 52, 15))
        >>> not_judged(BearingSpec("HK2020", "HK", 20, 26, 20, kind="drawn_cup"))
        'no_rules'
    """
    if spec.kind not in judged_kinds():
        return "no_rules"
    return "taper_bore" if spec.bore_shape != "cylindrical" else None


def not_judged_words(spec: BearingSpec) -> str:
    """The same in words.

    Args:
        spec: A bearing whose seats are not judged.

    Returns:
        Two sentences: why, and what to go by.

    Raises:
        KeyError: When the kind does not exist.

    Source: common practice.

    Example:
        >>> not_judged_words(BearingSpec("HK2020", "HK", 20, 26, 20, kind="drawn_cup"))
        'No seat rules for this kind (drawn cup needle bearing). Use the maker’s table. The readings are kept.'
    """
    if not_judged(spec) == "taper_bore":
        why = "A taper bore is fitted by drive-up, not to a tolerance zone"
    else:
        why = f"No seat rules for this kind ({bearing_kinds()[spec.kind].words})"
    return f"{why}. Use the maker’s table. The readings are kept."
