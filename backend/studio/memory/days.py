"""Which day it is: a teacher's days begin in the teacher's own time zone."""

from datetime import date
from zoneinfo import ZoneInfo

from django.utils import timezone

from studio.models import HomeLink, TeacherSettings


def today_of(teacher_id: int | None) -> date:
    """The day it is for a teacher: by their own zone, or by this computer's."""
    chosen = TeacherSettings.objects.filter(teacher=teacher_id).values_list("time_zone", flat=True)
    name = chosen.first()
    return timezone.localdate(timezone=ZoneInfo(name)) if name else timezone.localdate()


def today_behind(token: str) -> date:
    """The day it is for the teacher who gave a private link."""
    whose = HomeLink.objects.filter(token=token).values_list("player__teacher", flat=True)
    return today_of(whose.first())
