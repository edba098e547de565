"""How much work that loads the hand a week may ask for, from what the weeks before asked.

Load is what strengthens or stretches. It is counted in seconds of work a week (sets x repetitions x
seconds x fingers x days), never in rounded minutes.

Rules (common practice, no source): from one week to the next it grows by a tenth at most; a week
without load changes nothing; after a break or a lifted stop it begins again at half of the last
load. So that small whole doses do not stay what they are for ever (8 repetitions and a tenth are
still 8), growth that was allowed and not used is kept until it makes one repetition.
"""

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


@dataclass(frozen=True, slots=True)
class LoadCourse:
    """Where the load stands after some weeks: the last one given and the limit that it left."""

    last: GivenLoad | None = None
    limit: float | None = None

    def after(self, load: GivenLoad, pause: date | None) -> "LoadCourse":
        """The course with one more plan. `pause`: the newest day up to it on which a break ended or
        a stop was lifted; a plan of the same day comes after it."""
        if load.seconds <= 0:
            return self
        limit = self.limit_after(pause)
        kept = 0.0 if limit is None else min(limit * WEEKLY_GROWTH, load.seconds + load.step)
        return LoadCourse(load, max(load.seconds * WEEKLY_GROWTH, kept))

    def limit_after(self, pause: date | None) -> float | None:
        """Most seconds of work for the coming week; None when there was no load before."""
        if self.last is None:
            return None
        if pause is not None and pause > self.last.on:
            return self.last.seconds * SHARE_AFTER_PAUSE
        return self.limit
