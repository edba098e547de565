"""Slips in a take, which are no unevenness: a note played twice, one left out, a stop in the line.

A note that lasts about twice its time beside all others was played twice; longer still, the line
stopped or began again. What lies inside the spread of a take that is uneven as a whole is no slip.
The edges are working judgement, tried on made-up takes.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum
from itertools import pairwise

import numpy as np

from lefthand.sound.notes import FAR_OUT, ROBUST, HeardNote
from lefthand.sound.score import Score

TWICE_FROM, STOPPED_FROM = 1.6, 2.6  # of the usual spacing
FEWEST = 4


class Slipped(StrEnum):
    TWICE = "twice"
    LEFT_OUT = "left_out"
    STOPPED = "stopped"


@dataclass(frozen=True, slots=True)
class Slip:
    """place: of the note in the drill; of a stop, the note before it."""

    kind: Slipped
    place: int


def slips_of(score: Score, notes: Sequence[HeardNote], lost: Sequence[int]) -> list[Slip]:
    """In the order of playing."""
    spacings = [
        (one.place, (two.at - one.at) / nominal)
        for one, two in pairwise(notes)
        if two.place == one.place + 1
        and (nominal := score.notes[two.place].onset - score.notes[one.place].onset) > 0
    ]
    found = [Slip(Slipped.LEFT_OUT, place) for place in lost]
    if len(spacings) >= FEWEST:
        ratios = np.array([ratio for _, ratio in spacings])
        middle = float(np.median(ratios))
        spread = ROBUST * float(np.median(np.abs(ratios - middle)))
        for place, ratio in spacings:
            share = ratio / middle
            if share >= TWICE_FROM and ratio - middle > FAR_OUT * spread:
                kind = Slipped.TWICE if share < STOPPED_FROM else Slipped.STOPPED
                found.append(Slip(kind, place))
    return sorted(found, key=lambda slip: slip.place)
