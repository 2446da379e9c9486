"""The simulated other side of each device: processes of their own that import nothing of the rest."""
