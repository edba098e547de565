"""Building the demo studio through the same services that lessons use."""

from collections.abc import Iterator
from datetime import date, time, timedelta
from itertools import count
from typing import Any

from django.contrib.auth import get_user_model
from django.db import transaction

from lefthand.practice.plan import PlanItem as CoreItem
from lefthand.practice.progress import Move
from studio.demo_data import DEMO_PASSWORD, DEMO_USERNAME, PLAYERS
from studio.demo_group import GROUP, GROUP_CHECKS
from studio.demo_shapes import DemoLesson, DemoPicture, DemoPlayer
from studio.drawn_pictures import drawn_picture
from studio.models import Group, HomeDay, Lesson, PlanItem, Player, PracticeResult, TeacherSettings
from studio.services.cases import LessonView
from studio.services.demo_past import build_past
from studio.services.entries import record
from studio.services.lessons import start_lesson
from studio.services.pictures import Kept, keep_picture
from studio.services.setups import judge_setup, save_setup

DEMO_LOGS = (("done", "soft"), ("partly", "mixed"), ("done", "soft"), ("done", "mixed"))


@transaction.atomic
def build_demo(
    today: date, players: tuple[DemoPlayer, ...] = PLAYERS, *, weeks: int = 0
) -> list[Player]:
    """Replace the demo teacher and all of that teacher's players, dated relative to `today`.
    `weeks`: how far back their lessons reach; 0 for those alone that are written out."""
    users = get_user_model().objects
    users.filter(username=DEMO_USERNAME).delete()
    teacher = users.create_user(DEMO_USERNAME, password=DEMO_PASSWORD)
    TeacherSettings.objects.create(teacher=teacher, display_name="Marle Veldt")
    group = None
    if any(demo.in_group for demo in players):
        group = Group.objects.create(teacher=teacher, name=GROUP, checks=list(GROUP_CHECKS))
    return [_build_player(teacher.pk, demo, today, group, weeks) for demo in players]


def _build_player(
    teacher_id: int, demo: DemoPlayer, today: date, group: Group | None, weeks: int
) -> Player:
    lesson_day = today + timedelta(days=demo.day)
    player = Player.objects.create(
        teacher_id=teacher_id,
        group=group if demo.in_group else None,
        name=demo.name,
        instrument=demo.instrument,
        level=demo.level,
        birth_year=today.year - demo.age,
        daily_minutes=demo.daily_minutes,
        hours_a_day=demo.hours_a_day,
        helper_at_home=demo.helper_at_home,
        way_of_teaching=demo.way,
        piece=demo.piece,
        weekday=lesson_day.weekday(),
        lesson_time=time.fromisoformat(demo.time),
        self_check=demo.self_check,
    )
    for fit in demo.setups:
        on = lesson_day - timedelta(weeks=fit.weeks_ago)
        kept = save_setup(player, {**fit.facts, "date": on}, today)
        judge_setup(player, kept.pk, fit.judged)
    if demo.lessons:
        build_past(player, lesson_day, demo.lessons[0].weeks_ago, weeks)
    for planned in demo.lessons:
        _build_lesson(player, planned, lesson_day - timedelta(weeks=planned.weeks_ago))
    for each in demo.pictures:
        _keep_drawn(player, each, lesson_day - timedelta(weeks=each.weeks_ago))
    _practise_since(player, today)
    return player


def _keep_drawn(player: Player, each: DemoPicture, on: date) -> None:
    drawn = drawn_picture(
        4, tip=each.tip, middle=55, from_thumb=True, tilt=each.tilt, seed=each.weeks_ago
    )
    told = Kept(on, "tip_angle", 4, drawn.points, "drawn, not photographed")
    keep_picture(player, drawn.jpeg, told)


def _practise_since(player: Player, today: date) -> None:
    """Practice at home between the last lesson and today."""
    last = player.lessons.last()
    if last is None:
        return
    for item in PlanItem.objects.filter(plan__lesson=last):
        _practise(item, last.date, [d for d in item.days if last.date + timedelta(days=d) < today])
    days = PracticeResult.objects.filter(item__plan__lesson=last, lesson=None).values_list("date")
    for index, (day,) in enumerate(days.distinct().order_by("date")):
        done, felt = DEMO_LOGS[index % len(DEMO_LOGS)]
        HomeDay.objects.create(lesson=last, date=day, done=done, felt=felt)


def _build_lesson(player: Player, planned: DemoLesson, on: date) -> None:
    lesson = start_lesson(player, on)
    _practise_at_home(lesson, planned)
    keys = (f"demo-{lesson.pk}-{number}" for number in count())
    _enter(lesson, keys, "reports", "", planned.reports)
    if planned.complaint:
        _enter(lesson, keys, "complaint", "", planned.complaint)
    for review in LessonView(_fresh(lesson)).review:
        if review.item.exercise in planned.shown:
            shown = {"passed": planned.shown[review.item.exercise]}
            _enter(lesson, keys, "result", str(review.item.pk), shown)
    for evidence, entered in planned.look.items():
        _enter(lesson, keys, "observation", evidence, entered)
    _decide(lesson, keys)
    if planned.line:
        _enter(lesson, keys, "line", "", planned.line)


def _decide(lesson: Lesson, keys: Iterator[str]) -> None:
    view = LessonView(_fresh(lesson))
    _enter(lesson, keys, "focus", "", [f.cause for f in view.diagnosis.focus])
    view = LessonView(_fresh(lesson))
    if view.safety.is_red:
        return
    _enter(lesson, keys, "plan", "", [_wish(item) for item in view.proposal.items])


def _wish(item: CoreItem) -> dict[str, Any]:
    """The proposed item as it is given: dose and days included."""
    return {
        "exercise": item.exercise,
        "rung": item.rung,
        "reps": item.dose.reps,
        "sets": item.dose.sets,
        "days": list(item.days),
    }


def _practise_at_home(lesson: Lesson, planned: DemoLesson) -> None:
    """Practice days before this lesson, of the plan before it."""
    for review in LessonView(_fresh(lesson)).review:
        if review.advice.move is Move.REST:
            continue
        given_on = review.item.plan.lesson.date
        _practise(review.item, given_on, review.item.days[: planned.days_at_home])


def _practise(item: PlanItem, given_on: date, days: list[int]) -> None:
    for index, day in enumerate(days):
        PracticeResult.objects.create(
            item=item, date=given_on + timedelta(days=day), passed=index % 2 == 0, pain=0
        )


def _enter(lesson: Lesson, keys: Iterator[str], kind: str, key: str, value: object) -> None:
    record(lesson.pk, client_key=next(keys), kind=kind, key=key, value=value)


def _fresh(lesson: Lesson) -> Lesson:
    return Lesson.objects.get(pk=lesson.pk)
