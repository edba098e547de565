"""Traditional tunes as typed, checked values."""

from collections.abc import Iterator
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction

from lefthand.values.knowledge_file import Record
from lefthand.values.vocabulary import Level

LENGTHS = {
    "": Fraction(1),
    "'": Fraction(1, 2),
    "'.": Fraction(3, 4),
    ".": Fraction(3, 2),
    "-": Fraction(2),
    "-.": Fraction(3),
    "--": Fraction(4),
}
WIDEST = 24
REST = "r"


class Mode(StrEnum):
    MAJOR = "major"
    MINOR = "minor"
    DORIAN = "dorian"

    @property
    def is_minor(self) -> bool:
        return self is not Mode.MAJOR


@dataclass(frozen=True, slots=True)
class TuneNote:
    """`semitones` above the tonic, None for a rest. `length` in quarters. `ends`: of a phrase.
    `beat`: quarters from the beginning of its bar."""

    semitones: int | None
    length: Fraction
    beat: Fraction
    ends: bool


@dataclass(frozen=True, slots=True)
class Tune:
    """`beats`: quarters in a bar. `phrases`: how many bars each phrase fills, begun bars counted
    where they begin."""

    id: str
    title: str
    origin: str
    level: Level
    mode: Mode
    beats: int
    notes: tuple[TuneNote, ...]
    phrases: int

    @property
    def bars(self) -> int:
        return int(sum(n.length for n in self.notes) / self.beats)

    @property
    def span(self) -> int:
        """Semitones from its lowest to its highest note."""
        heard = [n.semitones for n in self.notes if n.semitones is not None]
        return max(heard) - min(heard)


def read_tune(record: Record) -> Tune:
    """One record of the file. Raises CatalogueError naming it: for an unknown sign, a bar of the
    wrong length, or an end that is not the tonic's."""
    beats = record.whole("beats", 2, 4, default=4)
    phrases = record.words("phrases")
    tune = Tune(
        id=record.id,
        title=record.text("title"),
        origin=record.text("origin"),
        level=record.choice("level", Level),
        mode=record.choice("mode", Mode, default=Mode.MAJOR),
        beats=beats,
        notes=tuple(_notes(record, phrases, beats)),
        phrases=len(phrases),
    )
    if tune.span > WIDEST:
        record.fail(f"phrases: wider than {WIDEST} semitones")
    record.done()
    return tune


def _notes(record: Record, phrases: list[str], beats: int) -> Iterator[TuneNote]:
    beat = Fraction(0)
    for number, phrase in enumerate(phrases, start=1):
        words = phrase.split()
        last = max(i for i, word in enumerate(words) if word != "|" and not word.startswith(REST))
        for index, word in enumerate(words):
            if word == "|":
                if beat % beats:
                    record.fail(f"phrases: phrase {number} has a bar line at beat {beat}")
                beat = Fraction(0)
                continue
            semitones, length = _read(record, word)
            yield TuneNote(semitones, length, beat, ends=index == last)
            beat += length
            if beat > beats:
                record.fail(f"phrases: a bar of phrase {number} is too long at {word!r}")
        if beat == beats:
            beat = Fraction(0)
    if beat:
        record.fail("phrases: the last bar is not full")


def _read(record: Record, word: str) -> tuple[int | None, Fraction]:
    number = word.rstrip("-'.")
    length = LENGTHS.get(word[len(number) :])
    is_number = number.lstrip("-").isdigit()
    if length is None or not (is_number or number == REST):
        record.fail(f"phrases: expected a note, got {word!r}")
    return (int(number) if is_number else None), length
