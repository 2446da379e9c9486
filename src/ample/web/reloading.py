"""The server for whoever changes it: begun again whenever a source file changes."""

from __future__ import annotations

import sys

from werkzeug.serving import run_simple

from ample.prepare import ROOT


def main(port: int) -> None:
    """Serve on a port, with reload."""
    from ample.web.wsgi import app

    tables = [str(file) for file in (ROOT / "src").rglob("*.csv")]
    run_simple("127.0.0.1", port, app, use_reloader=True, threaded=True, extra_files=tables)


if __name__ == "__main__":
    main(int(sys.argv[1]))
