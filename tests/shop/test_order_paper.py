"""What goes in at the Bench stands on the order paper, or in its differences: of every family, whatever is typed."""

import csv
import io
from decimal import Decimal

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from ample.core.contract import BenchSheet, FeatureReadings
from ample.core.designation.dialects import general_dialect
from ample.core.designation.titles import title_of
from ample.core.identify import standard_catalogue
from ample.core.interchange import meets
from ample.core.operations.bench import request_of
from ample.core.operations.identify import requirement_for
from ample.core.parts import FAMILIES
from ample.core.parts.requirement import PAIRS
from ample.core.parts.specifying import attribute_values
from ample.shop.bench.requirements import as_json, from_json
from ample.shop.catalogue.columns import columns_of, spec_of
from ample.shop.catalogue.records import Item
from ample.shop.orders.export import sheet_csv
from ample.shop.orders.records import OrderLine, OrderSheet

KNOWN = set(FeatureReadings.model_fields["feature"].annotation.__args__)
CODES = sorted({code for code in general_dialect().suffixes if code.isalnum()})
WORDS = ["NBR", "FKM", "EPDM", "PU", "PTFE", "70", "VL0241", "cut", "TC"]


def _some(family):
    entries = standard_catalogue(family).entries
    return [entries[n].spec for n in range(0, len(entries), max(1, len(entries) // 80))]


SPECS = {family: _some(family) for family in FAMILIES}


@st.composite
def benches(draw):
    """A family, what is typed at the Bench, the size confirmed and what is ordered."""
    family = draw(st.sampled_from(sorted(FAMILIES)))
    confirmed, ordered = draw(st.sampled_from(SPECS[family])), draw(st.sampled_from(SPECS[family]))
    words = draw(st.lists(st.sampled_from(CODES if family == "bearing" else WORDS), max_size=3))
    marking = draw(st.sampled_from(["", " ".join([confirmed.designation, *words])[:60]]))
    described = FAMILIES[family]
    features = [each.name for each in described.features if each.name in KNOWN]
    read = draw(st.lists(st.sampled_from(features), max_size=3, unique=True))
    questions = (
        draw(st.lists(st.sampled_from(described.questions), max_size=2, unique=True))
        if described.questions
        else []
    )
    sheet = BenchSheet(
        family=family, marking=marking,
        condition=draw(st.sampled_from(["", *[c for c in ("worn", "used", "swollen") if c in described.seen_words]])),
        kind=draw(st.sampled_from(["", confirmed.kind])),
        answers={each.name: draw(st.sampled_from(each.answers))[0] for each in questions},
        said=draw(st.sampled_from([{}, {"material": "FKM"}, {"closure": "open"}])),
        medium=draw(st.sampled_from(["", "water", "mineral_oil"])),
        temperature_c=draw(st.sampled_from([None, -20.0, 95.5])),
        observations=[
            {"feature": name, "instrument": "caliper",
             "readings": [{"typed": f"{draw(st.floats(1, 150)):.2f}"} for _ in range(draw(st.integers(1, 2)))]}
            for name in read
        ],
    )  # fmt: skip
    return family, sheet, confirmed, ordered


def item_of(spec):
    row = columns_of(spec) | {
        "item_id": 1, "maker": "Oldwick", "marking": spec.designation, "stock_quantity": 0, "stock_place": "",
        "confirmed_count": 0,
    }  # fmt: skip
    return Item(**row)


def paper(wanted, item):
    """The order as CSV, read back."""
    judged = meets(wanted, item.spec) if wanted.spec is not None else None
    line = OrderLine(
        line_id=1, part_id=1, part_name="part", job_number="0412", job_title="job", replaces=title_of(wanted),
        requirement=wanted, item=item, ball_mm=0.0, changes=[], match_item_id=None, needed=wanted.count,
        differences=[e for e in judged.attributes if e.judgement != "same"] if judged else [],
        withdrawn_at=None, withdrawn_by=None, withdrawn_reason=None, quantity=1, price=Decimal("1.00"), lead_days=1,
        version=1, lights=[], open_lights=0, other_offers=[],
    )  # fmt: skip
    sheet = OrderSheet(
        order_id=1, number="P0001", supplier_id=1, supplier="Lowgate", place="", state="open", placed_at=None,
        placed_by=None, version=1, lines=[line], total=Decimal("1.00"), longest_days=1, ready=False,
    )  # fmt: skip
    (row,) = csv.DictReader(io.StringIO(sheet_csv(sheet)))
    return {name: text.removeprefix("'") for name, text in row.items()}  # as a spreadsheet shows it


@settings(max_examples=300, deadline=None)
@given(benches())
def test_what_goes_in_at_the_bench_stands_on_the_order_paper(bench):
    family, typed, confirmed, ordered = bench
    wanted = from_json(as_json(requirement_for(request_of(typed, 1, family), confirmed)))
    item = item_of(ordered)
    row = paper(wanted, item)
    for each in wanted.attributes:
        assert f"{each.name}={each.value or '?'} ({each.basis})" in row["required_attributes"].split("; ")
    for name, value in typed.said.items():
        assert f"{name}={value} (" in row["required_attributes"] or f"{name}: " in row["seen"]
    assert row["not_understood"].split() == " ".join(wanted.unread).split()
    assert row["medium"] == typed.medium
    assert row["temperature_c"] == ("" if typed.temperature_c is None else f"{typed.temperature_c:g}")
    assert row["arrangement"] == wanted.arrangement
    for each in typed.observations:
        assert f"{each.feature}=" in row["measured"]
    for question, answer in typed.answers.items():
        assert f"{question}={answer}" in row["seen"]
    for text in filter(None, (typed.kind, typed.condition)):
        assert text in row["seen"]
    _nothing_is_hidden(wanted, item, row)


def _nothing_is_hidden(wanted, item, row):
    """What is stated and not what is ordered is named among the differences."""
    own = attribute_values(item.spec)
    for each in wanted.attributes:
        if (
            each.basis == "stated"
            and each.name != "extra"
            and each.value != own.get(each.name, "")
            and wanted.spec
        ):
            assert row["differences"], each
    if wanted.arrangement and not any(extra in PAIRS for extra in own.get("extra", "").split()):
        assert "pieces" in row["differences"]


@pytest.mark.parametrize("family", sorted(FAMILIES))
def test_each_family_prints_its_own_dimensions_under_their_own_names(family):
    for spec in SPECS[family][::9]:
        item = item_of(spec)
        assert spec_of(columns_of(spec)).dimensions == pytest.approx(spec.dimensions, abs=1e-4)
        wanted = requirement_for(request_of(BenchSheet(family=family), 1, family), spec)
        row = paper(wanted, item)
        for name, mm in item.dimensions.items():
            assert float(row[name]) == pytest.approx(mm, rel=1e-4, abs=1e-3)
        others = {n for f in FAMILIES for s in SPECS[f][:1] for n in s.dimensions} - item.dimensions.keys()
        assert not others & row.keys()
