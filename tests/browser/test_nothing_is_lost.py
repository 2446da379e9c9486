"""A second person, a lost database: what was typed stays."""

from playwright.sync_api import expect


def saved(page):
    expect(page.get_by_role("status")).to_contain_text("saved", timeout=10_000)


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
        expect(page.get_by_role("status")).to_contain_text(
            "kept on this machine, not yet saved", timeout=10_000
        )
        page.locator("input[name=bore]").fill("25.01")
        page.locator("input[name=bore]").press("Enter")
        expect(page.locator("input[name=marking]")).to_have_value("6305 ZZ")
    finally:
        own_database.restart()
    expect(page.get_by_role("status")).to_contain_text("saved ", timeout=20_000)
    page.reload()
    expect(page.locator("input[name=marking]")).to_have_value("6305 ZZ")
    expect(page.locator("input[name=bore]")).to_have_value("25.01")
