"""What each note asks of the left hand, in points with a reason.

A run of notes ends at any rest. A repeated note counts as one stop (a fifth of the points that a
stop makes), and asks no speed. Points are 0 to 2, of letting go to 3.
"""

from collections.abc import Iterator, Sequence
from dataclasses import replace

from lefthand.passage.demand import (
    Demand,
    Here,
    Run,
    Whose,
    finger_said,
)
from lefthand.passage.moving_demands import of_crossing, of_entry, of_neighbours, of_shift
from lefthand.passage.places import Hand, Place
from lefthand.passage.played import Played
from lefthand.passage.release import natural_release
from lefthand.passage.standing_demands import letting_go, of_chord, of_finger, of_place
from lefthand.values.said import said

STAYS_WITHIN = 1.2  # s
STAYS_OVER = 4  # notes
USED_OF_A_PLACE = 0.6  # of a place to let go that is not marked


def demands(line: Sequence[Played], hands: Sequence[Hand | None], whose: Whose) -> list[Demand]:
    """Of all notes that a hand can play, in their order; none without points."""
    found: list[Demand] = []
    run, before = Run(), None
    for place, (note, hand) in enumerate(zip(line, hands, strict=True)):
        if hand is None:
            continue
        here = _here(place, note, hand, before, whose, run)
        found += [each for each in _all(here, run) if each.points > 0]
        found += _stays(here, run, line, hands)
        _go_on(here, run, line, hands)
        before = here
    return found


def _here(
    place: int, note: Played, hand: Hand, before: Here | None, whose: Whose, run: Run
) -> Here:
    if before is None or note.rest > 0:
        run.starts = []
    is_moved = before is None or before.hand.places != hand.places
    if is_moved or note.rest > 0 or (before is not None and before.note.bar != note.bar):
        run.down = note.at
    if is_moved and not note.is_grace:
        run.starts = [*run.starts, note.at][-5:]
    rate = run.rate() if is_moved and not note.is_grace else 0.0
    kept = None if before is None else replace(before, before=None)
    here = Here(place, note, hand, kept, whose, rate, is_moved)
    run.stops += bool(here.stopped) and is_moved
    return here


def _all(here: Here, run: Run) -> Iterator[Demand]:
    yield from letting_go(here, run)
    for place in here.stopped:
        yield from of_finger(here, place, run)
        yield from of_place(here, place)
    yield from of_chord(here)
    if here.before is not None:
        yield from of_entry(here)
        yield from of_shift(here)
        yield from of_crossing(here)
        yield from of_neighbours(here)


def _stays(
    here: Here, run: Run, line: Sequence[Played], hands: Sequence[Hand | None]
) -> Iterator[Demand]:
    """A finger that comes back to its place soon stays there, while others play."""
    for place in here.stopped:
        last = run.last.get(place.finger)
        if last is None or here.before is None or last[0] == here.before.place:
            continue
        first, at, when = last
        if here.place - first > STAYS_OVER or here.note.at - when >= STAYS_WITHIN or at != place:
            continue
        between = [hand for hand in hands[first + 1 : here.place] if hand is not None]
        if all(_lets_stay(hand, here.hand, place) for hand in between):
            says = said("demand-stay", finger=finger_said(place.finger))
            yield Demand(first, line[first].bar, "stay", 0.4, place.finger, says)


def _lets_stay(hand: Hand, now: Hand, place: Place) -> bool:
    above = all(p.string != place.string or p.finger > place.finger for p in hand.places)
    return hand.base == now.base and above


def _go_on(here: Here, run: Run, line: Sequence[Played], hands: Sequence[Hand | None]) -> None:
    for place in here.stopped:
        run.last[place.finger] = (here.place, place, here.note.at)
    run.seconds += here.note.seconds
    if here.place in here.whose.marks:
        run.seconds, run.stops = 0.0, 0
        return
    quality, _ = natural_release(line, hands, here.place)
    if quality >= 0.4:
        left = 1 - USED_OF_A_PLACE * quality
        run.seconds, run.stops = run.seconds * left, int(run.stops * left)
