"""The demo's trays of seals, rings and small parts: twenty of them, some poorly read, all to be identified by measuring."""

from __future__ import annotations

from dataclasses import dataclass, field

from ample.base import job_queries as jobs
from ample.base.doer import Doer
from ample.base.jobs import add_part
from ample.base.records import NewJob, NewPart
from ample.core.contract import BenchSheet, FamilyName
from ample.shop.bench.actions import save_bench
from ample.shop.bench.records import BenchSave
from ample.shop.takein.actions import acknowledge, open_unit, save_take_in, take_in_of
from ample.shop.takein.records import TakeInSave
from ample.store import Transaction


@dataclass(frozen=True)
class DemoPart:
    """A part as it lies in the tray: what is known of its place, and what has been read so far."""

    name: str
    place: str
    family: FamilyName
    sizes: dict[str, str]
    kind: str = ""
    marking: str = ""
    condition: str = ""
    truth: str = field(default="", compare=False)


CYLINDER = (
    DemoPart(
        "Rod seal",
        "in the gland, lips to the oil",
        "hydraulic_seal",
        {"rod": "28.55 28.57", "section": "4.70", "height": "9.6"},
        "loaded",
        "1870 1125 ?",
        "worn",
        "28.575x38.1x9.525",
    ),
    DemoPart(
        "Wiper",
        "outermost in the gland",
        "hydraulic_seal",
        {"rod": "39.97", "section": "4.0"},
        "wiper",
        "",
        "worn",
        "40x48x5x8",
    ),
    DemoPart(
        "Second rod seal",
        "behind the buffer",
        "hydraulic_seal",
        {"rod": "39.96", "section": "5.05", "height": "8.1"},
        "u_cup",
        "",
        "",
        "40x50x8",
    ),
    DemoPart(
        "Piston seal",
        "on the piston, ring behind it",
        "hydraulic_seal",
        {"bore": "63.03", "section": "5.5", "height": "4.2"},
        "piston",
        "",
        "worn",
        "52x63x4.2",
    ),
    DemoPart(
        "Wear band",
        "on the piston, cut",
        "hydraulic_seal",
        {"bore": "63.02", "section": "2.45", "height": "9.6"},
        "band",
        "",
        "",
        "58x63x9.7",
    ),
    DemoPart(
        "Gland O-ring",
        "in the groove of the gland, against the tube",
        "o_ring",
        {"inside": "37.9", "section_1": "3.8", "section_2": "3.3"},
        "round",
        "",
        "flattened",
        "-222",
    ),
    DemoPart(
        "Backup ring",
        "beside the gland O-ring, away from the oil",
        "o_ring",
        {"inside": "37.9", "section_1": "3.05", "thickness": "1.13"},
        "backup",
        "8-222",
        "",
        "8-222",
    ),
    DemoPart(
        "Port washer",
        "under the hose union",
        "washer",
        {"inside": "14.1", "outside": "17.9", "thickness": "1.38"},
        "copper",
        "",
        "worn",
        "DIN 7603 - 14x18x1.5",
    ),
    DemoPart(
        "Ruined static ring",
        "only shreds left: its groove was measured",
        "o_ring",
        {"groove_diameter": "50.60", "groove_width": "3.20", "groove_depth": "1.95"},
        "round",
        "",
        "",
        "50x2.5",
    ),
    DemoPart(
        "Piston rod ring",
        "between piston and rod",
        "o_ring",
        {"inside": "20.1", "section_1": "2.48", "section_2": "2.45"},
        "round",
        "",
        "swollen",
        "20x2.5",
    ),
)
PUMP = (
    DemoPart(
        "Drive-end lip seal",
        "between bearing and coupling, oil inside",
        "lip_seal",
        {"outside": "52.22", "width": "7.05"},
        "rubber_dust",
        "35 ?2 7 TC",
        "used",
        "35x52x7",
    ),
    DemoPart(
        "Outer lip seal",
        "against splash",
        "lip_seal",
        {"shaft": "44.98", "shaft_track": "44.82", "outside": "62.25"},
        "metal",
        "",
        "used",
        "45x62x8",
    ),
    DemoPart(
        "Shaft V-ring",
        "on the shaft, lip to the cover",
        "lip_seal",
        {"free_lip": "35.8", "width": "8.9"},
        "v_ring",
        "",
        "",
        "V-40A",
    ),
    DemoPart(
        "Pump face seal",
        "rotating half with its bellows",
        "face_seal",
        {"shaft": "15.87", "seat_outside": "31.7", "working_length": "22.3"},
        "bellows",
        "",
        "worn",
        "5/8 in x 22.225",
    ),
    DemoPart(
        "Casing O-ring",
        "between casing and lid",
        "o_ring",
        {"inside": "130.9", "section_1": "3.5"},
        "round",
        "25?",
        "stretched",
        "-251",
    ),
    DemoPart(
        "Bearing circlip",
        "holds the bearing on the shaft",
        "retaining_ring",
        {"groove_diameter": "28.58", "thickness": "1.47"},
        "shaft_ring",
        "",
        "",
        "DIN 471 - 30x1.5",
    ),
    DemoPart(
        "Housing circlip",
        "holds the bearing in the housing",
        "retaining_ring",
        {"bore": "62.01", "thickness": "1.98"},
        "bore_ring",
        "",
        "",
        "DIN 472 - 62x2",
    ),
    DemoPart(
        "Coupling key",
        "in the shaft, sides beaten",
        "key",
        {"shaft": "24.98", "key_width": "7.94", "key_length": "32"},
        "key_round",
        "",
        "worn",
        "DIN 6885 - A 8x7x32",
    ),
    DemoPart(
        "Nut lock washer",
        "under the shaft nut, a tab missing",
        "washer",
        {"inside": "25.2", "outside": "41.8"},
        "tab",
        "MB ?",
        "",
        "MB5",
    ),
    DemoPart(
        "Felt ring",
        "behind the cover, greased",
        "washer",
        {"inside": "35", "outside": "47"},
        "felt",
        "",
        "worn",
        "DIN 5419 - 35x47x5",
    ),
)
TRAYS = (
    (
        "0416",
        NewJob(
            title="Mitre-gate cylinder",
            unit="cylinder",
            owner="Lower Marl lock",
            symptom="weeps at the gland and creeps",
        ),
        CYLINDER,
        "gate",
    ),
    (
        "0417",
        NewJob(
            title="Fire pump",
            unit="pump",
            owner="Marl depot",
            symptom="drips from the weep hole, bearing dry",
        ),
        PUMP,
        "fire",
    ),
)


def load_seal_trays(t: Transaction, doer: Doer) -> None:
    """Two jobs with ten parts each."""
    for number, new, parts, duty in TRAYS:
        job = open_unit(t, doer, new)
        jobs.set_number(t, job.job_id, number)
        taken = take_in_of(t, number)
        said = taken.sheet.model_copy(update={"duties": [duty]})
        for caution in save_take_in(t, doer, number, TakeInSave(version=taken.version, sheet=said)).cautions:
            if caution.stage == "strip":
                acknowledge(t, doer, number, caution.caution)
        for part in parts:
            made = add_part(
                t,
                doer,
                number,
                NewPart(name=part.name, surroundings=part.place, family=part.family),
            )
            sheet = BenchSheet.model_validate(
                {
                    "marking": part.marking,
                    "condition": part.condition,
                    "kind": part.kind,
                    "observations": [
                        {
                            "feature": feature,
                            "instrument": "caliper 3",
                            "readings": [{"typed": text, "unit": "mm"} for text in typed.split()],
                        }
                        for feature, typed in part.sizes.items()
                    ],
                }
            )
            save_bench(t, doer, made.part_id, BenchSave(version=made.version, sheet=sheet))
