"""Tapes as they were stuck on, beside the places where the string is stopped."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from lefthand.fit.stops import CENTS, SEMITONES, stop
from lefthand.values.said import Said, Value, said

# A tape is a few millimetres wide and is laid by eye; working judgement, no source.
IN_PLACE_MM = 0.5


@dataclass(frozen=True, slots=True)
class Tape:
    """`at`: mm from the nut. `semitones`: the nearest above the open string, 1 or more. `place`:
    where that is stopped, mm. `cents`: how much sharper than that a finger on the tape sounds."""

    at: float
    semitones: int
    place: float
    cents: float

    @property
    def off(self) -> float:
        """mm beyond its place, less than 0 where it is too near to the nut."""
        return self.at - self.place

    @property
    def is_in_place(self) -> bool:
        return abs(self.off) <= IN_PLACE_MM


def tapes_beside(tapes: Sequence[float], length: float) -> list[Tape]:
    """Each tape on a string of `length` mm from nut to bridge, in the order given: what sounds at
    distance d is 12 log2(L / (L - d)) semitones above the open string, the inverse of `stop`. Tapes
    that lie on no string (at the nut or beyond the bridge) are left out."""
    return [_beside(at, length) for at in tapes if 0 < at < length]


def _beside(at: float, length: float) -> Tape:
    sounds = SEMITONES * math.log2(length / (length - at))
    nearest = max(1, round(sounds))
    return Tape(at, nearest, stop(length, nearest), CENTS / SEMITONES * (sounds - nearest))


def tape_said(tape: Tape) -> Said:
    """What a tape is beside its place, to be read by a teacher."""
    told: dict[str, Value] = {
        "at": f"{tape.at:g}",
        "semitones": tape.semitones,
        "place": f"{tape.place:.1f}",
    }
    if tape.is_in_place:
        return said("tape-in-place", **told)
    side = "far" if tape.off > 0 else "near"
    off, cents = f"{abs(tape.off):.1f}", round(abs(tape.cents))
    return said("tape-off", **told, off=off, cents=cents, side=side)
