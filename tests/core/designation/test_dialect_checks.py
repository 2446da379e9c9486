import pytest

from ample.core.designation import checked_dialect
from ample.core.errors import BadInput
from ample.demo.catalogue import MAKERS, dialect_rows

SEALS = {"place": "suffix", "attribute": "closure", "meaning": "x", "basis": "a list"}


def row(code, value="seal_two", **more):
    return SEALS | {"code": code, "value": value} | more


@pytest.mark.parametrize("maker", MAKERS)
def test_the_demo_dialects_pass(maker):
    assert len(checked_dialect(maker, dialect_rows(maker)).codes) >= 10


def test_a_code_for_one_kind_is_tried_on_that_kind():
    held = checked_dialect("trial", [row("QQ", "steel_pressed", attribute="cage", kinds="taper")])
    assert held.codes[0].is_of("taper", "taper")
    assert not held.codes[0].is_of("deep_groove", "ball")


def test_a_code_that_another_hides_is_refused_by_name():
    """QA, then QAB on the same sizes: in 6205-QAB the longer code is read, never QA with B."""
    with pytest.raises(BadInput, match="QAB may hide it"):
        checked_dialect("trial", [row("QA", example="6205-QAB"), row("QAB", "seal_one")])


def test_an_example_without_the_code_is_refused():
    with pytest.raises(BadInput, match="is not read in its example"):
        checked_dialect("trial", [row("QQ", example="6205-ZZ")])


@pytest.mark.parametrize("bad", [
    [], [row("QQ", kinds="gear")], [row("QQ"), row("QQ")], [row("qq")], [row("QQ", place="middle")],
    [row("QQ")] * 401,
])  # fmt: skip
def test_a_bad_file_is_refused(bad):
    with pytest.raises(BadInput):
        checked_dialect("trial", bad)


def test_one_code_may_mean_one_thing_on_one_kind_and_another_on_another():
    rows = [
        row("QB", "40", attribute="angle", kinds="angular_contact"),
        row("QB", "steep", attribute="angle", kinds="taper"),
    ]
    held = checked_dialect("trial", rows)
    assert len(held.suffixes_of("taper", "taper")["QB"]) == 1
