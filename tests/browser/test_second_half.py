"""The second half of a job: put together step by step by keys, proved, closed; what the job knows arrives there."""

import json
import re
import secrets

import pytest
from playwright.sync_api import expect

from tests.browser.test_history import a_job, saved

LINE = {
    "lines": [{"key": "main", "name": "worm shaft", "inside": "grease"}],
    "parts": [
        {"key": "nut1", "line": "main", "kind": "nut", "name": "slotted nut",
         "fastener": {"thread": "M25x1.5", "torque": 40, "torque_unit": "ft-lb", "torque_source": "plate", "lock": "tab"}},
        {"key": "ball", "line": "main", "kind": "ball_bearing", "inside": {"typed": "25"}, "outside": {"typed": "52"}, "width": {"typed": "15"}, "marking": "6205"},
        {"key": "axle", "line": "main", "kind": "shaft", "name": "worm"},
        {"key": "seal", "line": "main", "kind": "lip_seal", "left": {"mark": "lip"}},
    ],
    "loose": [{"key": "pins", "what": "split pins", "came_out": 1, "tray": 1}],
}  # fmt: skip
PUT = """async ([path, body, method]) => {
    const { csrf_token } = await (await fetch('/api/session')).json()
    const headers = { 'Content-Type': 'application/json', 'X-CSRF-Token': csrf_token,
                      'Idempotency-Key': crypto.randomUUID() }
    const answer = await fetch(path, { method, headers, body: JSON.stringify(body) })
    return [answer.status, await answer.json()]
}"""


def kept(page, path, body, method="PUT"):
    status, answer = page.evaluate(PUT, [path, body, method])
    assert status < 300, answer
    return answer


@pytest.fixture
def stripped(person):
    """A job with a line, at its fit-up."""
    bench = person()
    number = a_job(bench, f"Winch {secrets.token_hex(3)}")
    kept(bench.page, f"/api/jobs/{number}/line", {"version": 0, "sheet": LINE})
    bench.go(f"/jobs/{number}/fit-up")
    expect(bench.page.locator("h1")).to_contain_text("Step 1 of")
    return bench, number


def step(page):
    return page.locator("article h2")


def test_a_unit_is_put_together_by_one_key_and_its_torque_is_judged(stripped):
    page = stripped[0].page
    expect(step(page)).to_contain_text("Prepare the worm")
    page.keyboard.press("Space")
    expect(step(page)).to_contain_text("ball bearing")
    figures = page.locator("dl.figures")
    expect(figures).to_contain_text("25–30.4")
    assert (
        figures.locator("dd.fig").first.evaluate("each => parseFloat(getComputedStyle(each).fontSize)") >= 40
    )
    page.keyboard.press("PageDown")  # a foot pedal
    expect(step(page)).to_contain_text("Screw the slotted nut on by hand")
    page.keyboard.press("Space")
    expect(step(page)).to_contain_text("Tighten the slotted nut")
    expect(figures).to_contain_text("40 ft-lb")  # in N·m and in-lb beside it, recorded in ft-lb
    page.keyboard.press("g")
    expect(figures.locator("dd.fig").first).to_contain_text("40")
    page.keyboard.press("f")
    page.keyboard.type("51")
    page.keyboard.press("Tab")
    expect(page.locator(".fields")).to_contain_text("+27.5 %: not what was recorded")
    page.locator("input[name=reached]").fill("40,5")
    page.keyboard.press("Enter")
    expect(step(page)).not_to_contain_text("Tighten")
    saved(page)
    # closed and opened again: all ticks are there
    page.reload()
    expect(page.get_by_role("list", name="steps")).to_contain_text("40,5 ft-lb")
    expect(page.locator("h1")).not_to_contain_text("Step 1 ")
    expect(page.get_by_role("region", name="together")).to_contain_text("split pins (1)")


@pytest.mark.long
def test_what_comes_with_a_part_and_how_it_goes_on_changes_the_steps(stripped):
    page = stripped[0].page
    page.keyboard.press("Space")
    expect(step(page)).to_contain_text("Push the ball bearing")
    page.keyboard.press("m")
    page.keyboard.press("m")
    expect(page.get_by_role("list", name="steps")).to_contain_text("warm ball bearing")
    expect(page.get_by_role("list", name="steps")).to_contain_text("cool ball bearing")
    page.locator("input[name=supplied]").fill("transport plug")
    page.keyboard.press("Tab")
    expect(page.get_by_role("list", name="steps")).to_contain_text("off ball bearing")


def test_nobody_calls_it_together_or_closes_it_over_open_points_without_a_reason(stripped):
    bench, number = stripped
    page = bench.page
    page.keyboard.press("Space")
    button = page.get_by_role("button", name=re.compile("Complete with "))
    expect(button).to_be_disabled()
    page.locator("input[name=reason]").fill("Put together at the lock last week.")
    button.click()
    page.get_by_role("link", name="go to Proof").click()
    expect(page.get_by_role("heading", name="Set and prove")).to_be_visible()
    closing = page.get_by_role("region", name="closing")
    expect(closing).to_contain_text("Tighten the slotted nut")  # the forgotten torque has come along
    expect(closing.get_by_role("button", name=re.compile("Close with"))).to_be_disabled()
    # the checks of this unit, by keys
    checks = page.get_by_role("list", name="checks")
    for _ in range(checks.get_by_role("listitem").count()):
        page.keyboard.press("h")
    expect(closing).not_to_contain_text("is not checked")
    closing.locator("input[name=reason]").fill("The lock-keeper tightens it on Monday.")
    page.keyboard.press("Alt+e")
    expect(page.locator(".where")).to_contain_text("closed")
    closing.get_by_role("button", name="sign this version").click()
    expect(closing).to_contain_text("signed by Wren")
    # it has left the Counter, and its history opens
    closing.get_by_role("link", name="history of the unit").click()
    expect(page).to_have_url(re.compile(f"/jobs/{number}/history|/units/"))
    bench.go("/")
    expect(page.get_by_role("heading", name=re.compile("to prove"))).to_be_visible()
    expect(page.get_by_role("link", name=re.compile(f"^{number}"))).to_have_count(0)


def test_runs_set_points_plays_and_fills_are_judged_as_they_are_typed(stripped):
    bench, number = stripped
    page = bench.go(f"/jobs/{number}/proof")
    expect(page.get_by_role("list", name="checks")).to_contain_text("Turns by hand")
    page.locator("h1").click()
    page.keyboard.press("n")
    page.keyboard.type("Slow")
    page.locator("input[name=limit]").fill("60")
    for minute, temperature in (("5", "34"), ("10", "45,5"), ("20", "58"), ("30", "66")):
        page.locator("input[name=minute]").fill(minute)
        page.keyboard.press("Enter")
        page.keyboard.type(temperature)
        page.keyboard.press("Enter")
    expect(page.locator(".next")).to_contain_text("STOP")
    page.get_by_role("button", name="a set point").click()
    page.keyboard.type("Sensor")
    page.locator("input[name=least]").fill("0.4")
    page.locator("input[name=most]").fill("0.6")
    page.locator("input[name=reading-0]").fill("0,7")
    page.keyboard.press("Tab")
    expect(page.get_by_role("img", name=re.compile("Sensor: 0.7, too high"))).to_be_visible()
    page.get_by_role("button", name="an end play").click()
    page.locator("input[name=least-play]").fill("0.05")
    page.locator("input[name=most-play]").fill("0.1")
    page.locator("input[name=pitch]").fill("1.5")
    page.locator("input[name=pushed-0]").fill("0")
    page.locator("input[name=pulled-0]").fill("0.16")
    page.keyboard.press("Tab")
    expect(page.locator(".remedy")).to_contain_text("nut on 20°")
    page.get_by_role("button", name="a fill").click()
    page.locator("input[name=filled]").fill("half")
    page.keyboard.press("Tab")
    expect(page.get_by_role("alert")).to_contain_text("“half” is not a number")
    page.locator("input[name=filled]").fill("0,5")
    page.keyboard.press("Tab")
    expect(page.get_by_role("alert")).to_have_count(0)
    saved(page)
    page.reload()
    expect(page.locator("input[name=filled]")).to_have_value("0,5")
    expect(page.locator(".next")).to_contain_text("STOP")


@pytest.mark.parametrize(
    "number",
    [
        "0406",
        *(pytest.param(f"{n:04d}", marks=pytest.mark.long) for n in (405, *range(407, 418))),
    ],
)
def test_each_job_of_the_demo_can_be_walked_from_take_in_to_its_history(person, number):
    """Every screen of the job is there with what the job knows; nothing is lost on the way."""
    bench = person("Marl")
    page = bench.go(f"/jobs/{number}/take-in")
    title = page.evaluate(f"async () => (await (await fetch('/api/jobs/{number}')).json()).job.title")
    expect(page.locator("header .job")).to_contain_text(number)
    page.locator("h1, h2").first.wait_for()
    page.keyboard.press("Alt+2")
    page.wait_for_url("**/line")
    line = page.evaluate(f"async () => (await (await fetch('/api/jobs/{number}/line')).json()).sheet")
    tray = page.evaluate(
        f"async () => (await (await fetch('/api/jobs/{number}')).json()).parts.map((each) => each.part.name)"
    )
    if tray:
        page.keyboard.press("Alt+3")
        page.wait_for_url("**/bench")
        expect(page.locator("h1")).to_be_visible()
    page.keyboard.press("Alt+7")
    page.wait_for_url("**/fit-up")
    if line["parts"]:
        expect(page.locator("h1")).to_contain_text("Step")
        fits = page.evaluate(
            f"async () => (await (await fetch('/api/jobs/{number}/sheets/fit_up')).json()).judged.steps"
        )
        assert sorted(each["part"] for each in fits if each["does"] == "fit") == sorted(
            each["key"] for each in line["parts"]
        )
    else:
        for name in tray:
            expect(page.locator("main")).to_contain_text(name)
    page.keyboard.press("Alt+8")
    page.wait_for_url("**/proof")
    expect(page.get_by_role("region", name="closing")).to_be_visible()
    bench.go(f"/jobs/{number}/history")
    expect(page.locator("main")).to_contain_text(title.split(",")[0])


@pytest.mark.long
def test_what_was_noted_at_strip_down_is_offered_to_be_set_and_stands_on_the_unit_s_card(person):
    bench, serial = person(), f"WG-{secrets.token_hex(3)}"
    number = a_job(bench, f"Winch {serial}", serial)
    setting = {"key": "gap1", "what": "gap", "first": "0.40 mm", "second": "0,4 mm"}
    sheet = json.loads(json.dumps(LINE))
    sheet["parts"][3] |= {"settings": [setting], "name": "brake"}
    kept(bench.page, f"/api/jobs/{number}/line", {"version": 0, "sheet": sheet})
    page = bench.go(f"/jobs/{number}/proof")
    page.get_by_role("button", name="brake: gap 0.4 mm").click()
    expect(page.locator("input[name=set-point]")).to_have_value("brake: gap")
    expect(page.locator("input[name=unit]")).to_have_value("mm")
    expect(page.locator(".noted")).to_have_value("Read as 0,4 mm at strip-down.")
    expect(page.get_by_role("button", name="brake: gap 0.4 mm")).to_have_count(0)
    page.locator("input[name=reading-0]").fill("0.42")
    page.keyboard.press("Tab")
    page.locator("textarea[name=note_next]").fill("The lining is half worn.")
    saved(page)
    bench.go(f"/jobs/{number}/history")
    page.get_by_role("button", name="Start its history").click()
    page.wait_for_url(re.compile("/units/"))
    page.get_by_role("heading", name=re.compile(f"^Winch {serial}")).click()
    page.keyboard.press("j")
    card = page.get_by_role("list", name="the jobs of the unit")
    expect(card).to_contain_text("brake: gap 0.42 mm")
    expect(card).to_contain_text("The lining is half worn.")
    # the next job of this unit is told it as it is taken in
    a_job(bench, f"Winch {serial} again", serial)
    page.reload()
    expect(page.get_by_role("region", name="left for the next person")).to_contain_text(
        "The lining is half worn."
    )
