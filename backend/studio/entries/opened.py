"""A lesson while entries are written to it: each row is read once, and anew where one changed."""

from collections.abc import Iterable

from django.db.models import Model, prefetch_related_objects

from studio.lessons.cases import LessonView
from studio.lessons.history import Past, past_of
from studio.memory.records import ROWS, lessons_with_player
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

ROW_NAMES = {row if isinstance(row, str) else row.prefetch_through: row for row in ROWS}


class Opened:
    """`lesson` with its rows, and the past before it. What an entry writes it tells here, so that
    nothing is read that is known."""

    def __init__(self, lesson: Lesson, past: Past | None = None) -> None:
        self.lesson = lesson
        self.past = past or past_of(lesson)
        self._view: LessonView | None = None
        self._is_stale = False

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
        return getattr(self.lesson, "plan", None)

    @property
    def items(self) -> list[PlanItem]:
        """Of the week that was given."""
        plan = self.plan
        return [] if plan is None else list(self._read("plan__items").plan.items.all())

    def arrived(self, keys: Iterable[str]) -> set[str]:
        """Those of these client keys whose entries have arrived before."""
        known = self.lesson.entries.filter(client_key__in=list(keys))
        return set(known.values_list("client_key", flat=True))

    def has_now(self, name: str, rows: Iterable[Model]) -> None:
        """These rows, in their order, are all that the lesson has of this kind now."""
        _has_now(self.lesson, name, rows)
        self._is_stale = True

    def has_given(self, plan: Plan | None, items: Iterable[PlanItem] = ()) -> None:
        """This week is what the lesson has given now."""
        if plan is None:
            self.lesson._state.fields_cache.pop("plan", None)
        else:
            _has_now(plan, "items", items)
            self.lesson.plan = plan
        self._is_stale = True

    def read_anew(self, of_the_past: str) -> None:
        """Stops or changes of fit were written: they are read anew when they are next asked for."""
        self.past.forget(of_the_past)
        self._is_stale = True

    def was_written(self, *, weighs: bool) -> None:
        """Something of the lesson is different now; `weighs`: of what its case says."""
        if weighs:
            self._view = None
        self._is_stale = True

    def view(self) -> LessonView:
        """What follows from the lesson as it stands now."""
        if self._view is None or self._is_stale:
            prefetch_related_objects([self.lesson], *ROWS)
            before = self._view and (self._view.before or self._view)
            self._view = LessonView(self.lesson, self.past, before)
            self._is_stale = False
        return self._view

    def _read(self, name: str) -> Lesson:
        prefetch_related_objects([self.lesson], ROW_NAMES[name])
        return self.lesson


def open_begun(lesson: Lesson, past: Past) -> Opened:
    """A lesson that was begun just now, in which nothing stands yet."""
    opened = Opened(lesson, past)
    for name in ROW_NAMES:
        if name != "plan__items":
            opened.has_now(name, [])
    return opened


def open_lesson(lesson_id: int) -> Opened:
    return Opened(lessons_with_player().get(pk=lesson_id))


def _has_now(of: Model, name: str, rows: Iterable[Model]) -> None:
    """As if the rows had been prefetched."""
    known = getattr(of, name).all()
    known._result_cache, known._prefetch_done = list(rows), True
    of.__dict__.setdefault("_prefetched_objects_cache", {})[name] = known
