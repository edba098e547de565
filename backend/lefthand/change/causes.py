"""What changed of each cause: is it gone, less, stuck, or back?

Trouble is the chance that the cause is there times how strongly its own signs show; the chance by
itself saturates and hides slow easing. Whether it is *back* is asked of its own signs alone in the
last two lessons, in full: each grade is weighed by how much more likely it is with the cause than
without. On simulated courses a return is noticed within two lessons in eight of ten, with one false
alarm in ten, so it is told as *look again* (figures: `python -m lefthand simulate --courses`). The
edges are working judgement, with no published source.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from itertools import pairwise

import numpy as np

from lefthand.catalogue.catalogue import Catalogue
from lefthand.change.course import Course
from lefthand.change.memory import CausesOverTime
from lefthand.change.signs import ChangeWord, SignChange
from lefthand.change.work import work_on
from lefthand.reason.memory import Heard
from lefthand.reason.network import GRADE_IF_THERE, grades_if_not
from lefthand.values.vocabulary import LIKELY_ABOVE

OWN_SIGN_FROM = 0.4
BACK_ABOVE = 0.8  # log likelihood ratio
BACK_LESSONS = 2
EASED_BELOW = 0.5  # log likelihood ratio
NEVER_EASED_ABOVE = 0.8
# How likely it must be again, so that signs that others explain raise no alarm: of what is worked
# on now, was worked on once, and never was.
LIKELY_AGAIN = (0.02, 0.25, 0.45)
IS_THERE_ABOVE = 0.45
GONE_BELOW = 0.15
SURELY_ABOVE = 0.6
AWAY_BELOW = 0.2
AWAY_LOOKS = 3  # its signs may still show where other causes explain them
CLEARLY_LESS_FROM = 0.75
PROBABLY_LESS_FROM = 0.6
CLEARLY_LESS_SHARE = 0.45
PROBABLY_LESS_SHARE = 0.75
MORE_BY = 0.25
FEWEST_LOOKS = 3
LIKELY_LESSONS = 2  # in fewer it was never there for sure, so nothing is said to be less
WAS_THERE_ABOVE = 0.75
STUCK_LESSONS = 4
STUCK_BELOW = 0.4
STRONGEST = 2


class CauseWord(StrEnum):
    NOT_SEEN = "not_seen"
    GONE = "gone"
    CLEARLY_LESS = "clearly_less"
    PROBABLY_LESS = "probably_less"
    NO_CLEAR_CHANGE = "no_clear_change"
    STUCK = "stuck"
    MORE = "more"
    BACK = "back"
    RULED_OUT = "ruled_out"


BETTER = (CauseWord.GONE, CauseWord.CLEARLY_LESS, CauseWord.PROBABLY_LESS)


@dataclass(frozen=True, slots=True)
class CauseChange:
    """One cause over the lessons: by lesson its probability by all lessons, its trouble (0..1) and
    whether one of its own signs was looked at. signs: those of its own that were ever seen."""

    cause: str
    word: CauseWord
    probability: tuple[float, ...]
    trouble: tuple[float, ...]
    looked: tuple[bool, ...]
    signs: tuple[str, ...]

    @property
    def eased_by(self) -> float:
        """How much less trouble than at its worst, 0..1."""
        return max(self.trouble) - self.trouble[-1]


def cause_changes(
    course: Course, over_time: CausesOverTime, signs: Sequence[SignChange], catalogue: Catalogue
) -> list[CauseChange]:
    """Every cause that was likely once, or was a focus, in the order of the catalogue."""
    heard = course.heard
    in_focus = {cause for lesson in course.lessons for cause in lesson.focus}
    found = []
    for column, cause in enumerate(over_time.causes):
        probability = over_time.smoothed[:, column]
        if not len(probability):
            continue
        if probability.max() < IS_THERE_ABOVE and cause not in in_focus:
            continue
        own = own_signs(cause, heard, catalogue)
        looked = np.array([any(name in own for name in each.grades) for each in heard])
        its = [
            each for each in signs if each.series.finger is None and each.series.evidence.id in own
        ]
        trouble = probability * _strength(its, len(heard))
        word = _word(course, cause, probability, trouble, looked, its, catalogue)
        found.append(
            CauseChange(
                cause,
                word,
                tuple(map(float, probability)),
                tuple(map(float, trouble)),
                tuple(map(bool, looked)),
                tuple(own),
            )
        )
    return found


def own_signs(cause: str, heard: Sequence[Heard], catalogue: Catalogue) -> Mapping[str, float]:
    """What the cause shows in as a rule, of what was ever looked at: strength by evidence, without
    trials."""
    seen = dict.fromkeys(name for lesson in heard for name in lesson.grades)
    return {
        name: strength
        for name in seen
        if not catalogue.evidence[name].is_trial
        and (strength := catalogue.evidence[name].causes.get(cause, 0.0)) >= OWN_SIGN_FROM
    }


def _strength(own: Sequence[SignChange], lessons: int) -> np.ndarray:
    """(lessons,) the mean level of the own signs that show at some time, 0..1; 1 where none was."""
    shown = [each for each in own if max(each.level.values()) > 1 / STRONGEST]
    if not shown:
        return np.ones(lessons)
    levels = np.array([_held(each.level, lessons) for each in shown])
    result: np.ndarray = levels.mean(axis=0) / STRONGEST
    return result


def _held(level: Mapping[int, float], lessons: int) -> list[float]:
    """Levels of all lessons: before the first look as at the first, after the last as then."""
    first, last = min(level), max(level)
    return [level[min(max(lesson, first), last)] for lesson in range(lessons)]


def is_back(course: Course, cause: str, probability: Sequence[float], catalogue: Catalogue) -> bool:
    """True when the own signs of the last two lessons speak for a cause that was likely before, or
    worked on, and had eased in between. `probability`: of the cause, by lesson."""
    heard = course.heard
    if max(probability[-BACK_LESSONS:], default=0.0) < _likely_again(course, cause):
        return False  # other causes explain these signs
    earlier = [
        number
        for number, lesson in enumerate(course.lessons[:-BACK_LESSONS])
        if probability[number] > IS_THERE_ABOVE or cause in lesson.focus
    ]
    if not earlier or min(probability[earlier[0] : -BACK_LESSONS]) > NEVER_EASED_ABOVE:
        return False
    own = own_signs(cause, heard, catalogue)
    late = sum(_weight(own, lesson, catalogue) for lesson in heard[-BACK_LESSONS:])
    if late <= BACK_ABOVE:
        return False
    since = heard[earlier[0] + 1 : -BACK_LESSONS]
    weights = [_weight(own, lesson, catalogue) for lesson in since]
    between = [*weights, *(one + other for one, other in pairwise(weights))]
    return min(between, default=EASED_BELOW) < EASED_BELOW


def _likely_again(course: Course, cause: str) -> float:
    worked = any(cause in lesson.focus for lesson in course.lessons)
    now, once, never = LIKELY_AGAIN
    return now if cause in course.newest_focus else once if worked else never


def _weight(own: Mapping[str, float], lesson: Heard, catalogue: Catalogue) -> float:
    """How much a lesson's own signs speak for the cause, as a log likelihood ratio."""
    return sum(
        _speaks_for(catalogue, name, lesson.grades[name], strength)
        for name, strength in own.items()
        if name in lesson.grades
    )


def _speaks_for(catalogue: Catalogue, name: str, grade: int, strength: float) -> float:
    """Log of how much more likely a grade is with the cause than without."""
    without = float(grades_if_not(catalogue.evidence[name])[grade])
    there = float(GRADE_IF_THERE[grade])
    return math.log((strength * there + (1 - strength) * without) / without)


def _word(
    course: Course,
    cause: str,
    probability: np.ndarray,
    trouble: np.ndarray,
    looked: np.ndarray,
    signs: Sequence[SignChange],
    catalogue: Catalogue,
) -> CauseWord:
    if cause in course.ruled_out:
        return CauseWord.RULED_OUT
    looks = np.flatnonzero(looked)
    if not len(looks) or probability.max() < IS_THERE_ABOVE:
        return CauseWord.NOT_SEEN
    if is_back(course, cause, probability.tolist(), catalogue):
        return CauseWord.BACK
    if len(looks) < FEWEST_LOOKS:
        return CauseWord.NO_CLEAR_CHANGE
    last, peak = looks[-1], trouble.max()
    words = [each.word for each in signs]
    clear = any(word in (ChangeWord.GONE, ChangeWord.CLEARLY_LESS) for word in words)
    was_likely = np.count_nonzero(probability > LIKELY_ABOVE) >= LIKELY_LESSONS
    was_there = was_likely and np.count_nonzero(probability > WAS_THERE_ABOVE) >= LIKELY_LESSONS
    late = probability[looks[-AWAY_LOOKS:]]
    stayed_away = probability.max() > SURELY_ABOVE and late.max() < AWAY_BELOW
    if stayed_away or (probability[last] < GONE_BELOW and clear):
        return CauseWord.GONE if was_there else CauseWord.NOT_SEEN
    less = _mean_less(signs)
    if was_there and less >= CLEARLY_LESS_FROM and trouble[last] < CLEARLY_LESS_SHARE * peak:
        return CauseWord.CLEARLY_LESS
    if was_likely and less >= PROBABLY_LESS_FROM and trouble[last] < PROBABLY_LESS_SHARE * peak:
        return CauseWord.PROBABLY_LESS
    if trouble[last] > trouble[looks[0]] + MORE_BY:
        return CauseWord.MORE
    is_same = less < STUCK_BELOW and trouble[last] >= PROBABLY_LESS_SHARE * peak
    if is_same and _is_overdue(course, cause, catalogue):
        return CauseWord.STUCK
    return CauseWord.NO_CLEAR_CHANGE


def _is_overdue(course: Course, cause: str, catalogue: Catalogue) -> bool:
    """Worked on in the last lessons, for as long as it takes at the soonest; what is managed and
    not cured is never overdue."""
    late = course.lessons[-STUCK_LESSONS:]
    worked = sum(cause in lesson.focus for lesson in late)
    if len(late) < STUCK_LESSONS or worked < STUCK_LESSONS - 1:
        return False
    expected = catalogue.causes[cause].weeks
    return expected is not None and work_on(course, cause).weeks >= expected[0]


def _mean_less(signs: Sequence[SignChange]) -> float:
    """The mean chance, 0..1, that an own sign that showed at first is less; 0 where none did."""
    shown = [each.less for each in signs if each.level[each.series.first] > 1 / STRONGEST]
    return sum(shown) / len(shown) if shown else 0.0
