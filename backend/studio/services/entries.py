"""Entries of a lesson: each is saved at once, counts once, and can be undone.

A kind of entry knows how to read what stands there and how to write what shall stand there. Undo
writes back what stood there before.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

from django.db import transaction
from django.db.models import Max

from lefthand.case import check_evidence_id, parse_case, parse_finding
from lefthand.catalogue import load_catalogue
from lefthand.checks import check_choice, check_flag, check_mapping, check_number, check_words
from lefthand.errors import InputError
from lefthand.focus import MAX_FOCUS
from lefthand.looks import LookOrder
from lefthand.vocabulary import FINGERS, Instrument
from studio.errors import StudioError
from studio.models import CauseWord, Lesson, LessonEntry, Observation, PracticeResult
from studio.services.cases import case_data
from studio.services.decisions import read_focus, read_plan, write_focus, write_plan
from studio.services.flags import keep_flag_in_step
from studio.services.history import load_history

UNDO_DEPTH = 20
MAX_LINE = 300
MAX_BREAK_WEEKS = 5000


@dataclass(frozen=True)
class EntryKind:
    read: Callable[[Lesson, str], Any]
    write: Callable[[Lesson, str, Any], None]


def record(lesson_id: int, *, client_key: str, kind: str, key: str, value: Any) -> Lesson:
    """Save one entry and return the lesson. The same `client_key` again changes nothing.

    Raises StudioError naming the field that cannot be used.
    """
    if kind not in KINDS:
        raise StudioError("bad_input", "kind", f"unknown kind {kind!r}")
    with transaction.atomic():
        lesson = Lesson.objects.select_for_update().get(pk=lesson_id)
        if lesson.entries.filter(client_key=client_key).exists():
            return lesson
        before = _read(lesson, kind, key)
        _write(lesson, kind, key, value)
        LessonEntry.objects.create(
            lesson=lesson,
            client_key=client_key,
            kind=kind,
            key=key,
            before=before,
            after=_read(lesson, kind, key),
        )
    return lesson


def undo(lesson_id: int) -> Lesson:
    """Take back the newest entry that is not undone yet, of the last twenty."""
    with transaction.atomic():
        lesson = Lesson.objects.select_for_update().get(pk=lesson_id)
        entry = last_undoable(lesson)
        if entry is None:
            raise StudioError("nothing_to_undo")
        _write(lesson, entry.kind, entry.key, entry.before)
        entry.undone = True
        entry.save(update_fields=["undone"])
    return lesson


def last_undoable(lesson: Lesson) -> LessonEntry | None:
    newest = list(lesson.entries.order_by("-pk")[:UNDO_DEPTH])
    return next((entry for entry in newest if not entry.undone), None)


def _read(lesson: Lesson, kind: str, key: str) -> Any:
    try:
        return KINDS[kind].read(lesson, key)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error


def _write(lesson: Lesson, kind: str, key: str, value: Any) -> None:
    try:
        KINDS[kind].write(lesson, key, value)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    lesson.revision += 1
    lesson.save()


def _instrument(lesson: Lesson) -> Instrument:
    return Instrument(lesson.player.instrument)


def _split(key: str) -> tuple[str, str]:
    """ "tip.gives/4" speaks of one finger of a piece of evidence."""
    evidence, _, finger = key.partition("/")
    return evidence, finger


def _read_observation(lesson: Lesson, key: str) -> Any:
    evidence, finger = _split(key)
    stored = lesson.observations.filter(evidence=evidence).first()
    if stored is None:
        return None
    if not finger:
        return stored.entered
    return stored.entered.get(finger) if isinstance(stored.entered, dict) else None


def _write_observation(lesson: Lesson, key: str, value: Any) -> None:
    name, finger = _split(key)
    evidence = check_evidence_id("evidence", name, load_catalogue(), _instrument(lesson))
    stored = lesson.observations.filter(evidence=name).first()
    entered = value
    if finger:
        if finger not in {str(f) for f in FINGERS}:
            raise InputError(f"evidence.{key}", "expected a finger 1 to 4")
        fingers = dict(stored.entered) if stored and _is_by_finger(stored.entered) else {}
        fingers.pop(finger, None)
        entered = {**fingers, **({finger: value} if value is not None else {})} or None
    if entered is None:
        lesson.observations.filter(evidence=name).delete()
        return
    parse_finding(entered, evidence)
    if stored is not None:
        stored.entered = entered
        stored.save(update_fields=["entered"])
        return
    last = lesson.observations.aggregate(last=Max("position"))["last"] or 0
    Observation.objects.create(lesson=lesson, evidence=name, entered=entered, position=last + 1)


def _is_by_finger(entered: Any) -> bool:
    return isinstance(entered, dict) and "value" not in entered


def _read_reports(lesson: Lesson, _key: str) -> Any:
    return lesson.reports if lesson.asked else None


def _write_reports(lesson: Lesson, _key: str, value: Any) -> None:
    lesson.asked = value is not None
    lesson.reports = dict(check_mapping("reports", value)) if value is not None else {}
    case = parse_case(case_data(lesson, load_history(lesson)), load_catalogue())
    keep_flag_in_step(lesson, case)


def _read_complaint(lesson: Lesson, _key: str) -> Any:
    return lesson.complaint or None


def _write_complaint(lesson: Lesson, _key: str, value: Any) -> None:
    if value is None:
        lesson.complaint = ""
        return
    name = check_words("complaint", [value])[0]
    lesson.complaint = check_evidence_id(
        "complaint", name, load_catalogue(), _instrument(lesson)
    ).id


def _read_skip(lesson: Lesson, key: str) -> Any:
    return key in lesson.skipped


def _write_skip(lesson: Lesson, key: str, value: Any) -> None:
    check_evidence_id("evidence", key, load_catalogue(), _instrument(lesson))
    skipped = [name for name in lesson.skipped if name != key]
    lesson.skipped = [*skipped, key] if check_flag("skip", value) else skipped


def _read_cause(lesson: Lesson, key: str) -> Any:
    word = lesson.cause_words.filter(cause=key).first()
    return {"word": word.word, "why": word.why} if word else None


def _write_cause(lesson: Lesson, key: str, value: Any) -> None:
    cause = load_catalogue().causes.get(key)
    if cause is None or _instrument(lesson) not in cause.instruments:
        raise InputError("cause", f"unknown cause {key!r}")
    if value is None:
        lesson.cause_words.filter(cause=key).delete()
        return
    data = check_mapping("cause", value)
    word = data.get("word")
    if word not in ("pinned", "dismissed"):
        raise InputError("cause.word", f"expected pinned or dismissed, got {word!r}")
    why = check_words("cause.why", [data.get("why", "")])[0][:200]
    CauseWord.objects.update_or_create(
        lesson=lesson, cause=key, defaults={"word": word, "why": why}
    )
    if word == "dismissed":
        lesson.focuses.filter(cause=key).delete()


def _read_result(lesson: Lesson, key: str) -> Any:
    result = lesson.results.filter(item_id=_item_id(key)).first()
    return {"passed": result.passed, "pain": result.pain} if result else None


def _write_result(lesson: Lesson, key: str, value: Any) -> None:
    item_id = _item_id(key)
    reviewed = {
        "item_id": item_id,
        "item__plan__lesson__player": lesson.player,
    }
    if not lesson.player.lessons.filter(plan__items=item_id, date__lt=lesson.date).exists():
        raise InputError("result", "this exercise is not in an earlier plan of this player")
    if value is None:
        PracticeResult.objects.filter(lesson=lesson, **reviewed).delete()
        return
    data = check_mapping("result", value)
    pain = data.get("pain")
    PracticeResult.objects.update_or_create(
        lesson=lesson,
        item_id=item_id,
        defaults={
            "date": lesson.date,
            "passed": check_flag("result.passed", data.get("passed")),
            "pain": None if pain is None else check_number("result.pain", pain, 0, 10),
        },
    )


def _item_id(key: str) -> int:
    if not key.isdigit():
        raise InputError("result", f"expected the number of a plan item, got {key!r}")
    return int(key)


def _read_line(lesson: Lesson, _key: str) -> Any:
    return lesson.teacher_line


def _write_line(lesson: Lesson, _key: str, value: Any) -> None:
    line = check_words("line", [value])[0].strip()
    if len(line) > MAX_LINE:
        raise InputError("line", f"expected at most {MAX_LINE} characters, got {len(line)}")
    lesson.teacher_line = line


def _read_order(lesson: Lesson, _key: str) -> Any:
    return lesson.look_order


def _write_order(lesson: Lesson, _key: str, value: Any) -> None:
    lesson.look_order = check_choice("order", value, LookOrder).value


def _read_harder(lesson: Lesson, _key: str) -> Any:
    return lesson.harder_piece


def _write_harder(lesson: Lesson, _key: str, value: Any) -> None:
    lesson.harder_piece = check_flag("harder", value)


def _read_break(lesson: Lesson, _key: str) -> Any:
    return lesson.break_weeks


def _write_break(lesson: Lesson, _key: str, value: Any) -> None:
    lesson.break_weeks = check_number("break", value, 0, MAX_BREAK_WEEKS)


def _read_disliked(lesson: Lesson, key: str) -> Any:
    return key in lesson.player.disliked


def _write_disliked(lesson: Lesson, key: str, value: Any) -> None:
    if key not in load_catalogue().exercises:
        raise InputError("disliked", f"unknown exercise {key!r}")
    player = lesson.player
    others = [name for name in player.disliked if name != key]
    player.disliked = [*others, key] if check_flag("disliked", value) else others
    player.save(update_fields=["disliked"])


def _read_decided(lesson: Lesson, _key: str) -> Any:
    return read_focus(lesson)


def _write_decided(lesson: Lesson, _key: str, value: Any) -> None:
    causes = check_words("focus", value if value is not None else [])
    if len(causes) > MAX_FOCUS:
        raise InputError("focus", f"expected at most {MAX_FOCUS} causes, got {len(causes)}")
    write_focus(lesson, causes)


def _read_given(lesson: Lesson, _key: str) -> Any:
    return read_plan(lesson)


def _write_given(lesson: Lesson, _key: str, value: Any) -> None:
    write_plan(lesson, value)


KINDS: Mapping[str, EntryKind] = {
    "observation": EntryKind(_read_observation, _write_observation),
    "reports": EntryKind(_read_reports, _write_reports),
    "complaint": EntryKind(_read_complaint, _write_complaint),
    "skip": EntryKind(_read_skip, _write_skip),
    "cause": EntryKind(_read_cause, _write_cause),
    "result": EntryKind(_read_result, _write_result),
    "order": EntryKind(_read_order, _write_order),
    "break": EntryKind(_read_break, _write_break),
    "disliked": EntryKind(_read_disliked, _write_disliked),
    "harder": EntryKind(_read_harder, _write_harder),
    "line": EntryKind(_read_line, _write_line),
    "focus": EntryKind(_read_decided, _write_decided),
    "plan": EntryKind(_read_given, _write_given),
}
