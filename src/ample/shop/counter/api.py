"""HTTP of the Counter."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from ample.base.desk import ErrorAnswer, desk
from ample.base.rights import needs
from ample.shop.catalogue.keeper import current_index
from ample.shop.counter.actions import answer_line
from ample.shop.counter.records import CounterAnswer
from ample.shop.instruments.today import todays_instruments

api = APIBlueprint("counter", __name__, url_prefix="/api", abp_tags=[Tag(name="jobs")])


class LineQuery(BaseModel):
    """The text in the field of the Counter."""

    text: str = Field(default="", max_length=200)


@api.get(
    "/counter",
    summary="What a line at the Counter can mean",
    responses={200: CounterAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def counter(query: LineQuery) -> Response:
    """Markings, sizes and jobs that the line can mean."""
    index = current_index()
    return desk().read(lambda t: answer_line(t, index, query.text, todays_instruments(t)))
