"""Ample: the parts desk and bench companion of a rebuild shop."""
