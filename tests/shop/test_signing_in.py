"""The brake on guessing, tried with cases typed before it was written; first owner; one's own PIN."""

import secrets
import threading
from datetime import timedelta
from pathlib import Path

import pytest

from ample.base.doer import NotSignedIn
from ample.core.errors import BadInput
from ample.core.tables import read_table
from ample.shop.people import keeping
from ample.shop.people.actions import Door, sign_in
from ample.shop.people.brake import TooManyTries
from ample.shop.people.records import NewPerson
from ample.shop.people.secrets import checked_secret
from ample.store import Database
from tests.conftest import Client, now
from tests.template import started

CASES = read_table(Path(__file__).with_name("guessing_cases.csv")).rows
PIN, OTHER_PIN = "620 418", "731 509"


def someone(database, pin=PIN):
    """A person of their own, so that no case knows of another."""
    name = f"Person {secrets.token_hex(4)}"
    new = NewPerson(name=name, role="bench", secret=pin)
    people = database.run(lambda t: keeping.add_person(t, None, new, now())).people
    return name, next(each.person_id for each in people if each.name == name)


def guess(database, name, address, moment):
    with pytest.raises((NotSignedIn, TooManyTries)):
        sign_in(database, name, secrets.token_hex(4), Door(address), moment)


def address_of(word, number=0):
    places = {"own": "own", "guesser": "guesser", "many": f"many {number}"}
    return places[word]


@pytest.mark.parametrize("case", CASES, ids=lambda case: case["case"])
def test_guessing_is_slowed_and_nobody_is_locked_out(database, case):
    own, person_id = someone(database)
    other, _ = someone(database, OTHER_PIN)
    place = secrets.token_hex(4)  # addresses of this case alone
    moment = now()
    for number in range(int(case["wrong_before"])):
        name = own if case["of_name"] == "Wren" else f"Nobody {number} {place}"
        guess(database, name, f"{address_of(case['from_address'], number)} {place}", moment)
        moment += timedelta(seconds=1)
    moment += timedelta(seconds=int(case["seconds_after"]) - 1)
    known = frozenset({person_id}) if case["machine"] == "known" else frozenset()
    door = Door(f"{address_of(case['address'])} {place}", machine=place, knows=known)
    name, pin = (own, PIN) if case["who"] == "right" else (other, OTHER_PIN)
    if case["answer"] == "in":
        assert sign_in(database, name, pin, door, moment)[0].name == name
    else:
        with pytest.raises(TooManyTries) as slowed:
            sign_in(database, name, pin, door, moment)
        assert 1 <= slowed.value.seconds <= 60


def test_free_tries_that_come_in_another_order_than_they_began_are_all_looked_at(database):
    """The database lets the later one in first: the earlier one is no guess too many."""
    name, _ = someone(database)
    moment = now()
    door = Door(f"at once {secrets.token_hex(4)}")
    for number in range(5):
        with pytest.raises(NotSignedIn):
            sign_in(database, name, secrets.token_hex(4), door, moment - timedelta(seconds=number))
    with pytest.raises(TooManyTries):
        sign_in(database, name, secrets.token_hex(4), door, moment - timedelta(seconds=5))


def test_a_hundred_and_twenty_guesses_at_once_are_a_handful(app, database):
    """Each is counted before it is looked at: what comes at once is not looked at more often than one by one."""
    name, _ = someone(database)
    stranger = Client(app)
    found = []

    def try_once():
        client = app.test_client()
        client.set_cookie("ample", stranger.http.get_cookie("ample").value)
        answer = client.post(
            "/api/sign-in",
            json={"name": name, "secret": secrets.token_hex(4)},
            headers={"X-CSRF-Token": stranger.token},
            environ_base={"REMOTE_ADDR": "192.0.2.77"},
        )
        found.append(answer.status_code)

    threads = [threading.Thread(target=try_once) for _ in range(120)]
    for each in threads:
        each.start()
    for each in threads:
        each.join()
    assert set(found) <= {401, 429, 503}  # 503: so many at once wait too long for the database
    looked_at = database.run(
        lambda t: t.single_value("SELECT COUNT(*) FROM sign_in_attempts WHERE name = %(n)s", {"n": name})
    )
    assert found.count(401) <= looked_at
    assert looked_at <= 7  # one more a second, as long as the 120 take
    assert looked_at >= 5 or 429 not in found  # nobody is told to wait while a try is free


@pytest.mark.parametrize(
    ("secret", "name", "role", "good"),
    [
        ("620418", "Wren", "bench", True),
        ("62041", "Wren", "bench", False),
        ("620418", "Wren", "owner", False),
        ("620418 ok", "Wren", "owner", True),
        ("111111", "Wren", "bench", False),
        ("123456", "Wren", "bench", False),
        ("654321", "Wren", "bench", False),
        ("qwerty", "Wren", "bench", False),
        ("Password", "Wren", "bench", False),
        ("wren2580", "Wren", "bench", False),
        ("lathe, 4 jaws", "Wren", "owner", True),
    ],
)
def test_what_a_guesser_tries_first_is_refused(secret, name, role, good):
    if good:
        assert checked_secret(secret, name, role) == secret
    else:
        with pytest.raises(BadInput):
            checked_secret(secret, name, role)


@pytest.fixture(scope="module")
def empty(tmp_path_factory):
    made = started("empty", tmp_path_factory.mktemp("empty-shop"))
    yield Database(made.url)
    made.stop()


def test_a_shop_without_people_asks_for_its_owner_once(empty):
    code = keeping.first_owner_code(empty, now())
    assert len(code) == 11
    with pytest.raises(keeping.WrongCode):
        keeping.make_first_owner(empty, "AAAAA-AAAAA", "Rook", "lathe, 4 jaws", "here", now())
    with pytest.raises(BadInput):  # the code is not used up by a password that is too short
        keeping.make_first_owner(empty, code, "Rook", "short", "here", now())
    of_yesterday = keeping.first_owner_code(empty, now() - timedelta(hours=25))
    with pytest.raises(keeping.WrongCode):
        keeping.make_first_owner(empty, of_yesterday, "Rook", "lathe, 4 jaws", "there", now())
    made, refused = [], []

    def make(name):
        try:
            typed = code.lower().replace("-", " ")
            made.append(keeping.make_first_owner(empty, typed, name, "lathe, 4 jaws", name, now()))
        except Exception as error:
            refused.append(error)

    threads = [threading.Thread(target=make, args=(f"Rook {n}",)) for n in range(4)]
    for each in threads:
        each.start()
    for each in threads:
        each.join()
    assert [each.role for each in made] == ["owner"], refused
    assert len(refused) == 3
    assert keeping.first_owner_code(empty, now()) is None
    assert sign_in(empty, made[0].name, "lathe, 4 jaws", Door("here"), now())[0].role == "owner"
