"""A line as it is played, with its repeats, endings and jumps: for what they ask of the hand, and
for how long it lasts.

Fingers are those of the written line, the same in each turn. After the third turn of a bar nothing
new is asked. Bars that are not looked at count as time in which the hand is free.
"""

from collections import Counter, defaultdict
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction

from lefthand.music.reading.bar_order import bar_order
from lefthand.music.reading.piece import Bar, Piece
from lefthand.passage.demand import Demand, Whose
from lefthand.passage.demands import demands
from lefthand.passage.places import Hand
from lefthand.passage.played import Played

MOST_TURNS = 3
NO_REST = 1e-6  # s: what adding times up leaves


@dataclass(frozen=True, slots=True)
class PlayedOut:
    """line, hands: in the order of playing. written: of each note its place in the written line;
    turn: which time its bar is played, from 0."""

    line: Sequence[Played]
    hands: Sequence[Hand | None]
    written: Sequence[int]
    turn: Sequence[int]


def order_of(piece: Piece) -> list[int]:
    """As it is played; as it is written where that is too long."""
    return bar_order(piece.bars) or list(range(len(piece.bars)))


def seconds_played(
    piece: Piece, order: Sequence[int], seconds: Callable[[Fraction], float]
) -> float:
    """How long bars last, played one after the other; `seconds`: at a place in the written piece,
    in quarters."""
    return sum(_end(piece.bars[bar], seconds) - seconds(piece.bars[bar].onset) for bar in order)


def played_out(
    piece: Piece,
    line: Sequence[Played],
    hands: Sequence[Hand | None],
    seconds: Callable[[Fraction], float],
) -> PlayedOut:
    """The bars that the line holds."""
    notes: dict[int, list[int]] = defaultdict(list)
    for place, note in enumerate(line):
        notes[note.bar].append(place)
    found: list[Played] = []
    written: list[int] = []
    turns: list[int] = []
    times: Counter[int] = Counter()
    begun, silent_from = 0.0, 0.0
    before: int | None = None
    for bar in order_of(piece):
        opened = piece.bars[bar]
        if times[bar] < MOST_TURNS:
            shift = begun - seconds(opened.onset)
            for place in notes[bar]:
                note = line[place]
                follows = before is not None and place == before + 1
                gap = note.at + shift - silent_from
                rest = note.rest if follows else gap if gap > NO_REST else 0.0
                found.append(replace(note, at=note.at + shift, rest=rest if found else note.rest))
                written.append(place)
                turns.append(times[bar])
                silent_from, before = note.at + shift + note.seconds, place
        times[bar] += 1
        begun += _end(opened, seconds) - seconds(opened.onset)
    return PlayedOut(found, [hands[place] for place in written], written, turns)


def demands_played_out(out: PlayedOut, whose: Whose) -> list[Demand]:
    """What is asked in each bar when it asks most, by places in the written line."""
    marks = frozenset(at for at, place in enumerate(out.written) if place in whose.marks)
    asked = demands(out.line, out.hands, replace(whose, marks=marks))
    turns: dict[int, dict[int, list[Demand]]] = defaultdict(lambda: defaultdict(list))
    for demand in asked:
        told = replace(demand, note=out.written[demand.note])
        turns[demand.bar][out.turn[demand.note]].append(told)
    heaviest = (
        max(each.values(), key=lambda found: round(sum(d.points for d in found), 6))
        for each in turns.values()
    )
    found = [demand for each in heaviest for demand in each]
    return sorted(found, key=lambda demand: demand.note)


def _end(bar: Bar, seconds: Callable[[Fraction], float]) -> float:
    return seconds(bar.onset + bar.length)
