"""Lines as they are asked for at a counter: what leads the answer, whether it came as a reading or from sizes."""

from fnmatch import fnmatchcase
from urllib.parse import quote

import pytest

from tests.tables import published

LINES = published("counter_lines.csv") + published("counter_lines_again.csv")


def leading(answer):
    if answer["readings"]:
        return answer["readings"][0]["reading"]["designation"]
    candidates = (answer["by_size"] or {}).get("candidates") or [{"designation": ""}]
    return candidates[0]["designation"]


@pytest.mark.parametrize("row", LINES, ids=[row["text"] for row in LINES])
def test_what_is_asked_for_leads(as_role, row):
    answer = as_role("counter").get(f"/api/counter?text={quote(row['text'])}").get_json()
    assert fnmatchcase(leading(answer), row["leads"]), row["basis"]


def test_what_a_mark_says_already_still_goes_to_the_bench(as_role):
    answer = as_role("counter").get("/api/counter?text=6205 52 od").get_json()
    assert answer["readings"][0]["stock"]
    assert (answer["asked"]["marking"], answer["by_size"]) == ("6205", None)
    assert [(each["feature"], each["typed"]) for each in answer["asked"]["sizes"]] == [("outside", "52")]
