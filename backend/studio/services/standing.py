"""Where a player stands before a lesson, kept so that it need not be told anew from the beginning.

One standing a player is stored: that before the newest lesson that was opened. Whatever changes a
lesson forgets it when it reaches further than that lesson; it is then made anew.
"""

from collections.abc import Iterable, Sequence
from datetime import date
from functools import lru_cache
from hashlib import sha256
from typing import Any

from django.db.models import Q
from pydantic import TypeAdapter, ValidationError

from lefthand.catalogue.catalogue import KNOWLEDGE, load_catalogue
from lefthand.practice.standing import AT_FIRST, Standing, advance
from studio.models import Lesson, RedFlag, SettledCauses, StoredStanding
from studio.services.records import Records, lesson_rows

# To be raised when the rules over many lessons change, so that none is kept from before.
RULES = 1
SHAPE: TypeAdapter[Standing] = TypeAdapter(Standing)


@lru_cache(maxsize=1)
def made_by() -> str:
    """The rules and the knowledge that a standing was made with."""
    told = sha256(str(RULES).encode())
    for path in sorted(KNOWLEDGE.rglob("*.yaml")):
        told.update(path.read_bytes())
    return told.hexdigest()[:16]


def flags_of(player_id: int) -> list[RedFlag]:
    """All stops of the player, lifted ones too, newest first."""
    return list(RedFlag.objects.filter(player=player_id))


def standing_before(player_id: int, day: date, flags: Sequence[RedFlag]) -> Standing:
    """What all lessons before a day have led to; kept when it is the newest that was asked for."""
    row = StoredStanding.objects.filter(player=player_id).first()
    start = _usable(row, day)
    if row is not None and start is not None and row.before == day:
        return start
    lessons = lesson_rows().filter(player=player_id, date__lt=day).order_by("date", "pk")
    if row is not None and start is not None:
        lessons = lessons.filter(date__gte=row.before)
    found = _told(start or AT_FIRST, lessons, flags, player_id)
    if row is None or row.before <= day or row.made_by != made_by():
        _keep(player_id, day, found)
    return found


def standings_after(
    players: Sequence[int], day: date, flags: dict[int, list[RedFlag]]
) -> dict[int, Standing]:
    """Where each of several players stands after the lessons up to and including a day."""
    rows = {row.player_id: row for row in StoredStanding.objects.filter(player__in=players)}
    starts = {player: _usable(rows.get(player), day) for player in players}
    fresh = [player for player in players if starts[player] is None]
    later = Q(player__in=fresh)
    for player in players:
        if starts[player] is not None:
            later |= Q(player=player, date__gte=rows[player].before)
    by_player: dict[int, list[Lesson]] = {player: [] for player in players}
    for lesson in lesson_rows().filter(later, date__lte=day).order_by("date", "pk"):
        by_player[lesson.player_id].append(lesson)
    for player in fresh:
        if by_player[player]:
            *earlier, newest = by_player[player]
            start = _told(AT_FIRST, earlier, flags.get(player, []), player)
            _keep(player, newest.date, start)
            starts[player] = start
            by_player[player] = [newest]
    return {
        player: _told(starts[player] or AT_FIRST, by_player[player], flags.get(player, []), player)
        for player in players
    }


def forget(player_id: int, changed: date) -> None:
    """Forget what was kept and reaches beyond a day on which something has changed."""
    StoredStanding.objects.filter(player=player_id, before__gt=changed).delete()
    SettledCauses.objects.filter(player=player_id).delete()


def _usable(row: StoredStanding | None, day: date) -> Standing | None:
    """What is stored, when it does not reach beyond a day and the rules are those of today."""
    if row is None or row.before > day or row.made_by != made_by():
        return None
    try:
        return SHAPE.validate_python(row.data)
    except ValidationError:
        return None


def _told(
    start: Standing, lessons: Iterable[Lesson], flags: Sequence[RedFlag], player_id: int
) -> Standing:
    records = Records(player_id, flags, since=start.week_on)
    standing = start
    for lesson in lessons:
        standing = advance(standing, records.of(lesson, standing), load_catalogue())
    return standing


def _keep(player_id: int, before: date, standing: Standing) -> None:
    data: Any = SHAPE.dump_python(standing, mode="json")
    StoredStanding.objects.update_or_create(
        player_id=player_id, defaults={"before": before, "made_by": made_by(), "data": data}
    )
