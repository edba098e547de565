"""How much of an exercise is safe now, and on which days.

Caution halves: easing off, loose joints, the first weeks after a break. What loads the hand is
bound by its share of the day and by what the weeks before asked (working judgement, no source).
"""

from collections.abc import Callable
from dataclasses import replace

from lefthand.case.case import Case
from lefthand.catalogue.exercises import Exercise
from lefthand.practice.rules import dose_for_sore_skin
from lefthand.practice.situation import Situation
from lefthand.reason.safety import EASE_OFF_DAYS
from lefthand.values.dose import Dose
from lefthand.values.vocabulary import Kind, Level

STRENGTH_SHARE = 1 / 3
STRENGTH_ALWAYS_MINUTES = 2.0
SHORT_BREAK_WEEKS = 2
SPACED_BELOW_AGE = 10
SPACED_ABOVE_AGE = 60
LITTLE_MINUTES = 5
FULL_FROM_AGE = 8
MORE_THAN_USUAL = 2.0
MORE_MUSIC = 4.0
EVERY_DAY = (1, 2, 3, 4, 5, 6)
FIVE_DAYS = (1, 2, 3, 5, 6)
SPACED_DAYS = (1, 3, 5)


def is_load(exercise: Exercise) -> bool:
    """True for what loads the hand: strength, or a stretch."""
    return exercise.kind is Kind.STRENGTH or exercise.stretch


def practice_days(exercise: Exercise, case: Case) -> tuple[int, ...]:
    """Days of the week, 1..6 after the lesson. Loads rest a day between for young and old hands."""
    if is_load(exercise) and rests_between_loads(case.young_age, case.age):
        return SPACED_DAYS
    return FIVE_DAYS if case.minutes_budget <= LITTLE_MINUTES else EVERY_DAY


def rests_between_loads(youngest: float | None, oldest: float | None) -> bool:
    """True for young and old hands, whose loads do not stand on two days running.

    The youngest and the oldest that the player can be, years; None when not known."""
    return (youngest is not None and youngest < SPACED_BELOW_AGE) or (
        oldest is not None and oldest > SPACED_ABOVE_AGE
    )


def given_dose(
    exercise: Exercise,
    rung: int,
    now: Situation,
    *,
    days: int,
    fingers: int,
    load_limit: float | None,
) -> Dose:
    """The dose of a rung for this week: the safe one, for a load cut to its limits.

    `load_limit`: most seconds of work a week that may load the hand; None for no such limit.
    """
    dose = safe_dose(exercise, rung, now)
    if not is_load(exercise):
        return dose
    least = least_dose(exercise, rung, now)
    if least.minutes(fingers) > load_minutes(now.case):
        least = replace(least, reps=1)
    return dose.most(_within_load(days, fingers, now.case, load_limit), least)


def safe_dose(exercise: Exercise, rung: int, now: Situation) -> Dose:
    """The rung's dose, halved while easing off, for loose joints, after a break, and where it comes
    back after it hurt; shortened while fingertip skin is sore."""
    dose = exercise.rung(rung).dose
    for _ in range(_halvings(exercise, now)):
        dose = dose.halved()
    return dose_for_sore_skin(exercise, rung, dose) if now.case.has_sore_skin else dose


def doses_of(exercise: Exercise, rung: int, given: Dose, now: Situation) -> list[Dose]:
    """Every dose that a week may give, the least first: up to the one that is `given`, and beyond
    it up to twice the usual (of music four times) where nothing asks for care and the hand is not
    loaded."""
    least = least_dose(exercise, rung, now)
    if least.work_seconds() >= given.work_seconds():
        doses = [given]
    else:
        doses = [least, *given.steps_from(least)]
    usual = exercise.rung(rung).dose
    if is_load(exercise) or given.work_seconds() < usual.work_seconds():
        return doses
    most = MORE_MUSIC if exercise.kind is Kind.TRANSFER else MORE_THAN_USUAL
    more = usual.more()
    while more.work_seconds() <= most * usual.work_seconds() + 1e-9:
        doses.append(more)
        more = more.more()
    return doses


def fill_share(case: Case) -> float:
    """How full of the meant minutes a day should be: less for the young, the old and beginners
    (working judgement, no source)."""
    young = case.young_age is not None and case.young_age < FULL_FROM_AGE
    old = case.age is not None and case.age > SPACED_ABOVE_AGE
    if young or old or case.level is Level.BEGINNER:
        return 0.8
    return 1.0 if case.level is Level.ADVANCED else 0.9


def least_dose(exercise: Exercise, rung: int, now: Situation) -> Dose:
    """The least that is still this step, or what caution leaves of it when that is less."""
    safe = safe_dose(exercise, rung, now)
    least = exercise.rung(rung).dose.least()
    return min((safe, least), key=lambda d: d.work_seconds())


def _halvings(exercise: Exercise, now: Situation) -> int:
    count = int(now.safety.is_amber or exercise.id in now.case.returning)
    count += exercise.swings and now.case.age is not None and now.case.age > SPACED_ABOVE_AGE
    if is_load(exercise):
        count += now.has_loose_joints
        count += now.case.break_weeks >= SHORT_BREAK_WEEKS and now.case.days_back < EASE_OFF_DAYS
    return count


def load_minutes(case: Case) -> float:
    """Most minutes a day that may load the hand: a third of the day, two are always allowed."""
    return max(STRENGTH_ALWAYS_MINUTES, case.minutes_budget * STRENGTH_SHARE)


def _within_load(
    days: int, fingers: int, case: Case, load_limit: float | None
) -> Callable[[Dose], bool]:
    """Whether a dose on so many days keeps to a day's minutes and to a week's seconds of work."""

    def allows(dose: Dose) -> bool:
        work = dose.work_seconds(fingers) * days
        grows = load_limit is not None and work > load_limit + 1e-9
        return not grows and dose.minutes(fingers) <= load_minutes(case)

    return allows
