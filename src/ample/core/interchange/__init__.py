"""Will another bearing do? Attribute by attribute, with consequences in words."""

from ample.core.interchange.compare import AttributeJudgement, Interchange, Running, interchange

__all__ = ["AttributeJudgement", "Interchange", "Running", "interchange"]
