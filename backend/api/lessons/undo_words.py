"""What undo would take back, in words."""

from collections.abc import Mapping
from typing import Any

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.said import evidence as named_evidence
from lefthand.words import beside, told
from studio.entries import KINDS
from studio.models import LessonEntry

MOST_GRADE = 3
CAUSE_WORDS = {
    "pinned": "undo-cause-pinned",
    "dismissed": "undo-cause-dismissed",
    "open": "undo-cause-open",
}


def undo_words(entry: LessonEntry, given: Mapping[str, str]) -> str:
    """As short as a button: what was entered, and where it has a name, of what. `given`: names of
    last week's exercises by the key of their entries."""
    if entry.kind == "result" and entry.key in given:
        return told(_shown(entry.after), exercise=given[entry.key])
    words = _WORDS.get(entry.kind)
    found = words(entry.key, entry.after) if words else ""
    return found or KINDS[entry.kind].words


def _shown(after: Any) -> str:
    if not isinstance(after, dict):
        return "undo-result-back"
    return "undo-result-shown" if after.get("passed") else "undo-result-not-yet"


def _observation(key: str, after: Any) -> str:
    name, _, finger = key.partition("/")
    evidence = load_catalogue().evidence.get(name)
    if evidence is None:
        return ""
    found = _found(after, "undo-trial" if evidence.is_trial else "grade")
    if finger:
        return told("undo-look-finger", check=evidence.label, finger=finger, found=found)
    return told("undo-look", check=evidence.label, found=found)


def _found(after: Any, kind: str) -> str:
    if isinstance(after, int) and 0 <= after <= MOST_GRADE:
        return told(f"{kind}-{after}")
    if after is None:
        return told("undo-taken-back")
    if isinstance(after, dict) and "value" in after:
        return f"{after['value']}"
    return told("undo-entered")


def _skip(key: str, after: Any) -> str:
    evidence = load_catalogue().evidence.get(key)
    message = "undo-skipped" if after else "undo-not-skipped"
    return told(message, check=evidence.label) if evidence else ""


def _complaint(_key: str, after: Any) -> str:
    evidence = load_catalogue().evidence.get(after or "")
    if evidence is None:
        return told("undo-complaint-back")
    return told("undo-complaint", check=named_evidence(evidence.id))


def _cause(key: str, after: Any) -> str:
    cause = load_catalogue().causes.get(key)
    word = after.get("word") if isinstance(after, dict) else None
    message = CAUSE_WORDS.get(word or "", "undo-cause-back")
    return told(message, cause=cause.name) if cause else ""


def _focus(_key: str, after: Any) -> str:
    causes = load_catalogue().causes
    names = tuple(causes[name].name for name in after or [] if name in causes)
    return told("undo-focus", causes=names) if names else told("undo-no-focus")


def _disliked(key: str, after: Any) -> str:
    exercise = load_catalogue().exercises.get(key)
    message = "undo-disliked" if after else "undo-liked"
    return told(message, exercise=exercise.name) if exercise else ""


def _plan(_key: str, after: Any) -> str:
    exercises = load_catalogue().exercises
    names = [exercises[row["exercise"]].name for row in after or [] if row["exercise"] in exercises]
    return told("undo-week", exercises=beside(names)) if names else told("undo-week-back")


_WORDS = {
    "observation": _observation,
    "skip": _skip,
    "complaint": _complaint,
    "cause": _cause,
    "focus": _focus,
    "disliked": _disliked,
    "plan": _plan,
}
