"""The practice sheet in words, and its pages as pictures."""

from datetime import date

from ninja import Schema


class SheetDayOut(Schema):
    """`exercises`: by their place on the sheet, from 1; none on a free day."""

    weekday: str
    exercises: list[int]
    is_lesson: bool


class SheetItemOut(Schema):
    """An exercise in the few words of the sheet. `feel` and `stop` go on after "Feels like" and
    "Stop when"."""

    exercise: str
    name: str
    dose: str
    steps: list[str]
    feel: str
    stop: str


class SheetOut(Schema):
    """`made_for`: names of the causes that the week was made for, where the focus is another by
    now. `one_thing`: what the week is about, said to the player, and `why`."""

    made_for: list[str]
    first_name: str
    date: date
    instrument: str
    one_thing: str
    why: str
    teacher_line: str
    paused: bool
    eased: bool
    reasons: list[str]
    items: list[SheetItemOut]
    minutes_a_day: float
    days: list[SheetDayOut]


class SheetPagesOut(Schema):
    """Each page as SVG."""

    pages: list[str]
