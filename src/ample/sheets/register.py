"""The register of sheets."""

from __future__ import annotations

from ample.sheets.kind import SheetKind
from ample.sheets.kinds.fit_up import FIT_UP
from ample.sheets.kinds.leak_log import LEAK_LOG
from ample.sheets.kinds.proof import PROOF
from ample.sheets.kinds.seats import SEATS

SHEETS: dict[str, SheetKind] = {kind.name: kind for kind in (SEATS, FIT_UP, PROOF, LEAK_LOG)}
