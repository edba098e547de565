"""Why an exercise may not be given now. One rule, one function, one reason."""

from collections.abc import Callable, Mapping

from lefthand.case.case import Hurt, Why
from lefthand.catalogue.exercises import Exercise
from lefthand.practice.situation import Situation
from lefthand.practice.waits import FAILED_LESSONS, OUT_AFTER_FAILING, OUT_AFTER_PAIN
from lefthand.reason.waiting import JOINTS, strength_waits_for
from lefthand.values import said as named
from lefthand.values.dose import Dose
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import DAYS_A_WEEK, Instrument, Kind, Likelihood, Place

AMBER_KINDS = (Kind.RELEASE, Kind.PLACEMENT)
WARM_UP = "warm_up"
YOUNG = 8
YOUNG_STATIC_SECONDS = 5
FALLS_BELOW_AGE = 10
BLOCKING_GRADE = 2


Rule = Callable[[Exercise, Situation], Said | None]
StepRule = Callable[[Exercise, int, Situation], Said | None]


def reason_against(exercise: Exercise, now: Situation, rung: int | None = None) -> Said | None:
    """The first reason not to give the exercise, or None when it may be given. `rung`: counted
    from 1; by default the lowest that is not passed."""
    step = next_rung(exercise, now) if rung is None else rung
    reasons = (rule(exercise, now) for rule in RULES)
    found = next((reason for reason in reasons if reason is not None), None)
    if found is not None:
        return found
    reasons = (rule(exercise, step, now) for rule in STEP_RULES)
    return next((reason for reason in reasons if reason is not None), None)


def needs_a_hand_below(exercise: Exercise, now: Situation) -> bool:
    """Nothing else is against it than that the instrument may fall, so that it can be done in the
    lesson, with the teacher's hand below."""
    return reason_against(exercise, now) in (MAY_FALL, NEEDS_CARRYING)


def next_rung(exercise: Exercise, now: Situation) -> int:
    """The lowest rung that is not passed, counted from 1; the last one when all are."""
    return min(now.case.passed.get(exercise.id, 0) + 1, len(exercise.rungs))


def too_much_when_easing(exercise: Exercise) -> Said | None:
    """Why an exercise rests while one eases off; None when it may go on with half its dose."""
    if exercise.kind not in AMBER_KINDS:
        return said("eased-kind")
    if exercise.stretch:
        return said("eased-stretch")
    if exercise.static_s or exercise.long_hold:
        return said("eased-hold")
    return None


def pain_against(
    exercise: Exercise, rung: int, instrument: Instrument, sore: Mapping[Place, Hurt]
) -> Said | None:
    """Why a step rests while these places hurt or hurt of late; None when it loads none of them."""
    if exercise.never_with_pain and sore:
        place = min(sore, key=lambda each: sore[each].days)
        return said("pain-anything", hurt=sore[place].said(place))
    loads = exercise.loads_on(instrument, rung)
    for place, hurt in sore.items():
        if place.spares & loads:
            return said("pain-loads", hurt=hurt.said(place))
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


def dose_for_sore_skin(exercise: Exercise, rung: int, dose: Dose) -> Dose:
    """A given dose while fingertip skin is sore: two thirds of the step's at most, where the
    fingers work."""
    if Place.FINGERS not in exercise.loads:
        return dose
    return min(dose, exercise.rung(rung).dose.shortened(), key=lambda each: each.work_seconds())


def _amber(exercise: Exercise, now: Situation) -> Said | None:
    if not now.safety.is_amber:
        return None
    reason = too_much_when_easing(exercise)
    return reason and said("rule-eased", because=now.safety.reasons[0], against=reason)


def _loose_joints(exercise: Exercise, now: Situation) -> Said | None:
    if not now.has_loose_joints:
        return None
    if exercise.nudge:
        return said("rule-loose-nudge")
    if exercise.stretch:
        return said("rule-loose-stretch")
    return None


def _strength_waits(exercise: Exercise, now: Situation) -> Said | None:
    if exercise.kind is not Kind.STRENGTH:
        return None
    way = now.way("strength")
    if way == "loosen_only":
        return said("rule-loosen-only")
    cause = strength_waits_for(now.case, now.catalogue, now.diagnosis.probabilities)
    if cause is None:
        return None
    if now.is_at_least(cause, Likelihood.LIKELY):
        return said("rule-strength-likely", cause=named.cause(cause))
    return said("rule-strength-focus", cause=named.cause(cause))


def _other_limits(exercise: Exercise, now: Situation) -> Said | None:
    for cause, word in exercise.not_while.items():
        if now.is_at_least(cause, word):
            return said("rule-not-while", word=word, cause=named.cause(cause))
    return None


def _needs(exercise: Exercise, now: Situation) -> Said | None:
    for need in exercise.needs:
        if need in now.catalogue.exercises:
            if now.case.passed.get(need, 0) < 1:
                return said("rule-step-first", exercise=named.exercise(need))
        elif (now.case.looked(need) or 0) >= BLOCKING_GRADE:
            return said("rule-not-while-shows", evidence=named.evidence(need))
    return None


def locked_by(exercise: Exercise, now: Situation) -> tuple[str, ...]:
    """Signs that show clearly and keep the exercise out until they are less."""
    signs = (need for need in exercise.needs if need in now.catalogue.evidence)
    return tuple(sign for sign in signs if (now.case.looked(sign) or 0) >= BLOCKING_GRADE)


def _age(exercise: Exercise, now: Situation) -> Said | None:
    age = now.case.young_age
    if age is None:
        return None
    if age < exercise.min_age:
        return said("rule-age", years=exercise.min_age)
    if age < YOUNG and exercise.long_hold:
        return said("rule-long-hold", years=YOUNG)
    if age < YOUNG and exercise.static_s > YOUNG_STATIC_SECONDS:
        return said("rule-still-hold", seconds=YOUNG_STATIC_SECONDS, years=YOUNG)
    return None


def _level(exercise: Exercise, now: Situation) -> Said | None:
    if now.case.level.rank < exercise.level.rank:
        return said("rule-level", level=exercise.level)
    rung = exercise.rung(next_rung(exercise, now))
    if now.case.level.rank < rung.level.rank:
        return said("rule-next-level", level=rung.level)
    return None


MAY_FALL = said("rule-may-fall")
NEEDS_CARRYING = said("rule-needs-carrying")


def _may_fall(exercise: Exercise, rung: int, now: Situation) -> Said | None:
    if not now.needs_support or now.case.has_helper or not exercise.lets_go_of_it(rung):
        return None
    age = now.case.young_age
    if age is not None and age < FALLS_BELOW_AGE:
        return MAY_FALL
    return NEEDS_CARRYING if exercise.thumb_away else None


def _pain(exercise: Exercise, rung: int, now: Situation) -> Said | None:
    return pain_against(exercise, rung, now.case.instrument, now.sore)


def _stays_out(exercise: Exercise, now: Situation) -> Said | None:
    apart = now.case.apart.get(exercise.id)
    if apart is None:
        return None
    if apart.why is Why.HURT_TWICE:
        return said("apart-hurt-twice")
    days = round(apart.days or 0)
    if apart.why is Why.HURT:
        return said("apart-hurt", weeks=OUT_AFTER_PAIN // DAYS_A_WEEK, days=days)
    weeks = OUT_AFTER_FAILING // DAYS_A_WEEK
    return said("apart-failed", lessons=FAILED_LESSONS, weeks=weeks, days=days)


def _home(exercise: Exercise, now: Situation) -> Said | None:
    if exercise.helper and not exercise.alone and not now.case.has_helper:
        return said("rule-helper")
    if now.case.equipment is not None:
        missing = [item for item in exercise.equipment if item not in now.case.equipment]
        if missing:
            return said("rule-thing", thing=named.thing(missing[0]))
    return None


def _finished(exercise: Exercise, now: Situation) -> Said | None:
    if exercise.general:
        return None  # one warms up and makes music however often it was done
    if now.case.passed.get(exercise.id, 0) >= len(exercise.rungs):
        return said("rule-finished")
    return None


def _joints_first(exercise: Exercise, now: Situation) -> Said | None:
    if now.waits_for_joints and (exercise.nudge or exercise.stretch):
        return said("rule-joints-first", seconds=now.catalogue.evidence[JOINTS].seconds)
    return None


RULES: tuple[Rule, ...] = (
    _stays_out,
    _amber,
    _loose_joints,
    _strength_waits,
    _other_limits,
    _needs,
    _age,
    _level,
    _home,
    _finished,
    _joints_first,
)
# Of these the last one looks at what the home lacks, so that the lesson can give it.
STEP_RULES: tuple[StepRule, ...] = (_pain, _may_fall)
