"""Speed, memory and size, measured on the real thing: a private MariaDB, the demo, the workers."""

from __future__ import annotations

import gc
import gzip
import http.cookiejar
import json
import os
import re
import signal
import subprocess
import sys
import tempfile
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from datetime import UTC, datetime
from pathlib import Path
from random import Random
from typing import Any

import numpy as np
from flask import Flask
from flask.testing import FlaskClient
from werkzeug.datastructures import Headers
from werkzeug.test import EnvironBuilder, run_wsgi_app

from ample.core.designation import decode
from ample.core.errors import BadInput
from ample.core.parts import BEARING
from ample.demo.load import PEOPLE, load_demo
from ample.store import Database, Transaction
from ample.store.migrate import migrate
from ample.store.private_server import PrivateServer, free_port
from ample.web.app import BUILT, create_app
from ample.web.settings import Settings
from benchmarks.measure import percentile, with_key
from benchmarks.seal_parts import WHOLE
from benchmarks.simulate import whole_set

SUFFIXES = ("", "-2RS", " ZZ", "-2RS1/C3", " C3", "-P6", " 2RSR C4", "-2Z")


def decode_rate(seconds: float = 3.0) -> dict[str, float]:
    """Different markings of every kind read in a second by one process."""
    from ample.core.standards import bearing_sizes

    markings = [
        f"{size.designation}{suffix}"
        for size in bearing_sizes()
        for suffix in (SUFFIXES if size.kind == "deep_groove" else ("", " C3", " M"))
    ]
    gc.collect()  # what an earlier trial left behind is not of this one
    for marking in markings[:200]:
        decode(marking)
    took, done, began = [], 0, time.perf_counter()
    while time.perf_counter() - began < seconds:
        for marking in markings:
            one = time.perf_counter()
            decode(marking)
            took.append(time.perf_counter() - one)
        done += len(markings)
    return {"per_second": done / (time.perf_counter() - began), "p999_ms": 1000 * percentile(took, 0.999)}


def fuzzed(count: int) -> dict[str, float]:
    """Spoilt, half-worn and senseless markings: none may crash; how long the slow ones take."""
    from ample.core.designation import encode_seal, general_dialect, known_names, listed_specs

    random = Random(17)
    written = [encode_seal(spec, "market") for spec in listed_specs()[::3]]
    names = [*known_names(), *written]
    codes = [*general_dialect().suffixes, "?", "*", "..", "QX7", "~", "-", "/"]
    decode("62?5 2R")
    gc.collect()
    gc.freeze()
    took = np.empty(count)
    for number in range(count):
        text = _spoilt(random, names, codes)
        began = time.perf_counter()
        with suppress(BadInput):
            decode(text)
        took[number] = time.perf_counter() - began
    return {"p999_ms": 1000 * float(np.percentile(took, 99.9)), "mean_us": 1e6 * float(took.mean())}


_LETTERS = "0123456789ABCDEFGHKNRSTUVXZ ?*./-,×xü"


def _spoilt(random: Random, names: list[str], codes: list[str]) -> str:
    """A name with codes, the same with characters changed, or any characters at all."""
    draw = random.random()
    if draw < 0.4:
        return random.choice(names) + "".join(f" {random.choice(codes)}" for _ in range(random.randint(0, 3)))
    if draw < 0.8:
        text = list(f"{random.choice(names)}{random.choice(['', ' ', '-'])}{random.choice(codes)}")
        for _ in range(random.randint(1, 3)):
            text[random.randrange(len(text))] = random.choice(_LETTERS)
        return "".join(text)
    return "".join(random.choice(_LETTERS) for _ in range(random.randint(1, 30)))


def _questions(count: int) -> list[dict[str, Any]]:
    """Readings as they are asked about: of every kind, some with half a marking, half with the kind told."""
    from ample.core.identify import standard_catalogue

    random = np.random.default_rng(5)
    catalogue = standard_catalogue()
    asked = []
    for number in range(count):
        entry = catalogue.entries[int(random.choice(catalogue.size, p=catalogue.entry_prior))]
        features = whole_set(entry.spec.kind)[: 1 + number % 4]
        observations = []
        for feature in features:
            one = max(BEARING.measures(entry.spec.make, feature), key=lambda each: each.share)
            values = [round(one.nominal_mm + random.normal(0, 0.02), 3) for _ in range(1 + number % 2)]
            observations.append(
                {"feature": feature, "values": [max(v, 0.1) for v in values], "instrument": "caliper 3"}
            )
        name = entry.spec.designation
        marking = f"{name[:2]}?{name[3:]}" if number % 4 == 0 else None
        kind = entry.spec.kind if number % 2 else None
        asked.append(
            {"observations": observations, "marking": marking, "limit": 6, "variants": 18, "kind": kind}
        )
    return asked


def _mixed_questions(count: int) -> list[dict[str, Any]]:
    """Readings of seals, rings and small parts of every family in turn, half with the picture told."""
    from ample.core.identify import standard_catalogue

    random = np.random.default_rng(6)
    asked = []
    for number in range(count):
        family = list(WHOLE)[number % len(WHOLE)]
        catalogue = standard_catalogue(family)
        entry = catalogue.entries[int(random.choice(catalogue.size, p=catalogue.entry_prior))]
        observations = []
        for feature in WHOLE[family][: 1 + number % 3]:
            found = catalogue.family.measures(entry.spec.make, feature)
            if found:
                middle = (found[0].low_mm + found[0].high_mm) / 2
                value = max(round(middle + float(random.normal(0, 0.02)), 3), 0.1)
                observations.append({"feature": feature, "values": [value], "instrument": "caliper 3"})
        kind = entry.spec.kind if number % 2 else None
        asked.append(
            {"family": family, "observations": observations, "limit": 6, "variants": 18, "kind": kind}
        )
    return asked


MANY_ROWS = 100_000


def add_rows(t: Transaction, least: int) -> int:
    """Bring the catalogue to at least so many rows: further makers that list what is listed already."""
    held = int(t.single_value("SELECT COUNT(*) FROM catalogue_items"))
    number = 0
    while held < least:
        number += 1
        maker = t.insert("INSERT INTO makers (name) VALUES (%(name)s)", {"name": f"Maker {number}"})
        held += t.change(
            """
            INSERT INTO catalogue_items (
                maker_id, marking, designation, series, size_1_mm, size_2_mm, size_3_mm, size_4_mm, size_5_mm,
                closure, clearance, tolerance_class, stock_quantity, stock_place, kind, bore_shape, angle,
                cage, family, attributes
            )
            SELECT
                %(maker)s, marking, designation, series, size_1_mm, size_2_mm, size_3_mm, size_4_mm, size_5_mm,
                closure, clearance, tolerance_class, 0, '', kind, bore_shape, angle, cage, family, attributes
            FROM catalogue_items
            WHERE maker_id = %(copied)s
            """,
            {"maker": maker, "copied": 1 + number % 3},
        )
    t.change("UPDATE catalogue_state SET revision = revision + 1 WHERE only_row = 1")
    return held


def signed_in(app: Flask) -> tuple[FlaskClient, dict[str, str]]:
    """A client of the application, and the headers of whoever signed in."""
    client = app.test_client()
    token = client.get("/api/session").get_json()["csrf_token"]
    name, _, pin = PEOPLE[0]
    answer = client.post("/api/sign-in", json={"name": name, "secret": pin}, headers={"X-CSRF-Token": token})
    cookie = client.get_cookie("ample")
    headers = {
        "X-CSRF-Token": answer.get_json()["csrf_token"],
        "Cookie": f"ample={cookie.value if cookie else ''}",
    }
    return client, headers


def server_times(
    app: Flask, headers: dict[str, str], rounds: int = 400, mixed: bool = False
) -> dict[str, float]:
    """Server time of `identify` over the demo catalogue, JSON in to JSON out, in one process."""
    gc.collect()
    gc.freeze()  # what the trials before left behind is not a worker's; it forks with its index frozen too
    took = []
    questions = (_mixed_questions if mixed else _questions)(rounds + 20)
    for number, asked in enumerate(questions):
        environ = EnvironBuilder(
            "/api/bench/identify", method="POST", json=asked, headers=Headers(headers)
        ).get_environ()
        began = time.perf_counter()
        answer, status, _ = run_wsgi_app(app, environ, buffered=True)
        body = b"".join(answer)
        if number >= 20:
            took.append(1000 * (time.perf_counter() - began))
        if not status.startswith("200"):
            raise RuntimeError(body.decode())
    return {"p50_ms": percentile(took, 0.5), "p95_ms": percentile(took, 0.95), "max_ms": max(took)}


@contextmanager
def running_server(url: str, home: Path) -> Iterator[tuple[int, str]]:
    """The server as `./ample start` runs it: its process number and address."""
    port = free_port()
    environment = os.environ | {"AMPLE_DATABASE_URL": url, "AMPLE_HOME": str(home)}
    server = subprocess.Popen(
        [sys.executable, "-m", "ample.web.workers", f"--port={port}", "--workers=2"],
        env=environment, stdin=subprocess.DEVNULL,
    )  # fmt: skip
    address = f"http://127.0.0.1:{port}"
    try:
        for _ in range(200):
            try:
                urllib.request.urlopen(f"{address}/api/health", timeout=20).close()
                break
            except OSError:
                time.sleep(0.1)
        yield server.pid, address
    finally:
        server.send_signal(signal.SIGTERM)
        server.wait(15)


def worker_memory(url: str, home: Path) -> dict[str, float]:
    """Resident memory of the workers after identifying, MB."""
    with running_server(url, home) as (pid, address):
        opener = urllib.request.build_opener(urllib.request.HTTPCookieProcessor(http.cookiejar.CookieJar()))

        def ask(path: str, body: object = None, token: str = "") -> Any:
            data = json.dumps(body).encode() if body is not None else None
            headers = {"Content-Type": "application/json", "X-CSRF-Token": token}
            request = urllib.request.Request(f"{address}{path}", data, headers)
            with opener.open(request, timeout=20) as answer:
                return json.loads(answer.read())

        name, _, pin = PEOPLE[0]
        token = ask("/api/session")["csrf_token"]
        token = ask("/api/sign-in", {"name": name, "secret": pin}, token)["csrf_token"]
        for asked in _questions(200):
            ask("/api/bench/identify", asked, token)
        children = subprocess.run(["pgrep", "-P", str(pid)], capture_output=True, text=True, check=False)
        sizes = []
        for child in children.stdout.split():
            status = Path(f"/proc/{child}/status").read_text()
            found = re.search(r"VmRSS:\s+(\d+) kB", status)
            if found:
                sizes.append(int(found.group(1)) / 1024)
        return {"worker_mb": max(sizes)}


def first_screen_bytes() -> dict[str, float]:
    """Gzipped script that the first screen loads: the entry, the Counter and all they import."""
    manifest = json.loads((BUILT / ".vite" / "manifest.json").read_text())
    wanted = ["index.html", "src/counter/CounterScreen.vue"]
    files: set[str] = set()
    seen: set[str] = set()
    while wanted:
        key = wanted.pop()
        if key in seen:
            continue
        seen.add(key)
        files.add(manifest[key]["file"])
        wanted += manifest[key].get("imports", [])
    total = sum(len(gzip.compress((BUILT / file).read_bytes(), 9)) for file in files if file.endswith(".js"))
    return {"script_kb": total / 1000}


def on_a_demo() -> dict[str, float]:
    """Everything that needs a database with the demo in it."""
    with tempfile.TemporaryDirectory(prefix="ample-bench-") as folder:
        home = Path(folder)
        server = PrivateServer(home)
        server.start()
        try:
            migrate(server.url)
            load_demo(Database(server.url), datetime.now(UTC).replace(tzinfo=None), lambda _: None)
            from benchmarks.line import redraw_times, save_times
            from benchmarks.seats import judge_times, seats_redraw_times
            from benchmarks.sheets import sheet_times
            from benchmarks.walk import walk_times

            app = create_app(Settings(home, server.url, "for the benchmark only"))
            app.extensions["ample-index"].prime(
                Database(server.url)
            )  # as a worker has it, before it is asked
            client, headers = signed_in(app)
            made = client.post("/api/jobs", json={"title": "200 parts"}, headers=with_key(headers))
            number = made.get_json()["number"]
            for each in client.get(f"/api/jobs/{number}/take-in", headers=headers).get_json()["cautions"]:
                client.post(f"/api/jobs/{number}/cautions/{each['caution']}", headers=with_key(headers))
            found = (
                server_times(app, headers)
                | save_times(client, headers, number)
                | sheet_times(client, headers)
                | judge_times(client, headers)
            )
            with running_server(server.url, home) as (_, address):
                found |= redraw_times(address, number) | seats_redraw_times(address) | walk_times(address)
            found |= {"rows": Database(server.url).run(lambda t: add_rows(t, MANY_ROWS))}
            wide = create_app(Settings(home, server.url, "for the benchmark only"))
            headers = signed_in(wide)[1]
            times = server_times(wide, headers)
            found |= {f"wide_{name}": value for name, value in times.items()}
            mixed = server_times(wide, headers, mixed=True)
            found |= {f"mixed_{name}": value for name, value in mixed.items()}
            return found | worker_memory(server.url, home)
        finally:
            server.stop()
