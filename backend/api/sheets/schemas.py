"""The practice sheet and its music."""

from datetime import date

from ninja import Schema

from api.exercises.schemas import ExercisePage


class SheetItemOut(ExercisePage):
    days: list[str]


class SheetOut(Schema):
    """`made_for`: names of the causes that the week was made for, where the focus is another by
    now."""

    made_for: list[str]
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
    takes: str
    days: list[str]
