"""From a diagnosis to a safe week of practice.

Method: the exercises that aim at the focus are scored, the ones that a rule forbids are withheld
with the reason, and one to three are taken in the order release, placement, strength, transfer, so
that the minutes of the day hold.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.exercises import Exercise
from lefthand.practice.doses import given_dose, is_load, least_dose, load_minutes, practice_days
from lefthand.practice.plan import Plan, PlanItem
from lefthand.practice.rules import next_rung
from lefthand.practice.selection import KIND_ORDER, NO_WISHES, Selection, Wishes, select
from lefthand.practice.situation import Situation
from lefthand.reason.diagnosis import Diagnosis
from lefthand.values.vocabulary import POSSIBLE_ABOVE, Kind

MAX_ITEMS = 3


def prescribe(diagnosis: Diagnosis, catalogue: Catalogue, wishes: Wishes = NO_WISHES) -> Plan:
    """Plan the week for the diagnosis' focus."""
    return plan_week(Situation(diagnosis, catalogue), wishes)


def plan_week(now: Situation, wishes: Wishes = NO_WISHES) -> Plan:
    """The week for this situation; empty and paused while a red flag stands."""
    if now.safety.is_red:
        return Plan((), (), (), (), True, now.safety)
    selection = select(now, wishes)
    items = _week(selection.choice, now, wishes)
    return Plan(
        items=items,
        offered=tuple(e.id for e in selection.ranked),
        withheld=selection.withheld,
        check_first=_unchecked_needs(items, selection, now),
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
    proposal: Plan, now: Situation, wishes: Wishes = NO_WISHES
) -> tuple[Alternative, ...]:
    """At most two other weeks under the same rules: one without the leading exercise of the
    proposal, and one of half the minutes. What comes out the same as the proposal, or empty, is
    left out."""
    if not proposal.items:
        return ()
    chosen = [item.exercise for item in proposal.items]
    leading = min(chosen, key=lambda e: _place(e, proposal.offered))
    other = replace(wishes, without=wishes.without | {leading})
    shorter = replace(wishes, minutes=proposal.minutes_a_day / 2)
    found = []
    for differs, changed in ((Difference.OTHER, other), (Difference.SHORTER, shorter)):
        plan = plan_week(now, changed)
        if plan.items and plan.items != proposal.items:
            found.append(Alternative(differs, plan))
    return tuple(found)


def _place(exercise: str, offered: Sequence[str]) -> int:
    return offered.index(exercise) if exercise in offered else len(offered)


def _week(choice: Sequence[Exercise], now: Situation, wishes: Wishes) -> tuple[PlanItem, ...]:
    """What of the choice fits into the minutes. A load goes only with a release before it."""
    items = _fitting(choice, now, wishes)
    if not any(item.kind is Kind.RELEASE for item in items):
        items = _fitting([e for e in choice if not is_load(e)], now, wishes)
    return tuple(sorted(items, key=lambda i: KIND_ORDER.index(i.kind)))


def _fitting(choice: Sequence[Exercise], now: Situation, wishes: Wishes) -> list[PlanItem]:
    own = now.case.minutes_budget
    budget = own if wishes.minutes is None else min(own, wishes.minutes)
    items: list[PlanItem] = []
    for exercise in choice:
        item = plan_item(exercise, now, wishes.load_limit)
        fitted = _fit(item, budget - sum(i.minutes for i in items), exercise, now)
        if fitted is not None:
            items.append(fitted)
        if len(items) == MAX_ITEMS:
            break
    return items


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
    exercise: Exercise, now: Situation, load_limit: float | None = None, rung: int | None = None
) -> PlanItem:
    """One exercise as an item of this week: its rung, dose, days, fingers and why.

    `rung`: counted from 1; by default the lowest that is not passed.
    """
    if rung is None:
        rung = next_rung(exercise, now)
    cause = aimed_cause(exercise, now)
    fingers = _fingers(exercise, cause, now.diagnosis)
    days = practice_days(exercise, now.case)
    dose = given_dose(
        exercise, rung, now, days=len(days), fingers=len(fingers), load_limit=load_limit
    )
    return PlanItem(
        exercise=exercise.id,
        kind=exercise.kind,
        rung=rung,
        dose=dose,
        minutes=dose.minutes(len(fingers)),
        days=days,
        fingers=fingers,
        why=_why(exercise, cause, now),
    )


def aimed_cause(exercise: Exercise, now: Situation) -> str:
    """The cause this exercise is given for: a focus if it aims at one, else its likeliest aim."""
    for focus in now.diagnosis.focus:
        if focus.cause in exercise.aims:
            return focus.cause
    known = [a for a in exercise.aims if now.case.instrument in now.catalogue.causes[a].instruments]
    return max(known or exercise.aims, key=now.diagnosis.probability)


def _fingers(exercise: Exercise, cause: str, diagnosis: Diagnosis) -> tuple[int, ...]:
    if not exercise.aimed_at_finger:
        return ()
    return next((v.fingers for v in diagnosis.causes if v.cause == cause), ())


def _why(exercise: Exercise, cause: str, now: Situation) -> str:
    """One sentence from the cause; only what it does when it is given beside the focus."""
    if now.diagnosis.probability(cause) <= POSSIBLE_ABOVE:
        return f"This {exercise.does}."
    because = now.catalogue.causes[cause].because
    return f"{because[0].upper()}{because[1:]}; this {exercise.does}."


def _unchecked_needs(
    items: Iterable[PlanItem], selection: Selection, now: Situation
) -> tuple[str, ...]:
    best = [e.id for e in selection.ranked[:MAX_ITEMS]]
    needs: dict[str, None] = {}
    for name in dict.fromkeys([*(i.exercise for i in items), *best]):
        for need in now.catalogue.exercises[name].needs:
            evidence = now.catalogue.evidence.get(need)
            is_check = evidence is not None and now.case.instrument in evidence.instruments
            if is_check and need not in now.findings:
                needs[need] = None
    return tuple(needs)
