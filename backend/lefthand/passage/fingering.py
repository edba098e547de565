"""Fingers, strings and positions for a line: the cheapest ways by dynamic programming (Viterbi's
recursion over hands, the k best kept at each), with costs that add up (`fingering.yaml`)."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise

import numpy as np

from lefthand.passage.moves import Moves
from lefthand.passage.places import THUMB, Fingerboard, Hand, Hands
from lefthand.passage.played import Played

GRACE_MOVES = 0.1  # s to or from a grace note
FREE_FROM = 0.15  # s of rest
LONG_FROM, LONG_IN_FULL = 0.4, 1.2  # s
THUMB_MARKS = ("t", "+", "ϙ")


@dataclass(frozen=True, slots=True)
class Wish:
    """What the teacher or the print wants of one note: finger, string (0 is the lowest), or both;
    None for whatever fits. midi: of which tone; None for the highest."""

    finger: int | None = None
    string: int | None = None
    midi: int | None = None


@dataclass(frozen=True, slots=True)
class Fingering:
    """hands: one for each note, None where no hand can. thinned: places of chords that are too wide
    for one hand, of which only part is fingered."""

    cost: float
    hands: tuple[Hand | None, ...]
    thinned: tuple[int, ...] = ()


def printed_wishes(line: Sequence[Played]) -> dict[int, list[Wish]]:
    """What is printed in the music, by place in the line."""
    found: dict[int, list[Wish]] = {}
    for place, note in enumerate(line):
        for tone in note.tones:
            finger = next((int(f) for f in tone.fingers if f in tuple("01234")), None)
            if any(mark.lower() in THUMB_MARKS for mark in tone.fingers[:1]):
                finger = THUMB
            string = None if tone.string is None else 4 - tone.string
            if finger is not None or string is not None:
                found.setdefault(place, []).append(Wish(finger, string, tone.pitch.midi))
    return found


def fingerings(
    line: Sequence[Played],
    board: Fingerboard,
    wishes: Mapping[int, Sequence[Wish]] | None = None,
    count: int = 1,
) -> list[Fingering]:
    """The cheapest ways, best first; wishes hold wherever a hand can fulfil them."""
    moments, thinned = _moments(line, board)
    wanted = wishes or {}
    heard = [
        _Moment(place, hands, _own(hands, note, wanted.get(place, ()), board))
        for place, (note, hands) in enumerate(zip(line, moments, strict=True))
        if hands is not None
    ]
    if not heard:
        return [Fingering(0.0, (None,) * len(line), thinned)]
    moves = _moves_of(board)
    best = heard[0].own[None]
    backs: list[np.ndarray] = []
    for before, moment in pairwise(heard):
        steps = _steps(moves, before, moment, line)
        best, back = _best_of(best, steps, moment.own, count)
        backs.append(back)
    found = []
    for place in np.argsort(best, axis=None)[:count]:
        cost = float(best.flat[place])
        if np.isfinite(cost):
            found.append(Fingering(cost, _traced(int(place), heard, backs, len(line)), thinned))
    return found


@lru_cache(maxsize=16)
def _moves_of(board: Fingerboard) -> Moves:
    """For all music on this board, which knows its hands for good."""
    return Moves(board.instrument, board.cost)


@dataclass(frozen=True, slots=True)
class _Moment:
    """place: in the line. own: cost of each hand by itself."""

    place: int
    hands: Hands
    own: np.ndarray


def _moments(
    line: Sequence[Played], board: Fingerboard
) -> tuple[list[Hands | None], tuple[int, ...]]:
    """All hands of each note; of a chord that is too wide those of its upper tones, or one."""
    found, thinned = [], []
    for place, note in enumerate(line):
        pitches = note.pitches
        hands = board.hands(pitches) if pitches else None
        if hands is None and len(pitches) > 1:
            thinned.append(place)
            fewer = [pitches[-2:]] if len(pitches) > 2 else []
            for part in (*fewer, pitches[-1:], pitches[:1]):
                hands = hands or board.hands(part)
        found.append(hands)
    return found, tuple(thinned)


def _own(hands: Hands, note: Played, wishes: Sequence[Wish], board: Fingerboard) -> np.ndarray:
    held = min(1.0, max(0.0, (note.seconds - LONG_FROM) / (LONG_IN_FULL - LONG_FROM)))
    own = hands.cost + hands.long * held
    if not wishes:
        return own
    missed = np.array([_missed(hand, wishes, board) for hand in hands.hands])
    if (missed == 0).any():
        return np.where(missed > 0, np.inf, own)
    return np.asarray(own + board.cost["printed"] * missed)


def _missed(hand: Hand, wishes: Sequence[Wish], board: Fingerboard) -> int:
    count = 0
    for wish in wishes:
        place = hand.places[-1]
        if wish.midi is not None:
            sounding = [
                p for p in hand.places if board.strings[p.string][0] + p.semitones == wish.midi
            ]
            if not sounding:
                continue
            place = sounding[0]
        count += wish.finger is not None and place.finger != wish.finger
        count += wish.string is not None and place.string != wish.string
    return count


def _steps(moves: Moves, before: _Moment, after: _Moment, line: Sequence[Played]) -> np.ndarray:
    one, two = line[before.place], line[after.place]
    seconds = GRACE_MOVES if one.is_grace or two.is_grace else two.at - one.at
    free = two.rest > FREE_FROM or one.ends_phrase
    return moves.between(before.hands, after.hands, seconds, slurred=two.slurred, free=free)


def _best_of(
    best: np.ndarray, steps: np.ndarray, own: np.ndarray, count: int
) -> tuple[np.ndarray, np.ndarray]:
    """The `count` cheapest ways to each hand, and the flat place each came from. best: ways x hands
    before."""
    total = (best[:, :, None] + steps[None]).reshape(-1, steps.shape[1])
    kept = min(count, len(total))
    if kept == 1:
        back = total.argmin(0)[None]
    else:
        back = np.argpartition(total, kept - 1, axis=0)[:kept]
        back = np.take_along_axis(back, np.take_along_axis(total, back, 0).argsort(0), 0)
    return np.take_along_axis(total, back, 0) + own, back


def _traced(
    last: int, heard: Sequence[_Moment], backs: Sequence[np.ndarray], length: int
) -> tuple[Hand | None, ...]:
    found: list[Hand | None] = [None] * length
    flat = last
    for number in range(len(heard) - 1, -1, -1):
        moment = heard[number]
        row, column = divmod(flat, len(moment.hands.hands))
        found[moment.place] = moment.hands.hands[column]
        if number:
            flat = int(backs[number - 1][row, column])
    return tuple(found)
