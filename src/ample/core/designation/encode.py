"""Writing a specification as a marking in a dialect."""

from __future__ import annotations

from ample.core.designation.dialects import Code, Dialect, general_dialect
from ample.core.errors import BadInput
from ample.core.parts import BearingSpec, Kind, bearing_kinds


def encode(spec: BearingSpec, dialect: Dialect | None = None) -> str:
    """The marking of a bearing in a dialect: basic designation, then what differs from usual.

    Formula: prefixes, basic designation, closure, cage, class, clearance, snap ring, extras;
    what is usual (open, normal clearance, class Normal) is not written.

    Args:
        spec: The bearing.
        dialect: Whose codes to write; the general dictionary when not given.

    Returns:
        The marking, such as `6205-2RS-C3`.

    Raises:
        BadInput: When the dialect has no code for something that must be said.

    Source: DIN 623-1 for the order; codes of the dialect.

    Example:
        >>> encode(BearingSpec("6205", "62", 25, 52, 15, closure="shield_two", clearance="3"))
        '6205-ZZ-C3'
    """
    own = dialect.over_general if dialect else general_dialect()
    wanted = [
        (attribute, value)
        for attribute, value, usual in (
            ("closure", spec.closure, "open"),
            ("cage", spec.cage, "standard"),
            ("class", spec.tolerance_class, "Normal"),
            ("clearance", spec.clearance, "N"),
            ("snap_ring", spec.snap_ring, "none"),
            ("bore_shape", spec.bore_shape, "cylindrical"),
            ("angle", spec.angle, ""),
        )
        if value != usual
    ]
    kind = bearing_kinds()[spec.kind]
    codes = [_code_for(own, kind, ((name, value),)) for name, value in wanted]
    codes += [_code_for(own, kind, (("extra", value),)) for value in spec.extras]
    prefixes = "".join(code.code for code in codes if code.place == "prefix")
    suffixes = "".join(f"-{code.code}" for code in codes if code.place == "suffix")
    return f"{prefixes}{spec.designation}{suffixes}"


def _code_for(dialect: Dialect, kind: Kind, sets: tuple[tuple[str, str], ...]) -> Code:
    code = dialect.writing(kind.name, kind.group).get(sets)
    if code is None:
        name, value = sets[0]
        raise BadInput("no_code", f"The dialect “{dialect.name}” has no code for {name} {value}.", "dialect")
    return code
