"""Causes that were resolved and are kept alive, and those that came back.

A fault returns under load, so a cause that was worked on until its signs were gone is looked at
again after 2, 4, 8 and 16 weeks and whenever the music gets harder (common practice, no source). A
clean look that was due goes on to the next interval, a late one past all that it covers; a look
before it is due changes nothing; clear signs are a return whenever they are seen, unless what is
worked on now brings them as strongly.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta

from lefthand.catalogue.catalogue import Catalogue
from lefthand.reason.learning import LessonFacts
from lefthand.values.vocabulary import Grade

RECHECK_WEEKS = (2, 4, 8, 16)
SIGNS_SHOWN = 3
HELPED_SHOWN = 3


@dataclass(frozen=True, slots=True)
class Watch:
    """How one cause that was a focus went so far.

    signs: what it showed in. since: when they were gone, None while they never were. clean:
    intervals since then after which a look found it still gone. returned: when they were back.
    given: exercises that were given while it was the focus, the last ones first; helped: those of
    them that were given before its signs were gone.
    """

    signs: tuple[str, ...] = ()
    since: date | None = None
    clean: int = 0
    returned: date | None = None
    given: tuple[str, ...] = ()
    helped: tuple[str, ...] = ()


Watches = Mapping[str, Watch]


@dataclass(frozen=True, slots=True)
class Kept:
    """A cause whose signs were gone on `since`. signs: the checks to make again, most telling
    first; the other fields as in `Watch`."""

    cause: str
    since: date
    clean: int
    returned: date | None
    signs: tuple[str, ...]
    helped: tuple[str, ...] = ()

    @property
    def due(self) -> date | None:
        """The day of the next look; None when it has returned or all looks were made."""
        if self.returned is not None or self.clean >= len(RECHECK_WEEKS):
            return None
        return self.since + timedelta(weeks=RECHECK_WEEKS[self.clean])


def kept_causes(watches: Watches, catalogue: Catalogue) -> list[Kept]:
    """All causes that were resolved once."""
    return [
        Kept(
            cause,
            watch.since,
            watch.clean,
            watch.returned,
            _most_telling(watch.signs, cause, catalogue),
            watch.helped,
        )
        for cause, watch in watches.items()
        if watch.since is not None
    ]


def watched(
    watches: Watches,
    on: date,
    facts: LessonFacts,
    catalogue: Catalogue,
    given: Sequence[str] = (),
) -> dict[str, Watch]:
    """The watches with one lesson more. `given`: the exercises of its plan."""
    fresh = {cause: Watch() for cause in facts.focus if cause not in watches}
    after = {**watches, **fresh}
    return {
        cause: _followed(watch, cause, on, facts, given, catalogue)
        for cause, watch in after.items()
    }


def _followed(
    watch: Watch,
    cause: str,
    on: date,
    facts: LessonFacts,
    given: Sequence[str],
    catalogue: Catalogue,
) -> Watch:
    is_focus = cause in facts.focus
    moved = _moved(watch, cause, on, facts, catalogue)
    if not is_focus:
        return moved
    signs = {*moved.signs, *_shows(cause, facts, catalogue)}
    aiming = [name for name in given if cause in catalogue.exercises[name].aims]
    newest_first = tuple(dict.fromkeys((*aiming, *moved.given)))
    return replace(moved, signs=tuple(sorted(signs)), given=newest_first)


def _moved(watch: Watch, cause: str, on: date, facts: LessonFacts, catalogue: Catalogue) -> Watch:
    """Gone, still gone, or back, by what was looked at again."""
    again = {name: facts.grades[name] for name in watch.signs if name in facts.grades}
    asked = _most_telling(watch.signs, cause, catalogue)
    enough = bool(again) and 2 * sum(name in again for name in asked) >= len(asked)
    gone = enough and not any(again.values())
    is_focus = cause in facts.focus
    is_back = is_focus or any(
        grade >= Grade.CLEAR and not _is_explained(name, cause, facts, catalogue)
        for name, grade in again.items()
    )
    if watch.since is not None and watch.returned is None:
        if is_back:
            return replace(watch, returned=on)
        if gone:
            covered = _intervals_covered(watch.since, watch.clean, on, facts.is_harder)
            return replace(watch, clean=covered)
        return watch
    if gone and not is_focus:
        helped = watch.given[:HELPED_SHOWN]
        return replace(watch, since=on, clean=0, returned=None, helped=helped)
    return watch


def _is_explained(name: str, cause: str, facts: LessonFacts, catalogue: Catalogue) -> bool:
    """True for a sign that a focus of this lesson, which the cause is not, brings as strongly."""
    causes = catalogue.evidence[name].causes
    return any(causes.get(other, 0.0) >= causes[cause] for other in facts.focus)


def _shows(cause: str, facts: LessonFacts, catalogue: Catalogue) -> set[str]:
    return {
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


def _most_telling(signs: Sequence[str], cause: str, catalogue: Catalogue) -> tuple[str, ...]:
    ranked = sorted(signs, key=lambda name: (-catalogue.evidence[name].causes[cause], name))
    return tuple(ranked[:SIGNS_SHOWN])
