"""Letters about a player's lessons, drafted for three readers: a parent, a colleague who takes
over, a doctor or physiotherapist. The teacher edits every sentence before one goes."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from enum import StrEnum

from lefthand.change.term import Term
from lefthand.words import told
from studio.models import Player
from studio.progress.colleague_letter import colleague_letter
from studio.progress.doctor_letter import doctor_letter
from studio.progress.letter_about import About, Paragraph
from studio.progress.parent_letter import parent_letter
from studio.progress.term import term_page


class Reader(StrEnum):
    PARENT = "parent"
    COLLEAGUE = "colleague"
    DOCTOR = "doctor"


@dataclass(frozen=True)
class Letter:
    """`term`: what the picture shows; None where the reader is shown none."""

    player: Player
    title: str
    paragraphs: Sequence[Paragraph]
    term: Term | None


Words = Callable[[About], list[Paragraph]]
WORDS: Mapping[Reader, Words] = {
    Reader.PARENT: parent_letter,
    Reader.COLLEAGUE: colleague_letter,
    Reader.DOCTOR: doctor_letter,
}
TITLES: Mapping[Reader, str] = {
    Reader.PARENT: "letter-title",
    Reader.COLLEAGUE: "letter-title-colleague",
    Reader.DOCTOR: "letter-title-doctor",
}
WITH_PICTURE = (Reader.PARENT, Reader.COLLEAGUE)


def title_of(player: Player, reader: Reader, term: Term | None) -> str:
    """Parents and doctors are shown the first name only, as sheets are."""
    first = player.name.split()[0]
    if term is None:
        return first
    name = player.name if reader is Reader.COLLEAGUE else first
    return told(TITLES[reader], name=name, start=term.start, end=term.date_of(term.last))


def shown_term(term: Term | None) -> Term | None:
    """What a picture can be drawn of."""
    return term if term is not None and term.strings else None


def draft(player: Player, reader: Reader, on: date) -> Letter:
    """The letter as the records tell it, for the teacher to edit."""
    term = term_page(player, on).term
    return Letter(
        player=player,
        title=title_of(player, reader, term),
        paragraphs=[each for each in WORDS[reader](About(player, term, on)) if each.text],
        term=shown_term(term) if reader in WITH_PICTURE else None,
    )
