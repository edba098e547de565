"""Shapes of how the instrument is fitted to a player."""

import datetime
from typing import Literal

from ninja import Field, Schema


class SetupIn(Schema):
    """One record. `date`: today when it is left out. Lengths in mm, weight in g. `tapes`: distances
    from the nut. `change`: the one thing that was changed."""

    date: datetime.date | None = None
    size: str = Field(default="", max_length=60)
    string_length: float | None = None
    pad: str = Field(default="", max_length=60)
    side: str = Field(default="", max_length=60)
    endpin: str = Field(default="", max_length=60)
    seat: str = Field(default="", max_length=60)
    tapes: list[float] = Field(default=[], max_length=12)
    weight: float | None = None
    change: str = Field(default="", max_length=200)


class SetupOut(SetupIn):
    """`before` and `since`: grades of the signs of a bad fit, by evidence, before it and since.
    `tapes_beside`: each tape beside its computed place, in words."""

    id: int
    date: datetime.date
    judged: str
    before: dict[str, int]
    since: dict[str, int]
    tapes_beside: list[str]


class CentsOut(Schema):
    """What a finger sounds off, in cents, for each mm asked about; empty where the string's length
    is not known."""

    cents: list[float]


class ReachOut(Schema):
    """What the usual frame needs in first position, from the lowest to the highest finger, against
    the hand's span: mm; `percent` of what is needed. `measured_on`: the lesson's day of the span,
    where none was asked about. `smaller_size`: the largest on which it fits. `cents_per_mm`: what a
    millimetre makes at each finger's place. `first_place`: semitones above the open string from
    which it fits. `turn`: whether a turn of the hand brings what is missing. Null is what is not
    known, and `turn` and `smaller_size` where nothing is missing."""

    string_length: float | None = None
    span: float | None = None
    measured_on: datetime.date | None = None
    smaller_size: str | None = None
    cents_per_mm: dict[str, float] = {}
    needed: float | None = None
    short_by: float | None = None
    percent: float | None = None
    first_place: int | None = None
    turn: Literal["enough", "perhaps", "not enough"] | None = None
