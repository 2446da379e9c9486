"""People, their sign-in and sessions."""
