"""Red flags: raised by what a lesson or a log says, up until the teacher lifts them with a note.

Only a dated note lifts a flag. An entry made by mistake can be undone, which takes back what it
raised and stays in the lesson's log; a stop tapped by mistake on the phone, within a minute.
"""

from collections.abc import Sequence
from datetime import date, timedelta
from typing import Any

from django.db import transaction

from lefthand.case.case import Case
from lefthand.reason.safety import (
    Safety,
    SafetyLevel,
    StopReason,
    assess_safety,
    red_reasons,
    stop_said,
)
from lefthand.values.said import Said, said
from lefthand.words import words_of
from studio.errors import StudioError
from studio.memory.standing import forget
from studio.models import HomeDay, Lesson, Player, RedFlag
from studio.models.weeks import HURT

LETTERS_OF_A_NOTE = 10
WORDS_OF_A_NOTE = 2
MAX_NOTE = 300
HOME_PAIN_DAYS = 7
# How reasons were kept before they had ids.
WRITTEN_EARLIER = {
    "numbness or tingling": "numbness",
    "pain that radiates": "radiating",
    "a finger that curls or escapes control": "curling",
    "swelling": "swelling",
    "sudden weakness or dropping things": "sudden_weakness",
    "pain of 4 or more out of 10": "pain",
    "pain at rest": "rest",
    "pain at night": "night",
    "pain that is still there the next day": "next_day",
    "pain in the same place for two weeks or more": "same_place",
}
MOST_DAYS_OF_A_LINK = 63  # logs come in for eight weeks after the lesson, and some days late


def open_flags(player: Player) -> list[RedFlag]:
    """The flags that are up now, newest first."""
    return list(player.red_flags.filter(lifted_on__isnull=True))


def open_reasons(flags: Sequence[RedFlag]) -> list[str]:
    """Every reason of these flags by its id, each once."""
    return list(dict.fromkeys(reason for flag in flags for reason in flag.reasons))


def stops_said(flags: Sequence[RedFlag]) -> tuple[Said, ...]:
    """The same as they are said."""
    return tuple(stop_said(reason) for reason in open_reasons(flags))


def reason_id(written: str) -> str:
    """The id of a reason, which stood as words in files of earlier releases; the words themselves
    where no reason is called so."""
    return WRITTEN_EARLIER.get(written, written)


def reason_words(flag: RedFlag) -> list[str]:
    """The reasons of one stop in words."""
    return [words_of(stop_said(reason)) for reason in flag.reasons]


def is_stopped(player: Player) -> bool:
    return player.red_flags.filter(lifted_on__isnull=True).exists()


def lesson_safety(case: Case, flags: Sequence[RedFlag]) -> Safety:
    """What the lesson's case and the player's flags say together.

    A flag that is up is red whatever today's answers; red answers whose flag was lifted are amber.
    """
    reasons = stops_said([flag for flag in flags if flag.lifted_on is None])
    if reasons:
        return Safety(SafetyLevel.RED, reasons)
    today = assess_safety(case)
    if today.is_red:
        return Safety(SafetyLevel.AMBER, (said("ease-lifted-today"),))
    return today


def home_pain(player_id: int, on: date) -> HomeDay | None:
    """The newest log of the last seven days with pain, whatever is said in the lesson."""
    since = on - timedelta(days=HOME_PAIN_DAYS)
    logs = HomeDay.objects.filter(
        HURT,
        lesson__player=player_id,
        lesson__date__gte=since - timedelta(days=MOST_DAYS_OF_A_LINK),
        date__gte=since,
    )
    return logs.filter(date__lte=on + timedelta(days=1)).order_by("date").last()


def pain_in_week(players: Sequence[int], on: date) -> dict[int, HomeDay]:
    """The newest log of the last seven days in which something hurt, by player."""
    since = on - timedelta(days=HOME_PAIN_DAYS)
    logs = HomeDay.objects.filter(
        HURT,
        lesson__player__in=players,
        lesson__date__gte=since - timedelta(days=MOST_DAYS_OF_A_LINK),
        date__gte=since,
    ).select_related("lesson")
    return {log.lesson.player_id: log for log in logs.order_by("date")}


def keep_flag_in_step(lesson: Lesson, case: Case, known: Sequence[RedFlag]) -> bool:
    """Raise a flag for every red reason of the lesson that no flag of it holds yet; True where
    that wrote something. `known`: all stops of the player.

    Nothing is taken back here. A reason that was lifted in this lesson is held by that flag, unless
    the pain is more than it was then.
    """
    reasons = red_reasons(case.reports)
    flags = [flag for flag in known if flag.lesson_id == lesson.pk and not flag.from_home]
    held = {r for flag in flags if flag.lifted_on for r in flag.reasons}
    if case.reports.pain is not None and _is_worse(case.reports.pain, flags):
        held.discard(StopReason.PAIN)
    fresh = [reason.value for reason in reasons if reason not in held]
    if not fresh:
        return False
    flag = next((f for f in flags if f.lifted_on is None), None)
    if flag is None:
        flag = RedFlag(player=lesson.player, lesson=lesson, raised_on=lesson.date)
    flag.reasons = list(dict.fromkeys([*flag.reasons, *fresh]))
    flag.pain = max((p for p in (flag.pain, case.reports.pain) if p is not None), default=None)
    flag.save()
    return True


def _is_worse(pain: float, flags: Sequence[RedFlag]) -> bool:
    lifted = [flag.pain for flag in flags if flag.lifted_on and flag.pain is not None]
    return bool(lifted) and pain > max(lifted)


def flag_of_lesson(lesson: Lesson, known: Sequence[RedFlag]) -> dict[str, Any] | None:
    """The flag that this lesson's answers have up, as `restore_flag` takes it. `known`: all stops
    of the player, newest first."""
    up = (f for f in known if f.lesson_id == lesson.pk and not f.from_home and not f.lifted_on)
    flag = next(up, None)
    return {"reasons": flag.reasons, "pain": flag.pain} if flag else None


def restore_flag(lesson: Lesson, before: dict[str, Any] | None) -> None:
    """Undo what an entry raised. A flag that was lifted since stays as it is."""
    up = RedFlag.objects.filter(lesson=lesson, from_home=False, lifted_on=None)
    if before is None:
        up.delete()
    else:
        up.update(reasons=before["reasons"], pain=before["pain"])


def raise_from_home(
    lesson: Lesson,
    reasons: Sequence[StopReason],
    *,
    on: date,
    pain: float | None = None,
    log_key: str = "",
) -> None:
    """Raise a flag for what was logged at home; reasons add up while one is up."""
    forget(lesson.player_id, lesson.date)
    flag = RedFlag.objects.filter(
        player=lesson.player, from_home=True, lifted_on__isnull=True
    ).first()
    if flag is None:
        RedFlag.objects.create(
            player=lesson.player,
            lesson=lesson,
            raised_on=on,
            reasons=[reason.value for reason in reasons],
            from_home=True,
            pain=pain,
            log_key=log_key,
        )
        return
    fresh = [reason.value for reason in reasons if reason not in flag.reasons]
    if fresh:
        flag.reasons = [*flag.reasons, *fresh]
        flag.log_key = ""
    flag.pain = max((p for p in (flag.pain, pain) if p is not None), default=None)
    flag.save(update_fields=["reasons", "pain", "log_key"])


def take_back_from_home(lesson: Lesson, log_key: str, *, on: date) -> bool:
    """Take back the stop that one log raised; False when there is none that it alone raised."""
    forget(lesson.player_id, lesson.date)
    flags = RedFlag.objects.filter(lesson=lesson, from_home=True, lifted_on=None, log_key=log_key)
    note = "Tapped by mistake: taken back on the phone within a minute."
    return bool(log_key) and flags.update(lifted_on=on, note=note, mistaken=True) > 0


@transaction.atomic
def lift_flags(
    player: Player, *, note: str, on: date, seen: Sequence[str] | None = None
) -> RedFlag:
    """Lift all flags that are up with one note, a real sentence. Raises StudioError.

    `seen`: the ids of the reasons that the teacher had before them; what was raised for others
    since stays up.
    """
    note = " ".join(note.split())
    if sum(c.isalpha() for c in note) < LETTERS_OF_A_NOTE or len(note.split()) < WORDS_OF_A_NOTE:
        raise StudioError(
            "bad_input", "note", "say in a sentence what has changed, and who says so"
        )
    if len(note) > MAX_NOTE:
        raise StudioError("bad_input", "note", f"expected at most {MAX_NOTE} characters")
    flags = open_flags(player)
    if not flags:
        raise StudioError("not_found", "flag", "no flag is up")
    read = None if seen is None else [reason_id(reason) for reason in seen]
    lifted = [flag for flag in flags if _lift(flag, note, on, read)]
    forget(player.pk, on)
    if not lifted:
        raise StudioError("conflict", "flag", "there is a new reason to stop; read it first")
    return lifted[0]


def _lift(flag: RedFlag, note: str, on: date, seen: Sequence[str] | None) -> bool:
    unseen = [] if seen is None else [reason for reason in flag.reasons if reason not in seen]
    if unseen and len(unseen) == len(flag.reasons):
        return False
    if unseen:
        RedFlag.objects.create(
            player=flag.player,
            lesson=flag.lesson,
            raised_on=flag.raised_on,
            reasons=unseen,
            from_home=flag.from_home,
            pain=flag.pain,
        )
    flag.reasons = [reason for reason in flag.reasons if reason not in unseen]
    flag.lifted_on = max(on, flag.raised_on)
    flag.note = note
    flag.save(update_fields=["reasons", "lifted_on", "note"])
    return True
