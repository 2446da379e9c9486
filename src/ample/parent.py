"""`./ample start` stays as a small parent: the launcher below it is begun again when it dies."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
import time
from types import FrameType

from ample.prepare import ROOT, say
from ample.store.private_server import dies_with_parent

OPENED = "AMPLE_OPENED_FD"
FIRST_WAIT_SECONDS, LONGEST_WAIT_SECONDS = 0.2, 30.0
STOP_SECONDS = 60


class Parent:
    """Keeps one launcher running until asked to stop."""

    def __init__(self) -> None:
        self._launcher: subprocess.Popen[bytes] | None = None
        self._told = False
        self._opened = False

    def run(self) -> int:
        """Until asked to stop, or the first start is refused; its exit code."""
        for number in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):
            signal.signal(number, self._stop)
        wait, ever_opened = FIRST_WAIT_SECONDS, False
        while True:
            code = self._run_once()
            ever_opened |= self._opened
            if self._told or code == 0 or (code > 0 and not ever_opened):
                return code
            if self._opened:  # it got as far as it should: only one that does not open is waited for longer
                wait = FIRST_WAIT_SECONDS
            say(f"the launcher ended ({_words(code)}); it is started again")
            time.sleep(wait)
            wait = min(2 * wait, LONGEST_WAIT_SECONDS)

    def _run_once(self) -> int:
        read, write = os.pipe()
        self._launcher = subprocess.Popen(
            [sys.executable, "-m", "ample.command_line", "serve"], cwd=ROOT, pass_fds=(write,),
            env=os.environ | {OPENED: str(write)}, preexec_fn=dies_with_parent(),
        )  # fmt: skip
        os.close(write)
        if self._told:  # the signal came before there was anyone to tell
            self._launcher.terminate()
        with os.fdopen(read, "rb") as told:
            self._opened = bool(told.read(1))  # waits until it is open, or has ended
            return self._launcher.wait()

    def _stop(self, number: int, frame: FrameType | None) -> None:
        self._told = True
        if self._launcher and self._launcher.poll() is None:
            self._launcher.terminate()


def _words(code: int) -> str:
    return f"signal {-code}" if code < 0 else f"exit code {code}"


def say_opened() -> None:
    """For the launcher: the shop is open; the parent keeps it open from now on."""
    told = os.environ.pop(OPENED, "")
    if told:
        os.write(int(told), b"1")
        os.close(int(told))
