"""Reading and writing the markings of bearings."""

from ample.core.designation.bore_code import bore_of_code, code_of_bore
from ample.core.designation.checking import checked_dialect
from ample.core.designation.decode import LONGEST_MARKING, decode
from ample.core.designation.dialects import Code, Dialect, general_dialect, read_dialect
from ample.core.designation.encode import encode
from ample.core.designation.names import known_names

__all__ = [
    "LONGEST_MARKING",
    "Code",
    "Dialect",
    "bore_of_code",
    "checked_dialect",
    "code_of_bore",
    "decode",
    "encode",
    "general_dialect",
    "known_names",
    "read_dialect",
]
