"""The teacher's desk."""

from datetime import date, datetime

from ninja import Field, Schema


class WayValueOut(Schema):
    """One choice of a way of teaching."""

    id: str
    words: str


class WayOut(Schema):
    """A point on which teachers differ, with the choice in force. `is_own`: chosen here."""

    key: str
    label: str
    instruments: list[str]
    values: list[WayValueOut]
    chosen: str
    is_own: bool


class MeasureOut(Schema):
    """A measured number and its three edges between grades, in its unit."""

    measure: str
    words: str
    unit: str
    cuts: list[float]
    starting: list[float]
    is_own: bool


class SettledOut(Schema):
    """A cause with what own lessons have settled; `starting` and `now` are probabilities."""

    cause: str
    name: str
    confirmed: int
    refuted: int
    starting: float
    now: float


class LearningOut(Schema):
    """What own lessons have shown of causes, and whether it counts."""

    on: bool
    after: date | None
    settled: list[SettledOut]


class LearningIn(Schema):
    """Whether own lessons shift how often causes are met."""

    on: bool


class DeskOut(Schema):
    """`time_zone`: "" for that of the computer that serves, `usual_zone`. `is_owner`: the studio
    is this teacher's; `copy_is_due`: its newest copy is older than a month."""

    ways: list[WayOut]
    measures: list[MeasureOut]
    learning: LearningOut
    time_zone: str
    usual_zone: str
    letter_keys: bool
    hand_tone: str
    is_owner: bool
    copy_is_due: bool


class ToneIn(Schema):
    """In which tone hands are drawn."""

    tone: str = Field(max_length=10)


class ZoneIn(Schema):
    """A time zone by its name; "" for that of the computer."""

    time_zone: str = Field(max_length=60)


class HolidayIn(Schema):
    """From the first day to the last."""

    first: date
    last: date


class HolidayOut(HolidayIn):
    """One that is kept."""

    id: int


class KeysIn(Schema):
    """On or off."""

    on: bool


class PasswordIn(Schema):
    """The present password and the new one."""

    old: str = Field(max_length=200)
    new: str = Field(max_length=200)


class WayIn(Schema):
    """A choice; null goes back to what holds otherwise."""

    key: str = Field(max_length=40)
    value: str | None = None


class CutsIn(Schema):
    """Three edges, each worse than the one before; null for the usual ones."""

    measure: str = Field(max_length=40)
    cuts: list[float] | None = None


class ShareOut(Schema):
    """Of `players` with the cause who practised the exercise, `less` had less of it two to six
    weeks later. share: drawn towards the others, with its 80 % interval."""

    cause: str
    exercise: str
    players: int
    less: int
    share: float
    low: float
    high: float
    is_few: bool


class HelpedOut(Schema):
    """`uncounted`: players whose lessons have not been told yet."""

    on: bool
    shares: list[ShareOut]
    uncounted: int


class CauseMetOut(Schema):
    """`players`: with this cause as the focus at least once."""

    cause: str
    name: str
    players: int


class GivenOut(Schema):
    """`weeks`: with the exercise and something told from home; `done`: of these, done at least
    once."""

    exercise: str
    name: str
    weeks: int
    done: int


class GlanceOut(Schema):
    """Counts over a stretch of time; none of fewer than five. `few_causes`, `few_given`: how many
    more there were. `asked`, `played`: minutes of the weeks that were told."""

    since: date
    until: date
    players: int
    lessons: int
    causes: list[CauseMetOut]
    given: list[GivenOut]
    few_causes: int
    few_given: int
    weeks: int
    told: int
    asked: float
    played: float


class CopyOut(Schema):
    """A copy of the studio. `made`: in the computer's time. `name`: of its file."""

    name: str
    made: datetime
    megabytes: float
    is_made_here: bool


class RestoreIn(Schema):
    """Which copy to go back to."""

    name: str


class CopiesOut(Schema):
    """`is_due`: the newest is older than a month, or there is none."""

    copies: list[CopyOut]
    is_due: bool
    folder: str


class ColleagueOut(Schema):
    """A teacher of this studio."""

    id: int
    name: str
    players: int
    is_owner: bool


class PeopleOut(Schema):
    """`password`: of the one who was just added or given a new one; told this once."""

    people: list[ColleagueOut]
    password: str = ""


class ColleagueIn(Schema):
    """The name that a new teacher signs in with."""

    name: str = Field(max_length=150)
