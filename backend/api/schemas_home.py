"""Shapes of the week at home and of its private link."""

from datetime import date

from ninja import Field, Schema

from api.schemas import DrillNoteOut, HomeDayOut


class HomeItemOut(Schema):
    """One exercise at home. Times in seconds; `days` are calendar days, what was missed moved."""

    exercise: str
    name: str
    rung_words: str
    dose: str
    minutes: float
    tempo: int | None
    why: str
    steps: list[str]
    child: str
    feel: str
    mirror: str
    over: str
    stop: str
    helper_does: str
    music: str | None
    notes: list[DrillNoteOut]
    beat: int | None
    reps: int
    sets: int
    seconds: float
    pause: float
    rest: float
    is_hold: bool
    days: list[date]


class HomeOut(Schema):
    first_name: str
    instrument: str
    given_on: date
    today: date
    teacher_line: str
    paused: bool
    open_strings: list[int]
    items: list[HomeItemOut]
    days: list[HomeDayOut]


class HomeDayIn(Schema):
    date: date
    done: str = Field(max_length=10)
    felt: str = Field(default="", max_length=10)
    pain: int = 0
    signs: list[str] = Field(default=[], max_length=10)


class LinkOut(Schema):
    """The private link as an address and as a square code (SVG); None when there is none.
    `is_local`: it works on this computer only."""

    address: str | None
    code: str | None
    is_local: bool
