"""What `./ample bench` measures, each figure beside its target."""

from __future__ import annotations

from dataclasses import dataclass

from benchmarks import seal_trials, trials
from benchmarks.histories import REACHING
from benchmarks.history_trials import HistoryTrial

HALF_A_POINT = 0.5


@dataclass(frozen=True)
class Line:
    """A measured figure beside its target."""

    name: str
    value: float
    unit: str
    target: float
    at_most: bool
    note: str = ""
    best_possible: float | None = None

    @property
    def met(self) -> bool:
        """Whether the target is met."""
        return self.value <= self.target if self.at_most else self.value >= self.target

    @property
    def at_the_limit(self) -> bool:
        """Short of the target, as the true model's own posterior on the same draws is: no ranking can do more."""
        best = self.best_possible
        return not self.met and best is not None and best < self.target and self.value >= best - HALF_A_POINT

    @property
    def sign(self) -> str:
        """How the line is marked."""
        return "ok " if self.met else "lim" if self.at_the_limit else "NO "


def share(
    name: str,
    hits: int,
    of: int,
    target: float,
    at_most: bool = False,
    whose: str = "",
    best: int | None = None,
) -> Line:
    low, high = trials.interval(hits, of)
    note = f"{whose + ': ' if whose else ''}{hits} of {of}, {100 * low:.2f} to {100 * high:.2f} %"
    return Line(name, 100 * hits / of, "%", target, at_most, note, None if best is None else 100 * best / of)


def of_kinds(kinds: list[trials.KindTrial]) -> list[Line]:
    """How every kind of bearing is ranked, and which does worst."""
    listed = sum(each.ours.listed for each in kinds)
    worst = min(kinds, key=lambda each: each.first_share)
    least = min(kinds, key=lambda each: each.three_share)
    behind = max(kinds, key=lambda each: each.points_behind)
    strange = max(kinds, key=lambda each: each.different.calibration_error())
    off = 100 * strange.different.calibration_error()
    return [
        share("right envelope first, all kinds", sum(k.ours.first for k in kinds), listed, 97),
        share("  the best any ranking could reach", sum(k.best.first for k in kinds), listed, 0),
        share(
            "right envelope first, the worst kind", worst.ours.first, worst.ours.listed, 97, whose=worst.kind
        ),
        Line(
            "behind the best possible, the worst kind", behind.points_behind, "points", 0.5, True, behind.kind
        ),
        share("right envelope in the first three, all", sum(k.ours.in_three for k in kinds), listed, 99.7),
        share(
            "in the first three, the worst kind",
            least.ours.in_three,
            least.ours.listed,
            99.7,
            whose=least.kind,
        ),
        Line("calibration, different world, worst kind", off, "points", 6, True, strange.kind),
    ]


def of_calibration(model: trials.Tally, world: trials.Tally, unlisted: trials.Tally) -> list[Line]:
    """Whether percentages mean what they say."""
    return [
        Line("calibration error, drawn from the model", 100 * model.calibration_error(), "points", 3, True),
        Line("calibration error of none-of-these", 100 * model.none_error(), "points", 3, True),
        Line("calibration error, different generator", 100 * world.calibration_error(), "points", 6, True),
        share("unlisted part shown as a wrong one at 90 %", unlisted.wrong_and_sure, unlisted.draws, 1, True),
    ]


def of_histories(trials_of: list[HistoryTrial]) -> list[Line]:
    """Whether the forecast of a log holds what it says, and leaves noise alone."""
    reaching = [each for each in trials_of if each.sort in REACHING]
    told, holding = sum(each.told for each in reaching), sum(each.holding for each in reaching)
    by_sort = {each.sort: each for each in trials_of}
    steady, halved = by_sort["steady"], by_sort["halved"]
    each_one = ", ".join(f"{each.sort} {100 * each.holding / max(each.told, 1):.0f}" for each in reaching)
    without = sum(each.made for each in reaching) - told
    return [
        share("logs: the 80 % band holds the day, at least", holding, told, 75, whose=each_one),
        share("logs: and at most", holding, told, 85, True, f"{without} without a band"),
        share("logs: steady called worse", steady.called_worse, steady.made, 5, True),
        share("logs: half said within four emptyings", halved.called_worse, halved.made, 80),
    ]


def of_speed(
    served: dict[str, float], fuzz: dict[str, float], rate: dict[str, float], size: dict[str, float]
) -> list[Line]:
    """Milliseconds, rates and sizes."""

    def timed(name: str, what: str, target: float, more: str = "") -> Line:
        return Line(
            name, served[f"{what}p95_ms"], "ms", target, True, f"median {served[f'{what}p50_ms']:.1f}{more}"
        )

    return [
        timed("identify over the demo catalogue, p95", "", 20),
        timed(f"identify over {served['rows']:,.0f} rows, p95", "wide_", 20),
        timed("the same, seals, rings and small parts mixed", "mixed_", 20),
        Line(
            "decode, fuzzed strings, 99.9th percentile",
            fuzz["p999_ms"],
            "ms",
            1,
            True,
            f"mean {fuzz['mean_us']:.0f} µs, none crashed",
        ),
        Line(
            "decode", rate["per_second"], "/s", 20_000, False, f"99.9th percentile {rate['p999_ms']:.2f} ms"
        ),
        timed("line of 200 parts: redraw, p95", "redraw_", 50, ", in Chromium"),
        timed("both seats: judging, server time, p95", "seats_", 30),
        timed("both seats: redraw after the answer, p95", "judged_", 50, ", in Chromium"),
        Line(
            "Counter to order by keys: waited",
            served["walk_waited_s"],
            "s",
            4,
            True,
            f"{served['walk_keys']:.0f} keys, {served['walk_overridden']:.0f} checks overridden",
        ),
        timed("line of 200 parts: save, server time, p95", "save_", 100),
        timed("line of 400 parts: save, server time, p95", "line400_", 150),
        timed("fit-up of 400 parts: save and judge, p95", "fit400_", 250),
        timed("unit with 500 readings: open, p95", "log500_", 150),
        Line("first screen's script, gzip", size["script_kb"], "kB", 200, True),
        Line("memory of a worker, 100,000 rows", served["worker_mb"], "MB", 300, True),
    ]


FIRST = {"o_ring": 90.0}


def of_families(families: list[seal_trials.FamilyTrial]) -> list[Line]:
    """The figures of seals, rings and small parts beside their targets."""
    lines = []
    for each in families:
        name = each.family.replace("_", " ")
        behind = 100 * (each.best.first - each.ours.first) / each.ours.listed
        lines += [
            share(f"{name}: right size first", each.ours.first, each.ours.listed, FIRST.get(each.family, 95.0), False,
                   f"best {100 * each.best.first / each.ours.listed:.1f}", each.best.first),
            Line(f"{name}: behind the best possible", behind, "points", 0.5, True),
            share(f"{name}: in the first three", each.ours.in_three, each.ours.listed, 99.5, False,
                   f"best {100 * each.best.in_three / each.ours.listed:.1f}", each.best.in_three),
            Line(f"{name}: calibration, as modelled", 100 * each.modelled.calibration_error(), "points", 3, True),
            Line(f"{name}: calibration, different world", 100 * each.different.calibration_error(), "points", 6, True),
        ]  # fmt: skip
        if each.with_groove:
            own = each.with_groove
            lines.append(share(f"{name} with its groove: in the first three", own.in_three, own.draws, 99.5))
        if each.bore_first is not None:
            lines.append(Line(f"{name}: housing bore by the outside alone", each.bore_first, "%", 90, False))
    return lines
