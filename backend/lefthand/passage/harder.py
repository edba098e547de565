"""What a piece asks of this hand that another one did not.

Working judgement, no source: a piece is harder when its bars weigh a quarter more for the player's
causes, and a reason is told when it weighs at least half as much again as it did.
"""

from collections import defaultdict
from collections.abc import Collection, Mapping

from lefthand.passage.levels import weights
from lefthand.passage.passage import Passage
from lefthand.passage.returns import OWN
from lefthand.values.said import Said, said

# Raised whenever the same music would be read otherwise than before.
READING = 2
HARDER, MORE = 1.25, 1.5
LEAST_RISE = 0.05  # of what weighs in a bar
MOST_REASONS = 3

Asks = Mapping[str, float]


def asks_of(passage: Passage) -> dict[str, float]:
    """Points a bar of each kind of demand, those of one finger by finger: `own.held 4`. Rounded to
    a thousandth."""
    sums: dict[str, float] = defaultdict(float)
    for demand in passage.demands:
        is_own = demand.kind.startswith(OWN)
        sums[f"{demand.kind} {demand.finger}" if is_own else demand.kind] += demand.points
    bars = max(1, len(passage.shown))
    return {kind: round(points / bars, 3) for kind, points in sorted(sums.items()) if points > 0}


def harder_because(
    now: Asks, before: Asks, strengths: Mapping[str, float], finger: int
) -> list[Said]:
    """What weighs more now, the most first; [] when the piece is not harder as a whole.
    strengths: cause -> how much it is this player's, all alike where empty; finger: of those causes
    that are one finger's."""
    weigh = _weights(strengths)
    here, there = (_weighed(asks, weigh, finger) for asks in (now, before))
    if sum(here.values()) <= HARDER * sum(there.values()):
        return []
    rises = {kind: load - there.get(kind, 0.0) for kind, load in here.items()}
    least = LEAST_RISE * sum(here.values())
    told = [
        kind
        for kind in sorted(rises, key=lambda kind: -rises[kind])
        if rises[kind] >= least and here[kind] >= MORE * there.get(kind, 0.0)
    ]
    return list(dict.fromkeys(_asked(kind, finger) for kind in told))[:MOST_REASONS]


def load_beside(asks: Asks) -> float:
    """What a bar weighs over all causes, without what counts for one finger alone."""
    weigh = _weights()
    return sum(
        points * weigh.get(kind, 0.0) for kind, points in asks.items() if not kind.startswith(OWN)
    )


def asked_most(asks: Asks, finger: int) -> list[Said]:
    """What weighs most over all causes, the most first."""
    here = _weighed(asks, _weights(), finger)
    ranked = sorted(here, key=lambda kind: -here[kind])
    return [_asked(kind, finger) for kind in ranked[:MOST_REASONS]]


def load_of(
    asks: Asks, finger: int, strengths: Mapping[str, float] | None = None
) -> dict[str, float]:
    """What a bar weighs by kind of demand, over these causes or over all alike; of those that are
    one finger's, its own."""
    return _weighed(asks, _weights(strengths), finger)


def asked_in(asks: Asks, kinds: Collection[str], finger: int) -> list[Said]:
    """What weighs most among some kinds, the most first."""
    here = load_of(asks, finger)
    ranked = sorted((k for k in here if k in kinds and here[k] > 0), key=lambda k: -here[k])
    return [_asked(kind, finger) for kind in ranked[:MOST_REASONS]]


def _asked(kind: str, finger: int) -> Said:
    """A kind of demand; those of one finger name it."""
    message = f"asked-{kind.replace('.', '-').replace('_', '-')}"
    if kind.startswith(OWN):
        return said(message, finger=said(f"finger-{finger}"))
    return said(message)


def _weights(strengths: Mapping[str, float] | None = None) -> Mapping[str, float]:
    """Kind -> weight over these causes, over all alike where there are none."""
    found: dict[str, float] = defaultdict(float)
    for cause, strength in (strengths or dict.fromkeys(weights(), 1.0)).items():
        for kind, weight in weights().get(cause, {}).items():
            found[kind] += strength * weight
    return found


def _weighed(asks: Asks, weigh: Mapping[str, float], finger: int) -> dict[str, float]:
    found = {}
    for name, points in asks.items():
        kind, _, own = name.partition(" ")
        if kind in weigh and own in ("", str(finger)):
            found[kind] = points * weigh[kind]
    return found
