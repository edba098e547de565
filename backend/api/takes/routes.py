"""Recordings in a lesson: the sound is measured and let go, what it told is kept."""

from django.http import HttpRequest
from ninja import File, Form, Router
from ninja.files import UploadedFile

from api.takes.present import takes_out
from api.takes.schemas import PartIn, TakesOut
from studio.demo_data import DEMO_USERNAME
from studio.errors import StudioError
from studio.models import Lesson
from studio.services.lessons import lesson_of
from studio.services.takes import LARGEST_FILE, measure, simulate, take_of

router = Router(tags=["takes"])


@router.get("/{int:lesson_id}/takes/{evidence}", response=TakesOut)
def read_takes(request: HttpRequest, lesson_id: int, evidence: str) -> TakesOut:
    return _out(request, lesson_of(request.user, lesson_id), evidence)


@router.post("/{int:lesson_id}/takes/{evidence}", response=TakesOut)
def add_take(
    request: HttpRequest,
    lesson_id: int,
    evidence: str,
    file: File[UploadedFile],
    told: Form[PartIn],
) -> TakesOut:
    """Measure a recording of the drill: any usual sound file, 60 s at most."""
    lesson = lesson_of(request.user, lesson_id)
    if file.size is None or file.size > LARGEST_FILE:
        problem = f"expected at most {LARGEST_FILE // 1_000_000} MB"
        raise StudioError("bad_input", "file", problem)
    measure(lesson, evidence, told.part, file.read())
    return _out(request, lesson, evidence)


@router.post("/{int:lesson_id}/takes/{evidence}/simulated", response=TakesOut)
def add_simulated_take(
    request: HttpRequest, lesson_id: int, evidence: str, told: PartIn
) -> TakesOut:
    """In the demo studio a made-up player plays in the place of a microphone."""
    lesson = lesson_of(request.user, lesson_id)
    if not _is_demo(request):
        raise StudioError("not_allowed")
    simulate(lesson, evidence, told.part)
    return _out(request, lesson, evidence)


@router.delete("/{int:lesson_id}/takes/{evidence}/{int:take_id}", response=TakesOut)
def remove_take(request: HttpRequest, lesson_id: int, evidence: str, take_id: int) -> TakesOut:
    lesson = lesson_of(request.user, lesson_id)
    take_of(lesson, take_id).delete()
    return _out(request, lesson, evidence)


def _out(request: HttpRequest, lesson: Lesson, evidence: str) -> TakesOut:
    return takes_out(lesson, evidence, simulated=_is_demo(request))


def _is_demo(request: HttpRequest) -> bool:
    return request.user.get_username() == DEMO_USERNAME
