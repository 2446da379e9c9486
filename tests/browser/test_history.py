"""A unit over the years: its log by keys, in any order; the next job of the same serial number opens it."""

import re
import secrets
from datetime import UTC, datetime, timedelta

import pytest
from playwright.sync_api import expect

from tests.browser.saving import SAVED

TODAY = datetime.now(UTC).date()


def day(back):
    return (TODAY - timedelta(days=back)).isoformat()


def saved(page):
    expect(page.get_by_role("status")).to_contain_text(SAVED, timeout=10_000)


def write(page, back, amount="", note=""):
    """One line of the log: the day, the figure, Enter."""
    page.locator("input[name=log-day]").fill(day(back))
    if amount:
        page.locator("input[name=log-amount]").fill(amount)
    if note:
        page.locator("input[name=log-note]").fill(note)
    page.keyboard.press("Enter")


def a_job(bench, title, serial=""):
    """A job taken in, with the serial number of its unit."""
    made = bench.page.evaluate(
        """async (title) => {
            const { csrf_token } = await (await fetch('/api/session')).json()
            const headers = { 'Content-Type': 'application/json', 'X-CSRF-Token': csrf_token,
                              'Idempotency-Key': crypto.randomUUID() }
            const body = JSON.stringify({ title })
            return (await fetch('/api/jobs', { method: 'POST', headers, body })).json()
        }""",
        title,
    )
    page = bench.go(f"/jobs/{made['number']}/take-in")
    if serial:
        page.locator("input[name=serial]").fill(serial)
        saved(page)
    return made["number"]


def test_a_log_written_in_any_order_says_when_to_plan(person):
    bench, serial = person(), f"ST-{secrets.token_hex(3)}"
    title = f"Stern tube {serial}"
    a_job(bench, title, serial)
    page = bench.page
    page.locator("h2").first.click()
    page.keyboard.press("h")
    page.get_by_role("button", name="Start its history").click()
    expect(page.get_by_role("heading", name=title)).to_be_visible()
    expect(page.get_by_role("region", name="trend")).to_contain_text("no entries yet")
    # a bottle that lasts ever shorter, the days in no order, one of them still to come
    backs = [700, 300, 620, 545, 475, 410, 352, 251, 206, 164, 126, 92, 61, 33, 8]
    for back in backs:
        write(page, back)
    page.locator("input[name=log-day]").fill((TODAY + timedelta(days=3)).isoformat())
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("in the future")
    said = page.get_by_role("region", name="trend")
    expect(said).to_contain_text("getting worse")
    expect(said).to_contain_text(re.compile(r"limit\s*\d+ \w+ 20\d\d"))
    expect(page.get_by_role("list", name="the log").get_by_role("listitem")).to_have_count(len(backs))
    expect(page.get_by_role("img", name="bottle emptied over time")).to_be_visible()
    saved(page)
    page.reload()
    expect(page.get_by_role("list", name="the log").get_by_role("listitem")).to_have_count(len(backs))

    # play in thou, by its key; a slip is taken away and stands in the fields again
    page.locator("h1").click()
    page.keyboard.press("4")
    write(page, 30, "5 thou", "dial at the gland")
    page.get_by_role("button", name=re.compile("delete play")).click()
    expect(page.locator("input[name=log-amount]")).to_have_value("5 thou")
    page.locator("input[name=log-amount]").press("Enter")
    expect(said).to_contain_text("no limit set")
    page.locator("input[name=limit]").fill("0.3")
    expect(said).to_contain_text("too few readings")

    # the next job of this serial number opens the same history
    second = a_job(bench, f"Stern tube again {serial}", serial)
    page.locator("h2").first.click()
    page.keyboard.press("h")
    expect(page.get_by_role("heading", name=title)).to_be_visible()
    expect(page.get_by_role("link", name=f"job {second}")).to_be_visible()
    expect(said).to_contain_text("getting worse")


@pytest.mark.long
def test_what_was_written_while_the_server_was_away_is_kept_and_saved_later(person):
    bench = person()
    page = bench.go("/units/1")
    entries = page.get_by_role("list", name="the log").get_by_role("listitem")
    expect(entries.nth(5)).to_be_visible()
    before = entries.count()
    page.route(
        "**/sheets/leak_log",
        lambda route: route.abort() if route.request.method == "PUT" else route.continue_(),
    )
    page.locator("h1").click()
    page.keyboard.press("5")
    write(page, 2, note="looked at it by torch")
    expect(entries).to_have_count(before + 1)
    expect(page.get_by_role("status")).to_contain_text("saved on this device", timeout=10_000)
    page.close()
    again = bench.context.new_page()
    again.goto(f"{bench.address}/units/1")
    own = again.get_by_role("list", name="the log").get_by_role("listitem")
    expect(own).to_have_count(before + 1)
    expect(again.get_by_role("status")).to_contain_text(SAVED, timeout=10_000)
    expect(own.filter(has_text="looked at it by torch")).to_have_count(1)


@pytest.mark.long
def test_two_people_write_in_one_log(person):
    wren, alder = person("Wren").go("/units/1"), person("Alder").go("/units/1")
    for page, note in ((wren, "wren was there"), (alder, "alder was there")):
        expect(page.get_by_role("list", name="the log").get_by_role("listitem").nth(3)).to_be_visible()
        page.locator("h1").click()
        page.keyboard.press("5")
        write(page, 1, note=note)
    for page in (alder, wren):
        saved(page)
    wren.reload()
    for note in ("wren was there", "alder was there"):
        expect(wren.get_by_role("list", name="the log")).to_contain_text(note)


@pytest.mark.long
def test_what_stood_on_the_seats_earlier_is_seen_and_stands_again(person):
    """Wren has measured in the demo; Alder changes a reading, looks at what stood there, and takes it back."""
    bench = person("Alder")
    part = bench.page.evaluate(
        "async () => (await (await fetch('/api/jobs/0415')).json()).parts[0].part.part_id"
    )
    page = bench.go(f"/jobs/0415/parts/{part}/seats")
    field = page.locator(".seat-field").first
    expect(field).to_have_value("17.007")
    was = field.input_value()
    field.fill("17.0055")
    saved(page)
    page.locator("h1").first.click()
    page.keyboard.press("v")
    dialog = page.get_by_role("dialog")
    versions = dialog.get_by_role("list", name="versions, newest first").get_by_role("listitem")
    expect(versions).to_have_count(2)
    expect(versions.first).to_contain_text("Alder, current")
    versions.nth(1).get_by_role("button").click()
    expect(dialog.get_by_role("region", name="that version")).to_contain_text(f"{was}; 17.008")
    dialog.get_by_role("button", name="Restore this version").click()
    expect(field).to_have_value(was)
    saved(page)


def earlier(page, tap, count):
    """What stood there before the newest version, shown."""
    page.keyboard.press(tap)
    dialog = page.get_by_role("dialog")
    versions = dialog.get_by_role("list", name="versions, newest first").get_by_role("listitem")
    expect(versions).to_have_count(count)
    expect(versions.first).to_contain_text("Alder, current")
    versions.nth(1).get_by_role("button").click()
    return dialog, dialog.get_by_role("region", name="that version")


@pytest.mark.long
def test_what_stood_on_take_in_strip_down_and_bench_stands_again(person, make_part):
    """Wren fills them in, Alder changes each, sees what stood there, and takes it back."""
    number, part = make_part()
    wren, alder = person("Wren"), person("Alder")
    again = "Restore this version"

    page = wren.go(f"/jobs/{number}/take-in")
    page.get_by_label("owner").fill("Upper reach")
    saved(page)
    page = alder.go(f"/jobs/{number}/take-in")
    owner = page.get_by_label("owner")
    expect(owner).to_have_value("Upper reach")
    owner.fill("Lower reach")
    owner.blur()
    dialog, stood = earlier(page, "v", 2)
    expect(stood).to_contain_text("Upper reach")
    dialog.get_by_role("button", name=again).click()
    expect(owner).to_have_value("Upper reach")
    saved(page)

    page = wren.go(f"/jobs/{number}/line")
    unread = page.get_by_role("button", name="I have read it")
    expect(unread).to_have_count(3)
    for left in (2, 1, 0):
        page.keyboard.press("Enter")
        expect(unread).to_have_count(left)
    expect(page.get_by_role("heading", name="Nothing removed yet.")).to_be_visible()
    for key in "s15":
        page.keyboard.press(key)
    saved(page)
    page = alder.go(f"/jobs/{number}/line")
    drawn = page.get_by_role("listbox").get_by_role("option")
    expect(drawn).to_have_count(3)
    page.keyboard.press("Delete")
    expect(drawn).to_have_count(2)
    dialog, stood = earlier(page, "Alt+v", 2)
    expect(stood.get_by_role("table", name="parts").get_by_role("row")).to_have_count(4)
    dialog.get_by_role("button", name=again).click()
    expect(drawn).to_have_count(3)
    page.keyboard.press("u")
    expect(drawn).to_have_count(2)
    saved(page)

    page = wren.go(f"/jobs/{number}/parts/{part}/bench")
    page.locator("input[name=bore]").fill("25.01")
    page.keyboard.press("Enter")
    saved(page)
    page = alder.go(f"/jobs/{number}/parts/{part}/bench")
    main, unread = page.locator("main"), re.compile(r"outside\s*not measured")
    expect(main).to_contain_text(unread)
    page.locator("input[name=outside]").fill("52,0")
    page.keyboard.press("Enter")
    page.keyboard.press("Escape")
    expect(main).not_to_contain_text(unread)
    dialog, stood = earlier(page, "v", 3)
    expect(stood).to_contain_text("25.01 (mm)")
    expect(stood).not_to_contain_text("52,0")
    dialog.get_by_role("button", name=again).click()
    expect(main).to_contain_text(unread)
    saved(page)
