"""Where a cause comes back in a piece: the load of each bar, taken apart into its reasons."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from lefthand.passage.demand import Demand
from lefthand.passage.levels import weights
from lefthand.values.vocabulary import FINGERS

OWN = "own."
USUAL_FINGER = FINGERS[-1]
TOP_SHARE = 0.95
LEAST_UNIT = 0.25
WORST, WIDTH = 3, 2  # places, bars
APART = 4  # bars from one place to the next
# Points over both bars of the cause that weighs most; with less nothing asks for it. Our own.
LEAST_LOAD = 0.5
MOST_REASONS = 3


@dataclass(frozen=True, slots=True)
class Reason:
    """points: weight times points of all demands of this kind; times: how many; note: the
    strongest of them."""

    kind: str
    points: float
    times: int
    words: str
    note: int


@dataclass(frozen=True, slots=True)
class Worst:
    """bars: places in the piece. cause: that weighs most there."""

    bars: tuple[int, ...]
    cause: str
    load: float
    reasons: tuple[Reason, ...]


@dataclass(frozen=True, slots=True)
class Heavy:
    """A demand that weighs in some bars. note: place in the line of the strongest of its kind."""

    kind: str
    note: int
    points: float
    words: str


class Loads:
    """The loads of a piece for some causes. strengths: cause -> how much it is this player's, any
    scale. finger: the cause's own, where it has one. weigh: other weights than the knowledge's.
    shown: places of the bars that are looked at, None for all."""

    def __init__(
        self,
        demands: Sequence[Demand],
        bars: int,
        strengths: Mapping[str, float],
        finger: int = USUAL_FINGER,
        weigh: Mapping[str, Mapping[str, float]] | None = None,
        shown: range | None = None,
    ) -> None:
        self._shown = range(bars) if shown is None else shown
        self._weigh = weights() if weigh is None else weigh
        self.strengths = {cause: by for cause, by in strengths.items() if cause in self._weigh}
        self._finger = finger
        self._by_bar: dict[int, list[Demand]] = defaultdict(list)
        for demand in demands:
            self._by_bar[demand.bar].append(demand)
        self.bars = {
            cause: [sum(self._weighed(cause, bar)) for bar in range(bars)]
            for cause in self.strengths
        }

    def _weight(self, cause: str, demand: Demand) -> float:
        if demand.kind.startswith(OWN) and demand.finger != self._finger:
            return 0.0
        return self._weigh[cause].get(demand.kind, 0.0)

    def _weighed(self, cause: str, bar: int) -> list[float]:
        return [self._weight(cause, d) * d.points for d in self._by_bar.get(bar, ())]

    def reasons(self, cause: str, bars: Sequence[int], most: int | None = None) -> list[Reason]:
        """The strongest first; together they are the load."""
        found: dict[str, list[tuple[float, Demand]]] = defaultdict(list)
        for bar in bars:
            for demand in self._by_bar.get(bar, ()):
                weight = self._weight(cause, demand)
                if weight:
                    found[demand.kind].append((weight * demand.points, demand))
        reasons = []
        for kind, rows in found.items():
            strongest = max(rows, key=lambda row: row[0])[1]
            points = sum(row[0] for row in rows)
            reasons.append(Reason(kind, points, len(rows), strongest.words, strongest.note))
        return sorted(reasons, key=lambda reason: -reason.points)[:most]

    def heavy(self, bars: Sequence[int]) -> list[Heavy]:
        """What weighs in these bars over all causes, by kind, the most first."""
        found: dict[str, list[Reason]] = defaultdict(list)
        for cause in self.bars:
            for reason in self.reasons(cause, bars):
                found[reason.kind].append(reason)
        weighed = [
            Heavy(kind, rows[0].note, sum(row.points for row in rows), rows[0].words)
            for kind, rows in found.items()
        ]
        return sorted(weighed, key=lambda each: (-each.points, each.note, each.kind))

    def totals(self) -> list[float]:
        """One load a bar over all causes, each in units of its own heaviest bars."""
        count = len(next(iter(self.bars.values()), ()))
        totals = [0.0] * count
        for cause, loads in self.bars.items():
            ranked = sorted(loads[bar] for bar in self._shown)
            top = min(len(ranked) - 1, int(TOP_SHARE * len(ranked)))
            unit = ranked[top] if ranked else 0.0
            for bar, load in enumerate(loads):
                totals[bar] += self.strengths[cause] * load / max(unit, LEAST_UNIT)
        return totals

    def worst(self) -> list[Worst]:
        """The heaviest places, two bars each, four from one to the next; [] where nothing asks."""
        totals = self.totals()
        width = min(WIDTH, len(self._shown))
        places = self._shown[: len(self._shown) - width + 1] if width else range(0)
        ranked = sorted(places, key=lambda at: (-sum(totals[at : at + width]), at))
        found: dict[int, Worst] = {}
        for at in ranked:
            is_apart = all(abs(at - other) >= max(width, APART) for other in found)
            if len(found) < WORST and is_apart:
                place = self._worst(tuple(range(at, at + width)))
                if place.load >= LEAST_LOAD:
                    found[at] = place
        return list(found.values())

    def _worst(self, bars: tuple[int, ...]) -> Worst:
        shares = {
            cause: self.strengths[cause] * sum(loads[bar] for bar in bars) / (max(loads) or 1.0)
            for cause, loads in self.bars.items()
        }
        cause = max(shares, key=lambda each: shares[each])
        load = sum(self.bars[cause][bar] for bar in bars)
        return Worst(bars, cause, load, tuple(self.reasons(cause, bars, MOST_REASONS)))
