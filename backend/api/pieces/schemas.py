"""What the API says of a player's own music."""

from datetime import date
from typing import Literal

from ninja import Field, Schema

from api.drills.schemas import DrillNoteOut, LoadedBarOut


class PieceOut(Schema):
    """One piece in the list. bars: those that are worked on, from 1."""

    id: int
    title: str
    brought_on: date
    bars: list[int]


class PiecePartOut(Schema):
    """A part of a score that can be chosen."""

    id: str
    name: str


class PieceNoteOut(Schema):
    """One note. number: of it in the part, as it is called in the drawing. string: 1 is the
    highest. finger 0: an open string, or a harmonic where it is one. lets_go: the hand goes soft in
    or after it. own_...: the teacher's word."""

    number: int
    bar: str
    pitch: str
    finger: int | None
    string: int | None
    is_harmonic: bool
    own_finger: int | None
    own_string: int | None
    lets_go: bool
    own_lets_go: bool | None


class WorstPlaceOut(Schema):
    """bars: as printed. at: from and to, counted from 1."""

    bars: list[str]
    at: list[int]
    words: str


class ReachedOut(Schema):
    """Notes that lie beyond this hand at ease, by bar."""

    bar: str
    words: str


class LeadInOut(Schema):
    """The way there: quarters a minute, and from bar to bar by their printed numbers."""

    start: int
    goal: int
    steps: list[int]
    stages: list[list[str]]


class LeadDrillOut(Schema):
    """One drill on the way there. tempo: where it begins, quarters a minute."""

    title: str
    hint: str
    tempo: int
    music: str
    notes: list[DrillNoteOut]


class LeadDrillsOut(Schema):
    """bars: of the place, as printed. drills: in the order of practice, [] where none can be made
    or a stop is up."""

    bars: list[str]
    drills: list[LeadDrillOut]


class HarderOut(Schema):
    """What a piece asks more of this hand than the one before it; no words where it is not
    harder."""

    than: str
    words: list[str]


class ToHearOut(Schema):
    """What a take of this piece holds. bars: first and last, as printed. quarters: how long it is.
    tempi: quarters a minute to choose from. simulated: a made-up player may play it."""

    bars: list[str]
    quarters: float
    tempi: list[int]
    simulated: bool


class HeardBarOut(Schema):
    """expected and heard: of the heaviest and of the hardest bar, 0 to 1; heard None where nothing
    was."""

    number: str
    expected: float
    heard: float | None


class HeardOut(Schema):
    """What the newest take told. words: one sentence, or why it told nothing."""

    on: date
    tempo: int
    simulated: bool
    usable: bool
    words: str
    bars: list[HeardBarOut]


class PassageOut(Schema):
    """music: SVG, "" where it cannot be drawn. paused: a stop is up, there is no way there.
    lets_go: how many places to let go there are. too_few: seconds of the longest stretch without
    one, None where all is well. span_known: of this hand. whole: bars of the piece. taste: how the
    proposed fingers differ from the usual ones, "" for those. week: bars of the place that the step
    into music takes, from 1, [] for none; most_week: how many there may be. cannot_hear: why no
    take can be measured, "" where one can. has_old_treble: its treble clef looks like that of old
    cello editions; old_treble: the teacher's answer, None for none."""

    id: int
    title: str
    parts: list[PiecePartOut]
    part: str
    whole: int
    first: int
    last: int
    tempo: float | None
    music: str
    notes: list[PieceNoteOut]
    bars: list[LoadedBarOut]
    worst: list[WorstPlaceOut]
    reach: list[ReachedOut]
    lets_go: int
    too_few: float | None
    span_known: bool
    way: LeadInOut | None
    paused: bool
    remarks: list[str]
    has_old_treble: bool
    old_treble: bool | None
    taste: str
    harder: HarderOut | None
    week: list[int]
    most_week: int
    to_hear: ToHearOut | None
    cannot_hear: str
    heard: HeardOut | None


class PlayedIn(Schema):
    """tempo: quarters a minute, as it was counted in."""

    tempo: float | None = None


class PieceIn(Schema):
    """What is changed; what is not told stays. first, last: bars from 1. number: of a note, with
    the finger and string it is to have, and whether the hand lets go there, each None for what is
    proposed. later: it waits, and is not begun yet. old_treble: the cello's treble clef is read an
    octave lower. another: propose other fingers. week: first and
    last bar of the place for the step into music, [] for none."""

    part: str | None = Field(default=None, max_length=60)
    first: int | None = None
    last: int | None = None
    tempo: float | None = None
    another: bool = False
    later: bool | None = None
    old_treble: bool | None = None
    week: list[int] | None = Field(default=None, max_length=2)
    number: int | None = None
    finger: int | None = None
    string: int | None = None
    lets_go: bool | None = None


class RepertoirePieceOut(PieceOut):
    """later: not begun yet; more: what it then asks more than all that was begun. loads: a bar, by
    theme, 0 to 1 of the heaviest that was begun. most: what it asks most."""

    later: bool
    more: list[str]
    loads: dict[str, float]
    most: list[str]


class NewThingOut(Schema):
    """One thing that a piece asks more of. why: its demands. returns: causes of this player that it
    brings back, by name."""

    words: str
    why: list[str]
    returns: list[str]


class NextPieceOut(Schema):
    """A piece that waits, or one of our tunes. id: of the piece, or the tune's name."""

    kind: Literal["piece", "tune"]
    id: str
    title: str
    new: list[NewThingOut]


class RepertoireOut(Schema):
    """A player's music over time. themes: id and words of each that any piece has. next: what
    brings one thing more, or the lightest where nothing was played yet (begins). to_rest_on:
    nothing in them is new. paused: a stop is up, nothing is proposed. eased: why this hand is
    spared. unread: pieces that are still to be read again; ask again while there are any."""

    themes: dict[str, str]
    pieces: list[RepertoirePieceOut]
    next: list[NextPieceOut]
    to_rest_on: list[NextPieceOut]
    begins: bool
    paused: bool
    eased: list[str]
    unread: int
