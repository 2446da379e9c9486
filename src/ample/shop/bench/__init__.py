"""The bench: readings of a part, what it is said to be, what replaces it."""
