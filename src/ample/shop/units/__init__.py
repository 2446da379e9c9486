"""Models of units: builds that differ, spares that are known."""
