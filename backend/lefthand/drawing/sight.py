"""What is seen from where: a camera far away (parallel rays), and how near each surface is.

Picture units: x to the right, y down, and depth towards the eye, all in the same scale.
"""

import itertools
import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from lefthand.drawing.vectors import Vector, cross, turned, unit, vector

Points = NDArray[np.float64]  # rows of x, y
FAR = -1e6


@dataclass(frozen=True, slots=True, eq=False)
class Camera:
    axes: NDArray[np.float64]  # rows: right, down, towards the eye
    at: Vector
    middle: tuple[float, float]
    scale: float
    field: tuple[float, float]
    is_cut: bool = False

    def project(self, points: NDArray[np.float64]) -> NDArray[np.float64]:
        """Rows of x, y, z in mm to rows of x, y, depth in picture units; more columns (a radius)
        are scaled."""
        seen = np.array(points, dtype=float)
        seen[..., :3] = (points[..., :3] - self.at) @ self.axes.T
        seen *= self.scale
        seen[..., 0] += self.middle[0]
        seen[..., 1] += self.middle[1]
        return seen


def camera_of(view: dict[str, Any], *, held_up: bool, tilt: float = 0.0) -> Camera:
    """The camera of a view in views.yaml.

    Held up, `turn` starts at the scroll's end and goes to the low string, `height` is over the
    board; standing, `turn` starts straight before the board and `height` goes to the scroll."""
    turn, height = math.radians(view["turn"]), math.radians(view["height"])
    if held_up:
        toward = vector(
            (
                -math.cos(turn) * math.cos(height),
                math.sin(height),
                math.sin(turn) * math.cos(height),
            )
        )
        up = vector((0, 1, 0))
    else:
        toward = vector(
            (
                -math.sin(height),
                math.cos(turn) * math.cos(height),
                math.sin(turn) * math.cos(height),
            )
        )
        up = vector((-1, 0, 0))
    right = unit(cross(up, toward))
    top = cross(toward, right)
    roll = view["roll"] - tilt
    right, top = turned(right, toward, roll), turned(top, toward, roll)
    width, height_px = view["field"]
    return Camera(
        np.array((right, -top, toward)),
        vector(view["at"]),
        (width * view["middle"][0], height_px * view["middle"][1]),
        view["scale"],
        (width, height_px),
        bool(view.get("cut")),
    )


def nearest(points: Points, balls: NDArray[np.float64]) -> NDArray[np.float64]:
    """How near the surface of projected balls comes at each point; FAR where none lies there."""
    near = np.full(len(points), FAR)
    if not len(balls) or not len(points):
        return near
    low = (balls[:, :2] - balls[:, 3:]).min(axis=0)
    high = (balls[:, :2] + balls[:, 3:]).max(axis=0)
    inside = np.flatnonzero(((points >= low) & (points <= high)).all(axis=1))
    if not len(inside):
        return near
    left = balls[:, 3] ** 2 - _squared_distances(points[inside], balls)
    misses = left <= 0
    np.maximum(left, 0, out=left)
    np.sqrt(left, out=left)
    left += balls[:, 2]
    left[misses] = FAR
    near[inside] = left.max(axis=1)
    return near


def on_outline(
    points: Points, balls: NDArray[np.float64]
) -> tuple[NDArray[np.float64], NDArray[np.intp]]:
    """For points on the outline of balls: the depth there, and the ball each lies on."""
    gap = _squared_distances(points, balls)
    np.maximum(gap, 0, out=gap)
    np.sqrt(gap, out=gap)
    gap -= balls[:, 3]
    closest = gap.argmin(axis=1)
    return balls[closest, 2], closest


def _squared_distances(points: Points, balls: NDArray[np.float64]) -> NDArray[np.float64]:
    """In the picture, from every point to every ball's middle: one product instead of two
    differences, which is what makes a drawing quick."""
    middles = balls[:, :2]
    squared = points @ (-2 * middles.T)
    squared += (middles**2).sum(axis=1)
    squared += (points**2).sum(axis=1)[:, None]
    return squared


@dataclass(frozen=True, slots=True)
class Body:
    """A convex body of wood, seen: its planes (a x + b y + c depth <= d) and its shadow."""

    planes: NDArray[np.float64]
    shadow: Any  # shapely polygon

    def nearest(self, points: Points) -> NDArray[np.float64]:
        a, b, c, d = self.planes.T
        rest = d - points[:, :1] * a - points[:, 1:] * b
        facing, behind, edge = c > 1e-6, c < -1e-6, np.abs(c) <= 1e-6
        front = (rest[:, facing] / c[facing]).min(axis=1)
        back = (rest[:, behind] / c[behind]).max(axis=1)
        is_hit = (front > back) & (rest[:, edge] >= 0).all(axis=1)
        return np.where(is_hit, front, FAR)


def faces_of(rings: Sequence[NDArray[np.float64]]) -> list[tuple[Vector, float]]:
    """The planes of a convex body that is spanned by rings of points: normals outwards."""
    corners = np.concatenate(rings)
    middle = corners.mean(axis=0)
    faces = []

    def add(a: Vector, b: Vector, c: Vector) -> None:
        normal = np.cross(b - a, c - a)
        size = np.linalg.norm(normal)
        if size < 1e-9:
            return
        normal = normal / size
        if normal @ (middle - a) > 0:
            normal = -normal
        faces.append((normal, float((corners @ normal).max())))

    for here, there in itertools.pairwise(rings):
        for k in range(len(here)):
            after = (k + 1) % len(here)
            add(here[k], here[after], there[k])
    for ring in (rings[0], rings[-1]):
        add(ring[0], ring[len(ring) // 3], ring[2 * len(ring) // 3])
    return faces
