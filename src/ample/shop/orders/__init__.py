"""Order sheets and the checks before them."""
