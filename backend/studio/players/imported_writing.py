"""Writing what was read of a player file: many rows at a time, never long at once.

Nobody sees the player meanwhile (`arriving_since`), so that there is a whole one or none.
"""

import time
from collections.abc import Iterator, Sequence
from datetime import timedelta
from typing import Any

from django.db import models, transaction
from django.utils import timezone

from studio.keeping.turns import my_turn
from studio.models import (
    CauseWord,
    Focus,
    HomeDay,
    Lesson,
    Observation,
    Plan,
    PlanItem,
    Player,
    PracticeResult,
    RedFlag,
)
from studio.players.imported_rows import LessonRows, Reading

LESSONS_TOGETHER = 10
ROWS_TOGETHER = 200
PAUSE = 0.01  # seconds in which another writer gets its turn
NEVER_ARRIVED = timedelta(minutes=15)


def write_lessons(reading: Reading) -> None:
    """Raises what `reading.goes_on` raises; what is written by then is the caller's to remove."""
    for together in _together(list(reading.lessons.values()), LESSONS_TOGETHER):
        with my_turn(), transaction.atomic():
            _write(together)
        _pause(reading)


def write_what_follows(reading: Reading) -> None:
    """Results and stops, which point at lessons anywhere in the file."""
    for kind in (PracticeResult, RedFlag):
        rows = [row for row in reading.made if isinstance(row, kind)]
        for together in _together(rows, ROWS_TOGETHER):
            with my_turn(), transaction.atomic():
                _create(kind, together)
            _pause(reading)


def arrive(player: Player) -> None:
    player.arriving_since = None
    player.save(update_fields=["arriving_since"])


def sweep_what_never_arrived() -> None:
    """Players whose file was given up together with the process that read it."""
    Player.objects.filter(arriving_since__lt=timezone.now() - NEVER_ARRIVED).delete()


def _write(together: Sequence[LessonRows]) -> None:
    _create(Lesson, [rows.lesson for rows in together])
    _create(Plan, [rows.plan for rows in together if rows.plan is not None])
    _create(Observation, [row for rows in together for row in rows.observations.values()])
    _create(CauseWord, [row for rows in together for row in rows.words.values()])
    _create(Focus, [row for rows in together for row in rows.focuses.values()])
    _create(PlanItem, [row for rows in together for row in rows.items.values()])
    _create(HomeDay, [row for rows in together for row in rows.days.values()])


def _create(kind: type[models.Model], rows: Sequence[Any]) -> None:
    kind._default_manager.bulk_create(rows)


def _pause(reading: Reading) -> None:
    reading.goes_on()
    time.sleep(PAUSE)


def _together(rows: Sequence[Any], many: int) -> Iterator[Sequence[Any]]:
    return (rows[first : first + many] for first in range(0, len(rows), many))
