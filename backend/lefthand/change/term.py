"""A player's term as it is told and drawn: one string a cause, with what happened along the way.

It is kept as it is told, in words, and made anew when the words change.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import date, timedelta

from lefthand.case.case import WHOLE_HAND, Finding
from lefthand.catalogue.catalogue import Catalogue
from lefthand.change.causes import CauseChange, CauseWord
from lefthand.change.change import Change
from lefthand.change.course import values_of
from lefthand.change.measures import Basis, MeasureChange
from lefthand.change.next_step import NextStep, Step
from lefthand.change.signs import SignChange
from lefthand.reason.explain import how_clear
from lefthand.values.measures import MEASURES
from lefthand.values.said import cause, evidence, said
from lefthand.words.words import value_words, words_of

PAUSE_DAYS = 7
LONG_PAUSE_DAYS = 21
MONTH_SAYS_ENOUGH_DAYS = 300
FREE_BELOW = 0.15  # of trouble, as for *gone*


@dataclass(frozen=True)
class Stretch:
    """Days since the first lesson, from and to."""

    start: int
    end: int
    words: str = ""


@dataclass(frozen=True)
class TermSign:
    """One sign, or one finger of it: what it is called, how it has changed, and its grades by the
    number of the lesson."""

    evidence: str
    label: str
    finger: int | None
    word: str
    answer: str
    grades: Mapping[int, int]


@dataclass(frozen=True)
class TermString:
    """One cause. probability, trouble: by lesson, 0..1. looked: whether it was looked at. why: what
    was seen of it, a line a lesson, "" where nobody looked. focus: when it was worked on, with the
    exercise. steps: (day, rung, rungs, exercise) of what was given for it. helped: exercises after
    which it was less. since: from when on it is so, as far as the lessons tell; "" for nothing."""

    cause: str
    name: str
    word: str
    answer: str
    probability: Sequence[float]
    trouble: Sequence[float]
    looked: Sequence[bool]
    why: Sequence[str]
    focus: Sequence[Stretch]
    steps: Sequence[tuple[int, int, int, str]]
    helped: Sequence[str]
    signs: Sequence[TermSign]
    since: str = ""
    is_focus: bool = False

    @property
    def is_free(self) -> bool:
        return self.word == CauseWord.GONE.value and not self.is_focus


@dataclass(frozen=True)
class TermMeasure:
    """points: (day, value). least: the smallest change that counts, None where nobody knows."""

    label: str
    unit: str
    points: Sequence[tuple[int, float]]
    least: float | None
    basis: str
    answer: str
    note: str = ""


@dataclass(frozen=True)
class TermFacts:
    """What happened besides. practice: by day what was done, "done" or "partly". pains: (day,
    1..10, or 0 where no number was told, where). stops: from when to when a stop was up, None
    while it is, and why. rungs: by lesson those of the exercises given."""

    practice: Mapping[date, str] = field(default_factory=dict)
    pains: Sequence[tuple[date, int, str]] = ()
    stops: Sequence[tuple[date, date | None, str]] = ()
    rungs: Sequence[Mapping[str, int]] = ()


@dataclass(frozen=True)
class TermNext:
    """The next step in words. beside: where the cause stands already."""

    step: Step
    why: str
    beside: str
    cause: str | None
    check: str | None


@dataclass(frozen=True)
class Term:
    """Days count from `start`, the first lesson. better, stuck: the two sentences; "" for none.
    harder: numbers of the lessons before which a harder piece was given."""

    start: date
    lessons: Sequence[int]
    last: int
    better: str
    stuck: str
    next: TermNext
    strings: Sequence[TermString]
    measures: Sequence[TermMeasure]
    harder: Sequence[int]
    breaks: Sequence[Stretch]
    practice: Sequence[tuple[int, str]]
    pains: Sequence[tuple[int, int, str]]
    stops: Sequence[Stretch]

    def date_of(self, day: int) -> date:
        return self.start + timedelta(days=day)


def up_to(term: Term, today: date) -> Term:
    """The term as it is drawn on a day: it ends there, and what lies ahead is left out."""
    last = max((today - term.start).days, 0)
    return replace(
        term,
        last=last,
        strings=[
            replace(string, focus=[_until(each, last) for each in string.focus])
            for string in term.strings
        ],
        stops=[_until(each, last) for each in term.stops],
    )


def _until(stretch: Stretch, last: int) -> Stretch:
    return replace(stretch, end=max(stretch.start, min(stretch.end, last)))


def term_of(change: Change, catalogue: Catalogue, facts: TermFacts) -> Term | None:
    """The term of a course; None before the first lesson."""
    course = change.course
    if not course.lessons:
        return None
    start = course.lessons[0].on
    days = course.days
    practised = sorted(((day - start).days, done) for day, done in facts.practice.items())
    pains = [((day - start).days, pain, where) for day, pain, where in facts.pains]
    told = [up for up, _, _ in facts.stops] + [down for _, down, _ in facts.stops if down]
    last = max(
        [
            days[-1],
            *(day for day, _ in practised),
            *(day for day, _, _ in pains),
            *((day - start).days for day in told),
        ]
    )
    return Term(
        start=start,
        lessons=days,
        last=last,
        better=_better(change),
        stuck=_stuck(change),
        next=_next(change.next),
        strings=_strings(change, catalogue, facts, last),
        measures=_measures(change, catalogue, start),
        harder=[n for n, lesson in enumerate(course.lessons) if lesson.is_harder],
        breaks=_breaks(days),
        practice=practised,
        pains=pains,
        stops=[
            Stretch((up - start).days, last if down is None else (down - start).days, why)
            for up, down, why in facts.stops
        ],
    )


def _next(step: NextStep) -> TermNext:
    return TermNext(
        step=step.step,
        why=words_of(step.why),
        beside=words_of(step.beside or step.why),
        cause=step.cause,
        check=step.check,
    )


def _better(change: Change) -> str:
    best = change.most_clearly_better
    if best is None:
        return ""
    if best.word is CauseWord.GONE:
        return words_of(said("term-gone", cause=cause(best.cause)))
    day = _worst(change, best)
    return words_of(said(f"term-less-{_named_by(change, day)}", cause=cause(best.cause), day=day))


def _named_by(change: Change, day: date) -> str:
    """How a day is named: its month says enough, unless it lies most of a year back."""
    is_long_ago = (change.course.lessons[-1].on - day).days > MONTH_SAYS_ENOUGH_DAYS
    return "year" if is_long_ago else "month"


def _worst(change: Change, of: CauseChange) -> date:
    worst = max(range(len(of.trouble)), key=lambda n: of.trouble[n])
    return change.course.lessons[worst].on


def _stuck(change: Change) -> str:
    back = next((c for c in change.causes if c.word is CauseWord.BACK), None)
    if back is not None:
        return words_of(said("term-back", cause=cause(back.cause)))
    if change.stuck is None:
        return ""
    return words_of(said("term-stuck", cause=cause(change.stuck.cause)))


def _strings(change: Change, catalogue: Catalogue, facts: TermFacts, last: int) -> list[TermString]:
    """Causes in the order in which they were first worked on, then by trouble."""
    course = change.course
    first_focus: dict[str, int] = {}
    for number, lesson in enumerate(course.lessons):
        for name in lesson.focus:
            first_focus.setdefault(name, number)
    never = len(course.lessons)
    unseen = (CauseWord.NOT_SEEN, CauseWord.RULED_OUT)
    shown = [c for c in change.causes if c.word not in unseen or c.cause in first_focus]
    shown.sort(key=lambda c: (first_focus.get(c.cause, never), -max(c.trouble)))
    return [_string(change, each, catalogue, facts, last) for each in shown]


def _string(
    change: Change, of: CauseChange, catalogue: Catalogue, facts: TermFacts, last: int
) -> TermString:
    course = change.course
    known = catalogue.causes[of.cause]
    return TermString(
        cause=of.cause,
        name=known.name,
        word=of.word.value,
        answer=value_words(of.word),
        probability=of.probability,
        trouble=of.trouble,
        looked=of.looked,
        why=[_seen(lesson.findings, of.signs, catalogue) for lesson in course.lessons],
        focus=_focus(change, of.cause, catalogue, last),
        steps=_steps(change, of.cause, catalogue, facts),
        helped=[
            catalogue.exercises[h.exercise].name
            for h in change.helped
            if h.cause == of.cause and h.is_less and h.is_practised
        ],
        signs=term_signs(change.signs, of.signs),
        since=_since(change, of),
        is_focus=of.cause in course.newest_focus,
    )


def _since(change: Change, of: CauseChange) -> str:
    """Of what is gone, since when no lesson showed trouble; else how long it was worked on."""
    lessons = change.course.lessons
    if of.word is CauseWord.GONE:
        troubled = [n for n, each in enumerate(of.trouble) if each >= FREE_BELOW]
        first = troubled[-1] + 1 if troubled else 0
        day = lessons[min(first, len(lessons) - 1)].on
        return words_of(said(f"term-since-{_named_by(change, day)}", day=day))
    worked = [n for n, lesson in enumerate(lessons) if of.cause in lesson.focus]
    if not worked:
        return ""
    end = worked[-1]
    first = end
    while first > 0 and of.cause in lessons[first - 1].focus:
        first -= 1
    if end == len(lessons) - 1:
        return words_of(said("term-worked-for", lessons=end - first + 1))
    day = lessons[end + 1].on
    return words_of(said(f"term-worked-until-{_named_by(change, day)}", day=day))


def _seen(findings: Mapping[str, Finding], signs: Sequence[str], catalogue: Catalogue) -> str:
    seen = [
        words_of(
            said(
                "term-seen",
                label=evidence(name),
                how=how_clear(catalogue.evidence[name], findings[name].grade),
            )
        )
        for name in signs
        if name in findings
    ]
    return "; ".join(seen)


def _chosen(change: Change, cause: str, catalogue: Catalogue) -> dict[int, str]:
    """By lesson that had it as the focus, the exercise that stands for the work on it: the one of
    the lesson before while it is still given, else the first that aims at it."""
    found: dict[int, str] = {}
    before = ""
    for number, lesson in enumerate(change.course.lessons):
        if cause not in lesson.focus:
            continue
        aiming = [e for e in lesson.plan if cause in catalogue.exercises[e].aims]
        before = before if before in aiming else next(iter(aiming), "")
        found[number] = before
    return found


def _focus(change: Change, cause: str, catalogue: Catalogue, last: int) -> list[Stretch]:
    """Stretches of lessons that had it as the focus, each until the lesson after."""
    days = change.course.days
    found: list[Stretch] = []
    for number, exercise in _chosen(change, cause, catalogue).items():
        end = days[number + 1] if number + 1 < len(days) else max(last, days[number] + 7)
        name = catalogue.exercises[exercise].name if exercise else ""
        if found and found[-1].end == days[number]:
            found[-1] = Stretch(found[-1].start, end, name or found[-1].words)
        else:
            found.append(Stretch(days[number], end, name))
    return found


def _steps(
    change: Change, cause: str, catalogue: Catalogue, facts: TermFacts
) -> list[tuple[int, int, int, str]]:
    """Each change of the exercise that stands for the work on it, or of its rung, as (day, rung,
    rungs, exercise)."""
    found: list[tuple[int, int, int, str]] = []
    for number, exercise in _chosen(change, cause, catalogue).items():
        rungs = facts.rungs[number] if number < len(facts.rungs) else {}
        if exercise in rungs:
            known = catalogue.exercises[exercise]
            step = (rungs[exercise], len(known.rungs), known.name)
            if not found or found[-1][1:] != step:
                found.append((change.course.days[number], *step))
    return found


def term_signs(signs: Sequence[SignChange], of: Sequence[str] | None = None) -> list[TermSign]:
    """The signs that ever showed, of these or of all."""
    return [
        TermSign(
            evidence=each.series.evidence.id,
            label=each.series.evidence.label,
            finger=each.series.finger,
            word=each.word.value,
            answer=value_words(each.word),
            grades=each.series.grades,
        )
        for each in signs
        if (of is None or each.series.evidence.id in of) and any(each.series.grades.values())
    ]


def _breaks(days: Sequence[int]) -> list[Stretch]:
    """Three weeks and more between two lessons, from a week after the one."""
    return [
        Stretch(days[n] + PAUSE_DAYS, days[n + 1], words_of(said("term-no-lesson")))
        for n in range(len(days) - 1)
        if days[n + 1] - days[n] >= LONG_PAUSE_DAYS
    ]


def _measures(change: Change, catalogue: Catalogue, start: date) -> list[TermMeasure]:
    taken = values_of(change.course)
    found = []
    for (name, finger), each in change.measures.items():
        label = catalogue.evidence[name].label
        found.append(
            TermMeasure(
                label=label
                if finger == WHOLE_HAND
                else words_of(said("term-of-finger", label=evidence(name), finger=finger)),
                unit=MEASURES[each.measure].unit,
                points=[((day - start).days, value) for day, value, _ in taken[name, finger]],
                least=each.least.least,
                basis=each.least.basis.value,
                answer=_measured(each),
                note=words_of(said("term-first-worst")) if each.is_first_worst else "",
            )
        )
    return found


def _measured(measured: MeasureChange) -> str:
    if measured.least.basis is Basis.NONE:
        return words_of(said("term-not-known"))
    if not measured.is_real:
        return words_of(said("term-chance"))
    return words_of(said("term-better-real" if measured.gain > 0 else "term-worse-real"))
