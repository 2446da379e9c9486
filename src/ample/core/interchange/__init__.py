"""Will another part do? Attribute by attribute, with consequences in words."""

from ample.core.interchange.bearings import interchange
from ample.core.interchange.judgement import AttributeJudgement, Interchange, Running
from ample.core.interchange.meeting import against, meets
from ample.core.interchange.seals import interchange_of, interchange_seals

__all__ = [
    "AttributeJudgement",
    "Interchange",
    "Running",
    "against",
    "interchange",
    "interchange_of",
    "interchange_seals",
    "meets",
]
