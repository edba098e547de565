"""The look that comes next in a lesson: first the last lesson's checks again, then the engine's."""

from dataclasses import dataclass

from lefthand.looks import MAX_CHECKS
from lefthand.vocabulary import Stage
from studio.models import Lesson
from studio.services.cases import LessonView, findings_of


@dataclass(frozen=True)
class Look:
    """Checks of one stage. `again`: made in the last lesson and repeated to compare."""

    again: bool
    stage: Stage
    checks: tuple[str, ...]
    seconds: int


def lesson_look(view: LessonView, last: Lesson | None) -> Look | None:
    again = _again(view, last) if last is not None else None
    if again is not None:
        return again
    found = view.diagnosis.next_look
    return Look(False, found.stage, found.checks, found.seconds) if found else None


def _again(view: LessonView, last: Lesson) -> Look | None:
    """Checks that found something last time, from the first stage that has any left."""
    done = set(view.case.findings) | set(view.lesson.skipped)
    left = [
        view.catalogue.evidence[name]
        for name, finding in findings_of(last).items()
        if finding.grade > 0 and name not in done and not view.catalogue.evidence[name].is_trial
    ]
    if not left:
        return None
    order = list(Stage)
    stage = min((e.stage for e in left), key=order.index)
    checks = [e for e in left if e.stage is stage][:MAX_CHECKS]
    return Look(True, stage, tuple(e.id for e in checks), sum(e.seconds for e in checks))
