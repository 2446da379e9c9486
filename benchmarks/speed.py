"""Speed, memory and size, measured on the real thing: a private MariaDB, the demo, gunicorn."""

from __future__ import annotations

import gc
import gzip
import http.cookiejar
import json
import os
import re
import secrets
import signal
import subprocess
import sys
import tempfile
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

import numpy as np
from flask import Flask
from flask.testing import FlaskClient
from werkzeug.datastructures import Headers
from werkzeug.test import EnvironBuilder, run_wsgi_app

from ample.core.designation import decode
from ample.demo.load import PEOPLE, load_demo
from ample.store import Database
from ample.store.migrate import migrate
from ample.store.private_server import PrivateServer, free_port
from ample.web.app import BUILT, create_app
from ample.web.settings import Settings

SUFFIXES = ("", "-2RS", " ZZ", "-2RS1/C3", " C3", "-P6", " 2RSR C4", "-2Z")


def percentile(values: list[float], share: float) -> float:
    """A percentile in the unit of the values."""
    return float(np.percentile(values, 100 * share))


def decode_rate(seconds: float = 3.0) -> dict[str, float]:
    """Different markings read in a second by one process."""
    from ample.core.standards import ball_bearing_sizes

    markings = [f"{size.designation}{suffix}" for size in ball_bearing_sizes() for suffix in SUFFIXES]
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


def _questions(count: int) -> list[dict[str, Any]]:
    random = np.random.default_rng(5)
    from ample.core.standards import ball_bearing_sizes

    sizes = ball_bearing_sizes()
    asked = []
    for number in range(count):
        size = sizes[int(random.integers(len(sizes)))]
        nominal = {
            "bore": size.d_mm,
            "outside": size.D_mm,
            "width": size.B_open_mm or size.B_closed_mm or 1.0,
        }
        features = list(nominal)[: 1 + number % 3]
        observations = [
            {"feature": f, "values": [round(nominal[f] + random.normal(0, 0.02), 3) for _ in range(1 + number % 2)],
             "instrument": "caliper 3"}
            for f in features
        ]  # fmt: skip
        marking = f"{size.designation[:2]}?{size.designation[3:]}" if number % 4 == 0 else None
        asked.append({"observations": observations, "marking": marking, "limit": 6, "variants": 18})
    return asked


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


def with_key(headers: dict[str, str]) -> dict[str, str]:
    """The headers with a fresh idempotency key."""
    return headers | {"Idempotency-Key": secrets.token_hex(12)}


def server_times(app: Flask, headers: dict[str, str], rounds: int = 400) -> dict[str, float]:
    """Server time of `identify` over the demo catalogue, JSON in to JSON out, in one process."""
    gc.collect()
    gc.freeze()  # what the trials before left behind is not a worker's; it forks with its index frozen too
    took = []
    for number, asked in enumerate(_questions(rounds + 20)):
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
    """gunicorn as `./ample start` runs it: its process number and address."""
    port = free_port()
    environment = os.environ | {"AMPLE_DATABASE_URL": url, "AMPLE_HOME": str(home)}
    server = subprocess.Popen(
        [sys.executable, "-m", "gunicorn", "--preload", "--workers=2", "--threads=8", "--worker-class=gthread",
         f"--bind=127.0.0.1:{port}", "--no-control-socket", "--log-level=error", "ample.web.wsgi:app"],
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
    """Resident memory of gunicorn's workers after identifying, MB."""
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

            app = create_app(Settings(home, server.url, "for the benchmark only"))
            client, headers = signed_in(app)
            made = client.post("/api/jobs", json={"title": "200 parts"}, headers=with_key(headers))
            number = made.get_json()["number"]
            for each in client.get(f"/api/jobs/{number}/take-in", headers=headers).get_json()["cautions"]:
                client.post(f"/api/jobs/{number}/cautions/{each['caution']}", headers=with_key(headers))
            found = server_times(app, headers) | save_times(client, headers, number)
            with running_server(server.url, home) as (_, address):
                found |= redraw_times(address, number)
            return found | worker_memory(server.url, home)
        finally:
            server.stop()
