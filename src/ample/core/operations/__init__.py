"""The operations: what can be asked of the core from outside."""

from ample.core.operations.identify import identify_answer
from ample.core.operations.markings import decode_answer
from ample.core.operations.register import OPERATIONS, Operation, ask, bad_request, parse_request
from ample.core.operations.seats import seat_answer

__all__ = [
    "OPERATIONS",
    "Operation",
    "ask",
    "bad_request",
    "decode_answer",
    "identify_answer",
    "parse_request",
    "seat_answer",
]
