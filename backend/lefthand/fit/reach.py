"""The span that a frame needs on a string, against the easy span of a hand."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from lefthand.fit.stops import cents_off, cents_per_mm, first_place, span_needed, stop
from lefthand.music.hands import Hand
from lefthand.values.vocabulary import Instrument

# What a turn of the hand towards the fourth brings, mm: about a fingertip (common practice).
TURN = (8.0, 12.0)
# An octave above the open string: farther up no frame is looked for.
HIGHEST = 12
# Smaller ones than these are children's instruments (common practice).
GROWN_UP_FROM = 16  # years
FOR_GROWN_UPS = frozenset({"4/4", "7/8"})
ERROR_COUNTED = 2.0  # standard deviations of the span


@dataclass(frozen=True, slots=True)
class Margin:
    """How much more the hand spans than is needed: mm, and % of what is needed."""

    needed: float
    span: float

    @property
    def mm(self) -> float:
        return self.span - self.needed

    @property
    def percent(self) -> float:
        return 100 * self.mm / self.needed

    @property
    def fits(self) -> bool:
        return self.mm >= 0


@dataclass(frozen=True)
class Reach:
    """A hand on a string.

    `hand`: each finger's step above the open string. `string_length`, `span` and `span_error`
    (one standard deviation) in mm; `sizes`: string length by size of this instrument.
    """

    instrument: Instrument
    string_length: float
    position: int
    frame: str
    hand: Hand
    sizes: Mapping[str, float]
    span: float | None = None
    span_error: float | None = None

    @property
    def semitones(self) -> Mapping[int, int]:
        return {finger: up for finger, (_, up) in sorted(self.hand.items())}

    @cached_property
    def lowest(self) -> int:
        return min(self.semitones.values())

    @cached_property
    def width(self) -> int:
        """Semitones from the lowest to the highest finger of the frame."""
        return max(self.semitones.values()) - self.lowest

    @property
    def needed(self) -> float:
        return self.needed_on(self.string_length)

    def needed_on(self, length: float) -> float:
        return span_needed(length, self.lowest, self.lowest + self.width)

    @property
    def margin(self) -> Margin | None:
        return None if self.span is None else Margin(self.needed, self.span)

    @property
    def margin_error(self) -> float | None:
        """One standard deviation of the margin, % of what is needed."""
        return None if self.span_error is None else 100 * self.span_error / self.needed

    @property
    def turned(self) -> tuple[Margin, Margin] | None:
        """With a turn of the hand: at least, and at most."""
        if self.span is None:
            return None
        least, most = (Margin(self.needed, self.span + more) for more in TURN)
        return least, most

    @property
    def first_place(self) -> int | None:
        """Semitones above the open string where the lowest finger must stand at the least for the
        frame to fit; nothing where that is beyond the octave."""
        if self.span is None:
            return None
        place = max(self.lowest, first_place(self.string_length, self.width, self.span))
        return place if place + self.width <= HIGHEST else None

    @property
    def by_size(self) -> Mapping[str, tuple[float, Margin | None]]:
        """What each size of the instrument asks of the hand: string length, margin."""
        return {
            size: (
                length,
                None if self.span is None else Margin(self.needed_on(length), self.span),
            )
            for size, length in self.sizes.items()
        }

    @property
    def a_turn_is_enough(self) -> bool:
        """The span is short of it, and a turn of the hand brings it, at least."""
        margin = self.margin
        if margin is None or margin.fits or self.span is None:
            return False
        return self.reaches_on(self.string_length)

    def reaches_on(self, length: float) -> bool:
        """With the least that a turn of the hand brings, and the error of measuring."""
        if self.span is None:
            return False
        error = ERROR_COUNTED * (self.span_error or 0.0)
        return self.span + TURN[0] + error >= self.needed_on(length)

    def size_that_fits(self, age: float | None = None) -> str | None:
        """The largest smaller size on which this hand reaches with a turn and the error of
        measuring; None where this size fits, a turn is enough, or none does. `age`: years, None for
        an adult's; grown-ups are told no children's size."""
        if self.margin is None or self.margin.fits or self.a_turn_is_enough:
            return None
        is_grown = age is None or age >= GROWN_UP_FROM
        smaller = [
            (length, size)
            for size, length in self.sizes.items()
            if length < self.string_length
            and self.reaches_on(length)
            and not (is_grown and size not in FOR_GROWN_UPS)
        ]
        return max(smaller)[1] if smaller else None

    @property
    def tapes(self) -> Mapping[int, float]:
        """Each finger's stop, mm from the nut."""
        return {finger: stop(self.string_length, up) for finger, up in self.semitones.items()}

    @property
    def cents_per_mm(self) -> Mapping[int, float]:
        return {f: cents_per_mm(self.string_length, up) for f, up in self.semitones.items()}

    def cents_off(self, finger: int, mm: float) -> float:
        """What a finger of the frame sounds off that stands `mm` beyond its stop. Raises KeyError
        for a finger that the frame lacks, ValueError past the bridge."""
        return cents_off(self.string_length, self.semitones[finger], mm)
