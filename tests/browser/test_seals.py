"""The Bench for seals, rings and small parts: families, fields on the drawing, grooves, rubber, what replaces them."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.saving import shortly


def part_of(page, number, position):
    """The part at a place of a job's tray."""
    state = page.evaluate("async (n) => (await (await fetch('/api/jobs/' + n)).json())", number)
    return state["parts"][position - 1]["part"]["part_id"]


def opened(bench, number, part):
    """A part on the Bench with nothing read, the hand out of the field that it was led to: keys of one letter work."""
    page = bench.go(f"/jobs/{number}/parts/{part}/bench")
    page.get_by_text("Nothing measured yet").wait_for()
    page.locator(".bench :focus").wait_for()
    page.keyboard.press("Escape")
    return page


def read(page, **sizes):
    for name, typed in sizes.items():
        field = page.locator(f"input[name={name}]")
        field.fill(typed)
        field.press("Enter")
        expect(page.get_by_text("±").first).to_be_visible()
        expect(field).to_have_value(re.compile(r"\d"))


# The family's place among the families, its picture's key, what is read, what it is (ISO 6194-1, AS568, ISO 5597, DIN 471, DIN 6885).
PARTS = [
    (1, "1", {"shaft": "34.98", "outside": "52.25", "width": "7.05"}, "35 × 52 × 7", "lip seal"),
    (
        2,
        "1",
        {"inside": "37.72", "section_1": "3.52", "section_2": "3.50"},
        "37.694 × 3.531",
        "1/8 × 1 1/2 in",
    ),
    (
        3,
        "2",
        {"rod": "28.56", "section": "4.75", "height": "9.55"},
        "28.575 × 38.1 × 9.525",
        "1 1/8 x 1 1/2 x 3/8",
    ),
    (4, "2", {"shaft": "15.87", "seat_outside": "31.7"}, "15.875 × 31.75 × 10.319 × 22.225", "bellows"),
    (5, "1", {"groove_diameter": "28.58", "thickness": "1.47"}, "30 × 1.5", "retaining ring"),
    (6, "1", {"inside": "14.1", "outside": "17.9", "thickness": "1.4"}, "14 × 18 × 1.5", "copper"),
    (7, "1", {"key_width": "7.97", "key_height": "6.96", "key_length": "31.9"}, "8 × 7 × 32", "parallel key"),
]


@pytest.mark.parametrize(
    ("family", "key", "sizes", "size", "words"), shortly(PARTS, 2), ids=[each[3] for each in PARTS]
)
def test_a_part_of_each_family_is_told_by_keys(person, make_part, family, key, sizes, size, words):
    number, part = make_part()
    page = opened(person(), number, part)
    for step in range(1, family + 1):
        page.keyboard.press("f")
        expect(page.locator(".families button").nth(step)).to_have_attribute("aria-pressed", "true")
    page.keyboard.press(key)
    read(page, **sizes)
    expect(page.locator(".card.chosen .size")).to_have_text(size)
    expect(page.locator(".card.chosen")).to_contain_text(words)
    expect(page.locator(".drawing svg")).not_to_have_attribute("aria-label", re.compile("proportions only"))
    page.reload()
    expect(page.locator(".families button").nth(family)).to_have_attribute("aria-pressed", "true")
    expect(page.locator(".card.chosen .size")).to_have_text(size)


@pytest.mark.long
def test_a_ring_known_by_its_groove_is_drawn_in_it(person):
    page = person().go("/")
    page.goto(page.url.rstrip("/") + f"/jobs/0416/parts/{part_of(page, '0416', 9)}/bench")
    expect(page.locator("input[name=groove_diameter]")).to_have_value(re.compile("50.6"))
    expect(page.get_by_role("radio", name="on shaft")).to_have_attribute("aria-checked", "true")
    expect(page.locator(".card.chosen .size")).to_have_text("50 × 2.5")
    page.keyboard.press("Escape")
    for _ in range(5):
        page.keyboard.press("g")
    expect(page.get_by_role("radio", name="free")).to_have_attribute("aria-checked", "true")
    expect(page.locator(".drawing input[name=inside]")).to_be_visible()


@pytest.mark.long
def test_the_rubber_is_told_by_two_weighings(person):
    page = person().go("/")
    page.goto(page.url.rstrip("/") + f"/jobs/0416/parts/{part_of(page, '0416', 10)}/bench")
    page.get_by_text("Which rubber is it?").click()
    page.locator("input[name=mass_air_g]").fill("10")
    page.locator("input[name=mass_water_g]").fill("4.75")
    expect(page.locator("details.rubber")).to_contain_text("Order it in FKM")
    page.locator("input[name=mass_water_g]").fill("1.7")
    expect(page.locator("details.rubber")).to_contain_text("not confirmed")
    page.locator("input[name=mass_water_g]").fill("11")
    expect(page.locator("details.rubber [role=alert]")).to_contain_text("weigh less")


def test_a_seal_goes_from_the_bench_to_match_and_is_compared(person):
    page = person().go("/")
    page.goto(page.url.rstrip("/") + f"/jobs/0416/parts/{part_of(page, '0416', 6)}/bench")
    expect(page.locator(".card.chosen .vars b").first).to_have_text("-222")
    page.keyboard.press("Control+Enter")
    page.wait_for_url("**/match")
    expect(page.locator("main")).to_contain_text("dash number 222")
    expect(page.get_by_role("option").nth(1)).to_contain_text(re.compile("hardness|rubber"))
    page.keyboard.press("Enter")
    page.wait_for_url("**/seats")
    expect(page.locator(".places")).to_contain_text("Measure on the Bench: groove bottom on a shaft")
    page.keyboard.press("Control+Enter")
    page.wait_for_url("**/orders**")
    expect(page.locator("main")).to_contain_text("-222")


@pytest.mark.long
def test_the_counters_line_knows_seals_and_rings(person):
    page = person().go("/")
    line = page.get_by_role("combobox", name="Marking, size or job number")
    line.fill("1 1/2 x 1 3/4 x 1/8 o-ring")
    expect(page.get_by_role("option").first).to_contain_text("-222")
    line.fill("30x42x7")
    expect(page.get_by_role("option").first).to_contain_text("lip seal")
    expect(page.get_by_role("option").nth(1)).to_contain_text("61806")
    line.fill("214 N70")
    expect(page.get_by_role("option").first).to_contain_text("NBR")
    line.press("Enter")
    page.wait_for_url("**/bench")
    expect(page.locator(".families button").nth(2)).to_have_attribute("aria-pressed", "true")
    expect(page.locator(".card.chosen .vars b").first).to_have_text("-214")


@pytest.mark.long
def test_a_family_changed_by_mistake_loses_no_reading(person, make_part):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    page.get_by_text("Nothing measured yet").wait_for()
    read(page, bore="35.0", outside="52.2")
    page.keyboard.press("Escape")
    page.keyboard.press("f")
    expect(page.locator("input[name=shaft]")).to_have_value(re.compile("35.0"))
    expect(page.locator("input[name=outside]")).to_have_value(re.compile("52.2"))
    page.keyboard.press("Escape")
    page.keyboard.press("Shift+F")
    expect(page.locator("input[name=bore]")).to_have_value(re.compile("35.0"))


@pytest.mark.parametrize(
    ("inside", "section"), shortly([("498", "1.02"), ("1.8", "1.78"), ("394", "6.9"), ("570", "8.0")], 2)
)
@pytest.mark.long
def test_extreme_rings_are_drawn_readably(person, make_part, inside, section):
    number, part = make_part()
    page = opened(person(), number, part)
    page.keyboard.press("f")
    page.keyboard.press("f")
    page.keyboard.press("1")
    read(page, inside=inside, section_1=section)
    disc = page.locator(".drawing circle.disc").first
    box = disc.bounding_box()
    assert 40 < box["width"] < 260
    fields = [each.bounding_box() for each in page.locator(".drawing .field").all()]
    for i, one in enumerate(fields):
        for other in fields[i + 1 :]:
            apart = (
                one["x"] + one["width"] <= other["x"] + 1
                or other["x"] + other["width"] <= one["x"] + 1
                or one["y"] + one["height"] <= other["y"] + 1
                or other["y"] + other["height"] <= one["y"] + 1
            )
            assert apart, "two fields lie over each other"


def test_a_cylinders_seal_is_measured_by_its_groove_on_the_drawing(person, make_part):
    """ISO 5597 practice: a 40 mm rod in a groove of 50 by 9 takes the 40 × 50 × 8 cup."""
    number, part = make_part()
    page = opened(person(), number, part)
    for _ in range(3):
        page.keyboard.press("f")
    page.keyboard.press("1")
    page.keyboard.press("g")
    expect(page.get_by_role("radio", name="seated")).to_have_attribute("aria-checked", "true")
    expect(page.locator(".drawing .ghost").first).to_be_attached()
    for name in ("rod", "groove_diameter", "groove_width"):
        expect(page.locator(f".drawing input[name={name}]")).to_be_visible()
    expect(page.locator(".drawing input[name=section]")).to_have_count(0)
    read(page, rod="39.96", groove_diameter="50.03", groove_width="8.7")
    expect(page.locator(".card.chosen .size")).to_have_text("40 × 50 × 8")
    page.reload()
    expect(page.get_by_role("radio", name="seated")).to_have_attribute("aria-checked", "true")
    page.keyboard.press("Escape")
    page.keyboard.press("g")
    expect(page.locator(".drawing input[name=section]")).to_be_visible()
    expect(page.locator(".about input[name=groove_diameter]")).to_have_value(re.compile("50.03"))


@pytest.mark.long
def test_a_late_answer_does_not_take_the_hand_from_where_it_has_gone(person, make_part):
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    page.get_by_text("Nothing measured yet").wait_for()
    page.locator(".bench input:focus").wait_for()
    held = []
    page.route("**/api/bench/identify", lambda route: held.append(route))
    with page.expect_request("**/api/bench/identify"):
        page.locator("input[name=bore]").fill("25")
        page.locator("input[name=bore]").press("Enter")
    search = page.get_by_role("combobox", name="Marking, size or job number")
    search.focus()
    for route in held:
        route.continue_()
    expect(page.locator(".card.chosen")).to_be_visible()
    page.keyboard.type("0416")
    expect(search).to_have_value("0416")
    page.unroute_all(behavior="ignoreErrors")


@pytest.mark.long
def test_a_second_reading_typed_at_once_is_not_split_by_a_late_answer(person, make_part):
    number, part = make_part()
    page = opened(person(), number, part)
    bore, held = page.locator("input[name=bore]"), []
    page.route("**/api/bench/identify", lambda route: held.append(route))
    bore.focus()
    page.keyboard.type("25.01")
    with page.expect_request("**/api/bench/identify"):
        page.keyboard.press("Enter")
    page.keyboard.type("24.")
    for route in held:
        route.continue_()
    page.unroute_all(behavior="ignoreErrors")
    page.keyboard.type("99")
    expect(page.locator(".card.chosen")).to_be_visible()
    expect(bore).to_be_focused()
    expect(bore).to_have_value("24.99")


@pytest.mark.long
def test_keys_pressed_while_the_bench_is_loading_are_not_lost(stranger, make_part):
    """On a first visit the kinds of part come a little later than the page."""
    number, part = make_part()
    held = []
    stranger.page.route("**/api/calc/kinds", lambda route: held.append(route))
    stranger.sign_in()
    page = stranger.go(f"/jobs/{number}/parts/{part}/bench")
    page.get_by_role("group", name="family of part").wait_for()
    page.keyboard.press("Escape")
    for key in "fff1g":
        page.keyboard.press(key)
    expect(page.get_by_text("Nothing measured yet")).to_have_count(0)
    for route in held:
        route.continue_()
    expect(page.get_by_role("radio", name="seated")).to_have_attribute("aria-checked", "true")
    expect(page.locator(".families button").nth(3)).to_have_attribute("aria-pressed", "true")
    for name in ("rod", "groove_diameter", "groove_width"):
        expect(page.locator(f".drawing input[name={name}]")).to_be_visible()


@pytest.mark.long
def test_the_place_of_a_ring_is_drawn_with_what_was_measured_of_it(person):
    page = person().go("/")
    page.goto(page.url.rstrip("/") + f"/jobs/0416/parts/{part_of(page, '0416', 9)}/bench")
    expect(page.locator(".card.chosen .size")).to_have_text("50 × 2.5")
    page.keyboard.press("Control+Enter")
    page.wait_for_url("**/match")
    expect(page.get_by_role("option").first).to_be_visible()
    page.keyboard.press("Enter")
    page.wait_for_url("**/seats")
    drawing = page.get_by_role("img", name="in a groove 3.20 wide and 1.95 deep")
    expect(drawing).to_contain_text("3.20")
    expect(page.locator(".places")).to_contain_text("Place good")
    page.keyboard.press("b")
    page.wait_for_url("**/bench")
    expect(page.get_by_role("radio", name="on shaft")).to_have_attribute("aria-checked", "true")


def test_a_groove_in_a_bore_and_where_the_machine_was_built(person, make_part):
    """A gland of 45 for a rod of 39: the ring stands against it from within, and is of the list of its machine."""
    number, part = make_part()
    page = opened(person(), number, part)
    for _ in range(2):
        page.keyboard.press("f")
    page.keyboard.press("1")
    for _ in range(3):
        page.keyboard.press("g")
    expect(page.get_by_role("radio", name="in bore")).to_have_attribute("aria-checked", "true")
    read(page, bore_groove_diameter="45.02", groove_width="4.7")
    expect(page.locator(".card.chosen .size")).to_have_text("38.7 × 3.5")
    before = page.locator(".card.chosen").inner_text()
    page.keyboard.press("Escape")
    page.keyboard.press("j")
    page.keyboard.press("ArrowRight")
    page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    machine = page.get_by_role("group", name="where was the machine built?")
    expect(machine).to_contain_text("Far East ×")
    expect(page.locator(".card.chosen")).not_to_have_text(before)
    page.reload()
    expect(page.get_by_role("radio", name="in bore")).to_have_attribute("aria-checked", "true")
    expect(machine).to_contain_text("Far East ×")
    page.goto(page.url.split("/parts/")[0] + "/take-in")
    expect(page.locator("select[name=built-in]")).to_have_value("far_east")
    page.locator("select[name=built-in]").select_option("metric")
    expect(page.locator(".foot, footer").get_by_text("saved").first).to_be_visible()
    page.go_back()
    expect(machine).to_contain_text("Europe, metric ×")


def test_what_was_seen_of_a_rubber_stays_with_its_part_and_its_medium_is_the_parts(person, make_part):
    number, part = make_part()
    page = opened(person(), number, part)
    for _ in range(2):
        page.keyboard.press("f")
    read(page, inside="37.7", section_1="3.52")
    page.get_by_text("Which rubber is it?").click()
    page.locator("input[name=hardness_shore_a]").fill("70")
    page.locator("input[name=mass_air_g]").fill("10,00")
    page.locator("input[name=mass_water_g]").fill("4.75")
    page.locator("select[name=stood-in]").select_option("acid")
    expect(page.locator(".rubber ol b").first).to_have_text("FKM")
    expect(page.locator("select[name=medium]")).to_have_value("acid")
    page.get_by_role("button", name="Take FKM").click()
    expect(page.get_by_role("button", name="Take FKM")).to_have_count(0)
    expect(page.locator(".card.chosen")).to_contain_text("FKM")
    expect(page.get_by_text("saved").first).to_be_visible()
    page.reload()
    page.get_by_text("Which rubber is it?").click()
    expect(page.locator("input[name=mass_water_g]")).to_have_value("4.75")
    expect(page.locator("input[name=mass_air_g]")).to_have_value("10")
    expect(page.locator("select[name=stood-in]")).to_have_value("acid")
