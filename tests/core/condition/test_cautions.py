"""Cautions: each reached by a situation, licences named, nothing ever said to be safe."""

import pytest

from ample.core.condition import Situation, cautions_for, known_units, known_words
from ample.core.condition.cautions import HERE, known_cautions
from ample.core.errors import BadInput

# what each situation must show, and who must be licensed: common practice
WANTED = [
    (Situation("cooler", fluids=("refrigerant",)), "refrigerant", "licensed for refrigerants"),
    (Situation("cylinder", energies=("accumulator",)), "accumulator", "pressure vessels"),
    (Situation("cylinder", energies=("pressure",)), "pressure", ""),
    (Situation("motor", energies=("capacitor",)), "capacitor", "electrician"),
    (Situation("pump", energies=("electricity",)), "mains", "electrician"),
    (Situation("pump", energies=("electricity",)), "powered_test", "electrician"),
    (Situation("compressor", fluids=("gas",)), "gas", "gas fitter"),
    (Situation("other", works=("burnt",)), "fluoro", "specialist"),
    (Situation("other", works=("old_gasket",)), "asbestos", "licensed asbestos"),
    (Situation("winch"), "winch_load", ""),
    (Situation("thruster", duties=("hull",)), "water_entry", "responsible"),
    (Situation("pump", duties=("fire",)), "pump_start", "fire officer"),
    (Situation("cylinder", duties=("gate",)), "over_water", "responsible"),
    (Situation("other", duties=("people",)), "people", "responsible"),
    (Situation("pump"), "depends", ""),
    (Situation("engine", energies=("spring",)), "spring", ""),
    (Situation("other", works=("press",)), "press", ""),
    (Situation("other", works=("drive",)), "hammer", ""),
    (Situation("other", works=("solvent",)), "solvent", ""),
    (Situation("other", energies=("raised_load",)), "raised", "slinger"),
]


@pytest.mark.parametrize(("situation", "caution", "licence"), WANTED, ids=lambda each: str(each)[:40])
def test_a_situation_shows_its_caution_and_who_must_be_licensed(situation, caution, licence):
    found = {each.caution: each for each in cautions_for(situation)}
    assert licence in found[caution].licence


def test_every_caution_is_reached_by_some_situation():
    every = [Situation(unit) for unit in known_units()]
    names = {
        kind: tuple(name for k, name in known_words() if k == kind)
        for kind in ("energy", "fluid", "work", "duty")
    }
    every.append(Situation("other", names["energy"], names["fluid"], names["work"], names["duty"]))
    assert {each.caution for situation in every for each in cautions_for(situation)} == {
        each.caution for each in known_cautions()
    }


@pytest.mark.parametrize("duty", ["none", "gate", "hull", "people"])
def test_a_pump_that_protects_from_no_fire_calls_for_no_fire_officer(duty):
    found = {each.caution for each in cautions_for(Situation("pump", duties=(duty,)))}
    assert not found & {"pump_start", "depends"}


def test_isolation_comes_with_every_unit():
    for unit in known_units():
        assert "isolate" in {each.caution for each in cautions_for(Situation(unit))}


def test_no_card_says_that_anything_is_safe():
    for name in ("cautions.csv", "refusals.csv", "card_rules.csv", "causes.csv"):
        assert " is safe" not in (HERE / name).read_text(encoding="utf-8").lower()


def test_usual_energies_and_fluids_of_a_unit_are_known_words():
    for unit in known_units().values():
        Situation(unit.unit, unit.energies, unit.fluids)


@pytest.mark.parametrize(
    ("values", "field"),
    [({"unit": "spaceship"}, "unit"), ({"energies": ("luck",)}, "energy"), ({"fluids": ("tea",)}, "fluid")],
)
def test_unknown_words_are_refused(values, field):
    with pytest.raises(BadInput) as refused:
        Situation(**values)
    assert refused.value.field == field
