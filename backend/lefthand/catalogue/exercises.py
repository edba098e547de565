"""The catalogue of graded exercises as typed, checked values."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from enum import StrEnum
from pathlib import Path
from types import MappingProxyType
from typing import Any

from lefthand.catalogue.drills import Recipes, recipes_by_instrument
from lefthand.values.dose import BARS, DEFAULT_SECONDS_EACH, DEFAULT_TEMPO, NOTES_PER_BAR, Dose
from lefthand.values.errors import CatalogueError
from lefthand.values.knowledge_file import Record, read_records
from lefthand.values.vocabulary import (
    FingerRole,
    Instrument,
    Kind,
    Level,
    Likelihood,
    Place,
    Setting,
)

MAX_STEPS = 6
# Fields that are read as they are called: flags that may be missing, texts that must be there, and
# texts that may be missing.
FLAGS = (
    *("general", "in_lesson", "thumb_away", "swings", "four_fingers", "helper", "stretch"),
    *("nudge", "long_hold", "tempo_work", "hand_away", "never_with_pain", "two_pictures"),
)
TEXTS = ("name", "does", "feel", "mistake", "child", "mirror", "over", "stop")
MORE_TEXTS = ("alone", "helper_does", "added")
# What holding loads, by whether the instrument is held up at the shoulder.
HOLDING = {
    True: frozenset({Place.NECK, Place.SHOULDER}),
    False: frozenset({Place.SHOULDER}),
}
RawRecipes = Mapping[str, Mapping[str, Any]]


class Called(StrEnum):
    """What a caller calls out."""

    STRINGS = "strings"
    FINGERS = "fingers"
    LET_GO = "let go"


@dataclass(frozen=True, slots=True)
class Calls:
    """Calls every `seconds`, in any order or in theirs."""

    what: Called
    seconds: float
    in_order: bool


class PieceTempo(StrEnum):
    """At what tempo a step is played in the player's own piece: half of the goal; where it stays
    loose; from there to nearly the goal; from there to the goal."""

    HALF = "half"
    SLOW = "slow"
    NEARER = "nearer"
    FULL = "full"


@dataclass(frozen=True, slots=True)
class InPiece:
    """How a step is played in a place of the player's own piece. `bars`: how many, None for those
    of the place. `tempo`: None for what the player chooses."""

    bars: int | None
    tempo: PieceTempo | None


@dataclass(frozen=True, slots=True)
class Rung:
    """One step of a ladder: how it is done on this step, where, and how much.

    `music`: its recipe by instrument, empty where it has no music. `said_on`: other words for an
    instrument. `all_sets`: its music holds the repetitions of all sets. `calls`: what somebody
    calls out meanwhile. `in_piece`: None for what is not played in a piece of the player's own.
    `thumb_away`: on this rung the thumb carries nothing. `turns`: what one repetition goes through,
    one after the other, each as long; empty where it is one thing.
    """

    words: str
    setting: Setting
    dose: Dose
    level: Level
    music: Recipes
    said_on: Mapping[Instrument, str]
    all_sets: bool
    calls: Calls | None
    in_piece: InPiece | None
    thumb_away: bool
    turns: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Exercise:
    """One exercise with its ladder.

    Safety rules read `kind`, `stretch` (loads the span of the hand), `static_s` (longest still hold
    of a loaded finger, s), `nudge` (a joint is moved from outside), `long_hold` and `min_age`
    (years). `not_while` maps a cause to the likelihood from which the exercise is withheld.
    `finger`: what becomes of the finger that the findings name: it is trained, or let go; None when
    the exercise is for the whole hand. `answers`: signs that it works on directly. `general`: fits
    whatever the focus is. `in_lesson`: done with the teacher, no practice at home. `loads`: what it
    strains or moves under load by itself; holding the instrument comes on top (`loads_on`).
    `never_with_pain`: not while anything hurts. `thumb_away`: the thumb carries nothing;
    `hand_away`: the left hand leaves the instrument. `two_pictures`: whether the hand stayed as it
    was can be told from a picture before and one after. `swings`: arm swings, few of them for old
    shoulders.
    `four_fingers`: for a hand whose third works alone. `tempo_work`: from a start tempo to a goal
    by what goes clean. `child`: how to say it to a child.
    `mirror`: what to watch. `over`: too much of a good thing. `added`: why it stands beside the
    first catalogue.
    """

    id: str
    kind: Kind
    setting: Setting
    instruments: frozenset[Instrument]
    level: Level
    aims: tuple[str, ...]
    loads: frozenset[Place]
    never_with_pain: bool
    needs: tuple[str, ...]
    not_while: Mapping[str, Likelihood]
    finger: FingerRole | None
    answers: tuple[str, ...]
    general: bool
    in_lesson: bool
    thumb_away: bool
    hand_away: bool
    two_pictures: bool
    swings: bool
    four_fingers: bool
    tempo_work: bool
    helper: bool
    alone: str
    equipment: tuple[str, ...]
    stretch: bool
    nudge: bool
    long_hold: bool
    static_s: float
    min_age: int
    name: str
    does: str
    steps: tuple[str, ...]
    steps_on: Mapping[Instrument, tuple[str, ...]]
    steps_in_piece: tuple[str, ...]
    feel: str
    mistake: str
    child: str
    mirror: str
    over: str
    stop: str
    helper_does: str
    passed_when: str
    added: str
    rungs: tuple[Rung, ...]

    @property
    def has_music(self) -> bool:
        return any(rung.music for rung in self.rungs)

    @property
    def takes_piece(self) -> bool:
        """True for a step into a piece of the player's own."""
        return any(rung.in_piece for rung in self.rungs)

    def steps_of(self, instrument: Instrument, *, in_piece: bool = False) -> tuple[str, ...]:
        """How it is done on this instrument; in_piece: with bars of the player's own printed."""
        if in_piece and self.steps_in_piece:
            return self.steps_in_piece
        return self.steps_on.get(instrument, self.steps)

    def words_of(self, number: int, instrument: Instrument) -> str:
        """What a rung (counted from 1) is called on this instrument."""
        rung = self.rung(number)
        return rung.said_on.get(instrument, rung.words)

    def rung(self, number: int) -> Rung:
        """Rung by its number, counted from 1."""
        return self.rungs[number - 1]

    def lets_go_of_it(self, number: int) -> bool:
        """Thumb or hand leave the instrument on this rung, so that something else must carry it."""
        return self.thumb_away or self.hand_away or self.rung(number).thumb_away

    def loads_on(self, instrument: Instrument, number: int) -> frozenset[Place]:
        """What a rung loads on this instrument, holding it included."""
        if self.rung(number).setting is Setting.AWAY:
            return self.loads
        return self.loads | HOLDING[instrument.is_held_up]


def read_exercises(
    folder: Path, causes: set[str], evidence: set[str], drills: RawRecipes
) -> dict[str, Exercise]:
    """All exercises in the YAML files of `folder`. Raises CatalogueError."""
    exercises: dict[str, Exercise] = {}
    files = sorted(folder.glob("*.yaml"))
    if not files:
        raise CatalogueError(folder.name, "folder", "no exercise files")
    for path in files:
        for record in read_records(path):
            if record.id in exercises:
                record.fail("stands in another file too")
            exercises[record.id] = _exercise(record, causes, drills)
    for exercise in exercises.values():
        for need in exercise.needs:
            if need not in exercises and need not in evidence:
                raise CatalogueError(
                    "exercises", exercise.id, f"needs: unknown exercise or evidence {need!r}"
                )
        for sign in exercise.answers:
            if sign not in evidence:
                raise CatalogueError(
                    "exercises", exercise.id, f"answers: unknown evidence {sign!r}"
                )
    return exercises


def check_needs(exercises: Mapping[str, Exercise], evidence: set[str]) -> None:
    """Refuse a circle of exercises that each need the next."""
    for start in exercises:
        trail = [start]
        while True:
            following = [n for n in exercises[trail[-1]].needs if n not in evidence]
            if not following:
                break
            if following[0] in trail:
                circle = " needs ".join([*trail, following[0]])
                raise CatalogueError("exercises", start, f"needs: goes in a circle: {circle}")
            trail.append(following[0])


def _exercise(record: Record, causes: set[str], drills: RawRecipes) -> Exercise:
    aims = tuple(record.words("aims"))
    unknown = [c for c in aims if c not in causes]
    if unknown or not aims:
        record.fail(f"aims: unknown cause {unknown or aims!r}")
    setting = record.choice("setting", Setting)
    level = record.choice("level", Level, default=Level.BEGINNER)
    plain: dict[str, Any] = {
        **{flag: record.flag(flag) for flag in FLAGS},
        **{text: record.text(text) for text in TEXTS},
        **{text: record.text(text, default="") for text in MORE_TEXTS},
    }
    exercise = Exercise(
        id=record.id,
        kind=record.choice("kind", Kind),
        setting=setting,
        instruments=record.instruments(),
        level=level,
        aims=aims,
        loads=_loads(record),
        needs=tuple(record.words("needs", [])),
        not_while=_limits(record, causes),
        finger=record.choice("finger", FingerRole, default=None),
        answers=tuple(record.words("answers", [])),
        equipment=tuple(record.words("equipment", [])),
        static_s=record.number("static_s", 0, 60, default=0),
        min_age=record.whole("min_age", 0, 99, default=0),
        steps=_steps(record, record.take("steps")),
        steps_on=_steps_on(record),
        steps_in_piece=_steps_in_piece(record),
        passed_when=record.text("pass"),
        rungs=tuple(_rungs(record, setting, level, drills)),
        **plain,
    )
    record.done()
    return exercise


def _loads(record: Record) -> frozenset[Place]:
    loads = record.words("loads")
    unknown = set(loads) - (set(Place) - {Place.SKIN})
    if unknown:
        record.fail(f"loads: unknown place {min(unknown)!r}")
    return frozenset(map(Place, loads))


def _steps(record: Record, value: Any) -> tuple[str, ...]:
    if not isinstance(value, list) or not all(isinstance(step, str) for step in value):
        record.fail(f"steps: expected a list of sentences, got {value!r}")
    if not 1 <= len(value) <= MAX_STEPS:
        record.fail(f"steps: expected 1 to {MAX_STEPS}, got {len(value)}")
    return tuple(step.strip() for step in value)


def _steps_in_piece(record: Record) -> tuple[str, ...]:
    said = record.take("steps_in_piece", None)
    return () if said is None else _steps(record, said)


def _steps_on(record: Record) -> Mapping[Instrument, tuple[str, ...]]:
    said = record.mapping("steps_on", default={})
    unknown = set(said) - set(Instrument)
    if unknown:
        record.fail(f"steps_on: unknown instrument {min(unknown)!r}")
    return {Instrument(name): _steps(record, steps) for name, steps in said.items()}


def _limits(record: Record, causes: set[str]) -> Mapping[str, Likelihood]:
    limits = {}
    for cause, word in record.mapping("not_while", default={}).items():
        if cause not in causes:
            record.fail(f"not_while: unknown cause {cause!r}")
        if word not in (Likelihood.POSSIBLE, Likelihood.LIKELY):
            record.fail(f"not_while.{cause}: expected possible or likely, got {word!r}")
        limits[cause] = Likelihood(word)
    return MappingProxyType(limits)


def _rungs(record: Record, setting: Setting, level: Level, drills: RawRecipes) -> Iterator[Rung]:
    for row in record.rows("rungs"):
        music = row.mapping("music", default={})
        yield Rung(
            words=row.text("as"),
            setting=row.choice("setting", Setting, default=setting),
            level=row.choice("level", Level, default=level),
            music=recipes_by_instrument(row.file, row.id, music, drills) if music else {},
            said_on=_said_on(row),
            all_sets=row.flag("all_sets"),
            calls=_calls(row),
            in_piece=_in_piece(row),
            thumb_away=row.flag("thumb_away"),
            turns=tuple(row.words("turns", [])),
            dose=read_dose(row),
        )
        row.done()


def _calls(row: Record) -> Calls | None:
    raw = row.take("calls", None)
    if raw is None:
        return None
    part = Record(row.file, f"{row.id}.calls", raw)
    calls = Calls(
        part.choice("what", Called), part.number("seconds", 1, 120), part.flag("in_order")
    )
    part.done()
    return calls


def _in_piece(row: Record) -> InPiece | None:
    raw = row.take("in_piece", None)
    if raw is None:
        return None
    part = Record(row.file, f"{row.id}.in_piece", raw)
    told = InPiece(
        part.whole("bars", 2, 16, default=None), part.choice("tempo", PieceTempo, default=None)
    )
    part.done()
    return told


def _said_on(row: Record) -> Mapping[Instrument, str]:
    said = row.mapping("by", default={})
    unknown = set(said) - set(Instrument)
    if unknown:
        row.fail(f"by: unknown instrument {min(unknown)!r}")
    return {Instrument(name): str(words) for name, words in said.items()}


def read_dose(row: Record) -> Dose:
    """The dose of one step. Raises CatalogueError naming it."""
    tempo = row.whole("tempo", 20, 500, default=None)
    bars = row.whole("bars", 1, 64, default=None)
    hold = row.number("hold", 1, 600, default=None)
    common = {
        "sets": row.whole("sets", 1, 12, default=1),
        "pause": row.number("pause", 0, 60, default=0),
        "rest": row.number("rest", 0, 120, default=0),
        "per": row.text("per", default=""),
        "tempo": tempo,
    }
    if common["per"] not in ("", "finger", "string", "pair"):
        row.fail(f"per: expected finger, string or pair, got {common['per']!r}")
    if bars is not None:
        bar_seconds = NOTES_PER_BAR * 60 / (tempo or DEFAULT_TEMPO)
        return Dose(reps=bars, unit=BARS, seconds=bar_seconds, **common)
    reps = row.whole("reps", 1, 60)
    if hold is not None:
        return Dose(reps=reps, seconds=hold, is_hold=True, **common)
    seconds = row.number("seconds", 0.2, 600, default=DEFAULT_SECONDS_EACH)
    return Dose(reps=reps, seconds=seconds, unit=row.text("of", default=""), **common)
