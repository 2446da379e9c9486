"""The words that people read: each change of one shows in review, and none is one that the guide replaces."""

import os
import re
from pathlib import Path

from ample.core.tables import read_table
from tests.words.texts import all_texts

ROOT = Path(__file__).parents[2]
SNAPSHOT = Path(__file__).with_name("texts.txt")
NOT_SAID = [
    (re.compile(row["phrase"]), row["instead"])
    for row in read_table(Path(__file__).with_name("not_said.csv")).rows
]


def as_lines(texts):
    """The snapshot: a file's name, then its texts."""
    return "".join(f"\n## {name}\n" + "".join(f"{text}\n" for text in own) for name, own in texts.items())


def test_every_text_stands_in_the_snapshot():
    """A text changed? `AMPLE_SNAPSHOT=1 ./ample test tests/words` writes it anew; the change is then seen in review."""
    now = as_lines(all_texts(ROOT))
    if os.environ.get("AMPLE_SNAPSHOT"):
        SNAPSHOT.write_text(now, encoding="utf-8")
    assert now == SNAPSHOT.read_text(encoding="utf-8")


def test_no_text_is_one_that_the_guide_replaces():
    found = [
        f"{name}: {text} -> {instead}"
        for name, texts in all_texts(ROOT).items()
        for text in texts
        for phrase, instead in NOT_SAID
        if phrase.search(text)
    ]
    assert found == []
