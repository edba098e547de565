"""Shapes of the pictures that a teacher keeps of a hand."""

import datetime

from ninja import Field, Schema
from pydantic import Json

from api.hands.schemas import AngleOut


class PictureIn(Schema):
    """Beside the picture itself. `points`: JSON of points in pixels of the picture as it is sent,
    `{"4.tip": [x, y]}`. `measure`: what was measured on it; `finger`: on which one."""

    measure: str = Field("", max_length=20)
    finger: int | None = Field(None, ge=1, le=4)
    points: Json[dict[str, list[float]]] = Field({}, max_length=30)
    words: str = Field("", max_length=120)


class PictureOut(Schema):
    """`name`: its address below the player's pictures. `angles`: what its points tell."""

    name: str
    date: datetime.date
    measure: str
    finger: int | None
    words: str
    width: int
    height: int
    points: dict[str, list[float]]
    angles: list[AngleOut]
