"""`./ample dev`: the whole shop with reload of both halves: Flask's reloader and Vite's."""

from __future__ import annotations

import os
import shutil
from pathlib import Path

from ample.prepare import FRONT, say
from ample.serve import Shop, Supervised, serve
from ample.store.private_server import StartFailed

PAGE_PORT = 8050


class DevShop(Shop):
    """A shop whose two halves are served by their reloading servers."""

    def _halves(self, url: str) -> list[Supervised]:
        environment = os.environ | {"AMPLE_DATABASE_URL": url, "AMPLE_HOME": str(self._home)}
        vite = FRONT / "node_modules" / ".bin" / "vite"
        node = shutil.which("node")
        if not node or not vite.exists():
            raise StartFailed("no_vite", "Node 20 or the front end's packages are missing.")
        page = os.environ.get("AMPLE_PAGE_PORT", str(PAGE_PORT))
        say(f"the pages with reload: http://127.0.0.1:{page}")
        return [
            Supervised(
                "the server",
                ["-m", "ample.web.reloading", str(self._doors.port)],
                environment,
                Path("/dev/stderr"),
            ),
            Supervised(
                "the pages",
                [str(vite), "--host=127.0.0.1", f"--port={page}", "--strictPort"],
                environment | {"AMPLE_API": f"http://127.0.0.1:{self._doors.port}"},
                Path("/dev/stderr"),
                program=node,
                folder=FRONT,
            ),
        ]


def run() -> int:
    """Until Ctrl-C."""
    return serve(DevShop)
