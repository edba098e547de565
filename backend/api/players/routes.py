"""The day's list and the players' pages."""

from django.conf import settings
from django.http import HttpRequest, HttpResponse, JsonResponse
from ninja import File, Router
from ninja.files import UploadedFile

from api.brief.present import flag_out
from api.brief.schemas import FlagOut
from api.careful import json_of
from api.days import today
from api.desk.schemas import WayIn
from api.lessons.present import lesson_out
from api.lessons.schemas import LessonOut
from api.players.present import day_row, player_out
from api.players.schemas import (
    AwayIn,
    BodyNoteIn,
    DayOut,
    ErasedOut,
    FreeTimeOut,
    ImportedOut,
    LiftIn,
    LineOut,
    PlayerIn,
    PlayerOut,
)
from studio.desk.desk import set_players_way
from studio.errors import StudioError
from studio.keeping.copies import copies_beside
from studio.keeping.line import in_line
from studio.lessons.access import lesson_of, player_of, start_lesson
from studio.lessons.flags import lift_flags
from studio.memory.body import note_on_body
from studio.players.arriving import nobody_is_gone, read_player_file
from studio.players.erasing import erase_player
from studio.players.file import player_file
from studio.players.kept_time import tell_or_erase, words_of
from studio.players.players import save_player
from studio.today.attention import lines_today
from studio.today.day_list import day_rows
from studio.today.holidays import holiday_on
from studio.today.timetable import change_lesson, free_times, take_back_change

router = Router(tags=["players"])


@router.get("/today", response=DayOut)
def read_day(request: HttpRequest) -> DayOut:
    """The day of the teacher, whoever comes first."""
    on = today(request)
    rows = day_rows(request.user, on)
    holiday = holiday_on(request.user, on)
    return DayOut(
        date=on,
        holiday_until=holiday.last if holiday else None,
        rows=[day_row(row, on) for row in rows],
        lines=[
            LineOut(player=line.player.pk, name=line.player.name, words=line.words)
            for line in lines_today(rows, on)
        ]
        + [
            LineOut(player=kept.player.pk, name=kept.player.name, words=words_of(kept, on))
            for kept in tell_or_erase(request.user, on)
        ],
        free=[
            FreeTimeOut(on=free.on, at=f"{free.at:%H:%M}") for free in free_times(request.user, on)
        ],
    )


@router.post("", response=PlayerOut)
def add_player(request: HttpRequest, data: PlayerIn) -> PlayerOut:
    """A new player; only name and instrument are needed."""
    on = today(request)
    return player_out(save_player(request.user, None, data.dict(), on), on)


@router.post("/file", response=ImportedOut)
@in_line
def bring_in(request: HttpRequest, file: File[UploadedFile]) -> ImportedOut:
    """A player from a player file, of another teacher or another computer."""
    is_gone = request.META.get("waitress.client_disconnected", nobody_is_gone)
    found = read_player_file(request.user, json_of(file), today(request), is_gone)
    return ImportedOut(player=found.player.pk, name=found.player.name, left_out=found.left_out)


@router.post("/{int:player_id}", response=PlayerOut)
def change_player(request: HttpRequest, player_id: int, data: PlayerIn) -> PlayerOut:
    """Change the plain facts of a player."""
    player, on = player_of(request.user, player_id), today(request)
    return player_out(save_player(request.user, player, data.dict(), on), on)


@router.get("/{int:player_id}", response=PlayerOut)
def read_player(request: HttpRequest, player_id: int, whole: bool = False) -> PlayerOut:
    """`whole`: with all lessons, not only the newest."""
    return player_out(player_of(request.user, player_id), today(request), whole=whole)


@router.post("/{int:player_id}/lessons", response=LessonOut)
def begin_lesson(request: HttpRequest, player_id: int) -> LessonOut:
    """Today's lesson of this player, begun if need be."""
    lesson = start_lesson(player_of(request.user, player_id), today(request))
    return lesson_out(lesson_of(request.user, lesson.pk))


@router.post("/{int:player_id}/away", response={204: None})
def be_away(request: HttpRequest, player_id: int, data: AwayIn) -> tuple[int, None]:
    """Today's lesson falls out, or is at another time."""
    change_lesson(player_of(request.user, player_id), today(request), data.to, data.at)
    return 204, None


@router.delete("/{int:player_id}/away", response={204: None})
def be_here_after_all(request: HttpRequest, player_id: int) -> tuple[int, None]:
    """Take back that a lesson falls out or is moved."""
    take_back_change(player_of(request.user, player_id), today(request))
    return 204, None


@router.post("/{int:player_id}/way", response=PlayerOut)
def choose_way(request: HttpRequest, player_id: int, data: WayIn) -> PlayerOut:
    """A way of teaching for this player alone; no value goes back to the teacher's own."""
    player = player_of(request.user, player_id)
    return player_out(set_players_way(player, data.key, data.value), today(request))


@router.post("/{int:player_id}/lift-flag", response=FlagOut)
def lift(request: HttpRequest, player_id: int, data: LiftIn) -> FlagOut:
    """Lift every stop that the teacher had read, with one note."""
    player = player_of(request.user, player_id)
    return flag_out(lift_flags(player, note=data.note, on=today(request), seen=data.reasons))


@router.post("/{int:player_id}/body", response={204: None})
def note_body(request: HttpRequest, player_id: int, data: BodyNoteIn) -> tuple[int, None]:
    """Lift what is known of the body, or note what a clinician allows, with a dated note."""
    player = player_of(request.user, player_id)
    note_on_body(player, **data.dict(), on=today(request))
    return 204, None


@router.get(
    "/{int:player_id}/file",
    openapi_extra={"responses": {200: {"content": {"application/json": {}}}}},
)
def read_file(
    request: HttpRequest,
    player_id: int,
    pictures: bool = False,
    sounds: bool = False,
    scores: bool = False,
) -> HttpResponse:
    """Everything that is kept of the player, to take along; `pictures` of the hand, `sounds` of
    takes and `scores` of pieces on request."""
    player = player_of(request.user, player_id)
    told = player_file(player, pictures=pictures, sounds=sounds, scores=scores)
    response = JsonResponse(told, json_dumps_params={"indent": 2})
    response["Content-Disposition"] = f'attachment; filename="player-{player_id}.json"'
    return response


@router.delete("/{int:player_id}", response=ErasedOut)
def erase(request: HttpRequest, player_id: int, name: str) -> ErasedOut:
    """The player and every record. `name` must be the player's, so that nobody goes by mistake."""
    player = player_of(request.user, player_id)
    if name.strip() != player.name:
        raise StudioError("bad_input", "name", "type the player's name as it stands here")
    is_gone = erase_player(player)
    copies = copies_beside(settings.DATABASE_FILE)
    return ErasedOut(is_gone_from_log=is_gone, copies=[copy.made.date() for copy in copies])
