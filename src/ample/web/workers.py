"""The server: the application made once, and worker processes that share it.

Whole requests reach a worker's threads; a connection that is silent, or sends a byte now and then, holds none.
A worker that dies is replaced at once; when this process dies its workers go with it, and `./ample start`
begins it again.
"""

from __future__ import annotations

import argparse
import os
import signal
import socket
import sys
import time
from contextlib import suppress
from types import FrameType
from typing import Any

import waitress

from ample.store.private_server import ends_with_parent
from ample.web.settings import Doors

THREADS = 8
SILENT_SECONDS, LOOK_SECONDS = 20, 5  # a connection without a word is closed after that
MOST_CONNECTIONS, MOST_WAITING = 1000, 1024
MOST_HEADER_BYTES, MOST_BODY_BYTES = 32 * 1024, 72 * 1024 * 1024
GRACE_SECONDS, BIND_SECONDS = 6.0, 10.0
PROXY_HEADERS = {"x-forwarded-for", "x-forwarded-proto", "x-forwarded-host"}
SOON = 1.0  # who ends within this time of its start is not replaced at once


class Workers:
    """The worker processes: begun, replaced and ended in order."""

    def __init__(self, listener: socket.socket, application: Any, count: int, doors: Doors) -> None:
        self._listener = listener
        self._application = application
        self._doors = doors
        self._count = count
        self._begun: dict[int, float] = {}
        self._ending = False

    def run(self) -> int:
        """Until asked to stop."""
        for number in (signal.SIGTERM, signal.SIGINT):
            signal.signal(number, self._stop)
        while not self._ending:
            while len(self._begun) < self._count and not self._ending:
                self._begin()
            self._bury_one()
        self._end_all()
        return 0

    def _stop(self, number: int, frame: FrameType | None) -> None:
        self._ending = True
        for pid in list(self._begun):
            _tell(pid, signal.SIGTERM)

    def _begin(self) -> None:
        parent = os.getpid()
        pid = os.fork()
        if pid == 0:
            code = 1
            try:
                ends_with_parent(parent, signal.SIGKILL)
                _work(self._listener, self._application, self._doors)
                code = 0
            finally:
                os._exit(code)
        self._begun[pid] = time.monotonic()

    def _bury_one(self) -> None:
        try:
            pid, status = os.waitpid(-1, 0)
        except (InterruptedError, ChildProcessError):
            return
        begun = self._begun.pop(pid, 0.0)
        if not self._ending:
            print(f"server: worker {pid} ended ({status}); another is begun", file=sys.stderr, flush=True)
            time.sleep(max(0.0, begun + SOON - time.monotonic()))

    def _end_all(self) -> None:
        until = time.monotonic() + GRACE_SECONDS
        while self._begun and time.monotonic() < until:
            self._forget_ended()
            time.sleep(0.02)
        for pid in list(self._begun):
            _tell(pid, signal.SIGKILL)
            os.waitpid(pid, 0)

    def _forget_ended(self) -> None:
        for pid in list(self._begun):
            if os.waitpid(pid, os.WNOHANG)[0]:
                del self._begun[pid]


def _tell(pid: int, number: int) -> None:
    with suppress(ProcessLookupError):  # it may have ended by itself
        os.kill(pid, number)


def _work(listener: socket.socket, application: Any, doors: Doors) -> None:
    """One worker over the shared socket: waitress, or uvicorn where the shop has a certificate of its own."""
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    if doors.certificate:
        _with_certificate(listener, application, doors)
        return

    def stop(number: int, frame: FrameType | None) -> None:
        signal.signal(signal.SIGTERM, signal.SIG_IGN)
        raise SystemExit(0)

    signal.signal(signal.SIGTERM, stop)
    waitress.create_server(application, sockets=[listener], **_waitress(doors)).run()


def _waitress(doors: Doors) -> dict[str, Any]:
    believed: dict[str, Any] = (
        {"trusted_proxy": doors.proxy, "trusted_proxy_count": 1, "trusted_proxy_headers": PROXY_HEADERS}
        if doors.proxy
        else {}
    )
    return believed | {
        "threads": THREADS,
        "ident": "",
        "channel_timeout": SILENT_SECONDS,
        "cleanup_interval": LOOK_SECONDS,
        "connection_limit": MOST_CONNECTIONS,
        "max_request_header_size": MOST_HEADER_BYTES,
        "max_request_body_size": MOST_BODY_BYTES,
        "asyncore_use_poll": True,
        # not believed, and not dropped: that a request was passed on is told by them (`machine.is_here`)
        "clear_untrusted_proxy_headers": bool(doors.proxy),
    }


def _with_certificate(listener: socket.socket, application: Any, doors: Doors) -> None:
    import uvicorn  # only where there is a certificate
    from a2wsgi import WSGIMiddleware

    config = uvicorn.Config(
        WSGIMiddleware(application, workers=THREADS),
        ssl_certfile=str(doors.certificate),
        ssl_keyfile=str(doors.certificate_key),
        http="h11",
        lifespan="off",
        log_level="warning",
        server_header=False,
        proxy_headers=bool(doors.proxy),
        forwarded_allow_ips=doors.proxy or None,
        limit_concurrency=MOST_CONNECTIONS,
        timeout_keep_alive=SILENT_SECONDS,
        timeout_graceful_shutdown=int(GRACE_SECONDS),
        h11_max_incomplete_event_size=MOST_HEADER_BYTES,
    )
    uvicorn.Server(config).run(sockets=[listener])


def listen(port: int, host: str = "127.0.0.1") -> socket.socket:
    """The socket that all workers share; a server before this one may take a moment to let go of it."""
    until = time.monotonic() + BIND_SECONDS
    while True:
        listener = socket.socket(socket.AF_INET6 if ":" in host else socket.AF_INET)
        listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            listener.bind((host, port))
            listener.listen(MOST_WAITING)
            listener.setblocking(False)
            return listener
        except OSError:
            listener.close()
            if time.monotonic() > until:
                raise
            time.sleep(0.1)


def main() -> int:
    """Serve on a port until asked to stop."""
    known = argparse.ArgumentParser()
    known.add_argument("--port", type=int, required=True)
    known.add_argument("--workers", type=int, default=2)
    asked = known.parse_args()
    from ample.web.wsgi import app, settings  # made before the workers part: they share its memory

    doors = settings.doors
    return Workers(listen(asked.port, doors.bind), app, asked.workers, doors).run()


if __name__ == "__main__":
    sys.exit(main())
