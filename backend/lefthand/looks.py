"""The next look, and whether enough has been seen.

Method: each check is worth the information (in nats) that its grade is expected to give about the
set of causes; a bundle of checks of one stage is grown greedily, each further check valued given
the ones before it, and the stage with the most information per second wins. Changing stage costs
time. Greedy choice by expected information is the usual myopic rule of decision-theoretic
troubleshooting (Heckerman, Breese and Rommelse, 1995). Departure: only the heaviest sets of causes
are used, those that hold nearly all of the weight.
"""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from lefthand.catalogue import Catalogue, Evidence
from lefthand.network import GRADE_IF_NOT, GRADE_IF_THERE, Network, Posterior, heaviest
from lefthand.vocabulary import Instrument, Stage

Floats = NDArray[np.float64]

MAX_CHECKS = 5
STAGE_CHANGE_SECONDS = 10
HALF_A_MINUTE = 30
FAIR_CHANCE = 0.10
ENOUGH_CHECKS = 3
WEIGHT_KEPT = 0.995
SETS_KEPT = 1500
LEAST_INFORMATION = 1e-4
_RISE = GRADE_IF_THERE - GRADE_IF_NOT


@dataclass(frozen=True, slots=True)
class Look:
    """Checks of one stage that share a glance. `seconds` includes a change of stage."""

    stage: Stage
    checks: tuple[str, ...]
    seconds: int


@dataclass(frozen=True, eq=False)
class _Beliefs:
    """The heaviest sets: weights (k,), summing to 1, and rows of the network cut down to them."""

    result: Posterior
    kept: NDArray[np.intp]
    weights: Floats

    @classmethod
    def from_posterior(cls, result: Posterior) -> "_Beliefs":
        kept = heaviest(result, WEIGHT_KEPT, SETS_KEPT)
        weights = result.weights[kept]
        return cls(result, kept, weights / weights.sum())

    def there(self, checks: list[Evidence]) -> Floats:
        """(n_checks, k): probability that each check's evidence is there."""
        network = self.result.network
        rows = np.array([network.evidence.index(c.id) for c in checks])
        found: Floats = network.there[rows[:, None], self.kept]
        return found

    def doubt(self, checks: list[Evidence]) -> Floats:
        """(n_checks,): expected entropy of the grade when the causes are known, in nats."""
        network = self.result.network
        rows = np.array([network.evidence.index(c.id) for c in checks])
        found: Floats = _known_cause_entropy(network)[rows[:, None], self.kept] @ self.weights
        return found


@lru_cache(maxsize=8)
def _known_cause_entropy(network: Network) -> Floats:
    """(n_evidence, n_sets): entropy of the grade for each set of causes, in nats."""
    total = np.zeros_like(network.there)
    for low, rise in zip(GRADE_IF_NOT, _RISE, strict=True):
        p = low + rise * network.there
        total -= p * np.log(p)
    return total


def next_look(
    result: Posterior,
    catalogue: Catalogue,
    instrument: Instrument,
    *,
    stage: Stage | None = None,
    skipped: Iterable[str] = (),
) -> Look | None:
    """The bundle with the most information per second, or None when nothing is left to check.

    `stage` is where the lesson is now; None means it has not begun. `skipped` are checks that
    cannot be made today.
    """
    beliefs = _Beliefs.from_posterior(result)
    best: tuple[float, Look] | None = None
    for place, checks in open_checks(result, catalogue, instrument, skipped).items():
        change = 0 if place is stage else STAGE_CHANGE_SECONDS
        found = _best_bundle(beliefs, place, checks, change)
        if found is not None and (best is None or found[0] > best[0]):
            best = found
    return best[1] if best else None


def open_checks(
    result: Posterior, catalogue: Catalogue, instrument: Instrument, skipped: Iterable[str]
) -> dict[Stage, list[Evidence]]:
    """Checks that are left, by stage. Trials wait until some trouble was found to ease."""
    done = set(result.grades) | set(skipped)
    anything_found = any(grade > 0 for grade in result.grades.values())
    by_stage: dict[Stage, list[Evidence]] = {}
    for evidence in catalogue.evidence_of(instrument):
        if evidence.id in done or (evidence.is_trial and not anything_found):
            continue
        by_stage.setdefault(evidence.stage, []).append(evidence)
    return by_stage


def _best_bundle(
    beliefs: _Beliefs, stage: Stage, checks: list[Evidence], change: int
) -> tuple[float, Look] | None:
    best: tuple[float, Look] | None = None
    seconds = change
    information = 0.0
    chosen: list[str] = []
    for check, gain, _ in _grow(beliefs, checks, MAX_CHECKS, lambda c: c.seconds):
        if gain < LEAST_INFORMATION:
            break
        seconds += check.seconds
        information += gain
        chosen.append(check.id)
        rate = information / seconds
        if best is not None and rate < best[0]:
            break
        best = (rate, Look(stage, tuple(chosen), seconds))
    return best


def _grow(
    beliefs: _Beliefs,
    checks: list[Evidence],
    at_most: int,
    cost: Callable[[Evidence], float],
    budget: float = float("inf"),
) -> Iterable[tuple[Evidence, float, Floats]]:
    """Checks in greedy order of information per cost within `budget`.

    Yields the check, its information given the ones before it (nats), and the weights
    (n_outcomes, k) of all outcomes so far, unnormalised.
    """
    left = list(checks)
    outcomes = beliefs.weights[None, :]
    for _ in range(at_most):
        left = [c for c in left if cost(c) <= budget]
        if not left:
            return
        there = beliefs.there(left)
        gains = _information(outcomes, there) - beliefs.doubt(left)
        rates = gains / np.array([cost(c) for c in left])
        index = int(np.argmax(rates))
        check = left.pop(index)
        budget -= cost(check)
        outcomes = _split(outcomes, there[index])
        yield check, float(gains[index]), outcomes


def _information(outcomes: Floats, there: Floats) -> Floats:
    """(n_checks,): expected entropy of each check's grade given the outcomes so far, in nats."""
    chance = outcomes.sum(axis=1)[:, None]
    joint = outcomes @ there.T
    total = np.zeros(there.shape[0])
    for low, rise in zip(GRADE_IF_NOT, _RISE, strict=True):
        p = low * chance + rise * joint
        total -= (p * np.log(np.maximum(p, 1e-300) / np.maximum(chance, 1e-300))).sum(axis=0)
    return total


def _split(outcomes: Floats, there: Floats) -> Floats:
    """Every outcome so far times the four grades of one more check."""
    grades = GRADE_IF_NOT[:, None] + _RISE[:, None] * there[None, :]
    split: Floats = (outcomes[:, None, :] * grades[None, :, :]).reshape(-1, outcomes.shape[1])
    return split


def is_enough(
    result: Posterior,
    catalogue: Catalogue,
    instrument: Instrument,
    focus_of: Callable[[dict[str, float]], str | None],
    skipped: Iterable[str] = (),
) -> bool:
    """True when no look of half a minute has a fair chance (> 10 %) of changing the focus.

    `focus_of` gives the main focus for probabilities by cause. Never true before the first check.
    Up to three checks a stage are followed through all their outcomes.
    """
    if not result.grades:
        return False
    beliefs = _Beliefs.from_posterior(result)
    now = focus_of(_named(result.network, result.probabilities))
    sets = result.network.sets[beliefs.kept]
    for checks in open_checks(result, catalogue, instrument, skipped).values():
        outcomes = None
        for _, _, outcomes in _grow(  # noqa: B007 - only the last outcomes are wanted
            beliefs, checks, ENOUGH_CHECKS, lambda c: c.seconds, HALF_A_MINUTE
        ):
            pass
        if (
            outcomes is not None
            and _chance_of_change(outcomes, sets, result, focus_of, now) > FAIR_CHANCE
        ):
            return False
    return True


def _chance_of_change(
    outcomes: Floats,
    sets: Floats,
    result: Posterior,
    focus_of: Callable[[dict[str, float]], str | None],
    now: str | None,
) -> float:
    chances = outcomes.sum(axis=1)
    probabilities = (outcomes @ sets) / np.maximum(chances, 1e-300)[:, None]
    changed = 0.0
    for chance, row in zip(chances, probabilities, strict=True):
        if focus_of(_named(result.network, row)) != now:
            changed += float(chance)
    return changed


def _named(network: Network, probabilities: Floats) -> dict[str, float]:
    return dict(zip(network.causes, probabilities.tolist(), strict=True))
