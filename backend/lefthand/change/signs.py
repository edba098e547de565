"""Whether a sign is truly less than it was: grades are noisy, so one mark of difference is no news.

Method: a hidden level in every lesson, 0 not there, 1 slight, 2 strong, that moves between lessons
in continuous time, seen through misgrading; forwards and backwards exactly (Rabiner, "A tutorial on
hidden Markov models", Proc. IEEE 77, 1989). The chance of *less* is read from the exact joint of
the first and the last level, not from two separate chances. Signs of one cause lean on each other:
the grades of the others in a lesson move the odds that this one is there.

The tables of grades for *slight* and *strong* are made so that both halves together are the
network's table for what is there. They are drawn towards each other, for a sign that is there is
not always graded by how strong it is. All numbers are working judgement, with no published source;
how often the words are right on simulated courses is told by `python -m lefthand simulate
--courses`.

Where it can be wrong: it takes misgradings of different lessons as independent; a teacher who
always grades one player too low or too high shows a change only where the habit changes.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from functools import cached_property
from itertools import pairwise

import numpy as np

from lefthand.catalogue.evidence import Evidence
from lefthand.reason.network import GRADE_IF_THERE, Floats, grades_if_not
from lefthand.reason.steps import level_step

GRADE_IF_SLIGHT = np.array([0.148, 0.386, 0.368, 0.098])
GRADE_IF_STRONG = 2 * GRADE_IF_THERE - GRADE_IF_SLIGHT
START = np.array([0.4, 0.3, 0.3])
EASES = 0.09  # chance a week of one level less
GROWS = 0.05
LEAN = 0.35
SIBLING_FROM = 0.5
MONTH = 28

GONE_ABOVE = 0.87
GONE_LESS_ABOVE = 0.84
CLEAR_ABOVE = 0.92
PROBABLE_ABOVE = 0.86
GROWN_ABOVE = 0.75
LATE_LESSONS = 2
CLEAR_GRADE = 2


class ChangeWord(StrEnum):
    GONE = "gone"
    CLEARLY_LESS = "clearly_less"
    PROBABLY_LESS = "probably_less"
    NO_CLEAR_CHANGE = "no_clear_change"
    MORE = "more"


LESS = (ChangeWord.GONE, ChangeWord.CLEARLY_LESS, ChangeWord.PROBABLY_LESS)


@dataclass(frozen=True)
class Series:
    """The grades of one sign, or of one finger of it, by the number of the lesson."""

    evidence: Evidence
    finger: int | None
    grades: Mapping[int, int]

    @cached_property
    def first(self) -> int:
        return min(self.grades)

    @cached_property
    def last(self) -> int:
        return max(self.grades)


@dataclass(frozen=True, slots=True)
class SignChange:
    """word: against the first lesson that looked. less, more: chances in 0..1 against it; a month
    ago: against the level of four weeks before the last look, None where that is not reached.
    gone: the chance that it is not there now. level: 0..2 expected in each lesson from the first
    look to the last, by the number of the lesson."""

    series: Series
    word: ChangeWord
    less: float
    more: float
    less_than_a_month_ago: float | None
    gone: float
    level: Mapping[int, float]


def sign_changes(days: Sequence[int], series: Sequence[Series]) -> list[SignChange]:
    """The change of every sign. `days`: of the lessons, rising, from any zero."""
    if not series:
        return []
    seen = _Seen.of(days, series)
    forward, joint = _forward(seen)
    smoothed = forward * _backward(seen)
    smoothed /= smoothed.sum(axis=2, keepdims=True)
    return [_change(seen, number, smoothed[number], joint) for number in range(len(series))]


@dataclass(frozen=True, eq=False)
class _Seen:
    """emission: (signs, lessons, 3). steps: (lessons - 1, 3, 3). first, last, month: (signs,) the
    numbers of lessons; month is -1 where there was no look four weeks before the last."""

    series: Sequence[Series]
    emission: Floats
    steps: list[Floats]
    first: np.ndarray
    last: np.ndarray
    month: np.ndarray

    @staticmethod
    def of(days: Sequence[int], series: Sequence[Series]) -> "_Seen":
        gaps = [later - earlier for earlier, later in pairwise(days)]
        return _Seen(
            series,
            _emissions(len(days), series),
            [level_step(gap, EASES, GROWS) for gap in gaps],
            np.array([each.first for each in series]),
            np.array([each.last for each in series]),
            np.array([_a_month_before(days, each) for each in series]),
        )


def _a_month_before(days: Sequence[int], series: Series) -> int:
    until = days[series.last] - MONTH
    return max((n for n in series.grades if days[n] <= until), default=-1)


def _emissions(lessons: int, series: Sequence[Series]) -> Floats:
    tables = np.stack(
        [np.stack([grades_if_not(s.evidence), GRADE_IF_SLIGHT, GRADE_IF_STRONG]) for s in series]
    )
    emission = np.ones((len(series), lessons, 3))
    leaning = np.zeros((len(series), lessons))
    for number, each in enumerate(series):
        looks, grades = list(each.grades), list(each.grades.values())
        emission[number, looks] = tables[number][:, grades].T
        leaning[number, looks] = np.log(GRADE_IF_THERE[grades] / tables[number][0, grades])
    emission[:, :, 1:] *= np.exp(LEAN * _lean(series, leaning))[:, :, None]
    return emission


def _lean(series: Sequence[Series], leaning: Floats) -> Floats:
    """(signs, lessons): the mean log ratio of the other signs of its causes in each lesson."""
    looked = leaning != 0
    siblings = np.array([[_are_siblings(a, b) for b in series] for a in series], dtype=float)
    counted = siblings @ looked
    total = siblings @ leaning
    lean: Floats = np.divide(total, counted, out=np.zeros_like(total), where=counted > 0)
    return lean


def _are_siblings(one: Series, other: Series) -> bool:
    """Different signs of a cause that shows in both as a rule."""
    if one.evidence.id == other.evidence.id:
        return False
    mine, its = one.evidence.causes, other.evidence.causes
    return any(min(mine[c], its[c]) >= SIBLING_FROM for c in mine.keys() & its.keys())


def _forward(seen: _Seen) -> tuple[Floats, tuple[Floats, Floats]]:
    """Levels (signs, lessons, 3) given the past, and the joints (signs, 3, 3) of the first and last
    level and of the level a month ago and the last."""
    signs, lessons, levels = seen.emission.shape
    now = np.tile(START, (signs, 1))
    forward = np.empty_like(seen.emission)
    since_first = np.zeros((signs, levels, levels))
    since_month = np.zeros((signs, levels, levels))
    for lesson in range(lessons):
        begun = (seen.first < lesson)[:, None]
        step = seen.steps[lesson - 1] if lesson else np.eye(levels)
        now = np.where(begun, now @ step, START) * seen.emission[:, lesson]
        now /= now.sum(axis=1, keepdims=True)
        forward[:, lesson] = now
        for joint, start in ((since_first, seen.first), (since_month, seen.month)):
            moves = (start >= 0) & (start < lesson) & (lesson <= seen.last)
            if moves.any():
                moved = joint[moves] @ step * seen.emission[moves, lesson][:, None, :]
                joint[moves] = moved / moved.sum(axis=(1, 2), keepdims=True)
            begins = start == lesson
            joint[begins] = now[begins][:, :, None] * np.eye(levels)
    return forward, (since_first, since_month)


def _backward(seen: _Seen) -> Floats:
    """What later lessons say of each level, (signs, lessons, 3); 1 after the last look."""
    signs, lessons, levels = seen.emission.shape
    backward = np.ones((signs, lessons, levels))
    for lesson in range(lessons - 2, -1, -1):
        later = seen.emission[:, lesson + 1] * backward[:, lesson + 1]
        told = later @ seen.steps[lesson].T
        told /= told.sum(axis=1, keepdims=True)
        backward[:, lesson] = np.where((lesson < seen.last)[:, None], told, 1.0)
    return backward


def _change(
    seen: _Seen, number: int, smoothed: Floats, joints: tuple[Floats, Floats]
) -> SignChange:
    series = seen.series[number]
    joint, month = joints[0][number], joints[1][number]
    less, more = _below(joint), _below(joint.T)
    gone = float(smoothed[series.last, 0])
    at_first = float(smoothed[series.first, 0])
    first, last = series.first, series.last
    levels = smoothed[first : last + 1] @ [0, 1, 2]
    return SignChange(
        series=series,
        word=_word(list(_in_order(series)), less, more, gone, at_first),
        less=less,
        more=more,
        less_than_a_month_ago=_below(month) if seen.month[number] >= 0 else None,
        gone=gone,
        level=dict(zip(range(first, last + 1), levels.tolist(), strict=True)),
    )


def _below(joint: Floats) -> float:
    """The chance that the later level is lower, from a joint (earlier, later)."""
    return float(np.tril(joint, -1).sum())


def _in_order(series: Series) -> list[int]:
    return [series.grades[lesson] for lesson in sorted(series.grades)]


def _word(
    grades: Sequence[int], less: float, more: float, gone: float, at_first: float
) -> ChangeWord:
    late = grades[-LATE_LESSONS:]
    is_gone = at_first < 0.5 and gone >= GONE_ABOVE and less >= GONE_LESS_ABOVE
    if is_gone and len(grades) > LATE_LESSONS and max(late) <= 1 and min(late) == 0:
        word = ChangeWord.GONE
    elif less >= CLEAR_ABOVE:
        word = ChangeWord.CLEARLY_LESS
    elif less >= PROBABLE_ABOVE:
        word = ChangeWord.PROBABLY_LESS
    elif more >= GROWN_ABOVE and len(grades) > LATE_LESSONS and min(late) > max(grades[0], 1):
        word = ChangeWord.MORE
    else:
        word = ChangeWord.NO_CLEAR_CHANGE
    if word in LESS and not _was_seen_twice(grades):
        return ChangeWord.NO_CLEAR_CHANGE
    if word in LESS and is_back(grades):
        as_at_first = max(late) >= max(grades[:LATE_LESSONS])
        return ChangeWord.NO_CLEAR_CHANGE if as_at_first else ChangeWord.PROBABLY_LESS
    return word


def _was_seen_twice(grades: Sequence[int]) -> bool:
    """In two looks running: what was seen in one only may have been a bad day, or a slip."""
    return any(one and other for one, other in pairwise(grades))


def is_back(grades: Sequence[int]) -> bool:
    """There again in one of the last two looks, after it had been less: never told as gone or
    clearly less. `grades`: of all looks, oldest first."""
    if len(grades) <= LATE_LESSONS:
        return False
    late = max(grades[-LATE_LESSONS:])
    eased = min(grades[1:-1], default=late)
    return late >= CLEAR_GRADE and eased < CLEAR_GRADE and late > eased
