"""Where a player stands before a lesson: what all lessons before it have led to.

`advance` adds one lesson, so that a lesson costs the same after twenty lessons and after three
hundred. What is asked about a lesson is asked of the standing before it and of its own record.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import date, timedelta

from lefthand.case.case import Apart
from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.exercises import Exercise
from lefthand.practice.apart import Fails, Harm, apart_on, fails_after, harms_after, returning
from lefthand.practice.keep_alive import Kept, Watch, kept_causes, watched
from lefthand.practice.load import GivenLoad, LoadCourse
from lefthand.practice.pains import Ache, after_pains
from lefthand.practice.progress import Advice, Course, Move, next_step
from lefthand.practice.record import Given, GivenWeek, LessonRecord
from lefthand.practice.ruled_out import RuledOut, ruled_out_after, ruled_out_before
from lefthand.reason.chain import THERE
from lefthand.reason.diagnosis import BODY_CAUSE, BODY_SIGNS
from lefthand.reason.learning import LESSONS_WITHOUT_CHANGE, LessonFacts
from lefthand.reason.memory import NOTHING_YET, Memory, after_lesson, before_lesson
from lefthand.reason.safety import EASE_OFF_DAYS, LONG_BREAK_WEEKS, Safety, SafetyLevel
from lefthand.values.vocabulary import Place

NO_FLAG = Safety(SafetyLevel.NONE, ())
RECENT_FOCUS_DAYS = 7
AIMS_COMPARED = LESSONS_WITHOUT_CHANGE + 1
MAIN_AIMS = 2
# What a lesson finds of them holds until it is looked at again.
HELD_SIGNS = (*BODY_SIGNS, "hold.slips", "hold.moves")


@dataclass(frozen=True, slots=True)
class Break:
    """A time without playing of two weeks or more, and the day of the lesson that ended it."""

    weeks: float
    on: date


@dataclass(frozen=True, slots=True)
class Seen:
    """A sign as a lesson graded it, 0..3."""

    grade: int
    on: date


@dataclass(frozen=True, slots=True)
class Standing:
    """newest: the day of the newest lesson; newest_real: without mere looks over a class.

    focus: the newest that was decided; focus_on: the last day of each cause that was the focus of
    late. week, week_on: the newest week and the day it was given; is_judged: a lesson has followed
    it. passed: rungs passed, by exercise. failed: {exercise: {rung: lessons running in which it was
    tried and not there}}. aims: by exercise that is given week after week, the grades of what it
    aims at, of the newest lessons that looked at that. rungs: (day, rung) of each exercise, the
    last ones given. breaks: the newest one, and before it those of the last two weeks. watches: how
    each cause went that was a focus. ruled_out: causes that the teacher dismissed, until new signs
    speak. aches: where it hurt. harms, fails: exercises that hurt, and that did not go. body: signs
    of the body and of the hold as they were seen last. injury_on: when an earlier injury was told
    of last. memory: what the lessons made of the causes.
    """

    newest: date | None = None
    newest_real: date | None = None
    focus: tuple[str, ...] = ()
    focus_on: Mapping[str, date] = field(default_factory=dict)
    week: GivenWeek | None = None
    week_on: date | None = None
    is_judged: bool = True
    passed: Mapping[str, int] = field(default_factory=dict)
    failed: Mapping[str, Mapping[int, int]] = field(default_factory=dict)
    aims: Mapping[str, tuple[Mapping[str, int], ...]] = field(default_factory=dict)
    rungs: Mapping[str, tuple[tuple[date, int], ...]] = field(default_factory=dict)
    load: LoadCourse = field(default_factory=LoadCourse)
    breaks: tuple[Break, ...] = ()
    watches: Mapping[str, Watch] = field(default_factory=dict)
    ruled_out: Mapping[str, RuledOut] = field(default_factory=dict)
    aches: Mapping[Place, Ache] = field(default_factory=dict)
    harms: Mapping[str, Harm] = field(default_factory=dict)
    fails: Mapping[str, Fails] = field(default_factory=dict)
    body: Mapping[str, Seen] = field(default_factory=dict)
    injury_on: date | None = None
    memory: Memory = NOTHING_YET


AT_FIRST = Standing()


# ------------------------------------------------------------------ what is asked in a lesson


def break_now(before: Standing, record: LessonRecord) -> Break | None:
    """The longest of the breaks that ended with this lesson or in the two weeks before it."""
    late = [each for each in _breaks(before, record) if _is_late(each, record)]
    return max(late, key=lambda each: (each.weeks, each.on), default=None)


def recent_focus(before: Standing, record: LessonRecord) -> list[str]:
    """Causes that were the focus in the seven days before the lesson."""
    since = record.on - timedelta(days=RECENT_FOCUS_DAYS)
    return sorted(cause for cause, day in before.focus_on.items() if day >= since)


def advice_for(
    given: Given,
    before: Standing,
    record: LessonRecord,
    catalogue: Catalogue,
    safety: Safety = NO_FLAG,
) -> Advice:
    """What follows for one exercise of the newest week, by what was shown in this lesson and
    practised at home before it."""
    exercise = catalogue.exercises[given.exercise]
    shown = next(
        (s.day for s in record.shown if s.is_newest and s.exercise == given.exercise), None
    )
    days = [*record.practised.get(given.exercise, ())]
    if shown is not None and shown.pain:
        days.append(shown)
    course = Course(
        rung=given.rung,
        rungs=len(exercise.rungs),
        passed_in_lesson=shown.passed if shown else None,
        failed_before=before.failed.get(given.exercise, {}).get(given.rung, 0),
        days=days,
        aim_grades=_summed(_aims_with(exercise, before, record, catalogue)),
    )
    return next_step(course, safety)


def passed_rungs(before: Standing, record: LessonRecord, catalogue: Catalogue) -> dict[str, int]:
    """Rungs passed so far, by exercise.

    In the two weeks after a lifted stop or a long break: no further than the rung before the one
    that was given last before it.
    """
    passed = {**before.passed, **_judged(before, record, catalogue)}
    since = _easing_since(before, record)
    if since is not None:
        for exercise, rungs in before.rungs.items():
            earlier = [rung for day, rung in rungs if day < since]
            if earlier and exercise in passed:
                passed[exercise] = min(passed[exercise], max(0, earlier[-1] - 2))
    return {exercise: rungs for exercise, rungs in passed.items() if rungs > 0}


def load_limit(before: Standing, record: LessonRecord) -> float | None:
    """Most seconds of work that may load the hand in the week given in this lesson."""
    return before.load.limit_after(_newest_pause(before, record))


def kept_now(before: Standing, record: LessonRecord, catalogue: Catalogue) -> list[Kept]:
    """Causes that were resolved once, this lesson counted."""
    return kept_causes(_watches_after(before, record, catalogue), catalogue)


def aches_now(before: Standing, record: LessonRecord) -> dict[Place, Ache]:
    """Where it hurt up to this lesson, it included."""
    return after_pains(before.aches, record.pains, record.lifted)


def apart_now(
    before: Standing, record: LessonRecord, catalogue: Catalogue
) -> tuple[dict[str, Apart], dict[str, int]]:
    """Exercises that stay out in this lesson, and those that hurt and are not back yet, with the
    rung on which they come back."""
    now = replace(record, week=None)
    harms = harms_after(before.harms, now, before.week, before.week_on)
    fails = fails_after(before.fails, record)
    aches = aches_now(before, record)
    return apart_on(harms, fails, aches, record.on, catalogue), returning(harms)


def thought_before(before: Standing, record: LessonRecord) -> dict[str, float]:
    """By cause, the probability that it is there on the day of this lesson, before the lesson looks
    at anything; {} before the first that looked at something. Loose joints are known by what holds
    of the body, and not remembered beside it."""
    if not before.memory.graded:
        return {}
    harder = record.facts.is_harder
    known = before_lesson(before.memory, record.starts, record.on, is_harder=harder)
    return {cause: each[THERE] for cause, each in known.items() if cause != BODY_CAUSE}


def still_ruled_out(
    before: Standing, record: LessonRecord, catalogue: Catalogue
) -> Mapping[str, RuledOut]:
    """Causes that earlier lessons ruled out and for which nothing new speaks in this one."""
    return ruled_out_before(before.ruled_out, record.facts, catalogue)


# ------------------------------------------------------------------ one lesson more


def advance(before: Standing, record: LessonRecord, catalogue: Catalogue) -> Standing:
    """The standing after a lesson."""
    real = not record.is_glance
    after = replace(
        before,
        newest=record.on,
        newest_real=record.on if real else before.newest_real,
        focus=record.facts.focus or before.focus,
        focus_on=_focus_on(before, record),
        failed=_failed(before, record),
        breaks=_breaks(before, record),
        watches=_watches_after(before, record, catalogue),
        ruled_out=ruled_out_after(before.ruled_out, record.on, record.facts, catalogue),
        aches=aches_now(before, record),
        harms=harms_after(before.harms, record, before.week, before.week_on),
        fails=fails_after(before.fails, record),
        body=_body_after(before, record),
        injury_on=record.on if record.injury else before.injury_on,
        memory=_memory_after(before, record, catalogue),
    )
    if real:
        after = replace(
            after,
            passed={**before.passed, **_judged(before, record, catalogue)},
            is_judged=True,
            aims={
                name: _aims_with(catalogue.exercises[name], before, record, catalogue)
                for name in before.aims
            },
        )
    if record.week is not None:
        after = _with_week(after, before, record, record.week, catalogue)
    return after


def _with_week(
    after: Standing, before: Standing, record: LessonRecord, week: GivenWeek, catalogue: Catalogue
) -> Standing:
    load = GivenLoad(
        record.on,
        sum(item.load for item in week.items),
        max((item.step for item in week.items), default=0.0),
    )
    return replace(
        after,
        week=week,
        week_on=record.on,
        is_judged=False,
        aims={
            item.exercise: after.aims[item.exercise]
            if item.exercise in after.aims
            else _aimed(catalogue.exercises[item.exercise], record, catalogue)
            for item in week.items
        },
        rungs=_rungs_given(before, record, week),
        load=before.load.after(load, _newest_pause(before, record)),
    )


def _breaks(before: Standing, record: LessonRecord) -> tuple[Break, ...]:
    """The newest break last, and before it those that are still felt."""
    now = [Break(record.weeks_away, record.on)] if record.weeks_away > 0 else []
    known = [*before.breaks, *now]
    late = [each for each in known[:-1] if _is_late(each, record)]
    return (*late, *known[-1:])


def _is_late(each: Break, record: LessonRecord) -> bool:
    return (record.on - each.on).days < EASE_OFF_DAYS


def _newest_pause(before: Standing, record: LessonRecord) -> date | None:
    """The newest day on which a break ended or a stop was lifted."""
    ended = [each.on for each in _breaks(before, record)]
    return max([*ended, *([record.lifted] if record.lifted else [])], default=None)


def _easing_since(before: Standing, record: LessonRecord) -> date | None:
    """The newest end of a break of four weeks or more, or lifting of a stop, in two weeks."""
    long = [each.on for each in _breaks(before, record) if each.weeks >= LONG_BREAK_WEEKS]
    soon = record.on - timedelta(days=EASE_OFF_DAYS)
    pauses = [*long, *([record.lifted] if record.lifted else [])]
    return max((day for day in pauses if day > soon), default=None)


def _memory_after(before: Standing, record: LessonRecord, catalogue: Catalogue) -> Memory:
    if record.heard is None:
        return before.memory
    told = record.starts, record.heard, record.on
    return after_lesson(before.memory, *told, catalogue, record.instrument)


def _body_after(before: Standing, record: LessonRecord) -> dict[str, Seen]:
    grades = record.facts.grades
    return {**before.body, **{n: Seen(grades[n], record.on) for n in HELD_SIGNS if n in grades}}


def _judged(before: Standing, record: LessonRecord, catalogue: Catalogue) -> dict[str, int]:
    """Rungs passed by what the newest week led to; {} when a lesson has judged it already."""
    if before.is_judged or before.week is None:
        return {}
    passed = {}
    for given in before.week.items:
        advice = advice_for(given, before, record, catalogue)
        last = len(catalogue.exercises[given.exercise].rungs)
        finished = advice.move is Move.GO_ON and given.rung >= last
        passed[given.exercise] = given.rung if finished else advice.rung - 1
    return passed


def _focus_on(before: Standing, record: LessonRecord) -> dict[str, date]:
    late = record.on - timedelta(days=RECENT_FOCUS_DAYS)
    kept = {cause: day for cause, day in before.focus_on.items() if day >= late}
    return {**kept, **dict.fromkeys(record.facts.focus, record.on)}


def _failed(before: Standing, record: LessonRecord) -> dict[str, dict[int, int]]:
    failed = {exercise: dict(rungs) for exercise, rungs in before.failed.items()}
    for shown in record.shown:
        rungs = failed.setdefault(shown.exercise, {})
        if shown.day.passed:
            rungs.pop(shown.rung, None)
        else:
            rungs[shown.rung] = rungs.get(shown.rung, 0) + 1
    return {exercise: rungs for exercise, rungs in failed.items() if rungs}


def _rungs_given(
    before: Standing, record: LessonRecord, week: GivenWeek
) -> dict[str, tuple[tuple[date, int], ...]]:
    """The rungs given in the last two weeks, and the last one before them, with this week's."""
    given = {exercise: list(rungs) for exercise, rungs in before.rungs.items()}
    for item in week.items:
        given.setdefault(item.exercise, []).append((record.on, item.rung))
    soon = record.on - timedelta(days=EASE_OFF_DAYS)
    kept = {}
    for exercise, rungs in given.items():
        earlier = [each for each in rungs if each[0] <= soon]
        kept[exercise] = (*earlier[-1:], *(each for each in rungs if each[0] > soon))
    return kept


def _watches_after(
    before: Standing, record: LessonRecord, catalogue: Catalogue
) -> dict[str, Watch]:
    given = [item.exercise for item in record.week.items] if record.week else []
    return watched(before.watches, record.on, record.facts, catalogue, given)


def _aims_with(
    exercise: Exercise, before: Standing, record: LessonRecord, catalogue: Catalogue
) -> tuple[Mapping[str, int], ...]:
    """Grades of what the exercise aims at since it was given, with those of this lesson."""
    now = () if record.is_glance else _aimed(exercise, record, catalogue)
    return (*before.aims.get(exercise.id, ()), *now)[-AIMS_COMPARED:]


def _aimed(
    exercise: Exercise, record: LessonRecord, catalogue: Catalogue
) -> tuple[Mapping[str, int], ...]:
    """This lesson's grades of what the exercise aims at first; () when it looked at none of it."""
    found = _grades_of_aims(exercise, record.facts, catalogue)
    return (found,) if found else ()


def _grades_of_aims(exercise: Exercise, facts: LessonFacts, catalogue: Catalogue) -> dict[str, int]:
    aims = set(exercise.aims[:MAIN_AIMS])
    return {
        name: grade
        for name, grade in facts.grades.items()
        if aims & set(catalogue.evidence[name].causes)
    }


def _summed(lessons: tuple[Mapping[str, int], ...]) -> list[int]:
    """Grades summed a lesson, of what every one of these lessons looked at; measured values count
    by their grade."""
    shared = set.intersection(*map(set, lessons)) if lessons else set()
    return [sum(grades[name] for name in shared) for grades in lessons] if shared else []
