"""What a part sits in, runs on or seals against, judged by the rules of its kind."""

from ample.core.places.seats import (
    SIDES,
    Absent,
    FittedBearing,
    SeatFacts,
    SeatJudgement,
    SeatName,
    SeatSheet,
    SeatSide,
    SeatsJudged,
    check_seat_sheet,
    judge_seats,
)

__all__ = [
    "SIDES",
    "Absent",
    "FittedBearing",
    "SeatFacts",
    "SeatJudgement",
    "SeatName",
    "SeatSheet",
    "SeatSide",
    "SeatsJudged",
    "check_seat_sheet",
    "judge_seats",
]
