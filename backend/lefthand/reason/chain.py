"""How a cause comes and goes between lessons: *never yet, there, eased, there again*.

Chances a week; working judgement, with no published source.
"""

import numpy as np

from lefthand.reason.network import Floats
from lefthand.reason.steps import exponential, rate_of
from lefthand.values.vocabulary import DAYS_A_WEEK

EASES = 0.10  # chance a week that a cause that is there eases
RETURNS = 0.05  # chance a week that one that has eased is back
HARDER = 4.0  # times the rate of return in the days before a lesson with a harder piece
BEGINS = 0.10  # share of the rate that would hold the prior, at which a cause first begins
NEVER, THERE, EASED = 0, 1, 2


def cause_step(days: int, is_harder: bool, prior: Floats) -> Floats:
    """(causes, 3, 3) for a gap of so many days before a lesson: chances of moving between never
    yet, there and eased. prior: (causes,) in 0..1. Rows sum to 1."""
    eases, returns = rate_of(EASES), rate_of(RETURNS) * (HARDER if is_harder else 1.0)
    rates = np.zeros((len(prior), 3, 3))
    rates[:, NEVER, THERE] = BEGINS * eases * prior / (1 - prior)
    rates[:, THERE, EASED] = eases
    rates[:, EASED, THERE] = returns
    rates -= np.eye(3) * rates.sum(axis=2)[:, :, None]
    return exponential(rates * days / DAYS_A_WEEK)
