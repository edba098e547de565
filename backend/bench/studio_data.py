"""A large studio out of nothing, made from a seed: teachers, players, lessons, weeks and logs.

Rows go into the database directly, many at a time; what is made by the services otherwise (ids of
the catalogue, doses of a rung) keeps to the catalogue. All of it is invented and for timing only.
"""

import json
import random
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Any

from django.contrib.auth.hashers import make_password
from django.contrib.auth.models import User
from django.db import connection, models, transaction

from lefthand.catalogue.catalogue import Catalogue, load_catalogue
from lefthand.values.vocabulary import Instrument
from studio.models import (
    Focus,
    Group,
    HomeDay,
    HomeLink,
    Lesson,
    Observation,
    Plan,
    PlanItem,
    Player,
    PracticeResult,
    TeacherSettings,
)

CHECKS_A_LESSON = 5
LOGS_A_WEEK = 3
ITEMS_A_WEEK = 2
GROUP_SIZE = 12
LONG = 300


@dataclass(frozen=True)
class Size:
    """lessons: of a player; the first player of each of the first `long` teachers has 300."""

    teachers: int
    players: int
    lessons: int
    long: int = 8


WHOLE = Size(teachers=200, players=50, lessons=20)


def build(size: Size, today: date, seed: int = 1) -> None:
    """Fill an empty database."""
    chooser = random.Random(seed)
    catalogue = load_catalogue()
    password = make_password(None)
    rows = _Rows()
    with transaction.atomic():
        for teacher in range(1, size.teachers + 1):
            rows.add(User, pk=teacher, username=f"teacher-{teacher}", password=password,
                     is_active=True, is_staff=False, is_superuser=False, first_name="",
                     last_name="", email="", date_joined=f"{today} 12:00:00")  # fmt: skip
            rows.add(TeacherSettings, teacher=teacher, learns=False)
            rows.add(Group, pk=teacher, teacher=teacher, name="Class",
                     checks=["web.closed", "thumb.locked"])  # fmt: skip
            for number in range(size.players):
                lessons = LONG if number == 0 and teacher <= size.long else size.lessons
                _player(rows, teacher, number, lessons, today, chooser, catalogue)
            rows.write()
    with connection.cursor() as cursor:
        cursor.execute("ANALYZE")


class _Rows:
    """Rows that wait to be written, by model, and the next key of each."""

    def __init__(self) -> None:
        self._waiting: dict[type[models.Model], list[dict[str, Any]]] = {}
        self._keys: dict[type[models.Model], int] = {}

    def add(self, model: type[models.Model], **values: Any) -> int:
        key = values.pop("pk", None) or self._keys.get(model, 0) + 1
        self._keys[model] = key
        self._waiting.setdefault(model, []).append({"pk": key, **values})
        return key

    def go_on_from(self, model: type[models.Model]) -> None:
        """With the keys after those that are taken."""
        self._keys[model] = model._default_manager.aggregate(models.Max("pk"))["pk__max"] or 0

    def write(self) -> None:
        for model, rows in self._waiting.items():
            _insert(model, rows)
        self._waiting = {}


def _insert(model: type[models.Model], rows: Sequence[dict[str, Any]]) -> None:
    fields = model._meta.concrete_fields
    columns = ", ".join(f'"{field.column}"' for field in fields)
    places = ", ".join(["%s"] * len(fields))
    sql = f'INSERT INTO "{model._meta.db_table}" ({columns}) VALUES ({places})'  # noqa: S608
    with connection.cursor() as cursor:
        cursor.executemany(sql, [[_stored(field, row) for field in fields] for row in rows])


def _stored(field: Any, row: dict[str, Any]) -> Any:
    value = row["pk"] if field.primary_key else row.get(field.name, field.get_default())
    if isinstance(field, models.JSONField):
        return None if value is None and field.null else json.dumps(value)
    return str(value) if isinstance(value, date) else value


def _player(
    rows: _Rows, teacher: int, number: int, lessons: int, today: date, chooser: random.Random,
    catalogue: Catalogue,
) -> None:  # fmt: skip
    instrument = chooser.choice(list(Instrument))
    player = rows.add(
        Player, teacher=teacher, group=teacher if number < GROUP_SIZE else None,
        name=f"Player {number + 1}", instrument=instrument.value, level="intermediate",
        birth_year=today.year - 12, weekday=number % 7, hours_a_day=1,
    )  # fmt: skip
    _lessons(rows, player, instrument, lessons, today, chooser, catalogue)
    rows.add(HomeLink, player=player, token=f"link-{player:0>38}", revoked=False)


def lessons_of(player: Player, count: int, today: date, chooser: random.Random) -> None:
    """A past of so many weekly lessons, the newest in the week before `today`."""
    rows = _Rows()
    for model in (Lesson, Observation, Focus, Plan, PlanItem, HomeDay, PracticeResult):
        rows.go_on_from(model)
    instrument = Instrument(player.instrument)
    _lessons(rows, player.pk, instrument, count, today, chooser, load_catalogue())
    rows.write()


def _lessons(
    rows: _Rows, player: int, instrument: Instrument, lessons: int, today: date,
    chooser: random.Random, catalogue: Catalogue,
) -> None:  # fmt: skip
    checks = [e.id for e in catalogue.evidence_of(instrument) if not e.is_trial]
    causes = [c.id for c in catalogue.causes_of(instrument)]
    exercises = [e for e in catalogue.exercises.values() if instrument in e.instruments]
    for on in _days(lessons, today, chooser):
        lesson = rows.add(Lesson, player=player, date=on, revision=CHECKS_A_LESSON, asked=True)
        for place, check in enumerate(chooser.sample(checks, CHECKS_A_LESSON), start=1):
            rows.add(Observation, lesson=lesson, evidence=check,
                     entered=chooser.choice((0, 1, 2, 3)), position=place)  # fmt: skip
        rows.add(Focus, lesson=lesson, cause=chooser.choice(causes), rank=1, probability=0.6,
                 is_engines=True)  # fmt: skip
        plan = rows.add(Plan, lesson=lesson)
        _week(rows, lesson, plan, on, chooser, exercises)


def _days(count: int, today: date, chooser: random.Random) -> Iterator[date]:
    newest = today - timedelta(days=chooser.randint(1, 6))
    return (newest - timedelta(weeks=count - 1 - number) for number in range(count))


def _week(
    rows: _Rows, lesson: int, plan: int, on: date, chooser: random.Random, exercises: Iterable[Any]
) -> None:
    items = []
    for order, exercise in enumerate(chooser.sample(list(exercises), ITEMS_A_WEEK), start=1):
        dose = exercise.rung(1).dose
        items.append(rows.add(
            PlanItem, plan=plan, order=order, exercise=exercise.id, rung=1, reps=dose.reps,
            sets=dose.sets, seconds=dose.seconds, tempo=dose.tempo, days=[1, 2, 3, 5, 6], why="",
        ))  # fmt: skip
    for number in sorted(chooser.sample(range(1, 7), LOGS_A_WEEK)):
        day = on + timedelta(days=number)
        rows.add(HomeDay, lesson=lesson, date=day, done="done", felt="soft", pain=0)
        rows.add(PracticeResult, item=chooser.choice(items), lesson=None, date=day,
                 passed=chooser.random() < 0.6, tighter=False)  # fmt: skip
