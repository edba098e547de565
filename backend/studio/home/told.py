"""What was told from home of the newest week, in numbers for one line."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from studio.home.week_at_home import planned_dates
from studio.models import HomeDay, Lesson, PlanItem


@dataclass(frozen=True)
class ToldAtHome:
    """Days of the newest week before today: `planned` for practice, `done` wholly or partly of
    all, `tight` of these."""

    planned: int
    done: int
    tight: int


def told_at_home(players: Sequence[int], on: date) -> dict[int, ToldAtHome]:
    """By player, where anything was told of the newest week that was given before the day."""
    given = Lesson.objects.filter(player__in=players, date__lt=on, plan__isnull=False)
    weeks = {lesson.player_id: lesson for lesson in given.only("player", "date").order_by("date")}
    ids = [lesson.pk for lesson in weeks.values()]
    days: dict[int, list[HomeDay]] = {}
    for day in HomeDay.objects.filter(lesson__in=ids, date__lt=on):
        days.setdefault(day.lesson_id, []).append(day)
    items: dict[int, list[PlanItem]] = {}
    for item in PlanItem.objects.filter(plan__lesson__in=ids).select_related("plan"):
        items.setdefault(item.plan.lesson_id, []).append(item)
    return {
        player: _told(days[week.pk], planned_dates(week, items.get(week.pk, [])), on)
        for player, week in weeks.items()
        if week.pk in days
    }


def _told(days: Sequence[HomeDay], planned: Sequence[date], on: date) -> ToldAtHome:
    done = [day for day in days if day.done != "not"]
    return ToldAtHome(
        planned=sum(day < on for day in planned),
        done=len(done),
        tight=sum(day.felt == "tight" for day in done),
    )
