"""Choices in how a teacher teaches, and what each changes."""

from collections.abc import Iterator, Mapping, Set
from dataclasses import dataclass
from types import MappingProxyType
from typing import Any

from lefthand.catalogue.evidence import Evidence
from lefthand.catalogue.exercises import Exercise
from lefthand.values.knowledge_file import Record
from lefthand.values.measures import MEASURES, Cuts
from lefthand.values.vocabulary import Instrument


@dataclass(frozen=True, slots=True)
class Way:
    """One choice in how a teacher teaches.

    `accepts` maps a value to the grades that it accepts: {value: {evidence: (1, 2)}}; `cuts` to the
    edges of measures that it changes; `prefers` to the exercises that it puts first and `puts_back`
    to those that it puts last; `says` to one sentence more on a piece of evidence or an exercise;
    `schools` to what those who teach so say for it. `keeps_down`: values with which music prints
    that fingers stay down.
    """

    key: str
    values: tuple[str, ...]
    instruments: frozenset[Instrument]
    label: str
    words: Mapping[str, str]
    accepts: Mapping[str, Mapping[str, tuple[int, ...]]]
    cuts: Mapping[str, Mapping[str, Cuts]]
    prefers: Mapping[str, tuple[str, ...]]
    puts_back: Mapping[str, tuple[str, ...]]
    keeps_down: frozenset[str]
    schools: Mapping[str, str]
    says: Mapping[str, Mapping[str, str]]

    @property
    def default(self) -> str:
        return self.values[0]


def read_way(
    record: Record, evidence: Mapping[str, Evidence], exercises: Mapping[str, Exercise]
) -> Way:
    """One record of the file. Raises CatalogueError naming it."""
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
        puts_back={
            v: _preferred(record, v, found, exercises) for v, found in by_value("puts_back")
        },
        keeps_down=frozenset(record.words("keeps_down", [])),
        schools={v: str(found) for v, found in by_value("schools")},
        says={
            v: _said(record, v, found, evidence.keys() | exercises.keys())
            for v, found in by_value("says")
        },
    )
    record.done()
    unknown = way.keeps_down - set(words)
    if unknown:
        record.fail(f"keeps_down: unknown value {min(unknown)!r}")
    if set(way.schools) != set(words):
        record.fail("schools: expected a sentence for each value")
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
        record.fail(f"{value}: unknown exercise {unknown[0]!r}")
    return tuple(names)


def _said(record: Record, value: str, said: Any, known: Set[str]) -> Mapping[str, str]:
    unknown = sorted(set(said) - known)
    if unknown:
        record.fail(f"says.{value}: unknown evidence or exercise {unknown[0]!r}")
    return MappingProxyType({name: str(sentence) for name, sentence in said.items()})
