"""What weighs how much for which cause, and what a level bears, as the knowledge has it."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache
from pathlib import Path
from types import MappingProxyType

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.knowledge_file import Record, read_records
from lefthand.values.vocabulary import Level

FILE = Path(__file__).parents[1] / "catalogue" / "knowledge" / "returns.yaml"
LEVEL = "level "


@dataclass(frozen=True, slots=True)
class Ease:
    """calm: notes a second that stay loose. seconds, notes: without letting go. longest: s between
    places to let go in a part."""

    calm: float
    seconds: float
    notes: int
    longest: float


@cache
def ease_of(level: Level) -> Ease:
    """Raises CatalogueError."""
    record = next(r for r in read_records(FILE) if r.id == f"{LEVEL}{level.value}")
    ease = Ease(
        calm=record.number("calm", 0.5, 20),
        seconds=record.number("seconds", 0.5, 60),
        notes=record.whole("notes", 1, 200),
        longest=record.number("longest", 0.5, 60),
    )
    record.done()
    return ease


@cache
def weights() -> Mapping[str, Mapping[str, float]]:
    """Cause -> kind of demand -> weight. Raises CatalogueError."""
    causes = load_catalogue().causes
    found = {}
    for record in read_records(FILE):
        if record.id.startswith(LEVEL):
            continue
        if record.id not in causes:
            record.fail("unknown cause")
        found[record.id] = _weights(record)
    return MappingProxyType(found)


def _weights(record: Record) -> Mapping[str, float]:
    rows = record.rest()
    for kind, weight in rows.items():
        if not isinstance(weight, int | float) or not 0 < weight <= 2:
            record.fail(f"{kind}: expected 0 to 2, got {weight!r}")
    return MappingProxyType({kind: float(weight) for kind, weight in rows.items()})
