"""Causes over the lessons: what we now think was there then, and what was thought on the day.

The diagnosis of a lesson stays what it is, of that lesson alone. This is the same network with
memory. Every cause goes its own way, *never yet, there, eased, there again*, in continuous time;
in each lesson the causes together bring the signs. The joint over all causes and lessons is too
large, so what a lesson says of a cause and what the other lessons say of it are passed to and fro:

1. every lesson exactly over sets of causes, each cause at the odds that all other lessons give it;
2. every cause along its own chain exactly, with the ratio that each lesson has given it;

a few times, damped (expectation propagation: Minka, "Expectation propagation for approximate
Bayesian inference", UAI 2001; the forward half alone is the filter of Boyen and Koller, UAI 1998).
First all causes with few at once, to find those that matter; then these with more at once, the
others folded into the leaks. A sign that was graded before counts less, for one hand seen twice is
not two hands. A complaint and trials count as in the network.

All numbers are working judgement, with no published source. Where it can be wrong: against the
exact joint it is off by some hundredths at times, by a tenth seldom; a new hand shape of the player
that no cause knows is taken for the nearest cause.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import combinations, pairwise

import numpy as np

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.evidence import Evidence
from lefthand.reason.chain import EASED, NEVER, THERE, cause_step
from lefthand.reason.memory import REPEATED, Heard
from lefthand.reason.network import GRADE_IF_THERE, Floats, grades_if_not, temper_of

UNNOTICED = 0.6  # ratio of *there* in a lesson that graded none of a cause's own signs
UNNOTICED_LESSONS = 6  # the first ones; after that it is no news
OWN_SIGN_FROM = 0.5
SWEEPS = 4
ROUGH_SWEEPS = 2
DAMPING = 0.8
FEW_AT_ONCE = 4
FEWER_AT_ONCE = 3  # where there are many lessons, for time
MANY_LESSONS = 60
MORE_AT_ONCE = 5
CAUSES_IN_FULL = 10
TINY = 1e-9


@dataclass(frozen=True, eq=False)
class CausesOverTime:
    """smoothed: (lessons, causes) the probability that a cause was there, by all lessons. filtered:
    by the lessons up to that one."""

    causes: tuple[str, ...]
    smoothed: Floats
    filtered: Floats


def causes_over_time(
    heard: Sequence[Heard], priors: Mapping[str, float], catalogue: Catalogue
) -> CausesOverTime:
    """The causes in `priors` over the lessons, oldest first. `priors`: in 0..1, by cause."""
    causes = tuple(priors)
    if not heard:
        nothing = np.empty((0, len(causes)))
        return CausesOverTime(causes, nothing, nothing)
    prior = np.array([priors[c] for c in causes])
    told = _Told.of(heard, causes, catalogue)
    steps = _cause_steps(heard, prior)
    sets = sets_of(len(causes), FEWER_AT_ONCE if len(heard) > MANY_LESSONS else FEW_AT_ONCE)
    unnoticed = _unnoticed(heard, causes, catalogue)
    rough = smooth(sets, told.likelihood(sets), prior, steps, unnoticed, sweeps=ROUGH_SWEEPS)
    if len(causes) <= CAUSES_IN_FULL:
        kept = np.arange(len(causes))
    else:
        kept = np.sort(np.argsort(rough.smoothed.max(axis=0))[::-1][:CAUSES_IN_FULL])
    fewer = told.folded(kept, rough.smoothed.mean(axis=0))
    sets = sets_of(len(kept), MORE_AT_ONCE)
    unnoticed = unnoticed[:, kept]
    fine = smooth(sets, fewer.likelihood(sets), prior[kept], steps[:, kept], unnoticed)
    smoothed, filtered = rough.smoothed.copy(), rough.filtered.copy()
    smoothed[:, kept], filtered[:, kept] = fine.smoothed, fine.filtered
    return CausesOverTime(causes, smoothed, filtered)


@lru_cache(maxsize=32)
def sets_of(causes: int, at_most: int) -> Floats:
    """(sets, causes) of 0.0 and 1.0: all sets of at most so many causes."""
    rows = [
        s for size in range(min(at_most, causes) + 1) for s in combinations(range(causes), size)
    ]
    found = np.zeros((len(rows), causes))
    for number, members in enumerate(rows):
        found[number, list(members)] = 1.0
    return found


@dataclass(frozen=True, eq=False)
class _Told:
    """What was graded, as rows that all lessons share: a sign with its chance from outside.

    pick: (lessons, 4 rows) the weight of each grade of each row. strengths: (rows, causes). misses:
    (rows,) the chance that neither leak nor outside brings it. if_not: (rows, 4).
    """

    pick: Floats
    strengths: Floats
    misses: Floats
    if_not: Floats

    @staticmethod
    def of(heard: Sequence[Heard], causes: Sequence[str], catalogue: Catalogue) -> "_Told":
        rows: dict[tuple[str, float], int] = {}
        for lesson in heard:
            for name in lesson.grades:
                rows.setdefault((name, lesson.outside.get(name, 0.0)), len(rows))
        pick = np.zeros((len(heard), 4 * len(rows)))
        before: set[str] = set()
        for number, lesson in enumerate(heard):
            for name, grade in lesson.grades.items():
                row = rows[name, lesson.outside.get(name, 0.0)]
                counts = REPEATED if name in before else 1.0
                temper = temper_of(catalogue.evidence[name], catalogue.weighing.temper)
                pick[number, 4 * row + grade] = counts * temper
            before |= lesson.grades.keys()
        signs: list[tuple[Evidence, float]] = [(catalogue.evidence[n], o) for n, o in rows]
        return _Told(
            pick,
            np.array([[e.causes.get(c, 0.0) for c in causes] for e, _ in signs]).reshape(
                len(signs), len(causes)
            ),
            np.array([(1 - e.leak) * (1 - outside) for e, outside in signs]),
            np.array([grades_if_not(e) for e, _ in signs]).reshape(-1, 4),
        )

    def likelihood(self, sets: Floats) -> Floats:
        """(lessons, sets) of what each lesson graded, up to a factor a lesson."""
        there = 1 - self.misses[:, None] * np.exp(np.log1p(-self.strengths) @ sets.T)
        chance = (
            self.if_not[:, :, None] + (GRADE_IF_THERE - self.if_not)[:, :, None] * there[:, None]
        )
        logs = self.pick @ np.log(chance).reshape(-1, len(sets))
        found: Floats = np.exp(logs - logs.max(axis=1, keepdims=True))
        return found

    def folded(self, kept: np.ndarray, chance: Floats) -> "_Told":
        """With the causes `kept` alone; the others, each there with its `chance`, in the misses."""
        others = np.setdiff1d(np.arange(len(chance)), kept)
        missed = np.prod(1 - chance[others] * self.strengths[:, others], axis=1)
        return _Told(self.pick, self.strengths[:, kept], self.misses * missed, self.if_not)


def _unnoticed(heard: Sequence[Heard], causes: Sequence[str], catalogue: Catalogue) -> Floats:
    """(lessons, causes) log ratios of *there* where a lesson graded no own sign of a cause."""
    found = np.zeros((len(heard), len(causes)))
    lessons = [number for number, lesson in enumerate(heard) if lesson.grades]
    for number in lessons[:UNNOTICED_LESSONS]:
        shown = [catalogue.evidence[name].causes for name in heard[number].grades]
        for column, cause in enumerate(causes):
            if not any(each.get(cause, 0.0) >= OWN_SIGN_FROM for each in shown):
                found[number, column] = np.log(UNNOTICED)
    return found


def _cause_steps(heard: Sequence[Heard], prior: Floats) -> Floats:
    """(lessons - 1, causes, 3, 3): chances of moving between never yet, there and eased."""
    made: dict[tuple[int, bool], Floats] = {}
    steps = []
    for earlier, later in pairwise(heard):
        kind = (later.day - earlier.day, later.is_harder)
        if kind not in made:
            made[kind] = cause_step(*kind, prior)
        steps.append(made[kind])
    return np.array(steps).reshape(len(steps), len(prior), 3, 3)


@dataclass(frozen=True, eq=False)
class Smoothed:
    """smoothed, filtered: (lessons, causes) in 0..1."""

    smoothed: Floats
    filtered: Floats


def smooth(
    sets: Floats,
    likelihood: Floats,
    prior: Floats,
    steps: Floats,
    besides: Floats | None = None,
    *,
    sweeps: int = SWEEPS,
) -> Smoothed:
    """The two passes of the module's head. sets: (sets, causes); likelihood: (lessons, sets);
    prior: (causes,); steps: (lessons - 1, causes, 3, 3); besides: (lessons, causes) log ratios of
    *there* that a lesson gives beside its grades."""
    more = np.zeros((len(likelihood), len(prior))) if besides is None else besides
    cavity = np.tile(prior / (1 - prior), (len(likelihood), 1))
    log_ratio = np.zeros_like(cavity)
    for sweep in range(sweeps):
        weights = (np.log(cavity) + more) @ sets.T
        weights = np.exp(weights - weights.max(axis=1, keepdims=True)) * likelihood
        there = (weights @ sets) / weights.sum(axis=1, keepdims=True)
        there = np.clip(there, TINY, 1 - TINY)
        heard = np.log(there / (1 - there)) - np.log(cavity)
        damping = DAMPING if sweep else 1.0
        log_ratio = damping * heard + (1 - damping) * log_ratio
        cavity, smoothed, filtered = _along_chains(prior, steps, np.exp(log_ratio))
    return Smoothed(smoothed, filtered)


def _along_chains(prior: Floats, steps: Floats, ratio: Floats) -> tuple[Floats, Floats, Floats]:
    """Odds (lessons, causes) by all other lessons; smoothed and filtered probabilities. ratio:
    (lessons, causes) of *there* to *not there* by each lesson alone."""
    lessons, causes = ratio.shape
    seen = np.ones((lessons, causes, 3))
    seen[:, :, THERE] = ratio
    ahead, behind = np.empty((lessons, causes, 3)), np.ones((lessons, causes, 3))
    ahead[0] = np.stack([1 - prior, prior, np.zeros(causes)], axis=1)
    for lesson in range(1, lessons):
        moved = ((ahead[lesson - 1] * seen[lesson - 1])[:, None] @ steps[lesson - 1])[:, 0]
        ahead[lesson] = moved / moved.sum(axis=1, keepdims=True)
    for lesson in range(lessons - 2, -1, -1):
        told = (steps[lesson] @ (seen[lesson + 1] * behind[lesson + 1])[:, :, None])[:, :, 0]
        behind[lesson] = told / told.sum(axis=1, keepdims=True)
    both, known = ahead * behind, ahead * seen
    cavity = np.clip(both[:, :, THERE] / (both[:, :, NEVER] + both[:, :, EASED]), TINY, 1 / TINY)
    odds = cavity * ratio
    return cavity, odds / (1 + odds), known[:, :, THERE] / known.sum(axis=2)
