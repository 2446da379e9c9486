"""The doors as they are told from outside: what is refused, and what follows."""

from typing import Any

import pytest

from ample.core.errors import BadInput
from ample.shop.jobs.code import code_svg
from ample.web.app import create_app
from ample.web.settings import Doors, Settings, secret_key

KEY = "0123456789abcdef" * 2


def doors(**told):
    return Doors.from_environment({f"AMPLE_{name.upper()}": value for name, value in told.items()})


def test_without_a_word_it_is_loopback():
    found = doors()
    assert (found.bind, found.address, found.secure, found.open_to_others) == (
        "127.0.0.1", "http://127.0.0.1:8040", False, False,
    )  # fmt: skip
    assert found.hosts == ["localhost", "127.0.0.1", "[::1]"]


def test_a_tablet_on_the_shops_network():
    found = doors(bind="0.0.0.0", address="http://192.168.1.20:8040/")
    assert (found.open_to_others, found.address) == (True, "http://192.168.1.20:8040")
    assert "192.168.1.20" in found.hosts
    assert "0.0.0.0" not in found.hosts


def test_behind_a_proxy_with_tls():
    found = doors(address="https://ample.shop.example", hosts="ample, parts.shop.example", proxy="127.0.0.1")
    assert found.secure
    assert found.hosts[-3:] == ["ample.shop.example", "ample", "parts.shop.example"]


def test_every_address_of_ipv6():
    assert doors(bind="::", address="http://[fd00::7]:8040").hosts[-1] == "[fd00::7]"
    assert doors(bind="::1").address == "http://[::1]:8040"


@pytest.mark.parametrize(
    ("told", "code"),
    [
        ({"port": "x"}, "bad_port"),
        ({"port": "70000"}, "bad_port"),
        ({"port": "٨٠"}, "bad_port"),
        ({"bind": "my-machine"}, "bad_address"),
        ({"bind": "0.0.0.0"}, "no_address"),
        ({"bind": "192.168.1.20"}, "no_address"),
        ({"address": "ample.shop"}, "bad_address"),
        ({"address": "ftp://ample.shop"}, "bad_address"),
        ({"address": "http://ample.shop/here"}, "bad_address"),
        ({"hosts": "http://ample.shop"}, "bad_host"),
        ({"hosts": "a b;c"}, "bad_host"),
        ({"proxy": "everybody"}, "bad_address"),
        ({"certificate": "/nowhere.pem", "certificate_key": "/nowhere.key"}, "no_file"),
    ],
)
def test_what_cannot_be_is_refused_in_words(told, code):
    with pytest.raises(BadInput) as refused:
        doors(**told)
    assert refused.value.code == code


def test_a_certificate_needs_its_key_and_https(tmp_path):
    file = tmp_path / "shop.pem"
    file.write_text("x")
    with pytest.raises(BadInput, match="belong together"):
        doors(certificate=str(file))
    with pytest.raises(BadInput, match="AMPLE_ADDRESS must say so"):
        doors(certificate=str(file), certificate_key=str(file), address="http://ample.shop")
    assert doors(certificate=str(file), certificate_key=str(file)).address == "https://127.0.0.1:8040"


def test_the_signing_key_can_be_given_and_is_never_short(tmp_path, monkeypatch):
    own = secret_key(tmp_path)
    assert secret_key(tmp_path) == own
    assert (tmp_path / "secret-key").stat().st_mode & 0o077 == 0
    monkeypatch.setenv("AMPLE_SECRET_KEY", KEY)
    assert secret_key(tmp_path) == KEY
    monkeypatch.setenv("AMPLE_SECRET_KEY", "short")
    with pytest.raises(BadInput, match="at least 32"):
        secret_key(tmp_path)


@pytest.fixture(scope="module")
def secure_app(server):
    told = Doors(address="https://ample.shop.example", more_hosts=("ample",))
    return create_app(Settings(server.home, server.url, KEY, told))


def test_with_https_the_cookies_are_sent_nowhere_else(secure_app):
    answer = secure_app.test_client().get("/api/session", base_url="https://ample.shop.example")
    assert "Secure" in answer.headers["Set-Cookie"]
    assert answer.headers["Strict-Transport-Security"].startswith("max-age=")
    assert answer.get_json()["address"] == "https://ample.shop.example"


@pytest.mark.parametrize(
    ("host", "status"),
    [
        ("ample.shop.example", 200), ("ample.shop.example:8040", 200), ("ample", 200), ("localhost", 200),
        ("127.0.0.1:8040", 200), ("[::1]:8040", 200), ("evil.example", 400), ("ample.shop.example.evil.example", 400),
        ("evil.example:8040", 400), ("192.168.1.20", 400), ("", 400), ("localhost.evil.example", 400),
    ],
)  # fmt: skip
def test_it_answers_to_its_own_names_only(secure_app, host, status):
    answer = secure_app.test_client().get("/api/health", headers={"Host": host})
    assert answer.status_code == status
    if status == 400:
        assert answer.get_json()["error"]["code"] == "unknown_host"


@pytest.mark.parametrize(
    ("origin", "passes"),
    [
        (None, True), ("https://ample.shop.example", True), ("http://127.0.0.1:5173", True), ("null", False),
        ("https://evil.example", False), ("https://ample.shop.example.evil.example", False),
    ],
)  # fmt: skip
def test_only_its_own_pages_may_write(secure_app, origin, passes):
    headers = {"Origin": origin} if origin else {}
    answer = secure_app.test_client().post("/api/sign-in", json={}, headers=headers)
    assert (answer.get_json()["error"]["code"] != "foreign_origin") is passes


def test_the_code_on_a_jobs_papers_leads_to_the_address_that_is_said(secure_app):
    client = secure_app.test_client()
    shop: dict[str, Any] = {"base_url": "https://localhost", "headers": {"Origin": "https://localhost"}}
    token = client.get("/api/session", base_url="https://localhost").get_json()["csrf_token"]
    shop["headers"]["X-CSRF-Token"] = token
    client.post("/api/sign-in", json={"name": "Alder", "secret": "1470"}, **shop)
    answer = client.get("/api/jobs/0412/code.svg", **shop)
    assert answer.mimetype == "image/svg+xml"
    assert answer.get_data(as_text=True) == code_svg("https://ample.shop.example/jobs/0412/line")
    assert client.get("/api/jobs/0000/code.svg", **shop).status_code == 404


LOOPBACK = {"REMOTE_ADDR": "127.0.0.1"}


@pytest.mark.parametrize(
    ("host", "environ", "headers", "told"),
    [
        ("127.0.0.1:8040", LOOPBACK, {}, True),
        ("localhost:8040", LOOPBACK, {}, True),
        ("[::1]:8040", {"REMOTE_ADDR": "::1"}, {}, True),
        ("127.0.0.1:8040", {"REMOTE_ADDR": "192.168.1.44"}, {}, False),
        ("ample", LOOPBACK, {}, False),
        ("127.0.0.1:8040", LOOPBACK, {"X-Forwarded-For": "192.168.1.44"}, False),
        ("127.0.0.1:8040", LOOPBACK, {"Forwarded": "for=192.168.1.44"}, False),
    ],
)
def test_the_demos_pins_are_told_on_the_machine_itself_only(secure_app, host, environ, headers, told):
    answer = secure_app.test_client().get(
        "/api/session", headers={"Host": host} | headers, environ_overrides=environ
    )
    assert bool(answer.get_json()["demo_people"]) is told


def test_and_they_open_it_there_only(secure_app):
    client = secure_app.test_client()
    token = client.get("/api/session", base_url="https://localhost").get_json()["csrf_token"]
    answer = client.post(
        "/api/sign-in",
        base_url="https://localhost",
        json={"name": "Alder", "secret": "1470"},
        headers={"X-CSRF-Token": token, "Referer": "https://localhost/"},
        environ_overrides={"REMOTE_ADDR": "192.168.1.44"},
    )
    assert (answer.status_code, answer.get_json()["error"]["code"]) == (403, "demo_pin_here_only")
