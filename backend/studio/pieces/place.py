"""The bars of the player's own piece that a step into music is played in, drawn and to hear."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from lefthand.music.engraved_apart import engraved_apart
from lefthand.music.engraving import Style
from lefthand.music.reading.piece import Piece as Score
from lefthand.passage.heard import score_of
from lefthand.sound.score import ScoreNote
from lefthand.values.errors import InputError
from studio.errors import StudioError
from studio.models import PlanItem
from studio.pieces.pieces import ReadPiece, read

BARS_ON_PHONE = 2
PHONE_UNITS = 4000


@dataclass(frozen=True)
class PlaceOnPaper:
    """title: of the piece, with the bars. goal: in words, "" for none. score: its bars as MusicXML,
    "" where they cannot be read; short_scores: two bars each. notes: as they are
    drawn, to be heard at `beat` quarters a minute; none for what is not heard as it is drawn: ties,
    graces, double stops."""

    title: str
    goal: str
    score: str
    short_scores: tuple[str, ...]
    notes: Sequence[ScoreNote]
    beat: int | None

    def lines(self) -> tuple[str, ...]:
        """SVG of two bars each, for a narrow screen."""
        try:
            return engraved_apart(self.short_scores, PHONE_UNITS, style=Style.NATURAL)
        except InputError:
            return ()

    def drawn(self, width: int, style: Style = Style.SCREEN) -> str | None:
        """SVG in this width, in the engraver's units; None where it cannot be drawn."""
        if not self.score:
            return None
        try:
            return engraved_apart((self.score,), width, style=style)[0]
        except InputError:
            return None


def place_on_paper(item: PlanItem) -> PlaceOnPaper | None:
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
        score = found.drawn(first, last)
        short = tuple(
            found.drawn(bar, min(bar + BARS_ON_PHONE - 1, last))
            for bar in range(first, last + 1, BARS_ON_PHONE)
        )
    except (InputError, StudioError):
        return PlaceOnPaper(title, goal, "", (), (), None)
    notes = _notes(found, range(first, last + 1), beat) if beat else ()
    return PlaceOnPaper(title, goal, score, short, notes, beat)


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
