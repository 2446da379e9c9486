"""The process that holds the links to the shop's calipers and keeps what they send."""

from __future__ import annotations

import os
import signal
import socket
import sys
import threading
import time
from collections.abc import Callable
from datetime import UTC, datetime
from functools import partial
from types import FrameType

from ample.devices.caliper_lines import CaliperMessage, LineBuffer, read_line
from ample.shop.calipers import queries
from ample.shop.calipers.networks import allowed_address
from ample.shop.calipers.records import Caliper
from ample.store import Database, Transaction
from ample.store.presence import leads

LOOK_AGAIN_SECONDS = 2.0
TRY_AGAIN_SECONDS = 1.0
SILENT_SECONDS = 15.0
CONNECT_SECONDS = 3.0
SHOWN_SECONDS = 10.0
Keep = Callable[[Callable[[Transaction], None]], None]


class CaliperLink(threading.Thread):
    """One caliper's link: connects, reads lines, and connects again when it is lost."""

    def __init__(self, caliper: Caliper, networks: list[str], keep: Keep) -> None:
        super().__init__(daemon=True, name=f"caliper-{caliper.caliper_id}")
        self.caliper = caliper
        self._networks = networks
        self._keep = keep
        self._ended = threading.Event()
        self._unclear: tuple[float, str] = (0.0, "")

    def end(self) -> None:
        """Let the link go."""
        self._ended.set()

    def run(self) -> None:
        """Until it is ended."""
        words = "not found at its address"
        while not self._ended.is_set():
            try:
                address = allowed_address(self.caliper.host, self.caliper.port, self._networks)
                with socket.create_connection(address, CONNECT_SECONDS) as line:
                    words = self._listen(line)
            except OSError as error:
                words = (
                    f"not reached at {self.caliper.host}:{self.caliper.port}: {error.strerror or 'no answer'}"
                )
            self._say("away", words)
            self._ended.wait(TRY_AGAIN_SECONDS)

    def _listen(self, line: socket.socket) -> str:
        """Read lines until the link ends; why it ended, in words."""
        self._say("linked", "linked")
        buffer = LineBuffer()
        line.settimeout(0.5)
        heard_at = time.monotonic()
        while not self._ended.is_set():
            try:
                data = line.recv(1024)
            except TimeoutError:
                if time.monotonic() - heard_at > SILENT_SECONDS:
                    return "no data: is it switched off?"
                continue
            if not data:
                return "cut off in the middle of a line: ignored" if buffer.cut_off else "the link was lost"
            heard_at = time.monotonic()
            for text in buffer.feed(data):
                self._take(read_line(text) if text else CaliperMessage(trouble="a line without an end"))
        return "no longer used"

    def _take(self, heard: CaliperMessage) -> None:
        now = _now()
        number = self.caliper.caliper_id

        def keep(t: Transaction) -> None:
            if heard.typed is not None:
                queries.add_reading(t, number, heard.typed, heard.unit, now)
            words = self._trouble(heard)
            state = "unclear" if words else "linked"
            queries.set_state(t, number, state, words[:160] or "linked", heard.battery_percent, now)

        self._keep(keep)

    def _trouble(self, heard: CaliperMessage) -> str:
        """What is wrong; it stays in sight for a while unless a good reading comes."""
        if heard.trouble:
            self._unclear = (time.monotonic() + SHOWN_SECONDS, heard.trouble)
        elif heard.typed is not None:
            self._unclear = (0.0, "")
        until, words = self._unclear
        return words if time.monotonic() < until else ""

    def _say(self, state: str, words: str) -> None:
        number, now = self.caliper.caliper_id, _now()
        self._keep(lambda t: queries.set_state(t, number, state, words[:160], None, now))


def _now() -> datetime:
    return datetime.now(UTC).replace(tzinfo=None)


class Links:
    """All links, kept in step with the calipers that the shop lists."""

    def __init__(self, database: Database, leads: Callable[[], bool] | None = None) -> None:
        self._database = database
        self._leads = leads
        self._held: dict[int, CaliperLink] = {}
        self._networks: list[str] = []

    def look(self) -> None:
        """Begin links for new calipers, end those of calipers that are gone or have moved."""
        mine = not self._leads or self._leads()
        listed = {each.caliper_id: each for each in self._database.run(queries.all_calipers) if mine}
        networks = self._database.run(queries.networks)
        for number, link in list(self._held.items()):
            now = listed.get(number)
            moved = now is None or (now.host, now.port) != (link.caliper.host, link.caliper.port)
            if moved or networks != self._networks:
                link.end()
                del self._held[number]
        self._networks = networks
        for number, caliper in listed.items():
            if number not in self._held:
                link = self._held[number] = CaliperLink(caliper, networks, self._kept)
                link.start()
        self._database.run(lambda t: queries.drop_old_readings(t, _now()))

    def _kept(self, work: Callable[[Transaction], None]) -> None:
        """Keep it; while the database is away a state is not worth waiting for, a reading is tried again."""
        for _ in range(3):
            try:
                self._database.run(work)
                return
            except Exception as error:
                print(f"caliper link: {error}", file=sys.stderr, flush=True)
                time.sleep(TRY_AGAIN_SECONDS)


def main() -> int:
    """Hold the links until asked to stop."""
    ended = threading.Event()

    def stop(number: int, frame: FrameType | None) -> None:
        ended.set()

    for number in (signal.SIGTERM, signal.SIGINT):
        signal.signal(number, stop)
    database = Database(os.environ["AMPLE_DATABASE_URL"])
    shop_id = os.environ.get("AMPLE_SHOP_ID")
    links = Links(database, partial(database.look, partial(leads, shop_id=shop_id)) if shop_id else None)
    while not ended.is_set():
        try:
            links.look()
        except Exception as error:
            print(f"caliper link: {error}", file=sys.stderr, flush=True)
        ended.wait(LOOK_AGAIN_SECONDS)
    return 0


if __name__ == "__main__":
    sys.exit(main())
