"""What the player answers: reports of the body, a complaint, a break, a harder piece, practice."""

from typing import Any

from lefthand.case.findings import check_evidence_id
from lefthand.case.parsing import parse_case
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.fields import read_flag, read_mapping, read_number, read_one_of, read_words
from studio.models import Lesson
from studio.services.cases import case_data
from studio.services.entries.kind import EntryKind, instrument_of
from studio.services.flags import flag_of_lesson, keep_flag_in_step, restore_flag
from studio.services.history import History
from studio.services.home import days_between, week_before

MAX_BREAK_WEEKS = 5000


def raise_what_is_red(lesson: Lesson) -> None:
    """Raise a flag for what the lesson's answers and results say by now."""
    case = parse_case(case_data(lesson, History(lesson)), load_catalogue())
    keep_flag_in_step(lesson, case)


def _read_reports(lesson: Lesson, _key: str) -> Any:
    return lesson.reports if lesson.asked else None


def _write_reports(lesson: Lesson, _key: str, value: Any) -> None:
    lesson.asked = value is not None
    lesson.reports = dict(read_mapping("reports", value)) if value is not None else {}
    raise_what_is_red(lesson)


def _read_complaint(lesson: Lesson, _key: str) -> Any:
    return lesson.complaint or None


def _write_complaint(lesson: Lesson, _key: str, value: Any) -> None:
    if value is None:
        lesson.complaint = ""
        return
    name = read_words("complaint", [value])[0]
    lesson.complaint = check_evidence_id(
        "complaint", name, load_catalogue(), instrument_of(lesson)
    ).id


def _read_harder(lesson: Lesson, _key: str) -> Any:
    return lesson.harder_piece


def _write_harder(lesson: Lesson, _key: str, value: Any) -> None:
    lesson.harder_piece = read_flag("harder", value)


def _read_break(lesson: Lesson, _key: str) -> Any:
    return lesson.break_weeks


def _write_break(lesson: Lesson, _key: str, value: Any) -> None:
    lesson.break_weeks = None if value is None else read_number("break", value, 0, MAX_BREAK_WEEKS)


def _read_practised(lesson: Lesson, _key: str) -> Any:
    return lesson.practised


def _write_practised(lesson: Lesson, _key: str, value: Any) -> None:
    """Days of the week before, as YYYY-MM-DD; [] for none, None for not asked."""
    if value is None:
        lesson.practised = None
        return
    before = week_before(lesson)
    week = [str(day) for day in days_between(before, lesson)] if before else []
    told = {read_one_of("practised", day, week) for day in read_words("practised", value)}
    lesson.practised = [day for day in week if day in told]


REPORTS = EntryKind("answers", _read_reports, _write_reports, flag_of_lesson, restore_flag)
COMPLAINT = EntryKind("complaint", _read_complaint, _write_complaint)
HARDER = EntryKind("harder piece", _read_harder, _write_harder)
PRACTISED = EntryKind("days practised", _read_practised, _write_practised)
BREAK = EntryKind("break", _read_break, _write_break)
