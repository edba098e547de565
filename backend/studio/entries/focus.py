"""The focus that was decided, stored with the engine's view of it."""

from lefthand.reason.explain import why_focus
from lefthand.values.errors import InputError
from lefthand.words.words import words_of
from studio.entries.opened import Opened
from studio.models import Focus


def read_focus(opened: Opened) -> list[str] | None:
    causes = [focus.cause for focus in opened.focuses]
    return causes or None


def write_focus(opened: Opened, causes: list[str]) -> None:
    """Store the decided causes in order, each with the engine's view of it; [] undecides. What is
    taken as it was proposed follows the theory from then on. Raises InputError."""
    if opened.focuses:
        opened.lesson.focuses.all().delete()
        opened.has_now("focuses", [])
    if not causes:
        return
    view = opened.view()
    follows = causes == [focus.cause for focus in view.diagnosis.focus]
    known = {v.cause: v for v in view.diagnosis.causes}
    for cause in causes:
        if cause not in known:
            raise InputError("focus", f"unknown cause {cause!r}")
    made = [
        Focus(
            lesson=opened.lesson,
            cause=cause,
            rank=rank,
            fingers=list(known[cause].fingers),
            why=words_of(why_focus(known[cause], view.diagnosis.findings, view.catalogue)),
            probability=known[cause].probability,
            is_engines=cause in view.diagnosis.engine_focus,
            follows=follows,
        )
        for rank, cause in enumerate(causes, start=1)
    ]
    opened.has_now("focuses", Focus.objects.bulk_create(made))


def follow_theory(opened: Opened) -> None:
    """Let a focus that was taken as proposed go where the theory has gone since."""
    decided = opened.focuses
    if not decided or not all(focus.follows for focus in decided):
        return
    now = [focus.cause for focus in opened.view().diagnosis.focus]
    if now != [focus.cause for focus in decided]:
        write_focus(opened, now)
