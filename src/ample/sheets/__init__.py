"""Every record that a person fills in and the core judges, on one mechanism."""
