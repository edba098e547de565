"""The practice sheet and its music."""

from datetime import date

from ninja import Schema

from api.drills.schemas import DrillNoteOut


class SheetItemOut(Schema):
    """`tempo`: notes a minute as the exercise counts. `beat`: quarters a minute of the music."""

    exercise: str
    name: str
    rung_words: str
    dose: str
    minutes: float
    tempo: int | None
    days: list[str]
    why: str
    steps: list[str]
    child: str
    feel: str
    mirror: str
    mistake: str
    stop: str
    helper_does: str
    music: str | None
    notes: list[DrillNoteOut]
    beat: int | None


class SheetOut(Schema):
    first_name: str
    date: date
    instrument: str
    focus: list[str]
    teacher_line: str
    paused: bool
    eased: bool
    reasons: list[str]
    items: list[SheetItemOut]
    minutes_a_day: float
    days: list[str]
