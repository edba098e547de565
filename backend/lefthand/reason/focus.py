"""The focus of the week: the most upstream cause that is likely enough, never more than two."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.causes import Cause
from lefthand.values.vocabulary import LIKELY_ABOVE, POSSIBLE_ABOVE, Instrument

Floats = NDArray[np.float64]

MAX_FOCUS = 2
MUCH_SURER = 0.3
# Looked at before a short reach may be the focus: one of each group.
ARM, HAND_HEIGHT, WRIST = "arm", "hand height", "wrist"
LOOKED_AT_BEFORE_REACH = {
    ARM: ("elbow.behind", "elbow.low", "elbow.forced", "elbow.leans"),
    HAND_HEIGHT: ("knuckles.low", "index.tucked", "hand.square"),
    WRIST: ("wrist.caved", "wrist.bulged"),
}
ASKED_OF_EACH = {ARM: ("elbow.behind", "elbow.low"), HAND_HEIGHT: ("knuckles.low",)}


@dataclass(frozen=True, slots=True)
class TeacherWord:
    """What the teacher said about causes; it stands beside the engine's view and wins. `is_whole`:
    the pinned are all that the focus shall be."""

    pinned: tuple[str, ...] = field(default=())
    dismissed: tuple[str, ...] = field(default=())
    is_whole: bool = False


NO_WORD = TeacherWord()


def choose_focus(
    probabilities: Mapping[str, float],
    catalogue: Catalogue,
    instrument: Instrument,
    checked: Iterable[str],
    word: TeacherWord = NO_WORD,
    kept: str | None = None,
) -> tuple[str, ...]:
    """At most two cause ids, the main one first; empty when no cause is likely yet.

    The most upstream likely cause comes first, unless one further down is surer by 0.3. Equally
    upstream causes go by probability. `kept`: last week's main focus; it stays while it is
    *possible* and none that would take its place is clearly surer.
    """
    chosen = [c for c in word.pinned if c in probabilities][:MAX_FOCUS]
    skip = set(chosen) | set(word.dismissed)
    if not may_focus_on_reach(instrument, set(checked)):
        skip.add("short_reach")
    left = [
        catalogue.causes[c] for c, p in probabilities.items() if p > LIKELY_ABOVE and c not in skip
    ]
    if not chosen and kept is not None and kept not in skip:
        best = _next_focus(left, probabilities) if left else None
        rival = probabilities[best.id] if best is not None else 0.0
        if stays(probabilities.get(kept, 0.0), rival, catalogue.weighing.margin):
            chosen.append(kept)
            left = [cause for cause in left if cause.id != kept]
    while left and len(chosen) < MAX_FOCUS and not (word.is_whole and chosen):
        best = _next_focus(left, probabilities)
        chosen.append(best.id)
        left.remove(best)
    return tuple(chosen)


def stays(kept: float, rival: float, margin: float) -> bool:
    """Whether last week's focus of this probability stays before a rival of that one."""
    return kept > POSSIBLE_ABOVE and rival < kept + margin


@dataclass(frozen=True, slots=True)
class KeptColumn:
    """The column of last week's focus, and the margin that it has."""

    column: int
    margin: float


def main_focus_columns(
    probabilities: Floats,
    orders: Floats,
    allowed: NDArray[np.bool_],
    kept: KeptColumn | None = None,
) -> NDArray[np.intp]:
    """The main focus of many cases at once, by the rule of `choose_focus`.

    probabilities: (n, n_causes). orders: (n_causes,), upstream first. allowed: (n_causes,), False
    for what may not be the focus. Returns columns (n,), -1 where no cause is likely.
    """
    likely = (probabilities > LIKELY_ABOVE) & allowed
    key = np.where(likely, orders - probabilities, np.inf)
    upstream = key.argmin(axis=1)
    rows = np.arange(len(probabilities))
    surer = likely & (probabilities >= probabilities[rows, upstream][:, None] + MUCH_SURER)
    surest = np.where(surer, probabilities, -1.0).argmax(axis=1)
    chosen = np.where(surer.any(axis=1), surest, upstream)
    found: NDArray[np.intp] = np.where(likely.any(axis=1), chosen, -1)
    if kept is None or not allowed[kept.column]:
        return found
    mine = probabilities[:, kept.column]
    rival = np.where(found >= 0, probabilities[rows, found], 0.0)
    stay = (mine > POSSIBLE_ABOVE) & (rival < mine + kept.margin)
    still: NDArray[np.intp] = np.where(stay, kept.column, found)
    return still


def _next_focus(left: list[Cause], probabilities: Mapping[str, float]) -> Cause:
    upstream = min(left, key=lambda c: (c.order, -probabilities[c.id]))
    surer = [c for c in left if probabilities[c.id] >= probabilities[upstream.id] + MUCH_SURER]
    return max(surer, key=lambda c: probabilities[c.id]) if surer else upstream


def may_focus_on_reach(instrument: Instrument, checked: set[str]) -> bool:
    """True once arm, hand height (where the instrument has it) and wrist were looked at."""
    return not missing_before_reach(instrument, checked)


def missing_before_reach(instrument: Instrument, checked: set[str]) -> list[str]:
    """Checks that answer what is still to be looked at before a short reach may be the focus."""
    return [
        check
        for group, checks in LOOKED_AT_BEFORE_REACH.items()
        if not checked.intersection(checks) and (instrument.is_held_up or group != HAND_HEIGHT)
        for check in ASKED_OF_EACH.get(group, checks)
    ]
