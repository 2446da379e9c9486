"""What `./ample bench` runs: identification against simulated parts, speed, memory, size."""
