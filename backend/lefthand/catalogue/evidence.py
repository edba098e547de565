"""What can be looked at, tried or heard, and which causes bring it."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType

from lefthand.catalogue.causes import Cause
from lefthand.catalogue.playings import Playing
from lefthand.values.errors import InputError
from lefthand.values.fields import Fields, read_one_of
from lefthand.values.knowledge_file import Record
from lefthand.values.measures import MEASURES, ON_PICTURES
from lefthand.values.vocabulary import FINGERS, Grade, Instrument, Stage

DEFINING = "D"
STRENGTHS = {DEFINING: 0.95, "S": 0.80, "M": 0.50, "W": 0.25}
DEFAULT_LEAK = 0.05
MOST_MISTAKEN = 0.1
# Of a sign that is the cause seen: rarely there without it, rarely graded strong by mistake.
DEFINING_LEAK = 0.01
DEFINING_MISTAKEN = {"clear": 0.04, "strong": 0.003}


@dataclass(frozen=True, slots=True)
class ToPair:
    """`before`, `after`: what is measured, in a few words; `finger` 1..4: of which."""

    measure: str
    finger: int
    before: str
    after: str


@dataclass(frozen=True, slots=True, eq=False)
class Evidence:
    """One thing that can be checked.

    `photo`: what points on a picture tell of it, beside a measure or without one. `pair`: what a
    trial measures before and after one thing was changed.
    `causes` maps a cause to the probability that it alone produces the evidence; `leak` is the
    probability with none of them present. `mistaken`: the chances that it is graded clear and that
    it is graded strong though it is not there; None for the usual ones. `seconds` is the cost of
    the check in a lesson, `playing` what is played for it and shared by all that is looked at in
    the same playing. `unseen`: instruments behind which it hides: graded when it shows, never
    asked for. `rule_out`: a check of what is no fault of the left hand and explains this one.
    `of_idle`: the fingers named are those that should be let go, not those in trouble.
    `told`: the player tells it, there is nothing to see. `free`: how it is when it is not there, ""
    for a trial. `means`: what counts as slight, clear and strong.
    """

    id: str
    stage: Stage
    seconds: int
    playing: str | None
    unseen: frozenset[Instrument]
    rule_out: str | None
    of_idle: bool
    told: bool
    per_finger: bool
    of_finger: int | None
    instruments: frozenset[Instrument]
    measure: str | None
    pair: ToPair | None
    photo: str | None
    leak: float
    mistaken: tuple[float, float] | None
    causes: Mapping[str, float]
    place: str
    label: str
    look: str
    note: str
    free: str
    means: tuple[str, ...]
    child: str

    @property
    def is_trial(self) -> bool:
        return self.stage is Stage.TRIAL


def fingers_named(evidence: Evidence) -> tuple[int, ...]:
    """Fingers that this evidence can speak about."""
    if evidence.per_finger:
        return FINGERS
    return (evidence.of_finger,) if evidence.of_finger else ()


def read_evidence(
    record: Record, causes: Mapping[str, Cause], playings: Mapping[str, Playing]
) -> Evidence:
    """One record of the file. Raises CatalogueError naming it."""
    measure = record.text("measure", default="") or None
    if measure is not None and measure not in MEASURES:
        record.fail(f"measure: {measure!r} has no thresholds")
    photo = record.text("photo", default=measure if measure in ON_PICTURES else "") or None
    if photo is not None and photo not in ON_PICTURES:
        record.fail(f"photo: {photo!r} is nothing that a picture tells")
    pair = _pair(record)
    of_finger = record.whole("of_finger", 1, 4, default=0) or None
    strengths = _strengths(record, causes)
    defining = STRENGTHS[DEFINING] in strengths.values()
    seconds = record.whole("seconds", 1, 600)
    stage = record.choice("stage", Stage)
    if pair is not None and stage is not Stage.TRIAL:
        record.fail("pair: only a trial is measured before and after")
    evidence = Evidence(
        id=record.id,
        stage=stage,
        seconds=seconds,
        playing=_playing(record, seconds, playings),
        unseen=record.instruments("unseen", []),
        rule_out=record.text("rule_out", default="") or None,
        of_idle=record.flag("idle"),
        told=record.flag("told"),
        per_finger=record.flag("finger"),
        of_finger=of_finger,
        instruments=record.instruments(),
        measure=measure,
        pair=pair,
        photo=photo,
        leak=record.number("leak", 0.0, 1.0, default=DEFINING_LEAK if defining else DEFAULT_LEAK),
        mistaken=_mistaken(record, DEFINING_MISTAKEN if defining else None),
        causes=strengths,
        place=record.text("place"),
        label=record.text("label"),
        look=record.text("look"),
        note=record.text("note", default=""),
        free=_free(record, stage),
        means=_means(record),
        child=record.text("child", default=""),
    )
    record.done()
    return evidence


def _pair(record: Record) -> ToPair | None:
    given = record.mapping("pair", default={})
    if not given:
        return None
    fields = Fields(given)
    try:
        found = ToPair(
            measure=fields.read("measure", read_one_of, MEASURES),
            finger=fields.whole("finger", 1, 4),
            before=fields.text("before"),
            after=fields.text("after"),
        )
        fields.done()
    except InputError as error:
        record.fail(f"pair.{error.field}: {error.problem}")
    return found


def _playing(record: Record, seconds: int, playings: Mapping[str, Playing]) -> str | None:
    name = record.text("plays", default="") or None
    if name is not None and name not in playings:
        record.fail(f"plays: unknown playing {name!r}")
    if name is not None and playings[name].seconds >= seconds:
        record.fail(f"seconds: expected more than the {playings[name].seconds} s of its playing")
    return name


def _mistaken(record: Record, default: Mapping[str, float] | None) -> tuple[float, float] | None:
    chances = record.mapping("mistaken", default=default or {})
    if not chances:
        return None
    if set(chances) != {"clear", "strong"} or not all(
        isinstance(c, float) and 0 < c <= MOST_MISTAKEN for c in chances.values()
    ):
        record.fail(f"mistaken: expected chances for clear and strong, got {dict(chances)!r}")
    return chances["clear"], chances["strong"]


def _free(record: Record, stage: Stage) -> str:
    if stage is Stage.TRIAL:
        return ""
    return record.text("free")


def _means(record: Record) -> tuple[str, ...]:
    means = tuple(record.words("means"))
    if len(means) != len(Grade) - 1:
        record.fail(f"means: expected words for slight, clear and strong, got {means!r}")
    return means


def _strengths(record: Record, causes: Mapping[str, Cause]) -> Mapping[str, float]:
    strengths = {}
    for cause, letter in record.mapping("from").items():
        if cause not in causes:
            record.fail(f"from: unknown cause {cause!r}")
        if letter not in STRENGTHS:
            record.fail(f"from.{cause}: strength must be D, S, M or W, got {letter!r}")
        strengths[cause] = STRENGTHS[letter]
    if not strengths:
        record.fail("from: at least one cause is needed")
    return MappingProxyType(strengths)
