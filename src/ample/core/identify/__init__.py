"""What the worn part can be: ranked candidates, none of these, and the next measurement."""

from ample.core.identify.agreement import FeatureAgreement
from ample.core.identify.catalogue import Catalogue, Entry, standard_catalogue
from ample.core.identify.explanations import Explanation
from ample.core.identify.kind_evidence import KindEvidence, NextQuestion
from ample.core.identify.next_measurement import NextMeasurement
from ample.core.identify.observations import Observation
from ample.core.identify.ranking import (
    Candidate,
    Identification,
    VariantChance,
    identify,
)

__all__ = [
    "Candidate",
    "Catalogue",
    "Entry",
    "Explanation",
    "FeatureAgreement",
    "Identification",
    "KindEvidence",
    "NextMeasurement",
    "NextQuestion",
    "Observation",
    "VariantChance",
    "identify",
    "standard_catalogue",
]
