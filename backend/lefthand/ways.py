"""Ways of teaching: which findings a teacher's way does not call a fault."""

from collections.abc import Mapping
from dataclasses import dataclass

from lefthand.case import Case
from lefthand.catalogue import Catalogue


@dataclass(frozen=True, slots=True)
class Accepted:
    """A finding that counts as not checked, and the choice that accepts it."""

    evidence: str
    way: str
    value: str


def way_value(case: Case, catalogue: Catalogue, key: str) -> str:
    """The value in force for this case: the chosen one or the default."""
    return case.way_of_teaching.get(key, catalogue.ways[key].default)


def accepted_findings(
    case: Case, catalogue: Catalogue, grades: Mapping[str, int]
) -> dict[str, Accepted]:
    """The findings among `grades` that the ways in force accept, by evidence id."""
    accepted = {}
    for way in catalogue.ways.values():
        if case.instrument not in way.instruments:
            continue
        value = way_value(case, catalogue, way.key)
        for evidence, levels in way.accepts.get(value, {}).items():
            if grades.get(evidence) in levels:
                accepted[evidence] = Accepted(evidence, way.key, value)
    return accepted
