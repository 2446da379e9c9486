"""Taking a picture in: its type read from its content, made new without anything hidden in it."""

from __future__ import annotations

import fcntl
import json
import os
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path

from ample.core.errors import AmpleError, BadInput
from ample.shop.photos.decode import LONGEST_SIDE_PX, MOST_PIXELS

MOST_BYTES = 8 * 1024 * 1024
WAIT_SECONDS, DECODE_SECONDS = 8.0, 30.0
_DECODER = Path(__file__).with_name("decode.py")
_START, _END, _APP0, _SCAN = 0xD8, 0xD9, 0xE0, 0xDA
_PLAIN = {
    0xDB,
    0xC4,
    0xC0,
    0xC1,
    0xC2,
    0xDD,
}  # tables, frames, the restart interval: no room for anything else
_JFIF_BYTES = 16  # without a small picture of its own


class TooLarge(AmpleError):
    """A picture over the limit."""

    status = 413


class Busy(AmpleError):
    """Other pictures are being read."""

    status = 503


@dataclass(frozen=True)
class Picture:
    """A picture as it is stored: JPEG, turned upright, without place, device or comments."""

    image: bytes
    thumbnail: bytes
    width_px: int
    height_px: int


def take_in_picture(data: bytes) -> Picture:
    """Check a picture by its content and make it new: what was hidden in the old file stays out."""
    return _made_new(data)[0]


def keep_picture(data: bytes) -> Picture:
    """A picture that was stored before: kept to the byte when nothing can hide in it, else made new."""
    made, first = _made_new(data)
    ours = is_plain(data) and max(first) <= LONGEST_SIDE_PX
    return Picture(data, made.thumbnail, made.width_px, made.height_px) if ours else made


def made_plain(stored: bytes) -> bytes | None:
    """A stored picture without anything beside it; None when it cannot be read."""
    if is_plain(stored):
        return stored
    try:
        return take_in_picture(stored).image
    except (BadInput, TooLarge):
        return None


def is_plain(data: bytes) -> bool:
    """Whether a file is a JPEG and nothing else: no tags, comments or profiles in it, nothing after its end."""
    if data[:2] != bytes((0xFF, _START)):
        return False
    at = 2
    while at + 4 <= len(data):
        mark, kind = data[at], data[at + 1]
        if mark != 0xFF:
            return False
        if kind == _END:
            return at + 2 == len(data)
        length = int.from_bytes(data[at + 2 : at + 4], "big")
        if kind == _APP0:
            if length != _JFIF_BYTES or data[at + 4 : at + 9] != b"JFIF\0":
                return False
        elif kind not in _PLAIN and kind != _SCAN:
            return False
        at += 2 + length
        if kind == _SCAN:
            at = _after_scan(data, at)
    return data[at:] == bytes((0xFF, _END))


def _after_scan(data: bytes, at: int) -> int:
    """Where the coded points end: at a mark that is neither a stuffed byte nor a restart."""
    while (at := data.find(0xFF, at)) != -1 and at + 1 < len(data):
        if data[at + 1] != 0 and not 0xD0 <= data[at + 1] <= 0xD7:
            return at
        at += 2
    return len(data)


def _made_new(data: bytes) -> tuple[Picture, tuple[int, int]]:
    """The picture made new by the decoding process, and the size that it had."""
    if not data:
        raise BadInput("empty_picture", "The file is empty.", "photo")
    if len(data) > MOST_BYTES:
        raise TooLarge("picture_too_large", "A picture has at most 8 MB.", "photo", "The screen reduces it.")
    with _one_at_a_time():
        try:
            done = subprocess.run(
                [sys.executable, "-I", str(_DECODER)], input=data, capture_output=True, timeout=DECODE_SECONDS,
                check=False, env={"PATH": os.environ.get("PATH", "")},
            )  # fmt: skip
        except subprocess.TimeoutExpired as error:
            raise _refused("broken") from error
    line, _, rest = done.stdout.partition(b"\n")
    if done.returncode or not line:
        raise _refused("broken" if b"MemoryError" not in done.stderr else "too_many_points")
    told = json.loads(line)
    if "refused" in told:
        raise _refused(told["refused"])
    size = told["sizes"][0]
    made = Picture(rest[:size], rest[size:], told["width_px"], told["height_px"])
    return made, (told["first_px"][0], told["first_px"][1])


def _refused(why: str) -> AmpleError:
    if why == "too_many_points":
        millions = MOST_PIXELS // 1_000_000
        return TooLarge("picture_too_large", f"A picture has at most {millions} million pixels.", "photo")
    if why == "no_picture":
        return BadInput("no_picture", "This is not a JPEG, PNG or WebP picture.", "photo")
    return BadInput("broken_picture", "The picture is broken and cannot be read.", "photo")


@contextmanager
def _one_at_a_time() -> Iterator[None]:
    """One picture is decoded at a time, whichever worker has it."""
    name = Path(tempfile.gettempdir()) / f"ample-pictures-{os.getuid()}.lock"
    until = time.monotonic() + WAIT_SECONDS
    handle = os.open(name, os.O_CREAT | os.O_RDWR | os.O_NOFOLLOW, 0o600)
    try:
        while True:
            try:
                fcntl.flock(handle, fcntl.LOCK_EX | fcntl.LOCK_NB)
                break
            except BlockingIOError as error:
                if time.monotonic() > until:
                    raise Busy(
                        "pictures_busy", "Other pictures are being uploaded.", "photo",
                        "It will be sent again automatically.",
                    ) from error  # fmt: skip
                time.sleep(0.02)
        yield
    finally:
        os.close(handle)
