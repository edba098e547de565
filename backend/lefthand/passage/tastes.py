"""Other ways to finger the same music, each by a taste of its own."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache
from pathlib import Path
from types import MappingProxyType

from lefthand.values.knowledge_file import Record, read_records

FILE = Path(__file__).parents[1] / "catalogue" / "knowledge" / "tastes.yaml"
USUAL = ""


@dataclass(frozen=True, slots=True)
class Taste:
    """words: how its fingers differ from the usual ones. costs: name of a cost -> by how much it
    counts more or less."""

    words: str
    costs: Mapping[str, float]


@cache
def tastes() -> Mapping[str, Taste]:
    """The usual one first, under "". Raises CatalogueError."""
    found = {USUAL: Taste("as usual", MappingProxyType({}))}
    for record in read_records(FILE):
        found[record.id] = _taste(record)
    return MappingProxyType(found)


def _taste(record: Record) -> Taste:
    words, costs = record.text("words"), record.mapping("costs")
    record.done()
    for name, share in costs.items():
        if not isinstance(share, int | float) or not 0 < share <= 20:
            record.fail(f"costs.{name}: expected 0 to 20, got {share!r}")
    return Taste(words, MappingProxyType({name: float(share) for name, share in costs.items()}))
