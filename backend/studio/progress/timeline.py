"""A player's evidence over the lessons, and the ladders climbed."""

import json
from dataclasses import dataclass, field
from datetime import date
from functools import lru_cache

from django.db.models import TextField
from django.db.models.functions import Cast

from lefthand.case.findings import decided_grades
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.evidence import Evidence
from lefthand.catalogue.exercises import Exercise
from lefthand.values.vocabulary import Instrument
from studio.memory.keep_alive import Reminder, due_or_back
from studio.memory.known import known_items
from studio.memory.summary import summaries_of
from studio.models import Lesson, Observation, Player

LESSONS_SHOWN = 20


@dataclass(frozen=True)
class Seen:
    """One check in one lesson. fingers: those that showed it most."""

    grade: int
    fingers: tuple[int, ...]


@dataclass(frozen=True)
class Row:
    """One piece of evidence, by lesson id, oldest first; lessons that did not check it are left
    out."""

    evidence: Evidence
    seen: dict[int, Seen] = field(default_factory=dict)

    @property
    def graded(self) -> list[int]:
        return [each.grade for each in self.seen.values()]


@dataclass(frozen=True)
class Ladder:
    exercise: Exercise
    steps: list[tuple[date, int]]


@dataclass(frozen=True)
class Timeline:
    """lessons: those shown, oldest first; hidden: how many stand before them. The rows speak of all
    lessons, the ladders of those shown."""

    lessons: list[Lesson]
    hidden: int
    rows: list[Row]
    ladders: list[Ladder]
    reminders: list[Reminder]


def build_timeline(player: Player, on: date, most: int | None = LESSONS_SHOWN) -> Timeline:
    """Everything up to and including the day `on`, with the newest `most` lessons shown (None for
    all). Trials are not shown: they are not a state."""
    so_far = player.lessons.filter(date__lte=on)
    count = so_far.count()
    hidden = 0 if most is None else max(0, count - most)
    shown = so_far.select_related("plan").prefetch_related("focuses", "plan__items", "cause_words")
    lessons = list(shown.order_by("date", "pk")[hidden:])
    kept = summaries_of([player.pk], on)[player.pk].kept
    reminders = due_or_back(kept, on)
    return Timeline(lessons, hidden, _rows(player, on), _ladders(lessons), reminders)


def _rows(player: Player, on: date) -> list[Row]:
    evidence = load_catalogue().evidence
    instrument = Instrument(player.instrument)
    rows: dict[str, Row] = {}
    entered = Observation.objects.filter(lesson__player=player, lesson__date__lte=on)
    in_order = entered.order_by("lesson__date", "lesson_id", "position")
    as_text = in_order.annotate(text=Cast("entered", TextField()))
    for lesson, name, text in as_text.values_list("lesson_id", "evidence", "text"):
        found = evidence.get(name)
        if found is None or found.is_trial or instrument not in found.instruments:
            continue
        rows.setdefault(found.id, Row(found)).seen[lesson] = _seen(text)
    return [rows[name] for name in evidence if name in rows and any(rows[name].graded)]


@lru_cache(maxsize=4096)
def _seen(entered: str) -> Seen:
    """What was entered, as its JSON."""
    grade, by_finger = decided_grades(json.loads(entered))
    worst = tuple(f for f, g in sorted(by_finger.items()) if grade and g == grade)
    return Seen(grade, worst)


def _ladders(lessons: list[Lesson]) -> list[Ladder]:
    exercises = load_catalogue().exercises
    steps: dict[str, list[tuple[date, int]]] = {}
    for lesson in lessons:
        for item in known_items(lesson.plan) if hasattr(lesson, "plan") else []:
            steps.setdefault(item.exercise, []).append((lesson.date, item.rung))
    return [Ladder(exercises[name], found) for name, found in steps.items()]
