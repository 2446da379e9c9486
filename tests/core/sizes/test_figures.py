import pytest

from ample.core.sizes.figures import percent


@pytest.mark.parametrize(
    ("share", "digits", "words"),
    [
        (0.0, 0, "0 %"),
        (0.0001, 0, "under 1 %"),
        (0.0049, 0, "under 1 %"),
        (0.0094, 0, "1 %"),
        (0.01, 0, "1 %"),
        (0.5, 0, "50 %"),
        (0.994, 0, "99 %"),
        (0.999, 0, "over 99 %"),
        (1.0, 0, "100 %"),
        (0.0004, 1, "under 0.1 %"),
        (0.999, 1, "99.9 %"),
        (0.99951, 1, "over 99.9 %"),
        (1.0, 1, "100.0 %"),
    ],
)
def test_a_chance_is_never_written_as_certain_or_impossible(share, digits, words):
    assert percent(share, digits) == words
