"""The term of a player: sentences, picture, and the signs behind it."""

from datetime import date

from ninja import Schema


class TermRowOut(Schema):
    """A lane of the picture: `of` string, practice or measure; `key` its cause or measure; `y` the
    height of its middle."""

    of: str
    key: str
    y: float


class TermNextOut(Schema):
    """The one next step: `step` as in `jolf-change/1`, `why` in a sentence, and the check that
    would tell, where one is asked."""

    step: str
    why: str
    cause: str | None
    check: str | None


class TermMarkOut(Schema):
    """A part of the picture, in its px: where it is, what it says, the lesson that it leads to."""

    x: float
    y: float
    width: float
    height: float
    words: str
    lesson: int | None
    cause: str | None


class TermPictureOut(Schema):
    """`svg`: drawn here, without colours of its own. `folded`: names of what is free and not
    drawn."""

    svg: str
    width: float
    height: float
    marks: list[TermMarkOut]
    rows: list[TermRowOut]
    folded: list[str]


class TermSignOut(Schema):
    """`grades`: by the ids of the lessons that looked."""

    evidence: str
    label: str
    finger: int | None
    answer: str
    grades: dict[int, int]


class TermStringOut(Schema):
    """One cause in words. `helped`: exercises after which there was less of it. `since`: from when
    on it is so, "" for nothing."""

    cause: str
    name: str
    answer: str
    since: str
    signs: list[TermSignOut]
    helped: list[str]


class TermMeasureOut(Schema):
    """`least`: the smallest change that counts, `basis` what it rests on."""

    label: str
    unit: str
    first: float
    last: float
    least: float | None
    basis: str
    answer: str
    note: str


class TermLesson(Schema):
    """A lesson of the term and its day."""

    id: int
    date: date


class TermOut(Schema):
    """`better`, `stuck`: the two sentences, "" for none. `picture`: None where nothing shows
    yet. `practised`: days of the last seven."""

    better: str
    stuck: str
    next: TermNextOut | None
    span: str
    spans: list[str]
    picture: TermPictureOut | None
    strings: list[TermStringOut]
    measures: list[TermMeasureOut]
    lessons: list[TermLesson]
    practised: int
