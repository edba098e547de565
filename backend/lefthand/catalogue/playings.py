"""What is played, or held, so that several things can be looked at in it."""

from dataclasses import dataclass

from lefthand.values.knowledge_file import Record

# More than this cannot be watched at once (working judgement, no source).
LOOKED_AT_ONCE = 4


@dataclass(frozen=True, slots=True)
class Playing:
    """`seconds`: what it takes once, whatever is looked at. `label`: what the player is asked."""

    id: str
    seconds: int
    label: str


def read_playing(record: Record) -> Playing:
    """One record of the file. Raises CatalogueError naming it."""
    playing = Playing(record.id, record.whole("seconds", 1, 60), record.text("label"))
    record.done()
    return playing
