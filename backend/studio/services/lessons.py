"""Starting lessons, finding records of a teacher, and the day's list."""

from dataclasses import dataclass
from datetime import date, timedelta

from django.contrib.auth.models import AbstractBaseUser, AnonymousUser
from django.db.models import Prefetch, QuerySet

from studio.errors import StudioError
from studio.models import Lesson, Player, RedFlag
from studio.services.keep_alive import all_kept, reminders
from studio.services.learning import counts_for
from studio.services.reviews import item_dose

Teacher = AbstractBaseUser | AnonymousUser


def players_of(teacher: Teacher) -> QuerySet[Player]:
    """The only way to players: those of this teacher."""
    return Player.objects.filter(teacher_id=teacher.pk)


def player_of(teacher: Teacher, player_id: int) -> Player:
    player = players_of(teacher).filter(pk=player_id).first()
    if player is None:
        raise StudioError("not_found", "player")
    return player


def lesson_of(teacher: Teacher, lesson_id: int) -> Lesson:
    lesson = (
        Lesson.objects.filter(pk=lesson_id, player__teacher_id=teacher.pk)
        .select_related("player__teacher__studio_settings")
        .prefetch_related("observations", "focuses", "cause_words")
        .first()
    )
    if lesson is None:
        raise StudioError("not_found", "lesson")
    return lesson


def start_lesson(player: Player, on: date) -> Lesson:
    """The player's lesson of this day, begun if need be."""
    lesson, is_new = Lesson.objects.get_or_create(player=player, date=on)
    if is_new and (counts := counts_for(player)):
        lesson.starting_counts = counts
        lesson.save(update_fields=["starting_counts"])
    return lesson


@dataclass(frozen=True)
class DayRow:
    """One player in the day's list. `due`: resolved causes that are due for another look."""

    player: Player
    last_lesson: Lesson | None
    today: Lesson | None
    focus: list[str]
    minutes: float | None
    due: list[str]
    flag: RedFlag | None
    is_today: bool


def day_rows(teacher: Teacher, on: date) -> list[DayRow]:
    """All players of the teacher: those of this weekday first, by time, then the others by name."""
    lessons = (
        Lesson.objects.filter(date__lte=on)
        .select_related("player__teacher__studio_settings", "plan")
        .prefetch_related("observations", "focuses", "cause_words", "plan__items")
    )
    flags = RedFlag.objects.filter(lifted_on__isnull=True)
    players = players_of(teacher).prefetch_related(
        Prefetch("lessons", lessons, to_attr="lessons_so_far"),
        Prefetch("red_flags", flags, to_attr="flags_up"),
    )
    rows = [_row(player, on) for player in players]
    return sorted(rows, key=_place_in_day)


def _place_in_day(row: DayRow) -> tuple[bool, str, str]:
    time = row.player.lesson_time
    return (not row.is_today, str(time or "") if row.is_today else "", row.player.name)


def _row(player: Player, on: date) -> DayRow:
    so_far: list[Lesson] = player.lessons_so_far  # type: ignore[attr-defined]
    flags: list[RedFlag] = player.flags_up  # type: ignore[attr-defined]
    before = [lesson for lesson in so_far if lesson.date < on]
    decided = [lesson for lesson in so_far if lesson.focuses.all()]
    planned = [lesson for lesson in so_far if hasattr(lesson, "plan")]
    gone = {kept.cause for kept in all_kept(so_far) if kept.returned is None}
    return DayRow(
        player=player,
        last_lesson=before[-1] if before else None,
        today=next((lesson for lesson in so_far if lesson.date == on), None),
        focus=[f.cause for f in decided[-1].focuses.all() if f.cause not in gone]
        if decided
        else [],
        minutes=plan_minutes(planned[-1]) if planned else None,
        due=[each.kept.cause for each in reminders(so_far, on) if each.is_due],
        flag=flags[0] if flags else None,
        is_today=player.weekday == on.weekday(),
    )


def plan_minutes(lesson: Lesson) -> float:
    """Minutes of the fullest day of the lesson's plan."""
    by_day: dict[int, float] = {}
    for item in lesson.plan.items.all():
        for day in item.days:
            by_day[day] = by_day.get(day, 0.0) + item_dose(item).minutes(len(item.fingers))
    return max(by_day.values(), default=0.0)


def practice_dates(lesson: Lesson, days: list[int]) -> list[date]:
    """Calendar days of a plan: day 1 is the day after the lesson."""
    return [lesson.date + timedelta(days=day) for day in days]
