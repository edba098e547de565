"""What the player answers: reports of the body, a complaint, a break, a harder piece, practice."""

from typing import Any

from lefthand.case.findings import check_evidence_id
from lefthand.case.parsing import parse_reports
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.pains import ANSWERS
from lefthand.values.errors import InputError
from lefthand.values.fields import read_flag, read_mapping, read_number, read_one_of, read_words
from lefthand.values.vocabulary import Place
from studio.entries.kind import EntryKind, instrument_of
from studio.entries.opened import Opened
from studio.home.week_at_home import days_between, week_before
from studio.lessons.flags import flag_of_lesson, keep_flag_in_step, restore_flag
from studio.memory.last_time import COMPLAINED, TIRED

MAX_BREAK_WEEKS = 5000
AGAIN_KEYS = (*(place.value for place in Place), TIRED, COMPLAINED)


def raise_what_is_red(opened: Opened) -> None:
    """Raise a flag for what the lesson's answers and results say by now."""
    opened.was_written(weighs=True)
    if keep_flag_in_step(opened.lesson, opened.view().case, opened.flags):
        opened.read_anew("flags")


def _flag(opened: Opened) -> Any:
    return flag_of_lesson(opened.lesson, opened.flags)


def _restore_flag(opened: Opened, before: Any) -> None:
    restore_flag(opened.lesson, before)
    opened.read_anew("flags")


def _read_reports(opened: Opened, _key: str) -> Any:
    return opened.lesson.reports if opened.lesson.asked else None


def _write_reports(opened: Opened, _key: str, value: Any) -> None:
    if value is not None:
        parse_reports(read_mapping("reports", value))
    opened.lesson.asked = value is not None
    opened.lesson.reports = dict(read_mapping("reports", value)) if value is not None else {}
    if value:
        raise_what_is_red(opened)


def _read_complaint(opened: Opened, _key: str) -> Any:
    return opened.lesson.complaint or None


def _write_complaint(opened: Opened, _key: str, value: Any) -> None:
    opened.lesson.complaint_finger = None
    if value is None:
        opened.lesson.complaint = ""
        return
    name = read_words("complaint", [value])[0]
    opened.lesson.complaint = check_evidence_id(
        "complaint", name, load_catalogue(), instrument_of(opened)
    ).id


def _complaint_finger(opened: Opened) -> Any:
    return opened.lesson.complaint_finger


def _restore_complaint_finger(opened: Opened, before: Any) -> None:
    opened.lesson.complaint_finger = before


def _read_finger(opened: Opened, _key: str) -> Any:
    return opened.lesson.complaint_finger


def _write_finger(opened: Opened, _key: str, value: Any) -> None:
    """The finger 1 to 4 in which the complaint shows; None for none."""
    complaint = load_catalogue().evidence.get(opened.lesson.complaint)
    if value is not None and (complaint is None or not complaint.per_finger):
        raise InputError("complaint_finger", "this complaint is not of one finger")
    opened.lesson.complaint_finger = (
        None if value is None else int(read_number("complaint_finger", value, 1, 4, whole=True))
    )


def _read_again(opened: Opened, key: str) -> Any:
    return opened.lesson.again.get(key)


def _write_again(opened: Opened, key: str, value: Any) -> None:
    """How what was told last time is now; `key`: the place of a pain, "tired" or "complaint"."""
    read_one_of("again", key, AGAIN_KEYS)
    told = {name: answer for name, answer in opened.lesson.again.items() if name != key}
    if value is not None:
        told[key] = read_one_of(f"again.{key}", value, ANSWERS)
    opened.lesson.again = told
    raise_what_is_red(opened)


def _read_harder(opened: Opened, _key: str) -> Any:
    return opened.lesson.harder_piece


def _write_harder(opened: Opened, _key: str, value: Any) -> None:
    opened.lesson.harder_piece = read_flag("harder", value)


def _read_break(opened: Opened, _key: str) -> Any:
    return opened.lesson.break_weeks


def _write_break(opened: Opened, _key: str, value: Any) -> None:
    opened.lesson.break_weeks = (
        None if value is None else read_number("break", value, 0, MAX_BREAK_WEEKS)
    )


def _read_practised(opened: Opened, _key: str) -> Any:
    return opened.lesson.practised


def _write_practised(opened: Opened, _key: str, value: Any) -> None:
    """Days of the week before, as YYYY-MM-DD; [] for none, None for not asked."""
    if value is None:
        opened.lesson.practised = None
        return
    before = week_before(opened.lesson)
    week = [str(day) for day in days_between(before, opened.lesson)] if before else []
    told = {read_one_of("practised", day, week) for day in read_words("practised", value)}
    opened.lesson.practised = [day for day in week if day in told]


# How an entry that may raise a stop keeps and puts back what was up before.
FLAG = (_flag, _restore_flag)

REPORTS = EntryKind("answers", _read_reports, _write_reports, *FLAG)
COMPLAINT = EntryKind(
    "complaint", _read_complaint, _write_complaint, _complaint_finger, _restore_complaint_finger
)
COMPLAINT_FINGER = EntryKind("finger of the complaint", _read_finger, _write_finger)
AGAIN = EntryKind("answer", _read_again, _write_again, *FLAG)
HARDER = EntryKind("harder piece", _read_harder, _write_harder)
PRACTISED = EntryKind("days practised", _read_practised, _write_practised)
BREAK = EntryKind("break", _read_break, _write_break)
