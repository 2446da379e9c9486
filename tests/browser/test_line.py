"""The line and Take in, driven as at the bench: by keys, with a lost server, with a second person."""

import base64
import io
import re

import pytest
from PIL import Image
from playwright.sync_api import expect

from tests.browser.saving import SAVED

# forty parts by their keys, as they lie on the bench
FORTY = "c5i3sk3gdql8n5mh1a2dqsi3kgd1lnaoc5mh4vyt".replace("o", "9")
KINDS_PER_PAGE = 40


@pytest.fixture
def open_job(own_database):
    """A fresh job whose cautions are read; its number."""
    from datetime import UTC, datetime

    from ample.base.doer import Doer
    from ample.base.records import NewJob
    from ample.shop.takein.actions import acknowledge, open_unit, take_in_of
    from ample.store import Database

    def make(read=True, **more):
        database = Database(own_database.url)
        wren = database.run(lambda t: t.single_value("SELECT person_id FROM people WHERE name = 'Wren'"))
        doer = Doer(wren, "Wren", "bench", datetime.now(UTC).replace(tzinfo=None))

        def work(t):
            job = open_unit(t, doer, NewJob(title="Browser line unit", **more))
            for each in take_in_of(t, job.number).cautions if read else ():
                if each.stage == "strip":
                    acknowledge(t, doer, job.number, each.caution)
            return job.number

        return Database(own_database.url).run(work)

    return make


def saved(page):
    expect(page.get_by_role("status")).to_contain_text(SAVED, timeout=10_000)


def parts(page):
    """The parts drawn on the line."""
    return page.get_by_role("listbox").get_by_role("option")


def names(page):
    """The parts from left to right as the drawing names them, without number and verdict."""
    labels = parts(page).evaluate_all("all => all.map(each => each.getAttribute('aria-label'))")
    return [re.sub(r"^\d+ ", "", label).split(",")[0] for label in labels]


def line_of(person, number):
    page = person.go(f"/jobs/{number}/line")
    page.get_by_text("Nothing removed yet.").wait_for()
    return page


@pytest.mark.long
def test_forty_parts_are_entered_reordered_reversed_and_saved_by_keys_alone(person, open_job):
    number = open_job()
    page = line_of(person(), number)
    page.get_by_text("ball bearing").first.wait_for()
    for key in FORTY:
        page.keyboard.press(key)
    expect(parts(page)).to_have_count(KINDS_PER_PAGE)
    entered = names(page)
    assert entered[:6] == ["cover", "lip seal", "shim", "taper bearing", "shaft step", "key"]
    page.keyboard.press("Home")
    for _ in range(5):
        page.keyboard.press("Alt+ArrowRight")
    reordered = [*entered[1:6], entered[0], *entered[6:]]
    assert names(page) == reordered
    page.keyboard.press("Alt+r")
    assert names(page) == reordered[::-1]
    page.keyboard.press("Home")
    page.keyboard.press("Enter")
    page.keyboard.type("last cup")
    page.keyboard.press("Tab")
    page.keyboard.type("1 1/8 in")
    page.keyboard.press("Escape")
    saved(page)
    page.reload()
    expect(parts(page)).to_have_count(KINDS_PER_PAGE)
    again = names(page)
    assert again == ["last cup", *reordered[::-1][1:]]
    page.keyboard.press("Home")
    expect(page.locator("input[name=size-inside]")).to_have_value("1 1/8 in")
    expect(page.get_by_text("28.575 mm")).to_be_visible()


def test_undo_and_redo_run_over_the_whole_line(person, open_job):
    page = line_of(person(), open_job())
    for key in "15q":
        page.keyboard.press(key)
    page.keyboard.press("f")
    page.keyboard.press("Delete")
    assert names(page) == ["ball bearing", "lip seal"]
    for _ in range(4):
        page.keyboard.press("u")
    assert names(page) == ["ball bearing"]
    for _ in range(4):
        page.keyboard.press("Control+y")
    assert names(page) == ["ball bearing", "lip seal"]


@pytest.mark.long
def test_two_people_adding_at_once_both_keep_theirs(person, open_job):
    number = open_job()
    wren = line_of(person("Wren"), number)
    wren.keyboard.press("1")
    saved(wren)
    alder = person("Alder").go(f"/jobs/{number}/line")
    expect(parts(alder)).to_have_count(1)
    for key in "5i":
        wren.keyboard.press(key)
    for key in "gn":
        alder.keyboard.press(key)
    saved(wren)
    saved(alder)
    for page in (wren, alder):
        page.reload()
        expect(parts(page)).to_have_count(5)
        assert set(names(page)) == {"ball bearing", "lip seal", "shim", "gear or wheel", "nut"}


@pytest.mark.long
def test_undo_takes_back_ones_own_and_leaves_the_others(person, open_job):
    number = open_job()
    wren = line_of(person("Wren"), number)
    wren.keyboard.press("1")
    saved(wren)
    alder = person("Alder").go(f"/jobs/{number}/line")
    expect(parts(alder)).to_have_count(1)
    alder.keyboard.press("g")
    saved(alder)
    wren.keyboard.press("5")
    expect(parts(wren)).to_have_count(3, timeout=10_000)
    saved(wren)
    wren.keyboard.press("u")
    assert set(names(wren)) == {"ball bearing", "gear or wheel"}


@pytest.mark.long
def test_a_lost_database_loses_nothing_of_the_line(person, open_job, own_database):
    number = open_job()
    page = line_of(person(), number)
    page.keyboard.press("1")
    saved(page)
    own_database.kill()
    try:
        for key in "5qn":
            page.keyboard.press(key)
        expect(page.get_by_role("status")).to_contain_text("saved on this device only", timeout=10_000)
        expect(parts(page)).to_have_count(4)
    finally:
        own_database.restart()
    expect(page.get_by_role("status")).to_contain_text(SAVED, timeout=20_000)
    page.reload()
    expect(parts(page)).to_have_count(4)
    assert names(page) == ["ball bearing", "lip seal", "circlip", "nut"]


def test_a_reload_while_the_server_is_away_shows_what_is_kept_here(person, open_job):
    number = open_job()
    page = line_of(person(), number)
    page.keyboard.press("1")
    saved(page)
    page.route(f"**/api/jobs/{number}/line", lambda route: route.abort())
    page.keyboard.press("5")
    expect(page.get_by_role("status")).to_contain_text("saved on this device only", timeout=10_000)
    page.reload()
    expect(parts(page)).to_have_count(2)
    page.keyboard.press("q")
    expect(parts(page)).to_have_count(3)
    page.unroute(f"**/api/jobs/{number}/line")
    expect(page.get_by_role("status")).to_contain_text(SAVED, timeout=15_000)
    page.reload()
    expect(parts(page)).to_have_count(3)


@pytest.mark.long
def test_escape_closes_the_tray_and_leads_back_to_the_line(person, open_job):
    page = line_of(person(), open_job())
    page.keyboard.press("1")
    page.keyboard.press("#")
    expect(page.get_by_role("dialog")).to_be_visible()
    page.keyboard.press("Escape")
    expect(page.get_by_role("dialog")).to_be_hidden()
    page.keyboard.press("5")
    expect(parts(page)).to_have_count(2)


@pytest.mark.long
def test_moving_what_is_tied_asks_first(person, open_job):
    page = line_of(person(), open_job())
    for key in "i3gdn":
        page.keyboard.press(key)
    page.keyboard.press("Home")
    page.keyboard.press("Alt+t")
    page.keyboard.press("Alt+ArrowRight")
    page.keyboard.press("Alt+ArrowRight")
    dialog = page.get_by_role("alertdialog")
    expect(dialog).to_contain_text("stays at the left end")
    dialog.get_by_role("button", name="Cancel").click()
    assert names(page)[:3] == ["taper bearing", "shim", "gear or wheel"]
    page.keyboard.press("Alt+ArrowRight")
    page.get_by_role("button", name="Move and untie").click()
    assert names(page)[:3] == ["taper bearing", "gear or wheel", "shim"]


@pytest.mark.long
def test_any_part_is_found_by_its_words_and_may_hang_beside(person, open_job):
    page = line_of(person(), open_job())
    page.keyboard.press("1")
    page.keyboard.press("+")
    page.keyboard.type("piston se")
    page.keyboard.press("Enter")
    assert names(page) == ["ball bearing", "piston seal"]
    page.keyboard.press("+")
    page.keyboard.type("screw")
    page.keyboard.press("Shift+Enter")
    assert names(page) == ["ball bearing", "piston seal"]
    expect(page.get_by_role("button", name="screw or stud")).to_be_visible()


@pytest.mark.long
def test_a_part_is_dragged_along_the_line(person, open_job):
    page = line_of(person(), open_job())
    for key in "g1n":
        page.keyboard.press(key)
    first, last = (parts(page).nth(n).bounding_box() for n in (0, 2))
    page.mouse.move(first["x"] + first["width"] / 2, first["y"] + first["height"] / 2)
    page.mouse.down()
    page.mouse.move(last["x"] + last["width"] / 2, last["y"] + last["height"] / 2, steps=6)
    page.mouse.up()
    assert names(page) == ["ball bearing", "nut", "gear or wheel"]


def test_a_caution_at_inspection_is_read_there(person, open_job):
    page = line_of(person(), open_job())
    page.keyboard.press("1")
    before = page.get_by_role("article").inner_text()
    page.get_by_role("button", name="I have read it").click()
    expect(page.get_by_role("article")).not_to_have_text(before)


def test_a_lip_the_wrong_way_is_pointed_out_and_turned_by_one_key(person, open_job):
    page = line_of(person(), open_job())
    for key in "51":
        page.keyboard.press(key)
    page.locator("select[name=inside]").select_option("oil")
    expect(page.get_by_text("Its lip faces the air")).to_have_count(0)
    page.keyboard.press("Escape")
    page.keyboard.press("Home")
    expect(page.get_by_text("Its lip faces the air; the oil is on the other side.")).to_be_visible()
    page.keyboard.press("f")
    expect(page.get_by_text("Its lip faces the air")).to_have_count(0)


def test_a_doubtful_part_waits_for_a_second_person(person, open_job):
    number = open_job()
    page = line_of(person("Wren"), number)
    page.keyboard.press("z")
    page.get_by_role("button", name="doubtful").click()
    expect(page.get_by_role("heading", name="second person decides")).to_be_visible()
    saved(page)
    page.reload()
    expect(page.get_by_text("Wren inspected it")).to_be_visible()
    owner = person("Marl").go(f"/jobs/{number}/line")
    owner.get_by_label("reason for the decision").fill("it runs in water")
    owner.get_by_role("button", name="decide").click()
    expect(owner.get_by_text("Marl decided: it runs in water")).to_be_visible()
    expect(owner.get_by_role("heading", name="replace")).to_be_visible()


def test_a_replaced_bearing_goes_to_the_bench_with_what_is_known(person, open_job):
    page = line_of(person(), open_job())
    page.keyboard.press("1")
    page.locator("input[name=size-outside]").fill("52")
    page.locator("input[name=part-marking]").fill("62?5")
    page.get_by_role("button", name="lumpy").click()
    page.keyboard.press("Escape")
    page.get_by_role("button", name="To the Bench").click()
    page.wait_for_url("**/bench")
    expect(page.locator("input[name=marking]")).to_have_value("62?5")
    expect(page.locator("input[name=outside]")).to_have_value("52.00")


def test_cautions_stand_before_the_work_until_they_are_read(person, open_job):
    number = open_job(read=False, unit="cylinder")
    page = person().go(f"/jobs/{number}/line")
    page.get_by_role("heading", name="Before opening").wait_for()
    page.keyboard.press("1")
    expect(parts(page)).to_have_count(0)
    cards = page.get_by_role("article").count()
    assert cards >= 5
    for left in range(cards, 0, -1):
        expect(page.get_by_role("article")).to_have_count(left)
        page.keyboard.press("Enter")
    page.get_by_text("Nothing removed yet.").wait_for()
    page.keyboard.press("1")
    expect(parts(page)).to_have_count(1)


def test_a_unit_is_taken_in_with_a_few_keys(person):
    page = person().page
    page.keyboard.press("Alt+j")
    expect(page.locator("input[name=title]")).to_be_focused()
    page.keyboard.type("Lock-gate winch")
    page.keyboard.press("Tab")
    page.keyboard.type("winch")
    page.keyboard.press("Enter")
    page.wait_for_url("**/take-in")
    expect(page.locator("input[name=title]")).to_have_value("Lock-gate winch")
    page.get_by_role("button", name="leaks at a shaft").click()
    page.get_by_role("button", name="only when warm").click()
    expect(page.get_by_role("heading", name="breather blocked")).to_be_visible()
    expect(page.get_by_text("Look outside the bearing and seal first.")).to_be_visible()
    page.get_by_role("button", name="ruled out").first.click()
    expect(page.get_by_role("heading", name="breather blocked")).not_to_have_css("font-size", "25px")
    page.keyboard.press("Alt+a")
    expect(page.get_by_text("read by Wren")).to_have_count(1)
    saved(page)


def picture(name="seal.jpg", size=(2600, 1800)):
    out = io.BytesIO()
    Image.new("RGB", size, (90, 110, 120)).save(out, "JPEG")
    return {"name": name, "mimeType": "image/jpeg", "buffer": out.getvalue()}


@pytest.mark.long
def test_photos_are_made_smaller_kept_while_the_server_is_away_and_bad_ones_refused(person, open_job):
    bench = person()
    page = line_of(bench, open_job())
    page.keyboard.press("5")
    saved(page)
    page.get_by_role("tab", name="photos").click()
    chooser = page.locator("input[name=photo]")
    bad = {"name": "evil.svg", "mimeType": "image/svg+xml", "buffer": b"<svg onload='x'/>"}
    chooser.set_input_files(bad)
    expect(page.get_by_text("evil.svg is not a photo that can be used")).to_be_visible()
    chooser.set_input_files(
        {"name": "cut.jpg", "mimeType": "image/jpeg", "buffer": picture()["buffer"][:400]}
    )
    expect(page.get_by_text("cut.jpg is not a photo that can be used")).to_be_visible()
    page.route("**/photos?**", lambda route: route.abort())
    chooser.set_input_files(picture())
    expect(page.get_by_text("saved on this device, not uploaded yet")).to_be_visible()
    page.unroute("**/photos?**")
    photo = page.get_by_role("img", name="photo of the part")
    expect(photo).to_be_visible(timeout=10_000)
    page.wait_for_function("document.querySelector('figure img').naturalWidth > 0")
    assert page.evaluate("document.querySelector('figure img').naturalWidth") == 240
    page.get_by_role("button", name="mark").click()
    parts(page).first.click()
    expect(page.get_by_role("button", name="marked")).to_be_visible()
    expect(page.get_by_role("listbox").locator("g.photo")).to_have_count(1)


def test_the_tray_tells_what_is_missing_and_what_is_left_over(person, open_job):
    page = line_of(person(), open_job())
    page.keyboard.press("1")
    page.keyboard.press("#")
    page.get_by_label("loose items removed").fill("keys")
    page.keyboard.press("Enter")
    page.get_by_label("keys removed").fill("2")
    page.get_by_label("keys in the tray").fill("1")
    page.keyboard.press("Tab")
    expect(page.get_by_text("1 of 2 keys is missing from the tray.")).to_be_visible()
    page.get_by_label("keys in the tray").fill("2")
    page.get_by_label("keys left over at reassembly").fill("1")
    page.keyboard.press("Tab")
    expect(page.get_by_role("alert")).to_contain_text("left over: something was reassembled without")


def test_the_strip_down_sheet_prints_on_a4(person):
    page = person().go("/jobs/0409/strip-sheet")
    page.get_by_text("LEFT-HAND THREAD").wait_for()
    session = page.context.new_cdp_session(page)
    answer = session.send("Page.printToPDF", {"preferCSSPageSize": True, "printBackground": True})
    pdf = base64.b64decode(answer["data"])
    boxes = set(re.findall(rb"/MediaBox\s*\[\s*0\s+0\s+([\d.]+)\s+([\d.]+)", pdf))
    assert {(round(float(w)), round(float(h))) for w, h in boxes} == {(595, 842)}
    assert 1 <= len(re.findall(rb"/Type\s*/Page\b(?!s)", pdf)) <= 3
    page.emulate_media(media="print")
    expect(page.get_by_role("button", name="Print")).to_be_hidden()
    expect(page.get_by_text("shim stays with the worm end").first).to_be_visible()


@pytest.mark.long
def test_a_job_file_is_read_in_on_screen(person, address):
    bench = person()
    page = bench.page
    file = page.request.get(f"{address}/api/jobs/0413/file").body()
    page.keyboard.press("Alt+j")
    page.locator("input[name=job-file]").set_input_files(
        {"name": "job.json", "mimeType": "application/json", "buffer": file}
    )
    page.wait_for_url("**/take-in")
    expect(page.locator("input[name=title]")).to_have_value("Capstan drive shaft")


@pytest.mark.long
def test_builds_are_told_apart_by_their_picture_and_asked_for(person, open_job):
    number = open_job(model="QX 7 pump", unit="pump")
    page = person().go(f"/jobs/{number}/take-in")
    page.get_by_role("button", name="QX 7 pump is known in several builds").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_role("button").filter(has=page.get_by_role("img", name="square ring")).click()
    dialog.get_by_role("button", name="Ask this on every job").click()
    question = page.get_by_role("heading", name="Is the ring square or round?")
    expect(question).to_be_visible()
    expect(page.get_by_text("Check this before choosing parts")).to_be_visible()
    page.get_by_role("button", name="round ring").click()
    expect(page.get_by_text("Check this before choosing parts")).to_have_count(0)
    saved(page)
