"""What must be looked at first, because a rule, an exercise or another sign waits for it."""

from collections.abc import Iterable, Iterator, Mapping

from lefthand.case.case import Case
from lefthand.catalogue.catalogue import Catalogue
from lefthand.reason.focus import TeacherWord, missing_before_reach
from lefthand.reason.outside import to_rule_out
from lefthand.values.vocabulary import LIKELY_ABOVE

REACH = "short_reach"
# On violin and viola nothing is called enough before this was asked, or skipped by the teacher.
HOLD_FIRST = ("hold.slips",)


def awaited_checks(
    case: Case,
    catalogue: Catalogue,
    probabilities: Mapping[str, float],
    focus: Iterable[str],
    word: TeacherWord,
) -> tuple[str, ...]:
    """Evidence ids, the most pressing first: what may explain a sign from outside the hand, what
    stands before a likely short reach, what the exercises of the focus need."""
    wanted = dict.fromkeys(
        (
            *to_rule_out(case, catalogue),
            *_before_reach(case, probabilities, word),
            *_before_exercises(case, catalogue, focus),
        )
    )
    return tuple(
        name
        for name in wanted
        if name not in case.findings and case.instrument in catalogue.evidence[name].instruments
    )


def _before_reach(
    case: Case, probabilities: Mapping[str, float], word: TeacherWord
) -> Iterator[str]:
    if probabilities.get(REACH, 0.0) > LIKELY_ABOVE and REACH not in word.dismissed:
        yield from missing_before_reach(case.instrument, set(case.findings))


def _before_exercises(case: Case, catalogue: Catalogue, focus: Iterable[str]) -> Iterator[str]:
    """What the exercises need that aim at the focus first or second."""
    for cause in focus:
        for exercise in catalogue.exercises.values():
            if cause in exercise.aims[:2] and case.instrument in exercise.instruments:
                yield from (need for need in exercise.needs if need in catalogue.evidence)
