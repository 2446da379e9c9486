"""Taking a unit in: what it is, what is wrong, what can hurt someone."""
