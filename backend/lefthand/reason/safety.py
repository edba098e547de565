"""Red and amber flags from what the player reports.

The rules are those of the trade (common practice, no source) and always lean to the safe side. The
words of what is found here name no disease: they say what was reported and who should be asked.
"""

from dataclasses import dataclass
from enum import StrEnum

from lefthand.case.case import Case, Reports
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import DAYS_A_WEEK, Grade, RedSign

LOOSENESS_SCORE = "laxity.ninepoint"
LOOSENESS_ADVICE = said("advice-loose")
SORE_SKIN = said("skin-sore")
RED_PAIN = 4
RED_WEEKS = 2
LONG_BREAK_WEEKS = 4
EASE_OFF_DAYS = 14


class StopReason(StrEnum):
    """Why a plan stops. The values are kept in records."""

    NUMBNESS = "numbness"
    RADIATING = "radiating"
    CURLING = "curling"
    SWELLING = "swelling"
    SUDDEN_WEAKNESS = "sudden_weakness"
    PAIN = "pain"
    REST = "rest"
    NIGHT = "night"
    NEXT_DAY = "next_day"
    SAME_PLACE = "same_place"


# When it hurts that stops at once, by the name of the report.
RED_TIMES = (StopReason.REST, StopReason.NIGHT, StopReason.NEXT_DAY)


def stop_said(reason: str) -> Said:
    """A reason of a stop as it is said; one that is no `StopReason` as it was written down."""
    try:
        known = StopReason(reason)
    except ValueError:
        return said("stop-as-written", text=reason)
    values = {StopReason.PAIN: {"least": RED_PAIN}, StopReason.SAME_PLACE: {"weeks": RED_WEEKS}}
    return said(f"stop-{known.value.replace('_', '-')}", **values.get(known, {}))


class SafetyLevel(StrEnum):
    NONE = "none"
    AMBER = "amber"
    RED = "red"


@dataclass(frozen=True, slots=True)
class Safety:
    """`advice`: what should be asked of somebody else whatever the level."""

    level: SafetyLevel
    reasons: tuple[Said, ...]
    advice: tuple[Said, ...] = ()

    @property
    def is_red(self) -> bool:
        return self.level is SafetyLevel.RED

    @property
    def is_amber(self) -> bool:
        return self.level is SafetyLevel.AMBER


def assess_safety(case: Case) -> Safety:
    """The level and every reason for it."""
    advice = (LOOSENESS_ADVICE,) if is_loose_by_score(case) else ()
    red = red_reasons(case.reports)
    if red:
        return Safety(SafetyLevel.RED, tuple(stop_said(reason) for reason in red), advice)
    amber = _amber_reasons(case)
    if amber:
        return Safety(SafetyLevel.AMBER, tuple(amber), advice)
    if _is_sore_skin(case.reports):
        return Safety(SafetyLevel.NONE, (SORE_SKIN,), advice)
    return Safety(SafetyLevel.NONE, (), advice)


def is_loose_by_score(case: Case) -> bool:
    """The nine-point score stands at or above its published cut-off; see `thresholds`."""
    score = case.looked(LOOSENESS_SCORE)
    return score is not None and score >= Grade.CLEAR


def _is_sore_skin(reports: Reports) -> bool:
    """Skin alone, mild and not felt at rest or at night."""
    return (
        reports.place == "skin"
        and (reports.pain or 0) < RED_PAIN
        and not {"rest", "night"} & set(reports.pain_when)
    )


def red_reasons(reports: Reports) -> list[StopReason]:
    """Every reason to stop and ask a doctor or physiotherapist; empty when there is none."""
    reasons = [StopReason(sign) for sign in RedSign if getattr(reports, sign)]
    if (reports.pain or 0) >= RED_PAIN:
        reasons.append(StopReason.PAIN)
    if _is_sore_skin(reports):
        return reasons
    reasons += [reason for reason in RED_TIMES if reason in reports.pain_when]
    if reports.same_place_weeks >= RED_WEEKS:
        reasons.append(StopReason.SAME_PLACE)
    return reasons


def is_easing_after_break(case: Case) -> bool:
    """True in the first two weeks back after a break of four weeks or more."""
    return case.break_weeks >= LONG_BREAK_WEEKS and _is_soon(case.days_back)


def _is_soon(days: float | None) -> bool:
    return days is not None and days < EASE_OFF_DAYS


def _amber_reasons(case: Case) -> list[Said]:
    reports = case.reports
    skin = _is_sore_skin(reports)
    place_alone = reports.pain is None and reports.place is not None
    hurts = (reports.pain or 0) > 0 or place_alone or "playing" in reports.pain_when
    weeks = EASE_OFF_DAYS // DAYS_A_WEEK
    signs = {
        said("ease-playing"): hurts and not skin,
        said("ease-new"): reports.new and not skin,
        said("ease-tired"): reports.tired_next_day,
        said("ease-injury"): reports.earlier_injury,
        said("ease-rise"): reports.playing_jump,
        said("ease-break", weeks=weeks): is_easing_after_break(case),
        said("ease-lifted", weeks=weeks): _is_soon(case.days_since_lift),
    }
    late = [] if hurts else [hurt.said(place) for place, hurt in case.sore.items()]
    return [*(reason for reason, present in signs.items() if present), *late]
