"""The focus that was decided and the plan that was given, stored as numbers."""

from dataclasses import dataclass
from typing import Any

from lefthand.checks import check_mapping, check_number
from lefthand.errors import InputError
from lefthand.explain import why_sentence
from lefthand.planning import PlanItem as CoreItem
from lefthand.planning import plan_item
from lefthand.rules import Situation, reason_against
from lefthand.vocabulary import Instrument
from studio.errors import StudioError
from studio.models import Focus, Lesson, Plan, PlanItem
from studio.services.cases import LessonView
from studio.services.reviews import item_dose, last_load_minutes

MAX_PLAN_ITEMS = 6
WEEK = range(1, 8)


def read_focus(lesson: Lesson) -> list[str] | None:
    causes = [focus.cause for focus in lesson.focuses.all()]
    return causes or None


def write_focus(lesson: Lesson, causes: list[str]) -> None:
    """Store the decided causes in order, each with the engine's view of it; [] undecides."""
    lesson.focuses.all().delete()
    view = LessonView(Lesson.objects.get(pk=lesson.pk))
    known = {v.cause: v for v in view.diagnosis.causes}
    for rank, cause in enumerate(causes, start=1):
        if cause not in known:
            raise InputError("focus", f"unknown cause {cause!r}")
        seen = known[cause]
        Focus.objects.create(
            lesson=lesson,
            cause=cause,
            rank=rank,
            fingers=list(seen.fingers),
            why=why_sentence(seen, view.diagnosis.findings, view.catalogue),
            probability=seen.probability,
            is_engines=cause in view.diagnosis.engine_focus,
        )


def read_plan(lesson: Lesson) -> list[dict[str, Any]] | None:
    """The given plan as what `write_plan` takes; None when none was given."""
    plan = Plan.objects.filter(lesson=lesson).first()
    if plan is None:
        return None
    return [
        {
            "exercise": item.exercise,
            "rung": item.rung,
            "reps": item.reps,
            "sets": item.sets,
            "days": item.days,
        }
        for item in plan.items.all()
    ]


def write_plan(lesson: Lesson, value: Any) -> None:
    """Store the week: a list of {"exercise", "rung", "reps", "sets", "days"}; None takes it back.

    All but "exercise" may be left out. Raises InputError, or StudioError while a red flag is up.
    """
    Plan.objects.filter(lesson=lesson).delete()
    if value is None:
        return
    if not isinstance(value, list) or len(value) > MAX_PLAN_ITEMS:
        raise InputError("plan", f"expected a list of at most {MAX_PLAN_ITEMS} exercises")
    view = LessonView(Lesson.objects.get(pk=lesson.pk))
    if view.safety.is_red:
        raise StudioError("paused")
    plan = Plan.objects.create(lesson=lesson)
    seen: set[str] = set()
    for order, row in enumerate(value, start=1):
        wish = check_mapping(f"plan.{order}", row)
        if wish.get("exercise") in seen:
            raise InputError(f"plan.{order}.exercise", f"{wish['exercise']!r} stands twice")
        seen.add(str(wish.get("exercise")))
        _store_item(plan, order, wish, view)


def _store_item(plan: Plan, order: int, wish: Any, view: LessonView) -> None:
    where = f"plan.{order}"
    exercise = view.catalogue.exercises.get(str(wish.get("exercise")))
    if exercise is None or Instrument(view.lesson.player.instrument) not in exercise.instruments:
        raise InputError(f"{where}.exercise", f"unknown exercise {wish.get('exercise')!r}")
    rung = _whole(wish, "rung", where, 1, len(exercise.rungs))
    planned = plan_item(
        exercise, view.diagnosis, view.catalogue, last_load_minutes(view.history), rung
    )
    PlanItem.objects.create(
        plan=plan,
        order=order,
        exercise=exercise.id,
        rung=planned.rung,
        reps=_whole(wish, "reps", where, 1, 99) or planned.dose.reps,
        sets=_whole(wish, "sets", where, 1, 20) or planned.dose.sets,
        seconds=planned.dose.seconds,
        tempo=planned.dose.tempo,
        days=_days(wish, where, planned),
        fingers=list(planned.fingers),
        why=planned.why,
    )


def _whole(wish: Any, name: str, where: str, low: int, high: int) -> int | None:
    if wish.get(name) is None:
        return None
    return int(check_number(f"{where}.{name}", wish[name], low, high, whole=True))


def _days(wish: Any, where: str, planned: CoreItem) -> list[int]:
    days = wish.get("days")
    if days is None:
        return list(planned.days)
    if not isinstance(days, list) or not days or not set(days) <= set(WEEK):
        raise InputError(f"{where}.days", f"expected days 1 to 7, got {days!r}")
    return sorted(set(days))


@dataclass(frozen=True)
class Objection:
    """What the rules say against the plan as it stands. `exercise` is empty for the whole plan."""

    exercise: str
    reason: str


def objections(view: LessonView) -> list[Objection]:
    """The rules' objections to the given plan. The teacher's word wins, but they are shown."""
    plan = Plan.objects.filter(lesson=view.lesson).first()
    if plan is None:
        return []
    now = Situation.from_diagnosis(view.diagnosis, view.catalogue)
    found = []
    by_day: dict[int, float] = {}
    for item in plan.items.all():
        reason = reason_against(view.catalogue.exercises[item.exercise], now)
        if reason:
            found.append(Objection(item.exercise, reason))
        for day in item.days:
            by_day[day] = by_day.get(day, 0.0) + item_dose(item).minutes(len(item.fingers))
    fullest = max(by_day.values(), default=0.0)
    if fullest > view.case.minutes_budget:
        spare = f"{fullest:g} minutes a day; {view.case.minutes_budget:g} were meant"
        found.append(Objection("", spare))
    if len(by_day) == len(WEEK):
        found.append(Objection("", "no day off"))
    return found
