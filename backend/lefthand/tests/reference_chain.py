"""Causes over the lessons as one unrolled network in pyagrum, a general-purpose library: the exact
joint over all causes and lessons, for few of both. A sign counts in full every time."""

from collections.abc import Mapping, Sequence
from itertools import pairwise

import numpy as np
import pyagrum as gum

from lefthand.catalogue.catalogue import Catalogue
from lefthand.reason.chain import THERE, cause_step
from lefthand.reason.memory import Heard
from lefthand.reason.network import GRADE_IF_THERE, grades_if_not


def exact_smoothing(
    heard: Sequence[Heard], priors: Mapping[str, float], catalogue: Catalogue
) -> np.ndarray:
    """(lessons, causes) the probability of each cause in each lesson given all of them. Every cause
    must have an own sign graded in every lesson, so that nothing goes unnoticed."""
    net = gum.BayesNet()
    soft = {}
    steps = [
        cause_step(later.day - earlier.day, later.is_harder, np.array(list(priors.values())))
        for earlier, later in pairwise(heard)
    ]
    for time, lesson in enumerate(heard):
        for column, (cause, prior) in enumerate(priors.items()):
            _add_state(net, cause, time, prior, steps[time - 1][column] if time else None)
        for name, grade in lesson.grades.items():
            item = catalogue.evidence[name]
            node = f"{name}@{time}"
            net.addNoisyORNet(gum.LabelizedVariable(node, node, 2), item.leak)
            for cause, strength in item.causes.items():
                if cause in priors:
                    net.addWeightedArc(f"{cause}@{time}", node, strength)
            soft[node] = [float(grades_if_not(item)[grade]), float(GRADE_IF_THERE[grade])]
    engine = gum.LazyPropagation(net)
    engine.setEvidence(soft)
    engine.makeInference()
    return np.array([[engine.posterior(f"{c}@{t}")[1] for c in priors] for t in range(len(heard))])


def _add_state(
    net: gum.BayesNet, cause: str, time: int, prior: float, step: np.ndarray | None
) -> None:
    state, there = f"{cause}~{time}", f"{cause}@{time}"
    net.add(gum.LabelizedVariable(state, state, 3))
    net.add(gum.LabelizedVariable(there, there, 2))
    if step is None:
        net.cpt(state).fillWith([1 - prior, prior, 0.0])
    else:
        earlier = f"{cause}~{time - 1}"
        net.addArc(earlier, state)
        for before in range(3):
            net.cpt(state)[{earlier: before}] = step[before].tolist()
    net.addArc(state, there)
    for before in range(3):
        net.cpt(there)[{state: before}] = [0.0, 1.0] if before == THERE else [1.0, 0.0]
