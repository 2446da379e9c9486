"""The request and answer models of the operations: what other programs send and get."""

from ample.core.contract.base import Answer, FamilyName, Millimetres, Name, Request, Unit
from ample.core.contract.bench import BenchJudged, BenchSheet, FeatureReadings, RubberSeen, TypedReading
from ample.core.contract.glands import GlandDuty, GlandGroove, GlandRequest, GlandRing, LipSealRequest
from ample.core.contract.handbook import (
    CalculateAnswer,
    CalculateRequest,
    HandbookAnswer,
    HandbookRequest,
    HandbookTopic,
)
from ample.core.contract.identify import (
    CandidateAnswer,
    DutyAsked,
    IdentifyAnswer,
    IdentifyRequest,
    KindShare,
    ObservationRequest,
    UncertaintyAnswer,
    UnitHintAnswer,
    VariantAnswer,
)
from ample.core.contract.interchange import InterchangeRequest, RunningRequest, SpecRequest
from ample.core.contract.job import (
    CausesAnswer,
    CausesRequest,
    CautionsAnswer,
    CautionsRequest,
    FitUpRequest,
    InspectRequest,
    KindAnswer,
    LineCheckAnswer,
    LineCheckRequest,
    TakeInJudged,
    TradeAnswer,
    TradeRequest,
    WordAnswer,
)
from ample.core.contract.keeping import (
    EndPlayRequest,
    RunInReading,
    RunInRequest,
    TrendReading,
    TrendRequest,
    Wanted,
)
from ample.core.contract.kinds import (
    EyeAnswer,
    EyeQuestion,
    FamilyFeature,
    FamilyGroup,
    FamilyKindAnswer,
    KindsAnswer,
    KindsRequest,
)
from ample.core.contract.markings import DecodeAnswer, DecodeRequest
from ample.core.contract.parts import (
    EncodeAnswer,
    EncodeRequest,
    NeedlesRequest,
    RubberRequest,
)
from ample.core.contract.seats import (
    DutyRequest,
    FittedClearanceRequest,
    InstrumentRequest,
    PlaceRequest,
    SeatRequest,
    ZoneAdviceRequest,
)
from ample.core.contract.sizes import (
    FitAnswer,
    FitRequest,
    InternalClearanceAnswer,
    InternalClearanceRequest,
    LengthAnswer,
    LengthRequest,
    LimitsAnswer,
    LimitsRequest,
    RingLimitsRequest,
)
from ample.core.fits.advice import ZoneAdvice, ZoneChoice
from ample.core.fits.clearance import ClearanceAfterFitting
from ample.core.fits.form import Plane
from ample.core.fits.ranges import Range
from ample.core.fits.seat import SeatCheck
from ample.core.identify.agreement import FeatureAgreement
from ample.core.identify.kind_evidence import NextQuestion
from ample.core.interchange import AttributeJudgement, Interchange
from ample.core.parts import MarkingReading, Span
from ample.core.parts.needles import NeedleCount
from ample.core.parts.rubber import RubberAnswer
from ample.core.sizes import Nearest

__all__ = [
    "Answer",
    "AttributeJudgement",
    "BenchJudged",
    "BenchSheet",
    "CalculateAnswer",
    "CalculateRequest",
    "CandidateAnswer",
    "CausesAnswer",
    "CausesRequest",
    "CautionsAnswer",
    "CautionsRequest",
    "ClearanceAfterFitting",
    "DecodeAnswer",
    "DecodeRequest",
    "DutyAsked",
    "DutyRequest",
    "EncodeAnswer",
    "EncodeRequest",
    "EndPlayRequest",
    "EyeAnswer",
    "EyeQuestion",
    "FamilyFeature",
    "FamilyGroup",
    "FamilyKindAnswer",
    "FamilyName",
    "FeatureAgreement",
    "FeatureReadings",
    "FitAnswer",
    "FitRequest",
    "FitUpRequest",
    "FittedClearanceRequest",
    "GlandDuty",
    "GlandGroove",
    "GlandRequest",
    "GlandRing",
    "HandbookAnswer",
    "HandbookRequest",
    "HandbookTopic",
    "IdentifyAnswer",
    "IdentifyRequest",
    "InspectRequest",
    "InstrumentRequest",
    "Interchange",
    "InterchangeRequest",
    "InternalClearanceAnswer",
    "InternalClearanceRequest",
    "KindAnswer",
    "KindShare",
    "KindsAnswer",
    "KindsRequest",
    "LengthAnswer",
    "LengthRequest",
    "LimitsAnswer",
    "LimitsRequest",
    "LineCheckAnswer",
    "LineCheckRequest",
    "LipSealRequest",
    "MarkingReading",
    "Millimetres",
    "Name",
    "Nearest",
    "NeedleCount",
    "NeedlesRequest",
    "NextQuestion",
    "ObservationRequest",
    "PlaceRequest",
    "Plane",
    "Range",
    "Request",
    "RingLimitsRequest",
    "RubberAnswer",
    "RubberRequest",
    "RubberSeen",
    "RunInReading",
    "RunInRequest",
    "RunningRequest",
    "SeatCheck",
    "SeatRequest",
    "Span",
    "SpecRequest",
    "TakeInJudged",
    "TradeAnswer",
    "TradeRequest",
    "TrendReading",
    "TrendRequest",
    "TypedReading",
    "UncertaintyAnswer",
    "Unit",
    "UnitHintAnswer",
    "VariantAnswer",
    "Wanted",
    "WordAnswer",
    "ZoneAdvice",
    "ZoneAdviceRequest",
    "ZoneChoice",
]
