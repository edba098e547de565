"""Ways of teaching: what is no fault, where numbers turn into grades, and what is said."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.ways import Way
from lefthand.values.measures import Cuts
from lefthand.values.vocabulary import Instrument


@dataclass(frozen=True, slots=True)
class Accepted:
    """A finding that counts as not checked, and in plain words why it is no fault."""

    evidence: str
    words: str


def way_value(chosen: Mapping[str, str], catalogue: Catalogue, key: str) -> str:
    """The value in force: the chosen one or the default."""
    return chosen.get(key, catalogue.ways[key].default)


def ways_in_force(
    chosen: Mapping[str, str], catalogue: Catalogue, instrument: Instrument
) -> Iterator[tuple[Way, str]]:
    """Every way that this instrument has, with its value: the chosen one or the default."""
    for way in catalogue.ways.values():
        if instrument in way.instruments:
            yield way, chosen.get(way.key, way.default)


def cuts_in_force(
    chosen: Mapping[str, str], catalogue: Catalogue, instrument: Instrument
) -> dict[str, Cuts]:
    """Edges between grades that the chosen ways change, by measure."""
    changed: dict[str, Cuts] = {}
    for way, value in ways_in_force(chosen, catalogue, instrument):
        changed.update(way.cuts.get(value, {}))
    return changed


def said_in_force(
    chosen: Mapping[str, str], catalogue: Catalogue, instrument: Instrument
) -> dict[str, list[str]]:
    """What the chosen ways say more about pieces of evidence and exercises, by id."""
    said: dict[str, list[str]] = {}
    for way, value in ways_in_force(chosen, catalogue, instrument):
        for name, sentence in way.says.get(value, {}).items():
            said.setdefault(name, []).append(sentence)
    return said


def accepted_findings(
    chosen: Mapping[str, str],
    catalogue: Catalogue,
    instrument: Instrument,
    grades: Mapping[str, int],
) -> dict[str, Accepted]:
    """The findings among `grades` that the ways in force accept, by evidence id."""
    accepted = {}
    for way, value in ways_in_force(chosen, catalogue, instrument):
        for evidence, levels in way.accepts.get(value, {}).items():
            if grades.get(evidence) in levels:
                words = f"{way.label.lower()}: {way.words[value]}"
                accepted[evidence] = Accepted(evidence, words)
    return accepted
