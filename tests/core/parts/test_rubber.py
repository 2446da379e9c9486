"""Rubbers by evidence: hand, eye, scale and what the ring stood in; and what is said where nobody knows the rubber."""

import pytest

from ample.core import contract
from ample.core.errors import BadInput
from ample.core.operations.identify import identify_part
from ample.core.parts.rubber import MEDIA, Clues, medium_words, rubber_by_evidence, rubber_for, rubbers


@pytest.mark.parametrize(
    ("rubber", "low", "high"),
    [("NBR", 1.15, 1.35), ("EPDM", 1.05, 1.2), ("FKM", 1.8, 2.05), ("VMQ", 1.1, 1.35), ("PTFE", 2.1, 2.25)],
)
def test_densities_are_those_of_the_trade_pages(rubber, low, high):
    assert rubbers()[rubber].density_g_cm3 == (low, high)


@pytest.mark.parametrize(
    ("air", "water", "density"), [(10.0, 4.75, 1.901), (3.10, 0.62, 1.2475), (21.5, 11.5, 2.146)]
)
def test_density_by_two_weighings(air, water, density):
    """ρ = m_air · ρ_water / (m_air − m_water)."""
    assert rubber_by_evidence(Clues(mass_air_g=air, mass_water_g=water)).density_g_cm3 == pytest.approx(
        density, abs=0.001
    )


def test_density_tells_fluoro_rubber_and_ptfe_and_nothing_else():
    fkm = rubber_by_evidence(Clues(mass_air_g=10, mass_water_g=4.75))
    assert (fkm.chances[0].rubber, fkm.settled) == ("FKM", True)
    ptfe = rubber_by_evidence(Clues(mass_air_g=21.5, mass_water_g=11.5))
    assert (ptfe.chances[0].rubber, ptfe.settled) == ("PTFE", True)
    for water in (0.98, 1.3, 1.7, 2.2):
        assert not rubber_by_evidence(Clues(mass_air_g=10, mass_water_g=water)).settled


def test_nbr_and_epdm_are_never_told_by_density_hardness_and_colour():
    found = rubber_by_evidence(Clues(hardness_shore_a=70, colour="black", mass_air_g=10, mass_water_g=1.55))
    chances = {each.rubber: each.probability for each in found.chances}
    assert chances["NBR"] > 0.03
    assert chances["EPDM"] > 0.03
    assert any("cannot be told" in words for words in found.words)


def test_colour_is_a_weak_hint():
    plain, brown = (
        rubber_by_evidence(Clues(hardness_shore_a=75)),
        rubber_by_evidence(Clues(hardness_shore_a=75, colour="brown")),
    )
    rise = {each.rubber: each.probability for each in brown.chances}["FKM"] / {
        each.rubber: each.probability for each in plain.chances
    }["FKM"]
    assert 1 < rise < 4
    assert not brown.settled


def test_what_swelled_in_oil_was_the_wrong_rubber():
    found = rubber_by_evidence(Clues(stood_in="mineral_oil", swelling="much"))
    assert found.chances[0].rubber == "EPDM"
    assert any("wrong material" in words for words in found.words)


@pytest.mark.parametrize(
    "clues",
    [{"colour": "mauve"}, {"stood_in": "custard"}, {"swelling": "lots"}, {"hardness_shore_a": 5}, {"mass_air_g": 1.0},
     {"mass_air_g": 1.0, "mass_water_g": 1.0}, {"mass_air_g": 1.0, "mass_water_g": 2.0}, {"scale_g": 0.0}],
)  # fmt: skip
def test_clues_that_cannot_be_are_refused_in_words(clues):
    with pytest.raises(BadInput):
        Clues(**clues)


def test_chances_add_up():
    for clues in (Clues(), Clues(hardness_shore_a=90), Clues(stood_in="steam", swelling="none", heat_c=150)):
        assert sum(each.probability for each in rubber_by_evidence(clues).chances) == pytest.approx(1)


# What each stands: a trade fact a row (common practice; refrigerants, phosphate esters and fillings as in the audit).
STANDS = [
    ("brake_fluid", "EPDM", True), ("brake_fluid", "NBR", False), ("mineral_oil", "EPDM", False),
    ("mineral_oil", "NBR", True), ("steam", "FKM", False), ("steam", "EPDM", True), ("alkali", "EPDM", True),
    ("alkali", "FKM", False), ("acid", "FKM", True), ("acid", "PU", False), ("phosphate_ester", "FKM", False),
    ("industrial_phosphate_ester", "FKM", True), ("phosphate_ester", "EPDM", True), ("refrigerant", "EPDM", False),
    ("refrigerant_with_pag_oil", "EPDM", True), ("refrigerant_with_pag_oil", "FKM", False), ("fuel", "FVMQ", True),
    ("fuel", "VMQ", False), ("acid", "FFKM", True), ("steam", "FEPM", True), ("mineral_oil", "AEM", True),
]  # fmt: skip


@pytest.mark.parametrize(("medium", "rubber", "well"), STANDS)
def test_what_a_rubber_stands(medium, rubber, well):
    stands = rubbers()[rubber].stands[medium]
    assert stands >= 0.7 if well else stands < 0.4


@pytest.mark.parametrize(
    ("air", "water", "rubber"), [(10.0, 7.1, "PTFE-Bz"), (10.0, 4.75, "FKM"), (21.5, 11.5, "PTFE")]
)
def test_what_density_tells(air, water, rubber):
    """3.44 g/cm³ is bronze in PTFE, 1.90 fluoro rubber, 2.15 plain PTFE."""
    found = rubber_by_evidence(Clues(mass_air_g=air, mass_water_g=water))
    assert (found.chances[0].rubber, found.settled) == (rubber, True)


def test_what_is_like_no_rubber_is_said_to_be_none_of_these():
    found = rubber_by_evidence(
        Clues(mass_air_g=10, mass_water_g=6.2, hardness_shore_a=40)
    )  # 2.63 g/cm³, and soft
    assert found.chances[0].rubber == "other"
    assert not found.settled
    assert "None of the usual" in found.words[0]


def test_none_of_these_keeps_a_small_chance_where_the_clues_fit():
    chances = {
        each.rubber: each.probability for each in rubber_by_evidence(Clues(hardness_shore_a=70)).chances
    }
    assert 0 < chances["other"] < 0.05


def asked(medium, **more):
    body = {"family": "o_ring", "kind": "o_ring", "duty": {"medium": medium}, **more}
    body["observations"] = [
        {"feature": "inside", "values": ["37.7 mm"]},
        {"feature": "section_1", "values": ["3.5 mm"]},
    ]
    return identify_part(contract.IdentifyRequest.model_validate(body)).advice


def test_where_the_medium_is_known_and_the_rubber_is_not_it_is_asked_first():
    said = asked("brake_fluid")[0]
    assert "rubber is not known" in said
    good, bad = said.split(";")
    assert "EPDM" in good
    assert "NBR" in bad
    assert bad.endswith("fail.")


@pytest.mark.parametrize("more", [{"said": {"material": "EPDM"}}, {"marking": "214 N70"}])
def test_it_is_not_asked_where_it_is_known(more):
    assert not any("rubber is not known" in text for text in asked("brake_fluid", **more))


def test_nor_where_the_medium_is_not():
    assert not any("rubber is not known" in text for text in asked(""))
    assert rubber_for("") == rubber_for("custard") == ""


@pytest.mark.parametrize("medium", MEDIA)
def test_every_medium_has_words_and_a_rubber_that_stands_it(medium):
    assert "_" not in medium_words(medium)
    assert "PTFE" in rubber_for(medium).split(";")[0]
