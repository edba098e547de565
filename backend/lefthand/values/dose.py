"""How much of an exercise: stored as numbers, from which the minutes and the words follow."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

NOTES_PER_BAR = 4
DEFAULT_TEMPO = 60
DEFAULT_SECONDS_EACH = 4.0
PAIRS = 3
STRINGS = 4
ALL_FINGERS = 4
BARS = "bars"
SETTLE_SECONDS = 15.0
FEW_REPS = 4
HALF, TWO_THIRDS = 1 / 2, 2 / 3
SHORTEST_HOLD = 2  # s


@dataclass(frozen=True, slots=True)
class Dose:
    """`sets` times `reps` repetitions of `seconds` each, `pause` s after each, `rest` s after
    a set.

    per: "" or what each repetition is repeated for ("finger", "string", "pair").
    is_hold: the seconds are a still or quiet hold and are part of the words.
    tempo: notes a minute, or None.
    """

    reps: int = 1
    sets: int = 1
    seconds: float = DEFAULT_SECONDS_EACH
    pause: float = 0.0
    rest: float = 0.0
    unit: str = ""
    per: str = ""
    tempo: int | None = None
    is_hold: bool = False

    @property
    def is_in_bars(self) -> bool:
        """True where the repetitions are bars of music."""
        return self.unit == BARS

    def total_seconds(self, fingers: int = 1) -> float:
        """Time it takes, s, for this many aimed-at fingers (0 means all four)."""
        work = self.sets * self.reps * self._per(fingers) * (self.seconds + self.pause)
        return work + (self.sets - 1) * self.rest + SETTLE_SECONDS

    def minutes(self, fingers: int = 1) -> float:
        """Time it takes, rounded up to the next half minute."""
        return max(0.5, math.ceil(self.total_seconds(fingers) / 30) / 2)

    def work_seconds(self, fingers: int = 1) -> float:
        """Seconds of work alone, s: sets x reps x seconds x fingers, without pauses and rests."""
        return self.sets * self.reps * self._per(fingers) * self.seconds

    def _per(self, fingers: int) -> int:
        counts = {"finger": fingers or ALL_FINGERS, "string": STRINGS, "pair": PAIRS}
        return counts.get(self.per, 1)

    def least(self) -> "Dose":
        """The least that is still this step: one set, half of its repetitions but three if it has
        them (working judgement, no source)."""
        return replace(self, sets=1, reps=max(math.ceil(self.reps / 2), min(self.reps, 3)))

    def most(self, allows: Callable[["Dose"], bool], least: "Dose") -> "Dose":
        """The most of this dose that is allowed, fewer repetitions before fewer sets; `least` when
        nothing more is."""
        smaller = [
            replace(self, sets=sets, reps=reps)
            for sets in range(self.sets, 0, -1)
            for reps in range(self.reps, 0, -1)
            if sets * reps > least.sets * least.reps
        ]
        allowed = [dose for dose in smaller if allows(dose)]
        return max(allowed, key=lambda d: d.sets * d.reps, default=least)

    def steps_from(self, least: "Dose") -> list["Dose"]:
        """The doses from one set of all repetitions up to this one that are more than `least`."""
        sets = [replace(self, sets=count) for count in range(1, self.sets + 1)]
        return [dose for dose in sets if dose.work_seconds() > least.work_seconds()]

    def more(self) -> "Dose":
        """A little more: one repetition where there are few or they are holds, else one set."""
        if self.is_hold or (self.sets == 1 and self.reps <= FEW_REPS):
            return replace(self, reps=self.reps + 1)
        return replace(self, sets=self.sets + 1)

    def halved(self) -> "Dose":
        """Half as much, or less where no whole number is half."""
        return self.share(HALF)

    def shortened(self) -> "Dose":
        """Two thirds as much, or less where no whole number is."""
        return self.share(TWO_THIRDS)

    def share(self, most: float) -> "Dose":
        """At most this share (0..1) of the work: as much of it as whole repetitions and sets, and
        of holds whole seconds, give; bars of music stay together. Less than one is shorter."""
        left = most * self.work_seconds() + 1e-9
        doses = [dose for dose in self._smaller() if dose.work_seconds() <= left]
        if doses:
            return max(doses, key=lambda d: (d.work_seconds(), d.seconds, d.reps))
        return replace(self, sets=1, reps=1, seconds=left / self._per(1))

    def _smaller(self) -> list["Dose"]:
        lengths = [self.seconds]
        if self.is_hold:
            lengths += [float(s) for s in range(SHORTEST_HOLD, math.ceil(self.seconds))]
        keeps = self.is_in_bars and self.sets > 1
        return [
            replace(self, sets=sets, reps=reps, seconds=seconds)
            for sets in range(1, self.sets + 1)
            for reps in ([self.reps] if keeps else range(1, self.reps + 1))
            for seconds in lengths
        ]

    def count_words(self) -> str:
        """One set as it is counted: "10 taps", "4 bars", "8 times"."""
        unit = _unit(self.unit, self.reps) if self.unit else "times"
        return f"{self.reps} {unit}"

    def words(self, fingers: Sequence[int] = ()) -> str:
        """The dose as a player reads it: "5 x 5 s", "3 x 4 bars", "2 x 10 taps, finger 4".

        `fingers`: those aimed at; () for all.
        """
        text = self.amount_words()
        if self.per == "finger" and fingers:
            return f"{text}, finger {' and '.join(map(str, fingers))}"
        return f"{text}, {self.each_words()}" if self.per else text

    def amount_words(self) -> str:
        """How much, without what each is repeated for."""
        if self.is_hold:
            return f"{self.reps} × {_duration(self.seconds)}"
        if self.unit:
            unit = f"{self.reps} {_unit(self.unit, self.reps)}"
            return f"{self.sets} × {unit}" if self.sets > 1 else unit
        return f"{self.sets * self.reps} times"

    def each_words(self) -> str:
        """What each repetition is repeated for, "" for nothing."""
        return f"each {self.per}" if self.per else ""


def _unit(unit: str, count: int) -> str:
    one = unit[:-1] if unit.endswith("s") else unit
    return one if count == 1 else f"{one}s"


def _duration(seconds: float) -> str:
    if seconds >= 60 and seconds % 60 == 0:
        return f"{seconds / 60:g} min"
    return f"{seconds:g} s"
