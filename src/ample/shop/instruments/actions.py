"""Instruments as the core needs them: the shop's own first, then the usual ones."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from datetime import date

from ample.base.audit import record
from ample.base.doer import Doer
from ample.core.errors import BadInput, Conflict, NotKnown
from ample.core.sizes import Instrument, default_instrument
from ample.shop.instruments import queries
from ample.shop.instruments.records import InstrumentRecord, Instruments, InstrumentSave, ZeroCheck
from ample.store import Transaction

OVERDUE_FACTOR = 1.5
USUAL_KINDS = ("rule", "caliper", "micrometer", "bore_gauge", "pi_tape")


def known_instruments(t: Transaction, today: date) -> list[InstrumentRecord]:
    """The shop's instruments, then the usual kinds without a certificate."""
    own = [
        InstrumentRecord(**row, words=_words(row["overdue"], row["calibrated_on"]))
        for row in queries.all_instruments(t, today)
    ]
    usual = [default_instrument(kind) for kind in USUAL_KINDS]
    return own + [
        InstrumentRecord(
            name=each.kind,
            kind=each.kind,
            outside_u_mm=each.outside_u_mm,
            inside_u_mm=each.inside_u_mm,
            scatter_mm=each.scatter_mm,
            calibrated_on=None,
            overdue=False,
            words="no certificate: standard uncertainty assumed",
            version=0,
        )
        for each in usual
    ]


def keep_instrument(t: Transaction, doer: Doer, save: InstrumentSave) -> Instruments:
    """Keep an instrument with its certificate; a usual kind's own name is not taken."""
    doer.must("instruments")
    today = doer.now.date()
    if save.name in USUAL_KINDS:
        raise BadInput("name_taken", f"“{save.name}” is the usual kind: choose another name.", "name")
    if save.calibrated_on > today:
        raise BadInput("in_the_future", "The calibration date is in the future.", "calibrated_on")
    held = queries.version_of(t, save.name)
    if held != save.version:
        raise Conflict(
            "changed_meanwhile",
            f"There is a “{save.name}” already." if not save.version else
            f"Someone else has changed “{save.name}” meanwhile.",
            "name",
            "Check it, then change it.",
            {"version": held},
        )  # fmt: skip
    queries.keep_instrument(t, save.model_dump())
    record(t, doer, "instrument", 0, "kept", None, save)
    return Instruments(instruments=known_instruments(t, today))


def zero_checked(t: Transaction, doer: Doer, check: ZeroCheck) -> Instruments:
    """The zero of an instrument was checked and is right: today it is trusted further."""
    today = doer.now.date()
    if not queries.mark_zero_checked(t, check.name, today):
        raise NotKnown(
            "no_such_instrument", f"The shop has no instrument “{check.name}”.", "name",
            "Only an instrument with a certificate of its own is kept.",
        )  # fmt: skip
    record(t, doer, "instrument", 0, "zero_checked", None, check)
    return Instruments(instruments=known_instruments(t, today))


def instrument_finder(records: list[InstrumentRecord]) -> Callable[[str], Instrument]:
    """A look-up by name; an overdue instrument has a wider uncertainty, and is marked as overdue."""
    by_name = {record.name: record for record in records}

    def find(name: str) -> Instrument:
        record = by_name.get(name)
        if record is None or record.calibrated_on is None:
            return default_instrument(name)
        instrument = replace(
            default_instrument(record.kind),
            name=record.name,
            outside_u_mm=record.outside_u_mm,
            inside_u_mm=record.inside_u_mm,
            depth_u_mm=record.outside_u_mm,
            scatter_mm=record.scatter_mm,
            zero_checked=record.zero_checked,
        )
        if not record.overdue:
            return instrument
        note = (
            f"{record.name} is overdue for calibration: its uncertainty is taken {OVERDUE_FACTOR:g}× as wide."
        )
        return instrument.widened(OVERDUE_FACTOR, note)

    return find


def _words(overdue: bool, calibrated_on: date) -> str:
    said = f"checked in {calibrated_on:%B %Y}"
    return f"{said}: overdue, uncertainty widened" if overdue else said
