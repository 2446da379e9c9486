"""The database: pool, transactions with retry, migrations."""

from ample.store.database import Database, DatabaseAway, NameTaken, Transaction

__all__ = ["Database", "DatabaseAway", "NameTaken", "Transaction"]
