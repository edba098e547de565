"""The day's list, players and their pages."""

from datetime import date

from ninja import Field, Schema

from api.brief.schemas import FlagOut, PainOut, PlayerBrief, ReminderOut
from api.desk.schemas import WayOut
from api.types import WallTime


class PlayerIn(Schema):
    """Facts of a player. None: not known. Ranges are checked below, field by field."""

    name: str
    instrument: str
    level: str
    piece: str = ""
    birth_year: int | None = None
    daily_minutes: float | None = None
    hours_a_day: float = 1
    helper_at_home: bool | None = None
    weekday: int | None = None
    lesson_time: str | None = None
    missing: list[str] = []
    self_check: bool = False
    is_practice: bool = False


class AwayOut(Schema):
    """A lesson that is not on its day: `to` and `at` say when it is instead, if at all."""

    to: date | None
    at: str | None


class ToldAtHomeOut(Schema):
    """Days of the newest week: planned until today, practised, and tight of these."""

    planned: int
    done: int
    tight: int


class DayRowOut(Schema):
    """One line of the day: whom, when, and what is to be known first."""

    player: PlayerBrief
    time: str | None
    is_today: bool
    focus: list[str]
    minutes: float | None
    due: list[str]
    last_lesson: date | None
    lesson_today: int | None
    flag: FlagOut | None
    pain: PainOut | None
    weekday: int | None
    away: AwayOut | None
    home: ToldAtHomeOut | None


class FreeTimeOut(Schema):
    """A day and a time at which nobody comes."""

    on: date
    at: str


class AwayIn(Schema):
    """Without a day the lesson falls out."""

    to: date | None = None
    at: WallTime | None = None


class LineOut(Schema):
    """Somebody who wants a thought, and why."""

    player: int
    name: str
    words: str


class DayOut(Schema):
    """The day in order of time, and what over the studio asks for attention. `holiday_until`: the
    last day of the holiday that the day lies in."""

    holiday_until: date | None
    date: date
    rows: list[DayRowOut]
    lines: list[LineOut]
    free: list[FreeTimeOut]


class TimelineRow(Schema):
    """`change`: how it has truly changed, in words."""

    evidence: str
    label: str
    grades: list[int | None]
    fingers: list[list[int]]
    change: str


class PartnerSaw(Schema):
    """What a partner in a class said to have seen of a check, or not."""

    on: date
    label: str
    saw: bool
    watcher: str


class TimelineLesson(Schema):
    """`notes`: what else was done in it, a line each."""

    id: int
    date: date
    focus: list[str]
    exercises: list[str]
    notes: list[str]


class LadderStep(Schema):
    """A step and the day since which it is practised."""

    date: date
    rung: int


class LadderOut(Schema):
    """The steps of one exercise over time. `rungs`: how many it has."""

    exercise: str
    name: str
    rungs: int
    steps: list[LadderStep]


class PlayerOut(Schema):
    """`lessons`: the newest ones, oldest first; `hidden`: how many stand before them;
    `kept_sounds`: of how many takes the sound is kept."""

    player: PlayerBrief
    kept_sounds: int
    facts: PlayerIn
    lessons: list[TimelineLesson]
    hidden: int
    rows: list[TimelineRow]
    ladders: list[LadderOut]
    reminders: list[ReminderOut]
    partner_looks: list[PartnerSaw]
    flags: list[FlagOut]
    stop: FlagOut | None
    pain: PainOut | None
    lesson_today: int | None
    ways: list[WayOut]


class ErasedOut(Schema):
    """`is_gone_from_log`: no trace is left in the log either; else that follows as soon as nobody
    reads. `copies`: days of copies of the whole studio beside it, which still hold the player."""

    is_gone_from_log: bool
    copies: list[date]


class ImportedOut(Schema):
    """A player from a file. `left_out`: what of the file could not be kept, in words."""

    player: int
    name: str
    left_out: list[str]


class BodyNoteIn(Schema):
    """A dated note on what is known of the body. `fact`: a check, or "injury". `word`: lifted, or
    limits for what a clinician allows."""

    fact: str = Field(max_length=40)
    word: str = Field(max_length=8)
    note: str = Field(max_length=1000)


class LiftIn(Schema):
    """`reasons`: ids of those that stood before the teacher; None for all."""

    note: str = Field(max_length=1000)
    reasons: list[str] | None = Field(default=None, max_length=40)
