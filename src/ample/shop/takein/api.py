"""HTTP of taking units in."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import Field

from ample.base.desk import ErrorAnswer, Responses, desk
from ample.base.records import JobPath
from ample.base.rights import needs
from ample.shop.takein import actions
from ample.shop.takein.records import BuiltIn, TakeInAnswer, TakeInSave
from ample.shop.units.actions import add_known_model, known_models
from ample.shop.units.records import NewModel, UnitModel, UnitModels

api = APIBlueprint("takein", __name__, url_prefix="/api", abp_tags=[Tag(name="take in")])
_WRITES: Responses = dict.fromkeys((400, 403, 404, 409, 422), ErrorAnswer)


class CautionPath(JobPath):
    """A caution of a job."""

    caution: str = Field(max_length=40)


@api.get(
    "/jobs/<number>/take-in",
    summary="A unit taken in",
    responses={200: TakeInAnswer, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def take_in(path: JobPath) -> Response:
    """What is known of a unit, with causes, cautions, builds and spares."""
    return desk().read(lambda t: actions.take_in_of(t, path.number))


@api.put("/jobs/<number>/take-in", summary="Keep what is known", responses={200: TakeInAnswer, **_WRITES})
@needs("signed_in")
def save_take_in(path: JobPath, body: TakeInSave) -> Response:
    """Keep what is known of a unit."""
    return desk().once(lambda t, doer: actions.save_take_in(t, doer, path.number, body))


@api.put(
    "/jobs/<number>/built-in",
    summary="Say where the machine was built",
    responses={200: TakeInAnswer, **_WRITES},
)
@needs("signed_in")
def say_built_in(path: JobPath, body: BuiltIn) -> Response:
    """Keep where the machine was built: by it goes the list of its O-rings."""
    return desk().once(lambda t, doer: actions.say_built_in(t, doer, path.number, body))


@api.post(
    "/jobs/<number>/cautions/<caution>",
    summary="Acknowledge a caution",
    responses={200: TakeInAnswer, **_WRITES},
)
@needs("signed_in")
def acknowledge(path: CautionPath) -> Response:
    """Keep that this person has read a caution."""
    return desk().once(lambda t, doer: actions.acknowledge(t, doer, path.number, path.caution))


@api.post("/unit-models", summary="Tell builds of a model apart", responses={201: UnitModel, **_WRITES})
@needs("signed_in")
def add_unit_model(body: NewModel) -> Response:
    """Keep how the builds of a model are distinguished."""
    return desk().once(lambda t, doer: add_known_model(t, doer, body), 201)


@api.get("/unit-models", summary="Models the shop knows", responses={200: UnitModels})
@needs("signed_in")
def unit_models() -> Response:
    """Models with the question that tells their builds apart."""
    return desk().read(known_models)
