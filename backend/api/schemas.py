"""Shapes of what goes in and out. Every field is spelled out."""

from datetime import date
from typing import Any

from ninja import Field, Schema


class TeacherOut(Schema):
    name: str
    is_demo: bool


class SessionOut(Schema):
    teacher: TeacherOut | None


class SignInIn(Schema):
    username: str = Field(max_length=150)
    password: str = Field(max_length=200)


class CauseInfo(Schema):
    id: str
    order: int
    name: str
    meaning: str
    instruments: list[str]
    places: list[str]


class EvidenceInfo(Schema):
    id: str
    stage: str
    seconds: int
    per_finger: bool
    of_finger: int | None
    instruments: list[str]
    measure: str | None
    unit: str | None
    causes: list[str]
    place: str
    label: str
    look: str
    note: str
    means: list[str]
    child: str


class RungInfo(Schema):
    words: str
    setting: str
    dose: str
    tempo: int | None


class ExerciseInfo(Schema):
    id: str
    kind: str
    instruments: list[str]
    aims: list[str]
    needs: list[str]
    equipment: list[str]
    name: str
    does: str
    steps: list[str]
    child: str
    feel: str
    mirror: str
    mistake: str
    over: str
    stop: str
    added: str
    helper_does: str
    passed_when: str
    drill: str | None
    rungs: list[RungInfo]


class ComplaintInfo(Schema):
    says: str
    evidence: str
    common: bool


class CatalogueOut(Schema):
    complaints: list[ComplaintInfo]
    causes: list[CauseInfo]
    evidence: list[EvidenceInfo]
    exercises: list[ExerciseInfo]


class FlagOut(Schema):
    raised_on: date
    reasons: list[str]
    lifted_on: date | None
    note: str


class PlayerBrief(Schema):
    id: int
    name: str
    instrument: str
    level: str
    age: int | None
    piece: str


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


class DayRowOut(Schema):
    player: PlayerBrief
    time: str | None
    is_today: bool
    focus: list[str]
    minutes: float | None
    due: list[str]
    last_lesson: date | None
    lesson_today: int | None
    flag: FlagOut | None


class DayOut(Schema):
    date: date
    rows: list[DayRowOut]


class TimelineCell(Schema):
    lesson: int
    grade: int | None
    fingers: list[int]


class TimelineRow(Schema):
    evidence: str
    label: str
    cells: list[TimelineCell]
    change: str


class TimelineLesson(Schema):
    id: int
    date: date
    focus: list[str]
    exercises: list[str]


class LadderStep(Schema):
    date: date
    rung: int


class LadderOut(Schema):
    exercise: str
    name: str
    rungs: int
    steps: list[LadderStep]


class WayValueOut(Schema):
    id: str
    words: str


class WayOut(Schema):
    key: str
    label: str
    instruments: list[str]
    values: list[WayValueOut]
    chosen: str
    is_own: bool


class MeasureOut(Schema):
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
    on: bool
    after: date | None
    settled: list[SettledOut]


class LearningIn(Schema):
    on: bool


class DeskOut(Schema):
    ways: list[WayOut]
    measures: list[MeasureOut]
    learning: LearningOut


class WayIn(Schema):
    key: str = Field(max_length=40)
    value: str | None = None


class CutsIn(Schema):
    measure: str = Field(max_length=40)
    cuts: list[float] | None = None


class ReminderOut(Schema):
    """A cause that was gone `since`: due for another look, or back on `returned`."""

    cause: str
    name: str
    since: date
    clean: int
    returned: date | None
    helped: list[str]


class PlayerOut(Schema):
    player: PlayerBrief
    facts: PlayerIn
    lessons: list[TimelineLesson]
    rows: list[TimelineRow]
    ladders: list[LadderOut]
    headline: str
    reminders: list[ReminderOut]
    flags: list[FlagOut]
    lesson_today: int | None
    ways: list[WayOut]


class FindingOut(Schema):
    grade: int
    by_finger: dict[str, int]
    value: float | None
    accepted: str | None


class PreviousOut(Schema):
    lesson: int
    date: date
    findings: dict[str, FindingOut]


class ReasonOut(Schema):
    evidence: str
    phrase: str
    weight: float


class CauseOut(Schema):
    id: str
    name: str
    meaning: str
    probability: float
    word: str
    fingers: list[int]
    speaks_for: list[ReasonOut]
    speaks_against: list[ReasonOut]
    settle: str | None
    teacher_word: str | None
    teacher_why: str


class FocusOut(Schema):
    cause: str
    name: str
    fingers: list[int]
    why: str
    is_engines: bool


class LookOut(Schema):
    again: bool
    stage: str
    checks: list[str]
    seconds: int


class SafetyOut(Schema):
    level: str
    reasons: list[str]
    flag: FlagOut | None


class PlanItemOut(Schema):
    exercise: str
    name: str
    kind: str
    rung: int
    rungs: int
    rung_words: str
    reps: int
    sets: int
    dose: str
    minutes: float
    days: list[int]
    tempo: int | None
    fingers: list[int]
    why: str


class WithheldOut(Schema):
    exercise: str
    name: str
    reason: str


class ProposalOut(Schema):
    items: list[PlanItemOut]
    offered: list[str]
    withheld: list[WithheldOut]
    check_first: list[str]
    minutes_a_day: float
    budget: float
    paused: bool


class AlternativeOut(Schema):
    differs: str
    items: list[PlanItemOut]
    minutes_a_day: float


class ObjectionOut(Schema):
    exercise: str
    reason: str


class PlanOut(Schema):
    items: list[PlanItemOut]
    minutes_a_day: float
    objections: list[ObjectionOut]


class ReviewOut(Schema):
    item: int
    exercise: str
    name: str
    rung: int
    rungs: int
    rung_words: str
    passed_when: str
    passed: bool | None
    days_done: int
    move: str
    next_rung: int
    reason: str


class HomeDayOut(Schema):
    date: date
    done: str
    felt: str
    pain: int
    signs: list[str]


class HomeReportOut(Schema):
    """What came home from the week before: the planned days and those that were logged."""

    planned: list[date]
    days: list[HomeDayOut]


class LessonOut(Schema):
    id: int
    revision: int
    date: date
    player: PlayerBrief
    asked: bool
    reports: dict[str, Any]
    complaint: str | None
    skipped: list[str]
    teacher_line: str
    look_order: str
    findings: dict[str, FindingOut]
    says: dict[str, list[str]]
    previous: PreviousOut | None
    causes: list[CauseOut]
    focus: list[FocusOut]
    engine_focus: list[str]
    decided: bool
    look: LookOut | None
    enough: bool
    settle: str | None
    safety: SafetyOut
    home: HomeReportOut | None
    reminders: list[ReminderOut]
    harder_piece: bool
    weeks_away: int | None
    break_weeks: float
    review: list[ReviewOut]
    proposal: ProposalOut
    alternatives: list[AlternativeOut]
    disliked: list[str]
    plan: PlanOut | None
    undo: str | None


class EntryIn(Schema):
    client_key: str = Field(min_length=8, max_length=64)
    kind: str = Field(max_length=16)
    key: str = Field(default="", max_length=60)
    value: Any = None


class LiftIn(Schema):
    note: str = Field(max_length=300)


class DrillNoteOut(Schema):
    """One expected note: MIDI number, finger, string (1 is the highest), onset and length in s."""

    midi: int
    finger: int
    string: int
    onset: float
    seconds: float


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
    reasons: list[str]
    items: list[SheetItemOut]
    minutes_a_day: float
    days: list[str]
