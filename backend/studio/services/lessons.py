"""Starting lessons, finding records of a teacher, and the day's list."""

from dataclasses import dataclass
from datetime import date, timedelta

from django.contrib.auth.models import AbstractBaseUser, AnonymousUser
from django.db.models import Prefetch, QuerySet

from lefthand.practice.week import fullest_day
from studio.errors import StudioError
from studio.models import HomeDay, Lesson, Player, PracticeResult, RedFlag
from studio.services.flags import HOME_PAIN_DAYS
from studio.services.keep_alive import all_kept, reminders
from studio.services.known import focus_of, known_items
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
        .prefetch_related("observations", "focuses", "cause_words", "results")
        .first()
    )
    if lesson is None:
        raise StudioError("not_found", "lesson")
    return lesson


def start_lesson(player: Player, on: date) -> Lesson:
    """The player's lesson of this day, begun if need be."""
    lesson, is_new = Lesson.objects.get_or_create(player=player, date=on)
    if is_new or lesson.is_glance:
        lesson.starting_counts = counts_for(player)
        lesson.is_glance = False
        lesson.save(update_fields=["starting_counts", "is_glance"])
    return lesson


def glance_lesson(player: Player, on: date) -> Lesson:
    """Where a look over a class is kept: the day's lesson, or one that is a mere glance."""
    return Lesson.objects.get_or_create(player=player, date=on, defaults={"is_glance": True})[0]


def remove_lesson(lesson: Lesson) -> None:
    """Remove a lesson that was begun by mistake, with all its entries.

    A lesson that raised a stop, or whose week was practised, stays. Raises StudioError.
    """
    if lesson.red_flags.exists():
        raise StudioError("conflict", "lesson", "a stop was raised in it, so it stays")
    if lesson.home_days.exists() or PracticeResult.objects.filter(item__plan__lesson=lesson):
        raise StudioError("conflict", "lesson", "its week was practised, so it stays")
    lesson.delete()


@dataclass(frozen=True)
class DayRow:
    """One player in the day's list. `due`: resolved causes that are due for another look. `flags`:
    stops that are up. `pain`: the newest log of the week in which something hurt."""

    player: Player
    last_lesson: Lesson | None
    today: Lesson | None
    focus: list[str]
    minutes: float | None
    due: list[str]
    flags: list[RedFlag]
    pain: HomeDay | None
    is_today: bool

    @property
    def is_urgent(self) -> bool:
        """Something is up that the teacher should see before anything else."""
        return bool(self.flags) or self.pain is not None


def day_rows(teacher: Teacher, on: date) -> list[DayRow]:
    """All players of the teacher: those with a stop or pain first, then those of this weekday by
    time, then the others by name."""
    lessons = (
        Lesson.objects.filter(date__lte=on)
        .select_related("player__teacher__studio_settings", "plan")
        .prefetch_related("observations", "focuses", "cause_words", "plan__items")
    )
    flags = RedFlag.objects.filter(lifted_on__isnull=True)
    players = players_of(teacher).prefetch_related(
        Prefetch("lessons", lessons, to_attr="lessons_so_far"),
        Prefetch("red_flags", flags, to_attr="flags_up"),
        recent_pain(on),
    )
    rows = [_row(player, on) for player in players]
    return sorted(rows, key=_place_in_day)


def recent_pain(on: date) -> "Prefetch[str]":
    """Logs of the last week with pain, to be read from players by `pain_in_week`."""
    logs = Lesson.objects.filter(
        home_days__pain__gt=0,
        home_days__date__gte=on - timedelta(days=HOME_PAIN_DAYS),
    ).distinct()
    hurt = HomeDay.objects.filter(pain__gt=0).order_by("date")
    return Prefetch("lessons", logs.prefetch_related(Prefetch("home_days", hurt)), "lessons_hurt")


def pain_in_week(player: Player, on: date) -> HomeDay | None:
    """The newest log of the last seven days in which something hurt."""
    lessons: list[Lesson] = player.lessons_hurt  # type: ignore[attr-defined]
    since = on - timedelta(days=HOME_PAIN_DAYS)
    logs = [log for lesson in lessons for log in lesson.home_days.all() if log.date >= since]
    return max(logs, key=lambda log: log.date, default=None)


def _place_in_day(row: DayRow) -> tuple[bool, bool, str, str]:
    time = str(row.player.lesson_time or "") if row.is_today else ""
    return (not row.is_urgent, not row.is_today, time, row.player.name)


def _row(player: Player, on: date) -> DayRow:
    so_far: list[Lesson] = player.lessons_so_far  # type: ignore[attr-defined]
    flags: list[RedFlag] = player.flags_up  # type: ignore[attr-defined]
    before = [each for each in so_far if each.date < on and not each.is_glance]
    decided = [focus for lesson in so_far if (focus := focus_of(lesson))]
    planned = [lesson for lesson in so_far if hasattr(lesson, "plan")]
    gone = {kept.cause for kept in all_kept(so_far) if kept.returned is None}
    return DayRow(
        player=player,
        last_lesson=before[-1] if before else None,
        today=next((each for each in so_far if each.date == on and not each.is_glance), None),
        focus=[cause for cause in decided[-1] if cause not in gone] if decided else [],
        minutes=plan_minutes(planned[-1]) if planned else None,
        due=[each.kept.cause for each in reminders(so_far, on) if each.is_due],
        flags=flags,
        pain=pain_in_week(player, on),
        is_today=player.weekday == on.weekday(),
    )


def plan_minutes(lesson: Lesson) -> float:
    """Minutes of the fullest day of the lesson's plan."""
    items = known_items(lesson.plan)
    return fullest_day((item_dose(i).minutes(len(i.fingers)), i.days) for i in items)


def practice_dates(lesson: Lesson, days: list[int]) -> list[date]:
    """Calendar days of a plan: day 1 is the day after the lesson."""
    return [lesson.date + timedelta(days=day) for day in days]
