"""Work on a cause: since when, over how many lessons, and how much of it was practised."""

from dataclasses import dataclass
from datetime import date

from lefthand.change.course import Course
from lefthand.values.vocabulary import DAYS_A_WEEK

PAUSE_DAYS = 28
HARDLY = 0.5  # of the planned days


@dataclass(frozen=True, slots=True)
class Work:
    """Work on a cause until now: since when, in how many lessons since, and days at home (None
    where nobody knows)."""

    since: date
    weeks: float
    lessons: int
    planned: int | None
    done: int | None

    @property
    def is_hardly_practised(self) -> bool:
        return bool(self.planned) and (self.done or 0) < HARDLY * (self.planned or 0)


def work_on(course: Course, cause: str) -> Work:
    """The work on a cause since it last became the focus. Raises ValueError where it never was."""
    lessons = course.lessons
    worked = [number for number, lesson in enumerate(lessons) if cause in lesson.focus]
    if not worked:
        raise ValueError(f"{cause!r} was never the focus")
    start = worked[-1]
    for number in reversed(worked[:-1]):
        if (lessons[start].on - lessons[number].on).days > PAUSE_DAYS:
            break
        start = number
    later = lessons[start + 1 :]
    told = [lesson.practice for lesson in later if lesson.practice is not None]
    return Work(
        since=lessons[start].on,
        weeks=(lessons[-1].on - lessons[start].on).days / DAYS_A_WEEK,
        lessons=sum(not lesson.is_glance for lesson in later),
        planned=sum(p.planned for p in told) if told else None,
        done=sum(p.done for p in told) if told else None,
    )
