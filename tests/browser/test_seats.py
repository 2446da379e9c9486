"""Seats and places by the rules of each kind, worked with the keys alone."""

import re

import pytest
from playwright.sync_api import expect

CONFIRM = re.compile("^Confirm")


def to_seats(person, make_part, marking, family="bearing"):
    """A part identified by its marking, on Seats."""
    number, part = make_part(family=family)
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    page.locator("input[name=marking]").fill(marking)
    page.get_by_role("button", name=CONFIRM).press("Enter")
    expect(page.get_by_role("button", name=CONFIRM)).to_have_count(0)
    page.goto(page.url.split("/jobs/")[0] + f"/jobs/{number}/parts/{part}/seats")
    return page


def typed(page, first_um, nominal, count=6):
    """Readings typed where the hand stands, each taken with Enter."""
    expect(page.locator(".seat-field").first).to_be_focused()
    for step in range(count):
        page.keyboard.type(f"{nominal + first_um / 1000 + (step % 3 - 1) * 0.0004:.4f}")
        page.keyboard.press("Enter")


@pytest.mark.parametrize(
    ("marking", "nominal", "um", "says"),
    [
        ("6205", 25, 6.5, "Shaft good"),
        ("22310", 50, 17, "Shaft good"),
        ("32210", 50, 17, "Shaft good"),
        ("HK2016", 20, -5, "Shaft good"),
        ("UC205", 25, -60, "Shaft not good"),
        ("51105", 25, 2.5, "Shaft good"),
        ("NATR25", 25, -13.5, "Shaft good"),
        ("6210", 50, 3, "Shaft cannot be decided"),
    ],
)
def test_a_shaft_is_judged_by_its_kind(person, make_part, marking, nominal, um, says):
    page = to_seats(person, make_part, marking)
    typed(page, um, nominal)
    expect(page.locator(".verdict h2").first).to_contain_text(says)


def test_a_yoke_roller_has_no_housing(person, make_part):
    page = to_seats(person, make_part, "NATR25")
    expect(page.get_by_role("region", name="verdict")).to_contain_text("no seat in a housing")
    expect(page.locator(".seat-field")).to_have_count(6)


def test_a_taper_bore_says_how_far_to_drive_up(person, make_part):
    page = to_seats(person, make_part, "22210K")
    verdict = page.get_by_role("region", name="verdict")
    expect(verdict).to_contain_text("0.025 … 0.030 mm")
    page.locator("input[name=sleeve_bore]").fill("45")
    expect(page.locator(".verdict h2").first).to_contain_text("Shaft not measured")


def test_what_would_decide_it_is_said_and_a_standard_decides(person, make_part):
    page = to_seats(person, make_part, "6210")
    typed(page, 11.2, 50)
    verdict = page.get_by_role("region", name="verdict")
    expect(verdict).to_contain_text("in k5")
    page.locator("input[name=shaft-standard]").fill("1.6")
    expect(page.get_by_role("img", name="shaft seat")).to_be_visible()
    expect(page.locator("svg text", has_text="U = ±2")).to_be_visible()


def test_a_spun_seat_gets_its_ways_back_and_its_signs(person, make_part):
    page = to_seats(person, make_part, "6205")
    typed(page, -65, 25)
    verdict = page.get_by_role("region", name="verdict")
    expect(verdict).to_contain_text("Sleeve it: turn down to 21.00 mm")
    expect(verdict).to_contain_text("Worn or machined out of its zone.")
    page.get_by_role("button", name="scored").press("Enter")
    expect(verdict).to_contain_text("The ring has turned on this seat.")


def measured(page, number_of):
    for name, text in number_of.items():
        field = page.locator(f"input[name={name}]")
        field.fill(text)
        field.press("Enter")


def to_place(person, make_part, marking, family, sizes):
    number, part = make_part(family=family)
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    page.locator("input[name=marking]").fill(marking)
    measured(page, sizes)
    page.get_by_role("button", name=CONFIRM).press("Enter")
    expect(page.get_by_role("button", name=CONFIRM)).to_have_count(0)
    page.goto(page.url.split("/jobs/")[0] + f"/jobs/{number}/parts/{part}/seats")
    return page


def test_a_lip_seal_at_its_place(person, make_part):
    page = to_place(person, make_part, "35x52x7", "lip_seal", {"shaft": "34.97", "housing_bore": "52.02"})
    verdict = page.get_by_role("region", name="verdict")
    expect(verdict).to_contain_text("Place good")
    page.locator("input[name=rpm]").fill("1450")
    expect(verdict).to_contain_text("2.7 m/s")
    page.locator("input[name=track_depth]").fill("10 thou")
    expect(verdict).to_contain_text("Place not good")
    expect(verdict).to_contain_text("Thin wear sleeve: 35.56 mm")
    page.get_by_role("button", name="keyway").press("Enter")
    expect(page.get_by_role("img", name="way in: keyway, harms the lip")).to_be_visible()
    page.locator("input[name=track_depth]").fill("deep")
    expect(page.get_by_role("alert").first).to_contain_text("cannot be read")


@pytest.mark.parametrize(
    ("drawn", "sizes", "said"),
    [
        (
            "in dovetail",
            {"dovetail_diameter": "44.19", "dovetail_opening": "2.97", "groove_depth": "2.82"},
            "2.97 wide",
        ),
        ("under connector", {"connector_diameter": "38.1", "connector_leg": "4.7"}, "4.70 wide"),
    ],
)
def test_a_ring_in_a_groove_of_another_shape(person, make_part, drawn, sizes, said):
    """Told at the Bench by what is measured of it, judged by its own rules at its place."""
    number, part = make_part(family="o_ring")
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    page.locator("input[name=marking]").fill("-222")
    page.get_by_role("radio", name=drawn).or_(page.get_by_role("button", name=drawn)).click()
    measured(page, sizes)
    page.get_by_role("button", name=CONFIRM).press("Enter")
    expect(page.get_by_role("button", name=CONFIRM)).to_have_count(0)
    page.goto(page.url.split("/jobs/")[0] + f"/jobs/{number}/parts/{part}/seats")
    expect(page.get_by_role("img", name=said)).to_be_visible()
    expect(page.get_by_role("region", name="verdict")).to_contain_text("Place good")


def test_a_ring_in_its_groove_under_pressure(person, make_part):
    sizes = {"groove_diameter": "38.5", "groove_width": "4.7", "groove_depth": "2.8"}
    page = to_place(person, make_part, "-222", "o_ring", sizes)
    expect(page.get_by_role("img", name="in a groove 4.70 wide")).to_be_visible()
    verdict = page.get_by_role("region", name="verdict")
    expect(verdict).to_contain_text("squeeze")
    page.locator("input[name=gap]").fill("4 thou")
    page.locator("input[name=pressure_bar]").fill("160")
    expect(verdict).to_contain_text("Backup ring on the side away from the pressure.")
    page.get_by_role("button", name="both sides").press("Enter")
    expect(verdict).to_contain_text("Backup ring on both sides.")


def opened(page, link):
    """The page of the handbook behind a why, opened from the verdict with the keys."""
    page.keyboard.press("Escape")
    page.keyboard.press("w")
    page.get_by_role("link", name=link).first.press("Enter")
    expect(page).to_have_url(re.compile("/reference/"))


def test_the_page_behind_a_why_opens_with_the_numbers_of_the_seat(person, make_part):
    page = to_seats(person, make_part, "6205")
    typed(page, 6.5, 25)
    expect(page.locator(".verdict h2").first).to_contain_text("Shaft good")
    seats = page.url
    opened(page, "what load and heat take")
    expect(page.locator("input[name=bore_mm]")).to_have_value("25")
    expect(page.locator("input[name=width_mm]")).to_have_value("15")
    expect(page.get_by_role("status").first).to_contain_text("by load")
    page.goto(seats)
    expect(page.locator(".verdict h2").first).to_contain_text("Shaft good")
    opened(page, "limits and fits")
    expect(page.locator("input[name=fit-size]")).to_have_value("25")
    expect(page.locator("input[name=fit-shaft]")).to_have_value("k5")


def test_so_does_the_page_of_a_gland(person, make_part):
    sizes = {"groove_diameter": "38.5", "groove_width": "4.7", "groove_depth": "2.8"}
    page = to_place(person, make_part, "-222", "o_ring", sizes)
    expect(page.get_by_role("img", name="in a groove 4.70 wide")).to_be_visible()
    expect(page.locator(".verdict h2").first).to_contain_text("Place good")
    opened(page, "gland formulas")
    expect(page.locator("input[name=inside_mm]")).to_have_value(re.compile("^37.69"))
    expect(page.locator("input[name=gland_depth_mm]")).to_have_value("2.8")
    expect(page.get_by_role("status").first).to_contain_text("%")


def test_and_that_of_the_lip_s_speed(person, make_part):
    page = to_place(person, make_part, "35x52x7", "lip_seal", {"shaft": "34.98"})
    page.locator("input[name=rpm]").fill("3000")
    verdict = page.get_by_role("region", name="verdict")
    expect(verdict).to_contain_text("5.5 m/s")
    opened(page, "lip speed")
    expect(page.locator("input[name=shaft_mm]")).to_have_value("35")
    expect(page.locator("input[name=rpm]")).to_have_value("3000")
    expect(page.get_by_role("status").first).to_contain_text("5.49")
