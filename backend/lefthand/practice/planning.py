"""From a diagnosis to a safe week of practice.

Method: the exercises that aim at the focus are scored, the ones that a rule forbids are withheld
with the reason, the places of the week are filled (`selection`), and the doses grow from the least
that is still the step to what the minutes of the day hold. What is missing is said.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.exercises import Exercise
from lefthand.practice.doses import (
    doses_of,
    fill_share,
    given_dose,
    is_load,
    load_minutes,
    practice_days,
)
from lefthand.practice.left_out import hand_below_said, left_out
from lefthand.practice.own_piece import in_own_piece
from lefthand.practice.plan import Plan, PlanItem
from lefthand.practice.rules import next_rung
from lefthand.practice.selection import (
    KIND_ORDER,
    NO_WISHES,
    SETTING_ORDER,
    Selection,
    Slot,
    Wishes,
    select,
)
from lefthand.practice.situation import Situation
from lefthand.practice.tempo import goal_tempo
from lefthand.practice.week import fullest_day
from lefthand.practice.why import focus_aimed_at, why_given
from lefthand.reason.diagnosis import Diagnosis
from lefthand.reason.explain import fingers_of
from lefthand.values.fingers import aimed_fingers, fingers_of_hand
from lefthand.values.said import Said
from lefthand.values.vocabulary import Kind

MAX_ITEMS = 3


def prescribe(diagnosis: Diagnosis, catalogue: Catalogue, wishes: Wishes = NO_WISHES) -> Plan:
    """Plan the week for the diagnosis' focus."""
    return plan_week(Situation(diagnosis, catalogue), wishes)


def plan_week(now: Situation, wishes: Wishes = NO_WISHES) -> Plan:
    """The week for this situation; empty and paused while a red flag stands."""
    if now.safety.is_red:
        return Plan((), (), (), (), (), (), True, now.safety)
    selection = select(now, wishes)
    filled = _fill(selection.slots, now, wishes)
    items = tuple(in_own_piece(item, _exercise(item, now), wishes.place) for item in filled)
    return Plan(
        items=items,
        in_lesson=selection.in_lesson,
        offered=tuple(e.id for e in selection.ranked),
        withheld=selection.withheld,
        check_first=_check_first(items, selection, now),
        says=(
            *hand_below_said(selection.hand_below),
            *left_out(items, now, _minutes(now, wishes), wishes.under_way),
        ),
        paused=False,
        safety=now.safety,
    )


def _minutes(now: Situation, wishes: Wishes) -> float:
    own = now.case.minutes_budget
    return own if wishes.minutes is None else min(own, wishes.minutes)


def _fill(slots: Sequence[Slot], now: Situation, wishes: Wishes) -> tuple[PlanItem, ...]:
    """The places of the week with their doses: first the least of each, so that all have room, then
    more of each in turn."""
    budget = _minutes(now, wishes)
    ladders = _ladders(slots, now, wishes)
    if not any(each[0].kind is Kind.RELEASE for each in ladders):
        light = [Slot(tuple(e for e in s.candidates if not is_load(e))) for s in slots]
        light.sort(key=lambda slot: all(e.kind is not Kind.RELEASE for e in slot.candidates[:1]))
        ladders = _ladders(light, now, wishes)
    return tuple(sorted(_grown(ladders, budget, now), key=lambda item: _place_in_day(item, now)))


def _place_in_day(item: PlanItem, now: Situation) -> tuple[int, int]:
    """Release before placement, strength and music; within it away before silent, plucked, bowed
    and piece."""
    setting = _exercise(item, now).rung(item.rung).setting
    return KIND_ORDER.index(item.kind), SETTING_ORDER.index(setting)


def _ladders(slots: Sequence[Slot], now: Situation, wishes: Wishes) -> list[list[PlanItem]]:
    """For each place that has room: the exercise with its doses, the least first."""
    budget = _minutes(now, wishes)
    ladders: list[list[PlanItem]] = []
    for slot in slots:
        if len(ladders) == MAX_ITEMS:
            break
        for exercise in slot.candidates:
            if any(each[0].exercise == exercise.id for each in ladders):
                continue
            ladder = list(_doses_of_item(exercise, now, wishes.load_limit))
            if ladder and _fullest([each[0] for each in ladders] + ladder[:1]) <= budget:
                ladders.append(ladder)
                break
    return ladders


def _grown(ladders: Sequence[list[PlanItem]], budget: float, now: Situation) -> list[PlanItem]:
    """Each at the highest step of its doses that the minutes hold: up to its usual dose while they
    last, beyond that only until the day is as full as it should be."""
    at = [0] * len(ladders)
    for is_more, share in ((False, 1.0), (True, fill_share(now.case))):
        grows = True
        while grows:
            grows = False
            for place, ladder in enumerate(ladders):
                step = at[place] + 1
                if step == len(ladder) or (not is_more and _is_more(ladder[step], now)):
                    continue
                tried = [*at[:place], step, *at[place + 1 :]]
                week = [each[s] for each, s in zip(ladders, tried, strict=True)]
                if _fullest(week) <= share * budget:
                    at, grows = tried, True
    return [ladder[step] for ladder, step in zip(ladders, at, strict=True)]


def _is_more(item: PlanItem, now: Situation) -> bool:
    """More than the usual dose of its step."""
    usual = _exercise(item, now).rung(item.rung).dose
    return item.dose.work_seconds() > usual.work_seconds() + 1e-9


def _exercise(item: PlanItem, now: Situation) -> Exercise:
    return now.catalogue.exercises[item.exercise]


def _fullest(items: Iterable[PlanItem]) -> float:
    return fullest_day((item.minutes, item.days) for item in items)


def _doses_of_item(
    exercise: Exercise, now: Situation, load_limit: float | None
) -> Iterator[PlanItem]:
    """The exercise with every dose that it may have in this week, the least first."""
    item = plan_item(exercise, now, load_limit)
    for dose in doses_of(exercise, item.rung, item.dose, now):
        minutes = dose.minutes(len(item.fingers))
        if not is_load(exercise) or minutes <= load_minutes(now.case):
            yield replace(item, dose=dose, minutes=minutes)


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


def plan_item(
    exercise: Exercise, now: Situation, load_limit: float | None = None, rung: int | None = None
) -> PlanItem:
    """One exercise as an item of this week: its rung, dose, days, fingers and why.

    `rung`: counted from 1; by default the lowest that is not passed.
    """
    if rung is None:
        rung = next_rung(exercise, now)
    cause = aimed_cause(exercise, now)
    fingers = _fingers(exercise, cause, now)
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
        goal=goal_tempo(exercise, rung),
    )


def aimed_cause(exercise: Exercise, now: Situation) -> str:
    """The cause this exercise is given for: a focus if it aims at one or fits all, else its
    likeliest aim."""
    focus = focus_aimed_at(exercise, (each.cause for each in now.diagnosis.focus))
    if focus is not None:
        return focus
    known = [a for a in exercise.aims if now.case.instrument in now.catalogue.causes[a].instruments]
    return max(known or exercise.aims, key=now.diagnosis.probability)


def _fingers(exercise: Exercise, cause: str, now: Situation) -> tuple[int, ...]:
    if exercise.finger is None:
        return ()
    found = fingers_of(cause, now.diagnosis.findings, now.catalogue, exercise.finger)
    hand = fingers_of_hand(now.case.instrument, now.case.way_of_teaching)
    return aimed_fingers(hand, found) if found else ()


def _why(exercise: Exercise, cause: str, now: Situation) -> Said:
    """What is only possible is never told as a fact: beside the focus it says what the exercise
    does."""
    is_focus = cause in {focus.cause for focus in now.diagnosis.focus}
    return why_given(exercise.id, cause if is_focus else None, is_carried=is_carried(exercise, now))


def is_carried(exercise: Exercise, now: Situation) -> bool:
    """True where a helper carries the scroll meanwhile."""
    return now.needs_support and exercise.thumb_away


def _check_first(
    items: Iterable[PlanItem], selection: Selection, now: Situation
) -> tuple[str, ...]:
    """What the diagnosis waits for, and what these exercises and the best of the rest need."""
    best = [e.id for e in selection.ranked[:MAX_ITEMS]]
    needs = dict.fromkeys(now.diagnosis.awaited)
    for name in dict.fromkeys([*(i.exercise for i in items), *best]):
        for need in now.catalogue.exercises[name].needs:
            evidence = now.catalogue.evidence.get(need)
            is_check = evidence is not None and now.case.instrument in evidence.instruments
            if is_check and now.case.looked(need) is None:
                needs[need] = None
    return tuple(needs)
