"""The private link: a week at home without signing in, and what comes back from it.

Each player has one link at most. It shows the week in force, and ends when the teacher ends or
renews it, or eight weeks after the last lesson.
"""

import secrets
from collections.abc import Collection, Mapping, Sequence
from datetime import date, timedelta
from typing import Any

from django.db import transaction

from lefthand.case.case import Reports
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.self_check import FROM_AGE, SelfCheck
from lefthand.practice.pains import NOT_YET
from lefthand.practice.tempo import TEMPO_RANGE
from lefthand.reason.safety import red_reasons
from lefthand.values.errors import InputError
from lefthand.values.fields import (
    Fields,
    read_mapping,
    read_number,
    read_one_of,
    read_words,
    short,
)
from lefthand.values.vocabulary import Instrument, Place
from studio.errors import StudioError
from studio.models import (
    HomeDay,
    HomeLink,
    Lesson,
    Plan,
    PlanItem,
    Player,
    PracticeResult,
    RedFlag,
)
from studio.models.weeks import HURT
from studio.services.findings import youngest_age_at
from studio.services.flags import raise_from_home, take_back_from_home
from studio.services.home_week import (
    DAYS_AHEAD,
    HomeWeek,
    is_long_ago,
    week_in_force,
    weeks_given,
)
from studio.services.pains import place_named
from studio.services.standing import forget, pain_over_time

TOKEN_BYTES = 32
DONE = ("done", "partly", "not")
FELT = ("", "soft", "mixed", "tight")
ONE_THING = ("", "mostly", "partly", "not")
HURT_SAID = ("", "open", "nothing")
WHEN = ("before", "after")
MOST_PLAYS = 999
LATER = ("next_day", "rest", "night")
SECONDS_TO_TAKE_BACK = 60
LATER_KEY = "later:"
SIGNS = ("numbness", "radiating", "curling", "swelling", "sudden_weakness")


def link_of(player: Player) -> HomeLink | None:
    """The player's link that is in use, if any."""
    return HomeLink.objects.filter(player=player, revoked=False).first()


def make_link(player: Player) -> HomeLink:
    """A new address for this player; an older one stops working."""
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
    return _open_week(_player_behind(token, today), today)


def _open_week(player: Player, today: date) -> HomeWeek:
    lesson = week_in_force(player, today)
    if lesson is None:
        raise StudioError("link_gone")
    return HomeWeek(lesson, today)


def _player_behind(token: str, today: date) -> Player:
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


@transaction.atomic
def log_day(token: str, data: Mapping[str, Any], today: date) -> HomeWeek:
    """Keep how a day went, late ones too. Pain of four or more or a red sign raises a flag.

    A day is judged by what it held when it was its turn, and belongs to the week that holds it; the
    answer is the week in force. Raises StudioError.
    """
    player = _player_behind(token, today)
    try:
        lesson = _week_logged(player, data.get("date"), today, data.get("given_on"))
        log = _read_log(data, lesson)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    day = log.pop("date")
    pain = log["pain"]
    answered = {} if pain or log["hurt"] == "open" else {"later": None}
    kept, _ = HomeDay.objects.update_or_create(
        lesson=lesson, date=day, defaults={**log, **answered}
    )
    _keep_results(lesson, day)
    signs: dict[str, Any] = dict.fromkeys(log["signs"], True)
    # What was only touched is judged when it is told, or asked about the next day.
    over = pain_over_time(player.pk, day) if pain else NOT_YET
    reasons = red_reasons(
        Reports(
            pain=kept.felt_pain,
            place=log["place"] or None,
            pain_when=("next_day",) if over.next_day else (),
            same_place_weeks=over.weeks,
            **signs,
        )
    )
    if reasons:
        key = str(data.get("client_key") or "")
        raise_from_home(lesson, reasons, on=day, pain=pain or None, log_key=key)
    return _open_week(player, today)


@transaction.atomic
def answer_later(
    token: str, day: date, times: Sequence[str], today: date, *, client_key: str = ""
) -> HomeWeek:
    """Keep what the player says of pain of an earlier day: when it was still there, [] for not.

    Still there the next day, at rest or at night raises a flag. Raises StudioError.
    """
    player = _player_behind(token, today)
    log = HomeDay.objects.filter(lesson__player=player, date=day).order_by("lesson__date").last()
    if log is None or log.felt_pain <= 0 or day >= today + timedelta(days=DAYS_AHEAD):
        raise StudioError("bad_input", "date", "expected an earlier day on which something hurt")
    unknown = set(times) - set(LATER)
    if unknown:
        raise StudioError("bad_input", "times", f"unknown time {sorted(unknown)[0]!r}")
    log.later = [time for time in LATER if time in times]
    log.save(update_fields=["later"])
    lesson = log.lesson
    when = tuple(log.later)
    reasons = red_reasons(Reports(pain=log.felt_pain, place=log.place or None, pain_when=when))
    if reasons:
        key = f"{LATER_KEY}{client_key}" if client_key else ""
        pain = log.pain or None
        raise_from_home(lesson, reasons, on=today, pain=pain, log_key=key)
    return _open_week(player, today)


@transaction.atomic
def take_back_stop(token: str, client_key: str, seconds: float, today: date) -> HomeWeek:
    """Take back a stop that was tapped by mistake, within a minute of tapping it.

    `client_key`: of the log, or of the answer about an earlier day, that raised it. `seconds`:
    between the two taps, by the phone's clock, so that one who was offline is not caught out. What
    was tapped goes, too. Raises StudioError.
    """
    player = _player_behind(token, today)
    if not 0 <= seconds <= SECONDS_TO_TAKE_BACK:
        raise StudioError("bad_input", "seconds", "a stop can be taken back within a minute")
    keys = (client_key, f"{LATER_KEY}{client_key}")
    flags = RedFlag.objects.filter(player=player, log_key__in=keys, lifted_on=None)
    flag = flags.select_related("lesson__player").first()
    if flag is None or not take_back_from_home(flag.lesson, flag.log_key, on=today):
        raise StudioError("conflict", "stop", "it cannot be taken back; tell your teacher")
    if flag.log_key.startswith(LATER_KEY):
        flag.lesson.home_days.filter(HURT, date__lt=today).update(later=None)
    else:
        HomeDay.objects.filter(lesson=flag.lesson, date=flag.raised_on).delete()
        _keep_results(flag.lesson, flag.raised_on)
    return _open_week(player, today)


def week_logged(token: str, day: date, today: date) -> Lesson:
    """The lesson whose week holds a day that is told from behind an address. Raises StudioError."""
    try:
        return _week_logged(_player_behind(token, today), day, today)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error


def _week_logged(player: Player, day: Any, today: date, given_on: date | None = None) -> Lesson:
    """`given_on`: the day of the lesson whose week was open when it was told, where that is known:
    on the day of a lesson two weeks meet."""
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


def _read_log(data: Mapping[str, Any], lesson: Lesson) -> dict[str, Any]:
    signs = read_words("signs", data.get("signs", []))
    unknown = set(signs) - set(SIGNS)
    if unknown:
        raise InputError("signs", f"unknown sign {sorted(unknown)[0]!r}")
    given = {item.exercise for item in HomeWeek(lesson, lesson.date).given}
    return {
        "date": data["date"],
        "done": read_one_of("done", data.get("done"), DONE),
        "parts": read_parts(data.get("parts"), given),
        "felt": read_one_of("felt", data.get("felt", ""), FELT),
        "pain": int(read_number("pain", data.get("pain", 0), 0, 10, whole=True)),
        "place": read_one_of("place", data.get("place") or "", ("", *Place)),
        "signs": signs,
        "tempos": read_tempos(data.get("tempos") or {}, given),
        "checks": read_checks(data.get("checks") or {}, lesson),
        "one_thing": read_one_of("one_thing", data.get("one_thing") or "", ONE_THING),
        "hurt": read_one_of("hurt", data.get("hurt") or "", HURT_SAID),
    }


def read_parts(raw: Any, given: Collection[str]) -> list[str] | None:
    """Which exercises of the week were practised on a day; None where that was not said."""
    if raw is None:
        return None
    return [read_one_of("parts", name, given) for name in read_words("parts", raw)]


def read_tempos(raw: Any, given: Collection[str]) -> dict[str, dict[str, int | None]]:
    """What tempo work came to, by exercise of the week."""
    found: dict[str, dict[str, int | None]] = {}
    for name, each in read_mapping("tempos", raw).items():
        if name not in given:
            raise InputError(f"tempos.{short(name)}", "expected an exercise of the week")
        fields = Fields(each, f"tempos.{name}")
        plays = fields.whole("plays", 1, MOST_PLAYS)
        found[name] = {
            "highest": fields.whole("highest", *TEMPO_RANGE, default=None),
            "plays": plays,
            "slow": fields.whole("slow", 0, plays),
        }
        fields.done()
    return found


def read_checks(raw: Any, lesson: Lesson) -> dict[str, list[str]]:
    """What was as it should be on the own hand, before and after."""
    known = {check.id for check in self_checks_of(lesson)}
    fields = Fields(raw, "checks")
    found = {
        when: [read_one_of(f"checks.{when}", name, known) for name in fields.words(when)]
        for when in WHEN
        if when in fields
    }
    fields.done()
    return found


def self_checks_of(lesson: Lesson) -> list[SelfCheck]:
    """What this player is asked about the own hand: nothing unless the teacher wants it, and
    nothing of the youngest."""
    age = youngest_age_at(lesson.player, lesson)
    if not lesson.player.self_check or (age is not None and age < FROM_AGE):
        return []
    instrument = Instrument(lesson.player.instrument)
    checks = load_catalogue().self_checks.values()
    return [check for check in checks if instrument in check.instruments]


def _keep_results(lesson: Lesson, day: date) -> None:
    """What the log of a day says of each exercise that the day held: right when all of it was done
    and it felt soft. Takes the place of what an earlier log of the day had said."""
    PracticeResult.objects.filter(item__plan__lesson=lesson, date=day, lesson=None).delete()
    log = HomeDay.objects.filter(lesson=lesson, date=day).first()
    forget(lesson.player_id, lesson.date)
    if log is None or log.done == "not":
        return
    then = HomeWeek(lesson, day, until=day)
    PracticeResult.objects.bulk_create(
        PracticeResult(
            item=item,
            date=day,
            passed=(log.done == "done" or log.parts is not None) and log.felt == "soft",
            pain=log.felt_pain if _may_have_hurt(item, log, then.instrument) else 0,
            tighter=log.felt == "tight",
        )
        for item in then.given
        if then.number(day) in then.days[item.exercise]
        and not (then.is_eased and then.rests(item))
        and (log.parts is None or item.exercise in log.parts)
    )


def _may_have_hurt(item: PlanItem, log: HomeDay, instrument: Instrument) -> bool:
    """It loads the place that hurt on the day, or nobody said where it was."""
    place = place_named(log.place)
    loads = load_catalogue().exercises[item.exercise].loads_on(instrument, item.rung)
    return place is Place.SOMEWHERE or bool(place.spares & loads)
