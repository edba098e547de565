"""Where in a player's own piece the step into music is, and what a piece asks more than another."""

from collections.abc import Mapping, Sequence
from typing import Any

from django.db import transaction

from lefthand.passage.harder import READING, asks_of, harder_because
from lefthand.practice.own_place import MOST_BARS
from lefthand.values.errors import InputError
from lefthand.values.fields import read_whole
from lefthand.values.said import said
from lefthand.words.words import words_of
from studio.errors import StudioError
from studio.lessons.cases import LessonView
from studio.models import Piece, PlanItem
from studio.pieces.pieces import ReadPiece, read, trouble_in, trouble_of

HEART = 2  # bars


def choose_place(piece: Piece, bars: Any) -> ReadPiece:
    """From and to, bars from 1; an empty list for no place. A piece that waited is begun with it.
    Raises StudioError naming the field."""
    if not isinstance(bars, list) or len(bars) not in (0, 2):
        raise StudioError("bad_input", "week", "expected the first and the last bar")
    try:
        where = _bars(bars, piece.bars) if bars else None
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    again = _written_down(piece)
    piece.place = _told(piece, again, *where) if where else None
    with transaction.atomic():
        if where:
            piece.player.pieces.update(place=None)
            piece.later = False
        Piece.objects.filter(pk=piece.pk).update(place=piece.place, later=piece.later)
    return again


def _bars(bars: list[Any], whole: int) -> tuple[int, int]:
    first = read_whole("week", bars[0], 1, whole)
    last = read_whole("week", bars[1], first, whole)
    if last - first >= MOST_BARS:
        raise InputError("week", f"expected at most {MOST_BARS} bars for a place")
    return first - 1, last - 1


def read_again(piece: Piece) -> ReadPiece:
    """After a change: with what it asks written down, and its place told anew, unless another one
    was chosen meanwhile. Raises StudioError where the piece was removed meanwhile."""
    again = _written_down(piece)
    if piece.place is not None:
        first, last = piece.place["first"], piece.place["last"]
        piece.place = _told(piece, again, first, last)
        same = Piece.objects.filter(pk=piece.pk, place__first=first, place__last=last)
        same.update(place=piece.place)
    return again


def opened(piece: Piece) -> ReadPiece:
    """As it is read today; one that was brought in earlier has that written down. Raises
    StudioError."""
    told = read(piece)
    return told if is_read_today(piece, told) else read_again(piece)


def is_read_today(piece: Piece, told: ReadPiece | None = None) -> bool:
    """Whether what it asks was written down by today's reading, and, where it was read now, is
    what was found."""
    is_today = piece.reading == READING
    return is_today and (told is None or asks_of(told.passage) == piece.asks)


def _written_down(piece: Piece) -> ReadPiece:
    """The bars looked at, with what they ask written down."""
    again = read(piece)
    piece.asks, piece.reading = asks_of(again.passage), READING
    written = Piece.objects.filter(pk=piece.pk).update(asks=piece.asks, reading=READING)
    if not written:
        raise StudioError("not_found", "piece")
    return again


def _told(piece: Piece, looked_at: ReadPiece, first: int, last: int) -> dict[str, Any]:
    is_in = piece.first <= first and last <= piece.last
    return _place(looked_at if is_in else read(piece, (first, last)), first, last)


def remove_piece(piece: Piece) -> None:
    """With its bars in the weeks that were given."""
    PlanItem.objects.filter(piece=piece).update(in_piece=None)
    piece.delete()


def harder_than_before(piece: Piece) -> tuple[str, list[str]] | None:
    """The title of the piece that came before it, and what this one asks more of this hand; None
    for a first piece."""
    pieces = list(piece.player.pieces.filter(later=False).defer("score"))
    return _harder(piece, pieces, *trouble_of(piece.player))


def harder_hint(view: LessonView) -> str:
    """Why the music of this lesson is harder than before, where a piece came since the last one;
    "" for what is not known, or not harder."""
    last, day = view.past.last_real, view.lesson.date
    begun = [piece for piece in view.pieces if not piece.later]
    new = [p for p in begun if p.brought_on <= day and (not last or p.brought_on > last.date)]
    told = _harder(new[-1], begun, *trouble_in(view)) if new else None
    if told is None or not told[1]:
        return ""
    more = "; ".join(told[1])
    return words_of(said("asked-more", piece=new[-1].title, before=told[0], more=more))


def _harder(
    piece: Piece, pieces: Sequence[Piece], causes: Mapping[str, float], finger: int
) -> tuple[str, list[str]] | None:
    earlier = [p for p in pieces if (p.brought_on, p.pk) < (piece.brought_on, piece.pk) and p.asks]
    if not earlier or not piece.asks:
        return None
    told = harder_because(piece.asks, earlier[-1].asks, causes, finger)
    return earlier[-1].title, [words_of(each) for each in told]


def _place(told: ReadPiece, first: int, last: int) -> dict[str, Any]:
    passage = told.passage
    totals = passage.loads.totals()
    hearts = [(at, min(at + HEART - 1, last)) for at in range(first, max(first, last - 1) + 1)]
    heart = max(hearts, key=lambda each: sum(totals[each[0] : each[1] + 1]))
    way = passage.way_to(range(first, last + 1))
    return {
        "first": first,
        "last": last,
        "heart": list(heart),
        "start": way.start,
        "goal": way.goal,
        "bars": [[bar.number, float(bar.length)] for bar in told.score.bars],
    }
