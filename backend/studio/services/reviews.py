"""How last week's exercises went and what follows for each of them."""

from dataclasses import dataclass
from datetime import date

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.exercises import Exercise
from lefthand.practice.doses import is_load
from lefthand.practice.load import GivenLoad, load_limit
from lefthand.practice.progress import Advice, Course, Move, PracticeDay, next_step
from lefthand.reason.safety import Safety, SafetyLevel
from lefthand.values.dose import Dose
from studio.models import Lesson, Plan, PlanItem, PracticeResult
from studio.services.history import History
from studio.services.known import known_items

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
        on_the_way = self.advice.move in (Move.GO_ON, Move.STAY, Move.STEP_BACK)
        return on_the_way and not self.advice.is_left_out


def review_last_plan(history: History, safety: Safety) -> list[ItemReview]:
    """The exercises of the last plan before the lesson, each with its advice."""
    if not history.plans:
        return []
    newest = history.plans[-1]
    return [review_item(item, history, history.lesson, safety) for item in known_items(newest)]


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

    Of lessons in which that was looked at, without mere looks over a class; only evidence that was
    checked in every one of these is summed. Measured values count by their grade.
    """
    since = _given_since(exercise, history, lesson)
    if since is None:
        return []
    lessons = [
        each for each in history.lessons if since <= each.date <= lesson.date and not each.is_glance
    ]
    aimed = {
        e.id for e in load_catalogue().evidence.values() if set(e.causes) & set(exercise.aims[:2])
    }
    found = [{n: g for n, g in history.grades_of(each).items() if n in aimed} for each in lessons]
    graded = [grades for grades in found if grades]
    shared = set.intersection(*map(set, graded)) if graded else set()
    return [sum(grades[name] for name in shared) for grades in graded] if shared else []


def _given_since(exercise: Exercise, history: History, lesson: Lesson) -> date | None:
    """When the run of plans with this exercise began that goes on into the last before a lesson."""
    since = None
    for plan in reversed([p for p in history.plans if history.date_of(p) < lesson.date]):
        if exercise.id not in {item.exercise for item in known_items(plan)}:
            break
        since = history.date_of(plan)
    return since


def passed_rungs(history: History) -> dict[str, int]:
    """Rungs passed so far, by exercise: what its newest plan before the lesson led to.

    In the two weeks after a lifted stop or a long break: no further than the rung before the one
    that was given last before it.
    """
    passed: dict[str, int] = {}
    newest = {item.exercise: (plan, item) for plan, item in history.items}
    for plan, item in newest.values():
        review = review_item(item, history, history.judged_in(plan))
        finished = review.advice.move is Move.GO_ON and item.rung >= len(review.exercise.rungs)
        passed[item.exercise] = item.rung if finished else review.advice.rung - 1
    for exercise, rungs in _most_while_easing(history).items():
        passed[exercise] = min(passed[exercise], rungs)
    return {exercise: rungs for exercise, rungs in passed.items() if rungs > 0}


def _most_while_easing(history: History) -> dict[str, int]:
    """Rungs that may count as passed while easing off, by exercise that was given before."""
    since = history.easing_since
    if since is None:
        return {}
    before = {i.exercise: i.rung for plan, i in history.items if history.date_of(plan) < since}
    return {exercise: max(0, rung - 2) for exercise, rung in before.items()}


def limit_of_load(history: History) -> float | None:
    """Most seconds of work a week that may load the hand in this lesson's plan."""
    return load_limit([_given_load(plan, history) for plan in history.plans], history.pauses)


def _given_load(plan: Plan, history: History) -> GivenLoad:
    seconds, steps = 0.0, [0.0]
    for item in known_items(plan):
        if is_load(load_catalogue().exercises[item.exercise]):
            work = item_dose(item).work_seconds(len(item.fingers)) * len(item.days)
            seconds += work
            steps.append(work / (item.reps * item.sets))
    return GivenLoad(history.date_of(plan), seconds, max(steps))


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
