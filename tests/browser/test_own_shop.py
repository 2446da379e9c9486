"""A shop of one's own: first start, owner, people, job, part, and an order check overridden by whoever may."""

import http.client
import json
import os
import re
import signal
import subprocess
import sys
import threading
from contextlib import contextmanager

import pytest
from playwright.sync_api import expect

from ample.store.private_server import free_port
from tests.browser.conftest import SCREEN
from tests.browser.saving import SAVED
from tests.template import copy_of

PASSWORD, FIRST_PIN = "lathe, 4 jaws", "620418"
LIST = "maker,marking,supplier,price,lead_days\nOldwick,6205-2RS,Weir Supply,8.40,2\n"


@pytest.fixture
def empty_shop(tmp_path):
    """`./ample start` without the demo: where it is open, and the code that its terminal shows."""
    port = free_port()
    environment = os.environ | {
        "AMPLE_DEMO": "0", "AMPLE_HOME": str(copy_of("empty", tmp_path / "home")), "AMPLE_PORT": str(port),
    }  # fmt: skip
    process = subprocess.Popen(
        [sys.executable, "-m", "ample.command_line", "start"], env=environment, stdout=subprocess.PIPE,
        stderr=subprocess.STDOUT, stdin=subprocess.DEVNULL, text=True,
    )  # fmt: skip
    printed = []
    for line in process.stdout:
        printed.append(line)
        if "Ctrl-C" in line:
            break
    code = re.search(r"code\s+(\S{5}-\S{5})", "".join(printed)).group(1)
    yield f"http://127.0.0.1:{port}", port, code
    process.send_signal(signal.SIGTERM)
    process.communicate(timeout=30)


def guesser(port, name, found, ended):
    """Tries one PIN after the other at the same address, without the mark of any machine."""
    cookie = token = ""
    number = 0
    while not ended.is_set():
        connection = http.client.HTTPConnection("127.0.0.1", port, timeout=20)
        headers = {"Cookie": cookie, "X-CSRF-Token": token, "Content-Type": "application/json"}
        if token:
            number += 1
            body = json.dumps({"name": name, "secret": f"{number:06d}"})
            connection.request("POST", "/api/sign-in", body, headers)
        else:
            connection.request("GET", "/api/session", headers=headers)
        answer = connection.getresponse()
        said = json.loads(answer.read())
        token = token or said["csrf_token"]
        cookie = (answer.headers["Set-Cookie"] or cookie).split(";")[0]
        if number:
            found.append(answer.status)
        connection.close()


@pytest.fixture
def guessing(empty_shop):
    """Somebody who guesses the PIN of a person, until the test is over; what they were answered."""
    found, ended, threads = [], threading.Event(), []

    def begin(name):
        threads.append(threading.Thread(target=guesser, args=(empty_shop[1], name, found, ended)))
        threads[0].start()
        return found

    yield begin
    ended.set()
    for each in threads:
        each.join()


@contextmanager
def at_a_machine(browser, address):
    context = browser.new_context(viewport=SCREEN)
    page = context.new_page()
    page.goto(address)
    yield page
    context.close()


def fill(page, **fields):
    for name, value in fields.items():
        page.locator(f"input[name={name}]").fill(value)


def at_the_counter(page):
    page.get_by_role("combobox", name="Marking, size or job number").wait_for()


def sign_in_first(page, name, own):
    """With the PIN that the owner gave, which is replaced at once."""
    fill(page, name=name, secret=FIRST_PIN)
    page.keyboard.press("Enter")
    page.get_by_role("heading", name=f"Welcome, {name}.").wait_for()
    fill(page, old=FIRST_PIN, new=own, again=own)
    page.keyboard.press("Enter")
    at_the_counter(page)


def add(page, name, role):
    page.goto(page.url.split("/shop")[0] + "/shop/people")
    page.get_by_role("button", name="Add a person").click()
    fill(page, **{"person-name": name, "person-secret": FIRST_PIN})
    page.get_by_role("radiogroup", name="role of the new person").get_by_role("radio", name=role).click()
    page.locator("input[name=person-secret]").press("Enter")
    expect(page.get_by_role("status").filter(has_text=name)).to_be_visible()


@pytest.mark.long
def test_from_the_first_start_to_an_override_with_a_guesser_beside(browser, empty_shop, guessing):
    address, _, code = empty_shop
    with at_a_machine(browser, address) as owner:
        owner.get_by_role("heading", name="Whose shop is this?").wait_for()
        fill(owner, code="AAAAA-AAAAA", name="Rook", secret=PASSWORD, again=PASSWORD)
        owner.keyboard.press("Enter")
        expect(owner.get_by_role("alert")).to_contain_text("Wrong code")
        fill(owner, code=code.lower())
        owner.keyboard.press("Enter")
        at_the_counter(owner)
        expect(owner.locator(".begin")).to_contain_text("A new shop.")
        owner.keyboard.press("Alt+9")
        owner.locator("textarea[name=price-list]").fill(LIST)
        owner.get_by_role("button", name="Import").click()
        expect(owner.get_by_text("1 row read: 1 new item, 1 price.")).to_be_visible()
        for name, role in (("Pike", "bench"), ("Tench", "counter"), ("Roach", "buyer")):
            add(owner, name, role)

    with at_a_machine(browser, address) as pike:
        sign_in_first(pike, "Pike", "cold chisel")
        found = guessing("Pike")
        pike.keyboard.press("Alt+j")
        pike.locator("input[name=title]").fill("Winch gearbox")
        pike.locator("input[name=title]").press("Enter")
        pike.wait_for_url(re.compile("/jobs/0001/take-in$"))
        pike.keyboard.press("Alt+0")
        at_the_counter(pike)
        pike.keyboard.type("6205-2RS")
        expect(pike.get_by_role("option").first).to_contain_text("25 × 52 × 15")
        pike.keyboard.press("Enter")
        pike.wait_for_url(re.compile("/bench$"))
        pike.locator("input[name=bore]").fill("25.0")
        pike.locator("input[name=bore]").press("Enter")
        pike.locator("input[name=outside]").fill("52.0")
        pike.locator("input[name=outside]").press("Enter")
        expect(pike.get_by_role("status")).to_contain_text(SAVED)
        pike.keyboard.press("Control+Enter")
        pike.wait_for_url(re.compile("/match$"))
        expect(pike.locator(".spans.large")).to_contain_text("contact seals, both sides")
        pike.keyboard.press("Enter")
        pike.wait_for_url(re.compile("/seats$"))
        # signing out and in again while somebody guesses this very name at this very address
        pike.locator("footer").get_by_text("Pike").click()
        pike.get_by_role("button", name="Sign out", exact=True).click()
        fill(pike, name="Pike", secret="cold chisel")
        pike.keyboard.press("Enter")
        at_the_counter(pike) if pike.url == f"{address}/" else pike.locator("footer").get_by_text(
            "Pike"
        ).wait_for()
        pike.goto(f"{address}/orders")
        pike.get_by_role("button", name=re.compile("Weir Supply")).click()
        pike.get_by_text("The shaft has not been measured.").wait_for()
    assert found.count(429) > found.count(401) > 0
    assert 200 not in found

    with at_a_machine(browser, address) as tench:
        sign_in_first(tench, "Tench", "brass hammer")
        tench.goto(f"{address}/orders")
        tench.get_by_text("The shaft has not been measured.").wait_for()
        expect(tench.locator(".panel")).to_contain_text("Tench (counter) may not override it")
        expect(tench.get_by_role("button", name="override with a reason")).to_have_count(0)
        tench.goto(f"{address}/shop")
        tench.get_by_role("heading", name="Instruments").wait_for()
        expect(tench.get_by_role("link", name="People")).to_have_count(0)

    with at_a_machine(browser, address) as roach:
        sign_in_first(roach, "Roach", "ledger, blue")
        roach.goto(f"{address}/orders")
        for light in ("shaft", "housing"):
            roach.get_by_text(f"The {light} has not been measured.").wait_for()
            roach.get_by_role("button", name="override with a reason").first.click()
            roach.get_by_role("textbox", name="reason").fill("a new spare shaft and housing are fitted")
            roach.keyboard.press("Control+Enter")
            expect(roach.locator(".panel .unsure")).to_have_count(1 if light == "shaft" else 2)
        expect(roach.locator(".panel")).to_contain_text("Roach: a new spare shaft and housing are fitted")

    with at_a_machine(browser, address) as owner:
        fill(owner, name="Rook", secret=PASSWORD)
        owner.keyboard.press("Enter")
        at_the_counter(owner)
        owner.goto(f"{address}/shop/record")
        expect(owner.locator(".row").filter(has_text="overrode the shaft check")).to_contain_text("Roach")
        owner.locator("input[name=job]").fill("0001")
        owner.locator("input[name=job]").press("Tab")
        expect(owner.locator(".row").last).to_contain_text("opened the job")
        owner.get_by_role("radio", name="Pike").click()
        expect(owner.locator(".row").filter(has_text="Roach")).to_have_count(0)
        owner.goto(f"{address}/shop/people")
        expect(owner.locator(".who").filter(has_text="Pike")).to_contain_text("failed sign-ins")


@pytest.mark.long
def test_the_owner_gives_and_takes_rights_and_puts_people_to_rest(browser, empty_shop):
    address, _, code = empty_shop
    with at_a_machine(browser, address) as owner:
        fill(owner, code=code, name="Rook", secret=PASSWORD, again=PASSWORD)
        owner.keyboard.press("Enter")
        at_the_counter(owner)
        owner.goto(f"{address}/shop/people")
        fill(owner, **{"person-name": "Pike", "person-secret": FIRST_PIN})
        owner.locator("input[name=person-secret]").press("Enter")
        owner.get_by_role("button", name="counter may not import job files").or_(
            owner.get_by_role("button", name="counter may import job files")
        ).click()
        expect(owner.get_by_role("button", name="counter may not import job files")).to_be_visible()
        owner.get_by_role("button", name="counter may not place orders").click()
        owner.locator("input[name=limit-counter]").fill("250")
        owner.locator("input[name=limit-counter]").press("Tab")
        expect(owner.locator("input[name=limit-counter]")).to_have_value("250.00")
        owner.reload()
        expect(owner.locator("input[name=limit-counter]")).to_have_value("250.00")
        owner.locator(".who").filter(has_text="Pike").click()
        owner.get_by_role("button", name="Deactivate").click()
        expect(owner.locator(".who").filter(has_text="Pike")).to_contain_text("inactive")
        owner.locator(".who").filter(has_text="Rook").click()
        owner.get_by_role("button", name="Deactivate").click()
        expect(owner.get_by_role("alert")).to_contain_text("only owner")
        owner.locator("input[name=network]").fill("169.254.169.254")
        owner.get_by_role("button", name="Allow").click()
        expect(owner.locator(".networks [role=alert]")).to_contain_text("cannot be allowed")
