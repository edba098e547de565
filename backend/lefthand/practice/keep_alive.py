"""Causes that were resolved and are kept alive, and those that came back.

A fault returns under load, so a cause that was worked on until its signs were gone is looked at
again after 2, 4, 8 and 16 weeks and whenever the music gets harder (common practice, no source). A
clean look that was due goes on to the next interval, a late one past all that it covers; a look
before it is due changes nothing; clear signs are a return whenever they are seen.
"""

from collections.abc import Sequence
from dataclasses import dataclass, field
from datetime import date, timedelta

from lefthand.catalogue.catalogue import Catalogue
from lefthand.reason.learning import LessonFacts
from lefthand.values.vocabulary import Grade

RECHECK_WEEKS = (2, 4, 8, 16)
SIGNS_SHOWN = 3


@dataclass(frozen=True, slots=True)
class Kept:
    """A cause whose signs were gone on `since`.

    clean: intervals since then after which a look found it still gone. returned: when its signs
    were back, None while they are gone. signs: the checks to make again, most telling first.
    """

    cause: str
    since: date
    clean: int
    returned: date | None
    signs: tuple[str, ...]

    @property
    def due(self) -> date | None:
        """The day of the next look; None when it has returned or all looks were made."""
        if self.returned is not None or self.clean >= len(RECHECK_WEEKS):
            return None
        return self.since + timedelta(weeks=RECHECK_WEEKS[self.clean])


@dataclass(slots=True)
class _Course:
    """How one cause went so far."""

    signs: set[str] = field(default_factory=set)
    since: date | None = None
    clean: int = 0
    returned: date | None = None


def kept_causes(lessons: Sequence[tuple[date, LessonFacts]], catalogue: Catalogue) -> list[Kept]:
    """All causes that were resolved once, from a player's lessons, oldest first."""
    courses: dict[str, _Course] = {}
    for day, facts in lessons:
        for cause in facts.focus:
            courses.setdefault(cause, _Course())
        for cause, course in courses.items():
            _follow(course, cause, day, facts, catalogue)
    return [
        Kept(
            cause,
            course.since,
            course.clean,
            course.returned,
            _most_telling(course.signs, cause, catalogue),
        )
        for cause, course in courses.items()
        if course.since is not None
    ]


def _follow(
    course: _Course, cause: str, day: date, facts: LessonFacts, catalogue: Catalogue
) -> None:
    again = {name: grade for name, grade in facts.grades.items() if name in course.signs}
    asked = _most_telling(course.signs, cause, catalogue)
    enough = bool(again) and 2 * sum(name in again for name in asked) >= len(asked)
    gone = enough and not any(again.values())
    back = cause in facts.focus or any(grade >= Grade.CLEAR for grade in again.values())
    is_resolved = course.since is not None and course.returned is None
    if is_resolved and back:
        course.returned = day
    elif course.since is not None and is_resolved and gone:
        course.clean = _intervals_covered(course.since, course.clean, day, facts.is_harder)
    elif not is_resolved and gone and cause not in facts.focus:
        course.since, course.clean, course.returned = day, 0, None
    if cause in facts.focus:
        course.signs |= {
            name
            for name, grade in facts.grades.items()
            if grade > 0
            and cause in catalogue.evidence[name].causes
            and not catalogue.evidence[name].is_trial
        }


def _intervals_covered(since: date, clean: int, day: date, is_harder: bool) -> int:
    """How many intervals lie behind a clean look on this day. One in harder music counts as due."""
    passed = sum(since + timedelta(weeks=weeks) <= day for weeks in RECHECK_WEEKS)
    return min(max(clean + is_harder, passed), len(RECHECK_WEEKS))


def _most_telling(signs: set[str], cause: str, catalogue: Catalogue) -> tuple[str, ...]:
    ranked = sorted(signs, key=lambda name: (-catalogue.evidence[name].causes[cause], name))
    return tuple(ranked[:SIGNS_SHOWN])
