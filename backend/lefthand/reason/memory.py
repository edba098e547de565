"""What all lessons so far made of the causes, carried from lesson to lesson.

Every cause goes its own way, *never yet, there, eased, there again*, in continuous time. After a
lesson its exact posterior over sets of causes is kept as one chance a cause, moved by its chain to
the day of the next lesson, and taken there as what is known before anything is seen. That is the
filter of Boyen and Koller ("Tractable inference for complex stochastic processes", UAI 1998). A
sign that was graded before counts less, for one hand seen twice is not two hands. `change/memory`
looks back over the same chains with what came later.

All numbers are working judgement, with no published source; docs/decisions tells what they came to
on simulated players. Where it can be wrong: causes that explain each other are kept one by one.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date

import numpy as np

from lefthand.catalogue.catalogue import Catalogue
from lefthand.reason.chain import EASED, NEVER, THERE, cause_step
from lefthand.reason.network import Floats, network_for, posterior, with_priors
from lefthand.values.vocabulary import Instrument

REPEATED = 0.6  # weight of a sign that an earlier lesson had graded
MOST = 0.97  # nothing is ever quite sure
# What was never there, or has eased, may be there on any day: its odds stay above this share of
# what they are for any such player, so that one strong sign is believed.
LEAST_OF_START = 1 / 2


@dataclass(frozen=True, slots=True)
class Heard:
    """What one lesson says. day: of the lesson, from any zero. grades: by evidence, 0..3. outside:
    by evidence, the chance that something else brings it, as in the network."""

    day: int
    grades: Mapping[str, int]
    outside: Mapping[str, float]
    is_harder: bool = False


@dataclass(frozen=True, slots=True)
class Memory:
    """chances: by cause that it is never yet there, there, and eased; they sum to 1. on: the day of
    the newest lesson, None before the first. graded: signs that were graded so far."""

    on: date | None = None
    chances: Mapping[str, tuple[float, float, float]] = field(default_factory=dict)
    graded: frozenset[str] = frozenset()


NOTHING_YET = Memory()


def before_lesson(
    memory: Memory, starts: Mapping[str, float], on: date, *, is_harder: bool = False
) -> dict[str, tuple[float, float, float]]:
    """The chances of every cause of `starts` on the day of a lesson, before it has looked at
    anything. starts: starting probabilities in 0..1, by cause."""
    known = [memory.chances.get(cause, (1 - p, p, 0.0)) for cause, p in starts.items()]
    states = np.array(known)
    if memory.on is not None and on > memory.on:
        steps = cause_step((on - memory.on).days, is_harder, np.array(list(starts.values())))
        states = (states[:, None, :] @ steps)[:, 0, :]
    return {cause: _three(row) for cause, row in zip(starts, states, strict=True)}


def after_lesson(
    memory: Memory,
    starts: Mapping[str, float],
    heard: Heard,
    on: date,
    catalogue: Catalogue,
    instrument: Instrument,
) -> Memory:
    """The memory after a lesson that says this. starts: starting probabilities of all causes of the
    instrument."""
    chances = before_lesson(memory, starts, on, is_harder=heard.is_harder)
    if heard.grades:
        there = {cause: bounded(each[THERE], starts[cause]) for cause, each in chances.items()}
        network = with_priors(network_for(catalogue, instrument), there)
        weights = {name: REPEATED for name in heard.grades if name in memory.graded}
        result = posterior(network, heard.grades, heard.outside, weights)
        told = dict(zip(network.causes, result.probabilities.tolist(), strict=True))
        chances = {cause: _seen(each, told[cause]) for cause, each in chances.items()}
    return Memory(on, chances, memory.graded.union(heard.grades))


def bounded(chance: float, start: float) -> float:
    """What is remembered of a cause, kept from being too sure. start: its starting probability."""
    odds = LEAST_OF_START * start / (1 - start)
    return min(MOST, max(odds / (1 + odds), chance))


def _seen(each: tuple[float, float, float], there: float) -> tuple[float, float, float]:
    """The chances where the cause is there with this probability."""
    absent = each[NEVER] + each[EASED]
    share = each[NEVER] / absent if absent > 0 else 0.0
    return ((1 - there) * share, there, (1 - there) * (1 - share))


def _three(row: Floats) -> tuple[float, float, float]:
    never, there, eased = (row / row.sum()).tolist()
    return never, there, eased
