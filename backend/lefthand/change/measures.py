"""Whether a measured number has truly changed.

The least real change is 1.96 * sqrt(2) * SEM, where SEM is the standard error of one measuring
(Weir, "Quantifying test-retest reliability using the intraclass correlation coefficient and the
SEM", J. Strength Cond. Res. 19, 2005). SEM comes from the player's own repeats of one day where
there are three or more, with Student's t in the place of 1.96 and what is known of the method
counted as four repeats beside them: the plain formula on three repeats calls chance a change in 14
of 100, this one in 2. With fewer repeats the method's own SEM stands, and nothing is called a
change where the method has none.

The trend is the median of all slopes (Theil, 1950; Sen, "Estimates of the regression coefficient
based on Kendall's tau", J. Am. Stat. Assoc. 63, 1968), so that one bad day does not move it; its
interval is that of Kendall's statistic without ties.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from enum import StrEnum
from itertools import combinations
from statistics import median

from lefthand.values.measures import MEASURES, METHOD_SEM, REAL_CHANGE
from lefthand.values.vocabulary import DAYS_A_WEEK

Z95 = 1.96
FEWEST_REPEATS = 3
METHOD_WORTH = 4  # repeats
FEWEST_FOR_TREND = 4

# Two-sided 95 % points of Student's t by degrees of freedom (handbook table, e.g. Zar,
# "Biostatistical Analysis", table B.3); between two rows the nearer smaller one holds.
STUDENT_95 = {
    1: 12.706, 2: 4.303, 3: 3.182, 4: 2.776, 5: 2.571, 6: 2.447, 7: 2.365, 8: 2.306, 9: 2.262,
    10: 2.228, 12: 2.179, 15: 2.131, 20: 2.086, 30: 2.042, 60: 2.000, 120: 1.980,
}  # fmt: skip


class Basis(StrEnum):
    """What the least real change rests on."""

    OWN = "own"
    METHOD = "method"
    NONE = "none"


@dataclass(frozen=True, slots=True)
class LeastChange:
    """least: the smallest change that counts, sem: of one measuring, both in the measure's unit;
    None where nothing is known."""

    least: float | None
    sem: float | None
    basis: Basis


@dataclass(frozen=True, slots=True)
class Trend:
    """A slope a week with the ends of its 95 % interval, in the measure's unit."""

    slope: float
    low: float
    high: float

    @property
    def is_real(self) -> bool:
        return self.low > 0 or self.high < 0


@dataclass(frozen=True, slots=True)
class MeasureChange:
    """First against last. gain: how much better, in the measure's unit, below zero for worse.
    is_real: more than the least real change. is_first_worst: the first was the worst of all, and
    the others alone show no change: part of the gain would have come by itself, as a first lesson
    is often chosen for a bad day."""

    measure: str
    first: float
    last: float
    gain: float
    least: LeastChange
    is_real: bool
    trend: Trend | None
    is_first_worst: bool


def least_real_change(spreads: Sequence[float], method_sem: float | None = None) -> LeastChange:
    """spreads: the standard deviation of two measurings of one day, for each day that had them (for
    a pair a, b it is |a - b| / sqrt 2), in the measure's unit. Raises ValueError for one below 0.
    """
    if any(spread < 0 for spread in spreads):
        raise ValueError(f"a spread is 0 or more, got {min(spreads)}")
    if len(spreads) < FEWEST_REPEATS:
        if method_sem is None:
            return LeastChange(None, None, Basis.NONE)
        return LeastChange(REAL_CHANGE * method_sem, method_sem, Basis.METHOD)
    worth = METHOD_WORTH if method_sem is not None else 0
    known = sum(spread**2 for spread in spreads) + worth * (method_sem or 0.0) ** 2
    freedom = len(spreads) + worth
    sem = math.sqrt(known / freedom)
    return LeastChange(student_95(freedom) * math.sqrt(2) * sem, sem, Basis.OWN)


def student_95(freedom: int) -> float:
    """The two-sided 95 % point of Student's t. Raises ValueError below 1 degree of freedom."""
    if freedom < 1:
        raise ValueError(f"expected 1 degree of freedom or more, got {freedom}")
    return STUDENT_95[max(row for row in STUDENT_95 if row <= freedom)]


def trend(days: Sequence[float], values: Sequence[float]) -> Trend | None:
    """The trend of values over days that rise; None for fewer than four."""
    count = len(values)
    if count < FEWEST_FOR_TREND:
        return None
    slopes = sorted(
        DAYS_A_WEEK * (values[later] - values[earlier]) / (days[later] - days[earlier])
        for earlier, later in combinations(range(count), 2)
    )
    half = Z95 * math.sqrt(count * (count - 1) * (2 * count + 5) / 18)
    low = max(0, math.floor((len(slopes) - half) / 2))
    high = min(len(slopes) - 1, math.ceil((len(slopes) + half) / 2))
    return Trend(median(slopes), slopes[low], slopes[high])


def measure_change(
    measure: str, taken: Sequence[tuple[date, float, float | None]]
) -> MeasureChange | None:
    """What truly changed of one measure: `taken` holds day, value and spread, oldest first; None
    for fewer than two."""
    if len(taken) < 2:
        return None
    known = MEASURES[measure]
    sign = -1 if known.higher_is_worse else 1
    method = METHOD_SEM.get(measure)
    spreads = [spread for _, _, spread in taken if spread is not None]
    least = least_real_change(spreads, method[0] if method else None)
    days = [float((day - taken[0][0]).days) for day, _, _ in taken]
    values = [value for _, value, _ in taken]
    gain = sign * (values[-1] - values[0])
    return MeasureChange(
        measure=measure,
        first=values[0],
        last=values[-1],
        gain=gain,
        least=least,
        is_real=least.least is not None and abs(gain) > least.least,
        trend=trend(days, values),
        is_first_worst=_is_first_worst([sign * value for value in values], least),
    )


def _is_first_worst(goodness: Sequence[float], least: LeastChange) -> bool:
    """True where only the first day was different; `goodness`: higher is better."""
    others = goodness[1:]
    if len(others) < 2 or least.least is None or goodness[0] >= min(others):
        return False
    gained = goodness[-1] - goodness[0]
    return gained > least.least and abs(others[-1] - others[0]) <= least.least
