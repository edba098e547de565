"""The day's list: every player of a teacher with what is to be known before the lesson."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, time

from django.db.models import Max

from studio.home.told import ToldAtHome, told_at_home
from studio.lessons.access import Teacher, players_of
from studio.lessons.flags import pain_in_week
from studio.memory.keep_alive import due_or_back
from studio.memory.summary import DaySummary, summaries_of
from studio.models import HomeDay, Lesson, LessonChange, Player, RedFlag
from studio.today.holidays import holiday_on
from studio.today.timetable import changes_on


@dataclass(frozen=True)
class DayRow:
    """One player in the day's list. `last_on`: the newest earlier lesson. `due`: resolved causes
    that are due for another look. `flags`: stops that are up. `pain`: the newest log of the week in
    which something hurt. `time`: when the player comes, where that is known. `away`: the lesson of
    this day that does not take place, or not on this day. `home`: what was told of the newest week
    by those who come on this day."""

    player: Player
    last_on: date | None
    today: Lesson | None
    focus: list[str]
    minutes: float | None
    due: list[str]
    flags: list[RedFlag]
    pain: HomeDay | None
    is_today: bool
    time: time | None
    away: LessonChange | None
    home: ToldAtHome | None

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
    changes = changes_on(ids, on)
    coming = [p.pk for p in players if p.weekday == on.weekday() or p.pk in changes]
    days = _Days(
        on=on,
        summaries=summaries_of(ids, on),
        lessons={lesson.player_id: lesson for lesson in lessons},
        last_on=_last_days(ids, on),
        pain=pain_in_week(ids, on),
        changes=changes,
        is_holiday=holiday_on(teacher, on) is not None,
        home=told_at_home(coming, on),
    )
    return sorted((days.row(player) for player in players), key=_place_in_day)


def _last_days(players: Sequence[int], on: date) -> dict[int, date]:
    """The day of each player's newest lesson before a day."""
    lessons = Lesson.objects.filter(player__in=players, date__lt=on, is_glance=False)
    newest = lessons.values("player").annotate(newest=Max("date"))
    return {each["player"]: each["newest"] for each in newest}


@dataclass(frozen=True)
class _Days:
    """What the day's list reads of all its players, by player."""

    on: date
    summaries: Mapping[int, DaySummary]
    lessons: Mapping[int, Lesson]
    last_on: Mapping[int, date]
    pain: Mapping[int, HomeDay]
    changes: Mapping[int, Sequence[LessonChange]]
    is_holiday: bool
    home: Mapping[int, ToldAtHome]

    def row(self, player: Player) -> DayRow:
        summary = self.summaries[player.pk]
        changes = self.changes.get(player.pk, ())
        moved_here = next((each for each in changes if each.to == self.on), None)
        away = next((each for each in changes if each.on == self.on != each.to), None)
        return DayRow(
            player=player,
            last_on=self.last_on.get(player.pk),
            today=self.lessons.get(player.pk),
            focus=summary.focus,
            minutes=summary.minutes,
            due=[each.kept.cause for each in due_or_back(summary.kept, self.on) if each.is_due],
            flags=[flag for flag in player.red_flags.all() if flag.lifted_on is None],
            pain=self.pain.get(player.pk),
            is_today=self._comes(player) or moved_here is not None,
            time=moved_here.at if moved_here else player.lesson_time,
            away=away,
            home=self.home.get(player.pk),
        )

    def _comes(self, player: Player) -> bool:
        """By the weekday; on a holiday only who has begun."""
        if self.is_holiday and player.pk not in self.lessons:
            return False
        return player.weekday == self.on.weekday()


def _place_in_day(row: DayRow) -> tuple[bool, bool, str, str]:
    at = str(row.time or "") if row.is_today else ""
    return (not row.is_urgent, not row.is_today, at, row.player.name)
