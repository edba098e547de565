"""From a diagnosis to a safe week of practice.

Method: the exercises that aim at the focus are scored, the ones that a rule forbids are withheld
with the reason, and one to three are taken in the order release, placement, strength, transfer, so
that the minutes of the day hold. All weights here are working judgement, with no published source.
"""

from collections.abc import Callable, Container, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from typing import Any

from lefthand.case import Case
from lefthand.catalogue import Catalogue
from lefthand.diagnosis import Diagnosis, safety_json
from lefthand.dose import Dose
from lefthand.exercises import Exercise
from lefthand.rules import WARM_UP, Situation, next_rung, reason_against
from lefthand.safety import EASE_OFF_DAYS, Safety
from lefthand.vocabulary import POSSIBLE_ABOVE, Kind, Setting
from lefthand.week import fullest_day

PLAN_FORMAT = "jolf-plan/1"
MAX_ITEMS = 3
AIM_WEIGHTS = (1.0, 0.8, 0.6, 0.4)
SECOND_FOCUS_WEIGHT = 0.6
DIRECT_BONUS = (0.4, 0.25, 0.15, 0.1)
COMPANION_WEIGHT = 0.6
TRANSFER_WEIGHT = 0.7
WORTH_A_PLACE = 0.6
UNDER_WAY_BONUS = 0.25
DISLIKED_SHARE = 0.5
PREFERRED_BONUS = 0.2
MUCH_PLAYING_HOURS = 2
STRENGTH_SHARE = 1 / 3
STRENGTH_ALWAYS_MINUTES = 2.0
SHORT_BREAK_WEEKS = 2
SPACED_BELOW_AGE = 10
SPACED_ABOVE_AGE = 60
EVERY_DAY = (1, 2, 3, 4, 5, 6)
FIVE_DAYS = (1, 2, 3, 5, 6)
SPACED_DAYS = (1, 3, 5)
KIND_ORDER = list(Kind)
SETTING_ORDER = list(Setting)


@dataclass(frozen=True, slots=True)
class PlanItem:
    """One exercise of the week. `days`: 1 is the day after the lesson, 7 the next lesson's day."""

    exercise: str
    kind: Kind
    rung: int
    dose: Dose
    minutes: float
    days: tuple[int, ...]
    fingers: tuple[int, ...]
    why: str


@dataclass(frozen=True, slots=True)
class Withheld:
    exercise: str
    reason: str


@dataclass(frozen=True, slots=True)
class Plan:
    """`offered`: exercise ids, best first. `check_first`: evidence to look at before giving."""

    items: tuple[PlanItem, ...]
    offered: tuple[str, ...]
    withheld: tuple[Withheld, ...]
    check_first: tuple[str, ...]
    paused: bool
    safety: Safety

    @property
    def minutes_a_day(self) -> float:
        """Minutes of the fullest day."""
        return fullest_day((item.minutes, item.days) for item in self.items)


def prescribe(
    diagnosis: Diagnosis,
    catalogue: Catalogue,
    *,
    load_limit: float | None = None,
    under_way: Container[str] = (),
    disliked: Container[str] = (),
    without: Container[str] = (),
    minutes: float | None = None,
) -> Plan:
    """Plan the week for the diagnosis' focus.

    `load_limit`: most seconds of work a week that may load the hand (`lefthand.load`); None for no
    limit from weeks before. `under_way`: exercises of the last plan that are to
    go on, which are preferred. `disliked`: exercises that count half. `without`: exercises to leave
    out this time. `minutes`: a smaller budget a day than the case's own.
    """
    now = Situation.from_diagnosis(diagnosis, catalogue)
    if now.safety.is_red:
        return Plan((), (), (), (), True, now.safety)
    targets = target_weights(diagnosis)
    only_release = not diagnosis.focus
    offered: list[tuple[float, Exercise]] = []
    withheld = []
    for exercise in catalogue.exercises.values():
        if case_excludes(exercise, now.case) or not _aims_at(exercise, targets):
            continue
        if exercise.id in without:
            continue
        if only_release and exercise.kind is not Kind.RELEASE:
            continue
        reason = reason_against(exercise, now)
        if reason is None:
            score = _score(exercise, targets, now, under_way)
            if exercise.id in disliked:
                score *= DISLIKED_SHARE
            offered.append((score, exercise))
        else:
            withheld.append(Withheld(exercise.id, reason))
    ranked = _ranked(offered, only_release)
    worth = WORTH_A_PLACE * max((score for score, _ in offered), default=0.0)
    worthy = {e.id for score, e in offered if score >= worth}
    choice = ranked[:1] if only_release else _balanced(ranked, worthy, now)
    own = now.case.minutes_budget
    budget = own if minutes is None else min(own, minutes)
    items = _week(choice, diagnosis, now, load_limit, budget)
    return Plan(
        items=items,
        offered=tuple(e.id for e in ranked),
        withheld=tuple(withheld),
        check_first=_unchecked_needs(items, ranked, now),
        paused=False,
        safety=now.safety,
    )


class Difference(StrEnum):
    """How an alternative differs from the proposal."""

    OTHER = "other exercises"
    SHORTER = "shorter"


@dataclass(frozen=True, slots=True)
class Alternative:
    differs: Difference
    plan: Plan


def alternatives(
    proposal: Plan, diagnosis: Diagnosis, catalogue: Catalogue, **wishes: Any
) -> tuple[Alternative, ...]:
    """At most two other weeks under the same rules: one without the leading exercise of the
    proposal, and one of half the minutes. `wishes` are those of `prescribe`. What comes out the
    same as the proposal, or empty, is left out."""
    if not proposal.items:
        return ()
    chosen = [item.exercise for item in proposal.items]
    leading = min(chosen, key=lambda e: _place(e, proposal.offered))
    found = []
    left_out = set(wishes.pop("without", ()))
    for differs, change in (
        (Difference.OTHER, {"without": left_out | {leading}}),
        (Difference.SHORTER, {"without": left_out, "minutes": proposal.minutes_a_day / 2}),
    ):
        plan = prescribe(diagnosis, catalogue, **{**wishes, **change})
        if plan.items and plan.items != proposal.items:
            found.append(Alternative(differs, plan))
    return tuple(found)


def _place(exercise: str, offered: Sequence[str]) -> int:
    return offered.index(exercise) if exercise in offered else len(offered)


def case_excludes(exercise: Exercise, case: Case) -> bool:
    """True for an exercise that this instrument does not have."""
    return case.instrument not in exercise.instruments


def target_weights(diagnosis: Diagnosis) -> dict[str, float]:
    """How much each cause counts in choosing exercises.

    The focus 1, a second focus 0.6; with one focus the next *possible* cause counts with 0.6 of its
    probability. With no focus only the leading *possible* cause counts.
    """
    weights = {
        f.cause: w for f, w in zip(diagnosis.focus, (1.0, SECOND_FOCUS_WEIGHT), strict=False)
    }
    if len(weights) < 2:
        left = [v for v in diagnosis.causes if v.cause not in weights]
        companion = max(left, key=lambda v: v.probability, default=None)
        if companion is not None and companion.probability > POSSIBLE_ABOVE:
            weights[companion.cause] = COMPANION_WEIGHT * companion.probability
    return weights


def _aims_at(exercise: Exercise, targets: Mapping[str, float]) -> bool:
    return any(aim in targets for aim in exercise.aims)


def _score(
    exercise: Exercise, targets: Mapping[str, float], now: Situation, under_way: Container[str]
) -> float:
    score = 0.0
    for place, aim in enumerate(exercise.aims):
        weight = targets.get(aim, 0.0)
        score += weight * AIM_WEIGHTS[min(place, len(AIM_WEIGHTS) - 1)]
        direct = now.catalogue.causes[aim].begin_with
        if weight and exercise.id in direct:
            score += weight * DIRECT_BONUS[direct.index(exercise.id)]
    if exercise.id in under_way or now.case.passed.get(exercise.id, 0) > 0:
        score += UNDER_WAY_BONUS
    for way in now.catalogue.ways.values():
        if exercise.id in way.prefers.get(now.way(way.key), ()):
            score += PREFERRED_BONUS
    if exercise.kind is Kind.TRANSFER:
        score *= TRANSFER_WEIGHT
    if exercise.kind is Kind.STRENGTH and now.case.hours_a_day >= MUCH_PLAYING_HOURS:
        score /= 2
    return score


def _ranked(offered: Sequence[tuple[float, Exercise]], gentlest: bool) -> list[Exercise]:
    def key(pair: tuple[float, Exercise]) -> tuple[float, ...]:
        score, exercise = pair
        order = (KIND_ORDER.index(exercise.kind), SETTING_ORDER.index(exercise.rungs[0].setting))
        return (order[1], -score) if gentlest else (-round(score, 6), *order)

    return [exercise for _, exercise in sorted(offered, key=key)]


def _week(
    choice: Sequence[Exercise],
    diagnosis: Diagnosis,
    now: Situation,
    load_limit: float | None,
    budget: float,
) -> tuple[PlanItem, ...]:
    """What of the choice fits into the minutes. A load goes only with a release before it."""
    items = _fitting(choice, diagnosis, now, load_limit, budget)
    if not any(item.kind is Kind.RELEASE for item in items):
        unloaded = [e for e in choice if not is_load(e)]
        items = _fitting(unloaded, diagnosis, now, load_limit, budget)
    return tuple(sorted(items, key=lambda i: KIND_ORDER.index(i.kind)))


def _fitting(
    choice: Sequence[Exercise],
    diagnosis: Diagnosis,
    now: Situation,
    load_limit: float | None,
    budget: float,
) -> list[PlanItem]:
    items: list[PlanItem] = []
    for exercise in choice:
        item = plan_item(exercise, diagnosis, now.catalogue, load_limit)
        fitted = _fit(item, budget - sum(i.minutes for i in items), exercise, now)
        if fitted is not None:
            items.append(fitted)
        if len(items) == MAX_ITEMS:
            break
    return items


def _balanced(ranked: Sequence[Exercise], worthy: set[str], now: Situation) -> list[Exercise]:
    """The order in which the week is filled: the best exercise, a release, a placement that is
    nearly as good, a step into music, then the best of what is left. A load brings the warm-up with
    it, and a week has one load at most."""
    order: list[Exercise] = list(ranked[:1])
    loads = bool(order) and is_load(order[0])
    releases = [e for e in ranked if e.kind is Kind.RELEASE]
    if loads and not releases:
        releases = [now.catalogue.exercises[WARM_UP]]
    placements = [
        e for e in ranked if e.kind in (Kind.PLACEMENT, Kind.COORDINATION) and e.id in worthy
    ]
    transfers = [e for e in ranked if e.kind is Kind.TRANSFER]
    for group in (releases, placements, transfers, ranked):
        if group is releases and order and order[0].kind is Kind.RELEASE:
            continue
        fresh = [e for e in group if e not in order and not is_load(e)]
        order += fresh[:1]
    return order


def is_load(exercise: Exercise) -> bool:
    """True for what loads the hand: strength, or a stretch."""
    return exercise.kind is Kind.STRENGTH or exercise.stretch


def _fit(
    item: PlanItem, minutes_left: float, exercise: Exercise, now: Situation
) -> PlanItem | None:
    """The item with its dose cut until it fits, or None when it cannot. A load is not cut below its
    least dose."""
    least = least_dose(exercise, item.rung, now).work_seconds() if is_load(exercise) else 0.0
    if is_load(exercise) and item.minutes > load_minutes(now.case):
        return None
    while item.minutes > minutes_left:
        smaller = item.dose.halved()
        minutes = smaller.minutes(len(item.fingers))
        too_short = smaller.seconds < exercise.rung(item.rung).dose.seconds
        if minutes >= item.minutes or too_short or smaller.work_seconds() < least:
            return None
        item = replace(item, dose=smaller, minutes=minutes)
    return item


def plan_item(
    exercise: Exercise,
    diagnosis: Diagnosis,
    catalogue: Catalogue,
    load_limit: float | None = None,
    rung: int | None = None,
) -> PlanItem:
    """One exercise as an item of this week: its rung, dose, days, fingers and why.

    `rung`: counted from 1; by default the lowest that is not passed.
    """
    now = Situation.from_diagnosis(diagnosis, catalogue)
    if rung is None:
        rung = next_rung(exercise, now)
    cause = aimed_cause(exercise, diagnosis, catalogue)
    fingers = _fingers(exercise, cause, diagnosis)
    days = practice_days(exercise, now.case)
    dose = safe_dose(exercise, rung, now)
    if is_load(exercise):
        allows = within_load(len(days), len(fingers), now.case, load_limit)
        least = least_dose(exercise, rung, now)
        if least.minutes(len(fingers)) > load_minutes(now.case):
            least = replace(least, reps=1)
        dose = dose.most(allows, least)
    return PlanItem(
        exercise=exercise.id,
        kind=exercise.kind,
        rung=rung,
        dose=dose,
        minutes=dose.minutes(len(fingers)),
        days=days,
        fingers=fingers,
        why=_why(exercise, cause, diagnosis, catalogue),
    )


def aimed_cause(exercise: Exercise, diagnosis: Diagnosis, catalogue: Catalogue) -> str:
    """The cause this exercise is given for: a focus if it aims at one, else its likeliest aim."""
    for focus in diagnosis.focus:
        if focus.cause in exercise.aims:
            return focus.cause
    known = [
        a for a in exercise.aims if diagnosis.case.instrument in catalogue.causes[a].instruments
    ]
    return max(known or exercise.aims, key=diagnosis.probability)


def _fingers(exercise: Exercise, cause: str, diagnosis: Diagnosis) -> tuple[int, ...]:
    if not exercise.aimed_at_finger:
        return ()
    return next((v.fingers for v in diagnosis.causes if v.cause == cause), ())


def practice_days(exercise: Exercise, case: Case) -> tuple[int, ...]:
    """Days of the week, 1..6 after the lesson. Loads rest a day between for young and old hands."""
    if is_load(exercise) and rests_between_loads(case.young_age, case.age):
        return SPACED_DAYS
    return FIVE_DAYS if case.minutes_budget <= 5 else EVERY_DAY


def rests_between_loads(youngest: float | None, oldest: float | None) -> bool:
    """True for young and old hands, whose loads do not stand on two days running.

    The youngest and the oldest that the player can be, years; None when not known."""
    return (youngest is not None and youngest < SPACED_BELOW_AGE) or (
        oldest is not None and oldest > SPACED_ABOVE_AGE
    )


def safe_dose(exercise: Exercise, rung: int, now: Situation) -> Dose:
    """The rung's dose, halved while easing off, for loose joints and after a break."""
    dose = exercise.rung(rung).dose
    for _ in range(_halvings(exercise, now)):
        dose = dose.halved()
    return dose


def least_dose(exercise: Exercise, rung: int, now: Situation) -> Dose:
    """The least that is still this step, or what caution leaves of it when that is less."""
    safe = safe_dose(exercise, rung, now)
    least = exercise.rung(rung).dose.least()
    return min((safe, least), key=lambda d: d.work_seconds())


def _halvings(exercise: Exercise, now: Situation) -> int:
    count = int(now.safety.is_amber)
    if is_load(exercise):
        count += now.has_loose_joints
        count += now.case.break_weeks >= SHORT_BREAK_WEEKS and now.case.days_back < EASE_OFF_DAYS
    return count


def load_minutes(case: Case) -> float:
    """Most minutes a day that may load the hand: a third of the day, two are always allowed."""
    return max(STRENGTH_ALWAYS_MINUTES, case.minutes_budget * STRENGTH_SHARE)


def within_load(
    days: int, fingers: int, case: Case, load_limit: float | None
) -> Callable[[Dose], bool]:
    """Whether a dose on so many days keeps to a day's minutes and to a week's seconds of work."""

    def allows(dose: Dose) -> bool:
        work = dose.work_seconds(fingers) * days
        grows = load_limit is not None and work > load_limit + 1e-9
        return not grows and dose.minutes(fingers) <= load_minutes(case)

    return allows


def _why(exercise: Exercise, cause: str, diagnosis: Diagnosis, catalogue: Catalogue) -> str:
    """One sentence from the cause; only what it does when it is given beside the focus."""
    if diagnosis.probability(cause) <= POSSIBLE_ABOVE:
        return f"This {exercise.does}."
    because = catalogue.causes[cause].because
    return f"{because[0].upper()}{because[1:]}; this {exercise.does}."


def _unchecked_needs(
    items: Iterable[PlanItem], ranked: Sequence[Exercise], now: Situation
) -> tuple[str, ...]:
    names = dict.fromkeys([*(i.exercise for i in items), *(e.id for e in ranked[:MAX_ITEMS])])
    needs: dict[str, None] = {}
    for name in names:
        for need in now.catalogue.exercises[name].needs:
            evidence = now.catalogue.evidence.get(need)
            if (
                evidence
                and now.case.instrument in evidence.instruments
                and need not in now.findings
            ):
                needs[need] = None
    return tuple(needs)


def plan_json(plan: Plan) -> dict[str, Any]:
    """The plan as `jolf-plan/1`."""
    return {
        "format": PLAN_FORMAT,
        "items": [_item_json(item) for item in plan.items],
        "minutes_a_day": plan.minutes_a_day,
        "offered": list(plan.offered),
        "withheld": [{"exercise": w.exercise, "reason": w.reason} for w in plan.withheld],
        "check_first": list(plan.check_first),
        "paused": plan.paused,
        "safety": safety_json(plan.safety),
    }


def _item_json(item: PlanItem) -> dict[str, Any]:
    return {
        "exercise": item.exercise,
        "kind": item.kind.value,
        "rung": item.rung,
        "dose": item.dose.words(item.fingers),
        "minutes": item.minutes,
        "days": list(item.days),
        "tempo": item.dose.tempo,
        "fingers": list(item.fingers),
        "why": item.why,
    }
