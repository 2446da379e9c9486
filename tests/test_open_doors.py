"""The doors really opened: a certificate, a trusted proxy, several servers on one database, first start."""

import http.client
import json
import os
import re
import secrets
import shutil
import signal
import socket
import ssl
import subprocess
import sys
import time
from concurrent.futures import ThreadPoolExecutor

import pytest
import trustme

from ample.store.private_server import free_port
from tests.template import copy_of, started

KEY = "shared-by-all-servers-of-this-shop"
WORKERS = [sys.executable, "-m", "ample.web.workers"]
START = [sys.executable, "-m", "ample.command_line", "start"]


class Browser:
    """What a browser carries: cookies and the token; over TLS where it is told a certificate's maker."""

    def __init__(self, port, ca=None, host="127.0.0.1", cookies=None):
        self._port, self._host = port, host
        self._context = ssl.create_default_context(cadata=ca) if ca else None
        self.cookies = dict(cookies or {})
        self.token = ""

    def ask(self, method, path, body=None, **headers):
        connection = (
            http.client.HTTPSConnection(self._host, self._port, timeout=20, context=self._context)
            if self._context
            else http.client.HTTPConnection(self._host, self._port, timeout=20)
        )
        sent = {"Cookie": "; ".join(f"{k}={v}" for k, v in self.cookies.items()), "X-CSRF-Token": self.token}
        sent |= {"Idempotency-Key": secrets.token_hex(12), "Content-Type": "application/json"}
        if self._context:
            sent["Referer"] = f"https://{self._host}:{self._port}/"
        connection.request(method, path, json.dumps(body) if body is not None else None, sent | headers)
        response = connection.getresponse()
        text = response.read()
        for name, value in response.getheaders():
            if name.lower() == "set-cookie":
                key, _, rest = value.partition("=")
                self.cookies[key] = rest.partition(";")[0]
        connection.close()
        answer = json.loads(text) if response.headers.get_content_type() == "application/json" else text
        if isinstance(answer, dict) and "csrf_token" in answer:
            self.token = answer["csrf_token"]
        return response.status, answer

    def sign_in(self, name, secret):
        self.ask("GET", "/api/session")
        return self.ask("POST", "/api/sign-in", {"name": name, "secret": secret})


def until_open(port, process):
    end = time.monotonic() + 60
    while time.monotonic() < end:
        assert process.poll() is None, "the server ended"
        try:
            with socket.create_connection(("127.0.0.1", port), 1):
                return
        except OSError:
            time.sleep(0.1)
    raise TimeoutError


@pytest.fixture(scope="module")
def shop(tmp_path_factory):
    made = started("demo", tmp_path_factory.mktemp("doors"))
    yield made
    made.stop()


@pytest.fixture
def serve(shop):
    processes = []

    def begin(**told):
        port = free_port()
        environment = os.environ | {
            "AMPLE_DATABASE_URL": shop.url, "AMPLE_HOME": str(shop.home), "AMPLE_PORT": str(port),
        } | told  # fmt: skip
        process = subprocess.Popen([*WORKERS, f"--port={port}"], env=environment, stdin=subprocess.DEVNULL)
        processes.append(process)
        until_open(port, process)
        return port

    yield begin
    for each in processes:
        each.send_signal(signal.SIGTERM)
    for each in processes:
        assert each.wait(20) == 0


@pytest.mark.long
def test_signed_in_at_one_server_one_works_at_the_other(serve, shop, tmp_path):
    homes = [tmp_path / "one", tmp_path / "two"]
    for home in homes:
        home.mkdir()
        shutil.copy(shop.home / "catalogue-index.pickle", home)  # else each lays the catalogue out for itself
    first, second = (serve(AMPLE_SECRET_KEY=KEY, AMPLE_HOME=str(home)) for home in homes)
    here = Browser(first)
    assert here.sign_in("Wren", "2580")[0] == 200
    there = Browser(second, cookies=here.cookies)
    there.token = here.token
    status, job = there.ask("POST", "/api/jobs", {"title": "Two servers"})
    assert (status, job["title"]) == (201, "Two servers")
    assert here.ask("GET", f"/api/jobs/{job['number']}")[0] == 200
    once = {"Idempotency-Key": secrets.token_hex(12)}
    answers = [each.ask("POST", "/api/jobs", {"title": "Once only"}, **once) for each in (here, there)]
    assert answers[0] == answers[1], "a repeated request is done once, by whichever server"
    assert there.ask("POST", "/api/sign-out")[0] == 200
    assert here.ask("GET", "/api/jobs")[0] == 401


@pytest.mark.long
def test_with_another_key_a_sign_in_is_worth_nothing(serve):
    first, second = serve(AMPLE_SECRET_KEY=KEY), serve(AMPLE_SECRET_KEY=KEY[::-1])
    here = Browser(first)
    here.sign_in("Wren", "2580")
    assert Browser(second, cookies=here.cookies).ask("GET", "/api/jobs")[0] == 401


@pytest.fixture(scope="module")
def certificate(tmp_path_factory):
    folder = tmp_path_factory.mktemp("certificate")
    maker = trustme.CA()
    own = maker.issue_cert("127.0.0.1", "localhost")
    own.cert_chain_pems[0].write_to_path(folder / "shop.pem")
    own.private_key_pem.write_to_path(folder / "shop.key")
    return folder, maker.cert_pem.bytes().decode()


@pytest.mark.long
def test_a_certificate_of_ones_own(serve, certificate):
    folder, maker = certificate
    port = serve(
        AMPLE_ADDRESS="https://localhost",
        AMPLE_CERTIFICATE=str(folder / "shop.pem"),
        AMPLE_CERTIFICATE_KEY=str(folder / "shop.key"),
    )
    browser = Browser(port, maker)
    assert browser.sign_in("Wren", "2580")[0] == 200
    status, job = browser.ask("POST", "/api/jobs", {"title": "Through TLS"})
    assert status == 201
    from tests.shop.test_strip import jpeg  # a picture as a camera makes it

    picture = jpeg((900, 700))
    connection = http.client.HTTPSConnection(
        "127.0.0.1", port, context=ssl.create_default_context(cadata=maker)
    )
    connection.request(
        "POST", f"/api/jobs/{job['number']}/photos", picture,
        {
            "Cookie": "; ".join(f"{k}={v}" for k, v in browser.cookies.items()), "X-CSRF-Token": browser.token,
            "Idempotency-Key": secrets.token_hex(12), "Referer": f"https://127.0.0.1:{port}/",
        },
    )  # fmt: skip
    assert connection.getresponse().status == 201
    connection.close()
    silent = [socket.create_connection(("127.0.0.1", port)) for _ in range(40)]
    begun = time.monotonic()
    assert browser.ask("GET", "/api/health")[0] == 200
    assert time.monotonic() - begun < 10
    for each in silent:
        each.close()
    with ThreadPoolExecutor(12) as many:
        assert {each[0] for each in many.map(lambda _: browser.ask("GET", "/api/jobs"), range(36))} == {200}


def seen_address(browser, **headers):
    """The address that a wrong try was counted for."""
    browser.ask("GET", "/api/session", **headers)
    return browser.ask("POST", "/api/sign-in", {"name": "Nobody", "secret": "000000"}, **headers)[0]


@pytest.mark.long
def test_a_trusted_proxy_is_believed_and_nobody_else(serve, shop):
    from ample.store import Database

    database = Database(shop.url)

    def addresses():
        rows = database.run(
            lambda t: t.rows("SELECT address FROM sign_in_attempts ORDER BY attempt_id DESC LIMIT 1")
        )
        return rows[0]["address"]

    forwarded = {
        "X-Forwarded-For": "203.0.113.9",
        "X-Forwarded-Proto": "https",
        "X-Forwarded-Host": "localhost",
    }
    seen_address(Browser(serve(AMPLE_PROXY="192.0.2.1")), **forwarded)
    assert addresses() == "127.0.0.1"
    seen_address(Browser(serve(AMPLE_PROXY="127.0.0.1", AMPLE_ADDRESS="https://localhost")), **forwarded)
    assert addresses() == "203.0.113.9"


@pytest.fixture
def new_shop(tmp_path):
    """`./ample start` over an empty data directory; its process, port and what it printed until it was open."""
    home = copy_of("empty", tmp_path / "home")
    port = free_port()
    environment = os.environ | {"AMPLE_DEMO": "0", "AMPLE_HOME": str(home), "AMPLE_PORT": str(port)}
    process = subprocess.Popen(
        START,
        env=environment,
        stdout=subprocess.PIPE,
        stderr=subprocess.STDOUT,
        stdin=subprocess.DEVNULL,
        text=True,
    )
    lines = []
    for line in process.stdout:
        lines.append(line)
        if "Ctrl-C" in line:
            break
    yield port, "".join(lines), environment
    process.send_signal(signal.SIGTERM)
    process.communicate(timeout=30)


@pytest.mark.long
def test_an_empty_shop_gets_its_owner_and_its_people(new_shop):
    port, printed, environment = new_shop
    code = re.search(r"code\s+([0-9A-Z]{5}-[0-9A-Z]{5})", printed).group(1)
    owner = Browser(port)
    assert owner.ask("GET", "/api/session")[1]["needs_owner"] is True
    body = {"code": code, "name": "Rook", "secret": "lathe, 4 jaws"}
    status, answer = owner.ask("POST", "/api/first-owner", body)
    assert (status, answer["person"]["role"]) == (200, "owner")
    assert Browser(port).ask("GET", "/api/session")[1]["needs_owner"] is False
    assert owner.ask("POST", "/api/people", {"name": "Pike", "role": "bench", "secret": "620 418"})[0] == 201
    assert owner.ask("POST", "/api/jobs", {"title": "The first job"})[1]["number"] == "0001"

    def person(*words, typed=""):
        done = subprocess.run(
            [sys.executable, "-m", "ample.command_line", "person", *words],
            env=environment, input=typed, capture_output=True, text=True, timeout=60,
        )  # fmt: skip
        return done.returncode, done.stdout, done.stderr

    code, listed, _ = person("list")
    assert code == 0
    assert re.search(r"Rook +owner +1 signed in", listed)
    assert re.search(r"Pike +bench +chooses a PIN", listed)
    assert person("add", "Tench", "buyer", typed="731 509\n")[0] == 0
    assert person("role", "Tench", "counter")[0] == 0
    assert re.search(r"Tench +counter", person("list")[1])
    assert person("rest", "Tench")[0] == 0
    assert Browser(port).sign_in("Tench", "731 509")[0] == 401
    assert person("back", "Tench")[0] == 0
    assert person("secret", "Tench", typed="907 153\n")[0] == 0
    assert Browser(port).sign_in("Tench", "907 153")[0] == 200
    assert person("end", "Rook")[0] == 0
    assert owner.ask("GET", "/api/jobs")[0] == 401
    for words, typed, said in (
        (("rest", "Rook"), "", "the only owner"),
        (("add", "Pike", "bench"), "620 418\n", "There is a Pike already"),
        (("add", "Roach", "king"), "620 418\n", "not a role"),
        (("add", "Roach", "bench"), "111111\n", "easy to guess"),
        (("secret", "Roach"), "620 418\n", "nobody called Roach"),
    ):
        code, _, refused = person(*words, typed=typed)
        assert (code, said in refused) == (1, True), refused
    assert person("dance")[0] == 2
