"""The next look, and whether enough has been seen.

Method: a check is worth the information that its grade is expected to give about each cause, the
causes weighted by a power of their present probability, so that what could explain the findings
counts most. Checks of one stage are bundled by information per second, later ones counted a little
less because they overlap; changing stage costs time; the stage with the best rate wins. Greedy
choice by expected information is the usual myopic rule of decision-theoretic troubleshooting
(Heckerman, Breese and Rommelse, Communications of the ACM 38(3), 1995). Departures: only the
heaviest sets of causes are used, and checks of a bundle are valued one by one. The power, the
overlap and the size of a bundle were chosen by simulation (docs/decisions/0004).
"""

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum

import numpy as np
from numpy.typing import NDArray

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.evidence import Evidence
from lefthand.catalogue.playings import LOOKED_AT_ONCE
from lefthand.reason.network import GRADE_IF_THERE, Network, Posterior, heaviest
from lefthand.values.vocabulary import Instrument, Stage

Floats = NDArray[np.float64]

MAX_CHECKS = LOOKED_AT_ONCE
OVERLAP = 0.8
PROBABILITY_POWER = 0.4
STAGE_CHANGE_SECONDS = 10
HALF_A_MINUTE = 30
FAIR_CHANCE = 0.10
BESIDE = 0.35  # of what is told most, from which a second cause is named beside it
ENOUGH_CHECKS = 3
WEIGHT_KEPT = 0.999
SETS_KEPT = 500
LEAST_INFORMATION = 1e-4


class LookOrder(StrEnum):
    """telling: most information per second. silent: that too, but silent stages first. classic:
    from far to near, stage by stage."""

    TELLING = "telling"
    SILENT = "silent"
    CLASSIC = "classic"


SILENT_STAGES = frozenset({Stage.SETUP, Stage.HAND, Stage.PLACED, Stage.DOWN})


@dataclass(frozen=True, slots=True)
class Look:
    """Checks of one stage that share a glance. `seconds` includes a change of stage."""

    stage: Stage
    checks: tuple[str, ...]
    seconds: int


@dataclass(frozen=True, eq=False)
class _Beliefs:
    """The heaviest sets: weights (k,), summing to 1, and sets (k, n_causes)."""

    network: Network
    kept: NDArray[np.intp]
    weights: Floats
    sets: Floats

    @classmethod
    def from_posterior(cls, result: Posterior) -> "_Beliefs":
        kept = heaviest(result, WEIGHT_KEPT, SETS_KEPT)
        weights = result.weights[kept]
        return cls(result.network, kept, weights / weights.sum(), result.network.sets[kept])

    def outcomes(self, checks: Sequence[Evidence]) -> Floats:
        """(n_checks, 4, k): weight of each set together with each grade."""
        rows = np.array([self.network.position[c.id] for c in checks])
        there = self.network.there[rows[:, None], self.kept]
        low = self.network.if_not[rows][:, :, None]
        grades = low + (GRADE_IF_THERE[None, :, None] - low) * there[:, None, :]
        weighted: Floats = grades * self.weights
        return weighted

    def information(self, checks: Sequence[Evidence]) -> Floats:
        """(n_checks,): expected fall of the doubt about all causes, weighted, in nats."""
        found: Floats = self.by_cause(checks).sum(axis=1)
        return found

    def by_cause(self, checks: Sequence[Evidence]) -> Floats:
        """(n_checks, n_causes): expected fall of the doubt about each cause, weighted, in nats."""
        joint = self.outcomes(checks)
        chance = joint.sum(axis=2)
        after = (joint @ self.sets) / chance[:, :, None]
        now = self.weights @ self.sets
        fall = _doubt(now) - (chance[:, :, None] * _doubt(after)).sum(axis=1)
        weighted: Floats = fall * now**PROBABILITY_POWER
        return weighted


def _doubt(probability: Floats) -> Floats:
    """Entropy of a yes or no, in nats."""
    p = np.clip(probability, 1e-9, 1 - 1e-9)
    entropy: Floats = -(p * np.log(p) + (1 - p) * np.log1p(-p))
    return entropy


def next_look(
    result: Posterior,
    catalogue: Catalogue,
    instrument: Instrument,
    *,
    stage: Stage | None = None,
    skipped: Iterable[str] = (),
    order: LookOrder = LookOrder.TELLING,
    first: Sequence[str] = (),
) -> Look | None:
    """The bundle with the most information per second, or None when nothing is left to check.

    `stage` is where the lesson is now; None means it has not begun. `skipped` are checks that
    cannot be made today. `first`: checks that something waits for, the most pressing first; they
    come before all others, those of one stage together.
    """
    if first:
        return _first_look(first, catalogue, stage)
    beliefs = _Beliefs.from_posterior(result)
    best: tuple[float, Look] | None = None
    for place, checks in _allowed(open_checks(result, catalogue, instrument, skipped), order):
        change = 0 if place is stage else STAGE_CHANGE_SECONDS
        found = _best_bundle(beliefs, place, checks, change, catalogue)
        if found is not None and (best is None or found[0] > best[0]):
            best = found
    return best[1] if best else None


def _first_look(first: Sequence[str], catalogue: Catalogue, stage: Stage | None) -> Look:
    place = catalogue.evidence[first[0]].stage
    checks = [c for c in (catalogue.evidence[name] for name in first) if c.stage is place]
    some = checks[:MAX_CHECKS]
    change = 0 if place is stage else STAGE_CHANGE_SECONDS
    return Look(place, tuple(c.id for c in some), change + seconds_of(some, catalogue))


def seconds_of(checks: Iterable[Evidence], catalogue: Catalogue) -> int:
    """Seconds that checks of one stage take together: each its looking time, each playing once."""
    looking = {c.id: c.seconds - _playing_seconds(c, catalogue) for c in checks}
    shared = {catalogue.evidence[name].playing for name in looking}
    return sum(looking.values()) + sum(catalogue.playings[p].seconds for p in shared if p)


def _playing_seconds(check: Evidence, catalogue: Catalogue) -> int:
    return catalogue.playings[check.playing].seconds if check.playing else 0


def information_of(result: Posterior, checks: Sequence[Evidence]) -> list[float]:
    """What each check is expected to tell about the causes, in nats; see the head of this file."""
    if not checks:
        return []
    found: list[float] = _Beliefs.from_posterior(result).information(checks).tolist()
    return found


def told_apart(result: Posterior, checks: Sequence[Evidence]) -> list[str]:
    """The one or two causes about which these checks are expected to tell most."""
    told = _Beliefs.from_posterior(result).by_cause(checks).sum(axis=0)
    order = np.argsort(told)[::-1][:2]
    causes = result.network.causes
    return [causes[c] for c in order if told[c] >= BESIDE * told[order[0]]]


def _allowed(
    by_stage: Mapping[Stage, list[Evidence]], order: LookOrder
) -> list[tuple[Stage, list[Evidence]]]:
    """The stages from which the next look may come."""
    stages = [s for s in Stage if s in by_stage]
    if order is LookOrder.CLASSIC:
        stages = stages[:1]
    elif order is LookOrder.SILENT and SILENT_STAGES & set(stages):
        stages = [s for s in stages if s in SILENT_STAGES]
    return [(stage, by_stage[stage]) for stage in stages]


def open_checks(
    result: Posterior, catalogue: Catalogue, instrument: Instrument, skipped: Iterable[str]
) -> dict[Stage, list[Evidence]]:
    """Checks that are left, by stage. Trials wait until some trouble was found to ease; what cannot
    be seen on the instrument, and what only explains another sign, is never proposed."""
    asked_when_needed = {e.rule_out for e in catalogue.evidence.values()}
    done = set(result.grades) | set(skipped)
    anything_found = any(grade > 0 for grade in result.grades.values())
    by_stage: dict[Stage, list[Evidence]] = {}
    for evidence in catalogue.evidence_of(instrument):
        if evidence.id in done or (evidence.is_trial and not anything_found):
            continue
        if instrument in evidence.unseen or evidence.id in asked_when_needed:
            continue
        by_stage.setdefault(evidence.stage, []).append(evidence)
    return by_stage


def _best_bundle(
    beliefs: _Beliefs, stage: Stage, checks: Sequence[Evidence], change: int, catalogue: Catalogue
) -> tuple[float, Look] | None:
    """The best rate that a bundle of this stage reaches, and the bundle.

    It grows by the check that adds most per second of its own, with the playing it shares for
    nothing.
    """
    gains = dict(zip(checks, beliefs.information(checks).tolist(), strict=True))
    best: tuple[float, Look] | None = None
    chosen: list[Evidence] = []
    information, seconds = 0.0, 0
    while len(chosen) < MAX_CHECKS and len(chosen) < len(checks):
        costs = {c: seconds_of([*chosen, c], catalogue) - seconds for c in gains}
        check = max(costs, key=lambda c: gains[c] / costs[c])
        gain = gains.pop(check)
        if gain < LEAST_INFORMATION:
            break
        information += gain * OVERLAP ** len(chosen)
        seconds += costs[check]
        chosen.append(check)
        rate = information / (change + seconds)
        if best is not None and rate < best[0]:
            break
        best = (rate, Look(stage, tuple(c.id for c in chosen), change + seconds))
    return best


def is_enough(
    result: Posterior,
    catalogue: Catalogue,
    instrument: Instrument,
    main_focus: Callable[[Floats], NDArray[np.intp]],
    skipped: Iterable[str] = (),
) -> bool:
    """True when no look of half a minute has a fair chance (> 10 %) of changing the focus.

    `main_focus` gives for probabilities (n, n_causes) the column of the main focus, -1 for none.
    Never true before the first check. Up to three checks a stage are followed through all outcomes.
    """
    if not result.grades:
        return False
    beliefs = _Beliefs.from_posterior(result)
    now = int(main_focus(result.probabilities[None, :])[0])
    for checks in open_checks(result, catalogue, instrument, skipped).values():
        outcomes = beliefs.weights[None, :]
        for check in _within_half_a_minute(beliefs, checks):
            grades = beliefs.outcomes([check])[0] / beliefs.weights
            outcomes = (outcomes[:, None, :] * grades).reshape(-1, outcomes.shape[1])
        chances = outcomes.sum(axis=1)
        probabilities = (outcomes @ beliefs.sets) / np.maximum(chances, 1e-300)[:, None]
        if float(chances[main_focus(probabilities) != now].sum()) > FAIR_CHANCE:
            return False
    return True


def _within_half_a_minute(beliefs: _Beliefs, checks: Sequence[Evidence]) -> list[Evidence]:
    """The most telling checks of one stage that fit."""
    chosen: list[Evidence] = []
    left = HALF_A_MINUTE
    for check, _ in _by_rate(beliefs, checks):
        if check.seconds <= left and len(chosen) < ENOUGH_CHECKS:
            chosen.append(check)
            left -= check.seconds
    return chosen


def _by_rate(beliefs: _Beliefs, checks: Sequence[Evidence]) -> list[tuple[Evidence, float]]:
    """Checks with their information, the most per second first."""
    gains = beliefs.information(checks).tolist()
    pairs = list(zip(checks, gains, strict=True))
    return sorted(pairs, key=lambda pair: -pair[1] / pair[0].seconds)
