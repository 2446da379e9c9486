"""`./ample bench --fuzz`: texts that nobody would type, asked of the core and over HTTP; none may make a fault."""

from __future__ import annotations

import json
import os
import sys
import tempfile
import threading
import time
import urllib.parse
from collections import Counter
from concurrent.futures import ProcessPoolExecutor
from pathlib import Path
from random import Random
from typing import Any

from ample.core.designation import decode, general_dialect, known_names
from ample.core.errors import AmpleError
from ample.core.sizes import parse_length, parse_size
from benchmarks.faults import Client, Sheet, Shop

CORE, HTTP, LANES = 1_000_000, 20_000, 4
# Letters that fold to others, digits of other scripts, marks that join, signs without a width, half a pair.
STRANGE = "ıİſKÅßﬁ½⅛٣४𝟙٫’”″′‑–—−×✕·•°øØ⌀µμ\u200b\u202e\u0301\u00a0\u2028\x00\x1b\t\r\n\ud800🔩"
PLAIN = "0123456789ABCDEFGHKNRSTUVXZabcinmxØ ?*./-,\"'"
UNITS = ("mm", "in", "inch", '"', "''", "thou", "mil", "cm", "um", "µm", "ın", "MM", "İN", "ſ")


def text_of(random: Random, names: list[str], codes: list[str]) -> str:
    """A marking, a size, or anything; spoilt in a few places."""
    draw = random.random()
    if draw < 0.35:
        text = random.choice(names) + random.choice(["", " ", "-"]) + random.choice(codes)
    elif draw < 0.7:
        numbers = [
            f"{random.randint(0, 999)}{random.choice(['', '.5', ',02', ' 1/8', '/64', '-1/2'])}"
            for _ in "123"
        ]
        joined = random.choice(["x", " x ", "×", " ", "*"]).join(numbers[: random.randint(1, 3)])
        text = f"{random.choice(['', 'Ø', '.', '-'])}{joined} {random.choice(UNITS)}"
    else:
        text = "".join(random.choice(PLAIN) for _ in range(random.randint(0, 40)))
    letters = list(text)
    for _ in range(random.choice((0, 0, 1, 2, 6))):
        place = random.randint(0, len(letters))
        letters[place : place + random.randint(0, 1)] = random.choice(random.choice((STRANGE, PLAIN)))
    return "".join(letters) * random.choice((1, 1, 1, 1, 1, 1, 1, 7))


def _lane(asked: tuple[int, int]) -> tuple[list[str], float]:
    """One process's share: what crashed, and the slowest, ms."""
    seed, count = asked
    random, names = Random(seed), list(known_names())
    codes = [*general_dialect().suffixes, "?", "*", "..", "QX7", "~", "-", "/"]
    crashed, slowest = [], 0.0
    for _ in range(count):
        text = text_of(random, names, codes)
        began = time.perf_counter()
        for ask in (decode, parse_length, parse_size):
            try:
                ask(text)
            except AmpleError:
                pass
            except Exception as error:
                crashed.append(f"{ask.__name__}({text!r}): {error!r}")
        slowest = max(slowest, time.perf_counter() - began)
    return crashed, 1000 * slowest


def fuzz_core(count: int = CORE) -> dict[str, Any]:
    """Every text decoded and read as a length and as a size."""
    processors = os.cpu_count() or 1
    lots = [(seed, count // (4 * processors)) for seed in range(4 * processors)]
    with ProcessPoolExecutor(processors) as pool:
        found = list(pool.map(_lane, lots))
    crashed = [each for lane, _ in found for each in lane]
    return {
        "texts": sum(many for _, many in lots),
        "crashed": len(crashed),
        "first": crashed[:3],
        "slowest_ms": max(ms for _, ms in found),
    }


def _question(random: Random, text: str) -> tuple[str, str, object]:
    draw = random.randrange(5)
    if draw == 0:
        return "POST", "/api/calc/decode", {"text": text}
    if draw == 1:
        return "POST", "/api/calc/length", {"text": text, "unit": random.choice(("mm", "in"))}
    if draw == 2:
        quoted = urllib.parse.quote(text.encode("utf-8", "replace")[:400])
        return "GET", f"/api/counter?text={quoted}", None
    feature = random.choice(("bore", "outside", "width"))
    observation = {"feature": feature, "values": [text], "instrument": "caliper"}
    asked = {"family": "bearing", "marking": text[:200], "observations": [observation] if draw == 3 else []}
    return "POST", "/api/bench/identify", asked


def fuzz_http(count: int = HTTP, home: Path | None = None) -> dict[str, Any]:
    """The same kind of texts over HTTP, from several clients at once, against `./ample start`."""
    from ample.demo.load import PEOPLE

    statuses: Counter[int] = Counter()
    faults: list[str] = []
    with tempfile.TemporaryDirectory(prefix="ample-fuzz-") as folder:
        shop = Shop(home or Path(folder) / "home")
        names, codes = list(known_names()), ["2RS", "C3", "?", "Q7"]

        def ask(seed: int) -> None:
            random = Random(seed)
            client = Client(shop.port, PEOPLE[0][0], PEOPLE[0][2], Sheet("bench", "", ("part", 0), "", 0), 0)
            client.sign_in()
            for _ in range(count // LANES):
                method, path, body = _question(random, text_of(random, names, codes))
                status, answer = client._once(method, path, body, "")
                statuses[status] += 1
                if status >= 500:
                    faults.append(f"{method} {path} {json.dumps(body)[:200]}: {status} {answer}")
            client.close()

        threads = [threading.Thread(target=ask, args=(seed,)) for seed in range(LANES)]
        try:
            for each in threads:
                each.start()
            for each in threads:
                each.join()
        finally:
            shop.stop()
    return {
        "requests": sum(statuses.values()),
        "statuses": dict(sorted(statuses.items())),
        "faults": faults[:5],
    }


def main() -> int:
    """Run both and print; 0 when nothing crashed."""
    began = time.monotonic()
    core = fuzz_core()
    print(f"core: {core}", file=sys.stderr, flush=True)
    http = fuzz_http()
    print(json.dumps({"core": core, "http": http, "minutes": (time.monotonic() - began) / 60}, indent=1))
    return 1 if core["crashed"] or http["faults"] else 0
