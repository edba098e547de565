"""The same network built in pyagrum, a general-purpose library for Bayesian networks.

The bound on the number of causes at once is matched exactly: a chain of counters adds up the causes
one by one (states 0..max and "more"), and "more" is ruled out by evidence on the last counter.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import replace

import numpy as np
import pyagrum as gum

from lefthand.catalogue.evidence import Evidence
from lefthand.reason.network import GRADE_IF_THERE, Network, grades_if_not


def untempered(network: Network) -> Network:
    """The network as the reference has it, every grade counted in full."""
    return replace(network, temper=np.ones_like(network.temper))


class ReferenceNetwork:
    """The network of `priors` with the evidence named in `graded`. `max_causes` None: no bound."""

    def __init__(
        self,
        priors: Mapping[str, float],
        evidence: Sequence[Evidence],
        graded: Iterable[str],
        max_causes: int | None,
    ) -> None:
        net = gum.BayesNet()
        for cause, prior in priors.items():
            net.add(gum.LabelizedVariable(cause, cause, 2))
            net.cpt(cause).fillWith([1 - prior, prior])
        by_id = {e.id: e for e in evidence}
        for name in graded:
            item = by_id[name]
            net.addNoisyORNet(gum.LabelizedVariable(name, name, 2), item.leak)
            for cause, strength in item.causes.items():
                if cause in priors:
                    net.addWeightedArc(net.idFromName(cause), net.idFromName(name), strength)
        self._if_not = {e.id: grades_if_not(e) for e in evidence}
        self._bound = {}
        if max_causes is not None:
            last = _add_counters(net, list(priors), max_causes)
            self._bound[last] = [1.0] * (max_causes + 1) + [0.0]
        self._causes = list(priors)
        self._engine = gum.LazyPropagation(net)

    def posterior(self, grades: Mapping[str, int]) -> dict[str, float]:
        """P(cause | grades) by lazy propagation; grades of the evidence given at the start."""
        soft = {
            name: [float(self._if_not[name][grade]), float(GRADE_IF_THERE[grade])]
            for name, grade in grades.items()
        }
        self._engine.setEvidence({**soft, **self._bound})
        self._engine.makeInference()
        return {cause: float(self._engine.posterior(cause)[1]) for cause in self._causes}


def reference_posterior(
    priors: Mapping[str, float],
    evidence: Sequence[Evidence],
    grades: Mapping[str, int],
    max_causes: int | None,
) -> dict[str, float]:
    return ReferenceNetwork(priors, evidence, grades, max_causes).posterior(grades)


def _add_counters(net: "gum.BayesNet", causes: Sequence[str], limit: int) -> str:
    """Add counters of the causes in order; the last one's name."""
    states = limit + 2
    before = ""
    for index, cause in enumerate(causes):
        name = f"count{index}"
        net.add(gum.LabelizedVariable(name, name, states))
        net.addArc(cause, name)
        if before:
            net.addArc(before, name)
        table = net.cpt(name)
        for start in range(states if before else 1):
            for present in (0, 1):
                where = {cause: present, **({before: start} if before else {})}
                end = min(start + present, limit + 1)
                table[where] = [float(state == end) for state in range(states)]
        before = name
    return before
