"""How a seat is judged: rules by kind, uncertainty, chances, decision, next steps, repair."""
