"""HTTP of the bench and of matching."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from ample.base.desk import ErrorAnswer, Responses, desk, json_answer
from ample.base.records import PartPath
from ample.base.rights import needs
from ample.core.contract import IdentifyAnswer, IdentifyRequest
from ample.shop.bench import actions, matching
from ample.shop.bench.records import (
    BenchAnswer,
    BenchSave,
    ChooseRequest,
    ConfirmRequest,
    OfferedAnswer,
    OfferedRequest,
)
from ample.shop.bench.tools import bench_tools
from ample.shop.catalogue.keeper import current_index
from ample.shop.catalogue.records import MatchAnswer
from ample.shop.instruments.today import todays_instruments

api = APIBlueprint("bench", __name__, url_prefix="/api", abp_tags=[Tag(name="bench")])
_WRITES: Responses = {
    400: ErrorAnswer,
    403: ErrorAnswer,
    404: ErrorAnswer,
    409: ErrorAnswer,
    422: ErrorAnswer,
}


@api.get(
    "/parts/<int:part_id>/bench",
    summary="A part on the bench",
    responses={200: BenchAnswer, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def bench(path: PartPath) -> Response:
    """A part with its readings and what it is identified as."""
    return desk().read(lambda t: actions.bench_of(t, path.part_id))


@api.put("/parts/<int:part_id>/bench", summary="Keep readings", responses={200: BenchAnswer, **_WRITES})
@needs("signed_in")
def save_bench(path: PartPath, body: BenchSave) -> Response:
    """Keep marking, condition and readings of a part."""
    index = current_index()
    return desk().once(lambda t, doer: actions.save_bench(t, doer, path.part_id, body, index))


@api.post(
    "/bench/identify",
    summary="Identify over the shop's catalogue",
    responses={200: IdentifyAnswer, 400: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def identify(body: IdentifyRequest) -> Response:
    """Rank what the part can be, with the shop's catalogue, instruments and dialects."""
    index, find = bench_tools()
    return json_answer(actions.identify_in_shop(index, body, find))


@api.post(
    "/parts/<int:part_id>/identification",
    summary="Say what a part is",
    responses={200: BenchAnswer, **_WRITES},
)
@needs("confirm")
def choose_identity(path: PartPath, body: ConfirmRequest) -> Response:
    """Say what a part is; how sure that is comes from the readings kept."""
    index = current_index()
    return desk().once(
        lambda t, doer: actions.choose_identity(t, doer, path.part_id, body, index, todays_instruments(t))
    )


@api.get(
    "/parts/<int:part_id>/match",
    summary="What can replace a part",
    responses={200: MatchAnswer, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def match(path: PartPath) -> Response:
    """Equivalents by rule, record and size, judged attribute by attribute."""
    index = current_index()
    return desk().read(lambda t: matching.matches_of(t, path.part_id, index))


@api.post(
    "/parts/<int:part_id>/match", summary="Choose the replacement", responses={200: MatchAnswer, **_WRITES}
)
@needs("confirm")
def choose_match(path: PartPath, body: ChooseRequest) -> Response:
    """Choose what replaces a part."""
    index = current_index()
    return desk().once(lambda t, doer: matching.choose_match(t, doer, path.part_id, body, index))


@api.post(
    "/parts/<int:part_id>/offered",
    summary="Compare what a supplier offers",
    responses={200: OfferedAnswer, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def offered(path: PartPath, body: OfferedRequest) -> Response:
    """What a supplier offers, held against the requirement of a part."""
    index = current_index()
    return desk().read(lambda t: matching.offered(t, path.part_id, body.text, index))
