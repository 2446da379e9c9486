"""What every measurement needs: a percentile, and a request's own key."""

from __future__ import annotations

import secrets

import numpy as np


def percentile(values: list[float], share: float) -> float:
    """A percentile in the unit of the values."""
    return float(np.percentile(values, 100 * share))


def with_key(headers: dict[str, str]) -> dict[str, str]:
    """The headers with a fresh idempotency key."""
    return headers | {"Idempotency-Key": secrets.token_hex(12)}
