"""What meets a requirement: facts of the trade, each as an old marking and one offered."""

import pytest

from ample.core.contract.specs import part_of_reading
from ample.core.designation import decode
from ample.core.interchange import Running, meets
from ample.core.parts.requirement import Evidence, OperatingConditions, requirement_of


def judged(old, new, duty=None, **more):
    readings = decode(old)
    offered = decode(new, family=readings[0].family)[0]
    wanted = requirement_of(Evidence(readings[0].family, old, readings, **more))
    return meets(wanted, part_of_reading(offered), offered.unread, duty)


# Old marking, offered, what contradicts, what is open. Common practice.
CASES = [
    ("TC 35x62x7 FKM", "TC 35x62x7 FKM", (), ()),
    ("TC 35x62x7 FKM", "TC 35x62x7 NBR", ("rubber",), ()),
    ("TC 35x62x7", "TC 35x62x7 NBR", (), ("rubber",)),
    ("22310 K C3", "22310 C3", ("bore shape",), ()),
    ("22310 K C3", "22310 K", ("clearance",), ()),
    ("6205 C4", "6205", ("clearance",), ()),
    ("6205", "6205 C3", (), ()),
    ("7206 B", "7206 A", ("contact angle",), ()),
    ("6308 NR", "6308", ("ring groove",), ()),
    ("6308 NR", "6308 N", ("ring groove",), ()),
    ("6205 VL0241", "6205", (), ("“VL0241”",)),
    ("6205 VL0241", "6205 VL0241", (), ()),
    ("6203", "6203-10", ("bore",), ()),
    ("7008 C P4 DB", "7008 C P4", ("pieces",), ()),
    ("7008 C P4 DB", "7008 C P4 DF", ("pieces",), ()),
    ("7008 C P4 DB", "7008 C P4 DB", (), ()),
    ("7008 C P4", "7008 C P4 DB", ("pieces",), ()),
    ("6205", "6205 P5", (), ()),
    ("6205 P5", "6205", ("class",), ()),
    ("8-222 cut", "8-222", ("kind",), ("rubber",)),
    ("U-CUP 1870-1125-375 PU", "U-CUP 1870-1125-375 NBR", ("rubber",), ()),
    ("6205-2RS", "6205-LLU", (), ()),
    ("6205-2RS", "6205-ZZ", ("closure",), ()),
]  # fmt: skip


@pytest.mark.parametrize(("old", "new", "contradictions", "open_points"), CASES)
def test_what_contradicts_and_what_is_open(old, new, contradictions, open_points):
    found = judged(old, new)
    assert (found.contradictions, found.open) == (contradictions, open_points)
    assert all(each.known for each in found.attributes)


def test_a_rubber_is_held_against_its_medium():
    brakes = OperatingConditions(medium="brake_fluid")
    found = judged("ORING -222 EPDM 70", "ORING -222 NBR 70", duty=None)
    assert "rubber" in found.contradictions
    readings = decode("ORING -222")
    wanted = requirement_of(Evidence("o_ring", "ORING -222", readings, duty=brakes))
    nbr, epdm = (part_of_reading(decode(f"ORING -222 {rubber} 70")[0]) for rubber in ("NBR", "EPDM"))
    assert meets(wanted, nbr).verdict == "not_interchangeable"
    assert "medium" in meets(wanted, nbr).contradictions
    suits = meets(wanted, epdm)
    assert (suits.verdict, suits.open, suits.contradictions) == ("drop_in", (), ())


def test_without_marks_the_closure_is_open_until_somebody_looks():
    spec = part_of_reading(decode("6205-2RS")[0])
    wanted = requirement_of(Evidence("bearing", size_of=spec))
    assert meets(wanted, spec).open == ("closure",)
    said = requirement_of(Evidence("bearing", size_of=spec, said=(("closure", "seal_two"),)))
    assert meets(said, spec, duty=Running(rpm=1450)).open == ()
