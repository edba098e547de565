"""The teacher's word on a cause, and the focus that was decided."""

from typing import Any

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.reason.focus import MAX_FOCUS
from lefthand.values.errors import InputError
from lefthand.values.fields import read_mapping, read_words
from studio.entries.focus import read_focus, write_focus
from studio.entries.kind import EntryKind, instrument_of
from studio.entries.opened import Opened
from studio.models import CauseWord

MAX_WHY = 200


def _read_cause(opened: Opened, key: str) -> Any:
    word = next((each for each in opened.words if each.cause == key), None)
    return {"word": word.word, "why": word.why} if word else None


def _write_cause(opened: Opened, key: str, value: Any) -> None:
    cause = load_catalogue().causes.get(key)
    if cause is None or instrument_of(opened) not in cause.instruments:
        raise InputError("cause", f"unknown cause {key!r}")
    others = [each for each in opened.words if each.cause != cause.id]
    if value is None:
        opened.lesson.cause_words.filter(cause=cause.id).delete()
        opened.has_now("cause_words", others)
        return
    data = read_mapping("cause", value)
    word = data.get("word")
    if word not in ("pinned", "dismissed", "open"):
        raise InputError("cause.word", f"expected pinned, dismissed or open, got {word!r}")
    why = read_words("cause.why", [data.get("why", "")])[0]
    if len(why) > MAX_WHY:
        raise InputError("cause.why", f"expected at most {MAX_WHY} characters, got {len(why)}")
    said, _ = CauseWord.objects.update_or_create(
        lesson=opened.lesson, cause=cause.id, defaults={"word": word, "why": why}
    )
    opened.has_now("cause_words", [*others, said])
    if word == "dismissed":
        opened.lesson.focuses.filter(cause=cause.id).delete()
        opened.has_now("focuses", [each for each in opened.focuses if each.cause != cause.id])


def _restore_focus(opened: Opened, before: Any) -> None:
    """The focus that a dismissal had dropped."""
    if read_focus(opened) != before:
        write_focus(opened, before or [])


def _read_focus(opened: Opened, _key: str) -> Any:
    return read_focus(opened)


def _write_focus(opened: Opened, _key: str, value: Any) -> None:
    causes = read_words("focus", value if value is not None else [])
    if len(causes) > MAX_FOCUS:
        raise InputError("focus", f"expected at most {MAX_FOCUS} causes, got {len(causes)}")
    if len(set(causes)) != len(causes):
        raise InputError("focus", "the same cause stands twice")
    write_focus(opened, causes)


CAUSE = EntryKind(
    "word on a cause", _read_cause, _write_cause, read_focus, _restore_focus, weighs=False
)
FOCUS = EntryKind("focus", _read_focus, _write_focus, weighs=False)
