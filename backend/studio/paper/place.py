"""The bars of the player's own piece that a step into music is played in, drawn and to hear."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from lefthand.music.engraved_apart import engraved_apart
from lefthand.music.reading.piece import Piece as Score
from lefthand.passage.heard import score_of
from lefthand.sound.score import ScoreNote
from lefthand.values.errors import InputError
from studio.errors import StudioError
from studio.models import PlanItem
from studio.services.pieces import ReadPiece, read


@dataclass(frozen=True)
class PlaceOnPaper:
    """title: of the piece, with the bars. goal: in words, "" for none. music: SVG, None where it
    cannot be drawn. notes: as they are drawn, to be heard at `beat` quarters a minute; none for
    what is not heard as it is drawn: ties, graces, double stops."""

    title: str
    goal: str
    music: str | None
    notes: Sequence[ScoreNote]
    beat: int | None


def place_on_paper(item: PlanItem, width: int) -> PlaceOnPaper | None:
    """None for what is not played in a piece of the player's own, or where that is gone."""
    if item.piece is None or item.in_piece is None:
        return None
    told, place = item.in_piece, item.piece.place
    first, last = told["first"], told["last"]
    beat = item.tempo or (place["start"] if place else None)
    goal = f"goal ♩ = {place['goal']}" if place else ""
    bars = f"bar {told['from']}" if first == last else f"bars {told['from']} to {told['to']}"
    title = f"{told['title']}, {bars}"
    try:
        found = read(item.piece, (first, last))
        music = engraved_apart((found.drawn(first, last),), width)[0]
    except (InputError, StudioError):
        return PlaceOnPaper(title, goal, None, (), None)
    notes = _notes(found, range(first, last + 1), beat) if beat else ()
    return PlaceOnPaper(title, goal, music, notes, beat)


def _notes(found: ReadPiece, bars: range, beat: int) -> Sequence[ScoreNote]:
    if not _is_plain(found.score, bars):
        return ()
    try:
        score, _ = score_of(found.passage, bars, beat)
    except InputError:
        return ()
    first = next(note for note in found.passage.line if note.bar in bars)
    silence = float(first.onset - found.score.bars[bars.start].onset) * 60 / beat
    return [replace(note, onset=note.onset + silence) for note in score.notes]


def _is_plain(score: Score, bars: range) -> bool:
    """True where every drawn note is one that is heard."""
    here = [event for event in score.events if event.bar in bars]
    tied = any(tone.tied_from or tone.tied_to for event in here for tone in event.tones)
    return not tied and not any(event.is_grace for event in here)
