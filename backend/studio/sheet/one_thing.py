"""The one thing of a player's week: the teacher's words, or those of what the week was made for."""

from collections.abc import Sequence
from datetime import date

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.one_things import NO_FOCUS, OneThing, Reader, reader_of
from lefthand.values.vocabulary import Instrument
from studio.home.week_at_home import week_in_force
from studio.lessons.cases import LessonView
from studio.lessons.decisions import told_focus
from studio.memory.findings import age_at
from studio.memory.known import known_items
from studio.models import Lesson, Plan, PlanItem, Player

OWN_ASKED = "Was it there?"


def reader_at(lesson: Lesson) -> Reader:
    """Who reads the page of this lesson, by age."""
    return reader_of(age_at(lesson.player, lesson))


def one_thing_of(view: LessonView, plan: Plan | None) -> OneThing:
    """What the week is about, said to the player. The teacher's own words need no reason."""
    return _own(view.lesson) or proposed_one_thing(view, plan)


def proposed_one_thing(view: LessonView, plan: Plan | None) -> OneThing:
    """The catalogue's sentence, whatever the teacher has typed."""
    if plan is None:
        return _told(view.lesson, [focus.cause for focus in view.diagnosis.focus], [])
    return _told(view.lesson, told_focus(view, plan), known_items(plan))


def one_thing_now(player: Player, today: date) -> OneThing | None:
    """That of the week that is practised; None for none, and while a stop is up."""
    lesson = week_in_force(player, today)
    if lesson is None:
        return None
    view = LessonView(lesson)
    if view.safety.is_red:
        return None
    return one_thing_of(view, Plan.objects.filter(lesson=lesson).first())


def one_thing_before(items: Sequence[PlanItem]) -> OneThing | None:
    """That of an earlier week, by what it held; None for no week."""
    if not items:
        return None
    plan = items[0].plan
    exercises = load_catalogue().exercises
    aimed = {cause for item in items for cause in exercises[item.exercise].aims}
    causes = [cause for cause in plan.focus or [] if cause in aimed]
    return _own(plan.lesson) or _told(plan.lesson, causes, items)


def _own(lesson: Lesson) -> OneThing | None:
    return OneThing(lesson.one_thing, "", OWN_ASKED) if lesson.one_thing else None


def _told(lesson: Lesson, causes: Sequence[str], items: Sequence[PlanItem]) -> OneThing:
    one_things = load_catalogue().one_things
    cause = causes[0] if causes and causes[0] in one_things else NO_FOCUS
    instrument = Instrument(lesson.player.instrument)
    return one_things[cause].told(reader_at(lesson), instrument, _fingers(cause, items))


def _fingers(cause: str, items: Sequence[PlanItem]) -> tuple[int, ...]:
    """Those that the week's exercises for a cause are for."""
    exercises = load_catalogue().exercises
    aimed = [item for item in items if cause in exercises[item.exercise].aims]
    return tuple(sorted({finger for item in aimed for finger in item.fingers}))
