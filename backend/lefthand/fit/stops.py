"""Where a string is stopped, mm from the nut, in equal temperament."""

import math

SEMITONES = 12
CENTS = 1200


def stop(length: float, semitones: float) -> float:
    """Distance from the nut, mm, of the stop so many semitones above the open string of `length`
    mm: L (1 - 2^(-n/12)), the equal-tempered division of a string."""
    return length * (1 - 2 ** (-semitones / SEMITONES))


def span_needed(length: float, low: float, high: float) -> float:
    """Distance in mm between the stops of two fingers, in semitones above the open string."""
    return stop(length, high) - stop(length, low)


def cents_per_mm(length: float, semitones: float) -> float:
    """How much sharper the note gets with the finger 1 mm nearer the bridge."""
    left = length - stop(length, semitones)
    return CENTS * math.log2(left / (left - 1))


def first_place(length: float, width: float, span: float) -> int:
    """The fewest semitones above the open string at which a finger may stand so that the one
    `width` semitones above it lies within `span` mm."""
    at = SEMITONES * math.log2(span_needed(length, 0, width) / span)
    return max(0, math.ceil(at - 1e-9))


def cents_off(length: float, semitones: float, mm: float) -> float:
    """Cents by which a finger sounds off that stands `mm` beyond its stop (less than 0: short of
    it): 1200 log2(l / (l - mm)), l from the stop to the bridge. Raises ValueError where it would
    stand on or past the bridge."""
    left = length - stop(length, semitones)
    if mm >= left:
        raise ValueError(f"expected less than {left:g} mm, got {mm:g}")
    return CENTS * math.log2(left / (left - mm))
