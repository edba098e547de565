"""The span of a hand in mm, from a picture in which the string is seen from nut to bridge."""

import math

from lefthand.picture.angles import PIXEL, Angle
from lefthand.picture.points import Points
from lefthand.values.errors import InputError

STRING = ("string.nut", "string.bridge")
SPAN = ("span.a", "span.b")


def span_of(points: Points, string_length: float) -> Angle:
    """The distance between the two touches of a span, mm, the string from nut to bridge being
    `string_length` mm long. The uncertainty is what one pixel makes; a board that leans towards
    the camera makes more and is not noticed. Raises InputError naming the missing point."""
    for name in (*STRING, *SPAN):
        if name not in points.at:
            raise InputError(f"points.{name}", "is missing")
    nut, bridge, one, other = (points.at[name] for name in (*STRING, *SPAN))
    string, span = nut.to(bridge).length, one.to(other).length
    if string < PIXEL or span < PIXEL:
        raise InputError("points", "two of them are nearer than a pixel")
    # Relative errors of two lengths add as squares; each end of a length counts.
    relative = math.sqrt(2) * PIXEL * math.hypot(1 / string, 1 / span)
    value = string_length * span / string
    return Angle(value, value * relative)
