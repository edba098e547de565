"""A place in the player's own piece, cut or widened to as many bars as a step asks for."""

from collections.abc import Sequence
from dataclasses import dataclass

MOST_BARS = 8  # of a place


@dataclass(frozen=True, slots=True)
class OwnPlace:
    """A place in a piece. first, last: its bars, from 0; heart: those of them that weigh most.
    quarters: the length of every bar of the piece. start, goal: quarters a minute."""

    first: int
    last: int
    heart: tuple[int, int]
    quarters: Sequence[float]
    start: int
    goal: int

    def window(self, bars: int | None) -> tuple[int, int]:
        """From and to: so many bars with the heart in them, those of the place before those around
        it, what leads there before what follows; the place itself for None. Fewer where the piece
        has no more."""
        if bars is None:
            return self.first, self.last
        first, last = self.heart
        while last - first + 1 > bars:
            last -= 1
        for low, high in ((self.first, self.last), (0, len(self.quarters) - 1)):
            while last - first + 1 < bars and (first > low or last < high):
                if first > low:
                    first -= 1
                if last - first + 1 < bars and last < high:
                    last += 1
        return first, last

    def seconds(self, window: tuple[int, int], tempo: int) -> float:
        """How long these bars take, s, at so many quarters a minute."""
        return sum(self.quarters[window[0] : window[1] + 1]) * 60 / tempo
