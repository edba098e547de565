"""What comes back from the week at home: how a day went, what hurt, and a stop taken back."""

from collections.abc import Mapping, Sequence
from datetime import date, timedelta
from typing import Any

from django.db import transaction

from lefthand.case.case import Reports
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.pains import NOT_YET
from lefthand.reason.safety import red_reasons
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument, Later, Place
from studio.errors import StudioError
from studio.home.link import open_week, player_behind, week_told
from studio.home.told_day import read_log
from studio.home.week_at_home import DAYS_AHEAD, HomeWeek
from studio.lessons.flags import raise_from_home, take_back_from_home
from studio.memory.pains import place_named
from studio.memory.standing import forget, pain_over_time
from studio.models import HomeDay, Lesson, PlanItem, PracticeResult, RedFlag
from studio.models.weeks import HURT

SECONDS_TO_TAKE_BACK = 60
LATER_KEY = "later:"


@transaction.atomic
def log_day(token: str, data: Mapping[str, Any], today: date) -> HomeWeek:
    """Keep how a day went, late ones too. Pain of four or more or a red sign raises a flag.

    A day is judged by what it held when it was its turn, and belongs to the week that holds it; the
    answer is the week in force. Raises StudioError.
    """
    player = player_behind(token, today)
    try:
        lesson = week_told(player, data.get("date"), today, data.get("given_on"))
        log = read_log(data, lesson)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    day = log.pop("date")
    pain = log["pain"]
    answered = {} if pain or log["hurt"] == "open" else {"later": None}
    kept, _ = HomeDay.objects.update_or_create(
        lesson=lesson, date=day, defaults={**log, **answered}
    )
    keep_results(lesson, day)
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
    return open_week(player, today)


@transaction.atomic
def answer_later(
    token: str, day: date, times: Sequence[str], today: date, *, client_key: str = ""
) -> HomeWeek:
    """Keep what the player says of pain of an earlier day: when it was still there, [] for not.

    Still there the next day, at rest or at night raises a flag. Raises StudioError.
    """
    player = player_behind(token, today)
    log = HomeDay.objects.filter(lesson__player=player, date=day).order_by("lesson__date").last()
    if log is None or log.felt_pain <= 0 or day >= today + timedelta(days=DAYS_AHEAD):
        raise StudioError("bad_input", "date", "expected an earlier day on which something hurt")
    unknown = set(times) - set(Later)
    if unknown:
        raise StudioError("bad_input", "times", f"unknown time {sorted(unknown)[0]!r}")
    log.later = [time.value for time in Later if time in times]
    log.save(update_fields=["later"])
    lesson = log.lesson
    when = tuple(log.later)
    reasons = red_reasons(Reports(pain=log.felt_pain, place=log.place or None, pain_when=when))
    if reasons:
        key = f"{LATER_KEY}{client_key}" if client_key else ""
        pain = log.pain or None
        raise_from_home(lesson, reasons, on=today, pain=pain, log_key=key)
    return open_week(player, today)


@transaction.atomic
def take_back_stop(token: str, client_key: str, seconds: float, today: date) -> HomeWeek:
    """Take back a stop that was tapped by mistake, within a minute of tapping it.

    `client_key`: of the log, or of the answer about an earlier day, that raised it. `seconds`:
    between the two taps, by the phone's clock, so that one who was offline is not caught out. What
    was tapped goes, too. Raises StudioError.
    """
    player = player_behind(token, today)
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
        keep_results(flag.lesson, flag.raised_on)
    return open_week(player, today)


def keep_results(lesson: Lesson, day: date) -> None:
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
