"""The knowledge base as typed, checked values.

`load_catalogue()` reads the project's own data files; `read_catalogue(folder)` reads any folder
with files of the same shape. Everything is checked on load: an unknown id, strength, instrument or
field, or a cycle in `needs`, is a `CatalogueError` that names file and record.
"""

from collections.abc import Iterator, Mapping, Set
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from types import MappingProxyType
from typing import Any

from lefthand.catalogue.drills import Recipes, read_recipes, recipes_by_instrument
from lefthand.catalogue.exercises import Exercise, check_needs, read_exercises
from lefthand.catalogue.playings import Playing, read_playing
from lefthand.catalogue.self_check import SelfCheck, read_self_check
from lefthand.catalogue.sizes import read_sizes
from lefthand.catalogue.starting import StartingChance, read_starting_chance
from lefthand.catalogue.takes import ToPlay, read_to_play
from lefthand.catalogue.tunes import Tune, read_tune
from lefthand.values.errors import CatalogueError
from lefthand.values.knowledge_file import Record, read_records
from lefthand.values.measures import MEASURES, ON_PICTURES, Cuts
from lefthand.values.names import Named
from lefthand.values.vocabulary import FINGERS, Grade, Instrument, Stage

KNOWLEDGE = Path(__file__).parent / "knowledge"
DEFINING = "D"
STRENGTHS = {DEFINING: 0.95, "S": 0.80, "M": 0.50, "W": 0.25}
DEFAULT_LEAK = 0.05
MOST_MISTAKEN = 0.1
# Of a sign that is the cause seen: rarely there without it, rarely graded strong by mistake.
DEFINING_LEAK = 0.01
DEFINING_MISTAKEN = {"clear": 0.04, "strong": 0.003}
ALL_INSTRUMENTS = frozenset(Instrument)


@dataclass(frozen=True, slots=True)
class Cause:
    """One reason for trouble. `order` is upstream first; `prior` a probability in 0..1. `easier`:
    said to the player when it is less. `takes`: how long it usually takes, in words; `weeks`: the
    same as (soonest, latest), None where it is not a matter of weeks."""

    id: str
    order: int
    prior: float
    instruments: frozenset[Instrument]
    name: str
    meaning: str
    because: str
    easier: str
    takes: str
    weeks: tuple[int, int] | None
    settle: tuple[str, ...]
    begin_with: tuple[str, ...]
    places: tuple[str, ...]


@dataclass(frozen=True, slots=True, eq=False)
class Evidence:
    """One thing that can be checked.

    `photo`: what points on a picture tell of it, beside a measure or without one.
    `causes` maps a cause to the probability that it alone produces the evidence; `leak` is the
    probability with none of them present. `mistaken`: the chances that it is graded clear and that
    it is graded strong though it is not there; None for the usual ones. `seconds` is the cost of
    the check in a lesson, `playing` what is played for it and shared by all that is looked at in
    the same playing. `unseen`: instruments behind which it hides: graded when it shows, never
    asked for. `rule_out`: a check of what is no fault of the left hand and explains this one.
    `of_idle`: the fingers named are those that should be let go, not those in trouble.
    `means`: what counts as slight, clear and strong.
    """

    id: str
    stage: Stage
    seconds: int
    playing: str | None
    unseen: frozenset[Instrument]
    rule_out: str | None
    of_idle: bool
    per_finger: bool
    of_finger: int | None
    instruments: frozenset[Instrument]
    measure: str | None
    photo: str | None
    leak: float
    mistaken: tuple[float, float] | None
    causes: Mapping[str, float]
    place: str
    label: str
    look: str
    note: str
    means: tuple[str, ...]
    child: str

    @property
    def is_trial(self) -> bool:
        return self.stage is Stage.TRIAL


@dataclass(frozen=True, slots=True)
class Complaint:
    """What a player says, and the evidence that it speaks of. `common`: offered without typing.
    `hurts`: it may speak of pain, so one asks."""

    id: str
    says: str
    evidence: str
    common: bool
    hurts: bool


@dataclass(frozen=True, slots=True)
class Way:
    """One choice in how a teacher teaches.

    `accepts` maps a value to the grades that it accepts: {value: {evidence: (1, 2)}}; `cuts` to the
    edges of measures that it changes; `prefers` to the exercises that it puts first, best first;
    `says` to one sentence more on a piece of evidence or an exercise.
    """

    key: str
    values: tuple[str, ...]
    instruments: frozenset[Instrument]
    label: str
    words: Mapping[str, str]
    accepts: Mapping[str, Mapping[str, tuple[int, ...]]]
    cuts: Mapping[str, Mapping[str, Cuts]]
    prefers: Mapping[str, tuple[str, ...]]
    says: Mapping[str, Mapping[str, str]]

    @property
    def default(self) -> str:
        return self.values[0]


@dataclass(frozen=True, eq=False)
class Catalogue:
    """Everything that is known. Compared and hashed by identity, so that it can key a cache.
    `takes`: what is played so that a check can be heard. `synonyms`: for everyday words those that
    stand in the catalogue."""

    causes: Mapping[str, Cause]
    evidence: Mapping[str, Evidence]
    exercises: Mapping[str, Exercise]
    ways: Mapping[str, Way]
    complaints: Mapping[str, Complaint]
    starting: Mapping[str, StartingChance]
    playings: Mapping[str, Playing]
    drills: Mapping[str, Recipes]
    tunes: Mapping[str, Tune]
    self_checks: Mapping[str, SelfCheck]
    sizes: Mapping[Instrument, Mapping[str, float]]
    synonyms: Mapping[str, tuple[str, ...]]
    takes: Mapping[str, ToPlay]

    def causes_of(self, instrument: Instrument) -> list[Cause]:
        """Causes that this instrument can have, upstream first."""
        return [c for c in self.causes.values() if instrument in c.instruments]

    def evidence_of(self, instrument: Instrument) -> list[Evidence]:
        """Checks that exist on this instrument, in the order of the catalogue."""
        return [e for e in self.evidence.values() if instrument in e.instruments]


@lru_cache(maxsize=1)
def load_catalogue() -> Catalogue:
    """The project's own knowledge base."""
    return read_catalogue(KNOWLEDGE)


def _synonyms(record: Record) -> tuple[str, ...]:
    words = tuple(record.words("words"))
    record.done()
    if not words or any(word != word.lower() for word in (record.id, *words)):
        record.fail("words: expected some, in small letters")
    return words


def read_catalogue(folder: Path) -> Catalogue:
    """Read and check the knowledge files in `folder`. Raises CatalogueError."""
    causes = {e.id: _cause(e) for e in read_records(folder / "causes.yaml")}
    playings = {e.id: read_playing(e) for e in read_records(folder / "playings.yaml")}
    evidence = {
        e.id: _evidence(e, causes, playings) for e in read_records(folder / "evidence.yaml")
    }
    _check_ruled_out(evidence)
    _check_settling_trials(causes, evidence)
    raw = read_recipes(read_records(folder / "drills.yaml"))
    exercises = read_exercises(folder / "exercises", set(causes), set(evidence), raw)
    check_needs(exercises, set(evidence))
    _check_first_exercises(causes, exercises)
    ways = {e.id: _way(e, evidence, exercises) for e in read_records(folder / "ways.yaml")}
    complaints = {e.id: _complaint(e, evidence) for e in read_records(folder / "complaints.yaml")}
    today = {"causes": set(causes), "evidence": set(evidence), "exercises": set(exercises)}
    starting = {
        e.id: read_starting_chance(e, set(causes), set(evidence))
        for e in read_records(folder / "starting.yaml")
    }
    aliases = _aliases(folder / "aliases.yaml", today)
    return Catalogue(
        synonyms={e.id: _synonyms(e) for e in read_records(folder / "synonyms.yaml")},
        causes=Named(causes, aliases["causes"]),
        evidence=Named(evidence, aliases["evidence"]),
        exercises=Named(exercises, aliases["exercises"]),
        ways=MappingProxyType(ways),
        complaints=MappingProxyType(complaints),
        starting=MappingProxyType(starting),
        playings=MappingProxyType(playings),
        drills={
            name: recipes_by_instrument("drills.yaml", name, {"drill": name}, raw) for name in raw
        },
        self_checks={e.id: read_self_check(e) for e in read_records(folder / "self_check.yaml")},
        sizes={Instrument(e.id): read_sizes(e) for e in read_records(folder / "sizes.yaml")},
        takes={
            e.id: read_to_play(e, set(evidence), set(raw))
            for e in read_records(folder / "takes.yaml")
        },
        tunes={e.id: read_tune(e) for e in read_records(folder / "tunes.yaml")},
    )


def _aliases(path: Path, today: Mapping[str, set[str]]) -> dict[str, dict[str, str]]:
    """Earlier ids by part of the catalogue, each with today's."""
    found: dict[str, dict[str, str]] = {part: {} for part in today}
    for record in read_records(path):
        if record.id not in today:
            record.fail(f"expected one of {', '.join(today)}")
        for old, new in record.rest().items():
            if new not in today[record.id] or old in today[record.id]:
                record.fail(f"{old!r}: expected an earlier id and one of today, got {new!r}")
            found[record.id][old] = new
    return found


def _cause(record: Record) -> Cause:
    cause = Cause(
        id=record.id,
        order=record.whole("order", 1, 99),
        prior=record.number("prior", 0.0, 1.0),
        instruments=record.instruments(),
        name=record.text("name"),
        meaning=record.text("meaning"),
        because=record.text("because"),
        easier=record.text("easier"),
        takes=record.text("takes"),
        weeks=_weeks(record),
        settle=tuple(record.words("settle")),
        begin_with=tuple(record.words("begin_with")),
        places=tuple(record.words("places")),
    )
    record.done()
    return cause


def _weeks(record: Record) -> tuple[int, int] | None:
    raw = record.take("weeks", None)
    if raw is None:
        return None
    if not (isinstance(raw, list) and len(raw) == 2 and all(type(week) is int for week in raw)):
        record.fail(f"weeks: expected [soonest, latest], got {raw!r}")
    soonest, latest = raw
    if not 1 <= soonest <= latest:
        record.fail(f"weeks: expected 1 or more, the soonest first, got {raw!r}")
    return soonest, latest


def _evidence(
    record: Record, causes: Mapping[str, Cause], playings: Mapping[str, Playing]
) -> Evidence:
    measure = record.text("measure", default="") or None
    if measure is not None and measure not in MEASURES:
        record.fail(f"measure: {measure!r} has no thresholds")
    photo = record.text("photo", default=measure if measure in ON_PICTURES else "") or None
    if photo is not None and photo not in ON_PICTURES:
        record.fail(f"photo: {photo!r} is nothing that a picture tells")
    of_finger = record.whole("of_finger", 1, 4, default=0) or None
    strengths = _strengths(record, causes)
    defining = STRENGTHS[DEFINING] in strengths.values()
    seconds = record.whole("seconds", 1, 600)
    evidence = Evidence(
        id=record.id,
        stage=record.choice("stage", Stage),
        seconds=seconds,
        playing=_playing(record, seconds, playings),
        unseen=record.instruments("unseen", []),
        rule_out=record.text("rule_out", default="") or None,
        of_idle=record.flag("idle"),
        per_finger=record.flag("finger"),
        of_finger=of_finger,
        instruments=record.instruments(),
        measure=measure,
        photo=photo,
        leak=record.number("leak", 0.0, 1.0, default=DEFINING_LEAK if defining else DEFAULT_LEAK),
        mistaken=_mistaken(record, DEFINING_MISTAKEN if defining else None),
        causes=strengths,
        place=record.text("place"),
        label=record.text("label"),
        look=record.text("look"),
        note=record.text("note", default=""),
        means=_means(record),
        child=record.text("child", default=""),
    )
    record.done()
    return evidence


def _playing(record: Record, seconds: int, playings: Mapping[str, Playing]) -> str | None:
    name = record.text("plays", default="") or None
    if name is not None and name not in playings:
        record.fail(f"plays: unknown playing {name!r}")
    if name is not None and playings[name].seconds >= seconds:
        record.fail(f"seconds: expected more than the {playings[name].seconds} s of its playing")
    return name


def _check_ruled_out(evidence: Mapping[str, Evidence]) -> None:
    for each in evidence.values():
        if each.rule_out is not None and each.rule_out not in evidence:
            problem = f"rule_out: unknown evidence {each.rule_out!r}"
            raise CatalogueError("evidence.yaml", each.id, problem)


def _mistaken(record: Record, default: Mapping[str, float] | None) -> tuple[float, float] | None:
    chances = record.mapping("mistaken", default=default or {})
    if not chances:
        return None
    if set(chances) != {"clear", "strong"} or not all(
        isinstance(c, float) and 0 < c <= MOST_MISTAKEN for c in chances.values()
    ):
        record.fail(f"mistaken: expected chances for clear and strong, got {dict(chances)!r}")
    return chances["clear"], chances["strong"]


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


def _complaint(record: Record, evidence: Mapping[str, Evidence]) -> Complaint:
    complaint = Complaint(
        id=record.id,
        says=record.text("says"),
        evidence=record.text("evidence"),
        common=record.flag("common"),
        hurts=record.flag("hurts"),
    )
    if complaint.evidence not in evidence:
        record.fail(f"evidence: unknown evidence {complaint.evidence!r}")
    record.done()
    return complaint


def _check_settling_trials(causes: Mapping[str, Cause], evidence: Mapping[str, Evidence]) -> None:
    for cause in causes.values():
        for trial in cause.settle:
            if trial not in evidence:
                raise CatalogueError("causes.yaml", cause.id, f"settle: unknown evidence {trial!r}")
            if cause.id not in evidence[trial].causes:
                raise CatalogueError("causes.yaml", cause.id, f"settle: {trial} says nothing of it")


def _check_first_exercises(causes: Mapping[str, Cause], exercises: Mapping[str, Exercise]) -> None:
    for cause in causes.values():
        for name in cause.begin_with:
            if name not in exercises or cause.id not in exercises[name].aims:
                problem = f"begin_with: {name!r} is not an exercise that aims at it"
                raise CatalogueError("causes.yaml", cause.id, problem)


def _way(
    record: Record, evidence: Mapping[str, Evidence], exercises: Mapping[str, Exercise]
) -> Way:
    words = record.mapping("values")

    def by_value(name: str) -> Iterator[tuple[str, Any]]:
        for value, found in record.mapping(name, default={}).items():
            if value not in words:
                record.fail(f"{name}: unknown value {value!r}")
            yield value, found

    way = Way(
        key=record.id,
        values=tuple(words),
        instruments=record.instruments(),
        label=record.text("label"),
        words=MappingProxyType({k: str(v) for k, v in words.items()}),
        accepts={v: _accepted(record, v, found, evidence) for v, found in by_value("accepts")},
        cuts={v: _way_cuts(record, v, found) for v, found in by_value("cuts")},
        prefers={v: _preferred(record, v, found, exercises) for v, found in by_value("prefers")},
        says={
            v: _said(record, v, found, evidence.keys() | exercises.keys())
            for v, found in by_value("says")
        },
    )
    record.done()
    return way


def _accepted(
    record: Record, value: str, grades: Any, evidence: Mapping[str, Evidence]
) -> Mapping[str, tuple[int, ...]]:
    for name, accepted in grades.items():
        if name not in evidence:
            record.fail(f"accepts.{value}: unknown evidence {name!r}")
        if not set(accepted) <= {1, 2, 3}:
            record.fail(f"accepts.{value}.{name}: grades must be 1, 2 or 3")
    return MappingProxyType({name: tuple(accepted) for name, accepted in grades.items()})


def _way_cuts(record: Record, value: str, cuts: Any) -> Mapping[str, Cuts]:
    for measure, edges in cuts.items():
        spec = MEASURES.get(measure)
        if spec is None:
            record.fail(f"cuts.{value}: unknown measure {measure!r}")
        elif edges != sorted(edges, reverse=not spec.higher_is_worse) or len(edges) != len(
            spec.cuts
        ):
            record.fail(f"cuts.{value}.{measure}: expected three edges, each worse than the last")
    return MappingProxyType({measure: tuple(edges) for measure, edges in cuts.items()})


def _preferred(
    record: Record, value: str, names: Any, exercises: Mapping[str, Exercise]
) -> tuple[str, ...]:
    unknown = [n for n in names if n not in exercises]
    if unknown:
        record.fail(f"prefers.{value}: unknown exercise {unknown[0]!r}")
    return tuple(names)


def _said(record: Record, value: str, said: Any, known: Set[str]) -> Mapping[str, str]:
    unknown = sorted(set(said) - known)
    if unknown:
        record.fail(f"says.{value}: unknown evidence or exercise {unknown[0]!r}")
    return MappingProxyType({name: str(sentence) for name, sentence in said.items()})


def fingers_named(evidence: Evidence) -> tuple[int, ...]:
    """Fingers that this evidence can speak about."""
    if evidence.per_finger:
        return FINGERS
    return (evidence.of_finger,) if evidence.of_finger else ()
