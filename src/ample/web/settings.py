"""Settings from the environment."""

from __future__ import annotations

import ipaddress
import os
import re
import secrets
from collections.abc import Mapping
from dataclasses import dataclass, field
from pathlib import Path
from urllib.parse import urlsplit

from ample.core.errors import BadInput

HERE = "127.0.0.1"
OWN_NAMES = ("localhost", HERE, "[::1]")
LEAST_KEY = 32


@dataclass(frozen=True)
class Doors:
    """Where the shop listens, what it is called, and whom it believes; loopback and nobody unless said."""

    port: int = 8040
    bind: str = HERE
    address: str = ""
    more_hosts: tuple[str, ...] = ()
    proxy: str = ""
    certificate: Path | None = None
    certificate_key: Path | None = None

    @property
    def secure(self) -> bool:
        """Whether browsers reach it through TLS: the cookie is sent there only then."""
        return self.address.startswith("https:")

    @property
    def open_to_others(self) -> bool:
        """Whether other machines can reach it."""
        return not ipaddress.ip_address(self.bind).is_loopback

    @property
    def hosts(self) -> list[str]:
        """The names that it answers to."""
        bound = () if ipaddress.ip_address(self.bind).is_unspecified else (_in_url(self.bind),)
        called = _in_url(urlsplit(self.address).hostname or HERE)
        return list(dict.fromkeys((*OWN_NAMES, *bound, called, *self.more_hosts)))

    @staticmethod
    def from_environment(known: Mapping[str, str] | None = None) -> Doors:
        """Read AMPLE_PORT, AMPLE_BIND, AMPLE_ADDRESS, AMPLE_HOSTS, AMPLE_PROXY, AMPLE_CERTIFICATE(_KEY)."""
        told = os.environ if known is None else known
        port = _port(told.get("AMPLE_PORT", "8040"))
        bind = _ip(told.get("AMPLE_BIND", HERE), "AMPLE_BIND")
        certificate = _file(told, "AMPLE_CERTIFICATE")
        key = _file(told, "AMPLE_CERTIFICATE_KEY")
        if (certificate is None) != (key is None):
            raise BadInput(
                "half_a_certificate",
                "AMPLE_CERTIFICATE and AMPLE_CERTIFICATE_KEY belong together: give both files.",
                "AMPLE_CERTIFICATE",
            )
        made = Doors(
            port,
            bind,
            _address(told.get("AMPLE_ADDRESS", ""), bind, port, certificate is not None),
            tuple(_host(each) for each in re.split(r"[,\s]+", told.get("AMPLE_HOSTS", "")) if each),
            _ip(told["AMPLE_PROXY"], "AMPLE_PROXY") if told.get("AMPLE_PROXY") else "",
            certificate,
            key,
        )
        if certificate and not made.secure:
            raise BadInput(
                "not_https", "With AMPLE_CERTIFICATE the shop is reached by https: AMPLE_ADDRESS must say so.",
                "AMPLE_ADDRESS",
            )  # fmt: skip
        return made


@dataclass(frozen=True)
class Settings:
    """Where the data are, which database to use, and the doors."""

    home: Path
    database_url: str
    secret_key: str
    doors: Doors = field(default_factory=lambda: Doors(address=f"http://{HERE}:8040"))

    @staticmethod
    def from_environment() -> Settings:
        """Read AMPLE_HOME, AMPLE_DATABASE_URL, AMPLE_SECRET_KEY and what the doors need."""
        home = Path(os.environ.get("AMPLE_HOME", "var")).resolve()
        url = os.environ.get("AMPLE_DATABASE_URL", "")
        if not url:
            raise BadInput("no_database", "AMPLE_DATABASE_URL is not set.", "AMPLE_DATABASE_URL")
        return Settings(home, url, secret_key(home), Doors.from_environment())


def secret_key(home: Path) -> str:
    """The key that signs cookies: the one given, which several servers can share, or one made once."""
    given = os.environ.get("AMPLE_SECRET_KEY", "")
    if given:
        if len(given) < LEAST_KEY:
            raise BadInput(
                "short_key",
                f"AMPLE_SECRET_KEY needs at least {LEAST_KEY} characters.",
                "AMPLE_SECRET_KEY",
                "Make one: python3 -c 'import secrets; print(secrets.token_hex(32))'",
            )
        return given
    file = home / "secret-key"
    if not file.exists():
        home.mkdir(parents=True, exist_ok=True)
        handle = os.open(file, os.O_CREAT | os.O_WRONLY | os.O_TRUNC, 0o600)
        with os.fdopen(handle, "w") as out:
            out.write(secrets.token_hex(32))
    return file.read_text().strip()


def _port(text: str) -> int:
    if not text.isascii() or not text.isdigit() or not 1 <= int(text) <= 65535:
        raise BadInput(
            "bad_port", f"AMPLE_PORT is “{text[:20]}”: give a number from 1 to 65535.", "AMPLE_PORT"
        )
    return int(text)


def _ip(text: str, name: str) -> str:
    try:
        return str(ipaddress.ip_address(HERE if text == "localhost" else text.strip("[]")))
    except ValueError:
        raise BadInput(
            "bad_address", f"{name} is “{text[:40]}”: give an IP address, such as 192.168.1.20.", name,
            "0.0.0.0 is every address of this machine." if name == "AMPLE_BIND" else None,
        ) from None  # fmt: skip


def _in_url(host: str) -> str:
    return f"[{host}]" if ":" in host else host


def _host(text: str) -> str:
    if not re.fullmatch(r"[A-Za-z0-9](?:[A-Za-z0-9.-]*[A-Za-z0-9])?|\[[0-9A-Fa-f:.]+\]", text):
        raise BadInput(
            "bad_host",
            f"AMPLE_HOSTS has “{text[:40]}”: give names without port, apart by commas.",
            "AMPLE_HOSTS",
        )
    return text.lower()


def _address(text: str, bind: str, port: int, tls: bool) -> str:
    if not text:
        if not ipaddress.ip_address(bind).is_loopback:
            raise BadInput(
                "no_address",
                "AMPLE_BIND opens Ample to other machines: AMPLE_ADDRESS must say what they type.",
                "AMPLE_ADDRESS",
                f"Such as AMPLE_ADDRESS={'https' if tls else 'http'}://192.168.1.20:{port}",
            )
        return f"{'https' if tls else 'http'}://{_in_url(bind)}:{port}"
    parts = urlsplit(text)
    if (
        parts.scheme not in ("http", "https")
        or not parts.hostname
        or parts.path not in ("", "/")
        or parts.query
    ):
        raise BadInput(
            "bad_address",
            f"AMPLE_ADDRESS is “{text[:60]}”: give http:// or https:// and a name, such as http://192.168.1.20:{port}",
            "AMPLE_ADDRESS",
        )
    return f"{parts.scheme}://{parts.netloc}"


def _file(told: Mapping[str, str], name: str) -> Path | None:
    if not told.get(name):
        return None
    path = Path(told[name]).resolve()
    try:
        path.read_bytes()
    except OSError as error:
        raise BadInput("no_file", f"{name}: {path} cannot be read: {error.strerror}.", name) from error
    return path
