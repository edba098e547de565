"""The costs of fingering, as the knowledge has them."""

from collections.abc import Mapping
from functools import cache
from pathlib import Path
from types import MappingProxyType

from lefthand.values.knowledge_file import read_records
from lefthand.values.vocabulary import Instrument

FILE = Path(__file__).parents[1] / "catalogue" / "knowledge" / "fingering.yaml"


@cache
def costs_of(instrument: Instrument) -> Mapping[str, float]:
    """Cost by its name. Raises CatalogueError."""
    found = {}
    for record in read_records(FILE):
        amounts = {each: record.number(each.value, 0.0, 20.0) for each in Instrument}
        record.text("why")
        record.done()
        found[record.id] = amounts[instrument]
    return MappingProxyType(found)
