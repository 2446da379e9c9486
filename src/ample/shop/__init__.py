"""The shop's records, one folder a subject: queries (SQL), actions (rules), api (HTTP)."""
