"""The shop's instruments with their certificates."""
