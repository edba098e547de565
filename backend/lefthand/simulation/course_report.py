"""How often what is said of a course is right: `python -m lefthand simulate --courses N`."""

import random
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from datetime import date, timedelta
from itertools import pairwise

import numpy as np

from lefthand.case.case import Case, Finding
from lefthand.catalogue.catalogue import Catalogue
from lefthand.change.causes import is_back
from lefthand.change.course import Course, CourseLesson, series_of
from lefthand.change.memory import causes_over_time
from lefthand.change.signs import ChangeWord, sign_changes
from lefthand.simulation.courses import Kind, TrueCourse, draw_course
from lefthand.simulation.exercised import EXERCISES, named_better
from lefthand.values.vocabulary import Instrument

FIRST = date(2026, 1, 7)
EDGES = (0, 0.02, 0.05, 0.1, 0.25, 0.45, 0.55, 0.8, 0.95, 1.0001)
NOTICED_WITHIN = 2
STUDIES = 30
STUDY_PLAYERS = 40
PLANTED = ((0.25, 0.08), (0.15, 0.15))


@dataclass
class Rate:
    hits: int = 0
    all: int = 0

    def count(self, hit: bool) -> None:
        self.hits += hit
        self.all += 1

    @property
    def share(self) -> float:
        return self.hits / self.all if self.all else float("nan")

    def __str__(self) -> str:
        return f"{self.share:.3f} ({self.hits} of {self.all})"


@dataclass
class CourseTally:
    """said, filtered: probabilities by all lessons and by those before; was: what truly was there;
    right: by word, whether the sign truly was so; noticed, false_alarms: of returns."""

    said: list[np.ndarray] = field(default_factory=list)
    filtered: list[np.ndarray] = field(default_factory=list)
    was: list[np.ndarray] = field(default_factory=list)
    right: dict[ChangeWord, Rate] = field(
        default_factory=lambda: {word: Rate() for word in ChangeWord}
    )
    noticed: Rate = field(default_factory=Rate)
    false_alarms: Rate = field(default_factory=Rate)

    def brier(self) -> tuple[float, float, float]:
        """Brier scores (mean squared error) by all lessons, by those before, and of always saying
        how common causes are."""
        was = np.concatenate(self.was)
        by_all, before = np.concatenate(self.said), np.concatenate(self.filtered)
        rows = (by_all, before, np.full_like(was, was.mean()))
        first, second, third = (float(((row - was) ** 2).mean()) for row in rows)
        return first, second, third

    def reliability(self) -> list[tuple[float, float, int, float, float]]:
        """(from, to, how many, said, was) by how likely a cause was said to be."""
        said, was = np.concatenate(self.said), np.concatenate(self.was)
        found = []
        for low, high in pairwise(EDGES):
            here = (said >= low) & (said < high)
            if here.any():
                count = int(here.sum())
                found.append((low, high, count, float(said[here].mean()), float(was[here].mean())))
        return found


def tally_courses(
    catalogue: Catalogue, instrument: Instrument, courses: int, seed: int
) -> CourseTally:
    """Courses of every kind in turn: causes and returns where hands waver, words where a sign is a
    state of the hand."""
    tally = CourseTally()
    for number in range(courses):
        kind = list(Kind)[number % len(Kind)]
        chooser = random.Random(f"{seed}/{instrument.value}/{number}")
        true = draw_course(kind, catalogue, instrument, chooser)
        _tally_causes(tally, true, catalogue, instrument)
        _tally_words(
            tally,
            draw_course(kind, catalogue, instrument, chooser, steady=1.0),
            catalogue,
            instrument,
        )
    return tally


def course_of(
    true: TrueCourse, instrument: Instrument, lessons: int | None = None, focus: Sequence[str] = ()
) -> Course:
    """The first `lessons` of a simulated course as the core reads it."""
    rows = list(zip(true.days, true.grades, strict=True))[:lessons]
    return Course(
        Case(instrument, {}),
        [
            CourseLesson(
                FIRST + timedelta(days=day),
                {name: Finding(grade) for name, grade in grades.items()},
                focus=tuple(focus),
                is_harder=number in true.harder,
            )
            for number, (day, grades) in enumerate(rows)
        ],
    )


def _tally_causes(
    tally: CourseTally, true: TrueCourse, catalogue: Catalogue, instrument: Instrument
) -> None:
    priors = {c.id: c.prior for c in catalogue.causes_of(instrument)}
    found = causes_over_time(course_of(true, instrument).heard, priors, catalogue)
    tally.said.append(found.smoothed.ravel())
    tally.filtered.append(found.filtered.ravel())
    tally.was.append(true.there.ravel())
    if true.back is None:
        return
    cause = true.causes[true.first]

    def told(lessons: int) -> bool:
        course = course_of(true, instrument, lessons, (cause,))
        over_time = causes_over_time(course.heard, priors, catalogue)
        return is_back(course, cause, over_time.smoothed[:, true.first].tolist(), catalogue)

    tally.noticed.count(told(true.back + NOTICED_WITHIN))
    healed = int(np.argmax(true.there[:, true.first] == 0))
    if true.back - healed >= NOTICED_WITHIN:
        tally.false_alarms.count(told(true.back))


def _tally_words(
    tally: CourseTally, true: TrueCourse, catalogue: Catalogue, instrument: Instrument
) -> None:
    course = course_of(true, instrument)
    for change in sign_changes(course.days, series_of(course, catalogue)):
        levels = true.levels[change.series.evidence.id]
        first, last = levels[change.series.first], levels[change.series.last]
        tally.right[change.word].count(
            {
                ChangeWord.GONE: last == 0 < first,
                ChangeWord.CLEARLY_LESS: last < first,
                ChangeWord.PROBABLY_LESS: last < first,
                ChangeWord.NO_CLEAR_CHANGE: last == first,
                ChangeWord.MORE: last > first,
            }[change.word]
        )


def course_report(
    catalogue: Catalogue, instruments: Sequence[Instrument], courses: int, seed: int
) -> Iterator[str]:
    """Lines of the report, instrument by instrument."""
    for instrument in instruments:
        tally = tally_courses(catalogue, instrument, courses, seed)
        yield f"{instrument.value}: {courses} simulated courses of 12 lessons (seed {seed})"
        by_all, before, base = tally.brier()
        yield f"  Brier score: {by_all:.4f}; by the lessons before {before:.4f}; base {base:.4f}"
        for low, high, count, said, was in tally.reliability():
            yield f"    said {low:.2f} to {min(high, 1):.2f} ({count}): {said:.3f}, was {was:.3f}"
        for word, rate in tally.right.items():
            yield f"  {word.value}: right {rate}"
        yield f"  returns noticed within {NOTICED_WITHIN} lessons: {tally.noticed}"
        yield f"  false alarms: {tally.false_alarms}"
    yield f"{STUDIES} studios of {STUDY_PLAYERS} players, two exercises against one cause"
    for heals in PLANTED:
        named = [
            named_better(catalogue, heals, STUDY_PLAYERS, random.Random(f"{seed}/{heals}/{study}"))
            for study in range(STUDIES)
        ]
        told = ", ".join(f"{exercise} {named.count(exercise)}" for exercise in EXERCISES)
        yield f"  healing {heals[0]} and {heals[1]} a week: named better {told}, of {STUDIES}"
