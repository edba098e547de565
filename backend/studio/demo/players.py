"""Building the demo studio through the same services that lessons use."""

from collections.abc import Callable
from datetime import date, time, timedelta

from django.contrib.auth import get_user_model
from django.db import transaction

from lefthand.practice.progress import Move
from lefthand.practice.standing import Standing
from studio.demo.data import DEMO_PASSWORD, DEMO_USERNAME, PLAYERS
from studio.demo.drawn_pictures import drawn_picture
from studio.demo.group_data import GROUP, GROUP_CHECKS
from studio.demo.lesson import DemoLessonBook
from studio.demo.past import KEPT_WHEN, build_past
from studio.demo.shapes import DemoLesson, DemoPicture, DemoPlayer
from studio.lessons.setups import judge_setup, save_setup
from studio.memory.standing import keep_standing
from studio.models import Group, HomeDay, PlanItem, Player, PracticeResult, TeacherSettings
from studio.pictures.pictures import Kept, keep_picture
from studio.players.leave import PICTURE, give_leave

DEMO_LOGS = (("done", "soft"), ("partly", "mixed"), ("done", "soft"), ("done", "mixed"))


@transaction.atomic
def build_demo(
    today: date,
    players: tuple[DemoPlayer, ...] = PLAYERS,
    *,
    weeks: int = 0,
    stands: Callable[[Player], object] = lambda _player: None,
) -> list[Player]:
    """Replace the demo teacher and all of that teacher's players, dated relative to `today`.
    `weeks`: how far back their lessons reach; 0 for those alone that are written out. `stands`: is
    told of each player who is ready."""
    users = get_user_model().objects
    users.filter(username=DEMO_USERNAME).delete()
    teacher = users.create_user(DEMO_USERNAME, password=DEMO_PASSWORD)
    TeacherSettings.objects.create(teacher=teacher, display_name="Marle Veldt")
    group = None
    if any(demo.in_group for demo in players):
        group = Group.objects.create(teacher=teacher, name=GROUP, checks=list(GROUP_CHECKS))
    made = []
    for demo in players:
        made.append(_build_player(teacher.pk, demo, today, group, weeks))
        stands(made[-1])
    return made


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
        is_practice=True,
    )
    for fit in demo.setups:
        on = lesson_day - timedelta(weeks=fit.weeks_ago)
        kept = save_setup(player, {**fit.facts, "date": on}, today)
        judge_setup(player, kept.pk, fit.judged)
    _build_lessons(player, demo, lesson_day, weeks)
    for each in demo.pictures:
        _keep_drawn(player, each, lesson_day - timedelta(weeks=each.weeks_ago))
    _practise_since(player, today)
    return player


def _build_lessons(player: Player, demo: DemoPlayer, lesson_day: date, weeks: int) -> None:
    if not demo.lessons:
        return
    standing = build_past(player, lesson_day, demo.lessons[0].weeks_ago, weeks)
    for planned in demo.lessons:
        on = lesson_day - timedelta(weeks=planned.weeks_ago)
        before = standing
        standing = _build_lesson(player, planned, on, before)
    keep_standing(player.pk, on, before)


def _keep_drawn(player: Player, each: DemoPicture, on: date) -> None:
    drawn = drawn_picture(
        4, tip=each.tip, middle=55, from_thumb=True, tilt=each.tilt, seed=each.weeks_ago
    )
    told = Kept(on, "tip_angle", 4, drawn.points, "drawn, not photographed")
    give_leave(player, kind=PICTURE, by="parent", name=f"Family {player.name.split()[-1]}", on=on)
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
        kept = KEPT_WHEN[felt]
        HomeDay.objects.create(lesson=last, date=day, done=done, felt=felt, one_thing=kept)


def _build_lesson(player: Player, planned: DemoLesson, on: date, before: Standing) -> Standing:
    """What the lessons up to this one have led to."""
    book = DemoLessonBook(player, on, before)
    for review in book.review:
        if review.advice.move is not Move.REST:
            days = review.item.days[: planned.days_at_home]
            _practise(review.item, review.item.plan.lesson.date, days)
    book = DemoLessonBook(player, on, before)  # as it begins after that week
    book.enter("reports", planned.reports)
    if planned.complaint:
        book.enter("complaint", planned.complaint)
    for review in book.review:
        if review.item.exercise in planned.shown:
            shown = {"passed": planned.shown[review.item.exercise]}
            book.enter("result", shown, str(review.item.pk))
    for evidence, entered in planned.look.items():
        book.enter("observation", entered, evidence)
    for cause, why in planned.dismissed.items():
        book.enter("cause", {"word": "dismissed", "why": why}, cause)
    book.decide(as_proposed=True)
    if planned.line:
        book.enter("line", planned.line)
    return book.standing()


def _practise(item: PlanItem, given_on: date, days: list[int]) -> None:
    PracticeResult.objects.bulk_create(
        PracticeResult(
            item=item, date=given_on + timedelta(days=day), passed=index % 2 == 0, pain=0
        )
        for index, day in enumerate(days)
    )
