"""Calipers are where the owner allowed them, and nowhere else: the shop is no port scanner."""

import socket
import threading
from typing import cast

import pytest

from ample.core.errors import BadInput
from ample.devices.link import CaliperLink
from ample.shop.calipers.networks import NotAllowedThere, allowed_address, checked_network, may_be_at
from ample.shop.calipers.records import Caliper
from ample.store import Transaction


@pytest.mark.parametrize(
    ("typed", "kept"),
    [
        ("192.168.1.30", "192.168.1.30/32"), (" 192.168.1.0/24 ", "192.168.1.0/24"), ("10.1.0.0/16", "10.1.0.0/16"),
        ("192.168.1.77/24", "192.168.1.0/24"), ("fd00:7::/64", "fd00:7::/64"),
    ],
)  # fmt: skip
def test_networks_of_a_shop_are_taken(typed, kept):
    assert checked_network(typed) == kept


@pytest.mark.parametrize(
    "typed",
    [
        "169.254.169.254",
        "0.0.0.0/0",
        "10.0.0.0/8",
        "8.8.8.8",
        "224.0.0.1",
        "fe80::1",
        "::/0",
        "x",
        "",
        "caliper.local",
    ],
)
def test_others_are_refused_in_words(typed):
    with pytest.raises(BadInput):
        checked_network(typed)


def test_only_allowed_addresses_are_linked(as_role):
    bench, owner = as_role("bench"), as_role("owner")
    body = {"name": "caliper 8", "host": "192.168.7.30", "port": 4999}
    refused = bench.post("/api/calipers", body)
    assert (refused.status_code, refused.get_json()["error"]["code"]) == (422, "address_not_allowed")
    assert bench.post("/api/calipers", body | {"host": "169.254.169.254"}).status_code == 422
    assert bench.put("/api/caliper-networks", {"networks": ["192.168.7.0/24"], "seen": []}).status_code == 403
    seen = owner.get("/api/calipers").get_json()["networks"]
    answer = owner.put("/api/caliper-networks", {"networks": [*seen, "192.168.7.0/24"], "seen": seen})
    assert answer.get_json()["networks"] == ["192.168.7.0/24"]
    stale = owner.put("/api/caliper-networks", {"networks": [], "seen": []})
    assert (stale.status_code, stale.get_json()["error"]["code"]) == (409, "changed_meanwhile")
    linked = bench.post("/api/calipers", body)
    assert linked.status_code == 201
    number = next(each["caliper_id"] for each in linked.get_json()["calipers"] if each["name"] == "caliper 8")
    bench.delete(f"/api/calipers/{number}")
    owner.put("/api/caliper-networks", {"networks": [], "seen": ["192.168.7.0/24"]})


def test_a_name_is_asked_when_it_is_linked(monkeypatch):
    assert may_be_at("caliper.shop.example", [])

    def leads_to(address):
        return lambda host, port, **_: [(socket.AF_INET, socket.SOCK_STREAM, 6, "", (address, port))]

    monkeypatch.setattr(socket, "getaddrinfo", leads_to("169.254.169.254"))
    with pytest.raises(NotAllowedThere):
        allowed_address("caliper.shop.example", 80, ["192.168.1.0/24"])
    monkeypatch.setattr(socket, "getaddrinfo", leads_to("192.168.1.30"))
    assert allowed_address("caliper.shop.example", 4999, ["192.168.1.0/24"]) == ("192.168.1.30", 4999)


def test_the_link_itself_goes_nowhere_else(database):
    """Whatever stands in the table: the link asks before it connects."""
    said = []
    caliper = Caliper(
        caliper_id=1,
        name="c",
        host="192.168.9.9",
        port=80,
        state="away",
        words="",
        battery_percent=None,
        version=1,
    )
    heard = threading.Event()

    class Spy:
        def change(self, sql, values):
            said.append(values["words"])
            heard.set()

    link = CaliperLink(caliper, [], lambda work: work(cast(Transaction, Spy())))
    link.start()
    assert heard.wait(10)
    link.end()
    assert "its address is not allowed" in said[0]
