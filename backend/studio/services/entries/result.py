"""How an exercise of the last plan went when it was shown in this lesson."""

from typing import Any

from lefthand.values.errors import InputError
from lefthand.values.fields import read_flag, read_mapping, read_number
from studio.models import PracticeResult
from studio.services.entries.answers import FLAG, raise_what_is_red
from studio.services.entries.kind import EntryKind, read_id
from studio.services.entries.opened import Opened


def _read(opened: Opened, key: str) -> Any:
    item_id = read_id("result", key)
    result = next((each for each in opened.results if each.item_id == item_id), None)
    return {"passed": result.passed, "pain": result.pain} if result else None


def _write(opened: Opened, key: str, value: Any) -> None:
    """Store {"passed", "pain"?}; pain counts like any other pain that is told in the lesson."""
    item_id, lesson = read_id("result", key), opened.lesson
    opened.changed("results")
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
    raise_what_is_red(opened)


RESULT = EntryKind("last week's result", _read, _write, *FLAG)
