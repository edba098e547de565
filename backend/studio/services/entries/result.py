"""How an exercise of the last plan went when it was shown in this lesson."""

from typing import Any

from lefthand.values.errors import InputError
from lefthand.values.fields import read_flag, read_mapping, read_number
from studio.models import Lesson, PracticeResult
from studio.services.entries.answers import raise_what_is_red
from studio.services.entries.kind import EntryKind, read_id
from studio.services.flags import flag_of_lesson, restore_flag


def _read(lesson: Lesson, key: str) -> Any:
    result = lesson.results.filter(item_id=read_id("result", key)).first()
    return {"passed": result.passed, "pain": result.pain} if result else None


def _write(lesson: Lesson, key: str, value: Any) -> None:
    """Store {"passed", "pain"?}; pain counts like any other pain that is told in the lesson."""
    item_id = read_id("result", key)
    if not lesson.player.lessons.filter(plan__items=item_id, date__lt=lesson.date).exists():
        raise InputError("result", "this exercise is not in an earlier plan of this player")
    if value is None:
        PracticeResult.objects.filter(lesson=lesson, item_id=item_id).delete()
        return
    data = read_mapping("result", value)
    pain = data.get("pain")
    PracticeResult.objects.update_or_create(
        lesson=lesson,
        item_id=item_id,
        defaults={
            "date": lesson.date,
            "passed": read_flag("result.passed", data.get("passed")),
            "pain": None if pain is None else read_number("result.pain", pain, 0, 10),
        },
    )
    raise_what_is_red(lesson)


RESULT = EntryKind("last week's result", _read, _write, flag_of_lesson, restore_flag)
