"""Audit: one row per change."""
