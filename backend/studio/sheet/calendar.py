"""A week of practice as a calendar file (RFC 5545), with an alarm a day."""

from datetime import UTC, datetime, time, timedelta
from typing import TYPE_CHECKING

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.words import told
from studio.home.week_at_home import HomeWeek
from studio.models import PlanItem

if TYPE_CHECKING:  # long to read and seldom asked for
    from icalendar import Event

USUAL_TIME = time(17, 0)


def week_calendar(week: HomeWeek, at: time = USUAL_TIME) -> bytes:
    """One event a practice day at the player's own wall-clock time, none while the week is paused.

    An event is known by lesson and day, so that reading the file again moves it, not doubles it.
    """
    from icalendar import Calendar  # noqa: PLC0415

    calendar = Calendar()
    calendar.add("prodid", "-//Jolf//practice week//EN")
    calendar.add("version", "2.0")
    by_day: dict[int, list[PlanItem]] = {}
    for item in week.items:
        for day in week.days[item.exercise]:
            by_day.setdefault(day, []).append(item)
    for day, items in sorted(by_day.items()):
        calendar.add_component(_event(week, day, items, at))
    return bytes(calendar.to_ical())


def _event(week: HomeWeek, day: int, items: list[PlanItem], at: time) -> "Event":
    from icalendar import Alarm, Event  # noqa: PLC0415

    start = datetime.combine(week.date_of(day), at)
    event = Event()
    event.add("uid", f"lesson-{week.lesson.pk}-day-{day}@jolf")
    event.add("dtstamp", datetime.combine(week.lesson.date, time(), tzinfo=UTC))
    event.add("dtstart", start)
    event.add("duration", timedelta(minutes=week.minutes))
    event.add("summary", told("sheet-practise"))
    event.add("description", "\n".join(_line(week, item) for item in items))
    alarm = Alarm()
    alarm.add("action", "DISPLAY")
    alarm.add("description", told("sheet-practise"))
    alarm.add("trigger", timedelta(0))
    event.add_component(alarm)
    return event


def _line(week: HomeWeek, item: PlanItem) -> str:
    exercise = load_catalogue().exercises[item.exercise]
    return f"{exercise.name}: {week.dose(item).words(item.fingers)}"
