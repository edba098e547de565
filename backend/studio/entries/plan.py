"""The week that was given, stored as numbers."""

from dataclasses import dataclass, replace
from typing import Any

from lefthand.catalogue.exercises import Exercise
from lefthand.practice.own_piece import in_own_piece
from lefthand.practice.planning import plan_item
from lefthand.practice.tempo import TEMPO_RANGE
from lefthand.practice.week import LAST_DAY
from lefthand.values.errors import InputError
from lefthand.values.fields import read_mapping, read_number, short
from lefthand.values.vocabulary import Instrument
from studio.entries.opened import Opened
from studio.errors import StudioError
from studio.lessons.cases import LessonView, open_words
from studio.lessons.chosen_place import NOT_IN_A_PIECE
from studio.memory.records import as_stored
from studio.memory.spots import read_spot
from studio.models import Plan, PlanItem

MAX_PLAN_ITEMS = 6
WISHED = ("exercise", "rung", "reps", "sets", "days", "tempo", "goal", "spot")


def read_plan(opened: Opened) -> list[dict[str, Any]] | None:
    """The given plan as what `write_plan` takes; None when none was given."""
    if opened.plan is None:
        return None
    return [{name: getattr(item, name) for name in WISHED} for item in opened.items]


def read_made_for(opened: Opened) -> dict[str, Any] | None:
    """What the given week was made for, and the reason of each exercise; None without a week."""
    if opened.plan is None:
        return None
    return {
        "focus": opened.plan.focus,
        "why": {item.exercise: item.why for item in opened.items},
        "in_piece": {item.exercise: [item.piece_id, item.in_piece] for item in opened.items},
    }


def restore_made_for(opened: Opened, before: dict[str, Any] | None) -> None:
    """Put back what `read_made_for` told of a week that undo has written again."""
    plan = opened.plan
    if plan is None or before is None:
        return
    plan.focus = before["focus"]
    plan.save(update_fields=["focus"])
    for item in opened.items:
        item.why = before["why"].get(item.exercise, item.why)
        piece, told = before.get("in_piece", {}).get(item.exercise, (None, None))
        item.piece = opened.lesson.player.pieces.filter(pk=piece).first()
        item.in_piece = told if item.piece else None
        item.save(update_fields=["why", "piece", "in_piece"])


def write_plan(opened: Opened, value: Any) -> None:
    """Store the week: a list of {"exercise", "rung", "reps", "sets", "days", "tempo", "goal",
    "spot"}; None takes it back.

    All but "exercise" may be left out. What stays in the week keeps what was practised of it.
    Raises InputError, or StudioError while a red flag is up or a question about pain is open.
    """
    if value is None:
        Plan.objects.filter(lesson=opened.lesson).delete()
        opened.has_given(None)
        return
    if not isinstance(value, list) or len(value) > MAX_PLAN_ITEMS:
        raise InputError("plan", f"expected a list of at most {MAX_PLAN_ITEMS} exercises")
    view = opened.view()
    if view.safety.is_red:
        raise StudioError("paused")
    if value and view.is_asking:
        raise StudioError("question_open", "plan", open_words(view))
    wishes = [_read_wish(f"plan.{n}", row, view) for n, row in enumerate(value, start=1)]
    names = [wish.exercise.id for wish in wishes]
    for number, name in enumerate(names, start=1):
        if name in names[: number - 1]:
            raise InputError(f"plan.{number}.exercise", f"{name!r} stands twice")
    there = {item.exercise: item for item in opened.items}
    focus = [each.cause for each in view.diagnosis.focus]
    plan = opened.plan or Plan(lesson=opened.lesson)
    plan.focus = focus
    plan.is_eased = view.safety.is_amber
    plan.save()
    gone = [item.pk for name, item in there.items() if name not in names]
    if gone:
        plan.items.filter(pk__in=gone).delete()
    items = [
        _item(there.get(wish.exercise.id) or PlanItem(plan=plan), order, wish, view)
        for order, wish in enumerate(wishes, start=1)
    ]
    PlanItem.objects.bulk_create(item for item in items if item.pk is None)
    for item in items:
        if item.exercise in there:
            item.save()
    opened.has_given(plan, items)


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
    says_spot: bool
    spot: dict[str, int] | None


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
        says_spot="spot" in data,
        spot=read_spot(f"{where}.spot", data.get("spot"), view.case.instrument),
    )


def _item(item: PlanItem, order: int, wish: _Wish, view: LessonView) -> PlanItem:
    """The stored item, new or as it was, with what is wanted of it now."""
    chosen = view.own_place
    plain = plan_item(wish.exercise, view.situation, view.load_limit, wish.rung)
    counts_bars = plain.dose.is_in_bars
    if counts_bars and wish.reps:
        plain = replace(plain, dose=replace(plain.dose, reps=wish.reps))
    planned = in_own_piece(plain, wish.exercise, chosen.place if chosen else None)
    fields = {
        **as_stored(planned),
        **(chosen.stored(planned) if chosen else NOT_IN_A_PIECE),
        "order": order,
        # A piece has no more bars than it has; otherwise the teacher's word stands.
        "reps": planned.dose.reps if counts_bars else wish.reps or planned.dose.reps,
        "sets": wish.sets or planned.dose.sets,
        "tempo": wish.tempo or planned.dose.tempo,
        "goal": wish.goal or planned.goal,
        "days": wish.days or item.days or list(planned.days),
        "spot": wish.spot if wish.says_spot else item.spot or view.spot_before(wish.exercise.id),
    }
    for name, value in fields.items():
        setattr(item, name, value)
    return item


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
