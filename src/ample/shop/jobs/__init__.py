"""A job's papers and tray."""
