"""Models of units: which builds there are, the parts they are known to need and whether those are available."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from ample.base.audit import record
from ample.base.doer import Doer
from ample.core.assembly import part_kind
from ample.core.condition import known_units
from ample.core.errors import BadInput, Conflict
from ample.core.kits import Spare, judge_spare
from ample.shop.catalogue import queries as catalogue
from ample.shop.units import queries
from ample.shop.units.records import Build, KnownSpare, NewModel, UnitModel, UnitModels
from ample.store import NameTaken, Transaction


def known_models(t: Transaction) -> UnitModels:
    """Every model with its builds."""
    builds = queries.builds(t)
    return UnitModels(
        models=[
            UnitModel(
                **{name: row[name] for name in ("name", "unit", "question")},
                builds=[Build(**each) for each in builds if each["model_id"] == row["model_id"]],
            )
            for row in queries.models(t)
        ]
    )


def model_of(t: Transaction, name: str) -> UnitModel | None:
    """One model with its builds."""
    row = queries.model_named(t, name) if name else None
    if row is None:
        return None
    own = [each for each in queries.builds(t) if each["model_id"] == row["model_id"]]
    return UnitModel(
        **{key: row[key] for key in ("name", "unit", "question")}, builds=[Build(**each) for each in own]
    )


def spares_of(
    t: Transaction,
    job_id: int,
    model: str,
    build: str,
    lie_open_days: int | None,
    typed: Sequence[dict[str, Any]] = (),
) -> list[KnownSpare]:
    """What the unit is known to need, and whether it is available in time; what was typed at take in first."""
    row = queries.model_named(t, model) if model else None
    known: list[dict[str, Any]] = []
    if row is not None:
        known = [each | {"from": "recipe"} for each in queries.spares(t, row["model_id"], build)]
    listed = {each["item_id"] for each in known if each["item_id"]}
    for each in queries.earlier_parts(t, model, job_id) if model else []:
        if each["item_id"] not in listed:
            listed.add(each["item_id"])
            known.append({
                "name": each["name"], "quantity": 1, "item_id": each["item_id"], "in_stock": None,
                "lead_days": None, "from": f"job {each['number']}",
            })  # fmt: skip
    if row is None and model:
        known += [_from_line(each) for each in queries.earlier_lines(t, model, job_id)]
    nothing = {"item_id": None, "in_stock": None, "lead_days": None}
    known = [nothing | each | {"from": "typed here"} for each in typed] + known
    offers = catalogue.offers_of(t, [each["item_id"] for each in known if each["item_id"]])
    return [
        _judged(t, each if each["item_id"] else each | _called(t, each), offers, lie_open_days)
        for each in known
    ]


def _called(t: Transaction, row: dict[str, Any]) -> dict[str, Any]:
    """Stock and lead time of what goes by the marking or designation that a spare is called by."""
    items = catalogue.items_called(t, row["name"])
    if not items:
        return {}
    offers = catalogue.offers_of(t, [each.item_id for each in items])
    days = [each.lead_days for own in offers.values() for each in own]
    stock = sum(each.stock_quantity for each in items)
    return {
        "in_stock": stock if row["in_stock"] is None else row["in_stock"],
        "lead_days": min(days) if days and row["lead_days"] is None else row["lead_days"],
    }


def _from_line(row: dict[str, Any]) -> dict[str, Any]:
    """A part that an earlier job renewed, by its name and the sizes read then."""
    sizes = [row[name] for name in ("inside_mm", "outside_mm", "width_mm")]
    size = " x ".join(f"{float(mm):g}" if mm is not None else "?" for mm in sizes) if any(sizes) else ""
    name = f"{row['name'] or part_kind(row['kind']).words} {size}".strip()
    return {
        "name": name[:80], "quantity": row["quantity"], "item_id": None, "in_stock": None, "lead_days": None,
        "from": f"job {row['number']}",
    }  # fmt: skip


def _judged(
    t: Transaction, row: dict[str, Any], offers: dict[int, list[Any]], lie_open_days: int | None
) -> KnownSpare:
    item = catalogue.item(t, row["item_id"]) if row["item_id"] else None
    in_stock = item.stock_quantity if item else row["in_stock"]
    days = [each.lead_days for each in offers.get(row["item_id"] or 0, [])]
    lead = min(days) if days else row["lead_days"]
    judged = judge_spare(Spare(row["name"], row["quantity"], in_stock, lead), lie_open_days)
    return KnownSpare(
        name=row["name"], quantity=row["quantity"], known_from=row["from"], item=item, in_stock=in_stock,
        lead_days=lead, state=judged.state, words=judged.words,
    )  # fmt: skip


def add_known_model(t: Transaction, doer: Doer, new: NewModel) -> UnitModel:
    """Keep how the builds of a model are distinguished, and what it is known to need."""
    if queries.model_named(t, new.name) is not None:
        raise Conflict("known_already", f"{new.name} exists already.", "name", "Choose it by its name.")
    model = UnitModel(**new.model_dump(exclude={"spares"}))
    add_model(t, doer, model, [each.model_dump() for each in new.spares])
    return model


def add_model(t: Transaction, doer: Doer, model: UnitModel, spares: list[dict[str, Any]]) -> int:
    """Put a model with its builds and known spares into the shop's records."""
    if model.unit not in known_units():
        raise BadInput("no_such_unit", f"Unknown kind of unit “{model.unit[:30]}”.", "unit")
    model_id = queries.add_model(t, model.name, model.unit, model.question)
    for position, build in enumerate(model.builds):
        if build.picture not in queries.PICTURES:
            raise BadInput("no_such_picture", f"There is no picture “{build.picture[:20]}”.", "picture")
        try:
            queries.add_build(t, build.model_dump() | {"model_id": model_id, "position": position})
        except NameTaken as error:
            raise BadInput(
                "build_twice", f"Two builds have the name “{build.build}”.", f"builds[{position}].build",
                "Capitals and accents do not make names different.",
            ) from error  # fmt: skip
    empty = {"build": "", "quantity": 1, "item_id": None, "in_stock": None, "lead_days": None}
    for position, spare in enumerate(spares):
        queries.add_spare(t, empty | spare | {"model_id": model_id, "position": position})
    record(t, doer, "model", model_id, "added", None, model)
    return model_id
