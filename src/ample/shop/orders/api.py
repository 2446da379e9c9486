"""HTTP of orders."""

from __future__ import annotations

from flask import Response, make_response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from ample.base.desk import ErrorAnswer, Responses, desk
from ample.base.rights import needs
from ample.shop.instruments.today import todays_instruments
from ample.shop.orders import actions
from ample.shop.orders.export import sheet_csv as sheet_csv_of
from ample.shop.orders.records import (
    AddLine,
    ChangeLine,
    OrdersAnswer,
    OrderSheet,
    OverrideCheck,
    PlaceOrder,
    WithdrawLine,
)

api = APIBlueprint("orders", __name__, url_prefix="/api", abp_tags=[Tag(name="orders")])
_WRITES: Responses = {
    400: ErrorAnswer,
    403: ErrorAnswer,
    404: ErrorAnswer,
    409: ErrorAnswer,
    422: ErrorAnswer,
}


class LinePath(BaseModel):
    """An order line's row."""

    line_id: int = Field(ge=1, le=2**31)


class SeenQuery(BaseModel):
    """The version that was seen."""

    version: int = Field(ge=1, le=2**31)


class OrderPath(BaseModel):
    """An order's row."""

    order_id: int = Field(ge=1, le=2**31)


@api.get("/orders", summary="Order sheets", responses={200: OrdersAnswer})
@needs("signed_in")
def orders() -> Response:
    """All sheets, and the parts that wait for one."""
    return desk().read(lambda t: actions.orders_of(t, todays_instruments(t)))


@api.post("/orders/lines", summary="Add a part to an order", responses={201: OrderSheet, **_WRITES})
@needs("signed_in")
def add_line(body: AddLine) -> Response:
    """Put a part on a supplier's open sheet."""
    return desk().once(lambda t, doer: actions.add_line(t, doer, body, todays_instruments(t)), 201)


@api.put("/orders/lines/<int:line_id>", summary="Change a quantity", responses={200: OrderSheet, **_WRITES})
@needs("signed_in")
def change_line(path: LinePath, body: ChangeLine) -> Response:
    """Another quantity on a line."""
    return desk().once(
        lambda t, doer: actions.change_line(t, doer, path.line_id, body, todays_instruments(t))
    )


@api.put(
    "/orders/lines/<int:line_id>/item",
    summary="Order the new choice",
    responses={200: OrderSheet, **_WRITES},
)
@needs("signed_in")
def change_item(path: LinePath, query: SeenQuery) -> Response:
    """What is chosen on Match now, in the place of the item."""
    return desk().once(
        lambda t, doer: actions.change_item(t, doer, path.line_id, query.version, todays_instruments(t))
    )


@api.post(
    "/orders/lines/<int:line_id>/withdrawal",
    summary="Cancel an item of a placed order",
    responses={200: OrderSheet, **_WRITES},
)
@needs("place_order")
def withdraw_line(path: LinePath, body: WithdrawLine) -> Response:
    """Cancel an item; it stays on the order with the reason."""
    return desk().once(
        lambda t, doer: actions.withdraw_line(t, doer, path.line_id, body, todays_instruments(t))
    )


@api.delete("/orders/lines/<int:line_id>", summary="Remove an item", responses={200: OrderSheet, **_WRITES})
@needs("delete")
def drop_line(path: LinePath, query: SeenQuery) -> Response:
    """Remove an item an open sheet."""
    return desk().once(
        lambda t, doer: actions.drop_line(t, doer, path.line_id, query.version, todays_instruments(t))
    )


@api.post(
    "/orders/lines/<int:line_id>/passes",
    summary="Override a check with a reason",
    responses={200: OrderSheet, **_WRITES},
)
@needs("override")
def override_check(path: LinePath, body: OverrideCheck) -> Response:
    """Pass what is unproven; the reason stays on record."""
    return desk().once(
        lambda t, doer: actions.override_check(t, doer, path.line_id, body, todays_instruments(t))
    )


@api.post("/orders/<int:order_id>/place", summary="Place an order", responses={200: OrderSheet, **_WRITES})
@needs("place_order")
def place(path: OrderPath, body: PlaceOrder) -> Response:
    """Place an order whose checks are all met or overridden."""
    return desk().once(lambda t, doer: actions.place(t, doer, path.order_id, body, todays_instruments(t)))


@api.get(
    "/orders/<int:order_id>/sheet.csv",
    summary="An order as CSV",
    responses={200: {"content": {"text/csv": {}}}, 404: ErrorAnswer, 422: ErrorAnswer},
)
@needs("signed_in")
def sheet_csv(path: OrderPath) -> Response:
    """An order sheet as CSV."""
    found = desk().database.read(lambda t: actions.sheet(t, path.order_id, todays_instruments(t)))
    response = make_response(sheet_csv_of(found))
    response.mimetype = "text/csv"
    response.headers["Content-Disposition"] = f'attachment; filename="{found.number}.csv"'
    return response
