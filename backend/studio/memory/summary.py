"""What all of a player's lessons come to, kept so that lists of players need not tell it anew."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date

from django.db.models import Max, QuerySet
from pydantic import TypeAdapter, ValidationError

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.keep_alive import Kept, kept_causes
from studio.keeping.spare import write_if_free
from studio.memory.standing import changes_of, made_by, standing_after
from studio.models import Lesson, Summary


@dataclass(frozen=True)
class DaySummary:
    """focus: the newest that was decided, without what has gone since. minutes: of the fullest day
    of the newest week. kept: causes that were resolved once."""

    focus: list[str]
    minutes: float | None
    kept: list[Kept]


SHAPE = TypeAdapter(DaySummary)


def summaries_of(players: Sequence[int], on: date) -> dict[int, DaySummary]:
    """The summaries of players on a day, by player."""
    rows = kept_of(players).filter(day__isnull=False, day_of__lte=on)
    found = {}
    for row in rows:
        try:
            found[row.player_id] = SHAPE.validate_python(row.day)
        except ValidationError:
            continue
    missing = [player for player in players if player not in found]
    if not missing:
        return found
    known = changes_of(missing)
    fresh = {player: _summary(player, on) for player in missing}
    write_if_free(lambda: _keep(fresh, on, known))
    return {**found, **fresh}


def _summary(player_id: int, on: date) -> DaySummary:
    standing = standing_after(player_id, on)
    kept = kept_causes(standing.watches, load_catalogue())
    gone = {each.cause for each in kept if each.returned is None}
    return DaySummary(
        focus=[cause for cause in standing.focus if cause not in gone],
        minutes=standing.week.minutes if standing.week else None,
        kept=kept,
    )


def _keep(summaries: dict[int, DaySummary], on: date, known: dict[int, int]) -> None:
    """Keep those that no later lesson could change."""
    lessons = Lesson.objects.filter(player__in=summaries).values("player")
    later = {each["player"] for each in lessons.annotate(newest=Max("date")) if each["newest"] > on}
    rows = [
        Summary(player_id=player, day=SHAPE.dump_python(summary, mode="json"), day_of=on)
        for player, summary in summaries.items()
        if player not in later
    ]
    keep(rows, ["day", "day_of"], known)


def kept_of(players: Iterable[int]) -> QuerySet[Summary]:
    """What is kept of players by today's rules."""
    return Summary.objects.filter(player__in=list(players), made_by=made_by())


def keep(rows: Sequence[Summary], fields: list[str], known: dict[int, int]) -> None:
    """Keep these fields of summaries, but of no player whose lessons have changed since `known`."""
    now = changes_of(row.player_id for row in rows)
    fresh = [row for row in rows if now.get(row.player_id) == known.get(row.player_id)]
    for row in fresh:
        row.made_by = made_by()
    players = [row.player_id for row in fresh]
    Summary.objects.filter(player__in=players).exclude(made_by=made_by()).delete()
    Summary.objects.bulk_create(
        fresh, update_conflicts=True, unique_fields=["player"], update_fields=[*fields, "made_by"]
    )
