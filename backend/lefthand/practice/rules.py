"""Why an exercise may not be given now. One rule, one function, one plain reason."""

from collections.abc import Callable, Mapping

from lefthand.case.case import Hurt, Why
from lefthand.catalogue.exercises import Exercise
from lefthand.practice.situation import Situation
from lefthand.reason.waiting import JOINTS, strength_waits_for
from lefthand.values.dose import Dose
from lefthand.values.vocabulary import Instrument, Kind, Likelihood, Place

AMBER_KINDS = (Kind.RELEASE, Kind.PLACEMENT)
WARM_UP = "warm_up"
YOUNG = 8
YOUNG_STATIC_SECONDS = 5
FALLS_BELOW_AGE = 10
BLOCKING_GRADE = 2


Rule = Callable[[Exercise, Situation], str | None]
StepRule = Callable[[Exercise, int, Situation], str | None]


def reason_against(exercise: Exercise, now: Situation, rung: int | None = None) -> str | None:
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


def too_much_when_easing(exercise: Exercise) -> str | None:
    """Why an exercise rests while one eases off; None when it may go on with half its dose."""
    if exercise.kind not in AMBER_KINDS:
        return "only release and placement"
    if exercise.stretch:
        return "no stretch"
    if exercise.static_s or exercise.long_hold:
        return "no still hold"
    return None


def pain_against(
    exercise: Exercise, rung: int, instrument: Instrument, sore: Mapping[Place, Hurt]
) -> str | None:
    """Why a step rests while these places hurt or hurt of late; None when it loads none of them."""
    if exercise.never_with_pain and sore:
        place = min(sore, key=lambda each: sore[each].days)
        return f"{sore[place].words(place)}: not while anything hurts"
    loads = exercise.loads_on(instrument, rung)
    for place, hurt in sore.items():
        if place.spares & loads:
            return f"{hurt.words(place)}: nothing that loads it"
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
    cause = strength_waits_for(now.case, now.catalogue, now.diagnosis.probabilities)
    if cause is None:
        return None
    name = now.catalogue.causes[cause].name.lower()
    if now.is_at_least(cause, Likelihood.LIKELY):
        return f"strength waits while this is likely: {name}"
    return f"strength waits a week after this was the focus: {name}"


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
        elif (now.case.looked(need) or 0) >= BLOCKING_GRADE:
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


MAY_FALL = "the instrument may fall: only in the lesson, with your hand below"
NEEDS_CARRYING = "the hold is not safe yet: thumb work only with a helper, or with it on the lap"


def _may_fall(exercise: Exercise, rung: int, now: Situation) -> str | None:
    if not now.needs_support or now.case.has_helper or not exercise.lets_go_of_it(rung):
        return None
    age = now.case.young_age
    if age is not None and age < FALLS_BELOW_AGE:
        return MAY_FALL
    return NEEDS_CARRYING if exercise.thumb_away else None


def _pain(exercise: Exercise, rung: int, now: Situation) -> str | None:
    return pain_against(exercise, rung, now.case.instrument, now.sore)


def _stays_out(exercise: Exercise, now: Situation) -> str | None:
    apart = now.case.apart.get(exercise.id)
    if apart is None:
        return None
    if apart.why is Why.HURT_TWICE:
        return "it hurt twice: only by your word"
    left = round(apart.days or 0)
    until = f"{left} {'day' if left == 1 else 'days'} more"
    if apart.why is Why.HURT:
        return f"it hurt: two weeks without pain first, {until}"
    return f"it failed in three lessons: eight weeks of something else, {until}"


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


def _joints_first(exercise: Exercise, now: Situation) -> str | None:
    if now.waits_for_joints and (exercise.nudge or exercise.stretch):
        return f"look at loose joints first: {now.catalogue.evidence[JOINTS].seconds} s"
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
