"""The strip-down record of a job: parts along the shaft, their way round and verdicts."""
