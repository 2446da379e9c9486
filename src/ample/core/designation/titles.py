"""What a required part is called, in one line: as it is marked, or as it would be."""

from __future__ import annotations

import re

from ample.core.designation.encode import encode
from ample.core.designation.seals.writing import encode_seal
from ample.core.errors import BadInput
from ample.core.parts import BearingSpec, SealSpec
from ample.core.parts.requirement import Requirement

_WORN = re.compile(r"[?*]|\.\.")
_PAIR_CODES = {"back_to_back": "DB", "face_to_face": "DF", "tandem": "DT"}


def title_of(wanted: Requirement) -> str:
    """What to ask a supplier for: the marking where it was read whole and holds, else designation and codes.

    Formula: none.

    Args:
        wanted: The requirement.

    Returns:
        One line; the plain designation where a value has no code, empty while nothing is known.

    Raises:
        Nothing.

    Source: common practice.

    Example:
        >>> from ample.core.designation.decode import decode
        >>> from ample.core.parts.requirement import Evidence, requirement_of
        >>> title_of(requirement_of(Evidence("bearing", "62?5 2RS C3", decode("62?5 2RS C3"))))
        '6205-2RS-C3'
    """
    marking = " ".join(wanted.marking.split())
    whole = marking and not _WORN.search(marking) and not wanted.clashes
    if whole and wanted.kind_basis in ("stated", "assumed"):
        return marking
    spec = wanted.spec
    try:
        if isinstance(spec, BearingSpec):
            said = encode(spec)
        elif isinstance(spec, SealSpec):
            said = encode_seal(spec, "market")
        else:
            said = wanted.designation
    except BadInput:
        said = wanted.designation
    return " ".join(filter(None, (said, _PAIR_CODES.get(wanted.arrangement, ""), *wanted.unread)))
