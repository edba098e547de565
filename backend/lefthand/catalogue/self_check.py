"""What a player can look at on the own hand, at home."""

from collections.abc import Collection
from dataclasses import dataclass

from lefthand.values.knowledge_file import Record
from lefthand.values.vocabulary import Instrument

# Years; younger ones are looked at by a grown-up (working judgement, no source).
FROM_AGE = 7


@dataclass(frozen=True, slots=True)
class SelfCheck:
    """One touch: `right` is as it should be, `wrong` is not; `shows`: the sign of its picture."""

    id: str
    instruments: frozenset[Instrument]
    ask: str
    right: str
    wrong: str
    shows: str


def read_self_check(record: Record, evidence: Collection[str]) -> SelfCheck:
    """One record of the file; `evidence`: the signs there are. Raises CatalogueError naming it."""
    found = SelfCheck(
        record.id,
        record.instruments(),
        record.text("ask"),
        record.text("right"),
        record.text("wrong"),
        record.text("shows"),
    )
    if found.shows not in evidence:
        record.fail(f"shows: unknown evidence {found.shows!r}")
    record.done()
    return found
