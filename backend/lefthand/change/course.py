"""The lessons of one player, as what changes over them is read: `jolf-course/1` and its values."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date
from functools import cached_property
from itertools import pairwise
from typing import Any

from lefthand.case.case import WHOLE_HAND, Case, Finding
from lefthand.case.findings import check_evidence_id, parse_finding
from lefthand.catalogue.catalogue import Catalogue
from lefthand.change.signs import Series
from lefthand.reason.diagnosis import counted_findings
from lefthand.reason.memory import Heard
from lefthand.reason.outside import outside_chances
from lefthand.values.errors import InputError
from lefthand.values.fields import Fields, read_mapping, short
from lefthand.values.vocabulary import Instrument, Level

COURSE_FORMAT = "jolf-course/1"
MOST_LESSONS = 3000
MOST_DAYS = 1000
AGE_RANGE = (2, 120)


@dataclass(frozen=True, slots=True)
class Practice:
    """Days at home in the week before a lesson: planned, and done as was logged or asked."""

    planned: int
    done: int


@dataclass(frozen=True, slots=True)
class CourseLesson:
    """One lesson. findings: those that count, a complaint among them. outside: by evidence, the
    chance that something outside the hand brings it. practice: None where nobody knows. plan:
    exercises given in it. pain: the most that was told since the lesson before, 0..10. is_glance: a
    mere look over a class."""

    on: date
    findings: Mapping[str, Finding] = field(default_factory=dict)
    outside: Mapping[str, float] = field(default_factory=dict)
    practice: Practice | None = None
    focus: tuple[str, ...] = ()
    plan: tuple[str, ...] = ()
    is_harder: bool = False
    pain: float = 0
    is_glance: bool = False


@dataclass(frozen=True, eq=False)
class Course:
    """A player over the lessons, oldest first. `case`: who it is, without findings. `ruled_out`:
    causes that the teacher has dismissed. `pain_since`: the most that was told at home after the
    last lesson, 0..10."""

    case: Case
    lessons: Sequence[CourseLesson]
    ruled_out: frozenset[str] = frozenset()
    pain_since: float = 0

    @cached_property
    def days(self) -> list[int]:
        """Days of the lessons since the first."""
        return [(lesson.on - self.lessons[0].on).days for lesson in self.lessons]

    @property
    def newest_focus(self) -> tuple[str, ...]:
        """The newest focus that was decided; () for none."""
        return next((lesson.focus for lesson in reversed(self.lessons) if lesson.focus), ())

    @cached_property
    def heard(self) -> list[Heard]:
        return [
            Heard(day, {n: f.grade for n, f in each.findings.items()}, each.outside, each.is_harder)
            for day, each in zip(self.days, self.lessons, strict=True)
        ]


def lesson_findings(
    case: Case, catalogue: Catalogue
) -> tuple[dict[str, Finding], dict[str, float]]:
    """What counts of a lesson's case, and what may come from outside the hand."""
    findings, _ = counted_findings(case, catalogue)
    return findings, outside_chances(case, catalogue)


def series_of(course: Course, catalogue: Catalogue) -> list[Series]:
    """The grades of every sign, the whole hand first and then finger by finger; without trials."""
    names = dict.fromkeys(name for each in course.lessons for name in each.findings)
    found = []
    for name in names:
        evidence = catalogue.evidence[name]
        if evidence.is_trial:
            continue
        seen = {
            number: each.findings[name]
            for number, each in enumerate(course.lessons)
            if name in each.findings
        }
        found.append(Series(evidence, None, _whole(seen)))
        fingers = sorted({finger for each in seen.values() for finger in each.by_finger})
        by_finger = {finger: _of_finger(seen, finger) for finger in fingers}
        found += [Series(evidence, finger, grades) for finger, grades in by_finger.items()]
    return found


def _whole(seen: Mapping[int, Finding]) -> dict[int, int]:
    """The worst grade of each look; a look that left out the fingers in trouble says nothing of
    them."""
    grades: dict[int, int] = {}
    in_trouble: set[int] = set()
    for number, finding in seen.items():
        fingers = finding.by_finger
        if finding.grade or not fingers or in_trouble <= fingers.keys() or not grades:
            grades[number] = finding.grade
        in_trouble |= {finger for finger, grade in fingers.items() if grade}
        in_trouble -= {finger for finger, grade in fingers.items() if not grade}
    return grades


def _of_finger(seen: Mapping[int, Finding], finger: int) -> dict[int, int]:
    """What was graded of a finger; a whole hand without the sign speaks of all of them."""
    grades = {}
    for number, finding in seen.items():
        if finger in finding.by_finger:
            grades[number] = finding.by_finger[finger]
        elif not finding.by_finger and finding.grade == 0:
            grades[number] = 0
    return grades


def values_of(course: Course) -> dict[tuple[str, int], list[tuple[date, float, float | None]]]:
    """What was measured: by evidence and finger (WHOLE_HAND for the hand as a whole) the day, the
    value, and the spread of repeated measuring where it is known."""
    found: dict[tuple[str, int], list[tuple[date, float, float | None]]] = {}
    for lesson in course.lessons:
        for name, finding in lesson.findings.items():
            for finger, measured in finding.measured.items():
                row = (lesson.on, measured.value, measured.spread)
                found.setdefault((name, finger or WHOLE_HAND), []).append(row)
    return found


# ------------------------------------------------------------------ reading


def parse_course(data: Any, catalogue: Catalogue) -> Course:
    """A checked course from decoded JSON. Raises InputError naming the field."""
    fields = Fields(data)
    stated = fields.take("format", None)
    if stated != COURSE_FORMAT:
        fields.refuse("format", f"expected {COURSE_FORMAT!r}, got {short(stated)}")
    instrument = fields.choice("instrument", Instrument)
    level = fields.choice("level", Level, default=Level.BEGINNER)
    case = Case(instrument, {}, level, fields.number("age", *AGE_RANGE, default=None))
    rows = fields.take("lessons")
    fields.done()
    if not isinstance(rows, list):
        raise InputError("lessons", f"expected a list, got {short(rows)}")
    if len(rows) > MOST_LESSONS:
        raise InputError("lessons", f"expected at most {MOST_LESSONS}, got {len(rows)}")
    lessons = [_lesson(row, f"lessons.{at}", case, catalogue) for at, row in enumerate(rows)]
    for at, (earlier, later) in enumerate(pairwise(lessons), start=1):
        if later.on <= earlier.on:
            raise InputError(f"lessons.{at}.date", f"expected a day after {earlier.on}")
    return Course(case, lessons)


def _lesson(raw: Any, where: str, who: Case, catalogue: Catalogue) -> CourseLesson:
    fields = Fields(raw, where)
    on = _date(fields.take("date", None), f"{where}.date")
    observations = read_mapping(f"{where}.observations", fields.take("observations", {}))
    found = {
        name: parse_finding(
            entered, check_evidence_id(f"{where}.observations", name, catalogue, who.instrument)
        )
        for name, entered in observations.items()
    }
    findings, outside = lesson_findings(Case(who.instrument, found, who.level, who.age), catalogue)
    lesson = CourseLesson(
        on=on,
        findings=findings,
        outside=outside,
        practice=_practice(fields.take("practice", None), f"{where}.practice"),
        focus=_known(fields.words("focus", []), catalogue.causes, f"{where}.focus"),
        plan=_known(fields.words("plan", []), catalogue.exercises, f"{where}.plan"),
        is_harder=fields.flag("harder_piece"),
        pain=fields.number("pain", 0, 10, default=0),
    )
    fields.done()
    return lesson


def _date(raw: Any, where: str) -> date:
    try:
        return date.fromisoformat(raw)
    except (TypeError, ValueError) as error:
        raise InputError(where, f"expected YYYY-MM-DD, got {short(raw)}") from error


def _practice(raw: Any, where: str) -> Practice | None:
    if raw is None:
        return None
    fields = Fields(raw, where)
    found = Practice(fields.whole("planned", 0, MOST_DAYS), fields.whole("done", 0, MOST_DAYS))
    fields.done()
    return found


def _known(names: Sequence[str], known: Mapping[str, Any], where: str) -> tuple[str, ...]:
    for name in names:
        if name not in known:
            raise InputError(where, f"unknown {short(name)}")
    return tuple(known[name].id for name in names)
