"""Holidays of a teacher: days without weekly lessons. A lesson that is moved there, or begun, takes
place all the same."""

from datetime import date, timedelta

from studio.errors import StudioError
from studio.lessons.access import Teacher
from studio.models import Holiday

LONGEST = timedelta(days=120)
FARTHEST = timedelta(days=2 * 366)
MOST = 60


def holidays_of(teacher: Teacher, on: date) -> list[Holiday]:
    """Those that are not over on a day, in their order."""
    return list(Holiday.objects.filter(teacher_id=teacher.pk, last__gte=on))


def holiday_on(teacher: Teacher, day: date) -> Holiday | None:
    """The one that holds the day; of several the one that lasts longest."""
    found = Holiday.objects.filter(teacher_id=teacher.pk, first__lte=day, last__gte=day)
    return found.order_by("-last").first()


def add_holiday(teacher: Teacher, first: date, last: date, on: date) -> Holiday:
    """Keep a holiday. Raises StudioError naming the field."""
    if last < first:
        raise StudioError("bad_input", "last", f"expected {first} or a later day")
    if last - first > LONGEST:
        raise StudioError("bad_input", "last", f"expected at most {LONGEST.days} days")
    if last < on:
        raise StudioError("bad_input", "last", f"expected {on} or a later day")
    if first > on + FARTHEST:
        raise StudioError("bad_input", "first", "expected a day in the next two years")
    if len(holidays_of(teacher, on)) >= MOST:
        raise StudioError("bad_input", "first", f"expected at most {MOST} holidays")
    kept, _ = Holiday.objects.get_or_create(teacher_id=teacher.pk, first=first, last=last)
    return kept


def remove_holiday(teacher: Teacher, holiday_id: int) -> None:
    """Lessons take place again. Raises Holiday.DoesNotExist for one that is not the teacher's."""
    Holiday.objects.get(teacher_id=teacher.pk, pk=holiday_id).delete()
