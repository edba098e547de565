"""What became of last week's focus, in a sentence made from the numbers."""

from collections.abc import Mapping, Sequence

from lefthand.case.case import Case
from lefthand.catalogue.catalogue import Catalogue
from lefthand.values.vocabulary import likelihood_of
from lefthand.values.wording import lower_first


def kept_words(
    case: Case, probabilities: Mapping[str, float], focus: Sequence[str], catalogue: Catalogue
) -> str:
    """`probabilities`: by cause, with what was looked at today. `focus`: of today, the main one
    first. "" where there was no focus before or nothing is remembered of it."""
    kept = next(iter(case.kept_focus), None)
    if kept is None or kept not in probabilities or kept not in case.memory:
        return ""
    before, now = likelihood_of(case.memory[kept]), likelihood_of(probabilities[kept])
    name = lower_first(catalogue.causes[kept].name)
    if focus and focus[0] == kept:
        if before is now:
            return f"Kept from last week: {now.value} before today's look and after it."
        return f"Kept from last week: {before.value} before today's look, {now.value} now."
    if not focus:
        return f"Last week's focus, {name}, is {now.value} now."
    rival = likelihood_of(probabilities[focus[0]])
    new = lower_first(catalogue.causes[focus[0]].name)
    return f"Last week's focus, {name}, is {now.value} now; {new} is {rival.value}."
