"""What is known: causes, checks, exercises."""

from ninja import Schema


class CauseInfo(Schema):
    """A cause. `order`: from upstream to downstream."""

    id: str
    order: int
    name: str
    meaning: str
    instruments: list[str]
    places: list[str]


class PairInfo(Schema):
    """What a trial measures before and after one thing was changed. `finger`: the one
    that is measured."""

    unit: str
    before: str
    after: str
    finger: int


class EvidenceInfo(Schema):
    """`pictured`: the instruments on whose neck a drawn hand can show it. `photo`: what points on a
    picture tell of it. `by_ear`: a recording can tell it. `pair`: numbers before and after."""

    id: str
    stage: str
    seconds: int
    per_finger: bool
    of_finger: int | None
    instruments: list[str]
    pictured: list[str]
    measure: str | None
    pair: PairInfo | None
    photo: str | None
    by_ear: bool
    unit: str | None
    causes: list[str]
    place: str
    label: str
    look: str
    note: str
    free: str
    means: list[str]
    child: str


class RungInfo(Schema):
    """One step of an exercise. `tempo`: notes a minute, null for none."""

    words: str
    setting: str
    dose: str
    tempo: int | None


class ExerciseInfo(Schema):
    """An exercise with all its words. `aims`: causes, best first."""

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
    has_music: bool
    rungs: list[RungInfo]


class ComplaintInfo(Schema):
    """What players say, and the sign it names. `hurts`: asks whether it is pain."""

    says: str
    evidence: str
    common: bool
    hurts: bool


class SchoolInfo(Schema):
    """One choice: what those who teach so say for it, and what it changes here."""

    id: str
    words: str
    says: str
    changes: list[str]


class WayInfo(Schema):
    """A point on which good teachers differ; the first choice is the usual one.
    `place`: on the hand, "" for none."""

    id: str
    label: str
    instruments: list[str]
    place: str
    schools: list[SchoolInfo]


class HelpInfo(Schema):
    """A page of help. `screens`: those it belongs to; a paragraph that begins with "- " is a point
    of a list."""

    id: str
    title: str
    screens: list[str]
    text: list[str]


class CatalogueOut(Schema):
    """`things`: what exercises need at home, by id, in words. `called`: by id what people call
    it."""

    complaints: list[ComplaintInfo]
    causes: list[CauseInfo]
    evidence: list[EvidenceInfo]
    exercises: list[ExerciseInfo]
    ways: list[WayInfo]
    help: list[HelpInfo]
    called: dict[str, list[str]]
    synonyms: dict[str, list[str]]
    things: dict[str, str]
