"""What became of the focus and of the week that were decided in a lesson."""

from collections.abc import Sequence

from lefthand.practice.objections import Objection, WeekItem
from lefthand.practice.objections import objections as week_objections
from studio.lessons.cases import LessonView
from studio.memory.known import known_items
from studio.memory.records import item_dose
from studio.models import Lesson, LessonEntry, Plan


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
