"""Our side of connected instruments: calipers."""
