"""Jobs and the parts in their tray."""
