"""Red flags: raised by a lesson's reports, up until the teacher lifts them with a dated note."""

from datetime import date, timedelta

from lefthand.case import Case
from lefthand.safety import Safety, SafetyLevel, assess_safety
from studio.errors import StudioError
from studio.models import HomeDay, Lesson, Player, RedFlag


def open_flag(player: Player) -> RedFlag | None:
    """The flag that is up now, if any."""
    return player.red_flags.filter(lifted_on__isnull=True).first()


def lesson_safety(lesson: Lesson, case: Case) -> Safety:
    """What the lesson's reports and the player's flags say together.

    A flag that is up is red whatever today's answers; red answers whose flag was lifted are amber.
    """
    flag = open_flag(lesson.player)
    if flag is not None:
        return Safety(SafetyLevel.RED, tuple(flag.reasons))
    today = assess_safety(case)
    if today.is_red:
        return Safety(SafetyLevel.AMBER, ("a red flag was lifted today: ease off at first",))
    if today.level is SafetyLevel.NONE and _hurt_at_home(lesson):
        return Safety(SafetyLevel.AMBER, ("some pain at home in the last week",))
    return today


def _hurt_at_home(lesson: Lesson) -> bool:
    """A log of the last seven days with pain, whatever is said in the lesson."""
    return HomeDay.objects.filter(
        lesson__player=lesson.player,
        date__gte=lesson.date - timedelta(days=7),
        date__lte=lesson.date,
        pain__gt=0,
    ).exists()


def keep_flag_in_step(lesson: Lesson, case: Case) -> None:
    """Raise, update or take back the flag of this lesson after its reports changed.

    A flag that the teacher has lifted stays as it is.
    """
    today = assess_safety(case)
    flag = RedFlag.objects.filter(lesson=lesson, from_home=False).first()
    if today.is_red and flag is None:
        RedFlag.objects.create(
            player=lesson.player,
            lesson=lesson,
            raised_on=lesson.date,
            reasons=list(today.reasons),
        )
    elif flag is not None and flag.lifted_on is None:
        if today.is_red:
            flag.reasons = list(today.reasons)
            flag.save(update_fields=["reasons"])
        else:
            flag.delete()


def raise_from_home(lesson: Lesson, reasons: list[str], on: date) -> None:
    """Raise a flag for what was logged at home; reasons add up while one is up."""
    flag = RedFlag.objects.filter(
        player=lesson.player, from_home=True, lifted_on__isnull=True
    ).first()
    if flag is None:
        RedFlag.objects.create(
            player=lesson.player, lesson=lesson, raised_on=on, reasons=reasons, from_home=True
        )
    else:
        flag.reasons = list(dict.fromkeys([*flag.reasons, *reasons]))
        flag.save(update_fields=["reasons"])


def lift_flag(player: Player, *, note: str, on: date) -> RedFlag:
    """Lift the flag that is up. A note is required. Raises StudioError."""
    note = note.strip()
    if not note:
        raise StudioError("bad_input", "note", "say in a few words why it is lifted")
    flag = open_flag(player)
    if flag is None:
        raise StudioError("not_found", "flag", "no flag is up")
    flag.lifted_on = on
    flag.note = note[:300]
    flag.save(update_fields=["lifted_on", "note"])
    return flag
