"""What to do with an exercise after a week: go on, stay, step back, rest or look again.

Rules of the trade (common practice, no source), in the order in which they are asked: any red flag
rests; three lessons with no clear change in what the exercise aims at ask for another look, however
the exercise itself goes; pain, a tighter hand or two failed lessons step back, and below the lowest
rung to another exercise; a rung is passed in the lesson or on three practice days running with no
pain.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from enum import StrEnum

from lefthand.practice.waits import OUT_AFTER_PAIN
from lefthand.reason.learning import LESSONS_WITHOUT_CHANGE
from lefthand.reason.safety import Safety
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import DAYS_A_WEEK

DAYS_RUNNING = 3
FAILED_LESSONS = 2


class Move(StrEnum):
    GO_ON = "go on"
    STAY = "stay"
    STEP_BACK = "step back"
    REST = "rest"
    LOOK_AGAIN = "look again"


@dataclass(frozen=True, slots=True)
class PracticeDay:
    """One day at home. pain 0..10 or None when not asked; on: None where it does not matter."""

    passed: bool
    pain: float | None = None
    tighter: bool = False
    on: date | None = None


@dataclass(frozen=True, slots=True)
class Course:
    """How one exercise went on its present rung.

    passed_in_lesson: this lesson's word, None when not tried. failed_before: lessons in a row
    before this one in which it was tried and failed. days: practice days since the last lesson,
    oldest first. aim_grades: summed grades of the evidence it aims at, one a lesson in which it was
    looked at, oldest first; measured values count by their grade.
    """

    rung: int
    rungs: int
    passed_in_lesson: bool | None = None
    failed_before: int = 0
    days: Sequence[PracticeDay] = ()
    aim_grades: Sequence[float] = ()


@dataclass(frozen=True, slots=True)
class Advice:
    move: Move
    rung: int
    reason: Said
    is_left_out: bool = False


def next_step(course: Course, safety: Safety) -> Advice:
    """The move, the rung for the coming week (1 is the lowest) and one reason.

    `is_left_out`: the next proposal goes without this exercise.
    """
    if safety.is_red:
        return Advice(Move.REST, course.rung, safety.reasons[0])
    if _no_change(course.aim_grades):
        reason = said("move-no-change", lessons=LESSONS_WITHOUT_CHANGE)
        return Advice(Move.LOOK_AGAIN, course.rung, reason, is_left_out=True)
    trouble = _trouble(course)
    if trouble is not None:
        return _step_back(course, trouble)
    if course.passed_in_lesson:
        return _go_on(course, said("move-shown"))
    if course.passed_in_lesson is None and _three_running(course.days):
        return _go_on(course, said("move-running", days=DAYS_RUNNING))
    if course.passed_in_lesson is False:
        return Advice(Move.STAY, course.rung, said("move-not-there"))
    return Advice(Move.STAY, course.rung, said("move-not-shown"))


def _trouble(course: Course) -> Said | None:
    if any((day.pain or 0) > 0 for day in course.days):
        return said("move-hurt", weeks=OUT_AFTER_PAIN // DAYS_A_WEEK)
    if any(day.tighter for day in course.days):
        return said("move-tighter")
    if course.passed_in_lesson is False and course.failed_before + 1 >= FAILED_LESSONS:
        return said("move-failed", lessons=FAILED_LESSONS)
    return None


def _step_back(course: Course, reason: Said) -> Advice:
    if course.rung > 1:
        return Advice(Move.STEP_BACK, course.rung - 1, reason)
    return Advice(Move.STEP_BACK, 1, said("move-lowest", because=reason), is_left_out=True)


def _go_on(course: Course, reason: Said) -> Advice:
    if course.rung >= course.rungs:
        return Advice(Move.GO_ON, course.rungs, said("move-last", because=reason))
    return Advice(Move.GO_ON, course.rung + 1, reason)


def _three_running(days: Sequence[PracticeDay]) -> bool:
    run = 0
    for day in days:
        run = run + 1 if day.passed else 0
        if run >= DAYS_RUNNING:
            return True
    return False


def _no_change(grades: Sequence[float]) -> bool:
    """Something still shows, and no less of it than three lessons of work ago."""
    if len(grades) <= LESSONS_WITHOUT_CHANGE or not grades[-1]:
        return False
    return grades[-1] >= grades[-1 - LESSONS_WITHOUT_CHANGE]
