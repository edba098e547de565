"""Two pictures of one hand: what changed from one to the other, and what only seems so."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from lefthand.picture.angles import Angle, base_heights, joint_angles, other_angles
from lefthand.picture.points import Points
from lefthand.values.measures import REAL_CHANGE
from lefthand.values.said import Said, said

BASE_HEIGHT = "base_height"
# Standard error of one taking of the points by hand: degrees, or lengths of the first bone; working
# judgement beside the method's own for a joint (see METHOD_SEM).
SETTING_ERROR = 3.0
SETTING_ERROR_OF_HEIGHT = 0.08


@dataclass(frozen=True, slots=True)
class Moved:
    """One angle that both pictures tell, degrees (`base_height`: lengths of the first bone). `of`:
    a finger, two fingers as "1-2", or "hand". `give`: the least difference that counts; `leans`:
    how much of it comes from a bone that seems to point at the camera."""

    measure: str
    of: str
    before: float
    after: float
    give: float
    leans: float = 0.0

    @property
    def by(self) -> float:
        return self.after - self.before

    @property
    def is_moved(self) -> bool:
        return abs(self.by) > self.give


def moved(before: Points, after: Points) -> list[Moved]:
    """In the order of hand, then fingers. A difference counts from `REAL_CHANGE` times the error of
    one taking on: what a pixel makes and what setting the points does, in squares; where a bone may
    lean to the camera, what that may make comes on top."""
    then, now = dict(_told(before)), dict(_told(after))
    return [_moved(which, angle, now[which]) for which, angle in then.items() if which in now]


def _moved(which: tuple[str, str], one: Angle, other: Angle) -> Moved:
    measure, of = which
    setting = SETTING_ERROR_OF_HEIGHT if measure == BASE_HEIGHT else SETTING_ERROR
    of_one = math.sqrt(setting**2 + (one.uncertainty**2 + other.uncertainty**2) / 2)
    leans = max(one.may_be_off, other.may_be_off)
    return Moved(measure, of, one.value, other.value, REAL_CHANGE * of_one + leans, leans)


def _told(points: Points) -> Iterator[tuple[tuple[str, str], Angle]]:
    for measure, angles in other_angles(points).items():
        for of, angle in angles.items():
            yield (measure, of), angle
    for measure, by_finger in joint_angles(points).items():
        for finger, angle in by_finger.items():
            yield (measure, str(finger)), angle
    for finger_name, height in base_heights(points).items():
        yield (BASE_HEIGHT, finger_name), height


def moved_said(found: Sequence[Moved]) -> list[Said]:
    """What changed, a sentence each; that nothing did; or that the points tell nothing."""
    if not found:
        return [said("moved-unknown")]
    changed = [_change(each) for each in found if each.is_moved]
    still = [each for each in found if not each.is_moved]
    sure = tuple(_part(each) for each in still if not each.leans)
    unsure = [_leaning(each) for each in still if each.leans]
    if sure and not changed:
        changed = [said("moved-nothing", parts=sure)]
    return [*changed, *unsure]


def _leaning(each: Moved) -> Said:
    return said("moved-leans", part=_part(each), give=round(each.give))


def _part(each: Moved) -> Said:
    return said(f"moved-part-{each.measure.replace('_', '-')}", of=each.of)


def _change(each: Moved) -> Said:
    if each.measure == BASE_HEIGHT:
        by, give = round(100 * abs(each.by)), round(100 * each.give)
        return said("moved-height", part=_part(each), by=by, give=give)
    return said("moved-by", part=_part(each), by=round(abs(each.by)), give=round(each.give))
