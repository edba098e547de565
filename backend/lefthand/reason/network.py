"""The two-layer network from causes to evidence, summed exactly.

Method: noisy-OR with a leak (Pearl, "Probabilistic Reasoning in Intelligent Systems", 1988,
section 4.3.2): evidence is there with probability 1 - (1 - leak) * prod(1 - strength) over the
causes that are present. A grade 0..3 is a noisy report of whether the evidence is there. With at
most `max_causes` causes at once, every set of causes is written out (21 700 sets for 20 causes and
five at once) and the posterior is a plain sum. Evidence that was not checked is left out, which
sums it out.

For a check that is rarely graded clear or strong by mistake (`Evidence.mistaken`), those two
columns of the table for what is not there hold its own chances.

The grade table and the numbers of the catalogue are working judgement, with no published source.
Where it can be wrong: causes beyond `max_causes` at once are not considered, and reports of
different evidence are taken as independent given the causes.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property, lru_cache
from itertools import combinations

import numpy as np
from numpy.typing import NDArray

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.evidence import Evidence
from lefthand.values.vocabulary import Instrument

Floats = NDArray[np.float64]

MAX_CAUSES = 5
GRADE_IF_THERE = np.array([0.10, 0.25, 0.40, 0.25])
GRADE_IF_NOT = np.array([0.82, 0.13, 0.04, 0.01])
NOTHING_OUTSIDE: Mapping[str, float] = {}
ALL_COUNT: Mapping[str, float] = {}


@dataclass(frozen=True, eq=False)
class Network:
    """Written-out network.

    sets: (n_sets, n_causes) of 0.0 and 1.0, one row per set of causes.
    prior: (n_sets,), sums to 1.
    there: (n_evidence, n_sets), probability that the evidence is there.
    if_not: (n_evidence, 4), probability of each grade when it is not there.
    temper: (n_evidence,), the power that the likelihood of a grade is taken to, in 0..1.
    """

    causes: tuple[str, ...]
    evidence: tuple[str, ...]
    sets: Floats
    prior: Floats
    there: Floats
    if_not: Floats
    temper: Floats

    @cached_property
    def position(self) -> dict[str, int]:
        """Row of each piece of evidence in `there`."""
        return {name: row for row, name in enumerate(self.evidence)}

    def row(self, evidence: str) -> Floats:
        """Probability that `evidence` is there, for every set: (n_sets,)."""
        found: Floats = self.there[self.position[evidence]]
        return found

    def likelihood(self, evidence: str, grade: int, outside: float = 0.0) -> Floats:
        """How much this grade speaks for every set: (n_sets,), its probability, tempered.

        outside: probability that something outside the left hand brings the evidence by itself.
        """
        row = self.position[evidence]
        low, temper = self.if_not[row, grade], self.temper[row]
        there = 1 - (1 - outside) * (1 - self.row(evidence))
        result: Floats = low + (GRADE_IF_THERE[grade] - low) * there
        return result if temper == 1 else result**temper


@dataclass(frozen=True, eq=False)
class Posterior:
    """weights: (n_sets,), sums to 1. probabilities: (n_causes,), of each cause in 0..1."""

    network: Network
    grades: Mapping[str, int]
    outside: Mapping[str, float]
    weights: Floats
    probabilities: Floats

    def likelihood(self, evidence: str) -> Floats:
        """Probability of the grade that this evidence has, for every set: (n_sets,)."""
        outside = self.outside.get(evidence, 0.0)
        return self.network.likelihood(evidence, self.grades[evidence], outside)

    def probability(self, cause: str) -> float:
        return float(self.probabilities[self.network.causes.index(cause)])


@lru_cache(maxsize=8)
def network_for(catalogue: Catalogue, instrument: Instrument) -> Network:
    """The whole network of an instrument, written out once and kept."""
    causes = {c.id: c.prior for c in catalogue.causes_of(instrument)}
    temper = catalogue.weighing.temper
    return build_network(causes, catalogue.evidence_of(instrument), MAX_CAUSES, temper)


def with_priors(network: Network, priors: Mapping[str, float]) -> Network:
    """The same network with the priors (by cause, in 0..1) of a teacher's own lessons."""
    chosen = np.array([priors[c] for c in network.causes])
    return replace(network, prior=_prior_of_sets(network.sets, chosen))


def build_network(
    priors: Mapping[str, float],
    evidence: Sequence[Evidence],
    max_causes: int,
    temper: float = 1.0,
) -> Network:
    """Write out all sets of at most `max_causes` of the causes in `priors`."""
    causes = tuple(priors)
    sets = _all_sets(len(causes), max_causes)
    prior = np.array([priors[c] for c in causes])
    there = np.empty((len(evidence), len(sets)))
    for row, item in enumerate(evidence):
        misses = np.log1p(-np.array([item.causes.get(c, 0.0) for c in causes]))
        there[row] = 1 - (1 - item.leak) * np.exp(sets @ misses)
    return Network(
        causes=causes,
        evidence=tuple(e.id for e in evidence),
        sets=sets,
        prior=_prior_of_sets(sets, prior),
        there=there,
        if_not=np.array([grades_if_not(e) for e in evidence]).reshape(-1, len(GRADE_IF_NOT)),
        temper=np.array([temper_of(e, temper) for e in evidence]),
    )


def temper_of(evidence: Evidence, temper: float) -> float:
    """What defines a cause is believed in full: it is rarely graded by mistake."""
    return temper if evidence.mistaken is None else 1.0


def grades_if_not(evidence: Evidence) -> Floats:
    """Probability of each grade when the evidence is not there: (4,), sums to 1."""
    if evidence.mistaken is None:
        return GRADE_IF_NOT
    slight, (clear, strong) = GRADE_IF_NOT[1], evidence.mistaken
    return np.array([1 - slight - clear - strong, slight, clear, strong])


def _prior_of_sets(sets: Floats, prior: Floats) -> Floats:
    weights: Floats = np.exp(sets @ np.log(prior) + (1 - sets) @ np.log1p(-prior))
    weights /= weights.sum()
    return weights


def _all_sets(count: int, at_most: int) -> Floats:
    rows = [s for size in range(min(at_most, count) + 1) for s in combinations(range(count), size)]
    sets = np.zeros((len(rows), count))
    for index, members in enumerate(rows):
        sets[index, list(members)] = 1.0
    return sets


def posterior(
    network: Network,
    grades: Mapping[str, int],
    outside: Mapping[str, float] = NOTHING_OUTSIDE,
    counts: Mapping[str, float] = ALL_COUNT,
) -> Posterior:
    """Probability of every cause given the grades (evidence id to 0..3).

    outside: by evidence, the probability in 0..1 that something other than the causes brings it, as
    one more cause that is independent of all others and is summed out. counts: by evidence, how
    much its grade counts, in 0..1, where that is less than in full.
    """
    weights = network.prior.copy()
    for evidence in sorted(grades):
        told = network.likelihood(evidence, grades[evidence], outside.get(evidence, 0.0))
        weights *= told ** counts[evidence] if evidence in counts else told
        weights /= weights.sum()
    return Posterior(network, dict(grades), dict(outside), weights, weights @ network.sets)


def without_each(result: Posterior) -> dict[str, Floats]:
    """Probabilities of the causes (n_causes,) with each piece of evidence left out in turn."""
    names = list(result.grades)
    if not names:
        return {}
    likelihoods = np.stack([result.likelihood(n) for n in names])
    weights = result.weights / likelihoods
    found = (weights @ result.network.sets) / weights.sum(axis=1)[:, None]
    return dict(zip(names, found, strict=True))


def log_odds(probability: Floats | float) -> Floats:
    """Natural log of p / (1 - p), kept finite at the ends."""
    p = np.clip(np.asarray(probability, dtype=float), 1e-12, 1 - 1e-12)
    result: Floats = np.log(p) - np.log1p(-p)
    return result


def heaviest(result: Posterior, share: float, at_most: int) -> NDArray[np.intp]:
    """Indices of the heaviest sets that hold `share` of the weight, `at_most` of them."""
    order = (
        np.argpartition(result.weights, -at_most)[-at_most:]
        if len(result.weights) > at_most
        else np.arange(len(result.weights))
    )
    order = order[np.argsort(result.weights[order])[::-1]]
    held = np.cumsum(result.weights[order])
    enough = int(np.searchsorted(held, share)) + 1
    return order[:enough]
