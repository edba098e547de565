"""The costs of fingering, as the knowledge has them."""

from collections.abc import Mapping
from functools import cache
from pathlib import Path
from types import MappingProxyType

from lefthand.passage.tastes import USUAL, tastes
from lefthand.values.errors import CatalogueError
from lefthand.values.knowledge_file import read_records
from lefthand.values.vocabulary import Instrument

FILE = Path(__file__).parents[1] / "catalogue" / "knowledge" / "fingering.yaml"


@cache
def costs_of(instrument: Instrument, taste: str = USUAL) -> Mapping[str, float]:
    """Cost by its name. Raises CatalogueError."""
    shares = tastes()[taste].costs
    found = {}
    for record in read_records(FILE):
        amounts = {each: record.number(each.value, 0.0, 20.0) for each in Instrument}
        record.text("why")
        record.done()
        found[record.id] = amounts[instrument] * shares.get(record.id, 1.0)
    unknown = set(shares) - set(found)
    if unknown:
        raise CatalogueError("tastes.yaml", taste, f"unknown cost {min(unknown)!r}")
    return MappingProxyType(found)
