"""Order sheets and the gate before them."""
