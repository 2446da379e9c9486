"""The families of seals, rings and small parts, built from their tables."""

from __future__ import annotations

from ample.core.parts.families import AS_MADE, Family, Feature, Grid
from ample.core.parts.kinds import SEAL_NAMES, seal_kinds, seal_questions
from ample.core.parts.seals.conditions import conditions_of
from ample.core.parts.seals.described import described, rows
from ample.core.parts.seals.standing import SealMeasures, standings

# what the wall of an O-ring's groove is measured by, wherever the groove lies
GROOVE_WALLS = (
    "groove_diameter", "bore_groove_diameter", "face_groove_outside", "face_groove_inside", "dovetail_diameter",
    "connector_diameter",
)  # fmt: skip


def _features(family: str) -> tuple[Feature, ...]:
    axes: dict[str, str] = {}
    for (of, _), features in standings().items():
        if of == family:
            for name, made in features.items():
                axes.setdefault(name, made[0].terms[0][0])
    return tuple(
        Feature(
            row["feature"], axes[row["feature"]], row["reach"], float(row["trouble"]), row["words"],  # type: ignore[arg-type]
            row["place"] == "part", float(row["wear_sign"]), float(row["worn_share"]),
            float(row["far_share"]), float(row["far_mm"]), row["shows"], float(row["soft_mm"]), float(row["soft_share"]),
            float(row["gives_mm"]),
        )
        for row in rows("features.csv", family)
    )  # fmt: skip


def _pictures(family: str) -> tuple[tuple[str, str, str], ...]:
    return tuple((row["group"], row["words"], row["pictured"]) for row in rows("pictures.csv", family))


def _offered() -> dict[str, tuple[str, ...]]:
    return {row["scheme"]: tuple(row["offered"].split()) for row in rows("schemes.csv")}


def _grid(family: str) -> Grid:
    """The sizes of parts that are in no list; a fault of the table is refused on loading."""
    steps: dict[str, list[tuple[float, float, float]]] = {}
    for row in rows("grids.csv", family):
        over, _, under = row["step_mm"].partition("/")
        step = float(over) / float(under or 1)
        steps.setdefault(row["dimension"], []).append((step, float(row["offset_mm"]), float(row["share"])))
    for name, found in steps.items():
        if abs(sum(share for _, _, share in found) - 1) > 1e-9:
            raise ValueError(f"grids.csv: the shares of {family} {name} must add up to 1")
    usual = {
        row["dimension"]: tuple(float(size) for size in row["usual_mm"].split())
        for row in rows("usual_sizes.csv", family)
    }
    return Grid({name: tuple(found) for name, found in steps.items()}, usual)


def _own_words(family: str) -> dict[str, dict[str, str]]:
    """By kind, the words for a feature where they are its own; empty where it is not measured on the kind."""
    features = {row["feature"] for row in rows("features.csv", family)}
    found: dict[str, dict[str, str]] = {}
    for row in rows("kind_features.csv", family):
        if row["kind"] not in seal_kinds()[family] or row["feature"] not in features:
            raise ValueError(f"kind_features.csv: {row['kind']} {row['feature']} does not exist")
        found.setdefault(row["kind"], {})[row["feature"]] = row["words"].removeprefix("-")
    return found


def _family(name: str) -> Family:
    own, made, kinds, offered = described()[name], SealMeasures(name), seal_kinds()[name], _offered()
    return Family(
        name, own.words, own.dimensions, _features(name), conditions_of(name, "size"), own.wear_mean_mm, own.wear_shape,
        made, made.unlisted, kinds, seal_questions(name), _pictures(name),
        {scheme: offered[scheme] for scheme in dict.fromkeys(kind.scheme for kind in kinds.values())},
        SEAL_NAMES, own.marked, own.scheme, _grid(name), made.many, made.features_of, made.of_all, _own_words(name),
        shapes=conditions_of(name, "shape") or AS_MADE, unlisted_share=own.unlisted,
    )  # fmt: skip


SEALS: dict[str, Family] = {name: _family(name) for name in described()}
