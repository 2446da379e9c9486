"""`POST /api/calc/NAME`: the register of operations over HTTP."""

from __future__ import annotations

from typing import Any

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, RootModel

from ample.base.desk import ErrorAnswer, json_answer
from ample.base.rights import needs
from ample.core.operations import OPERATIONS, Operation

calc = APIBlueprint("calc", __name__, url_prefix="/api/calc", abp_tags=[Tag(name="core")])


def _handler(operation: Operation) -> Any:
    def handle(body: Any) -> Response:
        return json_answer(operation.run(body))

    handle.__name__ = operation.name.replace("-", "_")
    handle.__doc__ = operation.summary
    handle.__annotations__ = {"body": operation.request, "return": Response}
    return handle


def _model(answer: type[Any]) -> type[BaseModel]:
    """A model, or one around a dataclass of the domain, as the document names its answers."""
    return answer if issubclass(answer, BaseModel) else RootModel[answer]  # type: ignore[valid-type]


for _operation in OPERATIONS.values():
    calc.post(
        f"/{_operation.name}",
        summary=_operation.summary,
        responses={200: _model(_operation.answer), 422: ErrorAnswer},
    )(needs("signed_in")(_handler(_operation)))
