"""The register of sheets."""

from __future__ import annotations

from ample.sheets.kind import SheetKind
from ample.sheets.kinds.bench import BENCH
from ample.sheets.kinds.fit_up import FIT_UP
from ample.sheets.kinds.leak_log import LEAK_LOG
from ample.sheets.kinds.place import PLACE
from ample.sheets.kinds.proof import PROOF
from ample.sheets.kinds.seats import SEATS
from ample.sheets.kinds.strip_down import STRIP_DOWN
from ample.sheets.kinds.take_in import TAKE_IN

SHEETS: dict[str, SheetKind] = {
    kind.name: kind
    for kind in (
        TAKE_IN,
        STRIP_DOWN,
        BENCH,
        SEATS,
        PLACE,
        FIT_UP,
        PROOF,
        LEAK_LOG,
    )
}
