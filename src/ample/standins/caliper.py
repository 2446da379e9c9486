"""A stand-in for a caliper that sends: lines over TCP, and a second port where its button is pressed.

Run as `python -m ample.standins.caliper PORT BUTTON_PORT`. A line on the button's port is what to do:
`25.02 mm` sends a reading, `cut 25.02 mm` half of one and hangs up, `raw TEXT` sends TEXT as it is,
`battery 12` sets the charge, `away` and `back` switch it off and on. It answers `ok`, or `nobody` where
nobody was linked to hear it.
"""

from __future__ import annotations

import socket
import sys
import threading
import time

ALIVE_SECONDS = 3.0


class StandIn:
    """The caliper: who is linked to it, and its charge."""

    def __init__(self, port: int) -> None:
        self.port = port
        self.battery = 87
        self.linked: list[socket.socket] = []
        self.lock = threading.Lock()
        self.door: socket.socket | None = None
        self.open()

    def open(self) -> None:
        """Switch on."""
        if self.door is None:
            self.door = _listen(self.port)
            threading.Thread(target=self._welcome, args=(self.door,), daemon=True).start()

    def close(self) -> None:
        """Switch off: the door is shut and every link lost."""
        door, self.door = self.door, None
        if door is not None:
            door.shutdown(socket.SHUT_RDWR)
            door.close()
        self.hang_up()

    def hang_up(self) -> None:
        """Lose every link."""
        with self.lock:
            for each in self.linked:
                each.close()
            self.linked.clear()

    def send(self, text: str) -> str:
        """Send to whoever is linked: `ok`, or `nobody`."""
        with self.lock:
            for each in list(self.linked):
                try:
                    each.sendall(text.encode())
                except OSError:
                    self.linked.remove(each)
            return "ok" if self.linked else "nobody"

    def press(self, line: str) -> str:
        """Do what a line on the button's port says."""
        word, _, rest = line.partition(" ")
        if word == "raw":
            return self.send(rest + "\n")
        if word == "cut":
            heard = self.send(f"R +{rest}"[: max(4, len(rest))])
            time.sleep(0.05)
            self.hang_up()
            return heard
        if word == "battery":
            self.battery = int(rest)
            return self.send(f"S {self.battery}\n")
        if word == "away":
            self.close()
        elif word == "back":
            self.open()
        elif word:
            sign = "" if line[0] in "+-" else "+"
            return self.send(f"R {sign}{line} {self.battery}\n")
        return "ok"

    def beat(self) -> None:
        """Say every few seconds that it is alive."""
        while True:
            time.sleep(ALIVE_SECONDS)
            self.send(f"S {self.battery}\n")

    def _welcome(self, door: socket.socket) -> None:
        while True:
            try:
                link, _ = door.accept()
            except OSError:
                return
            with self.lock:
                self.linked.append(link)
            try:
                link.sendall(f"S {self.battery}\n".encode())
            except OSError:
                continue


def _listen(port: int) -> socket.socket:
    door = socket.socket()
    door.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    door.bind(("127.0.0.1", port))
    door.listen(8)
    return door


def main(port: int, button: int) -> None:
    """Stand in until killed."""
    caliper = StandIn(port)
    threading.Thread(target=caliper.beat, daemon=True).start()
    door = _listen(button)
    while True:
        pressed, _ = door.accept()
        with pressed, pressed.makefile("rw") as lines:
            for line in lines:
                lines.write(caliper.press(line.strip()) + "\n")
                lines.flush()


if __name__ == "__main__":
    main(int(sys.argv[1]), int(sys.argv[2]))
