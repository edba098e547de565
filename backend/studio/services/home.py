"""The private link: a week at home without signing in, and what comes back from it.

The link belongs to one lesson. It ends when the teacher revokes it, when a newer week was given, or
four weeks after the lesson.
"""

import secrets
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date, timedelta
from functools import cached_property
from typing import Any

from django.db import transaction

from lefthand.case import Reports
from lefthand.catalogue import load_catalogue
from lefthand.checks import check_number, check_words
from lefthand.errors import InputError
from lefthand.planning import is_load, rests_between_loads
from lefthand.safety import red_reasons
from lefthand.week import LAST_DAY, moved_week
from studio.errors import StudioError
from studio.models import HomeDay, HomeLink, Lesson, Plan, PlanItem, PracticeResult
from studio.services.cases import age_at
from studio.services.flags import open_flag, raise_from_home

TOKEN_BYTES = 32
DAYS_OPEN = 28
# Logs may come late, when the phone is back in the network, and from a clock a day ahead.
DAYS_AHEAD = 1
DONE = ("done", "partly", "not")
FELT = ("", "soft", "mixed", "tight")
SIGNS = ("numbness", "radiating", "curling", "swelling", "sudden_weakness")


@dataclass(frozen=True)
class HomeWeek:
    """A week as the player sees it today."""

    lesson: Lesson
    today: date

    @cached_property
    def items(self) -> list[PlanItem]:
        plan = Plan.objects.filter(lesson=self.lesson).prefetch_related("items").first()
        return list(plan.items.all()) if plan and self.reasons is None else []

    @cached_property
    def logs(self) -> list[HomeDay]:
        return list(self.lesson.home_days.all())

    @cached_property
    def reasons(self) -> list[str] | None:
        """Why the week is paused; None when it is not."""
        flag = open_flag(self.lesson.player)
        return flag.reasons if flag else None

    @cached_property
    def days(self) -> dict[str, list[int]]:
        """Days 1..7 of each exercise, with what was missed moved."""
        exercises = load_catalogue().exercises
        spaced = rests_between_loads(age_at(self.lesson.player, self.lesson))
        return moved_week(
            {item.exercise: item.days for item in self.items},
            done=[self.number(log.date) for log in self.logs if log.done != "not"],
            today=self.number(self.today),
            apart=[i.exercise for i in self.items if spaced and is_load(exercises[i.exercise])],
        )

    def number(self, day: date) -> int:
        return (day - self.lesson.date).days

    def date_of(self, number: int) -> date:
        return self.lesson.date + timedelta(days=number)


def link_of(lesson: Lesson) -> HomeLink | None:
    """The lesson's link that is in use, if any."""
    return HomeLink.objects.filter(lesson=lesson, revoked=False).first()


def make_link(lesson: Lesson) -> HomeLink:
    """A new address for this lesson's week; an older one of it stops working."""
    if not Plan.objects.filter(lesson=lesson).exists():
        raise StudioError("bad_input", "lesson", "give the week first")
    token = secrets.token_urlsafe(TOKEN_BYTES)
    link, _ = HomeLink.objects.update_or_create(
        lesson=lesson, defaults={"token": token, "revoked": False}
    )
    return link


def revoke_link(lesson: Lesson) -> None:
    HomeLink.objects.filter(lesson=lesson).update(revoked=True)


def open_link(token: str, today: date) -> HomeWeek:
    """The week behind an address. Raises StudioError when there is none any more."""
    link = (
        HomeLink.objects.filter(token=token)
        .select_related("lesson__player__teacher__studio_settings")
        .first()
    )
    if link is None:
        raise StudioError("not_found", "link")
    lesson = link.lesson
    newer = Plan.objects.filter(lesson__player=lesson.player, lesson__date__gt=lesson.date)
    if link.revoked or (today - lesson.date).days > DAYS_OPEN or newer.exists():
        raise StudioError("link_gone")
    return HomeWeek(lesson, today)


@transaction.atomic
def log_day(token: str, data: Mapping[str, Any], today: date) -> HomeWeek:
    """Keep how a day went. Pain of four or more or a red sign raises a flag. Raises StudioError."""
    week = open_link(token, today)
    try:
        log = _read_log(data, week)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    days = week.days
    HomeDay.objects.update_or_create(lesson=week.lesson, date=log.pop("date"), defaults=log)
    day = HomeDay.objects.get(lesson=week.lesson, date=data["date"])
    _keep_results(day, [i for i in week.items if week.number(day.date) in days[i.exercise]])
    signs: dict[str, Any] = dict.fromkeys(day.signs, True)
    reasons = red_reasons(Reports(pain=day.pain, **signs))
    if reasons:
        raise_from_home(week.lesson, reasons, day.date)
    return HomeWeek(week.lesson, today)


def _read_log(data: Mapping[str, Any], week: HomeWeek) -> dict[str, Any]:
    day = data.get("date")
    latest = week.today + timedelta(days=DAYS_AHEAD)
    if not isinstance(day, date) or not week.lesson.date <= day <= latest:
        raise InputError("date", "expected a day from the lesson until today")
    signs = check_words("signs", data.get("signs", []))
    unknown = set(signs) - set(SIGNS)
    if unknown:
        raise InputError("signs", f"unknown sign {sorted(unknown)[0]!r}")
    return {
        "date": day,
        "done": _one_of("done", data.get("done"), DONE),
        "felt": _one_of("felt", data.get("felt", ""), FELT),
        "pain": int(check_number("pain", data.get("pain", 0), 0, 10, whole=True)),
        "signs": signs,
    }


def _one_of(field: str, value: Any, options: tuple[str, ...]) -> str:
    if value not in options:
        raise InputError(field, f"expected one of {', '.join(o for o in options if o)}")
    return str(value)


def _keep_results(day: HomeDay, items: list[PlanItem]) -> None:
    """What the log says of each exercise of that day: right when all was done and it felt soft."""
    for item in items:
        own: dict[str, Any] = {"item": item, "date": day.date, "lesson": None}
        if day.done == "not":
            PracticeResult.objects.filter(**own).delete()
            continue
        PracticeResult.objects.update_or_create(
            **own,
            defaults={
                "passed": day.done == "done" and day.felt == "soft",
                "pain": day.pain,
                "tighter": day.felt == "tight",
            },
        )


def last_home_days(lesson: Lesson) -> tuple[Lesson, list[HomeDay]] | None:
    """What came home from the week before this lesson; None when nothing was logged."""
    before = (
        Lesson.objects.filter(player=lesson.player, date__lt=lesson.date, plan__isnull=False)
        .order_by("-date")
        .prefetch_related("home_days")
        .first()
    )
    if before is None or not before.home_days.all():
        return None
    return before, list(before.home_days.all())


def planned_dates(lesson: Lesson) -> list[date]:
    """Calendar days of a lesson's week on which something was planned."""
    items = PlanItem.objects.filter(plan__lesson=lesson)
    numbers = {day for item in items for day in item.days if 1 <= day <= LAST_DAY}
    return [lesson.date + timedelta(days=number) for number in sorted(numbers)]
