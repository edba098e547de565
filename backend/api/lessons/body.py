"""What is known of a player's body, and what was ruled out, as a lesson tells of it."""

from api.lessons.schemas import BodyFactOut
from lefthand.reason.waiting import JOINTS, joints_are_due
from lefthand.words import told
from studio.lessons.cases import LessonView
from studio.lessons.reach import REACH, measured_span
from studio.memory.body import INJURY, BodyFact, body_words


def body_out(view: LessonView) -> list[BodyFactOut]:
    """Of earlier lessons: what belongs to the body, the span of the hand, causes ruled out."""
    facts = [_fact_out(fact, view) for fact in view.history.body]
    span = measured_span(view.lesson.player, before=view.lesson.date)
    if span is not None:
        says = told("body-span", mm=span.span)
        facts.append(BodyFactOut(kind="span", fact=REACH, says=says, on=span.on))
    for cause, out in view.ruled_out.items():
        says = told("body-not-it", cause=view.catalogue.causes[cause].name)
        facts.append(BodyFactOut(kind="ruled_out", fact=cause, says=says, on=out.on))
    return facts


def _fact_out(fact: BodyFact, view: LessonView) -> BodyFactOut:
    return BodyFactOut(
        kind="injury" if fact.fact == INJURY else "sign",
        fact=fact.fact,
        says=body_words(fact),
        on=fact.on,
        limits=fact.limits,
        is_due=fact.fact == JOINTS and joints_are_due(view.case),
    )
