"""`./ample bench`: every benchmark, a readable table, and a JSON report."""

from __future__ import annotations

import json
import os
import platform
import sys
import time
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

from ample.prepare import ROOT, say
from benchmarks import faults, history_trials, seal_trials, seat_trials, speed, trials, world_trials
from benchmarks import fuzz as senseless
from benchmarks.figures import Line, of_calibration, of_families, of_histories, of_kinds, of_speed


def run_benchmarks(arguments: list[str]) -> int:
    """Run all; `--quick` draws less, `--faults` kills a shop instead, `--fuzz` asks senseless questions, `--world` judges in the world apart, `--seats` in the worlds of seats. 0 when every target is met, or missed only as far as any ranking must."""
    if "--faults" in arguments:
        return faults.main()
    if "--fuzz" in arguments:
        return senseless.main()
    if "--world" in arguments:
        return world_trials.main(200 if "--quick" in arguments else 5000)
    if "--seats" in arguments:
        return seat_trials.main(4_000 if "--quick" in arguments else 24_000)
    scale = 1 if "--quick" in arguments else 5
    began = time.monotonic()
    say("identification: every kind of bearing")
    kinds = trials.every_kind(40 * scale, 24 * scale)
    say("identification: calibration")
    model = trials.from_the_model(800 * scale)
    world = trials.from_a_different_world(400 * scale)
    unlisted = trials.unlisted_only(400 * scale)
    say("identification: seals, rings and small parts")
    families = seal_trials.every_family(30 * scale, 100 * scale)
    say("logs and their forecast")
    histories = history_trials.every_sort(100 * scale)
    say("speed, memory, size")
    rate = speed.decode_rate()
    fuzz = speed.fuzzed(100_000 if scale == 1 else 1_000_000)
    served = speed.on_a_demo()
    lines = [
        *of_families(families),
        *of_kinds(kinds),
        *of_calibration(model, world, unlisted),
        *of_histories(histories),
        *of_speed(served, fuzz, rate, speed.first_screen_bytes()),
    ]
    _print(lines, model, kinds, families)
    _write(lines, model, kinds, families, time.monotonic() - began)
    return 0 if all(line.met or line.at_the_limit for line in lines) else 1


def _print(
    lines: list[Line],
    model: trials.Tally,
    kinds: list[trials.KindTrial],
    families: list[seal_trials.FamilyTrial],
) -> None:
    print()
    for line in lines:
        sign = "≤" if line.at_most else "≥"
        target = f"{sign} {line.target:g}" if line.target else ""
        print(f"  {line.sign} {line.name:46} {line.value:10.2f} {line.unit:7} {target:10} {line.note}")
    print(
        "\n  kind of bearing           first %  best %  three %  log score (best)     different: cal.  none   bits gained"
    )
    for each in kinds:
        bits = ", ".join(f"{name} {gain:.1f}" for name, gain in each.bits.items())
        print(
            f"    {each.kind:24} {each.first_share:6.2f} {each.best_share:7.2f} {each.three_share:8.2f} "
            f"{each.ours.log_score / each.ours.draws:9.4f} ({each.best.log_score / each.best.draws:.4f}) "
            f"{100 * each.different.calibration_error():12.2f} {100 * each.different.none_error():6.2f}   {bits}"
        )
    print("\n  family            first %  best %  three %   calibration, none: as modelled   different")
    for family in families:
        own = family.figures()
        print(
            f"    {family.family:16} {own['first']:6.2f} {own['best_first']:7.2f} {own['in_three']:8.2f}"
            f" {own['calibration_points']:18.2f} {own['none_points']:6.2f}"
            f" {own['different_calibration_points']:14.2f} {own['different_none_points']:6.2f}"
        )
    print("\n  shown against right, drawn from the model (95 % binomial interval)")
    for row in model.table():
        print(
            f"    shown {row['shown']:7.3f}   right {row['right']:7.3f}   {row['low']:.3f} to {row['high']:.3f}   {int(row['count']):6} times"
        )
    print()


def _write(
    lines: list[Line],
    model: trials.Tally,
    kinds: list[trials.KindTrial],
    families: list[seal_trials.FamilyTrial],
    took: float,
) -> None:
    report: dict[str, Any] = {
        "made_at": datetime.now(UTC).isoformat(timespec="seconds"),
        "machine": f"{platform.machine()}, {os.cpu_count()} processors, Python {sys.version.split()[0]}",
        "seconds": round(took, 1),
        "figures": [line.__dict__ | {"met": line.met, "at_the_limit": line.at_the_limit} for line in lines],
        "calibration": model.table(),
        "kinds": [each.figures() for each in kinds],
        "families": [each.figures() for each in families],
    }
    file = Path(os.environ.get("AMPLE_HOME", ROOT / "var")) / "bench.json"
    file.parent.mkdir(parents=True, exist_ok=True)
    file.write_text(json.dumps(report, indent=1) + "\n", encoding="utf-8")
    print(f"  report: {file}")
