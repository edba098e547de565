"""Pictures of a player's hand: kept when the teacher says so, served to that teacher alone."""

from django.http import HttpRequest, HttpResponse
from ninja import File, Form, Router
from ninja.files import UploadedFile

from api.days import today
from api.hands.present import angles_of
from api.pictures.schemas import PictureIn, PictureOut
from api.uploads import bytes_of
from studio.lessons.access import player_of
from studio.models import HandPicture, Player
from studio.pictures.pictures import (
    LARGEST_FILE,
    Kept,
    keep_picture,
    picture_of,
    pictures_of,
    points_on,
)
from studio.players.erasing import empty_log
from studio.players.leave import PICTURE, need_leave

router = Router(tags=["pictures"])


@router.get("/{int:player_id}/pictures", response=list[PictureOut])
def read_pictures(request: HttpRequest, player_id: int) -> list[PictureOut]:
    """The pictures of a player, oldest first."""
    return _out(player_of(request.user, player_id))


@router.post("/{int:player_id}/pictures", response=list[PictureOut])
def keep(
    request: HttpRequest, player_id: int, file: File[UploadedFile], told: Form[PictureIn]
) -> list[PictureOut]:
    """Keep a JPEG, PNG or WebP picture that is cut to the hand."""
    player = player_of(request.user, player_id)
    need_leave(player, PICTURE)
    keep_picture(player, bytes_of(file, LARGEST_FILE), Kept(date=today(request), **told.dict()))
    return _out(player)


@router.get(
    "/{int:player_id}/pictures/{name}",
    openapi_extra={"responses": {200: {"content": {"image/jpeg": {}}}}},
)
def read_picture(request: HttpRequest, player_id: int, name: str) -> HttpResponse:
    """The picture itself, as it is kept."""
    picture = picture_of(player_of(request.user, player_id), name)
    response = HttpResponse(bytes(picture.image), content_type="image/jpeg")
    # Nothing of it stays in a browser that others use too.
    response["Cache-Control"] = "private, no-store"
    return response


@router.delete("/{int:player_id}/pictures/{name}", response=list[PictureOut])
def remove(request: HttpRequest, player_id: int, name: str) -> list[PictureOut]:
    """What is gone already stays gone."""
    player = player_of(request.user, player_id)
    picture_of(player, name).delete()
    empty_log()
    return _out(player)


def _out(player: Player) -> list[PictureOut]:
    return [_one(picture) for picture in pictures_of(player)]


def _one(picture: HandPicture) -> PictureOut:
    return PictureOut(
        name=picture.name,
        date=picture.date,
        measure=picture.measure,
        finger=picture.finger,
        words=picture.words,
        width=picture.width,
        height=picture.height,
        points=picture.points,
        angles=angles_of(points_on(picture)) if picture.points else [],
    )
