"""Shaft and housing seats of a part."""
