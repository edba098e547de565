"""What a week leaves out, and why, for the teacher."""

from collections.abc import Container, Iterator, Sequence

from lefthand.practice.doses import fill_share
from lefthand.practice.plan import PlanItem
from lefthand.practice.situation import Situation
from lefthand.practice.week import fullest_day
from lefthand.values import said as named
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import POSSIBLE_ABOVE, Kind

MISSED = {Kind.RELEASE: "week-no-release", Kind.TRANSFER: "week-no-transfer"}


def hand_below_said(exercises: Sequence[str]) -> Iterator[Said]:
    """That something is done in the lesson alone, so that the instrument does not fall."""
    if exercises:
        yield said("week-hand-below", exercises=tuple(named.exercise(each) for each in exercises))


def left_out(
    items: Sequence[PlanItem], now: Situation, budget: float, under_way: Container[str]
) -> Iterator[Said]:
    """What is missing: a focus, a release, a step into music, minutes. `under_way`: exercises of
    the last plan that go on."""
    has_work = any(item.exercise in under_way for item in items)
    if not now.diagnosis.focus:
        yield _no_focus(now, has_work=has_work)
        yield from _look_for_more(now)
    for kind in MISSED:
        if not any(item.kind is kind for item in items):
            yield _missing(kind, now, budget)
    used = fullest_day((item.minutes, item.days) for item in items)
    if items and used < fill_share(now.case) * budget - 1:
        yield said("week-few-minutes", used=used, minutes=budget, because=_why_few(now))


def _no_focus(now: Situation, *, has_work: bool) -> Said:
    if not now.findings and has_work:
        return said("week-goes-on")
    possible = [v for v in now.diagnosis.causes if v.probability > POSSIBLE_ABOVE and v.speaks_for]
    if not possible:
        return said("week-no-cause")
    return said("week-no-focus", cause=named.cause(possible[0].cause))


def _look_for_more(now: Situation) -> Iterator[Said]:
    look = now.diagnosis.next_look
    if look is not None:
        yield said("week-look-next", checks=tuple(named.evidence(each) for each in look.checks))


def _missing(kind: Kind, now: Situation, budget: float) -> Said:
    if kind is Kind.TRANSFER and now.safety.is_amber:
        return said("week-no-transfer-eased", because=now.safety.reasons[0])
    return said(MISSED[kind], minutes=budget)


def _why_few(now: Situation) -> Said:
    if now.safety.is_amber:
        return said("few-eased", because=now.safety.reasons[0])
    if now.has_loose_joints:
        return said("few-loose")
    return said("few-enough")
