"""What records say of causes and exercises, by the ids of today's catalogue.

Records keep the ids that they were made with. What was renamed is found by its alias; what the
catalogue does not know any more is passed over and breaks no page.
"""

from lefthand.catalogue.catalogue import load_catalogue
from studio.models import CauseWord, Focus, Lesson, Plan, PlanItem


def known_items(plan: Plan) -> list[PlanItem]:
    """The items of a plan, on the last rung where the ladder has become shorter."""
    exercises = load_catalogue().exercises
    found = []
    for item in plan.items.all():
        exercise = exercises.get(item.exercise)
        if exercise is not None:
            item.exercise = exercise.id
            item.rung = min(item.rung, len(exercise.rungs))
            found.append(item)
    return found


def known_focuses(lesson: Lesson) -> list[Focus]:
    causes = load_catalogue().causes
    found = [focus for focus in lesson.focuses.all() if focus.cause in causes]
    for focus in found:
        focus.cause = causes[focus.cause].id
    return found


def known_words(lesson: Lesson) -> list[CauseWord]:
    """The teacher's words on causes."""
    causes = load_catalogue().causes
    found = [word for word in lesson.cause_words.all() if word.cause in causes]
    for word in found:
        word.cause = causes[word.cause].id
    return found


def focus_of(lesson: Lesson) -> list[str]:
    """Causes that were decided as the focus, the main one first."""
    return [focus.cause for focus in known_focuses(lesson)]


def dismissed_in(lesson: Lesson) -> set[str]:
    return {word.cause for word in known_words(lesson) if word.word == "dismissed"}
