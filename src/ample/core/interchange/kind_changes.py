"""What follows when one kind of seal, ring or small part takes the place of another, from a table."""

from __future__ import annotations

from dataclasses import dataclass
from fnmatch import fnmatchcase
from functools import lru_cache
from pathlib import Path

from ample.core.interchange.judgement import RANK
from ample.core.parts import SEALS
from ample.core.tables import read_table

JUDGEMENTS = ("better", "worse", "change")


@dataclass(frozen=True, slots=True)
class KindChange:
    """Kinds before and after (`*` for any letters), how that is judged, and what follows."""

    family: str
    before: str
    after: str
    judgement: str
    severity: str
    words: str

    def is_of(self, family: str, before: str, after: str) -> bool:
        """Whether the row is of this change."""
        return self.family == family and fnmatchcase(before, self.before) and fnmatchcase(after, self.after)


@lru_cache
def kind_changes() -> tuple[KindChange, ...]:
    """Every row in its order; refused when it names what does not exist."""
    rows = []
    for row in read_table(Path(__file__).with_name("seal_kind_changes.csv")).rows:
        made = KindChange(
            row["family"], row["from"], row["to"], row["judgement"], row["severity"], row["words"]
        )
        kinds = SEALS[made.family].kinds
        if not all(any(fnmatchcase(kind, name) for kind in kinds) for name in (made.before, made.after)):
            raise ValueError(f"seal_kind_changes.csv: {made.before} to {made.after} is of no {made.family}")
        if made.judgement not in JUDGEMENTS or made.severity not in RANK:
            raise ValueError(
                f"seal_kind_changes.csv: {made.before} to {made.after} is judged in no known way"
            )
        rows.append(made)
    return tuple(rows)


@lru_cache(maxsize=512)
def kind_change(family: str, before: str, after: str) -> KindChange | None:
    """The row that a change of kind is judged by; None when none speaks of it."""
    return next((row for row in kind_changes() if row.is_of(family, before, after)), None)
