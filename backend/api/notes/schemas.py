"""Shapes of a teacher's notes to oneself."""

import datetime
from typing import Literal

from ninja import Field, Schema


class NoteIn(Schema):
    """`kind`: for next time, or of a talk. `on`: of a talk, today when it is left out."""

    kind: Literal["next", "talk"]
    text: str = Field(max_length=2000)
    on: datetime.date | None = None


class NoteOut(Schema):
    """A line to oneself. `done_on`: since when it is done with, null while it is open."""

    id: int
    kind: str
    on: datetime.date
    text: str
    done_on: datetime.date | None


class NoteDoneIn(Schema):
    """Done with, or open again."""

    done: bool
