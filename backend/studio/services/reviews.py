"""How last week's exercises went and what follows for each of them."""

from dataclasses import dataclass

from lefthand.catalogue import load_catalogue
from lefthand.dose import Dose
from lefthand.exercises import Exercise
from lefthand.progress import Advice, Course, Move, PracticeDay, next_step
from lefthand.safety import Safety, SafetyLevel
from lefthand.vocabulary import Kind
from studio.models import Lesson, PlanItem, PracticeResult
from studio.services.history import History

NO_FLAG = Safety(SafetyLevel.NONE, ())


@dataclass(frozen=True)
class ItemReview:
    """One exercise of the last plan in this lesson. `result`: shown today, None when not tried."""

    item: PlanItem
    exercise: Exercise
    result: PracticeResult | None
    days_done: int
    advice: Advice

    @property
    def is_under_way(self) -> bool:
        return self.advice.move in (Move.GO_ON, Move.STAY, Move.STEP_BACK)


def review_last_plan(history: History, safety: Safety) -> list[ItemReview]:
    """The exercises of the last plan before the lesson, each with its advice."""
    if not history.plans:
        return []
    newest = history.plans[-1]
    return [review_item(item, history, history.lesson, safety) for item in newest.items.all()]


def review_item(
    item: PlanItem, history: History, lesson: Lesson, safety: Safety = NO_FLAG
) -> ItemReview:
    """One exercise, judged by what was shown in `lesson` and practised at home before it."""
    exercise = load_catalogue().exercises[item.exercise]
    results = list(item.results.all())
    shown = next((r for r in results if r.lesson_id == lesson.pk), None)
    at_home = [r for r in results if r.lesson_id is None and r.date <= lesson.date]
    course = Course(
        rung=item.rung,
        rungs=len(exercise.rungs),
        passed_in_lesson=shown.passed if shown else None,
        failed_before=_failed_before(item, history, lesson),
        days=[_day(r) for r in [*at_home, *([shown] if shown and shown.pain else [])]],
        aim_grades=_aim_grades(exercise, history, lesson),
    )
    return ItemReview(item, exercise, shown, len(at_home), next_step(course, safety))


def _day(result: PracticeResult) -> PracticeDay:
    return PracticeDay(result.passed, result.pain, result.tighter)


def _failed_before(item: PlanItem, history: History, lesson: Lesson) -> int:
    """Lessons in a row before `lesson` in which this exercise was tried and failed."""
    count = 0
    for result in reversed(history.shown(item.exercise, item.rung)):
        if result.lesson_id == lesson.pk or result.date >= lesson.date:
            continue
        if result.passed:
            break
        count += 1
    return count


def _aim_grades(exercise: Exercise, history: History, lesson: Lesson) -> list[int]:
    """Summed grades of the evidence that the exercise aims at, one a lesson since it was given.

    Only evidence that was checked in every one of these lessons is summed.
    """
    given = [
        history.date_of(plan) for plan, item in history.items() if item.exercise == exercise.id
    ]
    lessons = [each for each in history.lessons if given[0] <= each.date <= lesson.date]
    aimed = {
        e.id for e in load_catalogue().evidence.values() if set(e.causes) & set(exercise.aims[:2])
    }
    graded = [
        {o.evidence: _entered_grade(o.entered) for o in each.observations.all()} for each in lessons
    ]
    shared = [e for e in aimed if all(g.get(e) is not None for g in graded)]
    return [sum(g[e] or 0 for e in shared) for g in graded] if shared else []


def _entered_grade(entered: object) -> int | None:
    """The worst grade entered, None where a number was measured."""
    if isinstance(entered, int | float):
        return int(entered)
    if isinstance(entered, dict):
        grades = [g for g in entered.values() if isinstance(g, int)]
        return max(grades) if grades and "value" not in entered else None
    return None


def passed_rungs(history: History) -> dict[str, int]:
    """Rungs passed so far, by exercise, from every plan before the lesson."""
    passed: dict[str, int] = {}
    for plan, item in history.items():
        review = review_item(item, history, history.judged_in(plan))
        finished = review.advice.move is Move.GO_ON and item.rung >= len(review.exercise.rungs)
        passed[item.exercise] = item.rung if finished else review.advice.rung - 1
    return {exercise: rungs for exercise, rungs in passed.items() if rungs > 0}


def last_load_minutes(history: History) -> float | None:
    """Weekly minutes of strength and stretch in the last plan; None when it had none."""
    minutes = 0.0
    for item in history.plans[-1].items.all() if history.plans else ():
        exercise = load_catalogue().exercises[item.exercise]
        if exercise.kind is Kind.STRENGTH or exercise.stretch:
            minutes += item_dose(item).minutes(len(item.fingers)) * len(item.days)
    return minutes or None


def item_dose(item: PlanItem) -> Dose:
    """The dose of a stored item: the rung's shape with the stored numbers."""
    rung = load_catalogue().exercises[item.exercise].rung(item.rung)
    return Dose(
        reps=item.reps,
        sets=item.sets,
        seconds=item.seconds,
        pause=rung.dose.pause,
        rest=rung.dose.rest,
        unit=rung.dose.unit,
        per=rung.dose.per,
        tempo=item.tempo,
        is_hold=rung.dose.is_hold,
    )
