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

THREADS = 8
SILENT_SECONDS, LOOK_SECONDS = 20, 5  # a connection without a word is closed after that
MOST_CONNECTIONS, MOST_WAITING = 1000, 1024
MOST_HEADER_BYTES, MOST_BODY_BYTES = 32 * 1024, 72 * 1024 * 1024
GRACE_SECONDS, BIND_SECONDS = 6.0, 10.0
SOON = 1.0  # who dies within this time of its start is not replaced at once


class Workers:
    """The worker processes: begun, replaced and ended in order."""

    def __init__(self, listener: socket.socket, application: Any, count: int) -> None:
        self._listener = listener
        self._application = application
        self._count = count
        self._begun: dict[int, float] = {}
        self._ending = False

    def run(self) -> int:
        """Until told to stop."""
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
                _work(self._listener, self._application)
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


def _work(listener: socket.socket, application: Any) -> None:
    """One worker: waitress over the shared socket."""

    def stop(number: int, frame: FrameType | None) -> None:
        signal.signal(signal.SIGTERM, signal.SIG_IGN)
        raise SystemExit(0)

    signal.signal(signal.SIGINT, signal.SIG_IGN)
    signal.signal(signal.SIGTERM, stop)
    server = waitress.create_server(
        application,
        sockets=[listener],
        threads=THREADS,
        ident="",
        channel_timeout=SILENT_SECONDS,
        cleanup_interval=LOOK_SECONDS,
        connection_limit=MOST_CONNECTIONS,
        max_request_header_size=MOST_HEADER_BYTES,
        max_request_body_size=MOST_BODY_BYTES,
        asyncore_use_poll=True,
        clear_untrusted_proxy_headers=True,
    )
    server.run()


def listen(port: int, host: str = "127.0.0.1") -> socket.socket:
    """The socket that all workers share; a server before this one may take a moment to let go of it."""
    until = time.monotonic() + BIND_SECONDS
    while True:
        listener = socket.socket()
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
    """Serve on a port until told to stop."""
    known = argparse.ArgumentParser()
    known.add_argument("--port", type=int, required=True)
    known.add_argument("--workers", type=int, default=2)
    asked = known.parse_args()
    from ample.web.wsgi import app  # made before the workers part: they share its memory

    return Workers(listen(asked.port), app, asked.workers).run()


if __name__ == "__main__":
    sys.exit(main())
