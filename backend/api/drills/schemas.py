"""Shapes of drills: what can be asked for, and the music."""

from ninja import Schema


class DrillNoteOut(Schema):
    """One expected note: MIDI number, finger, string (1 is the highest), onset and length in s.
    `stop`: the tune stops after it; `gap`: the player's, where one note a bar is."""

    midi: int
    finger: int
    string: int
    onset: float
    seconds: float
    stop: bool = False
    gap: bool = False


class StopLookOut(Schema):
    """What is looked at where a tune stops; `sign`: the lines drawn for it in the music, as an SVG
    path in a box of 24 by 24."""

    words: str
    sign: str


class DrillKindOut(Schema):
    """A drill that can be tried. takes_tune: which tune it plays can be chosen."""

    id: str
    title: str
    hint: str
    instruments: list[str]
    takes_tune: bool


class TuneOut(Schema):
    """A traditional tune, who can read it at sight, and under whose hand it lies."""

    id: str
    title: str
    origin: str
    level: str
    instruments: list[str]


class DrillChoicesOut(Schema):
    """Positions and frames by instrument; the first frame is the usual one."""

    drills: list[DrillKindOut]
    tunes: list[TuneOut]
    positions: dict[str, list[int]]
    frames: dict[str, list[str]]


class DrillIn(Schema):
    """See `lefthand.music.request`. finger, low and high: what is weak. string: 0 is the lowest."""

    drill: str
    instrument: str
    tempo: int | None = None
    bars: int | None = None
    finger: int | None = None
    low: int | None = None
    high: int | None = None
    string: int | None = None
    position: int | None = None
    frame: str | None = None
    difficulty: int = 2
    rests: bool = False
    slurred: bool = False
    seed: int = 1
    tune: str | None = None


class ReturnOut(Schema):
    """One cause in a bar: its name, and what there brings it back."""

    cause: str
    words: list[str]


class LoadedBarOut(Schema):
    """share: of the heaviest bar, 0 to 1."""

    number: str
    share: float
    why: list[ReturnOut]


class DrillOut(Schema):
    """asks: what weighs most in it, the most first. beats: in a bar. bars: how heavy each is, and
    why."""

    title: str
    tempo: int
    beats: int
    music: str
    notes: list[DrillNoteOut]
    looks: list[StopLookOut]
    asks: list[str]
    bars: list[LoadedBarOut]
