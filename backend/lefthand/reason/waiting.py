"""What must be looked at first, because a rule, an exercise or another sign waits for it."""

from collections.abc import Iterable, Iterator, Mapping

from lefthand.case.case import Case
from lefthand.case.ways import way_value
from lefthand.catalogue.catalogue import Catalogue
from lefthand.reason.focus import TeacherWord, missing_before_reach
from lefthand.reason.outside import to_rule_out
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import LIKELY_ABOVE, Kind

REACH = "short_reach"
# Looked at before a nudge or a stretch is given, and again after a year.
JOINTS = "laxity.fingers"
A_YEAR = 365  # days
STRENGTH_WAITS_FOR = ("thumb_index_grip", "insecure_hold", "held_fingers", "over_pressing")
GROWS_BELOW_AGE = 18
# On violin and viola nothing is called enough before this was asked, or skipped by the teacher.
HOLD_FIRST = ("hold.slips",)


def awaited_checks(
    case: Case,
    catalogue: Catalogue,
    probabilities: Mapping[str, float],
    focus: Iterable[str],
    targets: Iterable[str],
    word: TeacherWord,
) -> dict[str, Said]:
    """Evidence ids with why they come now, the most pressing first: the complaint, what may explain
    a sign from outside the hand, what another size of the instrument may have changed, what stands
    before a likely short reach, what the exercises of the
    focus need, and loose joints before a nudge or a stretch for one of the `targets` of the week.
    """
    wanted: dict[str, Said] = {}
    for checks, why in (
        (_complaint(case, catalogue), _complaint_said(case, catalogue)),
        (to_rule_out(case, catalogue), said("look-outside")),
        (case.anew, said("look-new-size")),
        (_before_reach(case, probabilities, word), said("look-before-reach")),
        (_before_exercises(case, catalogue, focus), said("look-for-exercises")),
        (
            _before_nudges(case, catalogue, probabilities, targets),
            said("look-before-nudge"),
        ),
    ):
        for name in checks:
            wanted.setdefault(name, why)
    return {
        name: why
        for name, why in wanted.items()
        if not _is_answered(case, name) and case.instrument in catalogue.evidence[name].instruments
    }


def _is_answered(case: Case, check: str) -> bool:
    """Looked at so lately that nobody needs to look again; what is asked anew only by today."""
    return check in case.findings if check in case.anew else looked_within_a_year(case, check)


def _complaint(case: Case, catalogue: Catalogue) -> Iterator[str]:
    """Confirmed, graded and located before anything else; not what can only be told."""
    if case.complaint is None:
        return
    evidence = catalogue.evidence[case.complaint]
    if not evidence.told and not evidence.is_trial and case.instrument not in evidence.unseen:
        yield evidence.id


def _complaint_said(case: Case, catalogue: Catalogue) -> Said:
    told = (c.says for c in catalogue.complaints.values() if c.evidence == case.complaint)
    words = next(told, None)
    return said("look-complaint-said", words=words) if words else said("look-complaint")


def looked_within_a_year(case: Case, check: str) -> bool:
    """Today, or in an earlier lesson that is no more than a year ago."""
    known = case.known.get(check)
    return check in case.findings or (known is not None and known.days <= A_YEAR)


def joints_are_due(case: Case) -> bool:
    """Loose joints were looked at, more than a year ago, and the player still grows."""
    age = case.young_age
    is_old = JOINTS in case.known and not looked_within_a_year(case, JOINTS)
    return is_old and age is not None and age < GROWS_BELOW_AGE


def strength_waits_for(
    case: Case, catalogue: Catalogue, probabilities: Mapping[str, float]
) -> str | None:
    """The cause that strength waits for: likely now, or the focus of the last week; None for none.
    What a way of teaching says instead is asked for elsewhere."""
    if way_value(case.way_of_teaching, catalogue, "strength") == "from_start":
        return None
    for cause in STRENGTH_WAITS_FOR:
        if probabilities.get(cause, 0.0) > LIKELY_ABOVE or cause in case.recent_focus:
            return cause
    return None


def _before_nudges(
    case: Case,
    catalogue: Catalogue,
    probabilities: Mapping[str, float],
    targets: Iterable[str],
) -> Iterator[str]:
    """Loose joints, where a nudge or a stretch would be given for one of these causes."""
    if joints_are_due(case):
        yield JOINTS
    if looked_within_a_year(case, JOINTS):
        return
    wanted = set(targets)
    waits = strength_waits_for(case, catalogue, probabilities) is not None
    for exercise in catalogue.exercises.values():
        fits = case.instrument in exercise.instruments and case.level.rank >= exercise.level.rank
        fits = fits and not (waits and exercise.kind is Kind.STRENGTH)
        if (exercise.nudge or exercise.stretch) and fits and wanted.intersection(exercise.aims):
            yield JOINTS


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
