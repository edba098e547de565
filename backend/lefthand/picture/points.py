"""Points set by hand on a picture: `jolf-points/1`."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from lefthand.values.errors import InputError
from lefthand.values.fields import Fields, read_number
from lefthand.values.vocabulary import FINGERS, Instrument

POINTS_FORMAT = "jolf-points/1"
LARGEST_SIDE = 100_000
# From the hand outwards; every two that follow are the ends of one bone.
FINGER_CHAIN = ("base", "middle", "tip_joint", "tip")
THUMB_CHAIN = ("base", "joint", "tip")
NAMES = (
    *(f"{finger}.{place}" for finger in FINGERS for place in FINGER_CHAIN),
    *(f"thumb.{place}" for place in THUMB_CHAIN),
    *("wrist", "elbow", "string.a", "string.b"),
    *("string.nut", "string.bridge", "span.a", "span.b"),
)


@dataclass(frozen=True, slots=True)
class Point:
    """Pixels from the upper left corner, x to the right, y down."""

    x: float
    y: float

    def to(self, other: "Point") -> "Point":
        return Point(other.x - self.x, other.y - self.y)

    @property
    def length(self) -> float:
        return math.hypot(self.x, self.y)

    def cross(self, other: "Point") -> float:
        """Positive where the other lies clockwise as seen on the screen."""
        return self.x * other.y - self.y * other.x

    def dot(self, other: "Point") -> float:
        return self.x * other.x + self.y * other.y

    def turn_to(self, other: "Point") -> float:
        """Degrees from this direction to the other, -180..180, clockwise as seen positive."""
        return math.degrees(math.atan2(self.cross(other), self.dot(other)))


@dataclass(frozen=True, slots=True)
class Points:
    instrument: Instrument
    at: Mapping[str, Point]

    def path(self, *names: str) -> tuple[Point, ...] | None:
        """The points of these names; None where one is missing."""
        found = [self.at[name] for name in names if name in self.at]
        return tuple(found) if len(found) == len(names) else None


def parse_points(data: Any) -> Points:
    """Raises InputError naming the field: an unknown name, a point outside the picture, two that
    are one and the same."""
    fields = Fields(data)
    if fields.text("format") != POINTS_FORMAT:
        raise InputError("format", f"expected {POINTS_FORMAT!r}")
    instrument = fields.choice("instrument", Instrument)
    width = fields.whole("width", 1, LARGEST_SIDE)
    height = fields.whole("height", 1, LARGEST_SIDE)
    raw = fields.mapping("points")
    fields.done()
    return points_of(instrument, width, height, raw)


def points_of(instrument: Instrument, width: int, height: int, raw: Mapping[str, Any]) -> Points:
    """Points by name as [x, y] on a picture of that size. Raises InputError as `parse_points`."""
    at: dict[str, Point] = {}
    for name, value in raw.items():
        point = _point(f"points.{name}", name, value, width, height)
        for other, there in at.items():
            if there == point and _must_differ(other, name):
                raise InputError(f"points.{name}", f"is at the same place as {other}")
        at[name] = point
    return Points(instrument, at)


def _point(where: str, name: str, value: Any, width: int, height: int) -> Point:
    if name not in NAMES:
        raise InputError(where, "unknown point")
    if not isinstance(value, list | tuple) or len(value) != 2:
        raise InputError(where, "expected two numbers, x and y")
    x, y = value
    return Point(read_number(where, x, 0, width), read_number(where, y, 0, height))


def _must_differ(one: str, other: str) -> bool:
    """Two ends of one limb, line or width; other parts of the hand may lie over each other."""
    limbs = {one.partition(".")[0], other.partition(".")[0]}
    is_width = {one, other} == {"1.base", "4.base"}
    return len(limbs) == 1 or limbs == {"wrist", "elbow"} or is_width
