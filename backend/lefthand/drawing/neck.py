"""A neck in its own frame, mm: x from the nut to the bridge, y out of the board, z to the lowest
string."""

import math
from dataclasses import dataclass

from lefthand.drawing.anatomy import NeckSize, neck_sizes
from lefthand.drawing.vectors import Vector, vector
from lefthand.values.vocabulary import Instrument

STRINGS = 4
# The neck's back is a little fuller than half an ellipse.
FULLNESS = 2 / 2.25
SLAB = 0.2  # thickness of the board by its width at the nut


@dataclass(frozen=True, slots=True)
class Neck:
    instrument: Instrument
    size: NeckSize

    @property
    def slab(self) -> float:
        return self.size.width[0] * SLAB

    def half(self, x: float) -> float:
        """Half the width of the board."""
        near, far = self.size.width
        return (near + (far - near) * x / 100) / 2

    def depth(self, x: float) -> float:
        near, far = self.size.depth
        return near + (far - near) * x / 100

    def top(self, z: float) -> float:
        """Height of the board's surface: a wide arch."""
        return -z * z / (2 * self.size.arch)

    def string_z(self, string: float, x: float) -> float:
        """String 0 is the lowest."""
        nut, bridge = self.size.spread
        return (1.5 - string) / (STRINGS - 1) * (nut + (bridge - nut) * x / self.size.string)

    def string_at(self, string: float, x: float) -> Vector:
        z = self.string_z(string, x)
        near, far = self.size.lift
        return vector((x, self.top(z) + near + (far - near) * x / 100, z))

    def stop_at(self, string: float, x: float, side: float = 0.0) -> Vector:
        """Where a fingertip presses the string to the board, or beside it by `side` mm."""
        z = self.string_z(string, x)
        return vector((x, self.top(z) + 0.9, z + side))

    def around(self, x: float, degrees: float) -> tuple[Vector, Vector]:
        """A point of the neck's side and back, and the way out of the wood there."""
        turn = math.radians(degrees)
        cosine, sine = math.cos(turn), math.sin(turn)
        width = self.half(x) * 0.97
        depth = self.depth(x) - self.slab
        z = math.copysign(width * abs(cosine) ** FULLNESS, cosine)
        y = -self.slab - max(0.0, depth * abs(sine) ** FULLNESS)
        return vector((x, y, z)), vector((0, -sine, cosine))


def neck_of(instrument: Instrument) -> Neck:
    return Neck(instrument, neck_sizes()[instrument])
