"""Pictures of the hand that a teacher keeps: looked through, cut, and never more than asked for."""

import base64
import binascii
import secrets
import warnings
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date
from io import BytesIO
from typing import Any

from django.db.models import QuerySet
from PIL import Image, UnidentifiedImageError

from lefthand.picture.points import Points, points_of
from lefthand.values.errors import InputError
from lefthand.values.measures import ON_PICTURES
from lefthand.values.vocabulary import Instrument
from studio.errors import StudioError
from studio.models import HandPicture, Player

KINDS = ("JPEG", "PNG", "WEBP")
LARGEST_FILE = 3_000_000  # bytes
LARGEST_SIDE = 2400  # pixels of what is taken; the browser sends a cut of the hand alone
KEPT_SIDE = 1200  # pixels of what is kept
QUALITY = 85
MOST_PICTURES = 200  # of one player
MOST_WORDS = 120


@dataclass(frozen=True)
class Kept:
    """What is told of a picture beside the picture; `points` in pixels of the cut that is sent."""

    date: date
    measure: str = ""
    finger: int | None = None
    points: Mapping[str, Any] | None = None
    words: str = ""


def pictures_of(player: Player) -> QuerySet[HandPicture]:
    """Without the images themselves."""
    return player.pictures.defer("image")


def picture_of(player: Player, name: str) -> HandPicture:
    """With its image. Raises StudioError."""
    found = player.pictures.filter(name=name).first()
    if found is None:
        raise StudioError("not_found", "picture")
    return found


def points_on(picture: HandPicture) -> Points:
    """Raises InputError for what is no point of a picture."""
    return _points(picture.player, picture.points, picture.width, picture.height)


def keep_picture(player: Player, data: bytes, told: Kept) -> HandPicture:
    """Keep a cut of the hand. It is drawn anew, so that place, time and camera stay behind.

    Raises StudioError naming the field.
    """
    if player.pictures.count() >= MOST_PICTURES:
        raise StudioError("conflict", "picture", f"there are {MOST_PICTURES} pictures: remove some")
    if told.measure and told.measure not in ON_PICTURES:
        raise StudioError("bad_input", "measure", "unknown measure")
    image, size = _redrawn(data)
    try:
        points = _points(player, told.points or {}, *size)
    except InputError as error:
        raise StudioError("bad_input", error.field, error.problem) from error
    scale = image.width / size[0]
    return HandPicture.objects.create(
        player=player,
        name=secrets.token_urlsafe(32),
        date=told.date,
        measure=told.measure,
        finger=told.finger,
        points={n: [round(p.x * scale, 2), round(p.y * scale, 2)] for n, p in points.at.items()},
        width=image.width,
        height=image.height,
        words=told.words[:MOST_WORDS],
        image=_jpeg(image),
    )


def keep_from_file(player: Player, text: str, told: Kept) -> HandPicture:
    """The same from base64 text. Raises StudioError."""
    if len(text) > LARGEST_FILE * 4 // 3 + 4:
        raise _refused(f"expected at most {LARGEST_FILE // 1_000_000} MB")
    try:
        data = base64.b64decode(text, validate=True)
    except (binascii.Error, ValueError) as error:
        raise _refused("is not base64") from error
    return keep_picture(player, data, told)


def _points(player: Player, points: Mapping[str, Any], width: int, height: int) -> Points:
    return points_of(Instrument(player.instrument), width, height, points)


def _redrawn(data: bytes) -> tuple[Image.Image, tuple[int, int]]:
    """The picture without anything beside it, and the size it came in. The size is read before
    any of it is unpacked, so that a small file cannot grow."""
    if len(data) > LARGEST_FILE:
        raise _refused(f"expected at most {LARGEST_FILE // 1_000_000} MB")
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error")
            found = Image.open(BytesIO(data), formats=KINDS)
            size = found.size
            if max(size) > LARGEST_SIDE:
                raise _refused(f"expected at most {LARGEST_SIDE} pixels a side")
            if getattr(found, "n_frames", 1) > 1:
                raise _refused("moves: expected one still picture")
            image = found.convert("RGB")
    except Image.DecompressionBombError as error:
        raise _refused(f"expected at most {LARGEST_SIDE} pixels a side") from error
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError, Warning) as error:
        raise _refused("is no JPEG, PNG or WebP picture that can be read") from error
    image.thumbnail((KEPT_SIDE, KEPT_SIDE))
    return image, size


def _jpeg(image: Image.Image) -> bytes:
    written = BytesIO()
    plain = Image.new("RGB", image.size)
    plain.paste(image)
    plain.save(written, "JPEG", quality=QUALITY)
    return written.getvalue()


def _refused(problem: str) -> StudioError:
    return StudioError("bad_input", "picture", problem)
