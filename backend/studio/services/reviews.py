"""How last week's exercises went and what follows for each of them."""

from dataclasses import dataclass

from lefthand.catalogue import load_catalogue
from lefthand.dose import Dose
from lefthand.exercises import Exercise
from lefthand.progress import Advice, Course, Move, PracticeDay, next_step
from lefthand.safety import Safety, SafetyLevel
from lefthand.vocabulary import Kind
from studio.models import Lesson, PlanItem, PracticeResult

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


def review_last_plan(lesson: Lesson, safety: Safety) -> list[ItemReview]:
    """The exercises of the last plan before this lesson, each with its advice."""
    previous = (
        Lesson.objects.filter(player=lesson.player, date__lt=lesson.date, plan__isnull=False)
        .order_by("-date")
        .first()
    )
    if previous is None:
        return []
    items = previous.plan.items.prefetch_related("results")
    return [review_item(item, lesson, safety) for item in items]


def review_item(item: PlanItem, lesson: Lesson, safety: Safety = NO_FLAG) -> ItemReview:
    """One exercise, judged by what was shown in `lesson` and practised at home before it."""
    exercise = load_catalogue().exercises[item.exercise]
    results = list(item.results.all())
    shown = next((r for r in results if r.lesson_id == lesson.pk), None)
    at_home = [r for r in results if r.lesson_id is None and r.date <= lesson.date]
    course = Course(
        rung=item.rung,
        rungs=len(exercise.rungs),
        passed_in_lesson=shown.passed if shown else None,
        failed_before=_failed_before(item, lesson),
        days=[_day(r) for r in [*at_home, *([shown] if shown and shown.pain else [])]],
        aim_grades=_aim_grades(item, lesson, exercise),
    )
    return ItemReview(item, exercise, shown, len(at_home), next_step(course, safety))


def _day(result: PracticeResult) -> PracticeDay:
    return PracticeDay(result.passed, result.pain, result.tighter)


def _failed_before(item: PlanItem, lesson: Lesson) -> int:
    """Lessons in a row before this one in which this exercise was tried and failed."""
    earlier = PracticeResult.objects.filter(
        item__exercise=item.exercise,
        item__rung=item.rung,
        item__plan__lesson__player=lesson.player,
        lesson__isnull=False,
        lesson__date__lt=lesson.date,
    ).order_by("-lesson__date")
    count = 0
    for result in earlier:
        if result.passed:
            break
        count += 1
    return count


def _aim_grades(item: PlanItem, lesson: Lesson, exercise: Exercise) -> list[int]:
    """Summed grades of the evidence that the exercise aims at, one a lesson since it was given.

    Only evidence that was checked in every one of these lessons is summed.
    """
    first = (
        PlanItem.objects.filter(exercise=item.exercise, plan__lesson__player=lesson.player)
        .order_by("plan__lesson__date")
        .values_list("plan__lesson__date", flat=True)
        .first()
    )
    lessons = Lesson.objects.filter(
        player=lesson.player, date__gte=first, date__lte=lesson.date
    ).prefetch_related("observations")
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


def passed_rungs(lesson: Lesson) -> dict[str, int]:
    """Rungs passed so far, by exercise, from every plan before this lesson."""
    items = (
        PlanItem.objects.filter(
            plan__lesson__player=lesson.player, plan__lesson__date__lt=lesson.date
        )
        .order_by("plan__lesson__date")
        .select_related("plan__lesson")
        .prefetch_related("results")
    )
    lessons = list(Lesson.objects.filter(player=lesson.player, date__lte=lesson.date))
    passed: dict[str, int] = {}
    for item in items:
        given_on = item.plan.lesson.date
        judged_in = next((each for each in lessons if each.date > given_on), lesson)
        review = review_item(item, judged_in)
        finished = review.advice.move is Move.GO_ON and item.rung >= len(review.exercise.rungs)
        passed[item.exercise] = item.rung if finished else review.advice.rung - 1
    return {exercise: rungs for exercise, rungs in passed.items() if rungs > 0}


def last_load_minutes(lesson: Lesson) -> float | None:
    """Weekly minutes of strength and stretch in the last plan; None when it had none."""
    items = PlanItem.objects.filter(
        plan__lesson__player=lesson.player, plan__lesson__date__lt=lesson.date
    ).order_by("-plan__lesson__date")
    newest = items.values_list("plan_id", flat=True).first()
    minutes = 0.0
    for item in items.filter(plan_id=newest):
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
