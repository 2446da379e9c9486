"""What can hurt someone here: cautions by unit, stored energy, fluid and work."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from ample.core.errors import BadInput
from ample.core.tables import read_table

HERE = Path(__file__).parent
STAGES = ("strip", "inspect", "fit", "prove")


@dataclass(frozen=True)
class UnitKind:
    """A kind of unit with the stored energies and fluids that usually belong to it."""

    unit: str
    words: str
    energies: tuple[str, ...]
    fluids: tuple[str, ...]


@dataclass(frozen=True)
class Situation:
    """What is there: kind of unit, stored energies, fluids, work to be done, what depends on it."""

    unit: str = "other"
    energies: tuple[str, ...] = ()
    fluids: tuple[str, ...] = ()
    works: tuple[str, ...] = ()
    duties: tuple[str, ...] = ()

    def __post_init__(self) -> None:
        if self.unit not in known_units():
            raise BadInput("no_such_unit", f"Unknown kind of unit “{self.unit[:30]}”.", "unit")
        lists = ("energy", self.energies), ("fluid", self.fluids), ("work", self.works), ("duty", self.duties)
        for kind, names in lists:
            for name in names:
                if (kind, name) not in known_words():
                    raise BadInput("no_such_word", f"Unknown {kind} “{name[:30]}”.", kind)

    def holds(self, when: str) -> bool:
        """Whether a caution's condition is met."""
        kind, _, name = when.partition(":")
        own = {
            "energy": self.energies, "fluid": self.fluids, "work": self.works, "unit": (self.unit,),
            "duty": self.duties, "unsaid": () if self.duties else ("duty",),
        }  # fmt: skip
        return kind == "always" or name in own[kind]


@dataclass(frozen=True)
class Caution:
    """A card: at which stage, because of what, what to do, and who must be licensed."""

    caution: str
    stage: str
    when: str
    title: str
    do: str
    licence: str


@lru_cache(maxsize=1)
def known_units() -> dict[str, UnitKind]:
    """The kinds of unit, in the order they are shown."""
    return {
        row["unit"]: UnitKind(row["unit"], row["words"], _names(row["energies"]), _names(row["fluids"]))
        for row in read_table(HERE / "stored.csv").rows
    }


def _names(text: str) -> tuple[str, ...]:
    return tuple(name for name in text.split("|") if name)


@lru_cache(maxsize=1)
def known_words() -> dict[tuple[str, str], str]:
    """The words for energies, fluids and works, by kind and name."""
    return {(row["kind"], row["name"]): row["words"] for row in read_table(HERE / "words.csv").rows}


@lru_cache(maxsize=1)
def known_cautions() -> tuple[Caution, ...]:
    """Every caution; one for an unknown stage or condition is a fault of the table."""
    found = tuple(Caution(**row) for row in read_table(HERE / "cautions.csv").rows)
    for each in found:
        kind, _, name = each.when.partition(":")
        known = (
            kind == "always"
            or each.when == "unsaid:duty"
            or (name in known_units() if kind == "unit" else (kind, name) in known_words())
        )
        if each.stage not in STAGES or not known:
            raise ValueError(f"cautions.csv: {each.caution} has an unknown stage or condition")
    return found


def cautions_for(situation: Situation) -> tuple[Caution, ...]:
    """The cautions that belong to a situation.

    Args:
        situation: Unit, stored energies, fluids and work to be done.

    Returns:
        The cards in the order of the work; never empty, and never a word that anything is safe.

    Raises:
        Nothing: an unknown name is refused when the situation is made.

    Source: common practice; local rules and licensed people decide.

    Example:
        >>> found = cautions_for(Situation("cooler", fluids=("refrigerant",)))
        >>> [each.licence for each in found if each.caution == "refrigerant"]
        ['licensed for refrigerants']
    """
    met = [each for each in known_cautions() if situation.holds(each.when)]
    return tuple(sorted(met, key=lambda each: (STAGES.index(each.stage), not each.licence)))
