"""The bench: readings of a part, what it is identified as, what replaces it."""
