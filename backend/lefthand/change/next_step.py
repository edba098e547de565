"""Whether a player is on the way, and the one thing to do next.

How long a cause takes is a range in the catalogue (working judgement). Weeks count from the lesson
that first made it the focus, a pause of more than four weeks beginning anew. Three lessons of work
without a real change ask for another look, and say why it may be: nobody practised, another cause
explains more, it hurt, the step was too hard, or the time is simply not over yet.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum

from lefthand.catalogue.catalogue import Catalogue
from lefthand.change.causes import BETTER, PROBABLY_LESS_SHARE, CauseChange, CauseWord
from lefthand.change.course import Course
from lefthand.change.work import Work, work_on
from lefthand.reason.diagnosis import BODY_CAUSE
from lefthand.reason.safety import Safety
from lefthand.words.words import words_of

LESSONS_WITHOUT_CHANGE = 3
RED_PAIN = 4
UNLIKELY_BELOW = 0.25


class Step(StrEnum):
    LOOK = "look"
    STOP = "stop"
    EASE_OFF = "ease_off"
    KEEP_ALIVE = "keep_alive"
    ON_THE_WAY = "on_the_way"
    AS_EXPECTED = "as_expected"
    PRACTISE = "practise"
    LOOK_AGAIN = "look_again"


@dataclass(frozen=True, slots=True)
class NextStep:
    """step: what to do; why: a sentence. cause: what it is about. weeks: of work on it. expected:
    weeks that it usually takes. check: the check or trial that would tell, where one is asked."""

    step: Step
    why: str
    cause: str | None = None
    weeks: float | None = None
    expected: tuple[int, int] | None = None
    check: str | None = None


def next_step(
    course: Course,
    changes: Sequence[CauseChange],
    catalogue: Catalogue,
    safety: Safety | None = None,
) -> NextStep:
    """The one next step. `safety`: what is known of stops besides the pain in the course."""
    if not course.lessons or not any(lesson.findings for lesson in course.lessons):
        return NextStep(Step.LOOK, "Nothing has been looked at yet.")
    stop = _safety_step(course, safety)
    if stop is not None:
        return stop
    changes = [change for change in changes if change.word is not CauseWord.RULED_OUT]
    by_cause = {change.cause: change for change in changes}
    back = next((c for c in changes if c.word is CauseWord.BACK), None)
    focus = next((c for c in course.newest_focus if c in by_cause), None)
    if back is not None and (focus is None or back.cause != focus):
        return _look_again(back.cause, "it was less and may be back", None, catalogue)
    if focus is None:
        return _without_focus(changes, catalogue)
    return _of_focus(course, by_cause[focus], by_cause, catalogue)


def _safety_step(course: Course, safety: Safety | None) -> NextStep | None:
    if safety is not None and safety.is_red:
        return NextStep(Step.STOP, f"A stop is up: {words_of(safety.reasons[0])}.")
    pain = max(course.lessons[-1].pain, course.pain_since)
    if pain >= RED_PAIN:
        return NextStep(Step.STOP, f"Pain of {RED_PAIN} or more was told: stop, ask a doctor.")
    if pain > 0:
        return NextStep(Step.EASE_OFF, "Pain was told: half as much, soft.")
    return None


def _without_focus(changes: Sequence[CauseChange], catalogue: Catalogue) -> NextStep:
    likely = [c for c in changes if c.probability[-1] > 0.5]
    if likely:
        worst = max(likely, key=lambda c: c.trouble[-1])
        name = catalogue.causes[worst.cause].name
        return NextStep(Step.LOOK, f"{name} is likely and nobody works on it yet.", worst.cause)
    gone = [c for c in changes if c.word is CauseWord.GONE]
    if gone:
        return _keep_alive(gone[-1].cause, catalogue)
    return NextStep(Step.LOOK, "No cause is likely yet: look on.")


def _keep_alive(cause: str, catalogue: Catalogue) -> NextStep:
    name = catalogue.causes[cause].name
    why = f"{name} is gone: look again after two weeks, and when the music gets harder."
    return NextStep(Step.KEEP_ALIVE, why, cause)


def _of_focus(
    course: Course, change: CauseChange, others: Mapping[str, CauseChange], catalogue: Catalogue
) -> NextStep:
    cause = catalogue.causes[change.cause]
    work = work_on(course, change.cause)
    if change.word is CauseWord.GONE:
        return _keep_alive(cause.id, catalogue)
    if change.word is CauseWord.BACK:
        return _look_again(cause.id, "it was less and may be back", work, catalogue)
    if change.word in BETTER:
        why = f"{cause.name} is {change.word.value.replace('_', ' ')} after {_weeks(work.weeks)}."
        return NextStep(Step.ON_THE_WAY, why, cause.id, work.weeks, cause.weeks)
    if cause.weeks is None:
        why = f"{_weeks(work.weeks)} of work; it takes {cause.takes}."
        if cause.id == BODY_CAUSE:
            why = f"{_weeks(work.weeks)} of work; {cause.takes}."
        return NextStep(Step.AS_EXPECTED, why, cause.id, work.weeks, None)
    if work.lessons < LESSONS_WITHOUT_CHANGE:
        return NextStep(
            Step.AS_EXPECTED, _too_early(work, cause.weeks), cause.id, work.weeks, cause.weeks
        )
    if work.is_hardly_practised:
        why = (
            f"It was practised on {work.done} of {work.planned} planned days, so nothing is said "
            "about the exercises: make the week shorter, or find it a fixed place in the day."
        )
        return NextStep(Step.PRACTISE, why, cause.id, work.weeks, cause.weeks)
    return _stuck(change, others, work, catalogue)


def _stuck(
    change: CauseChange, others: Mapping[str, CauseChange], work: Work, catalogue: Catalogue
) -> NextStep:
    rivals = [c for c in others.values() if c.cause != change.cause]
    rival = max(rivals, key=lambda c: c.probability[-1], default=None)
    mine = change.probability[-1]
    if rival is not None and rival.probability[-1] > max(mine, 0.5):
        name = catalogue.causes[rival.cause].name
        return _look_again(
            change.cause, f"{name} explains more of it by now", work, catalogue, rival.cause
        )
    if mine < UNLIKELY_BELOW:
        return _look_again(change.cause, "its signs do not speak for it any more", work, catalogue)
    if change.word is CauseWord.MORE:
        return _look_again(change.cause, "it has become more", work, catalogue)
    expected = catalogue.causes[change.cause].weeks
    if expected is not None and work.weeks < expected[0]:
        why = _too_early(work, expected)
        return NextStep(Step.AS_EXPECTED, why, change.cause, work.weeks, expected)
    if change.trouble[-1] < PROBABLY_LESS_SHARE * max(change.trouble):
        why = f"{_weeks(work.weeks)} of work; it seems less, and a lesson or two will tell."
        return NextStep(Step.AS_EXPECTED, why, change.cause, work.weeks, expected)
    told = f"{work.lessons} lessons of work and no clear change"
    return _look_again(change.cause, told, work, catalogue)


def _look_again(
    cause: str, told: str, work: Work | None, catalogue: Catalogue, settles: str | None = None
) -> NextStep:
    known = catalogue.causes[cause]
    trials = catalogue.causes[settles or cause].settle
    check = trials[0] if trials else None
    what = f" “{catalogue.evidence[check].label}” would tell most." if check else ""
    weeks = work.weeks if work else None
    why = f"{known.name}: {told}.{what}"
    return NextStep(Step.LOOK_AGAIN, why, cause, weeks, known.weeks, check)


def _too_early(work: Work, expected: tuple[int, int] | None) -> str:
    if expected is None:
        return f"{_weeks(work.weeks)} of work: too early to tell."
    return f"{_weeks(work.weeks)} of work; it usually takes {expected[0]} to {expected[1]} weeks."


def _weeks(weeks: float) -> str:
    whole = round(weeks)
    return "less than a week" if whole < 1 else "one week" if whole == 1 else f"{whole} weeks"
