"""What went wrong, what is dangerous, and what may be used again."""

from ample.core.condition.causes import Cause, FoundCause, find_causes, known_signs
from ample.core.condition.cautions import Caution, Situation, cautions_for, known_units, known_words
from ample.core.condition.inspection import Card, Verdict, card_of, inspect_part, known_cards
from ample.core.condition.keeping import KeepAdvice, keep_advice
from ample.core.condition.practice import PlannedPractice, Refusal, planned_practice, refused_practices

__all__ = [
    "Card",
    "Cause",
    "Caution",
    "FoundCause",
    "KeepAdvice",
    "PlannedPractice",
    "Refusal",
    "Situation",
    "Verdict",
    "card_of",
    "cautions_for",
    "find_causes",
    "inspect_part",
    "keep_advice",
    "known_cards",
    "known_signs",
    "known_units",
    "known_words",
    "planned_practice",
    "refused_practices",
]
