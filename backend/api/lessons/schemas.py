"""A lesson and what follows from it."""

from datetime import date
from typing import Any, Literal

from ninja import Field, Schema

from api.brief.schemas import FlagOut, PainOut, PlayerBrief, ReminderOut
from api.exercises.schemas import NeckSpot
from api.hands.schemas import Thumb
from api.home.schemas import HomeReportOut, PaperWeekOut

TeacherWord = Literal["pinned", "dismissed", "open"]


class TwoNumbers(Schema):
    before: float
    after: float


class ComparedOut(Schema):
    """A trial: the same bar before and after, and what was changed. `measured`: the numbers behind
    both grades, where it was told by them, and `says` what they tell."""

    before: int
    after: int
    changed: str
    measured: TwoNumbers | None
    says: str


class FindingOut(Schema):
    """A finding as it was entered, with the grades 0..3 that follow."""

    grade: int
    by_finger: dict[str, int]
    value: float | None
    compared: ComparedOut | None
    accepted: str | None


class PreviousOut(Schema):
    """The newest earlier finding of a check, with its day."""

    lesson: int
    date: date
    findings: dict[str, FindingOut]


class ReasonOut(Schema):
    """One piece of evidence for or against a cause. `weight`: change in log odds when it is
    left out."""

    evidence: str
    phrase: str
    weight: float


class CauseOut(Schema):
    """`before`: how likely it was by earlier lessons, before this one looked; "" for not at all.
    `ruled_out_on`: an earlier lesson dismissed it that day, and nothing new speaks for it since;
    `teacher_why`: then that lesson's."""

    id: str
    name: str
    meaning: str
    probability: float
    word: str
    before: str
    fingers: list[int]
    speaks_for: list[ReasonOut]
    speaks_against: list[ReasonOut]
    settle: str | None
    teacher_word: TeacherWord | None
    teacher_why: str
    ruled_out_on: date | None


class FocusOut(Schema):
    """A cause that is worked on, and why. `is_engines`: the one that was proposed."""

    cause: str
    name: str
    fingers: list[int]
    why: str
    is_engines: bool


class LookOut(Schema):
    """`whys`: why each check comes now, in one line."""

    again: bool
    whys: dict[str, str]
    stage: str
    checks: list[str]
    seconds: int


class SafetyOut(Schema):
    """`flag`: all stops that are up, as one. `asks_pain`: the complaint speaks of pain and nobody
    has asked about it yet. `clinician`: the looseness score asks for a clinician's view."""

    level: str
    reasons: list[str]
    flag: FlagOut | None
    pain: PainOut | None
    asks_pain: bool
    clinician: bool


class AskedOut(Schema):
    """What was told last time and is asked again: `says` it by itself, `what` beside others of last
    time. `key`: the place of a pain, "tired" or "complaint". `answer`: gone, less, same, more, or
    "" while it is open. `waits`: no week is given before it is answered."""

    key: str
    says: str
    on: date
    answer: str
    waits: bool
    what: str


class BodyFactOut(Schema):
    """What is known of the body from an earlier lesson, in words. `fact`: a check, "injury", or
    the cause that was ruled out. `limits`: what a clinician allows. `is_due`: to be looked at
    again."""

    kind: Literal["sign", "injury", "span", "ruled_out"]
    fact: str
    says: str
    on: date
    limits: str = ""
    is_due: bool = False


class InPieceOut(Schema):
    """Where in a piece of the player's own an exercise is played. piece: its id. bars: first and
    last, as printed."""

    piece: int
    title: str
    bars: list[str]


class PlanItemOut(Schema):
    """takes_piece: it is played in a piece of the player's own; in_piece: where, None while no
    place was chosen. spot: where on the neck the teacher put it, None for what the step says."""

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
    goal: int | None
    tempo_work: bool
    tempo_steps: list[int]
    fingers: list[int]
    why: str
    because: str
    does: str
    takes_piece: bool
    in_piece: InPieceOut | None
    spot: NeckSpot | None


class WithheldOut(Schema):
    """`id`: what the reason is, whatever its words."""

    id: str
    exercise: str
    name: str
    reason: str


class ProposalOut(Schema):
    """A proposed week. `minutes_a_day`, `budget`: minutes of its fullest day, and of a day at
    all."""

    items: list[PlanItemOut]
    offered: list[str]
    withheld: list[WithheldOut]
    check_first: list[str]
    in_lesson: list[str]
    says: list[str]
    minutes_a_day: float
    budget: float
    paused: bool


class AlternativeOut(Schema):
    """Another week that could be taken, and in what it differs."""

    differs: str
    items: list[PlanItemOut]
    minutes_a_day: float


class ObjectionOut(Schema):
    """`id`: of the rule that objects."""

    id: str
    exercise: str
    reason: str


class PlanOut(Schema):
    """`made_for`: names of the causes that it was made for, where the focus is another by now."""

    made_for: list[str]
    items: list[PlanItemOut]
    minutes_a_day: float
    objections: list[ObjectionOut]


class ReviewOut(Schema):
    """An exercise of last week: what was told of it, and what is proposed for it. `pain`: 0..10.
    `two_pictures`: a picture before and one after tell whether the hand stayed as it was."""

    item: int
    exercise: str
    name: str
    rung: int
    rungs: int
    rung_words: str
    passed_when: str
    two_pictures: bool
    passed: bool | None
    pain: float | None
    days_done: int
    move: str
    next_rung: int
    reason: str


class UndoOut(Schema):
    """One entry that undo would take back: its key and what it was."""

    key: str
    words: str


class FitOut(Schema):
    """A change of fit that nobody has judged yet, or that was judged in this lesson."""

    id: int
    date: date
    change: str
    judged: str


class LessonOut(Schema):
    """`decided`: a focus was taken; `chosen`: it is the teacher's own and does not follow the
    theory; `home_take`: the check that is recorded at home, "" for none; `one_thing`: of the
    week, in the teacher's words, "" for `one_thing_proposed`; `one_thing_before`: that of the week
    before, "" for none; `moved_from`: names of what was taken, where a focus that follows has
    moved since; `kept_words`: what became of last week's focus, in a sentence; `last_week`:
    the lesson that gave the week before; `waits_for`: the question that is open while no week
    can be given, "" for none; `body`: what is known of it."""

    id: int
    revision: int
    date: date
    player: PlayerBrief
    asked: bool
    reports: dict[str, Any]
    complaint: str | None
    complaint_finger: int | None
    again: list[AskedOut]
    waits_for: str
    body: list[BodyFactOut]
    skipped: list[str]
    teacher_line: str
    one_thing: str
    one_thing_proposed: str
    one_thing_before: str
    home_take: str
    look_order: str
    findings: dict[str, FindingOut]
    says: dict[str, list[str]]
    previous: PreviousOut | None
    causes: list[CauseOut]
    focus: list[FocusOut]
    engine_focus: list[str]
    decided: bool
    chosen: bool
    moved_from: list[str]
    kept_words: str
    look: LookOut | None
    enough: bool
    settle: str | None
    safety: SafetyOut
    home: HomeReportOut | None
    paper_week: PaperWeekOut | None
    fit: FitOut | None
    reminders: list[ReminderOut]
    harder_piece: bool
    harder_hint: str
    thumb: Thumb
    weeks_away: int | None
    break_weeks: float | None
    last_week: int | None
    review: list[ReviewOut]
    proposal: ProposalOut
    alternatives: list[AlternativeOut]
    disliked: list[str]
    plan: PlanOut | None
    undoable: list[UndoOut]


class UndoIn(Schema):
    """`client_key`: of this undo. `entry`: the key of the entry that is meant; empty for the
    newest."""

    client_key: str = Field(min_length=8, max_length=64)
    entry: str = Field(default="", max_length=64)
