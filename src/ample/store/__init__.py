"""The database: pool, transactions with retry, migrations."""

from ample.store.database import Database, DatabaseAway, Transaction

__all__ = ["Database", "DatabaseAway", "Transaction"]
