"""Steps of a hidden chain over any number of days.

A chain in continuous time with the rates Q moves over t weeks by exp(Q t) (Norris, "Markov Chains",
1997, section 2.1), so that weekly lessons, missed ones and holidays need no rule of their own. The
exponential is taken by scaling and squaring (Higham, "Functions of Matrices", 2008, chapter 10):
exp(A) = exp(A / 2^k)^(2^k), the inner one by its first terms.
"""

import math
from functools import lru_cache

import numpy as np

from lefthand.reason.network import Floats
from lefthand.values.vocabulary import DAYS_A_WEEK

SQUARINGS = 10
TERMS = 4


def rate_of(chance_a_week: float) -> float:
    """The rate a week of what happens within a week with this chance (0..1, below 1)."""
    return -math.log1p(-chance_a_week)


def exponential(matrix: Floats) -> Floats:
    """exp of square matrices (..., n, n) whose entries are not above some dozens."""
    size = matrix.shape[-1]
    scaled = matrix / 2**SQUARINGS
    result = np.broadcast_to(np.eye(size), matrix.shape).copy()
    term = result
    for order in range(1, TERMS + 1):
        term = term @ scaled / order
        result = result + term
    for _ in range(SQUARINGS):
        result = result @ result
    found: Floats = result
    return found


@lru_cache(maxsize=4096)
def level_step(days: int, down: float, up: float, levels: int = 3) -> Floats:
    """Chances (levels, levels) of moving from level to level in so many days, where one level down
    has the chance `down` a week and one level up `up`. Rows sum to 1."""
    rates = np.zeros((levels, levels))
    for level in range(levels - 1):
        rates[level, level + 1] = rate_of(up)
        rates[level + 1, level] = rate_of(down)
    rates -= np.diag(rates.sum(axis=1))
    return exponential(rates * days / DAYS_A_WEEK)
