"""Where on the neck an exercise is played in a week, as the teacher chose it: kept as {"string",
"position"}, the string counted from 1, the highest; None for what the step itself says."""

from collections.abc import Mapping, Sequence
from datetime import date
from typing import Any

from lefthand.catalogue.exercises import Exercise
from lefthand.composing.for_exercise import ForWhom
from lefthand.composing.on_neck import POSITIONS, STRINGS, Spot, spots_of
from lefthand.values.errors import InputError
from lefthand.values.fields import read_mapping, read_whole, short
from lefthand.values.vocabulary import Instrument, Level
from studio.memory.findings import way_of_teaching
from studio.models import Lesson, PlanItem

HIGHEST = len(STRINGS)


def music_for(lesson: Lesson, fingers: Sequence[int]) -> ForWhom:
    """Whose music it is, wherever it lies."""
    player = lesson.player
    return ForWhom(tuple(fingers), way_of_teaching(player), Level(player.level))


def as_kept(spot: Spot) -> dict[str, int]:
    return {"string": HIGHEST - spot.string, "position": spot.position}


def spot_of(kept: Mapping[str, int]) -> Spot:
    return Spot(HIGHEST - kept["string"], kept["position"])


def read_spot(where: str, value: Any, instrument: Instrument) -> dict[str, int] | None:
    """A place as it is kept. Raises InputError naming the field."""
    if value is None:
        return None
    told = read_mapping(where, value)
    string = read_whole(f"{where}.string", told.get("string"), 1, HIGHEST)
    position = told.get("position")
    if position not in POSITIONS[instrument]:
        known = ", ".join(map(str, sorted(POSITIONS[instrument])))
        raise InputError(f"{where}.position", f"expected one of {known}, got {short(position)}")
    return {"string": string, "position": int(position)}


def possible_spots(
    lesson: Lesson, exercise: Exercise, rung: int, fingers: Sequence[int]
) -> tuple[Spot, ...]:
    """Where the music of this rung can lie for these fingers, the easiest place first."""
    whose = music_for(lesson, fingers)
    return spots_of(exercise, rung, Instrument(lesson.player.instrument), whose)


def spot_in_force(item: PlanItem, lesson: Lesson, exercise: Exercise) -> Spot | None:
    """The chosen place, where the music of the item's rung can lie there."""
    if not item.spot:
        return None
    spot = spot_of(item.spot)
    return spot if spot in possible_spots(lesson, exercise, item.rung, item.fingers) else None


def spots_before(player_id: int, day: date) -> dict[str, list[Spot | None]]:
    """Where each exercise that was ever moved lay in the lessons before a day, the oldest first;
    None for where the step itself says."""
    earlier = PlanItem.objects.filter(plan__lesson__player=player_id, plan__lesson__date__lt=day)
    moved = earlier.filter(spot__isnull=False).order_by().values("exercise")
    found: dict[str, list[Spot | None]] = {}
    items = earlier.filter(exercise__in=moved).order_by("plan__lesson__date")
    for item in items.only("exercise", "spot"):
        found.setdefault(item.exercise, []).append(spot_of(item.spot) if item.spot else None)
    return found
