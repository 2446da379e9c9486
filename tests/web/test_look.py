"""Contrast of the paper and of the night shift (WCAG 2.2 AA), and what the first page loads."""

import re
from itertools import product
from pathlib import Path

import pytest

from ample.prepare import FRONT
from ample.web.app import BUILT

CSS = (FRONT / "src" / "shell" / "base.css").read_text()
TEXT = ("ink", "faint", "attention", "action", "good", "unsure", "stop")
GROUNDS = ("paper", "sheet")


def palette(selector):
    block = CSS.split(selector + " {", 1)[1].split("}", 1)[0]
    return dict(re.findall(r"--([\w-]+):\s*(#[0-9a-f]{6})\b", block))


def luminance(colour):
    parts = [int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)]
    linear = [c / 12.92 if c <= 0.04045 else ((c + 0.055) / 1.055) ** 2.4 for c in parts]
    return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]


def contrast(a, b):
    high, low = sorted((luminance(a), luminance(b)), reverse=True)
    return (high + 0.05) / (low + 0.05)


@pytest.mark.parametrize("selector", [":root", ":root[data-night='on']"])
@pytest.mark.parametrize(("text", "ground"), list(product(TEXT, GROUNDS)))
def test_text_can_be_read(selector, text, ground):
    colours = palette(selector)
    assert contrast(colours[text], colours[ground]) >= 4.5


@pytest.mark.parametrize("selector", [":root", ":root[data-night='on']"])
def test_the_great_button_can_be_read(selector):
    colours = palette(selector)
    assert contrast(colours["on-action"], colours["action"]) >= 4.5


def test_contrast_as_the_guideline_counts_it():
    """WCAG: black on white is 21 to 1."""
    assert contrast("#000000", "#ffffff") == pytest.approx(21)


def test_the_page_is_served_by_ourselves_with_a_fresh_nonce(as_role):
    client = as_role()
    first, second = (client.get("/").get_data(as_text=True) for _ in range(2))
    nonce = re.search(r'nonce="([^"]+)"', first).group(1)
    assert nonce not in second
    assert "__NONCE__" not in first
    assert not re.search(r"(?:src|href)=\"https?:", first)


def test_built_files_are_kept_for_good_and_fonts_are_ours(as_role):
    client = as_role()
    names = [path.name for path in Path(BUILT / "assets").iterdir()]
    assert any(name.endswith(".woff2") for name in names)
    answer = client.get(f"/assets/{names[0]}")
    assert "immutable" in answer.headers["Cache-Control"]
    answer.close()
    styles = "".join(path.read_text() for path in Path(BUILT / "assets").glob("*.css"))
    assert "http://" not in styles.replace("http://www.w3.org", "")
    assert "https://" not in styles


@pytest.mark.parametrize("path", ["/", "/jobs/0412/parts/1/bench", "/orders"])
def test_deep_links_open_the_page(as_role, path):
    answer = as_role().get(path)
    assert (answer.status_code, answer.mimetype) == (200, "text/html")
