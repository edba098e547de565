"""Point lists as SVG path data: smooth cubics through few points, numbers with one decimal."""

import itertools

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry.polygon import orient

TOLERANCE = 0.2  # picture units that a simplified line may stray


def polygon_path(shape: shapely.Geometry) -> str:
    """An area as straight pieces, its outside one way round and its holes the other, so that areas
    over each other fill as one; empty for nothing."""
    found = []
    pieces = [piece for piece in getattr(shape, "geoms", [shape]) if not piece.is_empty]
    for polygon in map(orient, pieces):
        for ring in (polygon.exterior, *polygon.interiors):
            found.append(straight_path(np.asarray(ring.simplify(TOLERANCE).coords)) + "Z")
    return "".join(found)


def straight_path(points: NDArray[np.float64]) -> str:
    return "M" + "L".join(f"{_n(x)} {_n(y)}" for x, y in points)


def smooth_path(points: NDArray[np.float64], *, is_closed: bool = False) -> str:
    """A soft line: the points that matter (Douglas and Peucker), joined by cubics whose directions
    come from all points (Hermite)."""
    if is_closed:
        points = np.concatenate((points, points[:1]))
    if len(points) < 3:
        return straight_path(points)
    if is_closed:
        around = np.concatenate((points[-2:-1], points, points[1:2]))
        slope = around[2:] - around[:-2]
    else:
        slope = np.gradient(points, axis=0)
    size = np.hypot(*slope.T)
    slope = slope / np.where(size, size, 1)[:, None]
    kept = _kept(points)
    parts = [f"M{_n(points[0][0])} {_n(points[0][1])}"]
    for a, b in itertools.pairwise(kept):
        third = np.hypot(*(points[b] - points[a])) / 3
        one, two = points[a] + slope[a] * third, points[b] - slope[b] * third
        parts.append("C" + " ".join(f"{_n(x)} {_n(y)}" for x, y in (one, two, points[b])))
    return "".join(parts) + ("Z" if is_closed else "")


def _kept(points: NDArray[np.float64]) -> list[int]:
    """Indices of the points that a simplified line keeps."""
    simple = shapely.LineString(points).simplify(TOLERANCE * 2)
    wanted = np.asarray(simple.coords)
    kept = []
    at = 0
    for x, y in wanted:
        while at < len(points) and not (points[at][0] == x and points[at][1] == y):
            at += 1
        kept.append(min(at, len(points) - 1))
    return kept


def _n(value: float) -> str:
    text = f"{value:.1f}"
    return text[:-2] if text.endswith(".0") else text
