"""The one family of errors that may reach a user."""

from __future__ import annotations

from typing import ClassVar


class AmpleError(Exception):
    """A refusal in words: what is wrong, at which field, and what to do about it."""

    status: ClassVar[int] = 400

    def __init__(self, code: str, message: str, field: str | None = None, hint: str | None = None) -> None:
        super().__init__(message)
        self.code = code
        self.message = message
        self.field = field
        self.hint = hint

    def as_dict(self) -> dict[str, str | None]:
        """The error's shape on every road out."""
        return {
            "code": self.code,
            "message": self.message,
            "field": self.field,
            "hint": self.hint,
        }

    def at(self, field: str) -> AmpleError:
        """The same error, placed at a field (keeps a more precise place already given)."""
        placed = type(self)(self.code, self.message, field, self.hint)
        if self.field and self.field.startswith(("[", ".")):
            placed.field = f"{field}{self.field}"
        return placed


class BadInput(AmpleError):
    """What was given cannot be right."""

    status = 422


class NotKnown(AmpleError):
    """What was asked for is not there."""

    status = 404


class Conflict(AmpleError):
    """Someone else, or an earlier step, conflicts with it."""

    status = 409

    def __init__(
        self,
        code: str,
        message: str,
        field: str | None = None,
        hint: str | None = None,
        current: dict[str, object] | None = None,
    ) -> None:
        super().__init__(code, message, field, hint)
        self.current = current
