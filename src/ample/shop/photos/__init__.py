"""Photos of a job and its parts."""
