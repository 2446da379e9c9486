"""The search line: what a marking, a size or a job number can mean."""
