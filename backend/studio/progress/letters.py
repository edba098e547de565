"""Letters about a player's lessons, drafted for three readers: a parent, a colleague who takes
over, a doctor or physiotherapist. The teacher edits every sentence before one goes."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from enum import StrEnum

from lefthand.change.term import Term
from studio.models import Player
from studio.progress.letter_words import (
    About,
    colleague_paragraphs,
    doctor_paragraphs,
    parent_paragraphs,
)
from studio.progress.term import term_page


class Reader(StrEnum):
    PARENT = "parent"
    COLLEAGUE = "colleague"
    DOCTOR = "doctor"


@dataclass(frozen=True)
class Paragraph:
    """`text`: lines are parted by newlines; one that begins with "- " is an item of a list."""

    heading: str
    text: str


@dataclass(frozen=True)
class Letter:
    """`term`: what the picture shows; None where the reader is shown none."""

    player: Player
    title: str
    paragraphs: Sequence[Paragraph]
    term: Term | None


Words = Callable[[About], list[tuple[str, str]]]
WORDS: Mapping[Reader, Words] = {
    Reader.PARENT: parent_paragraphs,
    Reader.COLLEAGUE: colleague_paragraphs,
    Reader.DOCTOR: doctor_paragraphs,
}
WITH_PICTURE = (Reader.PARENT, Reader.COLLEAGUE)


def title_of(player: Player, reader: Reader, term: Term | None) -> str:
    """Parents and doctors are shown the first name only, as sheets are."""
    first = player.name.split()[0]
    if term is None:
        return first
    span = f"{term.start:%-d %B %Y} to {term.date_of(term.last):%-d %B %Y}"
    if reader is Reader.PARENT:
        return f"{first}’s lessons, {span}"
    if reader is Reader.COLLEAGUE:
        return f"{player.name}: what was found and tried, {span}"
    return f"{first}: what was told in lessons, {span}"


def shown_term(term: Term | None) -> Term | None:
    """What a picture can be drawn of."""
    return term if term is not None and term.strings else None


def draft(player: Player, reader: Reader, on: date) -> Letter:
    """The letter as the records tell it, for the teacher to edit."""
    term = term_page(player, on).term
    told = WORDS[reader](About(player, term, on))
    return Letter(
        player=player,
        title=title_of(player, reader, term),
        paragraphs=[Paragraph(heading, text) for heading, text in told if text],
        term=shown_term(term) if reader in WITH_PICTURE else None,
    )
