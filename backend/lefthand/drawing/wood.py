"""Neck, board, strings, peg box, scroll and the edge of the body: shapes to fill, lines, and convex
bodies that hide what lies behind them."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import shapely
from numpy.typing import NDArray

from lefthand.drawing.neck import STRINGS, Neck
from lefthand.drawing.sight import Body, Camera, faces_of
from lefthand.drawing.skeleton import Skeleton
from lefthand.drawing.vectors import Vector, cross, unit, vector
from lefthand.values.vocabulary import FINGERS

Rings = Sequence[NDArray[np.float64]]
STRING_WIDTHS = (2.4, 1.9, 1.5, 1.1)  # picture units, the lowest string first
UPPER_BOUT = (  # [mm along, half width] from the neck's end on, for a violin
    (0, 12),
    (1, 24),
    (5, 42),
    (16, 62),
    (34, 77),
    (56, 84),
    (84, 83),
    (110, 74),
    (140, 60),
)
PEG_BOX = (  # x, middle height, half height, half width
    (-5, -9.5, 9.2, 11.6),
    (-34, -13.5, 9.8, 9.4),
    (-58, -17, 8.2, 7.4),
    (-82, -21.5, 7.6, 5.8),
)
PEGS = ((-19, 1), (-33, -1), (-46, 1), (-60, -1))
TURN = np.linspace(0, 2 * np.pi, 16, endpoint=False)
SCROLL = ((-92, -13.5, 17, 7), (-91, -14, 11, 9), (-91.6, -13.6, 5, 11))


@dataclass(frozen=True, slots=True)
class Shape:
    """An area to fill, or a line where `width` is given; picture units."""

    kind: str
    points: NDArray[np.float64]
    width: float | None = None


@dataclass(frozen=True, slots=True)
class Woodwork:
    behind: tuple[Shape, ...]  # never before the hand
    neck: tuple[Shape, ...]
    bodies: tuple[Body, ...]


def woodwork_of(skeleton: Skeleton, camera: Camera) -> Woodwork:
    neck = skeleton.neck
    still = _still(neck, camera)
    strings = _strings(skeleton, camera, _far(neck, camera))
    return Woodwork(still.behind, (*still.neck, *strings), still.bodies)


def _far(neck: Neck, camera: Camera) -> float:
    """Where the drawn board ends, mm from the nut."""
    if camera.is_cut:
        return neck.size.neck * 0.86
    return neck.size.neck + (140 if neck.instrument.is_held_up else 160)


@lru_cache(maxsize=64)
def _still(neck: Neck, camera: Camera) -> Woodwork:
    """All but the strings, which fingers press down."""
    held_up = neck.instrument.is_held_up
    far = _far(neck, camera)
    board = [_board_ring(neck, x) for x in (0.0, far)]
    wood_end = far if camera.is_cut else neck.size.neck - (16 if held_up else 30)
    back = [_neck_ring(neck, x) for x in (-2.0, wood_end)]
    solids = [("neck", back), ("board", board)]
    if not camera.is_cut:
        solids.append(("neck", [_nut_ring(neck, x) for x in (-neck.size.width[0] * 0.22, 0.0)]))
    shapes: list[Shape] = []
    bodies = []
    for kind, rings in solids:
        body = _body(rings, camera)
        bodies.append(body)
        shapes.append(Shape(kind, _ring(body.shadow)))
        if kind == "board":
            shapes.append(_board_top(neck, far, camera))
    # Standing, scroll and body are out of the picture.
    is_whole = held_up and not camera.is_cut
    behind = [*_upper_bout(neck, camera), *_head(neck, camera)] if is_whole else []
    return Woodwork(tuple(behind), tuple(shapes), tuple(bodies))


def _board_ring(neck: Neck, x: float) -> NDArray[np.float64]:
    half = neck.half(x)
    z = np.linspace(half, -half, 9)
    top = -(z**2) / (2 * neck.size.arch)
    below = top[0] - neck.slab * 0.75
    ring = [(x, y, at) for y, at in zip(top, z, strict=True)]
    return np.array([*ring, (x, below, -half), (x, below, half)])


def _neck_ring(neck: Neck, x: float) -> NDArray[np.float64]:
    return np.array([neck.around(x, degrees)[0] for degrees in range(0, 181, 12)])


def _nut_ring(neck: Neck, x: float) -> NDArray[np.float64]:
    half = neck.half(0) * 0.99
    z = np.linspace(half, -half, 5)
    top = -(z**2) / (2 * neck.size.arch) + neck.size.lift[0] * 0.9
    ring = [(x, y, at) for y, at in zip(top, z, strict=True)]
    return np.array([*ring, (x, -neck.slab, -half), (x, -neck.slab, half)])


def _body(rings: Rings, camera: Camera) -> Body:
    planes = []
    for normal, limit in faces_of(rings):
        a, b, c = camera.axes @ normal
        # n . p <= limit in mm becomes a x + b y + c depth <= d in picture units.
        d = (
            (limit - normal @ camera.at) * camera.scale
            + a * camera.middle[0]
            + b * camera.middle[1]
        )
        planes.append((a, b, c, d))
    corners = camera.project(np.concatenate(rings))[:, :2]
    return Body(np.array(planes), shapely.MultiPoint(corners).convex_hull)


def rod_of(one: Vector, two: Vector, radius: float, camera: Camera) -> tuple[Shape, Body]:
    """A round stick from one point to the other; mm."""
    along = unit(two - one)
    aside = unit(cross(along, vector((0.3, 0.5, 0.8))))
    around = [aside * np.cos(t) + cross(along, aside) * np.sin(t) for t in TURN]
    body = _body([np.array([end + way * radius for way in around]) for end in (one, two)], camera)
    return Shape("neck", _ring(body.shadow)), body


def _ring(polygon: shapely.Polygon) -> NDArray[np.float64]:
    return np.asarray(polygon.exterior.coords)


def _board_top(neck: Neck, far: float, camera: Camera) -> Shape:
    near, end = _board_ring(neck, 0.0)[:9], _board_ring(neck, far)[:9]
    return Shape("board-top", camera.project(np.concatenate((near, end[::-1])))[:, :2])


def _strings(skeleton: Skeleton, camera: Camera, far: float) -> Iterator[Shape]:
    neck = skeleton.neck
    for string in range(STRINGS):
        stops = sorted(
            pose["x"]
            for n in FINGERS
            for pose in [skeleton.posture.fingers[n]]
            if pose["string"] == string and pose["hover"] < 1
        )
        line = [neck.string_at(string, x) for x in (-neck.size.width[0] * 0.2, 0.0)]
        line += [neck.stop_at(string, x) for x in stops]
        line.append(neck.string_at(string, far))
        yield Shape("string", camera.project(np.array(line))[:, :2], STRING_WIDTHS[string])


def _upper_bout(neck: Neck, camera: Camera) -> Iterator[Shape]:
    unit = neck.size.neck / 130
    edge = _smooth(np.array(UPPER_BOUT, dtype=float))
    whole = np.concatenate((edge, (edge * (1, -1))[::-1]))
    for height, kind in ((-neck.slab - 37 * unit, "body"), (-neck.slab - 10 * unit, "body")):
        points = [(neck.size.neck + x * unit, height, z * unit) for x, z in whole]
        yield Shape(kind, camera.project(np.array(points))[:, :2])


def _smooth(points: NDArray[np.float64]) -> NDArray[np.float64]:
    """More points on a soft line through those given (Catmull and Rom)."""
    padded = np.concatenate((points[:1], points, points[-1:]))
    t = np.linspace(0, 1, 6, endpoint=False)[:, None]
    pieces = []
    for a, b, c, d in zip(padded, padded[1:], padded[2:], padded[3:], strict=False):
        bent = 2 * a - 5 * b + 4 * c - d
        pieces.append(0.5 * (2 * b + (c - a) * t + bent * t**2 + (3 * b - a - 3 * c + d) * t**3))
    return np.concatenate([*pieces, points[-1:]])


def scroll_of(neck: Neck) -> Vector:
    """The middle of the scroll."""
    x, y, _, _ = SCROLL[0]
    return vector((x, y, 0)) * _unit(neck)


def _unit(neck: Neck) -> float:
    """What a millimetre of a violin's head is on this neck."""
    return neck.size.width[0] / 24


def _head(neck: Neck, camera: Camera) -> Iterator[Shape]:
    """Scroll, pegs and peg box, far to near."""
    unit = _unit(neck)
    for from_nut, side in PEGS:
        at = vector((from_nut, -14 + from_nut * 0.09, 0)) * unit
        yield _peg(at, side * unit, camera)
    box = [
        (along * unit, (y + up * h) * unit, side * w * unit)
        for along, y, h, w in PEG_BOX
        for up in (1, -1)
        for side in (1, -1)
    ]
    box_shape = shapely.MultiPoint(camera.project(np.array(box))[:, :2]).convex_hull
    yield Shape("head", _ring(box_shape))
    turn = np.linspace(0, 2 * np.pi, 32, endpoint=False)
    for index, (x, y, radius, half) in enumerate(SCROLL):
        sides = (1, -1) if index == 0 else (1,)  # of the inner turns only the near face shows
        disc = [
            ((x + radius * np.cos(t)) * unit, (y + radius * np.sin(t)) * unit, side * half * unit)
            for t in turn
            for side in sides
        ]
        outline = shapely.MultiPoint(camera.project(np.array(disc))[:, :2]).convex_hull
        yield Shape("head", _ring(outline))


def _peg(at: Vector, side: float, camera: Camera) -> Shape:
    shank = at + vector((0, 0, 27 * side))
    size = abs(side)
    corners = [at, at + vector((3, 0, 0)) * size]
    for x, y in ((-7.0, 0.0), (7, 0), (0, 3), (0, -3), (-5, 2), (5, 2), (5, -2), (-5, -2)):
        corners.append(shank + vector((x, y, 0)) * size)
        corners.append(shank + vector((x * 0.5, y * 0.5, 8 * np.sign(side))) * size)
    seen = camera.project(np.array(corners))[:, :2]
    return Shape("head", _ring(shapely.MultiPoint(seen).convex_hull))
