"""How far grades, memory, a focus and a look are trusted."""

from dataclasses import dataclass

from lefthand.values.knowledge_file import Record

MOST_SECONDS = 3600


@dataclass(frozen=True, slots=True)
class Weighing:
    """temper: the power of the likelihood of a grade, 0.1..1. memory: how much of what earlier
    lessons made of a cause stands at the start of a lesson, 0..1. margin: by how much another cause
    must be surer to take the place of last week's focus, 0..1. lead, seconds: the probability of
    the leading cause, or the seconds of looking, from which enough may be seen."""

    temper: float
    memory: float
    margin: float
    lead: float
    seconds: int


def read_weighing(record: Record) -> Weighing:
    """The one record of the file. Raises CatalogueError."""
    found = Weighing(
        temper=record.number("temper", 0.1, 1.0),
        memory=record.number("memory", 0.0, 1.0),
        margin=record.number("margin", 0.0, 1.0),
        lead=record.number("lead", 0.0, 1.0),
        seconds=record.whole("seconds", 1, MOST_SECONDS),
    )
    record.done()
    return found
