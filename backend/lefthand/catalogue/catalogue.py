"""The knowledge base as typed, checked values.

`load_catalogue()` reads the project's own data files; `read_catalogue(folder)` reads any folder
with files of the same shape. Everything is checked on load: an unknown id, strength, instrument or
field, or a cycle in `needs`, is a `CatalogueError` that names file and record.
"""

from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path
from types import MappingProxyType

from lefthand.catalogue.briefs import Brief, read_brief
from lefthand.catalogue.causes import Cause, read_cause
from lefthand.catalogue.complaints import Complaint, read_complaint
from lefthand.catalogue.drills import Recipes, read_recipes, recipes_by_instrument
from lefthand.catalogue.evidence import Evidence, read_evidence
from lefthand.catalogue.exercises import Exercise, check_needs, read_exercises
from lefthand.catalogue.help_pages import HelpPage, read_help
from lefthand.catalogue.one_things import NO_FOCUS, OneThings, read_one_things
from lefthand.catalogue.playings import Playing, read_playing
from lefthand.catalogue.self_check import SelfCheck, read_self_check
from lefthand.catalogue.sizes import read_sizes
from lefthand.catalogue.starting import StartingChance, read_starting_chance
from lefthand.catalogue.takes import ToPlay, read_to_play
from lefthand.catalogue.tunes import Tune, read_tune
from lefthand.catalogue.ways import Way, read_way
from lefthand.catalogue.weighing import Weighing, read_weighing
from lefthand.values.errors import CatalogueError
from lefthand.values.knowledge_file import Record, read_records
from lefthand.values.names import Named
from lefthand.values.vocabulary import Instrument

KNOWLEDGE = Path(__file__).parent / "knowledge"


@dataclass(frozen=True, eq=False)
class Catalogue:
    """Everything that is known. Compared and hashed by identity, so that it can key a cache.
    `takes`: what is played so that a check can be heard. `synonyms`: for everyday words those that
    stand in the catalogue; `called`: by id what people call it. `briefs`: of each exercise what
    stands on paper; `one_things`: what a week is about, said to the player, by cause."""

    causes: Mapping[str, Cause]
    evidence: Mapping[str, Evidence]
    exercises: Mapping[str, Exercise]
    briefs: Mapping[str, Brief]
    one_things: Mapping[str, OneThings]
    ways: Mapping[str, Way]
    complaints: Mapping[str, Complaint]
    starting: Mapping[str, StartingChance]
    playings: Mapping[str, Playing]
    drills: Mapping[str, Recipes]
    tunes: Mapping[str, Tune]
    self_checks: Mapping[str, SelfCheck]
    sizes: Mapping[Instrument, Mapping[str, float]]
    synonyms: Mapping[str, tuple[str, ...]]
    called: Mapping[str, tuple[str, ...]]
    help: Mapping[str, HelpPage]
    takes: Mapping[str, ToPlay]
    weighing: Weighing

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


def _called(folder: Path, known: Collection[str]) -> dict[str, tuple[str, ...]]:
    """By cause, check, exercise or way what people call it. Raises CatalogueError."""
    found = {}
    for record in read_records(folder / "called.yaml"):
        if record.id not in known:
            record.fail("expected a cause, a check, an exercise or a way")
        found[record.id] = tuple(record.words("phrases"))
        record.done()
    return found


def _synonyms(record: Record) -> tuple[str, ...]:
    words = tuple(record.words("words"))
    record.done()
    if not words or any(word != word.lower() for word in (record.id, *words)):
        record.fail("words: expected some, in small letters")
    return words


def read_catalogue(folder: Path) -> Catalogue:
    """Read and check the knowledge files in `folder`. Raises CatalogueError."""
    causes = {e.id: read_cause(e) for e in read_records(folder / "causes.yaml")}
    playings = {e.id: read_playing(e) for e in read_records(folder / "playings.yaml")}
    evidence = {
        e.id: read_evidence(e, causes, playings) for e in read_records(folder / "evidence.yaml")
    }
    _check_ruled_out(evidence)
    _check_settling_trials(causes, evidence)
    raw = read_recipes(read_records(folder / "drills.yaml"))
    exercises = read_exercises(folder / "exercises", set(causes), set(evidence), raw)
    check_needs(exercises, set(evidence))
    _check_first_exercises(causes, exercises)
    briefs = {e.id: read_brief(e) for e in read_records(folder / "brief.yaml")}
    _check_all_there("brief.yaml", exercises, briefs)
    one_things = {e.id: read_one_things(e) for e in read_records(folder / "one_thing.yaml")}
    _check_all_there("one_thing.yaml", [*causes, NO_FOCUS], one_things)
    ways = {e.id: read_way(e, evidence, exercises) for e in read_records(folder / "ways.yaml")}
    complaints = {
        e.id: read_complaint(e, evidence) for e in read_records(folder / "complaints.yaml")
    }
    today = {"causes": set(causes), "evidence": set(evidence), "exercises": set(exercises)}
    starting = {
        e.id: read_starting_chance(e, set(causes), set(evidence))
        for e in read_records(folder / "starting.yaml")
    }
    aliases = _aliases(folder / "aliases.yaml", today)
    return Catalogue(
        synonyms={e.id: _synonyms(e) for e in read_records(folder / "synonyms.yaml")},
        help=MappingProxyType({e.id: read_help(e) for e in read_records(folder / "help.yaml")}),
        called=_called(folder, {*causes, *evidence, *exercises, *ways}),
        causes=Named(causes, aliases["causes"]),
        evidence=Named(evidence, aliases["evidence"]),
        exercises=Named(exercises, aliases["exercises"]),
        briefs=MappingProxyType(briefs),
        one_things=MappingProxyType(one_things),
        ways=MappingProxyType(ways),
        complaints=MappingProxyType(complaints),
        starting=MappingProxyType(starting),
        playings=MappingProxyType(playings),
        drills={
            name: recipes_by_instrument("drills.yaml", name, {"drill": name}, raw) for name in raw
        },
        self_checks=_self_checks(folder, evidence),
        sizes={Instrument(e.id): read_sizes(e) for e in read_records(folder / "sizes.yaml")},
        takes=_takes(folder, set(evidence), set(raw)),
        weighing=_weighing(folder),
        tunes={e.id: read_tune(e) for e in read_records(folder / "tunes.yaml")},
    )


def _takes(folder: Path, evidence: set[str], drills: set[str]) -> dict[str, ToPlay]:
    return {e.id: read_to_play(e, evidence, drills) for e in read_records(folder / "takes.yaml")}


def _self_checks(folder: Path, evidence: Mapping[str, Evidence]) -> dict[str, SelfCheck]:
    return {e.id: read_self_check(e, evidence) for e in read_records(folder / "self_check.yaml")}


def _weighing(folder: Path) -> Weighing:
    (record,) = read_records(folder / "weighing.yaml")
    return read_weighing(record)


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


def _check_ruled_out(evidence: Mapping[str, Evidence]) -> None:
    for each in evidence.values():
        if each.rule_out is not None and each.rule_out not in evidence:
            problem = f"rule_out: unknown evidence {each.rule_out!r}"
            raise CatalogueError("evidence.yaml", each.id, problem)


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


def _check_all_there(file: str, expected: Iterable[str], found: Mapping[str, object]) -> None:
    """Each has its record and no record is of something else."""
    names = set(expected)
    for name in names ^ set(found):
        raise CatalogueError(file, name, "missing" if name in names else "unknown")
