"""Recordings in a lesson: the sound is measured and let go, what it told is kept."""

from django.http import HttpRequest, HttpResponse
from ninja import File, Form, Router
from ninja.files import UploadedFile

from api.takes.present import takes_out
from api.takes.schemas import CurveOut, PartIn, TakesOut
from api.uploads import bytes_of
from studio.errors import StudioError
from studio.keeping.line import in_line
from studio.lessons.access import lesson_of
from studio.models import KeptSound, Lesson
from studio.players.erasing import empty_log
from studio.players.leave import SOUND, need_leave
from studio.takes.kept_sounds import keep_sound, sound_of
from studio.takes.takes import LARGEST_FILE, measure, simulate, take_of

router = Router(tags=["takes"])


@router.get("/{int:lesson_id}/takes/{evidence}", response=TakesOut)
def read_takes(request: HttpRequest, lesson_id: int, evidence: str) -> TakesOut:
    """The takes of a lesson for one check, and what they tell together."""
    return _out(request, lesson_of(request.user, lesson_id), evidence)


@router.post("/{int:lesson_id}/takes/{evidence}", response=TakesOut)
@in_line
def add_take(
    request: HttpRequest,
    lesson_id: int,
    evidence: str,
    file: File[UploadedFile],
    told: Form[PartIn],
) -> TakesOut:
    """Measure a recording of the drill: any usual sound file, 60 s at most."""
    lesson = lesson_of(request.user, lesson_id)
    sound = bytes_of(file, LARGEST_FILE)
    measure(lesson, evidence, told.part, sound, is_changed=told.is_changed)
    return _out(request, lesson, evidence)


@router.post("/{int:lesson_id}/takes/{evidence}/simulated", response=TakesOut)
@in_line
def add_simulated_take(
    request: HttpRequest, lesson_id: int, evidence: str, told: PartIn
) -> TakesOut:
    """For a practice player a made-up one plays in the place of a microphone."""
    lesson = lesson_of(request.user, lesson_id)
    simulate(lesson, evidence, told.part, is_changed=told.is_changed)
    return _out(request, lesson, evidence)


@router.delete("/{int:lesson_id}/takes/{evidence}/{int:take_id}", response=TakesOut)
def remove_take(request: HttpRequest, lesson_id: int, evidence: str, take_id: int) -> TakesOut:
    """What is gone already stays gone."""
    lesson = lesson_of(request.user, lesson_id)
    take_of(lesson, take_id).delete()
    empty_log()
    return _out(request, lesson, evidence)


@router.get("/{int:lesson_id}/takes/{evidence}/{int:take_id}/curve", response=CurveOut)
def read_curve(
    request: HttpRequest, lesson_id: int, evidence: str, take_id: int
) -> dict[str, object]:
    """Pitch and level of one take, to be drawn."""
    take = take_of(lesson_of(request.user, lesson_id), take_id)
    if take.curve is None:
        raise StudioError("not_found", "curve")
    return dict(take.curve)


@router.post("/{int:lesson_id}/takes/{evidence}/{int:take_id}/sound", response=TakesOut)
def keep(
    request: HttpRequest,
    lesson_id: int,
    evidence: str,
    take_id: int,
    file: File[UploadedFile],
) -> TakesOut:
    """Keep the sound of a take; without this it is let go once it is measured."""
    lesson = lesson_of(request.user, lesson_id)
    need_leave(lesson.player, SOUND)
    keep_sound(take_of(lesson, take_id), bytes_of(file, LARGEST_FILE))
    return _out(request, lesson, evidence)


@router.delete("/{int:lesson_id}/takes/{evidence}/{int:take_id}/sound", response=TakesOut)
def let_go(request: HttpRequest, lesson_id: int, evidence: str, take_id: int) -> TakesOut:
    """Do not keep the sound of this take any longer; its numbers stay."""
    lesson = lesson_of(request.user, lesson_id)
    KeptSound.objects.filter(take=take_of(lesson, take_id)).delete()
    empty_log()
    return _out(request, lesson, evidence)


@router.get(
    "/{int:lesson_id}/takes/{evidence}/{int:take_id}/sound/{name}",
    openapi_extra={"responses": {200: {"content": {"audio/flac": {}}}}},
)
def read_sound(
    request: HttpRequest, lesson_id: int, evidence: str, take_id: int, name: str
) -> HttpResponse:
    """The kept sound, as FLAC; 404 where none was kept."""
    kept = sound_of(take_of(lesson_of(request.user, lesson_id), take_id), name)
    response = HttpResponse(bytes(kept.flac), content_type="audio/flac")
    # Nothing of it stays in a browser that others use too.
    response["Cache-Control"] = "private, no-store"
    return response


def _out(request: HttpRequest, lesson: Lesson, evidence: str) -> TakesOut:
    return takes_out(lesson, evidence, simulated=lesson.player.is_practice)
