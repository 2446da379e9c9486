"""What the workers serve: the application, its catalogue index made before the workers part."""

from __future__ import annotations

from ample.shop.desk import Desk
from ample.store import Database, DatabaseAway
from ample.web.app import create_app
from ample.web.settings import Settings

settings = Settings.from_environment()
app = create_app(settings)

_desk: Desk = app.extensions["ample-desk"]
_once = Database(settings.database_url, most=1)
try:
    _desk.index_keeper.prime(_once)
except DatabaseAway:
    pass  # a worker makes the index when the database is back
finally:
    _once.close()
