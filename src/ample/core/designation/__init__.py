"""Reading and writing the markings of bearings, seals, rings and small parts."""

from ample.core.designation.beside import names_other_things
from ample.core.designation.bore_code import bore_of_code, code_of_bore
from ample.core.designation.checking import checked_dialect
from ample.core.designation.decode import LONGEST_MARKING, decode
from ample.core.designation.dialects import Code, Dialect, general_dialect, read_dialect
from ample.core.designation.encode import encode
from ample.core.designation.names import known_names
from ample.core.designation.seals import (
    Habit,
    Word,
    composed_code,
    encode_seal,
    listed_specs,
    seal_words,
)
from ample.core.designation.titles import title_of

__all__ = [
    "LONGEST_MARKING",
    "Code",
    "Dialect",
    "Habit",
    "Word",
    "bore_of_code",
    "checked_dialect",
    "code_of_bore",
    "composed_code",
    "decode",
    "encode",
    "encode_seal",
    "general_dialect",
    "known_names",
    "listed_specs",
    "names_other_things",
    "read_dialect",
    "seal_words",
    "title_of",
]
