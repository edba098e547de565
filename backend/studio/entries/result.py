"""How an exercise of the last plan went when it was shown in this lesson."""

from typing import Any

from lefthand.values.errors import InputError
from lefthand.values.fields import read_flag, read_mapping, read_number
from studio.entries.answers import FLAG, raise_what_is_red
from studio.entries.kind import EntryKind, read_id
from studio.entries.opened import Opened
from studio.models import PlanItem, PracticeResult


def _read(opened: Opened, key: str) -> Any:
    item_id = read_id("result", key)
    result = next((each for each in opened.results if each.item_id == item_id), None)
    return {"passed": result.passed, "pain": result.pain} if result else None


def _given(opened: Opened, item_id: int) -> PlanItem:
    """An exercise of the newest week before this lesson, or of any earlier one of this player."""
    known = next((item for item in opened.past.last_items if item.pk == item_id), None)
    if known is not None:
        return known
    lesson = opened.lesson
    earlier = PlanItem.objects.filter(
        plan__lesson__player=lesson.player_id, plan__lesson__date__lt=lesson.date, pk=item_id
    )
    found = earlier.select_related("plan__lesson").first()
    if found is None:
        raise InputError("result", "this exercise is not in an earlier plan of this player")
    return found


def _write(opened: Opened, key: str, value: Any) -> None:
    """Store {"passed", "pain"?}; pain counts like any other pain that is told in the lesson."""
    item = _given(opened, read_id("result", key))
    stored = next((each for each in opened.results if each.item_id == item.pk), None)
    if value is None:
        if stored is not None:
            left = [each for each in opened.results if each != stored]
            stored.delete()
            opened.has_now("results", left)
        return
    data = read_mapping("result", value)
    pain = data.get("pain")
    result = stored or PracticeResult(lesson=opened.lesson, item=item, date=opened.lesson.date)
    result.passed = read_flag("result.passed", data.get("passed"))
    result.pain = None if pain is None else read_number("result.pain", pain, 0, 10)
    result.save()
    if stored is None:
        opened.has_now("results", [*opened.results, result])
    if result.pain:
        raise_what_is_red(opened)


RESULT = EntryKind("last week's result", _read, _write, *FLAG)
