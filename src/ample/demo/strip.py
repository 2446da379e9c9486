"""The demo's strip-down jobs: units, lines, what was found, what people decided."""

from __future__ import annotations

import hashlib
from dataclasses import dataclass, field, replace
from datetime import timedelta
from typing import Any

from ample.base import job_queries as jobs
from ample.base.doer import Doer
from ample.base.records import NewJob
from ample.core.assembly import LineSheet
from ample.core.contract import BenchSheet
from ample.demo.pictures import demo_picture
from ample.shop.bench.actions import bench_of, save_bench
from ample.shop.bench.records import BenchSave
from ample.shop.line.actions import decide, save_line, send_to_bench
from ample.shop.line.records import DecideRequest, LineSave
from ample.shop.photos.actions import add_photo
from ample.shop.photos.pictures import take_in_picture
from ample.shop.photos.records import PhotoPlace
from ample.shop.takein.actions import acknowledge, open_unit, save_take_in, take_in_of
from ample.shop.takein.records import TakeInSave
from ample.shop.units.actions import add_model
from ample.shop.units.records import Build, UnitModel
from ample.store import Transaction

Sheet = dict[str, Any]


def part(kind: str, name: str = "", sizes: str = "", **more: Any) -> Sheet:
    """A part of a demo line: sizes as “inside x outside x width”, with a dash where none is known."""
    found: Sheet = {"kind": kind, "name": name, **more}
    for side, text in zip(("inside", "outside", "width"), sizes.split(" x "), strict=False):
        if text and text != "-":
            found[side] = {"typed": text, "unit": "mm"}
    return found


def faced(mark: str, looks_at: str = "") -> Sheet:
    """A face by its mark and what it looks at."""
    return {"mark": mark, "looks_at": looks_at}


@dataclass
class DemoLine:
    """A shaft with its parts from left to right, and what hangs beside it."""

    name: str
    inside: str
    parts: list[Sheet]
    left: str = "air"
    right: str = "air"
    beside: list[Sheet] = field(default_factory=list)


@dataclass
class DemoJob:
    """A job with what is known of it."""

    number: str
    days_ago: int
    new: NewJob
    take_in: Sheet
    lines: list[DemoLine]
    ties: list[tuple[int, str, int, list[int], str]]
    loose: list[tuple[str, int, int | None]]
    decisions: list[tuple[int, int, str, str]]
    read: list[str]
    photo: tuple[int, int, str, str] | None
    read_at_the_bench: list[tuple[int, int, Sheet]] = field(default_factory=list)


def key_of(job: str, line: int, place: int) -> str:
    """The key of a demo part: always the same for the same place."""
    return "d" + hashlib.sha256(f"{job}/{line}/{place}".encode()).hexdigest()[:11]


def sheet_of(job: DemoJob) -> LineSheet:
    """The line sheet of a demo job."""
    lines, parts, ties = [], [], []
    for number, line in enumerate(job.lines):
        key = f"line{number}"
        lines.append({
            "key": key, "name": line.name, "inside": line.inside, "left_end": line.left, "right_end": line.right,
        })  # fmt: skip
        for place, each in enumerate((*line.parts, *line.beside)):
            hangs = place >= len(line.parts)
            parts.append(each | {"key": key_of(job.number, number, place), "line": key, "beside": hangs})
    for number, (line_no, end, first, places, words) in enumerate(job.ties):
        width = job.lines[line_no].parts[first].get("width")
        ties.append({
            "key": f"tie{number:02d}", "line": f"line{line_no}", "end": end, "words": words,
            "parts": [key_of(job.number, line_no, place) for place in places],
            **({"thickness": width} if width else {}),
        })  # fmt: skip
    loose = [
        {"key": f"loose{n:02d}", "what": what, "came_out": out, "tray": tray}
        for n, (what, out, tray) in enumerate(job.loose)
    ]
    return LineSheet.model_validate({"lines": lines, "parts": parts, "ties": ties, "loose": loose})


def load_job(t: Transaction, bench: Doer, second: Doer, job: DemoJob) -> None:
    """Put a demo job into the shop through the actions that people use."""
    at = bench.now - timedelta(days=job.days_ago)
    first = replace(bench, now=at)
    opened = open_unit(t, first, job.new)
    jobs.set_number(t, opened.job_id, job.number)
    taken = take_in_of(t, job.number)
    sheet = taken.sheet.model_copy(update=job.take_in)
    save_take_in(t, first, job.number, TakeInSave(version=taken.version, sheet=sheet))
    later = replace(first, now=at + timedelta(hours=3))
    for caution in job.read:
        acknowledge(t, later, job.number, caution)
    lines = sheet_of(job)
    save_line(t, later, job.number, LineSave(version=0, sheet=lines))
    findings = {part.key: part.findings for part in lines.parts}
    decider = replace(second, now=at + timedelta(hours=5))
    for line, place, verdict, reason in job.decisions:
        key = key_of(job.number, line, place)
        choice = DecideRequest.model_validate(
            {"findings": findings[key], "verdict": verdict, "reason": reason}
        )
        decide(t, decider, job.number, key, choice)
    for line, place, sheet_read in job.read_at_the_bench:
        sent = send_to_bench(t, later, job.number, key_of(job.number, line, place))
        _read(t, later, sent.part_id, sheet_read)
    if job.photo is None:
        return
    line, place, picture, caption = job.photo
    add_photo(
        t, later, job.number, take_in_picture(demo_picture(picture)),
        PhotoPlace(part=key_of(job.number, line, place), caption=caption),
    )  # fmt: skip


def _read(t: Transaction, doer: Doer, part_id: int, read: Sheet) -> None:
    """What the caliper said of a part, beside what the line knew of it."""
    held = bench_of(t, part_id)
    observations = [
        {
            "feature": feature,
            "instrument": read.get("instrument", "caliper 3"),
            "readings": [{"typed": typed, "unit": "mm"} for typed in values.split()],
        }
        for feature, values in read["sizes"].items()
    ]
    changes = {"condition": read.get("condition", ""), "observations": observations}
    sheet = BenchSheet.model_validate(held.sheet.model_dump() | changes)
    save_bench(t, doer, part_id, BenchSave(version=held.version, sheet=sheet))


def load_models(t: Transaction, owner: Doer, item_of: dict[str, int]) -> None:
    """The models that the shop knows in several builds, with what they are known to need."""

    def spare(name: str, quantity: int = 1, **more: Any) -> Sheet:
        return {"name": name, "quantity": quantity, **more}

    add_model(t, owner, UnitModel(
        name="PW 12 paddle winch", unit="winch", question="How many screws hold the worm cover?",
        builds=[
            Build(build="A", answer="four screws", picture="screws_4", serial_range="to 0480",
                  differs="Lip seal 28 x 52 x 7; shim 0.35 at the worm end."),
            Build(build="B", answer="six screws", picture="screws_6", serial_range="from 0481",
                  differs="Lip seal 30 x 52 x 7; spacer in place of the shim."),
        ],
    ), [
        spare("lip seal 28 x 52 x 7", 2, build="A", in_stock=1, lead_days=2),
        spare("lip seal 30 x 52 x 7", 2, build="B", in_stock=4, lead_days=2),
        spare("taper bearing 25 x 52 x 16.25", 2, in_stock=0, lead_days=9),
        spare("cover gasket", 1),
    ])  # fmt: skip
    add_model(t, owner, UnitModel(
        name="SC 50 sluice cylinder", unit="cylinder", question="Is the ring in the gland square or round?",
        builds=[
            Build(build="1", answer="square ring", picture="square_ring", serial_range="to 1998",
                  differs="Square ring without backup; its groove takes a round one only with a backup ring."),
            Build(build="2", answer="round ring", picture="round_ring", serial_range="from 1998",
                  differs="O-ring with a backup ring on the side away from pressure."),
        ],
    ), [
        spare("seal kit SC 50/1", build="1", in_stock=0, lead_days=21),
        spare("seal kit SC 50/2", build="2", in_stock=1, lead_days=4),
    ])  # fmt: skip
    add_model(t, owner, UnitModel(
        name="BT 30 bow thruster", unit="thruster", question="Is there a spacer between the two lip seals?",
        builds=[
            Build(build="early", answer="no spacer", picture="no_spacer", differs="Both seals touch; 2 x 8 mm wide."),
            Build(build="late", answer="a spacer between", picture="spacer", differs="Seals 7 mm wide with a 2 mm spacer."),
        ],
    ), [
        spare("deep groove bearing 6205 C3", item_id=item_of["6205 C3"]),
        spare("lip seal 30 x 47 x 7", 2, in_stock=2, lead_days=3),
        spare("O-ring 68 x 3", 1, in_stock=0, lead_days=3),
    ])  # fmt: skip


def demo_jobs() -> list[DemoJob]:
    """The four units on the bench."""
    return [_winch(), _cylinder(), _thruster(), _capstan()]


def _winch() -> DemoJob:
    bolt = {
        "drive": "hex 13",
        "thread": "M8",
        "length": {"typed": "22", "unit": "mm"},
        "torque": 22,
        "torque_unit": "N·m",
        "torque_source": "plate in the cover",
    }
    return DemoJob(
        "0409", 4,
        NewJob(title="Paddle-gear winch", unit="winch", owner="Marl Top Lock", model="PW 12 paddle winch",
               symptom="drips oil at the worm shaft when it has run an hour; stiff since the autumn", lie_open_days=7),
        {"duties": ["gate"], "build": "A", "serial": "0312", "since": "about eight weeks", "access": "costly", "plate": "worm 1:24, oil 0.6 l",
         "signs": ["leak_shaft", "fluid_oil", "when_warm", "track_grooved"], "works": ["old_gasket", "heat"],
         "planned": "Drain, lift off, strip the worm shaft, heat the tapers to 100 °C to fit.",
         "note_next": "The breather under the name plate was painted over: it is the first thing to look at."},
        [DemoLine("worm shaft", "oil", [
            part("cover", "worm cover", "30 x 74 x 10", findings={"face": "flat", "crack": "none"}),
            part("lip_seal", "", "28 x 52 x 7", left=faced("lip"), right=faced("flat"), findings={"lip": "hard", "out": "out"}, marking="28 52 7"),
            part("shim", "", "30 x 52 x 0.35", findings={"leaf": "even"}),
            part("taper_bearing", "worm-end taper", "25 x 52 x 16.25", left=faced("narrow"), right=faced("wide"), findings={"feel": "lumpy"}, marking="302?5"),
            part("shaft", "worm", "- x 38 x 46", findings={"track": "felt", "depth_mm": "0.08", "place_mm": "6", "marks": "around", "room": "yes", "seat": "dull", "thread": "good"}),
            part("key", "", "- x - x 24", findings={"fit": "close"}),
            part("gear", "worm wheel", "32 x 112 x 30", findings={"teeth": "pitted", "bore": "close"}),
            part("spacer", "", "25 x 34 x 14", findings={"faces": "flat"}),
            part("taper_bearing", "crank-end taper", "25 x 52 x 16.25", left=faced("wide"), right=faced("narrow"), findings={"feel": "smooth", "tracks": "not_seen"}),
            part("lock_washer", "", "25 x 42 x 1.5"),
            part("nut", "slotted nut", "25 x 40 x 8", findings={"thread": "runs", "one_use": "no"},
                 fastener={"drive": "hook", "thread": "M25x1.5", "hand": "left", "lock": "tab", "torque_source": ""},
                 settings=[{"key": "turn1", "what": "notch", "first": "third from the mark", "second": "third from the mark"}]),
            part("lip_seal", "crank-end seal", "25 x 52 x 7", left=faced("lip"), right=faced("flat"), findings={"lip": "worn", "out": "out"}),
        ], beside=[
            part("screw", "cover screws", "", quantity=4, fastener=bolt, findings={"thread": "runs", "one_use": "no"}),
            part("gasket", "cover gasket", "", findings={"age": "unknown"}),
        ])],
        [(0, "left", 2, [2, 3], "shim stays with the worm end")],
        [("keys", 1, 1), ("tab washers", 1, 1), ("shims", 1, 1), ("cover screws", 4, 4)],
        [(0, 8, "replace", "Cannot be seen into, and the winch is a day's work to reach.")],
        ["isolate", "manual_first", "raised", "winch_load", "over_water"],
        (0, 1, "lip", "hard lip, as it came out"),
        [
            (0, 3, {"condition": "worn", "sizes": {"bore": "25.02 24.99", "outside": "51.97", "assembled_width": "16.41"}}),
            (0, 8, {"sizes": {"bore": "25.00", "outside": "52.01", "outer_ring_width": "12.93"}}),
        ],
    )  # fmt: skip


def _cylinder() -> DemoJob:
    return DemoJob(
        "0410", 11,
        NewJob(title="Sluice cylinder", unit="cylinder", owner="Nether Sluice", model="SC 50 sluice cylinder",
               symptom="gate creeps down overnight, oil on the rod; worse since the hoses were renewed", lie_open_days=14),
        {"duties": ["gate"], "build": "1", "since": "three weeks", "access": "costly", "serial": "1994/07", "plate": "160 bar, bore 50, rod 28",
         "signs": ["leak_rod", "fluid_oil", "pressure_lost", "after_work", "slow", "ring_nibbled", "wrong_way"],
         "energies": ["pressure", "raised_load", "accumulator"], "works": ["press"], "checked": {"hoses_reversed": "found"},
         "planned": "Pin the gate, let the pressure off, pull the rod.", "note_next": "Both hoses are tagged now: A is lift."},
        [DemoLine("rod and gland", "pressure", [
            part("nut", "eye nut", "27 x 41 x 20", fastener={"thread": "M27x2", "torque": 620, "torque_source": "manual", "torque_unit": "ft-lb"}),
            part("wiper", "", "28 x 36 x 7", left=faced("lip", "dirt"), right=faced("flat", "oil"), findings={"lip": "worn"}),
            part("gland", "", "28 x 50 x 46", findings={"bore": "dull", "crust": "crust", "crack": "none"}),
            part("rod_seal", "", "28 x 38 x 8", left=faced("lip", "air"), right=faced("flat", "pressure"), findings={"lip": "nibbled"}),
            part("backup_ring", "", "44 x 50 x 1.5", left=faced("flat", "air"), right=faced("flat", "pressure")),
            part("o_ring", "gland ring, square", "43 x 50 x 3.5", findings={"state": "nibbled"}, obtainable=True),
            part("rod", "", "- x 28 x 240", findings={"surface": "nicked", "place": "in_stroke", "bend": "straight"}),
            part("piston", "", "20 x 49.6 x 42", findings={"bore": "dull", "crack": "none"}),
            part("piston_seal", "", "40 x 50 x 8.5", left=faced("lip", "pressure"), right=faced("flat", "pressure"), findings={"lip": "worn"}),
            part("wear_band", "", "46 x 50 x 9.7", findings={"bore": "close"}),
            part("nut", "piston nut", "20 x 30 x 16", fastener={"drive": "hex 30", "thread": "M20x1.5", "compound": "both", "torque": 250, "torque_source": "manual"},
                 findings={"thread": "runs", "one_use": "no"}),
        ], right="pressure", beside=[
            part("tube", "", "50 x 60 x 420", findings={"surface": "bright"}),
            part("wire", "position sensor lead", "", settings=[{"key": "wire1", "what": "wire", "first": "brown 1, blue 2", "second": "brown 2, blue 1"}]),
        ])],
        [(0, "left", 4, [4, 5], "backup and ring stay in the gland")],
        [("split pins", 1, 1), ("piston bolts", 1, 1)],
        [(0, 6, "machine_shop", "Two nicks in the stroke: every new seal would be cut. Re-chrome.")],
        ["isolate", "manual_first", "pressure", "accumulator", "raised", "over_water", "hydraulic_work"],
        (0, 5, "ring", "square ring, nibbled at the air side"),
    )  # fmt: skip


def _thruster() -> DemoJob:
    return DemoJob(
        "0411", 2,
        NewJob(title="Bow-thruster leg", unit="thruster", owner="workboat Reedwarbler", model="BT 30 bow thruster",
               symptom="oil in the leg turns milky within a week; growls under load", lie_open_days=5),
        {"duties": ["hull"], "build": "late", "since": "since the slipway wash", "access": "costly", "plate": "24 V, 3 kW, ratio 1.7",
         "signs": ["oil_milky", "noise_rumble", "after_washing", "corrosion_spot", "lip_hard"], "works": ["lift", "solvent"],
         "planned": "Wash the leg out with petrol and blow it dry.", "note_next": "Ask for a slinger before it goes back."},
        [
            DemoLine("propeller shaft", "oil", [
                part("nut", "propeller nut", "16 x 30 x 14", fastener={"thread": "M16", "hand": "left", "lock": "pin", "torque": 60, "torque_source": "manual"}, findings={"thread": "runs", "one_use": "no"}),
                part("pin", "shear pin", "- x 6 x 30"),
                part("lip_seal", "water seal", "30 x 47 x 7", left=faced("lip", "water"), right=faced("flat"), findings={"lip": "hard", "out": "out"}, marking="30 47 7"),
                part("spacer", "", "30 x 46 x 2", findings={"faces": "flat"}),
                part("lip_seal", "oil seal", "30 x 47 x 7", left=faced("lip", "air"), right=faced("flat", "oil"), findings={"lip": "sharp", "out": "out"}, marking="30 47 7"),
                part("circlip", "", "44 x 52 x 2", left=faced("rounded"), right=faced("sharp"), findings={"state": "flat"}),
                part("ball_bearing", "propeller-end bearing", "25 x 52 x 15", findings={"feel": "gritty", "after_wash": "still", "tracks": "marked"}, marking="6?05 C3"),
                part("shaft", "", "- x 32 x 60", findings={"track": "pitted", "marks": "none", "seat": "fretted", "room": "no"}),
                part("gear", "crown wheel", "24 x 78 x 20", findings={"teeth": "even", "bore": "close"}),
                part("shim", "", "22 x 46 x 0.20", findings={"leaf": "even"}),
                part("ball_bearing", "inner bearing", "20 x 47 x 14", findings={"feel": "dry", "tracks": "unmarked"}, marking="6204"),
            ], left="water"),
            DemoLine("input shaft", "oil", [
                part("pulley", "coupling half", "18 x 60 x 26", findings={"teeth": "even", "bore": "close"}),
                part("lip_seal", "", "20 x 35 x 7", left=faced("flat"), right=faced("lip"), findings={"lip": "sharp", "out": "out"}),
                part("ball_bearing", "", "17 x 40 x 12", findings={"feel": "smooth", "tracks": "not_seen"}),
                part("gear", "pinion", "17 x 46 x 18", findings={"teeth": "even", "bore": "close"}),
                part("needle_bearing", "", "15 x 21 x 12", findings={"feel": "smooth", "tracks": "unmarked", "count": "complete"}),
            ], beside=[part("o_ring", "leg flange ring", "68 x 74 x 3")]),
        ],
        [(0, "right", 9, [9, 10], "backlash shim stays with the inner bearing")],
        [("shear pins", 1, 1), ("split pins", 1, 0), ("needles", 17, 17)],
        [(1, 2, "replace", "It costs less than one more haul-out."), (0, 10, "replace", "It ran in water: not worth a haul-out.")],
        ["isolate", "manual_first", "mains"],
        (0, 7, "track", "pitted track under the water seal"),
        [
            (0, 6, {"condition": "rusty", "sizes": {"outside": "51.95", "width": "14.88"}}),
            (0, 10, {"sizes": {"bore": "20.01", "outside": "46.99", "width": "13.96"}}),
            (1, 4, {"sizes": {"shaft_seat": "14.99", "housing_seat": "21.02", "width": "11.84"}}),
        ],
    )  # fmt: skip


def _capstan() -> DemoJob:
    def joint(name: str, findings: Sheet, **more: Any) -> list[Sheet]:
        return [
            part("circlip", "", "26 x 30 x 1.5", left=faced("sharp"), right=faced("rounded"), findings={"state": "flat"}),
            part("needle_bearing", f"{name} cup, left", "16 x 28 x 20", findings=findings, **more),
            part("shaft", f"{name} spider", "- x 16 x 54", findings={"track": "none", "marks": "none", "seat": "dull", "thread": "good"}),
            part("needle_bearing", f"{name} cup, right", "16 x 28 x 20", findings=findings, **more),
            part("circlip", "", "26 x 30 x 1.5", left=faced("rounded"), right=faced("sharp"), findings={"state": "flat"}),
        ]  # fmt: skip

    good = {"feel": "smooth", "tracks": "unmarked", "count": "complete"}
    upper = joint("upper", good)
    upper[0] = part(
        "circlip",
        "",
        "26 x 30 x 1.5",
        left=faced("rounded", "load"),
        right=faced("sharp", "part"),
        findings={"state": "bent"},
    )
    return DemoJob(
        "0413", 6,
        NewJob(title="Capstan drive shaft", unit="drive_shaft", owner="Marl Basin", symptom="clicks once a turn and shakes at speed", lie_open_days=10),
        {"duties": ["none"], "since": "since the motor was re-set", "access": "cheap", "signs": ["noise_click", "vibration", "after_work", "needles_lost", "grease_black"],
         "energies": ["electricity", "raised_load"], "works": ["press", "lift"],
         "planned": "Press the cups out, count the needles.", "note_next": "The motor feet had no shims left under them."},
        [
            DemoLine("upper joint", "grease", upper),
            DemoLine("lower joint", "grease", joint("lower", {"feel": "gritty", "tracks": "marked", "count": "short"})),
            DemoLine("middle bearing", "grease", [
                part("pulley", "flange", "30 x 90 x 18", findings={"teeth": "even", "bore": "close"}),
                part("lip_seal", "", "35 x 52 x 7", left=faced("lip", "dirt"), right=faced("flat"), findings={"lip": "sharp", "out": "in_place"}),
                part("ball_bearing", "middle bearing", "35 x 72 x 17", findings={"feel": "squeal", "tracks": "polished"}, marking="6207 2R"),
                part("spacer", "", "35 x 44 x 8", findings={"faces": "mixed"}),
                part("nut", "", "30 x 45 x 10", fastener={"thread": "M30x1.5", "drive": "hook", "lock": "tab", "torque_source": ""}, findings={"thread": "runs", "one_use": "no"}),
            ]),
        ],
        [(2, "right", 3, [3], "spacer belongs to the middle bearing")],
        [("needles", 160, 158), ("circlips", 4, 4), ("cups", 8, 8)],
        [(2, 3, "reuse", "Measured against the drawing: 8.00, it is ours.")],
        ["isolate", "manual_first", "mains", "raised", "lifting"],
        (1, 3, "cup", "two needles short in the lower cup"),
        [
            (1, 1, {"condition": "worn", "sizes": {"outside": "28.01", "width": "19.95"}}),
            (2, 2, {"condition": "spun", "instrument": "caliper 1", "sizes": {"bore": "35.03", "outside": "71.93"}}),
        ],
    )  # fmt: skip
