"""The short form of `./ample bench --fuzz`: texts that nobody would type, asked of the core and over HTTP."""

import pytest
from benchmarks.fuzz import _lane, fuzz_core, fuzz_http

from tests.template import copy_of


def test_no_text_makes_the_core_crash():
    """21 of 300,000 did: a Turkish i taken for the one of an inch."""
    crashed, _ = _lane((5, 4000))
    assert crashed == []


@pytest.mark.long
def test_no_text_of_many_makes_the_core_crash():
    assert fuzz_core(60_000)["crashed"] == 0


@pytest.mark.long
def test_no_text_makes_the_server_fail(tmp_path):
    found = fuzz_http(3000, copy_of("demo", tmp_path / "home"))
    assert found["requests"] == 3000
    assert found["faults"] == []
