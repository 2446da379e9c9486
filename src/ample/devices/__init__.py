"""Our side of what stands on the bench: calipers that send."""
