"""Who acts, times, idempotent writes, errors over HTTP, identity of jobs and parts."""
