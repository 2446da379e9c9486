"""What makers list, in their own codes; stock, offers and cross-references."""
