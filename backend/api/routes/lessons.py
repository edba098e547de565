"""A lesson: reading it, one entry at a time, undo."""

from django.http import HttpRequest
from ninja import Router

from api.present import lesson_out
from api.schemas import EntryIn, LessonOut
from studio.services.entries import record, undo
from studio.services.lessons import lesson_of

router = Router(tags=["lessons"])


@router.get("/{int:lesson_id}", response=LessonOut)
def read_lesson(request: HttpRequest, lesson_id: int) -> LessonOut:
    return lesson_out(lesson_of(request.user, lesson_id))


@router.post("/{int:lesson_id}/entries", response=LessonOut)
def add_entry(request: HttpRequest, lesson_id: int, data: EntryIn) -> LessonOut:
    lesson = lesson_of(request.user, lesson_id)
    record(lesson.pk, client_key=data.client_key, kind=data.kind, key=data.key, value=data.value)
    return lesson_out(lesson_of(request.user, lesson_id))


@router.post("/{int:lesson_id}/undo", response=LessonOut)
def undo_entry(request: HttpRequest, lesson_id: int) -> LessonOut:
    undo(lesson_of(request.user, lesson_id).pk)
    return lesson_out(lesson_of(request.user, lesson_id))
