"""Will another part do? Attribute by attribute, with consequences in words."""

from ample.core.interchange.compare import AttributeJudgement, Interchange, Running, interchange
from ample.core.interchange.seals import interchange_of, interchange_seals

__all__ = [
    "AttributeJudgement",
    "Interchange",
    "Running",
    "interchange",
    "interchange_of",
    "interchange_seals",
]
