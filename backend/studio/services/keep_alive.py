"""What was resolved and is due for another look, and what worked when it was worked on."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.keep_alive import Kept, kept_causes
from studio.models import Lesson
from studio.services.known import focus_of, known_items
from studio.services.learning import lesson_facts

HELPED_SHOWN = 3


@dataclass(frozen=True)
class Reminder:
    """A kept cause on a day. `is_due`: it is time, or the music got harder."""

    kept: Kept
    is_due: bool
    helped: tuple[str, ...]


def reminders(lessons: Sequence[Lesson], on: date, *, harder: bool = False) -> list[Reminder]:
    """Causes to look at again on this day, and causes that are back. `lessons`: oldest first."""
    until = [lesson for lesson in lessons if lesson.date <= on]
    found = []
    for kept in all_kept(until):
        due = kept.due is not None and (harder or kept.due <= on)
        if due or kept.returned is not None:
            found.append(Reminder(kept, due, _helped(kept, until)))
    return found


def all_kept(lessons: Sequence[Lesson]) -> list[Kept]:
    """Causes that were resolved once. `lessons`: oldest first."""
    facts = [(lesson.date, lesson_facts(lesson)) for lesson in lessons]
    return kept_causes(facts, load_catalogue())


def _helped(kept: Kept, lessons: Iterable[Lesson]) -> tuple[str, ...]:
    """Exercises that were given for it before its signs were gone, the last ones first."""
    given: dict[str, None] = {}
    for lesson in sorted(lessons, key=lambda each: each.date, reverse=True):
        focus = focus_of(lesson)
        if lesson.date < kept.since and kept.cause in focus and hasattr(lesson, "plan"):
            given |= dict.fromkeys(item.exercise for item in known_items(lesson.plan))
    aiming = load_catalogue().exercises
    return tuple(e for e in given if kept.cause in aiming[e].aims)[:HELPED_SHOWN]
