"""Causes that the teacher ruled out: they stay so until new signs speak for them."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.evidence import STRENGTHS
from lefthand.reason.learning import LessonFacts

# A sign speaks for a cause that alone would produce it at least this often.
SPEAKS_FROM = STRENGTHS["M"]


@dataclass(frozen=True, slots=True)
class RuledOut:
    """`grades`: of the signs that spoke for it when it was ruled out."""

    on: date
    grades: Mapping[str, int]


def ruled_out_before(
    known: Mapping[str, RuledOut], facts: LessonFacts, catalogue: Catalogue
) -> dict[str, RuledOut]:
    """What earlier lessons ruled out and this one leaves so: no sign of it is new or more, and the
    teacher neither chose it nor said that it may be this after all."""
    taken_up = {*facts.focus, *facts.reopened}
    return {
        cause: each
        for cause, each in known.items()
        if cause not in taken_up and not _has_news(cause, each, facts, catalogue)
    }


def ruled_out_after(
    known: Mapping[str, RuledOut], on: date, facts: LessonFacts, catalogue: Catalogue
) -> dict[str, RuledOut]:
    """The same with what this lesson rules out."""
    now = {
        cause: RuledOut(on, _signs(cause, facts, catalogue)) for cause in sorted(facts.dismissed)
    }
    return {**ruled_out_before(known, facts, catalogue), **now}


def _has_news(cause: str, each: RuledOut, facts: LessonFacts, catalogue: Catalogue) -> bool:
    now = _signs(cause, facts, catalogue)
    return any(grade > each.grades.get(name, 0) for name, grade in now.items())


def _signs(cause: str, facts: LessonFacts, catalogue: Catalogue) -> dict[str, int]:
    return {
        name: grade
        for name, grade in facts.grades.items()
        if catalogue.evidence[name].causes.get(cause, 0.0) >= SPEAKS_FROM
    }
