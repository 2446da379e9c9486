"""Facts that sheets ask for: who runs them gives a provider for each name."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

from ample.sheets.kind import SheetKind
from ample.sheets.subjects import Subject
from ample.store import Transaction

Provider = Callable[[Transaction, Subject], Any]
Providers = Mapping[str, Provider]


def facts_for(t: Transaction, kind: SheetKind, subject: Subject, providers: Providers) -> Any:
    """The facts that a kind asks for, of one subject.

    Raises:
        KeyError: When nobody provides a fact; the register's test holds that somebody does.
    """
    return kind.facts(**{name: providers[name](t, subject) for name in kind.fact_names})
