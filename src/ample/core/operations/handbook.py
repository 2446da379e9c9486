"""The handbook: its questions answered, its pages, and tables to look up."""

from __future__ import annotations

from ample.core import contract
from ample.core.assembly.fasteners import Tightening, tightening
from ample.core.designation.dialects import code_table, general_dialect
from ample.core.errors import BadInput
from ample.core.handbook.page import TOPICS, calculate, pages
from ample.core.parts.rubber import MEDIA, medium_words, rubber_source, rubbers, stands_in


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


def codes(_: contract.LookUpRequest) -> contract.CodesAnswer:
    """The general dictionary of prefixes and suffixes."""
    return contract.CodesAnswer(codes=list(general_dialect().codes), source=code_table().source)


def media(_: contract.LookUpRequest) -> contract.MediaAnswer:
    """Rubbers against media, heat and cold."""
    return contract.MediaAnswer(
        media={name: medium_words(name) for name in MEDIA},
        rubbers=list(rubbers().values()),
        verdicts={
            name: {medium: stands_in(each, medium) for medium in MEDIA} for name, each in rubbers().items()
        },
        source=rubber_source(),
    )


def tightening_of(request: contract.TighteningRequest) -> Tightening:
    """How tight a screw is made, by grade."""
    return tightening(request.thread)
