"""What went before a change: exercises given and practised, and what they aim at before and after.

For one player: an exercise counts for a cause that it aims at first or second, from the first
lesson that gave it. The signs of the cause that were there then are looked at again two to six
weeks later; *less* is the chance, by the model of signs, that they are less than they were when it
was first given. Practice counts only where days were logged or asked.

Over a teacher's own players: of those with this cause who practised it, how many had less of it
afterwards, as far as that is more likely than not. The share is drawn towards that of all exercises
for the cause, each player once, as though PRIOR_PLAYERS more had done as they did (Beta prior;
Gelman et al., "Bayesian Data Analysis", 3rd ed., 2013, section 5.1), with its 80 % interval. Two
exercises are told apart only where the chance that one is better reaches TOLD_APART: in simulated
studios of 40 players, one exercise healing 25 and one 8 of 100 a week, the better one is named in
thirteen of twenty and the other never; of two equal ones, one in one of twenty. None of this says
what *caused* the change: players grow, other exercises are given beside it, and a teacher gives an
exercise to whom it suits.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date

import numpy as np

from lefthand.catalogue.catalogue import Catalogue
from lefthand.change.course import Course, series_of
from lefthand.change.signs import Series, sign_changes

AIMS_COUNTED = 2
SOONEST_DAYS = 14
LATEST_DAYS = 42
FEWEST_DAYS_DONE = 4
PRIOR_PLAYERS = 4
FEW = 5
FEWEST_COMPARED = 2
TOLD_APART = 0.98
LESS_FROM = 0.5
DRAWS = 4000
SHOWS_FROM = 1


@dataclass(frozen=True, slots=True)
class Helped:
    """One exercise of one player against one cause. days: practised until the later look, None
    where nobody knows. less: chance that its signs were less then."""

    exercise: str
    cause: str
    given_on: date
    looked_on: date
    days: int | None
    less: float

    @property
    def is_practised(self) -> bool:
        return self.days is not None and self.days >= FEWEST_DAYS_DONE

    @property
    def is_less(self) -> bool:
        return self.less >= LESS_FROM


@dataclass(frozen=True, slots=True)
class Share:
    """players: with this cause who practised the exercise and were looked at again; less: of them
    less. share with its 80 % interval, 0..1."""

    exercise: str
    cause: str
    players: int
    less: int
    share: float
    low: float
    high: float

    @property
    def is_few(self) -> bool:
        return self.players < FEW


def what_helped(course: Course, catalogue: Catalogue) -> list[Helped]:
    """Every exercise of the course that was looked at again in time, the first giving of each."""
    series = [each for each in series_of(course, catalogue) if each.finger is None]
    found = []
    seen: set[str] = set()
    for number, lesson in enumerate(course.lessons):
        for exercise in lesson.plan:
            if exercise in seen:
                continue
            seen.add(exercise)
            for cause in catalogue.exercises[exercise].aims[:AIMS_COUNTED]:
                one = _helped(course, series, number, exercise, cause)
                if one is not None:
                    found.append(one)
    return found


def _helped(
    course: Course, series: Sequence[Series], given: int, exercise: str, cause: str
) -> Helped | None:
    days = course.days
    later = [
        number
        for number in range(given + 1, len(days))
        if SOONEST_DAYS <= days[number] - days[given] <= LATEST_DAYS
    ]
    own = [s for s in series if cause in s.evidence.causes]
    for last in reversed(later):
        since = [_between(each, given, last) for each in own]
        shown = [each for each in since if each is not None]
        if shown:
            changes = sign_changes(days[given : last + 1], shown)
            return Helped(
                exercise=exercise,
                cause=cause,
                given_on=course.lessons[given].on,
                looked_on=course.lessons[last].on,
                days=_days_done(course, given, last),
                less=float(np.mean([change.less for change in changes])),
            )
    return None


def _between(series: Series, given: int, last: int) -> Series | None:
    """The grades from the giving, lesson 0 of them, to the later look, where it showed at first and
    was looked at then."""
    grades = {n - given: grade for n, grade in series.grades.items() if given <= n <= last}
    if grades.get(0, 0) < SHOWS_FROM or last - given not in grades:
        return None
    return Series(series.evidence, None, grades)


def _days_done(course: Course, given: int, last: int) -> int | None:
    told = [lesson.practice for lesson in course.lessons[given + 1 : last + 1]]
    known = [practice.done for practice in told if practice is not None]
    return sum(known) if known else None


def shares(players: Iterable[Sequence[Helped]]) -> list[Share]:
    """Over players, each once a pair of exercise and cause; by cause, the largest share first."""
    counts: dict[tuple[str, str], list[int]] = {}
    for helped in players:
        for one in {(h.cause, h.exercise): h for h in helped if h.is_practised}.values():
            count = counts.setdefault((one.cause, one.exercise), [0, 0])
            count[0] += one.is_less
            count[1] += 1
    overall = _overall(counts)
    found = [
        _share(cause, exercise, less, all_, overall[cause])
        for (cause, exercise), (less, all_) in counts.items()
    ]
    return sorted(found, key=lambda s: (s.cause, -s.share, s.exercise))


def _overall(counts: Mapping[tuple[str, str], Sequence[int]]) -> dict[str, float]:
    """Of each cause the share over all its exercises, with one of two added."""
    sums: dict[str, list[int]] = {}
    for (cause, _), (less, all_) in counts.items():
        total = sums.setdefault(cause, [0, 0])
        total[0] += less
        total[1] += all_
    return {cause: (less + 1) / (all_ + 2) for cause, (less, all_) in sums.items()}


def _beta(less: int, players: int, overall: float) -> tuple[float, float]:
    return less + PRIOR_PLAYERS * overall, players - less + PRIOR_PLAYERS * (1 - overall)


def _share(cause: str, exercise: str, less: int, players: int, overall: float) -> Share:
    a, b = _beta(less, players, overall)
    low, high = np.quantile(_draws(a, b), [0.1, 0.9])
    return Share(exercise, cause, players, less, a / (a + b), float(low), float(high))


def _draws(a: float, b: float) -> np.ndarray:
    """Draws of a Beta, always the same ones."""
    return np.random.default_rng(1).beta(a, b, DRAWS)


def chance_better(one: Share, other: Share) -> float:
    """The chance, 0..1, that the first exercise goes with less trouble more often."""
    draw = np.random.default_rng(1)
    overall = (one.less + other.less + 1) / (one.players + other.players + 2)
    mine = draw.beta(*_beta(one.less, one.players, overall), DRAWS)
    its = draw.beta(*_beta(other.less, other.players, overall), DRAWS)
    return float(np.mean(mine > its))


def better_than_others(found: Sequence[Share]) -> dict[str, str]:
    """By cause, the exercise that can be told apart from every other one for it, if any."""
    by_cause: dict[str, list[Share]] = {}
    for share in found:
        by_cause.setdefault(share.cause, []).append(share)
    best = {}
    for cause, rows in by_cause.items():
        enough = [row for row in rows if not row.is_few]
        if len(enough) < FEWEST_COMPARED:
            continue
        first, *others = enough
        if all(chance_better(first, other) >= TOLD_APART for other in others):
            best[cause] = first.exercise
    return best
