"""A finding: a grade, a measured value, or either for one finger ("tip.gives/4").

A value is kept with the grade that it had when it was entered, so that other edges later do not
read as a change in the player.
"""

from typing import Any

from lefthand.case.findings import check_evidence_id, is_by_finger, parse_finding, with_grades
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import FINGERS
from studio.entries.kind import EntryKind, instrument_of
from studio.entries.opened import Opened
from studio.memory.findings import grading_of
from studio.models import Observation


def _split(key: str) -> tuple[str, str]:
    evidence, _, finger = key.partition("/")
    return evidence, finger


def _read(opened: Opened, key: str) -> Any:
    evidence, finger = _split(key)
    stored = _stored(opened, evidence)
    if stored is None:
        return None
    if not finger:
        return stored.entered
    return stored.entered.get(finger) if isinstance(stored.entered, dict) else None


def _stored(opened: Opened, evidence: str) -> Observation | None:
    return next((each for each in opened.observations if each.evidence == evidence), None)


def _write(opened: Opened, key: str, value: Any) -> None:
    name, finger = _split(key)
    evidence = check_evidence_id("evidence", name, load_catalogue(), instrument_of(opened))
    stored = _stored(opened, evidence.id)
    entered = value
    if finger:
        if finger not in {str(f) for f in FINGERS}:
            raise InputError(f"evidence.{key}", "expected a finger 1 to 4")
        fingers = dict(stored.entered) if stored and is_by_finger(stored.entered) else {}
        fingers.pop(finger, None)
        entered = {**fingers, **({finger: value} if value is not None else {})} or None
    if entered is None:
        if stored is not None:
            left = [each for each in opened.observations if each != stored]
            stored.delete()
            opened.has_now("observations", left)
        return
    entered = with_grades(entered, parse_finding(entered, evidence, grading_of(opened.lesson)))
    if stored is not None:
        stored.entered = entered
        stored.save(update_fields=["entered"])
        return
    others = opened.observations
    last = max((each.position for each in others), default=0)
    made = Observation.objects.create(
        lesson=opened.lesson, evidence=evidence.id, entered=entered, position=last + 1
    )
    opened.has_now("observations", [*others, made])


OBSERVATION = EntryKind("grade", _read, _write)
