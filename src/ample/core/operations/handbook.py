"""The handbook: its questions answered, and its pages."""

from __future__ import annotations

from ample.core import contract
from ample.core.errors import BadInput
from ample.core.handbook.page import TOPICS, calculate, pages


def answer_question(request: contract.CalculateRequest) -> contract.CalculateAnswer:
    """Answer a named question."""
    return contract.CalculateAnswer.model_validate(calculate(request.question, request.given))


def handbook(request: contract.HandbookRequest) -> contract.HandbookAnswer:
    """The pages, topic by topic."""
    if request.question is not None and request.question not in pages():
        raise BadInput("no_such_question", f"There is no question “{request.question[:40]}”.", "question")
    wanted = [each for name, each in pages().items() if request.question in (None, name)]
    return contract.HandbookAnswer(
        topics=[contract.HandbookTopic(topic=name, words=words) for name, (words, _) in TOPICS.items()],
        pages=wanted,
    )
