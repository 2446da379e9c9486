"""Where calipers may be: this machine, and the networks that the owner has allowed."""

from __future__ import annotations

import ipaddress
import socket
from collections.abc import Iterable

from ample.core.errors import BadInput

Network = ipaddress.IPv4Network | ipaddress.IPv6Network
LOOPBACK: tuple[Network, ...] = (ipaddress.ip_network("127.0.0.0/8"), ipaddress.ip_network("::1/128"))
LARGEST_V4, LARGEST_V6 = 16, 48


class NotAllowedThere(OSError):
    """An address outside the networks that the owner has allowed."""

    def __init__(self) -> None:
        super().__init__(1, "its address is not allowed")


def checked_network(text: str) -> str:
    """A network of the shop as it is kept, or why it cannot be allowed.

    >>> checked_network("192.168.1.77")
    '192.168.1.77/32'
    >>> checked_network("192.168.1.0/24")
    '192.168.1.0/24'
    """
    try:
        network = ipaddress.ip_network(text.strip(), strict=False)
    except ValueError:
        raise BadInput(
            "bad_network", f"“{text[:43]}” is not an address or network.", "networks",
            "For example 192.168.1.30, or 192.168.1.0/24 for the whole range.",
        ) from None  # fmt: skip
    least = LARGEST_V4 if network.version == 4 else LARGEST_V6
    odd = network.is_link_local or network.is_multicast or network.is_unspecified or network.is_reserved
    if odd or not network.is_private or network.prefixlen < least:
        raise BadInput(
            "network_not_of_a_shop",
            f"{network} cannot be allowed: calipers must be on the shop's own network.",
            "networks",
            f"Give private addresses, at most a /{least}.",
        )
    return str(network)


def may_be_at(host: str, networks: Iterable[str]) -> bool:
    """Whether a caliper may have this address; of a name it is asked when it is linked."""
    try:
        return _inside(ipaddress.ip_address(host), networks)
    except ValueError:
        return True


def allowed_address(host: str, port: int, networks: Iterable[str]) -> tuple[str, int]:
    """The address to link to; a name that leads elsewhere is refused."""
    known = list(networks)
    found = socket.getaddrinfo(host, port, type=socket.SOCK_STREAM)
    for *_, address in found:
        if _inside(ipaddress.ip_address(str(address[0]).partition("%")[0]), known):
            return str(address[0]), port
    raise NotAllowedThere


def _inside(address: ipaddress.IPv4Address | ipaddress.IPv6Address, networks: Iterable[str]) -> bool:
    allowed = (*LOOPBACK, *(ipaddress.ip_network(each) for each in networks))
    return any(address in each for each in allowed if each.version == address.version)
