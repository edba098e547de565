"""Starting lessons, finding records of a teacher, and the day's list."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from django.contrib.auth.models import AbstractBaseUser, AnonymousUser
from django.db.models import Max, QuerySet

from studio.errors import StudioError
from studio.models import HomeDay, Lesson, Player, PracticeResult, RedFlag
from studio.services.flags import HOME_PAIN_DAYS, MOST_DAYS_OF_A_LINK
from studio.services.keep_alive import due_or_back
from studio.services.learning import counts_for
from studio.services.records import given_week, lesson_rows
from studio.services.standing import forget
from studio.services.summary import DaySummary, summaries_of

Teacher = AbstractBaseUser | AnonymousUser


def players_of(teacher: Teacher) -> QuerySet[Player]:
    """The only way to players: those of this teacher."""
    return Player.objects.filter(teacher_id=teacher.pk)


def player_of(teacher: Teacher, player_id: int) -> Player:
    players = players_of(teacher).select_related("teacher__studio_settings")
    player = players.filter(pk=player_id).first()
    if player is None:
        raise StudioError("not_found", "player")
    return player


def must_own_lesson(teacher: Teacher, lesson_id: int) -> None:
    """Raises StudioError for a lesson that is not one of this teacher."""
    if not Lesson.objects.filter(pk=lesson_id, player__teacher_id=teacher.pk).exists():
        raise StudioError("not_found", "lesson")


def lesson_of(teacher: Teacher, lesson_id: int) -> Lesson:
    lesson = lesson_rows().filter(pk=lesson_id, player__teacher_id=teacher.pk).first()
    if lesson is None:
        raise StudioError("not_found", "lesson")
    return lesson


def start_lesson(player: Player, on: date) -> Lesson:
    """The player's lesson of this day, begun if need be."""
    lesson = Lesson.objects.filter(player=player, date=on).first()
    if lesson is not None and not lesson.is_glance:
        return lesson
    begun = {"is_glance": False, "starting_counts": counts_for(player)}
    lesson, _ = Lesson.objects.update_or_create(player=player, date=on, defaults=begun)
    forget(player.pk, on)
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
    forget(lesson.player_id, lesson.date)


@dataclass(frozen=True)
class DayRow:
    """One player in the day's list. `last_on`: the newest earlier lesson. `due`: resolved causes
    that are due for another look. `flags`: stops that are up. `pain`: the newest log of the week in
    which something hurt."""

    player: Player
    last_on: date | None
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
    players = list(players_of(teacher).prefetch_related("red_flags"))
    ids = [player.pk for player in players]
    lessons = Lesson.objects.filter(player__in=ids, date=on, is_glance=False)
    days = _Days(
        on=on,
        summaries=summaries_of(ids, on),
        lessons={lesson.player_id: lesson for lesson in lessons},
        last_on=_last_days(ids, on),
        pain=pain_in_week(ids, on),
    )
    return sorted((days.row(player) for player in players), key=_place_in_day)


def _last_days(players: Sequence[int], on: date) -> dict[int, date]:
    """The day of each player's newest lesson before a day."""
    lessons = Lesson.objects.filter(player__in=players, date__lt=on, is_glance=False)
    newest = lessons.values("player").annotate(newest=Max("date"))
    return {each["player"]: each["newest"] for each in newest}


def pain_in_week(players: Sequence[int], on: date) -> dict[int, HomeDay]:
    """The newest log of the last seven days in which something hurt, by player."""
    since = on - timedelta(days=HOME_PAIN_DAYS)
    logs = HomeDay.objects.filter(
        lesson__player__in=players,
        lesson__date__gte=since - timedelta(days=MOST_DAYS_OF_A_LINK),
        date__gte=since,
        pain__gt=0,
    ).select_related("lesson")
    return {log.lesson.player_id: log for log in logs.order_by("date")}


@dataclass(frozen=True)
class _Days:
    """What the day's list reads of all its players, by player."""

    on: date
    summaries: Mapping[int, DaySummary]
    lessons: Mapping[int, Lesson]
    last_on: Mapping[int, date]
    pain: Mapping[int, HomeDay]

    def row(self, player: Player) -> DayRow:
        summary = self.summaries[player.pk]
        return DayRow(
            player=player,
            last_on=self.last_on.get(player.pk),
            today=self.lessons.get(player.pk),
            focus=summary.focus,
            minutes=summary.minutes,
            due=[each.kept.cause for each in due_or_back(summary.kept, self.on) if each.is_due],
            flags=[flag for flag in player.red_flags.all() if flag.lifted_on is None],
            pain=self.pain.get(player.pk),
            is_today=player.weekday == self.on.weekday(),
        )


def _place_in_day(row: DayRow) -> tuple[bool, bool, str, str]:
    time = str(row.player.lesson_time or "") if row.is_today else ""
    return (not row.is_urgent, not row.is_today, time, row.player.name)


def plan_minutes(lesson: Lesson) -> float:
    """Minutes of the fullest day of the lesson's plan."""
    week = given_week(lesson)
    return week.minutes if week else 0.0


def practice_dates(lesson: Lesson, days: list[int]) -> list[date]:
    """Calendar days of a plan: day 1 is the day after the lesson."""
    return [lesson.date + timedelta(days=day) for day in days]
