"""What a part sits in, runs on or seals against, judged by the rules of its kind."""

from ample.core.places.seats import (
    FittedBearing,
    SeatFacts,
    SeatJudgement,
    SeatSheet,
    SeatSide,
    SeatsJudged,
    check_seat_sheet,
    judge_seats,
)

__all__ = [
    "FittedBearing",
    "SeatFacts",
    "SeatJudgement",
    "SeatSheet",
    "SeatSide",
    "SeatsJudged",
    "check_seat_sheet",
    "judge_seats",
]
