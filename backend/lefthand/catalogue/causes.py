"""Reasons for trouble, upstream first."""

from dataclasses import dataclass

from lefthand.values.knowledge_file import Record
from lefthand.values.vocabulary import Instrument


@dataclass(frozen=True, slots=True)
class Cause:
    """One reason for trouble. `order` is upstream first; `prior` a probability in 0..1. `easier`:
    said to the player when it is less. `takes`: how long it usually takes, in words; `weeks`: the
    same as (soonest, latest), None where it is not a matter of weeks."""

    id: str
    order: int
    prior: float
    instruments: frozenset[Instrument]
    name: str
    meaning: str
    because: str
    easier: str
    easier_for_another: str
    takes: str
    weeks: tuple[int, int] | None
    settle: tuple[str, ...]
    begin_with: tuple[str, ...]
    places: tuple[str, ...]


def read_cause(record: Record) -> Cause:
    """One record of the file. Raises CatalogueError naming it."""
    cause = Cause(
        id=record.id,
        order=record.whole("order", 1, 99),
        prior=record.number("prior", 0.0, 1.0),
        instruments=record.instruments(),
        name=record.text("name"),
        meaning=record.text("meaning"),
        because=record.text("because"),
        easier=record.text("easier"),
        easier_for_another=record.text("easier_for_another"),
        takes=record.text("takes"),
        weeks=_weeks(record),
        settle=tuple(record.words("settle")),
        begin_with=tuple(record.words("begin_with")),
        places=tuple(record.words("places")),
    )
    record.done()
    return cause


def _weeks(record: Record) -> tuple[int, int] | None:
    raw = record.take("weeks", None)
    if raw is None:
        return None
    if not (isinstance(raw, list) and len(raw) == 2 and all(type(week) is int for week in raw)):
        record.fail(f"weeks: expected [soonest, latest], got {raw!r}")
    soonest, latest = raw
    if not 1 <= soonest <= latest:
        record.fail(f"weeks: expected 1 or more, the soonest first, got {raw!r}")
    return soonest, latest
