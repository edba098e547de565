"""How often the leading cause is truly present after some seconds of lesson, for several policies.

Players are drawn from the network itself: causes by their priors (at least one), evidence from the
causes, and a chief complaint among the evidence that is there. A policy says which checks come
next; checks cost their seconds (a playing that they share only once), and a change of stage costs
more. The graded report of each check is drawn once a player, so that all policies see the same
player. Everything follows from the seed.

Where it flatters: the players come from the same network that judges them. A `Disturbance` draws
them from a network whose strengths are each off by up to a share, and lets the teacher's grade be
another one in a share of the checks.
"""

import random
from collections.abc import Callable, Collection, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass

from lefthand.case.case import COMPLAINT_GRADE
from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.evidence import Evidence
from lefthand.catalogue.playings import LOOKED_AT_ONCE
from lefthand.reason.looks import STAGE_CHANGE_SECONDS, next_look, seconds_of
from lefthand.reason.network import GRADE_IF_THERE, grades_if_not, network_for, posterior
from lefthand.values.vocabulary import Instrument, Stage

TIMES = (60, 120, 180, 300)
GRADES = (0, 1, 2, 3)


@dataclass(frozen=True, slots=True)
class SimulatedPlayer:
    """there: the evidence that the causes, or a leak, have brought. reports: how each is graded."""

    instrument: Instrument
    causes: frozenset[str]
    there: frozenset[str]
    complaint: str
    reports: Mapping[str, int]


@dataclass(frozen=True, slots=True)
class Disturbance:
    """strengths: each off by up to this share. misgraded: share of checks with a wrong grade."""

    strengths: float = 0.0
    misgraded: float = 0.0


CALM = Disturbance()
Policy = Callable[[SimulatedPlayer, Instrument, Catalogue, random.Random], Iterator[Evidence]]


def draw_player(
    catalogue: Catalogue,
    instrument: Instrument,
    chooser: random.Random,
    disturbance: Disturbance = CALM,
) -> SimulatedPlayer:
    """A player with at least one cause and a complaint that is truly there."""
    while True:
        causes = frozenset(
            c.id for c in catalogue.causes_of(instrument) if chooser.random() < c.prior
        )
        evidence = catalogue.evidence_of(instrument)
        there = {e.id for e in evidence if _is_there(e, causes, chooser, disturbance.strengths)}
        complaints = sorted(e.id for e in evidence if e.id in there and not e.is_trial)
        if causes and complaints:
            break
    reports = draw_grades(there, catalogue, instrument, chooser, disturbance)
    return SimulatedPlayer(
        instrument, causes, frozenset(there), chooser.choice(complaints), reports
    )


def draw_grades(
    there: Collection[str],
    catalogue: Catalogue,
    instrument: Instrument,
    chooser: random.Random,
    disturbance: Disturbance = CALM,
) -> dict[str, int]:
    """How a teacher grades every check of a hand in which this evidence is there."""
    reports = {}
    for item in catalogue.evidence_of(instrument):
        table = GRADE_IF_THERE if item.id in there else grades_if_not(item)
        reports[item.id] = chooser.choices(GRADES, weights=table.tolist())[0]
        if chooser.random() < disturbance.misgraded:
            reports[item.id] = chooser.choice([g for g in GRADES if g != reports[item.id]])
    return reports


def _is_there(
    evidence: Evidence, causes: frozenset[str], chooser: random.Random, share: float
) -> bool:
    misses = 1 - evidence.leak
    for cause, strength in evidence.causes.items():
        if cause in causes:
            moved = strength * (1 + chooser.uniform(-share, share))
            misses *= 1 - min(0.99, moved)
    return chooser.random() < 1 - misses


def catalogue_order(
    _player: SimulatedPlayer, instrument: Instrument, catalogue: Catalogue, _chooser: random.Random
) -> Iterator[Evidence]:
    yield from catalogue.evidence_of(instrument)


def random_order(
    _player: SimulatedPlayer, instrument: Instrument, catalogue: Catalogue, chooser: random.Random
) -> Iterator[Evidence]:
    checks = catalogue.evidence_of(instrument)
    yield from chooser.sample(checks, len(checks))


def proposed_looks(
    player: SimulatedPlayer, instrument: Instrument, catalogue: Catalogue, _chooser: random.Random
) -> Iterator[Evidence]:
    network = network_for(catalogue, instrument)
    grades = {player.complaint: COMPLAINT_GRADE}
    stage: Stage | None = None
    while True:
        look = next_look(posterior(network, grades), catalogue, instrument, stage=stage)
        if look is None:
            return
        stage = look.stage
        for name in look.checks:
            yield catalogue.evidence[name]
            grades[name] = player.reports[name]


POLICIES: Mapping[str, Policy] = {
    "catalogue order": catalogue_order,
    "random order": random_order,
    "next look": proposed_looks,
}


@dataclass(frozen=True, slots=True)
class Tally:
    """Players whose leading cause is truly there: by policy and time in s, and with all checks."""

    players: int
    by_policy: Mapping[str, Mapping[int, int]]
    everything: int

    def __add__(self, other: "Tally") -> "Tally":
        by_policy = {
            name: {time: hits + other.by_policy[name][time] for time, hits in found.items()}
            for name, found in self.by_policy.items()
        }
        return Tally(self.players + other.players, by_policy, self.everything + other.everything)


def simulate(
    catalogue: Catalogue,
    instrument: Instrument,
    numbers: Iterable[int],
    *,
    seed: int,
    disturbance: Disturbance = CALM,
    policies: Sequence[str] = tuple(POLICIES),
) -> Tally:
    """Let every policy look at the players with these numbers. A number and a seed fix a player."""
    hits = {name: dict.fromkeys(TIMES, 0) for name in policies}
    everything = 0
    count = 0
    for number in numbers:
        chooser = random.Random(f"{seed}/{instrument.value}/{number}")
        player = draw_player(catalogue, instrument, chooser, disturbance)
        count += 1
        for name in policies:
            steps = POLICIES[name](player, instrument, catalogue, chooser)
            for time, hit in _walk(player, instrument, catalogue, steps):
                hits[name][time] += hit
        everything += _is_hit(player, dict(player.reports), catalogue, instrument)
    return Tally(count, hits, everything)


def _walk(
    player: SimulatedPlayer,
    instrument: Instrument,
    catalogue: Catalogue,
    steps: Iterator[Evidence],
) -> Iterator[tuple[int, bool]]:
    """For each of TIMES whether the leading cause is truly there by then."""
    grades = {player.complaint: COMPLAINT_GRADE}
    clock = 0
    stage: Stage | None = None
    left = list(TIMES)
    together: list[Evidence] = []
    for check in steps:
        shares = together and check.playing and check.playing == together[-1].playing
        if not shares or len(together) == LOOKED_AT_ONCE:
            together = []
        clock -= seconds_of(together, catalogue)
        together.append(check)
        clock += seconds_of(together, catalogue)
        clock += 0 if check.stage is stage else STAGE_CHANGE_SECONDS
        stage = check.stage
        while left and clock > left[0]:
            yield left.pop(0), _is_hit(player, grades, catalogue, instrument)
        if not left:
            return
        grades[check.id] = player.reports[check.id]
    for time in left:
        yield time, _is_hit(player, grades, catalogue, instrument)


def _is_hit(
    player: SimulatedPlayer, grades: Mapping[str, int], catalogue: Catalogue, instrument: Instrument
) -> bool:
    result = posterior(network_for(catalogue, instrument), grades)
    return result.network.causes[int(result.probabilities.argmax())] in player.causes
