"""What is played so that a check can be heard."""

from collections.abc import Container
from dataclasses import dataclass

from lefthand.values.knowledge_file import Record
from lefthand.values.vocabulary import Level

# Of the tempo (working judgement, no source).
TEMPO_SHARE = {Level.BEGINNER: 0.75, Level.INTERMEDIATE: 1.0, Level.ADVANCED: 1.0}
BEGINNER_FASTER = 2.0


@dataclass(frozen=True, slots=True)
class ToPlay:
    """A drill by name, its usual tempo in quarters a minute and its bars (None for the drill's own
    length). faster: how many times as fast a second take is, None for one take. play: said to the
    player."""

    evidence: str
    drill: str
    tempo: int
    bars: int | None
    slurred: bool
    faster: float | None
    play: str

    def tempo_for(self, level: Level, *, is_fast: bool) -> int:
        tempo = self.tempo * TEMPO_SHARE[level]
        if is_fast and self.faster is not None:
            tempo *= BEGINNER_FASTER if level is Level.BEGINNER else self.faster
        return round(tempo)


def read_to_play(record: Record, evidence: Container[str], drills: Container[str]) -> ToPlay:
    """One record of the file. Raises CatalogueError naming it."""
    found = ToPlay(
        evidence=record.id,
        drill=record.text("drill"),
        tempo=record.whole("tempo", 20, 240),
        bars=record.whole("bars", 1, 32, default=None),
        slurred=record.flag("slurred", default=False),
        faster=record.number("faster", 1.25, 4, default=None),
        play=record.text("play"),
    )
    record.done()
    if found.evidence not in evidence:
        record.fail("no such evidence")
    if found.drill not in drills:
        record.fail(f"drill: unknown drill {found.drill!r}")
    return found
