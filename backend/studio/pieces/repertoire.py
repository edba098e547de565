"""A player's music over time, and what is next for this hand: of what was brought in ahead and of
our own tunes."""

from collections.abc import Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass

from lefthand.composing.tunes_asked import tunes_asked
from lefthand.passage.repertoire import (
    Beside,
    Candidate,
    beside_all,
    by_theme,
    lightest,
    next_ones,
    to_rest_on,
)
from lefthand.values.said import Said
from lefthand.values.vocabulary import FINGERS, Instrument, Level
from studio.errors import StudioError
from studio.lessons.cases import LessonView
from studio.lessons.flags import open_flags
from studio.models import Piece, Player
from studio.pieces.own_places import is_read_today, read_again
from studio.pieces.pieces import trouble_in

MOST_NEXT, MOST_RESTED_ON = 4, 3
READ_AT_ONCE = 5
PIECE, TUNE = "piece", "tune"


@dataclass(frozen=True)
class Repertoire:
    """pieces: those that were begun and those that wait, the oldest first; loads: of each, a bar,
    by theme. waiting: of each that waits, what it asks more. next: with one thing new. begins:
    nothing was played yet, the lightest are told. to_rest_on: with nothing new. eased: why this
    hand is spared, as of its newest lesson. unread: pieces whose turn to be read again has not
    come."""

    pieces: Sequence[Piece]
    loads: Mapping[int, Mapping[str, float]]
    waiting: Mapping[int, Beside]
    next: Sequence[Beside]
    to_rest_on: Sequence[Beside]
    begins: bool
    is_paused: bool
    eased: Sequence[Said]
    unread: int
    finger: int


def repertoire_of(player: Player) -> Repertoire:
    """A few pieces that today's reading has not seen are read at each call."""
    unread = _bring_up_to_date(player)
    pieces = [piece for piece in player.pieces.defer("score") if is_read_today(piece)]
    lesson = player.lessons.order_by("-date").first()
    view = None if lesson is None else LessonView(lesson)
    causes, finger = ({}, FINGERS[-1]) if view is None else trouble_in(view)
    before = [piece.asks for piece in pieces if not piece.later]
    paused = bool(open_flags(player))
    found = beside_all(_candidates(player, pieces), before, causes, finger)
    begins = not before
    waiting = {each.candidate.id: each for each in found}
    return Repertoire(
        pieces=pieces,
        loads={piece.pk: by_theme(piece.asks, finger) for piece in pieces},
        waiting={p.pk: waiting[f"{PIECE} {p.pk}"] for p in pieces if p.later},
        next=[] if paused else (lightest if begins else next_ones)(found, MOST_NEXT),
        to_rest_on=[] if paused or begins else to_rest_on(found, MOST_RESTED_ON),
        begins=begins,
        is_paused=paused,
        eased=view.safety.reasons if view is not None and view.safety.is_amber else (),
        unread=unread,
        finger=finger,
    )


def _bring_up_to_date(player: Player) -> int:
    """How many are left; one that cannot be read any more, or is gone, holds up no other."""
    left = [piece for piece in player.pieces.defer("score") if not is_read_today(piece)]
    done = 0
    while left and done < READ_AT_ONCE:
        with suppress(StudioError):
            read_again(left.pop(0))
            done += 1
    return len(left)


def _candidates(player: Player, pieces: Sequence[Piece]) -> list[Candidate]:
    """What waits, and the tunes that are not among the pieces by their title."""
    known = {piece.title.casefold() for piece in pieces}
    waiting = [Candidate(f"{PIECE} {p.pk}", p.title, p.asks) for p in pieces if p.later]
    tunes = tunes_asked(Instrument(player.instrument), Level(player.level))
    own = [
        Candidate(f"{TUNE} {tune.id}", tune.title, asks)
        for tune, asks in tunes.items()
        if tune.title.casefold() not in known
    ]
    return [*waiting, *own]
