"""Red and amber flags from what the player reports.

The rules are those of the trade (common practice, no source) and always lean to the safe side. The
words name no disease: they say what was reported and who should be asked.
"""

from dataclasses import dataclass
from enum import StrEnum

from lefthand.case.case import Case, Reports
from lefthand.values.vocabulary import Grade

LOOSENESS_SCORE = "laxity.ninepoint"
LOOSENESS_ADVICE = (
    "loose all over, by the nine-point score, which screens and says no more: "
    "a doctor or physiotherapist should have a look"
)
SORE_SKIN = "sore fingertip skin: play shorter, it is ordinary"
RED_PAIN = 4
RED_WEEKS = 2
LONG_BREAK_WEEKS = 4
EASE_OFF_DAYS = 14
SOON_RED_TIMES = {
    "rest": "pain at rest",
    "night": "pain at night",
    "next_day": "pain that is still there the next day",
}


class SafetyLevel(StrEnum):
    NONE = "none"
    AMBER = "amber"
    RED = "red"


@dataclass(frozen=True, slots=True)
class Safety:
    """`advice`: what should be asked of somebody else whatever the level."""

    level: SafetyLevel
    reasons: tuple[str, ...]
    advice: tuple[str, ...] = ()

    @property
    def is_red(self) -> bool:
        return self.level is SafetyLevel.RED

    @property
    def is_amber(self) -> bool:
        return self.level is SafetyLevel.AMBER


def assess_safety(case: Case) -> Safety:
    """The level and every reason for it, in plain words."""
    advice = (LOOSENESS_ADVICE,) if is_loose_by_score(case) else ()
    red = red_reasons(case.reports)
    if red:
        return Safety(SafetyLevel.RED, tuple(red), advice)
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


def red_reasons(reports: Reports) -> list[str]:
    """Every reason to stop and ask a doctor or physiotherapist; empty when there is none."""
    signs = {
        "numbness or tingling": reports.numbness,
        "pain that radiates": reports.radiating,
        "a finger that curls or escapes control": reports.curling,
        "swelling": reports.swelling,
        "sudden weakness or dropping things": reports.sudden_weakness,
        f"pain of {RED_PAIN} or more out of 10": (reports.pain or 0) >= RED_PAIN,
    }
    reasons = [words for words, present in signs.items() if present]
    if _is_sore_skin(reports):
        return reasons
    reasons += [SOON_RED_TIMES[t] for t in reports.pain_when if t in SOON_RED_TIMES]
    if reports.same_place_weeks >= RED_WEEKS:
        reasons.append("pain in the same place for two weeks or more")
    return reasons


def is_easing_after_break(case: Case) -> bool:
    """True in the first two weeks back after a break of four weeks or more."""
    return case.break_weeks >= LONG_BREAK_WEEKS and _is_soon(case.days_back)


def _is_soon(days: float | None) -> bool:
    return days is not None and days < EASE_OFF_DAYS


def _amber_reasons(case: Case) -> list[str]:
    reports = case.reports
    skin = _is_sore_skin(reports)
    place_alone = reports.pain is None and reports.place is not None
    hurts = (reports.pain or 0) > 0 or place_alone or "playing" in reports.pain_when
    signs = {
        "pain while playing": hurts and not skin,
        "a new pain": reports.new and not skin,
        "tiredness that lasts into the next day": reports.tired_next_day,
        "an earlier injury or operation of this arm": reports.earlier_injury,
        "a sudden rise of daily playing": reports.playing_jump,
        "the first two weeks after a long break": is_easing_after_break(case),
        "the first two weeks after a stop was lifted": _is_soon(case.days_since_lift),
    }
    late = [] if hurts else [hurt.words(place) for place, hurt in case.sore.items()]
    return [*(words for words, present in signs.items() if present), *late]
