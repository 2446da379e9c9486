"""A phone in the hand: photograph a part, tick the fit-up, log a reading; a finger only, no keys."""

import re
import secrets

import pytest
from playwright.sync_api import expect

from tests.browser.test_history import a_job, saved
from tests.browser.test_line import picture
from tests.browser.test_second_half import LINE, kept

PHONE = {"width": 390, "height": 844}
SMALLEST_PX = 24


@pytest.fixture
def phone(browser, address, signed_in):
    context = browser.new_context(
        viewport=PHONE, has_touch=True, is_mobile=True, device_scale_factor=2, storage_state=signed_in("Wren")
    )
    faults = []
    page = context.new_page()
    page.on("pageerror", lambda error: faults.append(str(error)))
    page.set_default_timeout(15_000)
    yield lambda path: (page.goto(address + path), page)[1]
    context.close()
    assert faults == []


@pytest.fixture
def winch(person):
    bench = person()
    serial = f"WG-{secrets.token_hex(3)}"
    number = a_job(bench, f"Winch {serial}", serial)
    kept(bench.page, f"/api/jobs/{number}/line", {"version": 0, "sheet": LINE})
    return bench, number, serial


@pytest.mark.long
def test_a_part_is_photographed_with_a_phone(phone, winch):
    bench, number, _ = winch
    page = phone(f"/jobs/{number}/line")
    expect(page.get_by_text("This screen is drawn for a wider display")).to_be_visible()
    first = page.get_by_role("region", name="cautions before opening")
    first.wait_for()
    for left in range(first.get_by_role("button", name="I have read it").count(), 0, -1):
        expect(first.get_by_role("button", name="I have read it")).to_have_count(left)
        first.get_by_role("button", name="I have read it").first.tap()
    page.get_by_role("listbox").get_by_role("option").nth(1).tap()
    page.get_by_role("tab", name="photos").tap()
    with page.expect_file_chooser() as chooser:
        page.get_by_role("button", name="take or choose a photo").tap()
    assert chooser.value.element.get_attribute("capture") == "environment"
    chooser.value.set_files(picture())
    expect(page.get_by_role("img", name="photo of the part")).to_be_visible()
    # it is at the bench the next moment
    wide = bench.go(f"/jobs/{number}/line")
    wide.get_by_role("listbox").get_by_role("option").nth(1).click()
    wide.get_by_role("tab", name="photos").click()
    expect(wide.get_by_role("img", name="photo of the part")).to_be_visible()


@pytest.mark.long
def test_a_unit_is_put_together_with_a_phone_in_the_hand(phone, winch):
    bench, number, _ = winch
    page = phone(f"/jobs/{number}/fit-up")
    expect(page.locator("h1")).to_contain_text("Step 1 of")
    done = page.get_by_role("button", name="Done", exact=False)
    step = page.locator("article h2")
    box = done.bounding_box()
    assert box["y"] >= 0
    assert box["y"] + box["height"] <= PHONE["height"], "ticked without scrolling"
    for now in ("ball bearing", "Screw the slotted nut on", "Tighten the slotted nut"):
        done.tap()
        expect(step).to_contain_text(now)
    expect(page.locator("dl.figures")).to_contain_text("54.23")
    page.locator("input[name=reached]").fill("54")
    done.tap()
    expect(step).not_to_contain_text("Tighten")
    saved(page)
    wide = bench.go(f"/jobs/{number}/fit-up")
    expect(wide.get_by_role("list", name="steps")).to_contain_text("54 N·m")


@pytest.mark.long
def test_a_reading_is_logged_with_a_phone(phone, winch):
    _, number, serial = winch
    page = phone(f"/jobs/{number}/history")
    page.get_by_role("button", name="Start its history").tap()
    page.wait_for_url(re.compile("/units/"))
    page.get_by_role("radio", name="temperature").first.tap()
    page.locator("input[name=log-amount]").fill("46,5")
    page.get_by_role("button", name="Log it").tap()
    saved(page)
    expect(page.get_by_role("heading", name=re.compile(serial))).to_be_visible()
    page.reload()
    expect(page.get_by_role("region", name="limits and log")).to_contain_text("46,5")


TARGETS = """(least) => [...document.querySelectorAll('main button, main a, main input, main select')]
  .filter((each) => each.type !== 'file')
  .map((each) => [each.textContent.trim() || each.name, each.getBoundingClientRect()])
  .filter(([, box]) => box.width && box.height < least).map(([name, box]) => `${name}: ${box.height}`)"""


@pytest.mark.long
@pytest.mark.parametrize("view", ["line", "fit-up", "proof"])
def test_a_finger_finds_what_it_taps_and_no_key_is_spoken_of(phone, winch, view):
    page = phone(f"/jobs/{winch[1]}/{view}")
    page.locator("h1").first.wait_for(state="attached")
    page.wait_for_timeout(500)
    assert page.evaluate(TARGETS, SMALLEST_PX) == []
    assert page.locator("main kbd:visible").count() == 0


@pytest.mark.long
def test_answers_at_the_counter_fit_on_a_phone(phone):
    page = phone("/")
    page.get_by_role("combobox").first.fill("25x52x15")
    expect(page.get_by_role("option").first).to_contain_text("25 × 52 × 15")
    assert page.evaluate("document.documentElement.scrollWidth") <= PHONE["width"]
    assert page.get_by_role("option").first.bounding_box()["width"] <= PHONE["width"]
