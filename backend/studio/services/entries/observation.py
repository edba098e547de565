"""A finding: a grade, a measured value, or either for one finger ("tip.gives/4")."""

from typing import Any

from django.db.models import Max

from lefthand.case import check_evidence_id, parse_finding
from lefthand.catalogue import load_catalogue
from lefthand.errors import InputError
from lefthand.vocabulary import FINGERS
from studio.models import Lesson, Observation
from studio.services.entries.kind import EntryKind, instrument_of


def _split(key: str) -> tuple[str, str]:
    evidence, _, finger = key.partition("/")
    return evidence, finger


def _read(lesson: Lesson, key: str) -> Any:
    evidence, finger = _split(key)
    stored = lesson.observations.filter(evidence=evidence).first()
    if stored is None:
        return None
    if not finger:
        return stored.entered
    return stored.entered.get(finger) if isinstance(stored.entered, dict) else None


def _write(lesson: Lesson, key: str, value: Any) -> None:
    name, finger = _split(key)
    evidence = check_evidence_id("evidence", name, load_catalogue(), instrument_of(lesson))
    stored = lesson.observations.filter(evidence=evidence.id).first()
    entered = value
    if finger:
        if finger not in {str(f) for f in FINGERS}:
            raise InputError(f"evidence.{key}", "expected a finger 1 to 4")
        fingers = dict(stored.entered) if stored and is_by_finger(stored.entered) else {}
        fingers.pop(finger, None)
        entered = {**fingers, **({finger: value} if value is not None else {})} or None
    if entered is None:
        lesson.observations.filter(evidence=evidence.id).delete()
        return
    parse_finding(entered, evidence)
    if stored is not None:
        stored.entered = entered
        stored.save(update_fields=["entered"])
        return
    last = lesson.observations.aggregate(last=Max("position"))["last"] or 0
    Observation.objects.create(
        lesson=lesson, evidence=evidence.id, entered=entered, position=last + 1
    )


def is_by_finger(entered: Any) -> bool:
    return isinstance(entered, dict) and "value" not in entered


OBSERVATION = EntryKind("grade", _read, _write)
