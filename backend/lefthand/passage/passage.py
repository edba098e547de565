"""A piece read for one player: fingers, loads of each bar, the worst places, where to let go, and
the way there."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.music.reading.piece import Piece
from lefthand.music.score import BAR, Drill
from lefthand.passage.demand import Demand, Whose
from lefthand.passage.fingering import Fingering, Wish, fingerings, printed_wishes
from lefthand.passage.lead_in import LeadIn, lead_in
from lefthand.passage.levels import Ease, ease_of, weights
from lefthand.passage.places import THUMB, fingerboard_of
from lefthand.passage.played import USUAL_TEMPO, Played, clock, played
from lefthand.passage.played_out import (
    PlayedOut,
    demands_played_out,
    order_of,
    played_out,
    seconds_played,
)
from lefthand.passage.release import STOP, Release, release_places, with_chosen
from lefthand.passage.returns import USUAL_FINGER, Loads, Worst
from lefthand.passage.tastes import USUAL, tastes
from lefthand.passage.way_drills import Written, way_drills
from lefthand.values.vocabulary import Instrument, Level
from lefthand.words import told

USUAL_SIZES = {
    Instrument.VIOLIN: "4/4",
    Instrument.VIOLA: "406",
    Instrument.CELLO: "4/4",
    Instrument.BASS: "3/4",
}


@dataclass(frozen=True, slots=True)
class Asked:
    """For whom a piece is read. causes: cause -> strength; all that music can bring back where
    empty. finger: of those causes that are one finger's. span: first to fourth at ease, mm; length:
    of the string, mm. tempo: quarters a minute, None for those of the piece. bars: places in the
    piece that are looked at, from and to. taste: of the fingering. By place in the line: wishes and
    releases (in, or out) of the teacher."""

    instrument: Instrument
    level: Level = Level.INTERMEDIATE
    causes: Mapping[str, float] = field(default_factory=dict)
    finger: int = USUAL_FINGER
    tempo: float | None = None
    span: float | None = None
    length: float | None = None
    bars: tuple[int, int] | None = None
    bass: str = "124"
    taste: str = USUAL
    wishes: Mapping[int, Sequence[Wish]] = field(default_factory=dict)
    releases: Mapping[int, bool] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Passage:
    """What a piece asks of this hand. out: the line with its repeats and jumps. shown: places of
    the bars that were asked for."""

    piece: Piece
    asked: Asked
    line: Sequence[Played]
    out: PlayedOut
    fingering: Fingering
    ease: Ease
    demands: Sequence[Demand]
    loads: Loads
    worst: Sequence[Worst]
    releases: Sequence[Release]
    lead_in: LeadIn | None
    shown: range
    remarks: Sequence[str]

    @property
    def longest(self) -> float:
        """The longest stretch of playing without a natural place to let go, s."""
        natural = {release.place for release in self.releases if release.kind != STOP}
        at = self.out.line[0].at if self.out.line else 0.0
        longest = 0.0
        for note, place in zip(self.out.line, self.out.written, strict=True):
            if place in natural:
                end = note.at + note.seconds
                longest, at = max(longest, end - at), end
        return longest

    def way_to(self, bars: Sequence[int]) -> LeadIn:
        """The way to some bars of it, instead of the worst ones."""
        return _lead_in(self.piece, self.asked, self.line, bars)

    def drills_to(self, bars: Sequence[int]) -> list[Drill]:
        """Drills made of the notes of some bars, in the order of practice."""
        first = self.piece.bars[bars[0]]
        return way_drills(
            self.line,
            self.fingering.hands,
            bars,
            self.releases,
            self.loads.heavy(bars),
            Written(
                self.asked.instrument, first.fifths, first.length or BAR, self.way_to(bars).start
            ),
        )


def read_passage(piece: Piece, asked: Asked) -> Passage:
    first, last = asked.bars or (0, len(piece.bars) - 1)
    shown = range(first, last + 1)
    line = [note for note in played(piece, asked.tempo) if note.bar in shown]
    found = _fingered(line, asked)
    whose = Whose(
        instrument=asked.instrument,
        ease=ease_of(asked.level),
        length=asked.length or usual_length(asked.instrument),
        span=asked.span,
        marks=frozenset(place for place, is_in in asked.releases.items() if is_in),
    )
    out = played_out(piece, line, found.hands, clock(piece, asked.tempo))
    asks = demands_played_out(out, whose)
    loads = Loads(asks, len(piece.bars), _strengths(asked), asked.finger, shown=shown)
    worst = loads.worst()
    proposed = release_places(line, found.hands, whose.ease)
    releases = with_chosen(proposed, line, found.hands, asked.releases)
    way = _lead_in(piece, asked, line, worst[0].bars) if worst else None
    return Passage(
        piece=piece,
        asked=asked,
        line=line,
        out=out,
        fingering=found,
        ease=whose.ease,
        demands=asks,
        loads=loads,
        worst=worst,
        releases=releases,
        lead_in=way,
        shown=shown,
        remarks=[*piece.remarks, *_remarks(piece, asked, line, found)],
    )


def next_taste(piece: Piece, asked: Asked) -> str:
    """The next taste by which some fingers are others; the same one where there is none."""
    first, last = asked.bars or (0, len(piece.bars) - 1)
    line = [note for note in played(piece, asked.tempo) if first <= note.bar <= last]
    names = list(tastes())
    at = names.index(asked.taste)
    now = _fingered(line, asked)
    others = (replace(asked, taste=name) for name in (*names[at + 1 :], *names[:at]))
    found = (other for other in others if _fingered(line, other).hands != now.hands)
    return next(found, asked).taste


def _fingered(line: Sequence[Played], asked: Asked) -> Fingering:
    board = fingerboard_of(asked.instrument, asked.bass, taste=asked.taste)
    wishes = {**printed_wishes(line), **asked.wishes}
    return fingerings(line, board, wishes)[0]


def usual_length(instrument: Instrument) -> float:
    """Of the string of a full size, mm."""
    return load_catalogue().sizes[instrument][USUAL_SIZES[instrument]]


def _strengths(asked: Asked) -> Mapping[str, float]:
    causes = load_catalogue().causes
    chosen = asked.causes or dict.fromkeys(weights(), 1.0)
    return {
        cause: strength
        for cause, strength in chosen.items()
        if asked.instrument in causes[cause].instruments
    }


def _lead_in(
    piece: Piece,
    asked: Asked,
    line: Sequence[Played],
    bars: Sequence[int],
) -> LeadIn:
    marked = [speed for at, speed in piece.tempos if at <= piece.bars[bars[0]].onset]
    goal = asked.tempo or (marked[-1] if marked else USUAL_TEMPO)
    return lead_in(line, bars, len(piece.bars), goal, ease_of(asked.level))


def _remarks(piece: Piece, asked: Asked, line: Sequence[Played], found: Fingering) -> list[str]:
    remarks = []
    lost = sum(hand is None for hand in found.hands)
    if lost:
        remarks.append(f"{lost} notes lie outside what this instrument can stop.")
    if found.thinned:
        remarks.append(f"{len(found.thinned)} chords are too wide for one hand: part of each.")
    hands = [hand for hand in found.hands if hand is not None]
    if any(place.finger == THUMB for hand in hands for place in hand.places):
        remarks.append("Above the neck the fingers are a rough guess.")
    if any(place.is_harmonic for hand in hands for place in hand.places):
        remarks.append("0 high up is the harmonic: the fourth touches and does not press.")
    is_printed = any(tone.fingers for note in line for tone in note.tones)
    if asked.instrument is Instrument.BASS:
        remarks.append("Fingers for the double bass are less sure: no printed ones were at hand.")
    elif asked.instrument is Instrument.CELLO and not is_printed:
        remarks.append("Fingers for the cello are less sure where none are printed.")
    if asked.tempo is None and not piece.tempos:
        remarks.append(f"No tempo is told: {USUAL_TEMPO:.0f} quarters a minute is taken.")
    return [*remarks, *_lasts(piece, asked)]


def _lasts(piece: Piece, asked: Asked) -> list[str]:
    """How long it is with what is played more than once."""
    order = order_of(piece)
    if order == list(range(len(piece.bars))):
        return []
    seconds = round(seconds_played(piece, order, clock(piece, asked.tempo)))
    minutes, rest = divmod(seconds, 60)
    return [told("piece-played-out", bars=len(order), minutes=minutes, seconds=rest)]
