"""An order as CSV: each family's sizes and attributes under their own names, and what it was ordered for."""

from __future__ import annotations

import csv
import io

from ample.base.csv_text import harmless
from ample.core.parts.requirement import Requirement
from ample.core.parts.specifying import attribute_values
from ample.shop.orders.records import OrderLine, OrderSheet

FIRST = ("order", "supplier", "job", "part", "marking", "maker", "family", "kind")
LAST = (
    "quantity", "price", "lead_days", "needed", "required", "required_sizes", "required_attributes", "arrangement",
    "not_understood", "measured", "seen", "medium", "temperature_c", "rpm", "rotating_ring", "load", "dirt", "place", "differences", "unproven_and_passed", "cancelled",
)  # fmt: skip


def sheet_csv(found: OrderSheet) -> str:
    """The order as CSV: one row an item; sizes in mm and attributes in columns of their own names."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n", quoting=csv.QUOTE_NONNUMERIC)  # as RFC 4180 asks
    rows = [_row(found, line) for line in found.lines]
    own = [
        dict.fromkeys(name for row in rows for name in row if name.endswith(end)) for end in ("_mm", "_as")
    ]
    names = [*FIRST, *own[0], *own[1], *LAST]
    writer.writerow([name.removesuffix("_as") for name in names])
    for row in rows:
        writer.writerow([harmless(row.get(name, "")) for name in names])
    return out.getvalue()


def _row(found: OrderSheet, line: OrderLine) -> dict[str, object]:
    item, wanted = line.item, line.requirement
    return {
        "order": found.number, "supplier": found.supplier, "job": line.job_number, "part": line.part_name,
        "marking": item.marking, "maker": item.maker, "family": item.family, "kind": item.kind,
        **{name: f"{mm:g}" for name, mm in item.dimensions.items()},
        **{f"{name}_as": value for name, value in attribute_values(item.spec).items()},
        "quantity": line.quantity, "price": line.price, "lead_days": line.lead_days, "needed": line.needed,
        "required": line.replaces,
        **(_required(wanted) if wanted else {}),
        "differences": "; ".join(f"{each.name}: {each.old} wanted, {each.new} ordered" for each in line.differences),
        "unproven_and_passed": "; ".join(
            f"{check.light}: {check.words} Overridden by {check.passed_by}: {check.passed_reason}"
            for check in line.lights if check.passed_reason
        ),
        "cancelled": line.withdrawn_reason or "",
    }  # fmt: skip


def _required(wanted: Requirement) -> dict[str, object]:
    """What is required, each value with its basis."""
    return {
        "required_sizes": "; ".join(f"{each.name}={each.mm:g} ({each.basis})" for each in wanted.dimensions),
        "required_attributes": "; ".join(
            f"{each.name}={each.value or '?'} ({each.basis})" for each in wanted.attributes
        ),
        "arrangement": wanted.arrangement,
        "not_understood": " ".join(wanted.unread),
        "measured": "; ".join(
            f"{each.feature}={each.mean_mm:.3f} ±{each.expanded_uncertainty_mm:.3f}"
            for each in wanted.measured
        ),
        "seen": "; ".join(
            filter(
                None,
                (
                    wanted.kind_seen,
                    wanted.condition,
                    *(f"{each.question}={each.answer}" for each in wanted.answers),
                    *(f"{each.name}: {each.marked} marked, {each.confirmed} said" for each in wanted.clashes),
                ),
            )
        ),
        "medium": wanted.duty.medium,
        "temperature_c": "" if wanted.duty.temperature_c is None else f"{wanted.duty.temperature_c:g}",
        "rpm": "" if wanted.duty.rpm is None else f"{wanted.duty.rpm:g}",
        "rotating_ring": wanted.duty.rotating_ring,
        "load": wanted.duty.load,
        "dirt": "yes" if wanted.duty.dirty else "",
        "place": ", ".join(filter(None, (wanted.place.line, *wanted.place.neighbours))),
    }
