"""A player, a stop, a pain, a reminder as they leave the API."""

from collections.abc import Sequence
from datetime import date

from api.brief.schemas import FlagOut, PainOut, PlayerBrief, ReminderOut
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.words import words_of
from studio.lessons.flags import open_reasons, reason_words, stops_said
from studio.memory.keep_alive import Reminder
from studio.models import HomeDay, Player, RedFlag


def player_brief(player: Player, on: date) -> PlayerBrief:
    """A player as lists name them, on a day."""
    age = None if player.birth_year is None else on.year - player.birth_year
    return PlayerBrief(
        id=player.pk,
        name=player.name,
        instrument=player.instrument,
        level=player.level,
        age=age,
        piece=player.piece,
    )


def flag_out(flag: RedFlag) -> FlagOut:
    """A stop as it leaves the API, with its reasons in words."""
    return FlagOut(
        raised_on=flag.raised_on,
        reasons=reason_words(flag),
        reason_ids=flag.reasons,
        lifted_on=flag.lifted_on,
        note=flag.note,
        from_home=flag.from_home,
        mistaken=flag.mistaken,
    )


def stop_out(flags: Sequence[RedFlag]) -> FlagOut | None:
    """All flags that are up as one: every reason, and the earliest day."""
    if not flags:
        return None
    first = min(flags, key=lambda flag: flag.raised_on)
    reasons = [words_of(each) for each in stops_said(flags)]
    return flag_out(first).model_copy(
        update={"reasons": reasons, "reason_ids": open_reasons(flags)}
    )


def pain_out(log: HomeDay | None) -> PainOut | None:
    """Pain that was told at home; None for none."""
    return PainOut(date=log.date, pain=log.pain, later=log.later) if log else None


def reminder_out(reminder: Reminder) -> ReminderOut:
    """A cause that is kept in view."""
    catalogue = load_catalogue()
    kept = reminder.kept
    return ReminderOut(
        cause=kept.cause,
        name=catalogue.causes[kept.cause].name,
        since=kept.since,
        clean=kept.clean,
        returned=kept.returned,
        helped=[catalogue.exercises[name].name for name in kept.helped],
    )
