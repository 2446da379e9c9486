"""The Marl Water workshops: an invented shop, written through the actions that a user has."""
