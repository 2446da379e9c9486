"""What the workers serve: the application, its catalogue index made before the workers part."""

from __future__ import annotations

from ample.base.desk import Desk
from ample.core import contract
from ample.core.sizes import default_instrument
from ample.shop.bench.actions import identify_in_shop
from ample.shop.catalogue.index import ShopIndex
from ample.shop.catalogue.keeper import ShopIndexKeeper
from ample.shop.upgrade import bring_up_to_date
from ample.store import Database, DatabaseAway
from ample.web.app import create_app
from ample.web.settings import Settings

SETUP_SECONDS = 120.0


def warm_up(index: ShopIndex) -> None:
    """Read the tables that the first questions need: every worker has them then, and nobody waits for them."""
    for family in index.catalogues:
        identify_in_shop(
            index, contract.IdentifyRequest(family=family, marking="62?5 2R"), default_instrument
        )


settings = Settings.from_environment()
app = create_app(settings)

_desk: Desk = app.extensions["ample-desk"]
_keeper: ShopIndexKeeper = app.extensions["ample-index"]
_once = Database(settings.database_url, most=1, answer_seconds=SETUP_SECONDS)
try:
    bring_up_to_date(_once)
    _keeper.prime(_once)
    warm_up(_keeper.current())
except DatabaseAway:
    pass  # a worker makes the index when the database is back
finally:
    _once.close()
    _desk.database.close()  # no connection is shared by two workers
