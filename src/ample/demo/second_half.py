"""Jobs of the demo that are being put together, proved, or closed long ago."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import replace
from datetime import timedelta
from typing import Any

from ample.base import job_queries as jobs
from ample.base.doer import Doer
from ample.base.jobs import add_part, known_job
from ample.base.records import NewJob, NewPart
from ample.core.assembly.fit_up.sheet import FitUpSheet, PartChoice, Tick
from ample.core.assembly.proof import ProofSheet
from ample.demo.histories import NUMBER as STERN_TUBE
from ample.demo.strip import DemoJob, DemoLine, faced, key_of, load_job, part
from ample.sheets import store
from ample.sheets.kinds.fit_up import FIT_UP
from ample.sheets.kinds.proof import PROOF
from ample.sheets.subjects import job_subject
from ample.shop.facts import HOST
from ample.shop.line.actions import send_to_bench
from ample.shop.takein.actions import open_unit, save_take_in, take_in_of
from ample.shop.takein.records import TakeInSave
from ample.shop.units.histories import TieRequest, tie, unit_of
from ample.store import Transaction

SPINDLE, FIRE_PUMP = "0406", "0405"
DONE_ON_SPINDLE = 8
Identify = Callable[[Transaction, Doer, int, str], None]
PROVED = {"turns": "", "nothing_rubs": "", "no_float": "", "springs_back": ""}


def load_second_half(t: Transaction, doer: Doer, second: Doer, identify: Identify) -> None:
    """One job at its fit-up, one at its proof, and two earlier on the stern tube."""
    _spindle(t, doer, second, identify)
    _fire_pump(t, doer, second)
    _earlier(t, doer)


def _screws(name: str, quantity: int, thread: str, torque: float, source: str) -> dict[str, Any]:
    held = {"drive": "hex", "thread": thread, "torque": torque, "torque_unit": "N·m", "torque_source": source}
    return part("screw", name, quantity=quantity, fastener=held, findings={"thread": "runs", "one_use": "no"})


def _spindle(t: Transaction, doer: Doer, second: Doer, identify: Identify) -> None:
    nut = {
        "drive": "hook", "thread": "M25x1.5", "lock": "tab", "torque": 45, "torque_unit": "N·m",
        "torque_source": "plate on the winder",
    }  # fmt: skip
    taper = {"feel": "lumpy", "tracks": "marked"}
    job = DemoJob(
        SPINDLE, 16,
        NewJob(title="Rope-winder spindle", unit="winch", owner="Marl Slip", lie_open_days=12,
               symptom="runs out of true and jumps under load; ball bearings were fitted where tapers belong"),
        {"duties": ["none"], "since": "since it was last apart", "access": "cheap", "signs": ["noise_rumble"], "works": ["press", "heat"],
         "planned": "Fit tapers, warm them, set the end play with the nut.", "note_next": "The spacer is new: 14.0, ground square."},
        [DemoLine("spindle", "grease", [
            part("nut", "slotted nut", "25 x 40 x 8", fastener=nut, findings={"thread": "runs", "one_use": "no"},
                 settings=[{"key": "turn1", "what": "gap", "first": "0.05 mm", "second": "0.05 mm"}]),
            part("lock_washer", "", "25 x 42 x 1.5"),
            part("taper_bearing", "nut-end taper", "25 x 52 x 16.25", left=faced("wide"), right=faced("narrow"), findings=taper, marking="30205"),
            part("spacer", "", "25 x 34 x 14", findings={"faces": "flat"}),
            part("shaft", "spindle", "- x 38 x 60", findings={"track": "none", "marks": "none", "seat": "dull", "thread": "good"}),
            part("taper_bearing", "drum-end taper", "25 x 52 x 16.25", left=faced("narrow"), right=faced("wide"), findings=taper, marking="30205"),
            part("lip_seal", "drum-end seal", "30 x 52 x 7", left=faced("lip"), right=faced("flat"), findings={"lip": "hard", "out": "out"}, marking="30 52 7"),
            part("cover", "drum-end cover", "34 x 84 x 10", findings={"face": "flat", "crack": "none"}),
            part("key", "", "- x - x 22", findings={"fit": "close"}),
            part("pulley", "rope drum", "24 x 130 x 46", findings={"teeth": "even", "bore": "close"}),
        ], beside=[
            _screws("cover screws", 4, "M6", 9.5, "plate in the cover"),
            part("gasket", "cover gasket", "", findings={"age": "known"}),
        ])],
        [], [("keys", 1, 1), ("cover screws", 4, 4), ("split pins", 2, 2)], [],
        ["isolate", "manual_first", "raised", "winch_load"], None,
    )  # fmt: skip
    load_job(t, doer, second, job)
    later = replace(doer, now=doer.now - timedelta(days=2))
    for place in (2, 5):
        sent = send_to_bench(t, later, SPINDLE, key_of(SPINDLE, 0, place))
        identify(t, later, sent.part_id, "25.00 25.01")
    seal = key_of(SPINDLE, 0, 6)
    choices = (PartChoice(key=seal, supplied_with="transport sleeve"),)
    _fit(t, later, SPINDLE, DONE_ON_SPINDLE, FitUpSheet(choices=choices, worked_s=4620))


def _fit(t: Transaction, doer: Doer, number: str, ticked: int, sheet: FitUpSheet) -> None:
    """Tick the first steps of a job's plan, torques reached as they were recorded."""
    subject = job_subject(t, number, lock=True)
    steps = store.judged(t, FIT_UP, subject, sheet, HOST).steps[:ticked]
    ticks = tuple(
        Tick(
            key=each.key, reached=f"{each.torque.recorded:g}" if each.torque and each.torque.recorded else ""
        )
        for each in steps
    )
    store.save(t, doer, FIT_UP, subject, 0, sheet.model_copy(update={"ticks": ticks}), HOST)


def _fire_pump(t: Transaction, doer: Doer, second: Doer) -> None:
    cap = {"drive": "hex 17", "thread": "M10", "torque": 25, "torque_unit": "N·m", "torque_source": "manual"}
    good = {"feel": "smooth", "tracks": "unmarked"}
    job = DemoJob(
        FIRE_PUMP, 24,
        NewJob(title="Dredger fire pump", unit="pump", owner="dredger Bittern", lie_open_days=6, symptom="sprays from the weep hole when it runs up"),
        {"duties": ["fire"], "since": "since the yearly test", "access": "cheap", "serial": "FP-118", "signs": ["leak_shaft", "fluid_water"], "works": ["press"],
         "planned": "Renew the face seal and both bearings as a kit.", "note_next": "Prime it before it is run, or the faces burn."},
        [DemoLine("pump shaft", "water", [
            part("nut", "impeller nut", "10 x 18 x 9", fastener=cap, findings={"thread": "runs", "one_use": "no"}),
            part("gear", "impeller", "14 x 120 x 22", findings={"teeth": "even", "bore": "close"}),
            part("face_seal", "", "16 x 32 x 22", left=faced("spring", "water"), findings={"faces": "touched"}),
            part("housing", "pump casing", "32 x 140 x 24", findings={"bore": "dull", "crack": "none"}),
            part("ball_bearing", "pump-end bearing", "20 x 47 x 14", findings=good, marking="6204 2RS"),
            part("shaft", "pump shaft", "- x 26 x 70", findings={"track": "none", "marks": "none", "seat": "dull", "thread": "good"}),
            part("ball_bearing", "drive-end bearing", "20 x 47 x 14", findings=good, marking="6204 2RS"),
            part("circlip", "", "18.5 x 27 x 1.2", left=faced("sharp"), right=faced("rounded"), findings={"state": "flat"}),
            part("pulley", "coupling half", "18 x 70 x 30", findings={"teeth": "even", "bore": "close"}),
        ], left="water", beside=[_screws("casing screws", 6, "M8", 20, "manual")])],
        [], [("casing screws", 6, 6), ("coupling keys", 1, 1)], [],
        ["isolate", "manual_first", "pump_start"], None,
    )  # fmt: skip
    load_job(t, doer, second, job)
    later = replace(doer, now=doer.now - timedelta(days=1))
    _fit(t, later, FIRE_PUMP, 99, FitUpSheet(worked_s=9300))
    subject = job_subject(t, FIRE_PUMP, lock=True)
    done = store.held(t, FIT_UP, subject.id)
    together = done.sheet.model_copy(update={"together": True})
    store.save(t, later, FIT_UP, subject, done.version, together, HOST)
    store.save(t, later, PROOF, subject, 0, _proof(doer), HOST)


def _proof(doer: Doer) -> ProofSheet:
    """What has been set and run of the fire pump: the first run done, the second under way."""

    def run(
        key: str, what: str, rpm: int, minutes: int, settles_c: float, read_at: tuple[int, ...]
    ) -> dict[str, Any]:
        off = (0.3, -0.2, 0.1, -0.3, 0.2, 0.0)
        readings = [
            {
                "minute": str(m),
                "temperature_c": f"{17 + (settles_c - 17) * (1 - math.exp(-m / 14)) + off[n % 6]:.1f}",
            }
            for n, m in enumerate(read_at)
        ]
        return {
            "key": key,
            "what": what,
            "rpm": rpm,
            "minutes": minutes,
            "ambient_c": 17,
            "limit_c": 70,
            "readings": readings,
        }

    due = (doer.now + timedelta(days=5)).date().isoformat()
    return ProofSheet.model_validate({
        "runs": [
            run("runslow", "Half speed", 1450, 30, 39.0, (5, 10, 15, 20, 30)),
            run("runfull", "Full speed", 2900, 45, 58.0, (3, 6, 10, 15, 20)),
        ],
        "set_points": [{
            "key": "setgap1", "what": "Impeller to casing", "least": 0.3, "most": 0.5, "unit": "mm", "doubt": 0.02,
            "readings": ["0.38", "0.41"], "left_loose": True,
        }],
        "plays": [{
            "key": "playend", "what": "Pump shaft", "least_mm": 0.02, "most_mm": 0.08, "dial_mm": 0.01,
            "pairs": [{"pushed": "0.00", "pulled": "0.11"}, {"pushed": "0.01", "pulled": "0.11"}], "leaves": "0.05 0.1",
        }],
        "fills": [{"key": "fillwat", "what": "Casing primed with water", "wanted_l": 1.8, "filled_l": "1.7", "level": "right", "bled": True}],
        "checks": [{"key": f"{code}.{of}", "result": "holds"} for code, of in (
            ("turns", "line0"), ("nothing_rubs", "line0"), ("springs_back", key_of(FIRE_PUMP, 0, 2)),
        )],
        "tasks": [{"key": "taskret", "what": "Casing screws: torque again", "due": due}],
        "compared": [{"key": "compvib", "what": "vibration at the drive end", "before": "6.8", "after": "2.1", "unit": "mm/s"}],
        "changes": [{"key": "chgseal", "what": "both bearings and the face seal, as a kit"}],
        "note_next": "Prime it before it is run, or the faces burn.",
    })  # fmt: skip


def _earlier(t: Transaction, doer: Doer) -> None:
    """Two jobs earlier on the stern tube, closed with what was found."""
    unit = unit_of(t, STERN_TUBE).unit
    assert unit is not None, "the demo has begun its history"
    for number, days, symptom, note in (
        ("0217", 1110, "water in the bilge under the gland", "Liner polished, lip moved 4 mm forward; it has room for one more move."),
        ("0336", 470, "the drip bottle has to be emptied more often", "Seal renewed; the shaft is worn under it: the next one needs a sleeve."),
    ):  # fmt: skip
        then = replace(doer, now=doer.now - timedelta(days=days))
        job = open_unit(t, then, NewJob(title="Stern tube, workboat Marl 3", symptom=symptom))
        jobs.set_number(t, job.job_id, number)
        taken = take_in_of(t, number)
        sheet = taken.sheet.model_copy(update={"model": "ST 70", "duties": ["none"], "note_next": note})
        save_take_in(t, then, number, TakeInSave(version=taken.version, sheet=sheet))
        tie(t, then, number, TieRequest(unit_id=unit.unit_id))
        add_part(t, then, known_job(t, number).number, NewPart(
            name="Stern tube seal, aft", family="lip_seal", surroundings="shaft 70, water outside", marking="70x90x10 NBR",
        ))  # fmt: skip
        closed = ProofSheet(closed=True, note_next=note)
        store.save(t, then, PROOF, job_subject(t, number, lock=True), 0, closed, HOST)
