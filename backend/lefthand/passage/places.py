"""Where the tones of one moment can be stopped: string, finger, and where the hand stands.

The base of a hand is the semitone above the open string on which its first finger stands. Violin
and viola: the plain hand has its fingers 0, 2, 3 and 5 semitones above its base, each a semitone
lower or higher at a cost; an octave above the highest string a harmonic can be touched from third
position, written 0 as an open string is, instead of a stretched fourth. Cello: closed 0 1 2 3, or
wide 0 2 3 4. Bass: 1-2-4 on 0 1 2, or four fingers on 0 1 2 3. Cello and bass above the neck: the
thumb lies on the string, crudely. Common practice, no source.
"""

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from functools import cache
from itertools import combinations, pairwise, product
from typing import NamedTuple

import numpy as np

from lefthand.music.strings import FINGERBOARDS
from lefthand.passage.costs import costs_of
from lefthand.passage.tastes import USUAL
from lefthand.values.vocabulary import Instrument

OPEN, THUMB = 0, 5
TOUCHES = 4  # the finger of a harmonic
UPPER: Mapping[int, tuple[int, ...]] = {1: (0, -1, 1), 2: (2, 1, 3), 3: (3, 4, 2), 4: (5, 4, 6)}
CLOSED: Mapping[int, int] = {1: 0, 2: 1, 3: 2, 4: 3}
WIDE: Mapping[int, int] = {1: 0, 2: 2, 3: 3, 4: 4}
BASS_HANDS: Mapping[str, Mapping[int, int]] = {
    "124": {1: 0, 2: 1, 4: 2},
    "1234": {1: 0, 2: 1, 3: 2, 4: 3},
}
HIGH: Mapping[int, tuple[int, ...]] = {THUMB: (-2, -1), 1: (0,), 2: (2, 1), 3: (3, 4)}
OCTAVE = 12
HARMONIC_BASE = 5  # third position
OCTAVE_FINGERS = ({1, 4}, {THUMB, 3})
NECK = 9  # a base from here on lies above the neck of cello and bass
THUMB_DOWN = 2  # a base from here on can have the thumb on the string, where a chord needs it
WIDEST_BASE = 5  # from here on the hand opens without an extension
REACH = {Instrument.VIOLIN: 26, Instrument.VIOLA: 24, Instrument.CELLO: 31, Instrument.BASS: 24}
# Usual number of the position by base, by letters above the open string of the first finger.
POSITIONS = (0, 1, 1, 2, 2, 3, 3, 4, 5, 5, 6, 6, 7, 8, 8, 9, 9, 10, 10, 11, 12, 12)
LOW_POSITIONS = (0, 0, 1, 2, 2, 3, 3, 4)
HALF = 1
COMMON_BASES = {True: (1, 2, 4, 5, 7, 9), False: (1, 2, 3, 4, 5, 7)}  # under an open string
MOST_CHORDS = 80
TOP_POSITION = 12


class Place(NamedTuple):
    """string: 0 is the lowest. finger: 0 open or a harmonic, 5 the thumb on the string. semitones:
    above the open string."""

    string: int
    finger: int
    semitones: int

    @property
    def is_harmonic(self) -> bool:
        return self.finger == OPEN and self.semitones > 0

    @property
    def on_string(self) -> int:
        """The finger that lies there, pressed or not; 0 for none."""
        return TOUCHES if self.is_harmonic else self.finger


class Hand(NamedTuple):
    """The places of all tones of a moment, lowest string first, where the hand stands, and on the
    cello whether it is open."""

    places: tuple[Place, ...]
    base: int
    wide: bool


class Way(NamedTuple):
    """One tone: base None for an open string."""

    place: Place
    base: int | None
    wide: bool
    cost: float


@dataclass(frozen=True, slots=True, eq=False)
class Hands:
    """All hands of a moment as arrays of one length. cost: of the moment itself; long: added where
    it is held. lead: finger, string and semitones of the highest string."""

    hands: tuple[Hand, ...]
    cost: np.ndarray
    long: np.ndarray
    base: np.ndarray
    wide: np.ndarray
    lowest: np.ndarray
    highest: np.ndarray
    finger: np.ndarray
    semitones: np.ndarray
    is_open: np.ndarray
    on: np.ndarray  # string of each finger 1 to 5, -1 for none
    at: np.ndarray  # semitones of each finger


def position_of(instrument: Instrument, base: int) -> int:
    """Usual number, 0 for half position of cello and bass; 1 holds half position of the violin."""
    if instrument.is_held_up:
        return POSITIONS[base] if base < len(POSITIONS) else TOP_POSITION
    return LOW_POSITIONS[base] if base < len(LOW_POSITIONS) else base - 3


class Fingerboard:
    """The ways to stop tones on one instrument. bass: "124" or "1234". highest: the highest
    position that is used, None for all. taste: of `tastes`."""

    def __init__(
        self,
        instrument: Instrument,
        *,
        bass: str = "124",
        highest: int | None = None,
        taste: str = USUAL,
    ) -> None:
        self.instrument = instrument
        self.cost = costs_of(instrument, taste)
        self.strings = [(p.midi, 7 * p.octave + p.step) for p in FINGERBOARDS[instrument].strings]
        self._bass = BASS_HANDS[bass]
        self._highest = highest
        self._base_costs = [self._base_cost(base) for base in range(64)]
        self._known: dict[object, Hands | None] = {}

    def hands(self, pitches: tuple[tuple[int, int], ...]) -> Hands | None:
        """All hands for what sounds together, as (midi, letters); None where none can."""
        if pitches not in self._known:
            found = self._single(pitches[0]) if len(pitches) == 1 else self._chords(pitches)
            if not found and self.instrument is Instrument.CELLO:
                found = self._chords(pitches, thumb_from=THUMB_DOWN)
            self._known[pitches] = _arrays(found) if found else None
        return self._known[pitches]

    def _single(self, pitch: tuple[int, int]) -> list[tuple[Hand, float, float]]:
        found = []
        for way in self._ways(pitch):
            finger = way.place.finger
            long = {OPEN: self.cost["open_long"], 4: self.cost["fourth_long"]}.get(finger, 0.0)
            bases = COMMON_BASES[self.instrument.is_held_up] if way.base is None else (way.base,)
            for base in bases:
                among = way.base is None and position_of(self.instrument, base) > 1
                own = way.cost + (self.cost["open_among"] if among else 0.0)
                found.append((Hand((way.place,), base, way.wide), own, long))
        if self._has_harmonic(pitch[0]):
            touched = Place(len(self.strings) - 1, OPEN, OCTAVE)
            found.append((Hand((touched,), HARMONIC_BASE, False), self.cost["harmonic"], 0.0))
        return found

    def _has_harmonic(self, midi: int) -> bool:
        """An octave above the highest string, where a held-up hand touches the half of it."""
        position = position_of(self.instrument, HARMONIC_BASE)
        is_reached = not self._highest or position <= self._highest
        is_half = midi == self.strings[-1][0] + OCTAVE
        return self.instrument.is_held_up and is_reached and is_half

    def _ways(self, pitch: tuple[int, int], thumb_from: int = NECK) -> list[Way]:
        midi, letters = pitch
        found = []
        for string, (opened, open_letters) in enumerate(self.strings):
            above = midi - opened
            if above == 0:
                found.append(Way(Place(string, OPEN, 0), None, False, self.cost["open"]))
            if not 0 < above <= REACH[self.instrument]:
                continue
            has_higher = string < len(self.strings) - 1
            extra = self.cost["low_string"] * max(0, above - 7) if has_higher else 0.0
            for finger, base, wide, own in self._stops(above, letters - open_letters, thumb_from):
                if self._highest and position_of(self.instrument, base) > self._highest:
                    continue
                total = own + extra + self._base_costs[base]
                total += self.cost["fourth"] if finger == 4 else 0.0
                found.append(Way(Place(string, finger, above), base, wide, total))
        return found

    def _stops(
        self, above: int, letters: int, thumb_from: int
    ) -> Iterator[tuple[int, int, bool, float]]:
        """Finger, base, wide and cost for a stop so many semitones and letters above the string."""
        if self.instrument.is_held_up:
            yield from self._upper_stops(above, letters)
            return
        for wide, hand in self._low_hands():
            for finger, offset in hand.items():
                base = above - offset
                if 1 <= base < NECK and not (wide and base > WIDEST_BASE and finger == 4):
                    yield finger, base, wide, self.cost["wide_hand"] if wide else 0.0
        for finger, offsets in HIGH.items():
            for offset in offsets:
                if above - offset >= thumb_from:
                    own = self.cost["thumb" if finger == THUMB else "above_neck"]
                    own += self.cost["near_thumb"] if offset == -1 else 0.0
                    yield finger, above - offset, False, own

    def _low_hands(self) -> Iterable[tuple[bool, Mapping[int, int]]]:
        if self.instrument is Instrument.CELLO:
            return ((False, CLOSED), (True, WIDE))
        return ((False, self._bass),)

    def _upper_stops(self, above: int, letters: int) -> Iterator[tuple[int, int, bool, float]]:
        for finger, offsets in UPPER.items():
            for offset in offsets:
                base = above - offset
                if base < HALF or (base == HALF and finger == 1 and offset == 1):
                    continue
                position = position_of(self.instrument, base)
                own = self._upper_cost(finger, offset, letters - position)
                usual = {finger + position - 1}
                usual |= {finger + 3} if base == 6 else set()
                usual |= {finger + 4} if base == 9 else set()
                own += 0.0 if letters in usual else self.cost["respelled"]
                yield finger, base, False, own

    def _upper_cost(self, finger: int, offset: int, letters: int) -> float:
        names = {
            (1, -1): "low_first",
            (1, 1): "high_first",
            (2, 3): "wide_second",
            (3, 2): "low_third",
            (4, 4): "low_fourth",
            (4, 6): "wide_fourth",
        }
        if (finger, offset) == (3, 4):
            return self.cost["high_third"] if letters != 2 else 0.0
        name = names.get((finger, offset))
        return self.cost[name] if name else 0.0

    def _base_cost(self, base: int) -> float:
        position = position_of(self.instrument, base)
        names = {2: "second", 3: "third"}
        name = "half_position" if base == HALF else names.get(position, "higher")
        plain = 0.0 if base in (0, 2) else self.cost[name]
        return plain + self.cost["height"] * max(0, base - 2)

    def _chords(
        self, pitches: tuple[tuple[int, int], ...], thumb_from: int = NECK
    ) -> list[tuple[Hand, float, float]]:
        ways = [self._ways(pitch, thumb_from) for pitch in pitches]
        if len(pitches) > len(self.strings) or not all(ways):
            return []
        bases = sorted({w.base for each in ways for w in each if w.base is not None}) or [2]
        wides = (False, True) if self.instrument is Instrument.CELLO else (False,)
        found: dict[Hand, float] = {}
        for base, wide in product(bases, wides):
            near = [
                [w for w in each if w.base is None or (w.base == base and w.wide == wide)]
                for each in ways
            ]
            for chosen in product(*near):
                cost = self._chord_cost(chosen)
                if cost is not None:
                    places = tuple(sorted(way.place for way in chosen))
                    hand = Hand(places, base, wide)
                    found[hand] = min(cost, found.get(hand, cost))
        best = sorted(found.items(), key=lambda each: each[1])[:MOST_CHORDS]
        return [(hand, cost, 0.0) for hand, cost in best]

    def _chord_cost(self, chosen: tuple[Way, ...]) -> float | None:
        """None for what one hand cannot do."""
        strings = [way.place.string for way in chosen]
        if len(set(strings)) < len(strings):
            return None
        if max(strings) - min(strings) >= len(strings):
            return None  # a bow meets neighbouring strings only
        total = sum(way.cost for way in chosen)
        used: dict[int, Place] = {}
        for place in sorted(way.place for way in chosen if way.place.finger):
            before = used.get(place.finger)
            if before is not None:
                if before.semitones != place.semitones or place.string - before.string != 1:
                    return None
                total += self.cost["fifth"]
            used[place.finger] = place
        for low, high in pairwise(sorted(used, key=lambda finger: finger % THUMB)):
            if used[high].semitones < used[low].semitones:
                return None
            total += self.cost["level"] if used[high].semitones == used[low].semitones else 0.0
        total += self.cost["octave"] * self._odd_octaves(chosen)
        return total + (self.cost["chord_fourth"] if 4 in used else 0.0)

    def _odd_octaves(self, chosen: tuple[Way, ...]) -> int:
        """Octaves with other fingers than an open string, first and fourth, or thumb and third."""
        places = [way.place for way in chosen]
        return sum(
            abs(self._midi(one) - self._midi(two)) == OCTAVE
            and {one.finger, two.finger} not in OCTAVE_FINGERS
            and OPEN not in (one.finger, two.finger)
            for one, two in combinations(places, 2)
        )

    def _midi(self, place: Place) -> int:
        return self.strings[place.string][0] + place.semitones


def _arrays(found: list[tuple[Hand, float, float]]) -> Hands:
    hands = tuple(hand for hand, _, _ in found)
    on = np.full((6, len(hands)), -1)
    at = np.full((6, len(hands)), -1)
    for column, hand in enumerate(hands):
        for place in hand.places:
            if place.finger:
                on[place.finger, column] = place.string
                at[place.finger, column] = place.semitones
    tops = [hand.places[-1] for hand in hands]
    return Hands(
        hands=hands,
        cost=np.array([cost for _, cost, _ in found]),
        long=np.array([long for _, _, long in found]),
        base=np.array([hand.base for hand in hands]),
        wide=np.array([int(hand.wide) for hand in hands]),
        lowest=np.array([hand.places[0].string for hand in hands]),
        highest=np.array([place.string for place in tops]),
        finger=np.array([place.finger for place in tops]),
        semitones=np.array([place.semitones for place in tops]),
        is_open=np.array([all(p.finger == OPEN for p in hand.places) for hand in hands]),
        on=on,
        at=at,
    )


@cache
def fingerboard_of(
    instrument: Instrument, bass: str = "124", highest: int | None = None, taste: str = USUAL
) -> Fingerboard:
    return Fingerboard(instrument, bass=bass, highest=highest, taste=taste)
