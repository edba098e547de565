"""The practice sheet and its music."""

from datetime import date

from ninja import Schema

from api.exercises.schemas import ExercisePage


class SheetItemOut(ExercisePage):
    days: list[str]


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
    takes: str
    days: list[str]
