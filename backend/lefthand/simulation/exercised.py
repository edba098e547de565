"""Players with one cause who are given one of two exercises against it, with planted effects: a
chance a week that the cause heals while it is practised. Everything follows from the seed."""

import random
from collections.abc import Sequence
from datetime import date, timedelta

from lefthand.case.case import Case, Finding
from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.evidence import Evidence
from lefthand.change.course import Course, CourseLesson, Practice
from lefthand.change.helped import better_than_others, shares, what_helped
from lefthand.reason.network import grades_if_not
from lefthand.simulation.courses import GRADE_IF
from lefthand.values.vocabulary import Instrument

CAUSE = "thumb_index_grip"
EXERCISES = ("thumb_taps", "rod_pivot")
WEEKS = 6
SIGNS = 4
FIRST = date(2026, 1, 7)
WEEK_OF_PRACTICE = Practice(planned=6, done=5)


def named_better(
    catalogue: Catalogue, heals: Sequence[float], players: int, chooser: random.Random
) -> str | None:
    """Which of the two exercises is told apart as better; half of the players do each. `heals`: the
    chance a week, 0..1, of the first and of the second."""
    signs = [
        e
        for e in catalogue.evidence_of(Instrument.VIOLIN)
        if e.causes.get(CAUSE, 0.0) >= 0.5 and not e.is_trial
    ]
    found = []
    for number in range(players):
        which = number % 2
        course = _course(EXERCISES[which], heals[which], signs[:SIGNS], chooser)
        found.append([h for h in what_helped(course, catalogue) if h.cause == CAUSE])
    return better_than_others(shares(found)).get(CAUSE)


def _course(
    exercise: str, heals: float, signs: Sequence[Evidence], chooser: random.Random
) -> Course:
    levels = [chooser.choice((1, 2)) for _ in signs]
    lessons = []
    is_healed = False
    for week in range(WEEKS):
        is_healed = is_healed or (week > 0 and chooser.random() < heals)
        findings = {}
        for sign, level in zip(signs, levels, strict=True):
            table = grades_if_not(sign).tolist() if is_healed else GRADE_IF[level - 1]
            findings[sign.id] = Finding(chooser.choices(range(4), weights=table)[0])
        lessons.append(
            CourseLesson(
                FIRST + timedelta(weeks=week),
                findings,
                practice=WEEK_OF_PRACTICE if week else None,
                focus=(CAUSE,),
                plan=(exercise,),
            )
        )
    return Course(Case(Instrument.VIOLIN, {}), lessons)
