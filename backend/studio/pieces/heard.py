"""Takes of a passage of a player's own piece: measured, set beside what was expected, let go."""

from dataclasses import dataclass
from datetime import date

from lefthand.passage.heard import HeardBars, bars_heard, bars_to_play, score_of
from lefthand.sound.player import Playing, play
from lefthand.sound.recording import Recording, recording_of
from lefthand.sound.score import Score
from lefthand.sound.take import measure_take, refusal_words
from lefthand.values.errors import InputError
from lefthand.values.fields import read_number
from studio.errors import StudioError
from studio.models import Piece
from studio.pieces.pieces import TEMPI, ReadPiece, read
from studio.takes.takes import recording_in

TIRES_AT = 0.5  # of a made-up take


@dataclass(frozen=True)
class ToHear:
    """What is played: bars (places in the piece), tempi to choose from, at which of them, and the
    bar of each note."""

    bars: range
    tempi: tuple[int, int]
    tempo: float
    score: Score
    at: list[int]


def to_hear(told: ReadPiece, tempo: float | None = None) -> ToHear:
    """About the place for the week, else about the worst one: the same bars at every tempo; at the
    goal where none is told. Raises StudioError on `bars` for what cannot be measured."""
    passage, place = told.passage, told.piece.place
    if place is not None and {place["first"], place["last"]} <= set(passage.shown):
        heart = [place["first"], place["last"]]
    elif passage.worst:
        heart = [passage.worst[0].bars[0], passage.worst[0].bars[-1]]
    else:
        heart = [passage.shown[0], passage.shown[0]]
    way = passage.way_to(range(heart[0], heart[1] + 1))
    bars = bars_to_play(passage, heart, way.start)
    speed = tempo or float(way.goal)
    try:
        score, at = score_of(passage, bars, speed)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    return ToHear(bars, (way.start, way.goal), speed, score, at)


def hear_piece(piece: Piece, data: bytes, tempo: object, on: date) -> None:
    """Measure a sound file and keep what it told. Raises StudioError naming the field."""
    asked = _asked(piece, tempo)
    _keep(piece, asked, recording_in(data), on, is_simulated=False)


def simulate_piece(piece: Piece, tempo: object, on: date) -> None:
    """The same with a made-up player, whose hand tightens half way."""
    asked = _asked(piece, tempo)
    made = play(asked.score, Playing(tired_from=TIRES_AT), seed=piece.pk)
    _keep(piece, asked, recording_of(made.samples, made.rate), on, is_simulated=True)


def _asked(piece: Piece, tempo: object) -> ToHear:
    told = read(piece)
    if told.is_paused:
        raise StudioError("paused")
    try:
        speed = None if tempo is None else read_number("tempo", tempo, *TEMPI)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    return to_hear(told, speed)


def _keep(
    piece: Piece, asked: ToHear, recording: Recording, on: date, *, is_simulated: bool
) -> None:
    take = measure_take(recording, asked.score)
    found = bars_heard(take, asked.at) if take.reason is None else HeardBars({}, None, False)
    piece.heard = {
        "on": str(on),
        "tempo": round(asked.tempo),
        "is_simulated": is_simulated,
        "usable": take.reason is None,
        "words": refusal_words(take.reason),
        "is_long": found.is_long,
        "tightens": found.tightens,
        "hardest": found.hardest,
        "bars": [
            [bar, None if worse is None else round(worse, 2)] for bar, worse in found.worse.items()
        ],
    }
    # Measuring takes a while: the piece may be gone.
    if not Piece.objects.filter(pk=piece.pk).update(heard=piece.heard, later=False):
        raise StudioError("not_found", "piece")
