"""The one thing of a week: a sentence for the player's hand, by cause, age and finger."""

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

from lefthand.values.knowledge_file import Record
from lefthand.values.vocabulary import Instrument

NO_FOCUS = "none"
# Years (working judgement, no source).
CHILD_BELOW, ADULT_FROM = 12, 18
FINGERS = {1: "first finger", 2: "second finger", 3: "third finger", 4: "little finger"}
# As a player calls it.
SHORT = {Instrument.BASS: "bass"}
WORDS_SAID = 9
WORDS_WHY = {"child": 8, "teen": 15, "adult": 15}


class Reader(StrEnum):
    """Who reads the page."""

    CHILD = "child"
    TEEN = "teen"
    ADULT = "adult"


def reader_of(age: int | None) -> Reader:
    """By age in years; whoever's age is not known is spoken to as a teenager."""
    if age is None:
        return Reader.TEEN
    if age < CHILD_BELOW:
        return Reader.CHILD
    return Reader.ADULT if age >= ADULT_FROM else Reader.TEEN


@dataclass(frozen=True, slots=True)
class OneThing:
    """`say`: the sentence; `why`: one reason; `ask`: what is asked about after practice."""

    say: str
    why: str
    ask: str


@dataclass(frozen=True, slots=True)
class Said:
    """One reader's words. `finger`: the same for one finger, empty where none matters."""

    say: str
    finger: str
    why: str


@dataclass(frozen=True, slots=True)
class OneThings:
    """All words of one cause. `standing`: for cello and bass where they are others."""

    readers: Mapping[Reader, Said]
    standing: Mapping[Reader, Said]
    ask: str
    ask_finger: str

    def told(self, reader: Reader, instrument: Instrument, fingers: tuple[int, ...]) -> OneThing:
        """The sentence for a player. `fingers`: those that the week is for; more than one, or none,
        gets the sentence about all."""
        said = self.readers[reader]
        if not instrument.is_held_up:
            said = self.standing.get(reader, said)
        is_one = len(fingers) == 1
        words = {
            "finger": FINGERS[fingers[0]] if is_one else "",
            "instrument": SHORT.get(instrument, instrument.words),
        }
        say = (said.finger if is_one else "") or said.say
        ask = (self.ask_finger if is_one else "") or self.ask
        return OneThing(say.format(**words), said.why, ask.format(**words))


def read_one_things(record: Record) -> OneThings:
    """One record of the file. Raises CatalogueError for what is too long for a page."""
    standing = record.take("standing", {})
    found = OneThings(
        readers={
            reader: _said(Record(record.file, f"{record.id}.{reader}", record.take(reader)))
            for reader in Reader
        },
        standing={
            Reader(name): _said(Record(record.file, f"{record.id}.standing.{name}", row))
            for name, row in standing.items()
        },
        ask=record.text("ask"),
        ask_finger=record.text("ask_finger", ""),
    )
    record.done()
    return found


def _said(record: Record) -> Said:
    said = Said(record.text("say"), record.text("finger", ""), record.text("why"))
    record.done()
    for words in (said.say, said.finger):
        if len(words.format(finger=FINGERS[4], instrument="violin").split()) > WORDS_SAID:
            record.fail(f"more than {WORDS_SAID} words: {words!r}")
    if len(said.why.split()) > WORDS_WHY[record.id.rpartition(".")[2]]:
        record.fail(f"why: too many words: {said.why!r}")
    return said
