"""A lesson: reading it, one entry at a time, undo."""

from django.http import HttpRequest
from ninja import Router, Status

from api.lessons.entries import EntryIn
from api.lessons.present import lesson_out, view_out
from api.lessons.schemas import LessonOut, UndoIn
from studio.entries import record, undo
from studio.lessons.access import lesson_of, must_own_lesson, remove_lesson
from studio.lessons.notes import last_time

router = Router(tags=["lessons"])


@router.get("/{int:lesson_id}", response=LessonOut)
def read_lesson(request: HttpRequest, lesson_id: int) -> LessonOut:
    """Everything of one lesson as it follows from its entries; 404 for another teacher's."""
    return lesson_out(lesson_of(request.user, lesson_id))


@router.get("/{int:lesson_id}/last-time", response=list[str])
def read_last_time(request: HttpRequest, lesson_id: int) -> list[str]:
    """What else there was in the lesson before and since, a short line each."""
    return last_time(lesson_of(request.user, lesson_id))


@router.post("/{int:lesson_id}/entries", response=LessonOut)
def add_entry(request: HttpRequest, lesson_id: int, data: EntryIn) -> LessonOut:
    """Keep one entry; sent twice under one key it counts once."""
    must_own_lesson(request.user, lesson_id)
    opened = record(
        lesson_id, client_key=data.client_key, kind=data.kind, key=data.key, value=data.value
    )
    return view_out(opened.view())


@router.post("/{int:lesson_id}/undo", response=LessonOut)
def undo_entry(request: HttpRequest, lesson_id: int, data: UndoIn) -> LessonOut:
    """Take one entry back. The same undo again changes nothing."""
    must_own_lesson(request.user, lesson_id)
    return view_out(undo(lesson_id, client_key=data.client_key, entry_key=data.entry).view())


@router.delete("/{int:lesson_id}", response={204: None})
def remove(request: HttpRequest, lesson_id: int) -> Status[None]:
    """A lesson that was begun by mistake, with all its entries."""
    remove_lesson(lesson_of(request.user, lesson_id))
    return Status(204, None)
