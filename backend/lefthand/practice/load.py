"""How much work that loads the hand a week may ask for, from what the weeks before asked.

Load is what strengthens or stretches. It is counted in seconds of work a week (sets x repetitions x
seconds x fingers x days), never in rounded minutes.

Rules (common practice, no source): from one week to the next it grows by a tenth at most; a week
without load changes nothing; after a break or a lifted stop it begins again at half of the last
load. So that small whole doses do not stay what they are for ever (8 repetitions and a tenth are
still 8), growth that was allowed and not used is kept until it makes one repetition.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

WEEKLY_GROWTH = 1.10
SHARE_AFTER_PAUSE = 0.5


@dataclass(frozen=True, slots=True)
class GivenLoad:
    """What one week's plan asked for, s of work; `step`: what one repetition more would add."""

    on: date
    seconds: float
    step: float


def load_limit(given: Sequence[GivenLoad], pauses: Sequence[date]) -> float | None:
    """Most seconds of work for the coming week; None when there was no load before.

    `given`: plans in any order. `pauses`: days on which a break ended or a stop was lifted; a plan
    of the same day comes after it.
    """
    limit = last = None
    loads = sorted((each for each in given if each.seconds > 0), key=lambda each: each.on)
    ended = sorted(pauses)
    for load in loads:
        if last is not None and any(last.on < day <= load.on for day in ended):
            limit = last.seconds * SHARE_AFTER_PAUSE
        kept = 0.0 if limit is None else min(limit * WEEKLY_GROWTH, load.seconds + load.step)
        limit = max(load.seconds * WEEKLY_GROWTH, kept)
        last = load
    if last is not None and any(last.on < day for day in ended):
        return last.seconds * SHARE_AFTER_PAUSE
    return limit
