"""What the lesson before told, of tiredness and of a complaint, and how that is now."""

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.pains import GONE
from studio.models import Lesson

TIRED, COMPLAINED = "tired", "complaint"


def was_tired(last: Lesson) -> bool:
    return last.reports.get("tired_next_day") is True or _goes_on(last, TIRED)


def is_still_tired(lesson: Lesson) -> bool:
    return _goes_on(lesson, TIRED)


def own_complaint(last: Lesson) -> str | None:
    """The check that its complaint speaks of, where this instrument has it."""
    evidence = load_catalogue().evidence.get(last.complaint)
    if evidence is None or last.player.instrument not in evidence.instruments:
        return None
    return evidence.id


def complaint_of(lesson: Lesson, last: Lesson | None) -> str | None:
    """The lesson's own complaint, else that of last time where it is not gone."""
    own = own_complaint(lesson)
    if own is not None or last is None or not _goes_on(lesson, COMPLAINED):
        return own
    return own_complaint(last)


def _goes_on(lesson: Lesson, key: str) -> bool:
    return bool(lesson.again.get(key, GONE) != GONE)
