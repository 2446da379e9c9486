"""What every job waits for: a read model over sheets and orders."""
