"""A week's plan as values, and as `jolf-plan/1`."""

from dataclasses import dataclass
from typing import Any

from lefthand.practice.selection import Withheld
from lefthand.practice.week import fullest_day
from lefthand.reason.diagnosis import safety_json
from lefthand.reason.safety import Safety
from lefthand.values.dose import Dose
from lefthand.values.said import Said, said_json
from lefthand.values.vocabulary import Kind
from lefthand.words.words import words_of

PLAN_FORMAT = "jolf-plan/1"


@dataclass(frozen=True, slots=True)
class PlanItem:
    """One exercise of the week. `days`: 1 is the day after the lesson, 7 the next lesson's day.
    `goal`: the tempo that it leads to, None where it has none. `in_piece`: bars of the player's own
    piece, from 0, None where it is not played there."""

    exercise: str
    kind: Kind
    rung: int
    dose: Dose
    minutes: float
    days: tuple[int, ...]
    fingers: tuple[int, ...]
    why: Said
    goal: int | None = None
    in_piece: tuple[int, int] | None = None


@dataclass(frozen=True, slots=True)
class Plan:
    """`in_lesson`: exercises done with the teacher, no practice at home. `offered`: exercise ids,
    best first. `check_first`: evidence to look at before giving. `says`: what is missing from the
    week and why."""

    items: tuple[PlanItem, ...]
    in_lesson: tuple[str, ...]
    offered: tuple[str, ...]
    withheld: tuple[Withheld, ...]
    check_first: tuple[str, ...]
    says: tuple[Said, ...]
    paused: bool
    safety: Safety

    @property
    def minutes_a_day(self) -> float:
        """Minutes of the fullest day."""
        return fullest_day((item.minutes, item.days) for item in self.items)


def plan_json(plan: Plan) -> dict[str, Any]:
    """The plan as `jolf-plan/1`."""
    return {
        "format": PLAN_FORMAT,
        "items": [_item_json(item) for item in plan.items],
        "minutes_a_day": plan.minutes_a_day,
        "in_lesson": list(plan.in_lesson),
        "offered": list(plan.offered),
        "withheld": [
            {"exercise": w.exercise, "reason": words_of(w.reason), "why": said_json(w.reason)}
            for w in plan.withheld
        ],
        "check_first": list(plan.check_first),
        "says": [words_of(each) for each in plan.says],
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
        "goal": item.goal,
        "fingers": list(item.fingers),
        "why": words_of(item.why),
        "because": said_json(item.why),
    }
