"""How common a cause is before anything is seen, by what kind of player it is.

The factors on the odds are data (`knowledge/starting.yaml`, working judgement, no source).
"""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType
from typing import Any

from lefthand.values.fields import Fields
from lefthand.values.knowledge_file import Record
from lefthand.values.vocabulary import Grade, Lately, Level

MOST_TIMES = 5.0


@dataclass(frozen=True, slots=True)
class Who:
    """A description of players; what is None fits everybody."""

    level: Level | None = None
    age_below: float | None = None
    age_from: float | None = None
    hours_from: float | None = None
    lately: Lately | None = None


@dataclass(frozen=True, slots=True)
class StartingChance:
    """For players whom one of `who` fits: factors on the odds of causes, and grades of signs that
    are no fault. `because`: the reason in plain words."""

    id: str
    who: tuple[Who, ...]
    odds: Mapping[str, float]
    ordinary: Mapping[str, tuple[int, ...]]
    because: str


def read_starting_chance(record: Record, causes: set[str], evidence: set[str]) -> StartingChance:
    """One record of the file. Raises CatalogueError naming it."""
    chance = StartingChance(
        id=record.id,
        who=tuple(_who(row) for row in record.rows("who")),
        odds=_odds(record, causes),
        ordinary=_ordinary(record, evidence),
        because=record.text("because"),
    )
    if not chance.odds and not chance.ordinary:
        record.fail("odds: expected some, or signs that are ordinary")
    record.done()
    return chance


def _who(row: Fields) -> Who:
    who = Who(
        level=row.choice("level", Level, default=None),
        age_below=row.number("age_below", 0, 120, default=None),
        age_from=row.number("age_from", 0, 120, default=None),
        hours_from=row.number("hours_from", 0, 24, default=None),
        lately=row.choice("lately", Lately, default=None),
    )
    row.done()
    return who


def _odds(record: Record, causes: set[str]) -> Mapping[str, float]:
    odds: dict[str, Any] = dict(record.mapping("odds", default={}))
    for cause, factor in odds.items():
        if cause not in causes:
            record.fail(f"odds: unknown cause {cause!r}")
        if not isinstance(factor, int | float) or not 1 / MOST_TIMES <= factor <= MOST_TIMES:
            record.fail(f"odds.{cause}: expected a factor up to {MOST_TIMES:g}, got {factor!r}")
    return MappingProxyType(odds)


def _ordinary(record: Record, evidence: set[str]) -> Mapping[str, tuple[int, ...]]:
    grades: dict[str, Any] = dict(record.mapping("ordinary", default={}))
    for name, some in grades.items():
        if name not in evidence:
            record.fail(f"ordinary: unknown evidence {name!r}")
        if not isinstance(some, list) or not set(some) <= set(Grade):
            record.fail(f"ordinary.{name}: expected grades, got {some!r}")
    return MappingProxyType({name: tuple(some) for name, some in grades.items()})
