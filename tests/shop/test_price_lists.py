"""Price lists: rows that can be read are kept, the others are told with the reason; nothing is guessed."""

import secrets

import pytest

HEAD = "maker,marking,supplier,price,lead_days,stock,place\n"


def read_in(client, text):
    answer = client.post("/api/price-lists", {"text": text})
    assert answer.status_code == 200, answer.get_json()
    return answer.get_json()


@pytest.fixture
def maker():
    return f"Maker {secrets.token_hex(3)}"


def items_of(database, maker):
    return database.run(
        lambda t: t.rows(
            """
            SELECT i.marking, i.family, i.kind, i.size_1_mm, i.size_2_mm, i.size_3_mm, i.stock_quantity, i.stock_place,
                s.name AS supplier, o.price, o.lead_days
            FROM catalogue_items i
            JOIN makers m ON m.maker_id = i.maker_id
            LEFT JOIN offers o ON o.item_id = i.item_id
            LEFT JOIN suppliers s ON s.supplier_id = o.supplier_id
            WHERE m.name = %(m)s
            ORDER BY i.item_id
            """,
            {"m": maker},
        )
    )


def test_bearings_seals_and_rings_are_read_by_their_markings(as_role, database, maker):
    rows = [
        f"{maker},6205-2RS,Weir Supply,8.40,2,3,bin 12",
        f"{maker},30206,Weir Supply,14.10,,0,",
        f"{maker},35x52x7 TC NBR,Weir Supply,2.15,1,,",
        f"{maker},NJ 206,,,,,",
    ]
    answer = read_in(as_role("buyer"), HEAD + "\n".join(rows))
    assert (answer["rows"], answer["added"], answer["offers"], answer["refused"]) == (4, 4, 3, [])
    held = items_of(database, maker)
    assert [(row["marking"], row["family"], row["kind"]) for row in held] == [
        ("6205-2RS", "bearing", "deep_groove"),
        ("30206", "bearing", "taper"),
        ("35x52x7 TC NBR", "lip_seal", held[2]["kind"]),
        ("NJ 206", "bearing", "cylindrical_nj"),
    ]
    assert (float(held[0]["size_1_mm"]), float(held[0]["size_2_mm"]), float(held[0]["size_3_mm"])) == (
        25,
        52,
        15,
    )
    assert (float(held[2]["size_1_mm"]), float(held[2]["size_2_mm"]), float(held[2]["size_3_mm"])) == (
        35,
        52,
        7,
    )
    assert (held[0]["stock_quantity"], held[0]["stock_place"], str(held[0]["price"])) == (3, "bin 12", "8.40")
    assert held[1]["lead_days"] == 2  # not said: the supplier's own


def test_a_list_read_again_changes_prices_and_stock_and_adds_nothing(as_role, database, maker):
    client = as_role("buyer")
    read_in(client, f"{HEAD}{maker},6205-2RS,Weir Supply,8.40,2,3,bin 12")
    answer = read_in(client, f"{HEAD}{maker},6205-2rs,Weir Supply,9.10,4,0,")
    assert (answer["added"], answer["offers"]) == (0, 1)
    (held,) = items_of(database, maker)
    assert (str(held["price"]), held["lead_days"], held["stock_quantity"]) == ("9.10", 4, 0)


def test_what_cannot_be_read_is_told_by_row_and_the_rest_is_kept(as_role, database, maker):
    text = HEAD + "\n".join(
        [
            f"{maker},6205-2RS,Weir Supply,8.40,2,3,bin 12",
            f"{maker},6205-XQZ9,Weir Supply,8.40,2,,",
            f"{maker},bracket,,,,,",
            ",6206,,,,,",
            f"{maker},6206,Weir Supply,cheap,2,,",
            f"{maker},6206,Weir Supply,,2,,",
            f"{maker},6206,,4.20,2,,",
            f"{maker},6206,Weir Supply,4.20,soon,,",
            f"{maker},6206,Weir Supply,-1,2,,",
        ]
    )
    answer = read_in(as_role("buyer"), text)
    assert (answer["rows"], answer["added"]) == (1, 1)
    assert [each["row"] for each in answer["refused"]] == [3, 4, 5, 6, 7, 8, 9, 10]
    assert "XQZ9" in answer["refused"][0]["why"]
    assert [row["marking"] for row in items_of(database, maker)] == ["6205-2RS"]


@pytest.mark.parametrize(
    "text",
    [
        "maker;marking;supplier;price\n{m};6205;Weir Supply;8,40\n",
        "﻿Maker\tMarking\tSupplier\tPrice\r\n{m}\t6205\tWeir Supply\t8,40\r\n",
        'marking,"price",maker,supplier\n"6205","8,40",{m},"Weir Supply"\n\n',
    ],
)
def test_as_spreadsheets_write_them(as_role, database, maker, text):
    read_in(as_role("buyer"), text.replace("{m}", maker))
    assert [str(row["price"]) for row in items_of(database, maker)] == ["8.40"]


@pytest.mark.parametrize("text", ["", "6205\n", "maker,size\nx,6205\n", "maker,marking,weight\nx,6205,1\n"])
def test_a_list_without_its_columns_is_refused_whole(as_role, text):
    assert as_role("buyer").post("/api/price-lists", {"text": text}).status_code == 422


def test_what_was_read_in_can_be_confirmed_and_ordered_at_once(as_role, database, a_part, maker):
    client = as_role("buyer")
    read_in(client, f"{HEAD}{maker},16011,Weir Supply {maker},31.00,2,,")
    item = database.run(
        lambda t: t.single_value(
            "SELECT i.item_id FROM catalogue_items i JOIN makers m USING (maker_id) WHERE m.name = %(m)s",
            {"m": maker},
        )
    )
    _, part = a_part("16011")
    for step in ("identification", "match"):
        assert client.post(f"/api/parts/{part}/{step}", {"item_id": item, "version": 0}).status_code == 200
    ordered = client.post("/api/orders/lines", {"part_id": part})
    assert (ordered.status_code, ordered.get_json()["supplier"]) == (201, f"Weir Supply {maker}")


def test_a_maker_is_the_same_however_the_list_writes_its_name(as_role, database, maker):
    """The database takes é for e and upper for lower case; a list that mixes them was a fault of the server."""
    client = as_role("buyer")
    read_in(client, f"{HEAD}{maker},6205,Weir Supply,8.40,2,,")
    other = maker.replace("e", "é").upper()
    answer = read_in(client, f"{HEAD}{other},6205,Weir Supply,9.20,2,,\n{other},6206,WEIR SUPPLY,7.10,,,")
    assert (answer["added"], answer["offers"], answer["refused"]) == (1, 2, [])
    assert [(row["marking"], str(row["price"])) for row in items_of(database, maker)] == [
        ("6205", "9.20"),
        ("6206", "7.10"),
    ]
