"""A whole job as one JSON file, out and in again."""
