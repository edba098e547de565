"""What became of last week's focus, made from the numbers."""

from collections.abc import Mapping, Sequence

from lefthand.case.case import Case
from lefthand.values import said as named
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import likelihood_of


def kept_said(case: Case, probabilities: Mapping[str, float], focus: Sequence[str]) -> Said | None:
    """`probabilities`: by cause, with what was looked at today. `focus`: of today, the main one
    first. None where there was no focus before or nothing is remembered of it."""
    kept = next(iter(case.kept_focus), None)
    if kept is None or kept not in probabilities or kept not in case.memory:
        return None
    before, now = likelihood_of(case.memory[kept]), likelihood_of(probabilities[kept])
    cause = named.cause(kept)
    if focus and focus[0] == kept:
        if before is now:
            return said("kept-still", now=now)
        return said("kept-moved", before=before, now=now)
    if not focus:
        return said("kept-no-focus", cause=cause, now=now)
    rival, word = named.cause(focus[0]), likelihood_of(probabilities[focus[0]])
    return said("kept-rival", cause=cause, now=now, rival=rival, rival_word=word)
