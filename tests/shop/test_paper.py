"""The machine-shop sheet as it leaves the shop: SVG, DXF and PDF of the seat as it is judged now."""

import io
from typing import Any
from xml.etree import ElementTree

import pytest
from ezdxf.filemanagement import read as read_drawing

from tests.sheets.samples import SEATS

WORN = SEATS | {
    "turning": "shaft",
    "load": "normal",
    "temperature_c": 20.0,
    "instrument_temperature_c": 20.0,
    "radial_n": None,
    "shaft": SEATS["shaft"]
    | {
        "zone": "",
        "material": "steel",
        "planes": [["24.935", "24.936"]],
        "ring": "",
        "standard_um": None,
        "signs": [],
    },
}


@pytest.fixture
def worn(a_part, as_role):
    client = as_role("owner")
    _, part = a_part("6205 <aft> & fore")
    sheet = {"marking": "6205", "kind": "deep_groove", "observations": []}
    client.put(f"/api/parts/{part}/bench", {"version": 1, "sheet": sheet})
    asked = {"family": "bearing", "marking": "6205", "kind": "deep_groove", "observations": []}
    best = client.post("/api/bench/identify", asked).get_json()["candidates"][0]["variants"][0]["key"]
    client.post(f"/api/parts/{part}/identification", {"item_id": best, "version": 0})
    assert client.put(f"/api/parts/{part}/seats", {"version": 0, "sheet": WORN}).status_code == 200
    return client, part


def test_the_svg_is_whole_and_says_the_sizes(worn):
    client, part = worn
    answer = client.get(f"/api/parts/{part}/shop-sheet/shaft/svg")
    assert answer.mimetype == "image/svg+xml"
    texts = [each.text for each in ElementTree.fromstring(answer.data).iter() if each.tag.endswith("text")]
    assert "Ø25.002 / 25.011" in texts


def test_the_dxf_is_in_millimetres_and_at_full_size(worn):
    client, part = worn
    drawing = read_drawing(
        io.StringIO(client.get(f"/api/parts/{part}/shop-sheet/shaft/dxf").get_data(as_text=True))
    )
    assert not drawing.audit().has_errors
    assert drawing.units == 4
    lines: list[Any] = [*drawing.modelspace().query('LWPOLYLINE[layer=="OUTLINE"]')]
    assert max(y for _, y in lines[0].get_points("xy")) == pytest.approx(25 * 1.25 / 2)
    assert any("Finish the seat" in each.dxf.text for each in drawing.modelspace().query("TEXT"))


def test_the_pdf_is_one(worn):
    client, part = worn
    answer = client.get(f"/api/parts/{part}/shop-sheet/shaft/pdf")
    assert answer.data.startswith(b"%PDF-")
    assert answer.headers["Content-Disposition"].endswith('-shaft.pdf"')


@pytest.mark.parametrize(
    ("address", "status", "field"),
    [
        ("housing/pdf", 422, "side"),
        ("shaft/pdf?way=grind", 422, "way"),
        ("shaft/doc", 422, "form"),
        ("roof/pdf", 422, "side"),
    ],
)
def test_what_there_is_not_is_refused(worn, address, status, field):
    client, part = worn
    answer = client.get(f"/api/parts/{part}/shop-sheet/{address}")
    assert (answer.status_code, answer.get_json()["error"]["field"]) == (status, field)
