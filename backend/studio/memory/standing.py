"""Where a player stands before a lesson, kept so that it need not be told anew from the beginning.

Two standings a player are stored: those before the newest lessons that were opened. Whatever
changes a lesson forgets those that reach further than that lesson; they are then made anew.
"""

from collections.abc import Iterable
from datetime import date
from functools import lru_cache
from hashlib import sha256
from typing import Any

from django.db.models import F
from pydantic import TypeAdapter, ValidationError

from lefthand.catalogue.catalogue import KNOWLEDGE, load_catalogue
from lefthand.practice.pains import Ache, OverTime, after_pains, over_time
from lefthand.practice.standing import AT_FIRST, Standing, advance
from lefthand.values.vocabulary import Place
from lefthand.words.words import FOLDER as WORDS
from studio.keeping.spare import write_if_free
from studio.memory.pains import home_pains, newest_lift
from studio.memory.records import Records, lesson_rows
from studio.models import Lesson, Player, RedFlag, StoredStanding, Summary

# To be raised when the rules over many lessons change, so that none is kept from before.
RULES = 9
KEPT = 2
SHAPE: TypeAdapter[Standing] = TypeAdapter(Standing)


@lru_cache(maxsize=1)
def made_by() -> str:
    """The rules, the knowledge and the words that a standing was made with."""
    told = sha256(str(RULES).encode())
    for path in sorted([*KNOWLEDGE.rglob("*.yaml"), *WORDS.rglob("*.ftl")]):
        told.update(path.read_bytes())
    return told.hexdigest()[:16]


def flags_of(player_id: int) -> list[RedFlag]:
    """All stops of the player, lifted ones too, newest first."""
    return list(RedFlag.objects.filter(player=player_id))


def standing_before(player_id: int, day: date) -> Standing:
    """What all lessons before a day have led to."""
    row = _newest(player_id, day)
    kept = _read(row)
    if row is not None and kept is not None and row.before == day:
        return kept
    known = changes_of([player_id])  # before anything that it is made of
    row = _newest(player_id, day)
    start = _read(row)
    lessons = lesson_rows().filter(player=player_id, date__lt=day).order_by("date", "pk")
    if row is not None and start is not None:
        lessons = lessons.filter(date__gte=row.before)
    found = _told(start or AT_FIRST, lessons, player_id)
    write_if_free(
        lambda: keep_standing(player_id, day, found) if changes_of([player_id]) == known else None
    )
    return found


def standing_after(player_id: int, day: date) -> Standing:
    """Where a player stands after the lessons up to and including a day."""
    newest = Lesson.objects.filter(player=player_id, date__lte=day).order_by("-date").first()
    if newest is None:
        return AT_FIRST
    before = standing_before(player_id, newest.date)
    return _told(before, lesson_rows().filter(pk=newest.pk), player_id)


def aches_on(player_id: int, day: date) -> dict[Place, Ache]:
    """Where it hurt up to a day, what was told at home on it included."""
    known = standing_after(player_id, day)
    home = home_pains(player_id, known.newest, day)
    return after_pains(known.aches, home, newest_lift(flags_of(player_id), day))


def pain_over_time(player_id: int, day: date) -> OverTime:
    """What the days before say of pain that was told on a day."""
    return over_time(aches_on(player_id, day), day)


def forget(player_id: int, changed: date) -> None:
    """Forget what was kept and reaches beyond a day on which something has changed."""
    forget_many([player_id], changed)


def forget_many(players: Iterable[int], changed: date) -> None:
    ids = list(players)
    Player.objects.filter(pk__in=ids).update(changes=F("changes") + 1)
    StoredStanding.objects.filter(player__in=ids, before__gt=changed).delete()
    Summary.objects.filter(player__in=ids).delete()


def forget_summaries(players: Iterable[int]) -> None:
    """Forget what lists and terms say of players, after a change that moves no lesson: of the way
    of teaching, of edges, of the player's own facts."""
    ids = list(players)
    Player.objects.filter(pk__in=ids).update(changes=F("changes") + 1)
    Summary.objects.filter(player__in=ids).delete()


def changes_of(players: Iterable[int]) -> dict[int, int]:
    """How often each player's lessons have changed, by player."""
    return dict(Player.objects.filter(pk__in=list(players)).values_list("pk", "changes"))


def _newest(player_id: int, day: date) -> StoredStanding | None:
    rows = StoredStanding.objects.filter(player=player_id, before__lte=day, made_by=made_by())
    return rows.first()


def _read(row: StoredStanding | None) -> Standing | None:
    try:
        return None if row is None else SHAPE.validate_python(row.data)
    except ValidationError:
        return None


def _told(start: Standing, lessons: Iterable[Lesson], player_id: int) -> Standing:
    records = Records(player_id, since=start.week_on, newest=start.newest)
    flags = flags_of(player_id)
    standing = start
    for lesson in lessons:
        standing = advance(standing, records.of(lesson, standing, flags), load_catalogue())
    return standing


def keep_standing(player_id: int, before: date, standing: Standing) -> None:
    """Keep a standing, and of all of the player's only the newest."""
    known = list(StoredStanding.objects.filter(player=player_id).defer("data"))
    newer = [row for row in known if row.before > before and row.made_by == made_by()]
    if len(newer) >= KEPT:
        return
    data: Any = SHAPE.dump_python(standing, mode="json")
    gone = [row.pk for row in known if row not in newer[:KEPT] and row.before >= before]
    gone += [row.pk for row in known if row.before < before][max(KEPT - 1 - len(newer), 0) :]
    if gone:
        StoredStanding.objects.filter(pk__in=gone).delete()
    StoredStanding.objects.create(player_id=player_id, before=before, made_by=made_by(), data=data)
