"""The focus that was decided and the plan that was given, stored as numbers."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

from lefthand.catalogue.exercises import Exercise
from lefthand.practice.objections import Objection, WeekItem
from lefthand.practice.objections import objections as week_objections
from lefthand.practice.own_piece import in_own_piece
from lefthand.practice.planning import plan_item
from lefthand.practice.tempo import TEMPO_RANGE
from lefthand.practice.week import LAST_DAY
from lefthand.reason.explain import why_sentence
from lefthand.values.errors import InputError
from lefthand.values.fields import read_mapping, read_number, short
from lefthand.values.vocabulary import Instrument
from studio.errors import StudioError
from studio.models import Focus, Lesson, LessonEntry, Plan, PlanItem
from studio.services.cases import LessonView
from studio.services.chosen_place import NOT_IN_A_PIECE
from studio.services.known import known_items
from studio.services.records import as_stored, item_dose, lesson_rows

MAX_PLAN_ITEMS = 6


def read_focus(lesson: Lesson) -> list[str] | None:
    causes = [focus.cause for focus in lesson.focuses.all()]
    return causes or None


def write_focus(lesson: Lesson, causes: list[str]) -> None:
    """Store the decided causes in order, each with the engine's view of it; [] undecides. What is
    taken as it was proposed follows the theory from then on."""
    lesson.focuses.all().delete()
    view = LessonView(lesson_rows().get(pk=lesson.pk))
    follows = causes == [focus.cause for focus in view.diagnosis.focus]
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
            follows=follows,
        )


def taken_focus(lesson: Lesson, newest: Sequence[LessonEntry] = ()) -> list[str]:
    """What was taken as proposed when the teacher last decided, though nothing may be likely any
    more; [] where the focus is the teacher's own, or none was taken. `newest`: entries that are
    known already, newest first."""
    if not all(focus.follows for focus in lesson.focuses.all()):
        return []
    entry = next((entry for entry in newest if entry.kind == "focus"), None)
    if entry is None and lesson.focuses.all():
        entry = lesson.entries.filter(kind="focus", undone=False).last()
    return list(entry.after or []) if entry else []


def follow_theory(lesson: Lesson) -> None:
    """Let a focus that was taken as proposed go where the theory has gone since."""
    decided = list(lesson.focuses.all())
    if not decided or not all(focus.follows for focus in decided):
        return
    view = LessonView(lesson_rows().get(pk=lesson.pk))
    now = [focus.cause for focus in view.diagnosis.focus]
    if now != [focus.cause for focus in decided]:
        write_focus(lesson, now)


def stale_focus(view: LessonView, plan: Plan) -> list[str]:
    """The causes that the given week was made for, where the focus is another by now; else []."""
    if plan.focus is None:
        return []
    now = [focus.cause for focus in view.diagnosis.focus]
    return list(plan.focus) if plan.focus != now else []


def told_focus(view: LessonView, plan: Plan) -> list[str]:
    """What the sheet of that week tells: the causes that it was made for and has an exercise for,
    the main one first."""
    causes = [focus.cause for focus in view.diagnosis.focus] if plan.focus is None else plan.focus
    given = [view.catalogue.exercises[item.exercise] for item in known_items(plan)]
    return [
        cause
        for cause in causes
        if cause in view.catalogue.causes and any(cause in exercise.aims for exercise in given)
    ]


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
            "tempo": item.tempo,
            "goal": item.goal,
        }
        for item in plan.items.all()
    ]


def read_made_for(lesson: Lesson) -> dict[str, Any] | None:
    """What the given week was made for, and the reason of each exercise; None without a week."""
    plan = Plan.objects.filter(lesson=lesson).first()
    if plan is None:
        return None
    return {
        "focus": plan.focus,
        "why": {item.exercise: item.why for item in plan.items.all()},
        "in_piece": {item.exercise: [item.piece_id, item.in_piece] for item in plan.items.all()},
    }


def restore_made_for(lesson: Lesson, before: dict[str, Any] | None) -> None:
    """Put back what `read_made_for` told of a week that undo has written again."""
    plan = Plan.objects.filter(lesson=lesson).first()
    if plan is None or before is None:
        return
    plan.focus = before["focus"]
    plan.save(update_fields=["focus"])
    for item in plan.items.all():
        item.why = before["why"].get(item.exercise, item.why)
        piece, told = before.get("in_piece", {}).get(item.exercise, (None, None))
        item.piece = lesson.player.pieces.filter(pk=piece).first()
        item.in_piece = told if item.piece else None
        item.save(update_fields=["why", "piece", "in_piece"])


def write_plan(lesson: Lesson, value: Any) -> None:
    """Store the week: a list of {"exercise", "rung", "reps", "sets", "days", "tempo", "goal"}; None
    takes it back.

    All but "exercise" may be left out. What stays in the week keeps what was practised of it.
    Raises InputError, or StudioError while a red flag is up.
    """
    if value is None:
        Plan.objects.filter(lesson=lesson).delete()
        return
    if not isinstance(value, list) or len(value) > MAX_PLAN_ITEMS:
        raise InputError("plan", f"expected a list of at most {MAX_PLAN_ITEMS} exercises")
    view = LessonView(lesson_rows().get(pk=lesson.pk))
    if view.safety.is_red:
        raise StudioError("paused")
    wishes = [_read_wish(f"plan.{n}", row, view) for n, row in enumerate(value, start=1)]
    names = [wish.exercise.id for wish in wishes]
    for number, name in enumerate(names, start=1):
        if name in names[: number - 1]:
            raise InputError(f"plan.{number}.exercise", f"{name!r} stands twice")
    focus = [each.cause for each in view.diagnosis.focus]
    plan, _ = Plan.objects.update_or_create(lesson=lesson, defaults={"focus": focus})
    plan.items.exclude(exercise__in=names).delete()
    for order, wish in enumerate(wishes, start=1):
        _store_item(plan, order, wish, view)


@dataclass(frozen=True)
class _Wish:
    """One exercise as it is wanted; None for what the rules are to say."""

    exercise: Exercise
    rung: int | None
    reps: int | None
    sets: int | None
    days: list[int] | None
    tempo: int | None
    goal: int | None


def _read_wish(where: str, row: Any, view: LessonView) -> _Wish:
    data = read_mapping(where, row)
    name = data.get("exercise")
    exercise = view.catalogue.exercises.get(name) if isinstance(name, str) else None
    if exercise is None or Instrument(view.lesson.player.instrument) not in exercise.instruments:
        raise InputError(f"{where}.exercise", f"unknown exercise {short(name)}")
    return _Wish(
        exercise=exercise,
        rung=_whole(data, "rung", where, 1, len(exercise.rungs)),
        reps=_whole(data, "reps", where, 1, 99),
        sets=_whole(data, "sets", where, 1, 20),
        days=_days(data, where),
        tempo=_whole(data, "tempo", where, *TEMPO_RANGE),
        goal=_whole(data, "goal", where, *TEMPO_RANGE),
    )


def _store_item(plan: Plan, order: int, wish: _Wish, view: LessonView) -> None:
    chosen = view.own_place
    plain = plan_item(wish.exercise, view.situation, view.load_limit, wish.rung)
    counts_bars = plain.dose.is_in_bars
    if counts_bars and wish.reps:
        plain = replace(plain, dose=replace(plain.dose, reps=wish.reps))
    planned = in_own_piece(plain, wish.exercise, chosen.place if chosen else None)
    stays = plan.items.filter(exercise=wish.exercise.id).first()
    PlanItem.objects.update_or_create(
        plan=plan,
        exercise=wish.exercise.id,
        defaults={
            **as_stored(planned),
            **(chosen.stored(planned) if chosen else NOT_IN_A_PIECE),
            "order": order,
            # A piece has no more bars than it has; otherwise the teacher's word stands.
            "reps": planned.dose.reps if counts_bars else wish.reps or planned.dose.reps,
            "sets": wish.sets or planned.dose.sets,
            "tempo": wish.tempo or planned.dose.tempo,
            "goal": wish.goal or planned.goal,
            "days": wish.days or (stays.days if stays else list(planned.days)),
        },
    )


def _whole(wish: Any, name: str, where: str, low: int, high: int) -> int | None:
    if wish.get(name) is None:
        return None
    return int(read_number(f"{where}.{name}", wish[name], low, high, whole=True))


def _days(wish: Any, where: str) -> list[int] | None:
    days = wish.get("days")
    if days is None:
        return None
    if not isinstance(days, list) or not days:
        raise InputError(f"{where}.days", f"expected days 1 to 7, got {short(days)}")
    numbers = [int(read_number(f"{where}.days", day, 1, LAST_DAY, whole=True)) for day in days]
    return sorted(set(numbers))


def objections(view: LessonView) -> list[Objection]:
    """What the rules have against the plan that was given. The teacher's word wins."""
    plan = Plan.objects.filter(lesson=view.lesson).first()
    if plan is None:
        return []
    week = [
        WeekItem(
            exercise=view.catalogue.exercises[item.exercise].id,
            rung=item.rung,
            dose=item_dose(item),
            days=tuple(item.days),
            fingers=tuple(item.fingers),
        )
        for item in known_items(plan)
    ]
    return week_objections(week, view.situation, view.load_limit)
