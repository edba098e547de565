"""How much of a piece is looked at together: what is computed grows with its notes, not bars."""

from collections import Counter

from lefthand.music.reading.piece import Piece
from lefthand.values.errors import InputError

MOST_NOTES = 800  # tones; 64 bars of eighths in two parts, 50 bars of sixteenths


def last_that_fits(piece: Piece, first: int, last: int) -> int:
    """The last bar up to which, from `first`, no more than 800 notes stand; places in the piece.
    Raises InputError on `first` where that bar alone has more."""
    counts = Counter(event.bar for event in piece.events for _ in event.tones)
    notes = counts[first]
    if notes > MOST_NOTES:
        number = piece.bars[first].number
        raise InputError(
            "first", f"bar {number} has {notes} notes: expected at most {MOST_NOTES} at a time"
        )
    bar = first
    while bar < last and notes + counts[bar + 1] <= MOST_NOTES:
        bar += 1
        notes += counts[bar]
    return bar


def check_fits(piece: Piece, first: int, last: int) -> None:
    """Raises InputError on `last`, with the bars that would fit, or on `first`."""
    fits = last_that_fits(piece, first, last)
    if fits < last:
        begin, end = piece.bars[first].number, piece.bars[fits].number
        raise InputError(
            "last",
            f"expected at most {MOST_NOTES} notes at a time: bars {begin} to {end} would fit",
        )
