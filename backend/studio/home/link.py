"""The private link: a week at home without signing in.

Each player has one link at most. It shows the week in force, and ends when the teacher ends or
renews it, or eight weeks after the last lesson.
"""

import secrets
from datetime import date, timedelta
from typing import Any

from lefthand.values.errors import InputError
from studio.errors import StudioError
from studio.home.week_at_home import (
    DAYS_AHEAD,
    HomeWeek,
    is_long_ago,
    week_in_force,
    weeks_given,
)
from studio.models import HomeLink, Lesson, Plan, Player

TOKEN_BYTES = 32


def link_of(player: Player) -> HomeLink | None:
    """The player's link that is in use, if any."""
    return HomeLink.objects.filter(player=player, revoked=False).first()


def keep_link(player: Player) -> HomeLink:
    """The link that is in use, or a new one where there is none: asking twice ends nothing. Raises
    StudioError where no week was given."""
    return link_of(player) or make_link(player)


def make_link(player: Player) -> HomeLink:
    """A new address for this player; an older one stops working. Raises StudioError where no week
    was given."""
    if not Plan.objects.filter(lesson__player=player).exists():
        raise StudioError("bad_input", "lesson", "give the week first")
    token = secrets.token_urlsafe(TOKEN_BYTES)
    link, _ = HomeLink.objects.update_or_create(
        player=player, defaults={"token": token, "revoked": False}
    )
    return link


def revoke_link(player: Player) -> None:
    HomeLink.objects.filter(player=player).update(revoked=True)


def open_link(token: str, today: date) -> HomeWeek:
    """The week in force behind an address. Raises StudioError when there is none any more."""
    return open_week(player_behind(token, today), today)


def open_week(player: Player, today: date) -> HomeWeek:
    """The week in force. Raises StudioError when there is none any more."""
    lesson = week_in_force(player, today)
    if lesson is None:
        raise StudioError("link_gone")
    return HomeWeek(lesson, today)


def player_behind(token: str, today: date) -> Player:
    """Whose link it is. Raises StudioError for one that is unknown or has ended."""
    link = (
        HomeLink.objects.filter(token=token)
        .select_related("player__teacher__studio_settings")
        .first()
    )
    if link is None:
        raise StudioError("not_found", "link")
    if link.revoked or is_long_ago(link.player, today):
        raise StudioError("link_gone")
    return link.player


def _week_of(player: Player, day: date) -> Lesson | None:
    """The lesson whose week holds a day: the newest before it, or the first on the day itself."""
    weeks = weeks_given(player)
    before = weeks.filter(date__lt=day).order_by("-date").first()
    return before or weeks.filter(date=day).first()


def week_logged(token: str, day: date, today: date) -> Lesson:
    """The lesson whose week holds a day that is told from behind an address. Raises StudioError."""
    try:
        return week_told(player_behind(token, today), day, today)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error


def week_told(player: Player, day: Any, today: date, given_on: date | None = None) -> Lesson:
    """The lesson whose week holds a day. `given_on`: the day of the lesson whose week was open when
    it was told, where that is known: on the day of a lesson two weeks meet. Raises InputError."""
    latest = today + timedelta(days=DAYS_AHEAD)
    lesson = None
    if isinstance(day, date) and day <= latest:
        told = (
            weeks_given(player).filter(date=given_on, date__lte=day).first() if given_on else None
        )
        lesson = told or _week_of(player, day)
    if lesson is None:
        raise InputError("date", "expected a day from the lesson until today")
    return lesson
