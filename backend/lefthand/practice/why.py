"""Why an exercise is given: the focus it answers, and what it does for it."""

from collections.abc import Iterable

from lefthand.catalogue.exercises import Exercise
from lefthand.values.said import Said, because, does, said


def focus_aimed_at(exercise: Exercise, focus: Iterable[str]) -> str | None:
    """The first of these causes that the exercise is for; None where it is for none of them."""
    return next((c for c in focus if exercise.general or c in exercise.aims), None)


def why_given(exercise: str, cause: str | None, *, is_carried: bool = False) -> Said:
    """`cause`: the focus that it answers; without one only what it does is said. `is_carried`: a
    helper carries the scroll meanwhile."""
    ending = "-carried" if is_carried else ""
    if cause is None:
        return said(f"why-does{ending}", does=does(exercise))
    return said(f"why-both{ending}", because=because(cause), does=does(exercise))


def why_cause(cause: str) -> Said:
    """Only why the cause asks for work."""
    return said("why-because", because=because(cause))
