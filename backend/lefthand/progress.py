"""What to do with an exercise after a week: go on, stay, step back, rest or look again.

Rules of the trade (common practice, no source): a rung is passed in the lesson or on three practice
days running with no pain; two failed lessons, pain or a tighter hand step back; any red flag rests;
three lessons with no clear change in what the exercise aims at ask for another look.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

from lefthand.safety import Safety

DAYS_RUNNING = 3
FAILED_LESSONS = 2
LESSONS_WITHOUT_CHANGE = 3


class Move(StrEnum):
    GO_ON = "go on"
    STAY = "stay"
    STEP_BACK = "step back"
    REST = "rest"
    LOOK_AGAIN = "look again"


@dataclass(frozen=True, slots=True)
class PracticeDay:
    """One day at home. pain 0..10 or None when not asked."""

    passed: bool
    pain: float | None = None
    tighter: bool = False


@dataclass(frozen=True, slots=True)
class Course:
    """How one exercise went on its present rung.

    passed_in_lesson: this lesson's word, None when not tried. failed_before: lessons in a row
    before this one in which it was tried and failed. days: practice days since the last lesson,
    oldest first. aim_grades: summed grades of the evidence it aims at, one a lesson, oldest first.
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
    reason: str


def next_step(course: Course, safety: Safety) -> Advice:
    """The move, the rung for the coming week (1 is the lowest) and one reason."""
    lower = max(1, course.rung - 1)
    if safety.is_red:
        return Advice(Move.REST, course.rung, f"resting: {safety.reasons[0]}")
    if any((day.pain or 0) > 0 for day in course.days):
        return Advice(Move.STEP_BACK, lower, "it hurt a little at home")
    if any(day.tighter for day in course.days):
        return Advice(Move.STEP_BACK, lower, "the hand got tighter with it")
    if course.passed_in_lesson is False and course.failed_before + 1 >= FAILED_LESSONS:
        return Advice(Move.STEP_BACK, lower, "not there in two lessons running")
    if course.passed_in_lesson:
        return _go_on(course, "shown in the lesson")
    if course.passed_in_lesson is None and _three_running(course.days):
        return _go_on(course, "right on three practice days running, with no pain")
    if _no_change(course.aim_grades):
        reason = "three lessons and no clear change in what it aims at"
        return Advice(Move.LOOK_AGAIN, course.rung, reason)
    if course.passed_in_lesson is False:
        return Advice(Move.STAY, course.rung, "not there yet; once more")
    return Advice(Move.STAY, course.rung, "not shown yet")


def _go_on(course: Course, reason: str) -> Advice:
    if course.rung >= course.rungs:
        return Advice(Move.GO_ON, course.rungs, f"{reason}; the last step is passed")
    return Advice(Move.GO_ON, course.rung + 1, reason)


def _three_running(days: Sequence[PracticeDay]) -> bool:
    run = 0
    for day in days:
        run = run + 1 if day.passed else 0
        if run >= DAYS_RUNNING:
            return True
    return False


def _no_change(grades: Sequence[float]) -> bool:
    """No lower sum of grades in this lesson than three lessons of work ago."""
    if len(grades) <= LESSONS_WITHOUT_CHANGE:
        return False
    return grades[-1] >= grades[-1 - LESSONS_WITHOUT_CHANGE]
