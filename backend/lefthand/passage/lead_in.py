"""The way to a place without the trouble: where to begin, at what tempo, in what steps."""

from collections.abc import Sequence
from dataclasses import dataclass

from lefthand.passage.levels import Ease
from lefthand.passage.played import Played

LOOSE_SHARE, MOST_OF_GOAL, LEAST_OF_GOAL = 0.75, 0.6, 0.2
SLOWEST = 20  # quarters a minute
STEP = 1.07
MOST_STEPS = 30
OVER_NOTES = 4


@dataclass(frozen=True, slots=True)
class LeadIn:
    """start, goal: quarters a minute; steps: from the one to the other. stages: bars (places in the
    piece) to practise, the hardest first, then with what leads to it."""

    bars: tuple[int, ...]
    start: int
    goal: int
    steps: tuple[int, ...]
    stages: tuple[tuple[int, int], ...]


def notes_a_second(line: Sequence[Played], bars: Sequence[int]) -> float:
    """The most over five notes running in these bars."""
    starts = [note.at for note in line if note.bar in bars and not note.is_grace]
    over = min(OVER_NOTES, len(starts) - 1)
    if over < 1:
        return 0.0
    return max(over / max(0.05, starts[at + over] - starts[at]) for at in range(len(starts) - over))


def tempo_steps(rate: float, goal: float, ease: Ease) -> tuple[int, ...]:
    """From a tempo at which the hand stays loose, at most 0.6 of the goal, to the goal, by 7 %."""
    share = min(MOST_OF_GOAL, LOOSE_SHARE * ease.calm / rate) if rate else MOST_OF_GOAL
    start = min(goal, max(SLOWEST, goal * max(LEAST_OF_GOAL, share)))
    steps = [start]
    while steps[-1] * STEP < goal and len(steps) < MOST_STEPS:
        steps.append(steps[-1] * STEP)
    return tuple(dict.fromkeys([*(round(step) for step in steps), round(goal)]))


def stages_of(line: Sequence[Played], bars: Sequence[int], count: int) -> list[tuple[int, int]]:
    """The place, the place with the bars about it, and its phrase."""
    first, last = bars[0], bars[-1]
    ends = sorted({note.bar for note in line if note.ends_phrase} | {count - 1})
    phrase_end = next(bar for bar in ends if bar >= last)
    phrase = next((bar + 1 for bar in reversed(ends) if bar < first), 0)
    about = (max(phrase, first - 2), min(phrase_end, last + 2))
    return list(dict.fromkeys([(first, last), about, (phrase, phrase_end)]))


def lead_in(
    line: Sequence[Played], bars: Sequence[int], whole: int, goal: float, ease: Ease
) -> LeadIn:
    """To some bars of a piece of so many."""
    steps = tempo_steps(notes_a_second(line, bars), goal, ease)
    stages = tuple(stages_of(line, bars, whole))
    return LeadIn(tuple(bars), steps[0], steps[-1], steps, stages)
