"""Angles of the hand in the plane of a picture, each with the error that one pixel makes.

Flexion is positive, past straight negative. Which way a finger flexes in a picture is told by the
string, towards which fingers bend; without one by the way the middle joints bend.
"""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

from lefthand.picture.foreshortening import Leaning
from lefthand.picture.points import FINGER_CHAIN, Point, Points
from lefthand.values.vocabulary import FINGERS

PIXEL = 1.0
# Mean sine between finger and string under which the string does not tell the way of flexion.
TELLS_FROM = 0.2


@dataclass(frozen=True, slots=True)
class Angle:
    """value, uncertainty (one standard deviation, one pixel in every coordinate of every point):
    degrees, or the unit of the measure. may_be_off: degrees by which the true angle may differ
    because bones lean towards or away from the camera; 0 where they do not seem to."""

    value: float
    uncertainty: float
    may_be_off: float = 0.0


def joint_angles(points: Points) -> Mapping[str, Mapping[int, Angle]]:
    """`tip_angle` and `middle_angle` by finger, of the joints whose three points are set. Without a
    string, and with no middle joint bent, nothing tells the sign: no angle then."""
    way = flexion_way(points)
    leaning = Leaning(points)
    found: dict[str, dict[int, Angle]] = {}
    if way == 0:
        return found
    for measure, places in (("tip_angle", FINGER_CHAIN[1:]), ("middle_angle", FINGER_CHAIN[:3])):
        for finger in FINGERS:
            path = points.path(*(f"{finger}.{place}" for place in places))
            if path is not None:
                angle = bend(path, way)
                off = leaning.may_be_off(finger, places, angle.value)
                angle = Angle(angle.value, angle.uncertainty, off)
                found.setdefault(measure, {})[finger] = angle
    return found


def flexion_way(points: Points) -> int:
    """1 where flexion turns clockwise as seen on the screen, -1 the other way, 0 for unknown."""
    first = [p for f in FINGERS if (p := points.path(f"{f}.base", f"{f}.middle"))]
    last = [p for f in FINGERS if (p := points.path(f"{f}.middle", f"{f}.tip_joint"))]
    told = _told_by_string(points, first) or _told_by_string(points, last)
    if told:
        return told
    middle = [points.path(*(f"{f}.{place}" for place in FINGER_CHAIN[:3])) for f in FINGERS]
    return _sign(sum(bend(path, 1).value for path in middle if path is not None))


def _told_by_string(points: Points, bones: Sequence[tuple[Point, ...]]) -> int:
    string = points.path("string.a", "string.b")
    if string is None or not bones:
        return 0
    sines = [_sine(start.to(end), _to_line(end, *string)) for start, end in bones]
    mean = sum(sines) / len(sines)
    return _sign(mean) if abs(mean) >= TELLS_FROM else 0


def _sine(one: Point, other: Point) -> float:
    size = one.length * other.length
    return one.cross(other) / size if size else 0.0


def _to_line(point: Point, a: Point, b: Point) -> Point:
    """From a point straight to the line through a and b."""
    along = a.to(b)
    share = a.to(point).dot(along) / along.dot(along)
    return point.to(Point(a.x + share * along.x, a.y + share * along.y))


def _sign(value: float) -> int:
    return 0 if value == 0 else int(math.copysign(1, value))


def bend(path: Sequence[Point], way: int) -> Angle:
    """How far the second of two bones turns from the first; `way` is that of flexion."""
    before, after = (a.to(b) for a, b in pairwise(path))
    return Angle(way * before.turn_to(after), _pixel_error(before, after))


def _pixel_error(before: Point, after: Point) -> float:
    """Error of the angle at a joint, degrees, with each of the three points off by one pixel in
    each coordinate at random: the law of error propagation for atan2. The joint itself moves both
    bones, which is the cosine's term."""
    one, other = 1 / before.length, 1 / after.length
    cosine = math.cos(math.radians(before.turn_to(after)))
    variance = 2 * one**2 + 2 * other**2 + 2 * one * other * cosine
    return math.degrees(PIXEL * math.sqrt(variance))


def other_angles(points: Points) -> Mapping[str, Mapping[str, Angle]]:
    """`wrist_line` (bent towards the palm positive), `thumb_opening` between the thumb's first bone
    (the whole thumb where its joint is not set) and the index from its base knuckle, `gap` between
    fingers that are neighbours; of what is set."""
    found: dict[str, Mapping[str, Angle]] = {}
    for name, angles in (
        ("wrist_line", _wrist_line(points)),
        ("thumb_opening", _thumb_opening(points)),
        ("gap", _gaps(points)),
    ):
        if angles:
            found[name] = angles
    return found


def _wrist_line(points: Points) -> dict[str, Angle]:
    arm = points.path("elbow", "wrist")
    bases = [points.at[f"{f}.base"] for f in FINGERS if f"{f}.base" in points.at]
    way = flexion_way(points)
    if arm is None or not bases or way == 0:
        return {}
    middle = Point(sum(b.x for b in bases) / len(bases), sum(b.y for b in bases) / len(bases))
    return {} if middle == arm[1] else {"hand": bend((*arm, middle), way)}


def _thumb_opening(points: Points) -> dict[str, Angle]:
    first_end = "thumb.joint" if "thumb.joint" in points.at else "thumb.tip"
    path = points.path("thumb.base", first_end, "1.base")
    if path is None or path[0] == path[2]:
        return {}
    thumb, finger = path[0].to(path[1]), path[0].to(path[2])
    return {"hand": _between(thumb, finger, is_shared=True)}


def _gaps(points: Points) -> dict[str, Angle]:
    gaps = {}
    for one, other in pairwise(FINGERS):
        first, second = (points.path(f"{f}.base", f"{f}.tip") for f in (one, other))
        if first and second:
            gaps[f"{one}-{other}"] = _between(first[0].to(first[1]), second[0].to(second[1]))
    return gaps


def _between(one: Point, other: Point, *, is_shared: bool = False) -> Angle:
    """The angle between two directions, 0..180; `is_shared`: they begin in one and the same
    point."""
    a, b = 1 / one.length, 1 / other.length
    angle = abs(one.turn_to(other))
    shared = 2 * a * b * math.cos(math.radians(angle)) if is_shared else 0.0
    return Angle(angle, math.degrees(PIXEL * math.sqrt(2 * a**2 + 2 * b**2 - shared)))


def base_heights(points: Points) -> Mapping[str, Angle]:
    """How high each base knuckle stands over the line of the string, in lengths of that finger's
    first bone; under the line is negative. Of fingers whose base and middle joint are set."""
    string = points.path("string.a", "string.b")
    heights: dict[str, Angle] = {}
    for finger in FINGERS:
        bone = points.path(f"{finger}.base", f"{finger}.middle")
        if string is None or bone is None:
            continue
        base, middle = bone
        away, first = _to_line(base, *string).length, base.to(middle).length
        is_over = _is_over(points, base, string)
        # The knuckle moves both height and bone; a string that was set long adds little.
        error = PIXEL * math.sqrt(1 + 1 / 2 + 2 * (away / first) ** 2) / first
        heights[str(finger)] = Angle(away / first if is_over else -away / first, error)
    return heights


def _is_over(points: Points, base: Point, string: tuple[Point, ...]) -> bool:
    """Knuckles stand on the side from which fingers bend to the string; the side of the middle
    joints tells it, as a finger that is down arches over its string."""
    a, b = string
    along = a.to(b)
    arches = [points.at[f"{f}.middle"] for f in FINGERS if f"{f}.middle" in points.at]
    side = sum(along.cross(a.to(arch)) for arch in arches)
    return along.cross(a.to(base)) * side >= 0


def elbow_offset(points: Points) -> Angle | None:
    """Hand-widths from the plumb line through the base of the fourth to the elbow, in a picture
    from the front that is not mirrored; outward, to the player's left, is positive. The width of
    the hand is taken from the base of the first to that of the fourth. Violin and viola only."""
    path = points.path("1.base", "4.base", "elbow")
    if path is None or not points.instrument.is_held_up:
        return None
    first, fourth, elbow = path
    width = first.to(fourth).length
    offset = (elbow.x - fourth.x) / width
    # The base of the fourth moves both the plumb line and the width: the last term.
    shared = 2 * offset * first.to(fourth).x / width
    return Angle(offset, PIXEL * math.sqrt(2 + 2 * offset**2 + shared) / width)
