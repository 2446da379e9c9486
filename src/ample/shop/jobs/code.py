"""The code on a job's papers: it leads whoever reads it to the job, at the address that the shop says it has."""

from __future__ import annotations

import io

import segno


def job_address(shop_address: str, number: str) -> str:
    """Where a job is.

    >>> job_address("http://192.168.1.20:8040", "0412")
    'http://192.168.1.20:8040/jobs/0412/line'
    """
    return f"{shop_address}/jobs/{number}/line"


def code_svg(text: str) -> str:
    """A QR code as SVG, with a quiet zone; a quarter of it may be dirty."""
    out = io.BytesIO()
    segno.make(text, error="q", micro=False).save(
        out, kind="svg", border=4, xmldecl=False, dark="#000", light="#fff"
    )
    return out.getvalue().decode()
