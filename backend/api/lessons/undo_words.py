"""What undo would take back, in words."""

from collections.abc import Mapping
from typing import Any

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.said import said
from lefthand.words.words import words_of
from studio.entries import KINDS
from studio.models import LessonEntry

MOST_GRADE = 3
CAUSE_WORDS = {"pinned": "chosen", "dismissed": "not this", "open": "maybe after all"}


def undo_words(entry: LessonEntry, given: Mapping[str, str]) -> str:
    """As short as a button: what was entered, and where it has a name, of what. `given`: names of
    last week's exercises by the key of their entries."""
    if entry.kind == "result" and entry.key in given:
        return f"{given[entry.key]}: {_shown(entry.after)}"
    words = _WORDS.get(entry.kind)
    told = words(entry.key, entry.after) if words else ""
    return told or KINDS[entry.kind].words


def _shown(after: Any) -> str:
    if not isinstance(after, dict):
        return "taken back"
    return "shown" if after.get("passed") else "not yet"


def _observation(key: str, after: Any) -> str:
    name, _, finger = key.partition("/")
    evidence = load_catalogue().evidence.get(name)
    if evidence is None:
        return ""
    on = f", finger {finger}" if finger else ""
    kind = "undo-trial" if evidence.is_trial else "grade"
    return f"{evidence.label}{on}: {_found(after, kind)}"


def _found(after: Any, kind: str) -> str:
    if isinstance(after, int) and 0 <= after <= MOST_GRADE:
        return words_of(said(f"{kind}-{after}"))
    if after is None:
        return "taken back"
    if isinstance(after, dict) and "value" in after:
        return f"{after['value']}"
    return "entered"


def _skip(key: str, after: Any) -> str:
    evidence = load_catalogue().evidence.get(key)
    said = "cannot see it" if after else "look after all"
    return f"{evidence.label}: {said}" if evidence else ""


def _complaint(_key: str, after: Any) -> str:
    evidence = load_catalogue().evidence.get(after or "")
    return f"complaint: {evidence.label.lower()}" if evidence else "complaint taken back"


def _cause(key: str, after: Any) -> str:
    cause = load_catalogue().causes.get(key)
    word = after.get("word") if isinstance(after, dict) else None
    said = CAUSE_WORDS.get(word or "", "word taken back")
    return f"{cause.name}: {said}" if cause else ""


def _focus(_key: str, after: Any) -> str:
    causes = load_catalogue().causes
    names = [causes[name].name for name in after or [] if name in causes]
    return f"focus: {' and '.join(names)}" if names else "no focus"


def _disliked(key: str, after: Any) -> str:
    exercise = load_catalogue().exercises.get(key)
    said = "not liked" if after else "liked again"
    return f"{exercise.name}: {said}" if exercise else ""


def _plan(_key: str, after: Any) -> str:
    exercises = load_catalogue().exercises
    names = [exercises[row["exercise"]].name for row in after or [] if row["exercise"] in exercises]
    return f"the week: {', '.join(names)}" if names else "the week taken back"


_WORDS = {
    "observation": _observation,
    "skip": _skip,
    "complaint": _complaint,
    "cause": _cause,
    "focus": _focus,
    "disliked": _disliked,
    "plan": _plan,
}
