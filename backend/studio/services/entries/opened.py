"""A lesson while entries are written to it: each row is read once, and anew where one changed."""

from collections.abc import Iterable

from django.db.models import Model, prefetch_related_objects

from studio.models import (
    CauseWord,
    Focus,
    Lesson,
    Observation,
    Plan,
    PlanItem,
    PracticeResult,
    RedFlag,
)
from studio.services.cases import LessonView
from studio.services.history import Past, past_of
from studio.services.records import ROWS, lessons_with_player

PLAN = "plan"
OF_THE_PAST = ("flags", "setups")
ROW_NAMES = {row if isinstance(row, str) else row.prefetch_through: row for row in ROWS}


class Opened:
    """`lesson` with its rows, and the past before it."""

    def __init__(self, lesson: Lesson, past: Past | None = None) -> None:
        self.lesson = lesson
        self.past = past or past_of(lesson)

    @property
    def observations(self) -> list[Observation]:
        return list(self._read("observations").observations.all())

    @property
    def focuses(self) -> list[Focus]:
        return list(self._read("focuses").focuses.all())

    @property
    def words(self) -> list[CauseWord]:
        return list(self._read("cause_words").cause_words.all())

    @property
    def results(self) -> list[PracticeResult]:
        return list(self._read("results").results.all())

    @property
    def flags(self) -> list[RedFlag]:
        """All stops of the player, lifted ones too, newest first."""
        return self.past.flags

    @property
    def plan(self) -> Plan | None:
        return getattr(self.lesson, PLAN, None)

    @property
    def items(self) -> list[PlanItem]:
        """Of the week that was given."""
        plan = self.plan
        return [] if plan is None else list(self._read("plan__items").plan.items.all())

    def arrived(self, keys: Iterable[str]) -> set[str]:
        """Those of these client keys whose entries have arrived before."""
        known = self.lesson.entries.filter(client_key__in=list(keys))
        return set(known.values_list("client_key", flat=True))

    def changed(self, *names: str) -> None:
        """Rows of these kinds were written: they are read anew when they are next asked for."""
        for name in names:
            if name in OF_THE_PAST:
                self.past.forget(name)
            elif name == PLAN:
                self.lesson._state.fields_cache.pop(PLAN, None)
            _forget(self.lesson, name)

    def view(self) -> LessonView:
        """What follows from the lesson as it stands now."""
        prefetch_related_objects([self.lesson], *ROWS)
        return LessonView(self.lesson, self.past)

    def _read(self, name: str) -> Lesson:
        prefetch_related_objects([self.lesson], ROW_NAMES[name])
        return self.lesson


def open_lesson(lesson_id: int) -> Opened:
    return Opened(lessons_with_player().get(pk=lesson_id))


def _forget(row: Model, name: str) -> None:
    known: dict[str, Iterable[Model]] = getattr(row, "_prefetched_objects_cache", {})
    known.pop(name, None)
