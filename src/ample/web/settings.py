"""What the application is told from outside."""

from __future__ import annotations

import os
import secrets
from dataclasses import dataclass
from pathlib import Path

from ample.core.errors import BadInput


@dataclass(frozen=True)
class Settings:
    """Where the data lie and which database to use."""

    home: Path
    database_url: str
    secret_key: str

    @staticmethod
    def from_environment() -> Settings:
        """Read AMPLE_HOME and AMPLE_DATABASE_URL."""
        home = Path(os.environ.get("AMPLE_HOME", "var")).resolve()
        url = os.environ.get("AMPLE_DATABASE_URL", "")
        if not url:
            raise BadInput("no_database", "AMPLE_DATABASE_URL is not set.", "AMPLE_DATABASE_URL")
        return Settings(home, url, secret_key(home))


def secret_key(home: Path) -> str:
    """The key that signs cookies: made once, readable by the owner alone."""
    file = home / "secret-key"
    if not file.exists():
        home.mkdir(parents=True, exist_ok=True)
        handle = os.open(file, os.O_CREAT | os.O_WRONLY | os.O_TRUNC, 0o600)
        with os.fdopen(handle, "w") as out:
            out.write(secrets.token_hex(32))
    return file.read_text().strip()
