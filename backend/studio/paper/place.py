"""The bars of the player's own piece that a step into music is played in, drawn and to hear."""

from collections.abc import Sequence
from dataclasses import dataclass

from lefthand.music.engraved_apart import engraved_apart
from lefthand.music.reading.piece import Piece as Score
from lefthand.passage.passage import Passage
from lefthand.values.errors import InputError
from studio.errors import StudioError
from studio.models import PlanItem
from studio.services.pieces import STRINGS, read


@dataclass(frozen=True)
class HeardNote:
    """string: 1 is the highest. onset, seconds: s at the tempo of the place."""

    midi: int
    finger: int
    string: int
    onset: float
    seconds: float


@dataclass(frozen=True)
class PlaceOnPaper:
    """title: of the piece, with the bars. goal: in words, "" for none. music: SVG, "" where it
    cannot be drawn. notes: as they are drawn, to be heard at `beat` quarters a minute; none for
    what is not heard as it is drawn: ties, graces, several voices."""

    title: str
    goal: str
    music: str
    notes: Sequence[HeardNote]
    beat: int | None


def place_on_paper(item: PlanItem, width: int) -> PlaceOnPaper | None:
    """None for what is not played in a piece of the player's own, or where that is gone."""
    if item.piece is None or item.in_piece is None:
        return None
    told, place = item.in_piece, item.piece.place
    first, last = told["first"], told["last"]
    beat = item.tempo or (place["start"] if place else None)
    title = f"{told['title']}, {_bars(told['from'], told['to'])}"
    goal = f"goal ♩ = {place['goal']}" if place else ""
    try:
        found = read(item.piece, (first, last))
        music = engraved_apart((found.drawn(first, last),), width)[0]
    except (InputError, StudioError):
        return PlaceOnPaper(title, goal, "", (), None)
    bars = range(first, last + 1)
    notes = _notes(found.passage, bars, beat) if beat and _is_plain(found.score, bars) else ()
    return PlaceOnPaper(title, goal, music, notes, beat)


def _bars(first: str, last: str) -> str:
    return f"bar {first}" if first == last else f"bars {first} to {last}"


def _is_plain(score: Score, bars: range) -> bool:
    """True where every drawn note is one that is heard."""
    here = [event for event in score.events if event.bar in bars]
    tied = any(tone.tied_from or tone.tied_to for event in here for tone in event.tones)
    return not tied and not any(event.is_grace for event in here)


def _notes(passage: Passage, bars: range, beat: int) -> list[HeardNote]:
    heard = zip(passage.line, passage.fingering.hands, strict=True)
    here = [(note, hand) for note, hand in heard if note.bar in bars]
    begin = passage.piece.bars[bars.start].onset
    found = []
    for note, hand in here:
        if hand is None or note.held or len(hand.places) != len(note.tones):
            return []
        tones = sorted(note.tones, key=lambda tone: tone.pitch.midi)
        for tone, place in zip(tones, hand.places, strict=True):
            found.append(
                HeardNote(
                    midi=tone.pitch.midi,
                    finger=min(place.finger, STRINGS),
                    string=STRINGS - place.string,
                    onset=float(note.onset - begin) * 60 / beat,
                    seconds=float(note.length) * 60 / beat,
                )
            )
    return found
