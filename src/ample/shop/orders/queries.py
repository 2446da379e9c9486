"""SQL of orders, lines and overrides."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from ample.base.numbers import next_number
from ample.store import Transaction


def sheets(t: Transaction, order_id: int | None = None, lock: bool = False) -> list[dict[str, Any]]:
    """Order sheets, open ones first."""
    return t.rows(
        """
        SELECT
            o.order_id, o.number, o.supplier_id, s.name AS supplier, s.place, o.state,
            o.placed_at, p.name AS placed_by, o.version
        FROM orders o
        JOIN suppliers s ON s.supplier_id = o.supplier_id
        LEFT JOIN people p ON p.person_id = o.placed_by
        WHERE %(order_id)s IS NULL OR o.order_id = %(order_id)s
        ORDER BY o.state = 'placed', o.order_id DESC
        LIMIT 100
        """
        + (" FOR UPDATE" if lock else ""),
        {"order_id": order_id},
    )


def lines(t: Transaction, order_ids: list[int]) -> list[dict[str, Any]]:
    """Lines of sheets in the order they were added."""
    if not order_ids:
        return []
    return t.rows(
        """
        SELECT
            l.line_id, l.order_id, l.part_id, p.name AS part_name, j.number AS job_number,
            j.title AS job_title, l.item_id, l.quantity, l.price, l.lead_days, l.version, l.requirement,
            l.withdrawn_at, l.withdrawn_reason, w.name AS withdrawn_by
        FROM order_lines l
        JOIN parts p ON p.part_id = l.part_id
        JOIN jobs j ON j.job_id = p.job_id
        LEFT JOIN people w ON w.person_id = l.withdrawn_by
        WHERE l.order_id IN %(order_ids)s
        ORDER BY l.line_id
        """,
        {"order_ids": order_ids},
    )


def line(t: Transaction, line_id: int) -> dict[str, Any] | None:
    """One line, locked, with the state of its sheet."""
    return t.first(
        """
        SELECT l.line_id, l.order_id, l.part_id, l.item_id, l.quantity, l.version, l.withdrawn_at, o.state
        FROM order_lines l
        JOIN orders o ON o.order_id = l.order_id
        WHERE l.line_id = %(line_id)s
        FOR UPDATE
        """,
        {"line_id": line_id},
    )


def passes(t: Transaction, line_ids: list[int]) -> list[dict[str, Any]]:
    """Overrides of checks, oldest first."""
    if not line_ids:
        return []
    return t.rows(
        """
        SELECT g.pass_id, g.line_id, g.light, g.facts_mark, g.reason, g.passed_at, p.name AS person
        FROM gate_passes g
        JOIN people p ON p.person_id = g.person_id
        WHERE g.line_id IN %(line_ids)s
        ORDER BY g.passed_at, g.pass_id
        """,
        {"line_ids": line_ids},
    )


def open_order_of(t: Transaction, supplier_id: int) -> int | None:
    """The open sheet of a supplier."""
    row = t.first(
        """
        SELECT order_id
        FROM orders
        WHERE supplier_id = %(supplier_id)s AND state = 'open'
        ORDER BY order_id
        LIMIT 1
        FOR UPDATE
        """,
        {"supplier_id": supplier_id},
    )
    return row["order_id"] if row else None


def add_order(t: Transaction, supplier_id: int) -> int:
    """A new open sheet under the next number."""
    number = f"P{next_number(t, 'order'):04d}"
    return t.insert(
        "INSERT INTO orders (number, supplier_id) VALUES (%(number)s, %(supplier_id)s)",
        {"number": number, "supplier_id": supplier_id},
    )


def add_line(t: Transaction, values: dict[str, Any]) -> int:
    """A new line."""
    return t.insert(
        """
        INSERT INTO order_lines (order_id, part_id, item_id, quantity, price, lead_days, requirement)
        VALUES (
            %(order_id)s, %(part_id)s, %(item_id)s, %(quantity)s, %(price)s, %(lead_days)s, %(requirement)s
        )
        """,
        values,
    )


def touch_order(t: Transaction, order_id: int) -> None:
    """The sheet has changed."""
    t.change("UPDATE orders SET version = version + 1 WHERE order_id = %(order_id)s", {"order_id": order_id})


def set_quantity(t: Transaction, line_id: int, quantity: int, version: int) -> int:
    """Another quantity, if the line is still at this version."""
    return t.change(
        """
        UPDATE order_lines
        SET quantity = %(quantity)s, version = version + 1
        WHERE line_id = %(line_id)s AND version = %(version)s
        """,
        {"line_id": line_id, "quantity": quantity, "version": version},
    )


def set_item(t: Transaction, values: dict[str, Any]) -> int:
    """Another item on a line, if the line is still at this version."""
    return t.change(
        """
        UPDATE order_lines
        SET item_id = %(item_id)s, price = %(price)s, lead_days = %(lead_days)s, quantity = %(quantity)s,
            requirement = %(requirement)s, version = version + 1
        WHERE line_id = %(line_id)s AND version = %(version)s
        """,
        values,
    )


def withdraw(t: Transaction, values: dict[str, Any]) -> int:
    """An item of a placed order is not wanted any more; it stays on the order with the reason."""
    return t.change(
        """
        UPDATE order_lines
        SET withdrawn_at = %(now)s, withdrawn_by = %(person_id)s, withdrawn_reason = %(reason)s,
            version = version + 1
        WHERE line_id = %(line_id)s AND version = %(version)s AND withdrawn_at IS NULL
        """,
        values,
    )


def live_line_of(t: Transaction, part_id: int) -> int | None:
    """The line that a part is on order by."""
    row = t.first(
        "SELECT line_id FROM order_lines WHERE part_id = %(part_id)s AND withdrawn_at IS NULL",
        {"part_id": part_id},
    )
    return row["line_id"] if row else None


def strip_down_of(t: Transaction, part_ids: list[int]) -> list[dict[str, Any]]:
    """Of parts that came from a line: what is not judged on that line, and how many contradictions its sheet has."""
    if not part_ids:
        return []
    return t.rows(
        """
        SELECT
            p.part_id, s.contradictions,
            (
                SELECT GROUP_CONCAT(IF(b.name = '', b.kind, b.name) ORDER BY b.position SEPARATOR '\n')
                FROM line_parts b
                WHERE b.job_id = p.job_id AND b.line_key = a.line_key AND b.verdict IN ('open', 'ask', 'ask_supplier')
            ) AS not_judged
        FROM parts p
        JOIN line_parts a ON a.job_id = p.job_id AND a.part_key = p.line_key
        JOIN line_sheets s ON s.job_id = p.job_id
        WHERE p.part_id IN %(part_ids)s
        """,
        {"part_ids": part_ids},
    )


def drop_line(t: Transaction, line_id: int) -> None:
    """Remove an item its sheet; passes stay on record."""
    t.change("DELETE FROM order_lines WHERE line_id = %(line_id)s", {"line_id": line_id})


def add_pass(t: Transaction, values: dict[str, Any]) -> int:
    """A check overridden with a reason."""
    return t.insert(
        """
        INSERT INTO gate_passes (line_id, light, facts_mark, words, reason, person_id, passed_at)
        VALUES (
            %(line_id)s, %(light)s, %(facts_mark)s, %(words)s, %(reason)s, %(person_id)s, %(now)s
        )
        """,
        values,
    )


def place(t: Transaction, order_id: int, person_id: int, now: datetime, version: int) -> int:
    """The sheet is placed, if it is still open and at this version."""
    return t.change(
        """
        UPDATE orders
        SET state = 'placed', placed_at = %(now)s, placed_by = %(person_id)s, version = version + 1
        WHERE order_id = %(order_id)s AND version = %(version)s AND state = 'open'
        """,
        {"order_id": order_id, "person_id": person_id, "now": now, "version": version},
    )


def matched_without_line(t: Transaction) -> list[dict[str, Any]]:
    """Parts with a replacement chosen that are on no sheet."""
    return t.rows(
        """
        SELECT p.part_id, p.name AS part_name, j.number AS job_number, m.item_id
        FROM matches m
        JOIN parts p ON p.part_id = m.part_id
        JOIN jobs j ON j.job_id = p.job_id
        LEFT JOIN order_lines l ON l.part_id = m.part_id AND l.withdrawn_at IS NULL
        WHERE l.line_id IS NULL
        ORDER BY j.job_id, p.position
        """
    )


def unbound_passes(t: Transaction) -> list[dict[str, Any]]:
    """Passes that an earlier version gave, on lines that are there still: not bound to their facts yet."""
    return t.rows(
        """
        SELECT g.pass_id, g.line_id, g.light, g.passed_at, l.part_id
        FROM gate_passes g
        JOIN order_lines l ON l.line_id = g.line_id
        WHERE g.facts_mark IS NULL
        """
    )


def bind_pass(t: Transaction, pass_id: int, facts_mark: str) -> None:
    """Bind a pass to the facts it was given for; blank when they have changed since."""
    t.change(
        "UPDATE gate_passes SET facts_mark = %(mark)s WHERE pass_id = %(pass_id)s",
        {"pass_id": pass_id, "mark": facts_mark},
    )


def decisions(t: Transaction, part_ids: list[int]) -> dict[int, dict[str, Any]]:
    """What is decided about parts: identification, replacement, order line."""
    if not part_ids:
        return {}
    rows = t.rows(
        """
        SELECT
            p.part_id,
            p.job_id,
            p.family,
            p.rpm,
            p.dirty,
            (
                SELECT GROUP_CONCAT(DISTINCT r.feature)
                FROM readings r
                WHERE r.part_id = p.part_id
            ) AS features,
            i.item_id AS chosen_id,
            i.probability,
            i.worst_sigmas,
            i.clash,
            i.features_read,
            i.marking_read,
            i.judged_mark,
            i.facts_mark <=> i.judged_mark AS as_confirmed,
            i.from_file IS NOT NULL AS from_file,
            m.item_id AS match_id,
            l.line_id,
            l.item_id AS ordered_id,
            l.quantity,
            o.number AS order_number,
            o.state AS order_state
        FROM parts p
        LEFT JOIN identifications i ON i.part_id = p.part_id
        LEFT JOIN matches m ON m.part_id = p.part_id
        LEFT JOIN order_lines l ON l.part_id = p.part_id AND l.withdrawn_at IS NULL
        LEFT JOIN orders o ON o.order_id = l.order_id
        WHERE p.part_id IN %(part_ids)s
        """,
        {"part_ids": part_ids},
    )
    return {row["part_id"]: row for row in rows}
