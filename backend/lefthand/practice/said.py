"""What a week leaves out, and why, in sentences for the teacher."""

from collections.abc import Container, Iterator, Sequence

from lefthand.catalogue.catalogue import Catalogue
from lefthand.practice.doses import fill_share
from lefthand.practice.plan import PlanItem
from lefthand.practice.situation import Situation
from lefthand.practice.week import fullest_day
from lefthand.values.vocabulary import POSSIBLE_ABOVE, Kind

NAMED = {Kind.RELEASE: "release", Kind.TRANSFER: "step into music"}


def hand_below_words(exercises: Sequence[str], catalogue: Catalogue) -> Iterator[str]:
    """That something is done in the lesson alone, so that the instrument does not fall."""
    names = [catalogue.exercises[each].name for each in exercises]
    if names:
        yield f"Only in the lesson, with your hand below the instrument: {'; '.join(names)}."


def words_about(
    items: Sequence[PlanItem], now: Situation, budget: float, under_way: Container[str]
) -> Iterator[str]:
    """Sentences on what is missing: a focus, a release, a step into music, minutes. `under_way`:
    exercises of the last plan that go on."""
    has_work = any(item.exercise in under_way for item in items)
    if not now.diagnosis.focus:
        yield _no_focus(now, has_work=has_work)
        yield from _look_for_more(now)
    for kind, name in NAMED.items():
        if not any(item.kind is kind for item in items):
            yield _missing(name, kind, now, budget)
    used = fullest_day((item.minutes, item.days) for item in items)
    if items and used < fill_share(now.case) * budget - 1:
        yield f"{used:g} of {budget:g} minutes a day: {_why_few(now)}."


def _no_focus(now: Situation, *, has_work: bool) -> str:
    if not now.findings and has_work:
        return "Nothing was looked at today, so last week's work goes on."
    possible = [v for v in now.diagnosis.causes if v.probability > POSSIBLE_ABOVE and v.speaks_for]
    if not possible:
        return "No cause stands out yet, so this week keeps the hand loose and makes music."
    name = now.catalogue.causes[possible[0].cause].name
    return f"No focus yet. For the meantime something gentle that also answers: {name.lower()}."


def _look_for_more(now: Situation) -> Iterator[str]:
    look = now.diagnosis.next_look
    if look is not None:
        labels = [now.catalogue.evidence[check].label for check in look.checks]
        yield f"To know more, look next at: {'; '.join(labels).lower()}."


def _missing(name: str, kind: Kind, now: Situation, budget: float) -> str:
    if kind is Kind.TRANSFER and now.safety.is_amber:
        return f"No {name} while easing off ({now.safety.reasons[0]})."
    return f"No {name}: {budget:g} minutes a day hold no more."


def _why_few(now: Situation) -> str:
    if now.safety.is_amber:
        return f"doses are halved while easing off ({now.safety.reasons[0]})"
    if now.has_loose_joints:
        return "loose joints work short and often"
    return "more of the same does not help; play what you like with the rest"
