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
from lefthand.values.said import Said, Value, evidence, said, takes
from lefthand.values.said import cause as said_cause

LESSONS_WITHOUT_CHANGE = 3
LOOK_AGAIN_WEEKS = 2
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
    """step: what to do; why: what is to be said of it; beside: the same where the cause is named
    already. cause: what it is about. weeks: of work on it. expected: weeks that it usually takes.
    check: the check or trial that would tell, where one is asked."""

    step: Step
    why: Said
    cause: str | None = None
    weeks: float | None = None
    expected: tuple[int, int] | None = None
    check: str | None = None
    beside: Said | None = None


def next_step(
    course: Course,
    changes: Sequence[CauseChange],
    catalogue: Catalogue,
    safety: Safety | None = None,
) -> NextStep:
    """The one next step. `safety`: what is known of stops besides the pain in the course."""
    if not course.lessons or not any(lesson.findings for lesson in course.lessons):
        return NextStep(Step.LOOK, said("next-nothing-yet"))
    stop = _safety_step(course, safety)
    if stop is not None:
        return stop
    changes = [change for change in changes if change.word is not CauseWord.RULED_OUT]
    by_cause = {change.cause: change for change in changes}
    back = next((c for c in changes if c.word is CauseWord.BACK), None)
    focus = next((c for c in course.newest_focus if c in by_cause), None)
    if back is not None and (focus is None or back.cause != focus):
        return _look_again(back.cause, said("next-may-be-back"), None, catalogue)
    if focus is None:
        return _without_focus(changes)
    return _of_focus(course, by_cause[focus], by_cause, catalogue)


def _safety_step(course: Course, safety: Safety | None) -> NextStep | None:
    if safety is not None and safety.is_red:
        return NextStep(Step.STOP, said("next-stop", because=safety.reasons[0]))
    pain = max(course.lessons[-1].pain, course.pain_since)
    if pain >= RED_PAIN:
        return NextStep(Step.STOP, said("next-red-pain", pain=RED_PAIN))
    if pain > 0:
        return NextStep(Step.EASE_OFF, said("next-pain"))
    return None


def _without_focus(changes: Sequence[CauseChange]) -> NextStep:
    likely = [c for c in changes if c.probability[-1] > 0.5]
    if likely:
        worst = max(likely, key=lambda c: c.trouble[-1]).cause
        why = said("next-nobody-works", cause=said_cause(worst))
        return NextStep(Step.LOOK, why, worst, beside=said("next-nobody-works-on-it"))
    gone = [c for c in changes if c.word is CauseWord.GONE]
    if gone:
        return _keep_alive(gone[-1].cause)
    return NextStep(Step.LOOK, said("next-none-likely"))


def _keep_alive(cause: str) -> NextStep:
    why = said("next-gone", cause=said_cause(cause), weeks=LOOK_AGAIN_WEEKS)
    return NextStep(Step.KEEP_ALIVE, why, cause)


def _of_focus(
    course: Course, change: CauseChange, others: Mapping[str, CauseChange], catalogue: Catalogue
) -> NextStep:
    cause = catalogue.causes[change.cause]
    work = work_on(course, change.cause)
    worked = _worked(work)
    if change.word is CauseWord.GONE:
        return _keep_alive(cause.id)
    if change.word is CauseWord.BACK:
        return _look_again(cause.id, said("next-may-be-back"), work, catalogue)
    if change.word in BETTER:
        why = said("next-better", cause=said_cause(cause.id), word=change.word, worked=worked)
        return NextStep(Step.ON_THE_WAY, why, cause.id, work.weeks, cause.weeks)
    if cause.weeks is None:
        message = "next-takes-body" if cause.id == BODY_CAUSE else "next-takes"
        why = said(message, worked=worked, takes=takes(cause.id))
        return NextStep(Step.AS_EXPECTED, why, cause.id, work.weeks, None)
    if work.lessons < LESSONS_WITHOUT_CHANGE:
        return NextStep(
            Step.AS_EXPECTED, _too_early(work, cause.weeks), cause.id, work.weeks, cause.weeks
        )
    if work.is_hardly_practised:
        why = said("next-not-practised", done=work.done or 0, planned=work.planned or 0)
        return NextStep(Step.PRACTISE, why, cause.id, work.weeks, cause.weeks)
    return _stuck(change, others, work, catalogue)


def _stuck(
    change: CauseChange, others: Mapping[str, CauseChange], work: Work, catalogue: Catalogue
) -> NextStep:
    rivals = [c for c in others.values() if c.cause != change.cause]
    rival = max(rivals, key=lambda c: c.probability[-1], default=None)
    mine = change.probability[-1]
    if rival is not None and rival.probability[-1] > max(mine, 0.5):
        told = said("next-rival", rival=said_cause(rival.cause))
        return _look_again(change.cause, told, work, catalogue, rival.cause)
    if mine < UNLIKELY_BELOW:
        return _look_again(change.cause, said("next-signs-do-not-speak"), work, catalogue)
    if change.word is CauseWord.MORE:
        return _look_again(change.cause, said("next-more"), work, catalogue)
    expected = catalogue.causes[change.cause].weeks
    if expected is not None and work.weeks < expected[0]:
        why = _too_early(work, expected)
        return NextStep(Step.AS_EXPECTED, why, change.cause, work.weeks, expected)
    if change.trouble[-1] < PROBABLY_LESS_SHARE * max(change.trouble):
        why = said("next-seems-less", worked=_worked(work))
        return NextStep(Step.AS_EXPECTED, why, change.cause, work.weeks, expected)
    return _look_again(change.cause, said("next-no-change", lessons=work.lessons), work, catalogue)


def _look_again(
    cause: str, told: Said, work: Work | None, catalogue: Catalogue, settles: str | None = None
) -> NextStep:
    known = catalogue.causes[cause]
    check = next(iter(catalogue.causes[settles or cause].settle), None)
    values: dict[str, Value] = {"told": told}
    if check:
        values["check"] = evidence(check)
    tells = "-tells" if check else ""
    return NextStep(
        Step.LOOK_AGAIN,
        said(f"next-look-again{tells}", cause=said_cause(cause), **values),
        cause,
        work.weeks if work else None,
        known.weeks,
        check,
        beside=said(f"next-told{tells}", **values),
    )


def _too_early(work: Work, expected: tuple[int, int]) -> Said:
    return said("next-too-early", worked=_worked(work), least=expected[0], most=expected[1])


def _worked(work: Work) -> Said:
    return said("next-worked", weeks=round(work.weeks))
