"""Why an exercise may not be given now. One rule, one function, one plain reason."""

from collections.abc import Callable

from lefthand.catalogue.exercises import Exercise
from lefthand.practice.situation import Situation
from lefthand.values.dose import Dose
from lefthand.values.vocabulary import (
    Kind,
    Likelihood,
)

STRENGTH_WAITS_FOR = ("thumb_index_grip", "insecure_hold", "held_fingers", "over_pressing")
AMBER_KINDS = (Kind.RELEASE, Kind.PLACEMENT)
WARM_UP = "warm_up"
YOUNG = 8
YOUNG_STATIC_SECONDS = 5
BLOCKING_GRADE = 2


Rule = Callable[[Exercise, Situation], str | None]


def reason_against(exercise: Exercise, now: Situation) -> str | None:
    """The first reason not to give the exercise, or None when it may be given."""
    for rule in RULES:
        reason = rule(exercise, now)
        if reason is not None:
            return reason
    return None


def next_rung(exercise: Exercise, now: Situation) -> int:
    """The lowest rung that is not passed, counted from 1; the last one when all are."""
    return min(now.case.passed.get(exercise.id, 0) + 1, len(exercise.rungs))


def too_much_when_easing(exercise: Exercise) -> str | None:
    """Why an exercise rests while one eases off; None when it may go on with half its dose."""
    if exercise.kind not in AMBER_KINDS:
        return "only release and placement"
    if exercise.stretch:
        return "no stretch"
    if exercise.static_s or exercise.long_hold:
        return "no still hold"
    return None


def eased_dose(exercise: Exercise, rung: int, dose: Dose) -> Dose | None:
    """A given dose while easing off: half of it, unless it is no more than half of the step's dose
    already; None where the exercise rests."""
    if too_much_when_easing(exercise):
        return None
    half = exercise.rung(rung).dose.halved()
    if dose.work_seconds() <= half.work_seconds():
        return dose
    return min(dose.halved(), half, key=lambda each: each.work_seconds())


def _amber(exercise: Exercise, now: Situation) -> str | None:
    if not now.safety.is_amber:
        return None
    reason = too_much_when_easing(exercise)
    return reason and f"easing off ({now.safety.reasons[0]}): {reason}"


def _loose_joints(exercise: Exercise, now: Situation) -> str | None:
    if not now.has_loose_joints:
        return None
    if exercise.nudge:
        return "joints may be loose: no nudge from outside"
    if exercise.stretch:
        return "joints may be loose: no stretch"
    return None


def _strength_waits(exercise: Exercise, now: Situation) -> str | None:
    if exercise.kind is not Kind.STRENGTH:
        return None
    way = now.way("strength")
    if way == "loosen_only":
        return "your way of teaching gives no strength work"
    if way == "from_start":
        return None
    for cause in STRENGTH_WAITS_FOR:
        name = now.catalogue.causes[cause].name.lower()
        if now.is_at_least(cause, Likelihood.LIKELY):
            return f"strength waits while this is likely: {name}"
        if cause in now.case.recent_focus:
            return f"strength waits a week after this was the focus: {name}"
    return None


def _other_limits(exercise: Exercise, now: Situation) -> str | None:
    for cause, word in exercise.not_while.items():
        if now.is_at_least(cause, word):
            return f"not while this is {word.value}: {now.catalogue.causes[cause].name.lower()}"
    return None


def _needs(exercise: Exercise, now: Situation) -> str | None:
    for need in exercise.needs:
        if need in now.catalogue.exercises:
            if now.case.passed.get(need, 0) < 1:
                name = now.catalogue.exercises[need].name
                return f"first pass a step of: {name}"
        elif need in now.findings and now.findings[need].grade >= BLOCKING_GRADE:
            return f"not while this shows: {now.catalogue.evidence[need].label.lower()}"
    return None


def _age(exercise: Exercise, now: Situation) -> str | None:
    age = now.case.young_age
    if age is None:
        return None
    if age < exercise.min_age:
        return f"not under {exercise.min_age} years"
    if age < YOUNG and exercise.long_hold:
        return f"no long quiet hold under {YOUNG} years"
    if age < YOUNG and exercise.static_s > YOUNG_STATIC_SECONDS:
        return f"no still hold over {YOUNG_STATIC_SECONDS} s under {YOUNG} years"
    return None


def _level(exercise: Exercise, now: Situation) -> str | None:
    if now.case.level.rank < exercise.level.rank:
        return f"for {exercise.level.value} players"
    rung = exercise.rung(next_rung(exercise, now))
    if now.case.level.rank < rung.level.rank:
        return f"its next step is for {rung.level.value} players"
    return None


def _thumb_away(exercise: Exercise, now: Situation) -> str | None:
    if exercise.thumb_away and now.needs_support and not now.case.has_helper:
        return "the hold is not safe yet: thumb work only with a helper, or with it on the lap"
    return None


def _home(exercise: Exercise, now: Situation) -> str | None:
    if exercise.helper and not exercise.alone and not now.case.has_helper:
        return "needs a helper at home"
    if now.case.equipment is not None:
        missing = [item for item in exercise.equipment if item not in now.case.equipment]
        if missing:
            return f"needs a {missing[0]}"
    return None


def _finished(exercise: Exercise, now: Situation) -> str | None:
    if exercise.general:
        return None  # one warms up and makes music however often it was done
    if now.case.passed.get(exercise.id, 0) >= len(exercise.rungs):
        return "every step of it is passed"
    return None


RULES: tuple[Rule, ...] = (
    _amber,
    _loose_joints,
    _strength_waits,
    _other_limits,
    _needs,
    _age,
    _level,
    _thumb_away,
    _home,
    _finished,
)
