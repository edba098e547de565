"""Pictures and sounds of players: how many, how large, until when; told before, then erased.

They are kept until some months after the last lesson. Nothing is erased before the teacher has been
told for a week.
"""

from calendar import monthrange
from dataclasses import dataclass
from datetime import date, timedelta
from functools import partial
from typing import Any

from django.db.models import Count, Max, Sum
from django.db.models.functions import Length

from studio.errors import StudioError
from studio.keeping.spare import write_if_free
from studio.lessons.access import Teacher, players_of
from studio.models import HandPicture, KeptSound, Player, TeacherSettings
from studio.players.erasing import empty_log_soon
from studio.players.leave import KINDS, erase_kept

USUAL_MONTHS, MOST_MONTHS = 3, 60
TOLD_BEFORE = timedelta(days=14)
TOLD_FOR = timedelta(days=7)


@dataclass(frozen=True)
class KeptOf:
    """What is kept of a player. `size`: bytes. `until`: the last day on which it is kept."""

    player: Player
    pictures: int
    sounds: int
    size: int
    until: date


def kept_of_all(teacher: Teacher) -> list[KeptOf]:
    """Of whom something is kept, by name."""
    return _kept(list(players_of(teacher).prefetch_related("leaves").order_by("name", "pk")))


def kept_of(player: Player) -> KeptOf | None:
    """None for nothing."""
    return next(iter(_kept([player])), None)


def _kept(players: list[Player]) -> list[KeptOf]:
    pictures = {
        row["player"]: row
        for row in HandPicture.objects.filter(player__in=players)
        .values("player")
        .annotate(count=Count("pk"), size=Sum(Length("image")), newest=Max("date"))
    }
    sounds = {
        row["take__lesson__player"]: row
        for row in KeptSound.objects.filter(take__lesson__player__in=players)
        .values("take__lesson__player")
        .annotate(count=Count("pk"), size=Sum(Length("flac")), newest=Max("take__lesson__date"))
    }
    if not pictures and not sounds:
        return []
    those = [player for player in players if player.pk in pictures or player.pk in sounds]
    last = dict(
        Player.objects.filter(pk__in=[player.pk for player in those])
        .annotate(last=Max("lessons__date"))
        .values_list("pk", "last")
    )
    nothing: dict[str, Any] = {"count": 0, "size": 0, "newest": None}
    found = []
    for player in those:
        picture, sound = pictures.get(player.pk, nothing), sounds.get(player.pk, nothing)
        days = [last[player.pk], picture["newest"], sound["newest"]]
        newest = max(day for day in days if day is not None)
        until = months_later(newest, months_of(player))
        size = (picture["size"] or 0) + (sound["size"] or 0)
        found.append(KeptOf(player, picture["count"], sound["count"], size, until))
    return found


def months_of(player: Player) -> int:
    settings = getattr(player.teacher, "studio_settings", None)
    return settings.kept_months if settings else USUAL_MONTHS


def months_later(day: date, months: int) -> date:
    """The same day of a later month, or its last."""
    years, month = divmod(day.month - 1 + months, 12)
    year = day.year + years
    return date(year, month + 1, min(day.day, monthrange(year, month + 1)[1]))


def set_kept_months(settings: TeacherSettings, months: int) -> TeacherSettings:
    """Raises StudioError."""
    if not 1 <= months <= MOST_MONTHS:
        raise StudioError("bad_input", "months", f"expected 1 to {MOST_MONTHS} months")
    settings.kept_months = months
    settings.save(update_fields=["kept_months"])
    return settings


def due(kept: KeptOf, today: date) -> bool:
    """Whether it is time to tell of it."""
    return today >= kept.until - TOLD_BEFORE


def erased_on(kept: KeptOf, today: date) -> date:
    """When it will be gone: never before it was told for a week."""
    told = kept.player.told_of_erasing or today
    return max(kept.until + timedelta(days=1), told + TOLD_FOR)


def tell_or_erase(teacher: Teacher, today: date) -> list[KeptOf]:
    """What the teacher is told of on this day; erases what was told for long enough and is over.
    While somebody else is writing nothing is noted or erased: the next look at the day does it."""
    told = []
    for kept in kept_of_all(teacher):
        player = kept.player
        is_due = due(kept, today)
        if is_due and player.told_of_erasing and today >= erased_on(kept, today):
            write_if_free(partial(_erase, player))
            continue
        if is_due != (player.told_of_erasing is not None):
            write_if_free(partial(_note, player, today if is_due else None))
        if is_due:
            told.append(kept)
    return told


def _erase(player: Player) -> None:
    erase_kept(player, *KINDS)
    _note(player, None)
    empty_log_soon()


def _note(player: Player, since: date | None) -> None:
    player.told_of_erasing = since
    player.save(update_fields=["told_of_erasing"])


def words_of(kept: KeptOf, today: date) -> str:
    """For the list of the day."""
    many = [
        f"{count} {of}{'' if count == 1 else 's'}"
        for count, of in ((kept.pictures, "picture"), (kept.sounds, "sound"))
        if count
    ]
    day = erased_on(kept, today)
    return f"{' and '.join(many)} will be erased on {day.day} {day:%B}; your desk says how long"
