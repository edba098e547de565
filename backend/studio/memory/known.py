"""What records say of causes and exercises, by the ids of today's catalogue.

Records keep the ids that they were made with. What was renamed is found by its alias; what the
catalogue does not know any more is passed over and breaks no page.
"""

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.ruled_out import RuledOut
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


def chosen_focus(lesson: Lesson) -> list[str]:
    """The decided focus where it is the teacher's own; [] where it was taken as proposed."""
    return [focus.cause for focus in known_focuses(lesson) if not focus.follows]


def dismissed_in(lesson: Lesson) -> set[str]:
    return _with_word(lesson, "dismissed")


def why_ruled_out(lesson: Lesson, cause: str, out: RuledOut | None) -> str:
    """The teacher's reason of the lesson that dismissed it; "" where none was given."""
    if out is None:
        return ""
    words = CauseWord.objects.filter(
        lesson__player=lesson.player_id, lesson__date=out.on, cause=cause, word="dismissed"
    )
    found = words.first()
    return found.why if found else ""


def reopened_in(lesson: Lesson) -> set[str]:
    """Causes that may be after all, though an earlier lesson had dismissed them."""
    return _with_word(lesson, "open") | _with_word(lesson, "pinned")


def _with_word(lesson: Lesson, wanted: str) -> set[str]:
    return {word.cause for word in known_words(lesson) if word.word == wanted}
