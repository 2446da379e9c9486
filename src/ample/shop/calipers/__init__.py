"""Calipers that send, and what they have sent."""
