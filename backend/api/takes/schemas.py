"""What the API says of recordings."""

from datetime import date
from typing import Literal

from ninja import Schema

from api.drills.schemas import DrillNoteOut

Part = Literal["slow", "fast"]


class PartIn(Schema):
    """`is_changed`: something was changed since the take before."""

    part: Part
    is_changed: bool = False


class PartOut(Schema):
    """One take to play. music: SVG. notes: what is asked, so that the page can show where the
    player is. tempo: quarters a minute. seconds: as printed."""

    part: str
    tempo: int
    seconds: float
    music: str
    notes: list[DrillNoteOut]


class HeardNoteOut(Schema):
    """finger 0: the open string. at, seconds: as they were heard, s. asked_at: where the note
    belongs at the tempo of the take, counted so that the notes' mean is right. early: ms before
    that, late below zero. give: twice the standard error of cents."""

    finger: int
    string: int
    at: float
    seconds: float
    early: float
    cents: float | None
    give: float | None
    is_doubtful: bool


class HeardFingerOut(Schema):
    """`cents` against the music, `uncertainty` its standard error."""

    finger: int
    cents: float
    give: float
    notes: int


class HeardPairOut(Schema):
    """spread: % of the spacing between these two fingers."""

    pair: str
    spread: float


class VibratoOut(Schema):
    """`rate` in Hz, `width` in cents from peak to peak."""

    finger: int
    rate: float
    width: float


class CurveOut(Schema):
    """One value every `step` s from `begins`, s, on. cents: against the note of that moment, None
    where no pitch is clear. level: dB below the loud parts."""

    step: float
    begins: float
    cents: list[int | None]
    level: list[int]


class FingerBesideOut(Schema):
    """before, after: cents, with twice the standard error of each. is_moved: by more than
    chance."""

    finger: int
    before: float
    before_give: float
    after: float
    after_give: float
    is_moved: bool


class MeasuredBesideOut(Schema):
    """before, after: in `unit`, cents or % of the whole. finger: None for the hand as a whole."""

    finger: int | None
    before: float
    after: float
    unit: str
    is_moved: bool


class TrialGradesOut(Schema):
    """0..3."""

    before: int
    after: int


class BesideOut(Schema):
    """Two takes laid beside each other. before_on: day of the first of them. spread: % of the
    spacing. measured: what the check itself measures, where it is neither pitch nor spacing. after:
    id of the second take. grades: before and after, where one thing was changed between them."""

    after: int
    grades: TrialGradesOut | None
    kind: Literal["slow_fast", "before_after", "first_now"]
    before_on: date
    sentence: str
    fingers: list[FingerBesideOut]
    spread: list[float] | None
    is_spread_moved: bool
    measured: list[MeasuredBesideOut]


class TakeOut(Schema):
    """One take. words: its sentence, or why it tells nothing. spread: % of the spacing of notes;
    least: what is below cannot be told here. sound: address of its kept sound, None for none."""

    id: int
    part: str
    is_simulated: bool
    usable: bool
    words: str
    room: str
    seconds: float
    notes: list[HeardNoteOut]
    lost: int
    spread: float | None
    spread_give: float | None
    least: float | None
    fingers: list[HeardFingerOut]
    pairs: list[HeardPairOut]
    vibrato: list[VibratoOut]
    sound: str | None


class ByEarValue(Schema):
    """A number or grade that takes propose."""

    value: float
    spread: float | None
    source: Literal["take"] = "take"


class ByEarOut(Schema):
    """A finding that is proposed. key and value: as an entry takes them. told: with its unit."""

    key: str
    value: ByEarValue
    label: str
    finger: int | None
    grade: int
    told: str
    is_asked: bool


class EarlierOut(Schema):
    """is_home: recorded at home, on this date. sound: address of its kept sound."""

    id: int
    lesson: int
    sound: str | None
    date: date
    is_home: bool
    part: str
    words: str
    is_simulated: bool


class TakesOut(Schema):
    """earlier: of lessons before, oldest first. play: said to the player. sentence: what all takes
    tell together. simulated: whether a made-up player may play. paused: a stop is up, nobody
    plays."""

    evidence: str
    play: str
    parts: list[PartOut]
    sentence: str
    takes: list[TakeOut]
    found: list[ByEarOut]
    earlier: list[EarlierOut]
    beside: list[BesideOut]
    simulated: bool
    paused: bool
