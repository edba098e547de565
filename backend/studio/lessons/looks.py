"""The look that comes next in a lesson: what settles a theory that does not move, then what a rule
or an exercise waits for, then the last lesson's checks again, then the engine's."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from lefthand.catalogue.evidence import Evidence
from lefthand.change.next_step import LESSONS_WITHOUT_CHANGE
from lefthand.practice.progress import Move
from lefthand.reason.diagnosis import open_settling_trial
from lefthand.reason.explain import how_clear
from lefthand.reason.looks import STAGE_CHANGE_SECONDS
from lefthand.values.said import cause, said
from lefthand.values.vocabulary import Stage
from lefthand.words.words import words_of
from studio.lessons.cases import LessonView
from studio.memory.findings import findings_of
from studio.models import Lesson

CHECKS_AGAIN = 5


@dataclass(frozen=True)
class Look:
    """Checks to make now. `again`: made in the last lesson and repeated to compare; these may be of
    several stages, in their order, and `stage` is the first. `whys`: each comes now, in one line;
    what is missing there the diagnosis says."""

    again: bool
    stage: Stage
    checks: tuple[str, ...]
    seconds: int
    whys: Mapping[str, str] = field(default_factory=dict)


def lesson_look(view: LessonView, last: Lesson | None) -> Look | None:
    """First what settles, then the complaint, then the checks that are to be made again; once the
    lesson looks, what something waits for comes before these; then the engine's."""
    settling = _settling(view)
    if settling is not None:
        return settling
    waits = view.diagnosis.awaited and (view.case.findings or _is_complaint_first(view))
    again = _again(view, last) if last is not None and not waits else None
    if again is not None:
        return again
    found = view.diagnosis.next_look
    return Look(False, found.stage, found.checks, found.seconds) if found else None


def _is_complaint_first(view: LessonView) -> bool:
    return view.diagnosis.awaited[:1] == (view.case.complaint,)


def _settling(view: LessonView) -> Look | None:
    """The trials that settle the causes of exercises after which nothing has changed."""
    done = set(view.case.findings) | set(view.lesson.skipped)
    stuck = [r.exercise for r in view.review if r.advice.move is Move.LOOK_AGAIN]
    causes = dict.fromkeys(exercise.aims[0] for exercise in stuck)
    trials = (open_settling_trial(c, view.catalogue, view.case, done) for c in causes)
    checks = tuple(dict.fromkeys(trial for trial in trials if trial is not None))
    if not checks:
        return None
    seconds = sum(view.catalogue.evidence[name].seconds for name in checks)
    why = words_of(said("look-no-change", lessons=LESSONS_WITHOUT_CHANGE))
    return Look(False, Stage.TRIAL, checks, seconds, dict.fromkeys(checks, why))


def _last_time(evidence: Evidence, grade: int) -> str:
    return words_of(said("seen-last-time", how=how_clear(evidence, grade)))


def _again(view: LessonView, last: Lesson) -> Look | None:
    """The next checks that found something last time or are due again, from far to near."""
    done = set(view.case.findings) | set(view.lesson.skipped)
    found = {
        name: _last_time(view.catalogue.evidence[name], finding.grade)
        for name, finding in findings_of(last).items()
        if finding.grade > 0
    }
    due = {
        sign: words_of(said("look-due", cause=cause(each.kept.cause)))
        for each in view.history.reminders
        if each.is_due
        for sign in each.kept.signs
    }
    whys = {**due, **found}
    left = [
        view.catalogue.evidence[name]
        for name in whys
        if name not in done and not view.catalogue.evidence[name].is_trial
    ]
    if not left:
        return None
    order = list(Stage)
    checks = sorted(left, key=lambda e: order.index(e.stage))[:CHECKS_AGAIN]
    changes = len({e.stage for e in checks}) - 1
    seconds = sum(e.seconds for e in checks) + changes * STAGE_CHANGE_SECONDS
    return Look(True, checks[0].stage, tuple(e.id for e in checks), seconds, whys)
