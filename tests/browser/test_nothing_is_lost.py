"""A second person, a lost database: what was typed stays."""

import pytest
from playwright.sync_api import expect

from tests.browser.saving import SAVED


def saved(page):
    expect(page.get_by_role("status")).to_contain_text(SAVED, timeout=10_000)


def test_two_people_at_one_part_both_keep_what_they_typed(person, make_part):
    number, part = make_part()
    path = f"/jobs/{number}/parts/{part}/bench"
    wren, alder = person("Wren").go(path), person("Alder").go(path)
    alder.locator("input[name=marking]").wait_for()
    wren.locator("input[name=bore]").fill("24.98")
    wren.locator("input[name=bore]").press("Enter")
    saved(wren)
    alder.locator("input[name=marking]").fill("62?5")
    saved(alder)
    expect(alder.locator("input[name=bore]")).to_have_value("24.98")
    expect(alder.locator("input[name=marking]")).to_have_value("62?5")
    wren.reload()
    expect(wren.locator("input[name=marking]")).to_have_value("62?5")


@pytest.mark.long
def test_the_second_saver_sees_both_values_and_chooses(person, make_part):
    number, part = make_part()
    path = f"/jobs/{number}/parts/{part}/bench"
    wren, alder = person("Wren").go(path), person("Alder").go(path)
    alder.locator("input[name=marking]").wait_for()
    wren.locator("input[name=marking]").fill("6205")
    saved(wren)
    alder.locator("input[name=marking]").fill("6206")
    dialog = alder.get_by_role("dialog")
    expect(dialog).to_contain_text("6205")
    expect(dialog).to_contain_text("6206")
    dialog.get_by_role("button", name="theirs").click()
    expect(alder.locator("input[name=marking]")).to_have_value("6205")


def test_a_killed_database_is_said_so_and_what_was_typed_is_saved_when_it_is_back(
    person, make_part, own_database
):
    number, part = make_part()
    bench = person()
    page = bench.go(f"/jobs/{number}/parts/{part}/bench")
    page.locator("input[name=bore]").wait_for()
    own_database.kill()
    try:
        page.locator("input[name=marking]").fill("6305 ZZ")
        expect(page.get_by_role("status")).to_contain_text("saved on this device only", timeout=10_000)
        page.locator("input[name=bore]").fill("25.01")
        page.locator("input[name=bore]").press("Enter")
        expect(page.locator("input[name=marking]")).to_have_value("6305 ZZ")
    finally:
        own_database.restart()
    expect(page.get_by_role("status")).to_contain_text(SAVED, timeout=20_000)
    page.reload()
    expect(page.locator("input[name=marking]")).to_have_value("6305 ZZ")
    expect(page.locator("input[name=bore]")).to_have_value("25.01")


def put_only(route, answer):
    """Leave all but saves alone."""
    answer(route) if route.request.method == "PUT" else route.continue_()


@pytest.mark.long
def test_two_tabs_of_one_person_both_keep_what_was_typed(person, make_part):
    """The second tab's save took the first one's draft with it; closed, its text was gone without a word."""
    number, part = make_part()
    path = f"/jobs/{number}/parts/{part}/bench"
    bench = person()
    one = bench.go(path)
    one.locator("input[name=marking]").wait_for()
    two = bench.context.new_page()
    two.goto(bench.address + path)
    two.locator("input[name=marking]").wait_for()
    one.route("**/api/parts/*/bench", lambda route: put_only(route, lambda r: r.abort()))
    one.locator("input[name=marking]").fill("62?5 2R")
    expect(one.get_by_role("status")).to_contain_text("saved on this device only")
    two.locator("input[name=bore]").fill("25.01")
    two.locator("input[name=bore]").press("Enter")
    saved(two)
    expect(two.locator("input[name=marking]")).to_have_value("")
    one.close(run_before_unload=True)
    expect(two.locator("input[name=marking]")).to_have_value("62?5 2R")
    saved(two)
    two.reload()
    expect(two.locator("input[name=marking]")).to_have_value("62?5 2R")
    expect(two.locator("input[name=bore]")).to_have_value("25.01")
    left = two.evaluate("Object.keys(localStorage).filter((key) => key.startsWith('ample:bench:'))")
    assert left == []


@pytest.mark.long
def test_what_a_closed_tab_left_is_there_when_the_sheet_is_opened_again(person, make_part):
    number, part = make_part()
    path = f"/jobs/{number}/parts/{part}/bench"
    bench = person()
    one = bench.go(path)
    one.locator("input[name=marking]").wait_for()
    one.route("**/api/parts/*/bench", lambda route: put_only(route, lambda r: r.abort()))
    one.locator("input[name=marking]").fill("6305 ZZ")
    expect(one.get_by_role("status")).to_contain_text("saved on this device only")
    one.close()
    two = bench.context.new_page()
    two.goto(bench.address + path)
    expect(two.locator("input[name=marking]")).to_have_value("6305 ZZ")
    saved(two)


@pytest.mark.long
def test_a_lost_answer_is_no_conflict_however_one_types_on(person, make_part):
    """The save had succeeded; the retry under a new key met it and said “someone else changed this too”."""
    number, part = make_part()
    page = person().go(f"/jobs/{number}/parts/{part}/bench")
    lost = []

    def lose(route):
        if lost:
            route.continue_()
        else:
            lost.append(route.fetch())
            route.abort()

    page.get_by_text("Nothing measured yet").wait_for()  # the part is here: what is typed goes out
    page.route("**/api/parts/*/bench", lambda route: put_only(route, lose))
    page.locator("input[name=marking]").fill("62?5")
    expect(page.get_by_role("status")).to_contain_text("saved on this device only")
    page.locator("input[name=marking]").fill("62?5 2RS C3")
    saved(page)
    expect(page.get_by_role("dialog")).to_have_count(0)
    assert lost[0].status == 200
    page.reload()
    expect(page.locator("input[name=marking]")).to_have_value("62?5 2RS C3")
