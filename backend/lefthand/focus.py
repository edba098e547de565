"""The focus of the week: the most upstream cause that is likely enough, never more than two."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field

from lefthand.catalogue import Catalogue, Cause
from lefthand.vocabulary import LIKELY_ABOVE, Instrument

MAX_FOCUS = 2
MUCH_SURER = 0.3
# Looked at before a short reach may be the focus: one of each group.
LOOKED_AT_BEFORE_REACH = {
    "arm": {"elbow.behind", "elbow.forced", "elbow.low", "elbow.leans"},
    "hand height": {"knuckles.low", "index.tucked", "hand.square"},
    "wrist": {"wrist.caved", "wrist.bulged"},
}


@dataclass(frozen=True, slots=True)
class TeacherWord:
    """What the teacher said about causes; it stands beside the engine's view and wins."""

    pinned: tuple[str, ...] = field(default=())
    dismissed: tuple[str, ...] = field(default=())


NO_WORD = TeacherWord()


def choose_focus(
    probabilities: Mapping[str, float],
    catalogue: Catalogue,
    instrument: Instrument,
    checked: Iterable[str],
    word: TeacherWord = NO_WORD,
) -> tuple[str, ...]:
    """At most two cause ids, the main one first; empty when no cause is likely yet.

    The most upstream likely cause comes first, unless one further down is surer by 0.3. Equally
    upstream causes go by probability.
    """
    chosen = [c for c in word.pinned if c in probabilities][:MAX_FOCUS]
    skip = set(chosen) | set(word.dismissed)
    if not may_focus_on_reach(instrument, set(checked)):
        skip.add("short_reach")
    left = [
        catalogue.causes[c] for c, p in probabilities.items() if p > LIKELY_ABOVE and c not in skip
    ]
    while left and len(chosen) < MAX_FOCUS:
        best = _next_focus(left, probabilities)
        chosen.append(best.id)
        left.remove(best)
    return tuple(chosen)


def _next_focus(left: list[Cause], probabilities: Mapping[str, float]) -> Cause:
    upstream = min(left, key=lambda c: (c.order, -probabilities[c.id]))
    surer = [c for c in left if probabilities[c.id] >= probabilities[upstream.id] + MUCH_SURER]
    return max(surer, key=lambda c: probabilities[c.id]) if surer else upstream


def may_focus_on_reach(instrument: Instrument, checked: set[str]) -> bool:
    """True once arm, hand height (where the instrument has it) and wrist were looked at."""
    groups = dict(LOOKED_AT_BEFORE_REACH)
    if not instrument.is_held_up:
        del groups["hand height"]
    return all(group & checked for group in groups.values())
