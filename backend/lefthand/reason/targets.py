"""Which causes exercises are chosen for, and how much each counts."""

from collections.abc import Iterable, Sequence

from lefthand.reason.explain import CauseView
from lefthand.values.vocabulary import POSSIBLE_ABOVE

SECOND_FOCUS_WEIGHT = 0.6
COMPANION_WEIGHT = 0.6


def target_weights(focus: Iterable[str], causes: Sequence[CauseView]) -> dict[str, float]:
    """How much each cause counts in choosing exercises. `causes`: all, most probable first.

    The focus 1, a second focus 0.6; with one focus the next *possible* cause counts with 0.6 of its
    probability. With no focus the *possible* causes that a finding speaks for count.
    """
    weights = dict(zip(focus, (1.0, SECOND_FOCUS_WEIGHT), strict=False))
    possible = [v for v in causes if v.cause not in weights and v.probability > POSSIBLE_ABOVE]
    if not weights:
        return {v.cause: v.probability for v in possible if v.speaks_for}
    if len(weights) < 2 and possible:
        companion = max(possible, key=lambda v: v.probability)
        weights[companion.cause] = COMPANION_WEIGHT * companion.probability
    return weights
