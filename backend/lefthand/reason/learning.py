"""What a teacher's own lessons say about how often a cause is met.

A cause's starting probability p is worth twenty lessons: Beta(20 p, 20 (1 - p)). Every player for
whom the cause was confirmed or refuted counts once, and the mean of the posterior Beta,
(20 p + confirmed) / (20 + confirmed + refuted), takes the place of p (conjugate updating: Gelman
et al., "Bayesian Data Analysis", 3rd ed., 2013, section 2.4). Only the starting probabilities move;
how causes show in evidence stays as it is.

Where it can be wrong: only causes that somebody thought of are ever settled, so those that were
seldom met are counted as refuted too seldom. Hence off until the teacher turns it on.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from enum import StrEnum

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.causes import Cause

STARTING_VALUE_IN_LESSONS = 20
LESSONS_WITHOUT_CHANGE = 3
EASED = 0.5


class Verdict(StrEnum):
    CONFIRMED = "confirmed"
    REFUTED = "refuted"


@dataclass(frozen=True, slots=True)
class LessonFacts:
    """One lesson of a player: what was decided, what was dismissed, what was graded, whether the
    music had just got harder, and what had been dismissed and may be after all."""

    focus: tuple[str, ...] = ()
    dismissed: frozenset[str] = frozenset()
    grades: Mapping[str, int] = field(default_factory=dict)
    is_harder: bool = False
    reopened: frozenset[str] = frozenset()


@dataclass(frozen=True, slots=True)
class Count:
    confirmed: int = 0
    refuted: int = 0

    def mean(self, prior: float) -> float:
        """The starting probability with these counts; see the head of this file."""
        lessons = STARTING_VALUE_IN_LESSONS
        return (lessons * prior + self.confirmed) / (lessons + self.confirmed + self.refuted)


def starting_value(cause: Cause, counts: Mapping[str, Count]) -> float:
    """A cause's probability before anything is seen, with what was settled so far."""
    return counts.get(cause.id, Count()).mean(cause.prior)


def verdicts(lessons: Sequence[LessonFacts], catalogue: Catalogue) -> dict[str, Verdict]:
    """What one player's lessons, oldest first, have settled, by cause."""
    spoken = sorted({c for each in lessons for c in (*each.focus, *each.dismissed)})
    found = {cause: verdict(cause, lessons, catalogue) for cause in spoken}
    return {cause: settled for cause, settled in found.items() if settled is not None}


def count_verdicts(players: Iterable[Mapping[str, Verdict]]) -> dict[str, Count]:
    """Verdicts over all players, by cause; causes that were never settled are left out."""
    counts: dict[str, Count] = {}
    for settled in players:
        for cause, found in settled.items():
            now = counts.get(cause, Count())
            counts[cause] = Count(
                now.confirmed + (found is Verdict.CONFIRMED),
                now.refuted + (found is Verdict.REFUTED),
            )
    return counts


def verdict(cause: str, lessons: Sequence[LessonFacts], catalogue: Catalogue) -> Verdict | None:
    """Whether a player's lessons, oldest first, have settled a cause.

    Refuted: dismissed by the teacher and not taken up again, or worked on for three lessons with no
    change in what it shows in. Confirmed: worked on, and what it shows in has fallen by half since.
    """
    spoken = [each for each in lessons if cause in each.focus or cause in each.dismissed]
    if not spoken:
        return None
    if cause not in spoken[-1].focus:
        return Verdict.REFUTED
    start = next(i for i, each in enumerate(lessons) if cause in each.focus)
    since = lessons[start:]
    shows = {
        name
        for name, grade in since[0].grades.items()
        if grade > 0 and cause in catalogue.evidence[name].causes
    }
    if _has_eased(since, shows):
        return Verdict.CONFIRMED
    worked = all(cause in each.focus for each in since[: LESSONS_WITHOUT_CHANGE + 1])
    if len(since) > LESSONS_WITHOUT_CHANGE and worked and _has_not_changed(since, shows):
        return Verdict.REFUTED
    return None


def _sums(first: LessonFacts, later: LessonFacts, shows: set[str]) -> tuple[int, int] | None:
    """Summed grades then and later of what was checked both times; None when nothing was."""
    shared = [name for name in shows if name in later.grades]
    if not shared:
        return None
    return sum(first.grades[n] for n in shared), sum(later.grades[n] for n in shared)


def _has_eased(since: Sequence[LessonFacts], shows: set[str]) -> bool:
    """By the newest later lesson that checked at least half of it again."""
    for later in reversed(since[1:]):
        if 2 * len(shows & set(later.grades)) >= len(shows):
            sums = _sums(since[0], later, shows)
            return sums is not None and sums[1] <= EASED * sums[0]
    return False


def _has_not_changed(since: Sequence[LessonFacts], shows: set[str]) -> bool:
    sums = _sums(since[0], since[LESSONS_WITHOUT_CHANGE], shows)
    return sums is not None and sums[1] >= sums[0]
