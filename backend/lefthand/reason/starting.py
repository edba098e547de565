"""Where the probabilities of causes start for one player, before anything is seen.

A cause's prior, moved by what the teacher's own lessons settled (`learning`), then by factors on
its odds for this kind of player (`knowledge/starting.yaml`), and from the second lesson on by what
the lessons before made of it (`memory`).
"""

import math
from collections.abc import Mapping

from lefthand.case.case import Case
from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.starting import StartingChance, Who
from lefthand.reason.learning import Count, starting_value
from lefthand.reason.memory import bounded


def starting_probabilities(
    case: Case, catalogue: Catalogue, counts: Mapping[str, Count]
) -> dict[str, float]:
    """Probability in 0..1 of every cause of the instrument, by id."""
    chances = chances_of(case, catalogue)
    found = {}
    for cause in catalogue.causes_of(case.instrument):
        p = starting_value(cause, counts)
        odds = p / (1 - p)
        for chance in chances:
            odds *= chance.odds.get(cause.id, 1.0)
        found[cause.id] = with_memory(odds / (1 + odds), case.memory.get(cause.id), catalogue)
    return found


def with_memory(start: float, remembered: float | None, catalogue: Catalogue) -> float:
    """Between what holds for any such player and what the lessons before made of the cause, on the
    log odds."""
    if remembered is None:
        return start
    share = catalogue.weighing.memory
    kept = bounded(remembered, start)
    odds = math.log(kept / (1 - kept)) * share + math.log(start / (1 - start)) * (1 - share)
    return 1 / (1 + math.exp(-odds))


def chances_of(case: Case, catalogue: Catalogue) -> list[StartingChance]:
    """The records of starting chances that fit this player."""
    return [
        chance
        for chance in catalogue.starting.values()
        if any(fits(who, case) for who in chance.who)
    ]


def fits(who: Who, case: Case) -> bool:
    """Whether all that is said of `who` is true of the player; an unknown age is an adult's."""
    return (
        (who.level is None or case.level is who.level)
        and (who.age_below is None or (case.age is not None and case.age < who.age_below))
        and (who.age_from is None or (case.age is not None and case.age >= who.age_from))
        and (who.hours_from is None or case.hours_a_day >= who.hours_from)
        and (who.lately is None or who.lately in case.lately)
    )


def ordinary_findings(case: Case, catalogue: Catalogue) -> dict[str, StartingChance]:
    """Findings that are no fault for this player, by evidence id, with the record that says so."""
    found = {}
    for chance in chances_of(case, catalogue):
        for name, grades in chance.ordinary.items():
            finding = case.findings.get(name)
            if finding is not None and finding.grade in grades:
                found[name] = chance
    return found
