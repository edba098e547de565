"""Lines and areas of a hand, with what is hidden left out.

Method: a part's shadow is the union of its patches' hulls. Its edge is drawn where nothing lies
before it and where what lies behind it is far enough below: a finger over the palm needs a step of
some mm, two parts of one finger less, hand over wood or air none. Depths come from the balls
themselves, so that lines are smooth at any size and nothing depends on a grid.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field

import numpy as np
import shapely
from numpy.typing import NDArray

from lefthand.drawing.flesh import PALM, STUB, THUMB, Part
from lefthand.drawing.sight import FAR, Camera, Points, nearest, on_outline
from lefthand.drawing.wood import Woodwork

STEP = 2.4  # picture units between two samples of an edge
CLOSING = 4.0  # mm: hollows narrower than twice this are skin
CIRCLE = 6  # segments of a quarter circle
SOFT = 1.7  # samples: what of an edge's corners is rounded off (standard deviation)
# mm that a surface must lie below an edge for the edge to be drawn.
PALM_BELOW = 3.4
THUMB_OVER_PALM = 6.0
SAME_LIMB = 2.4
OTHER_FINGER = 1.0
HIDES = 0.7  # mm that something must stand before an edge to hide it
HIDES_OWN = 2.2  # the same between two parts of one limb, whose edges meet at the joint
SHORTEST = 5  # samples of a line
GAP = 5  # samples that are bridged
JOIN = 12.0  # picture units between the ends of two lines that become one
SAME_WAY = 0.75  # cosine of the angle between them
TAIL = 6  # samples at an end that may lie over the other line
NEAR_PALM_EDGE = 1.6  # mm: there the palm draws the edge
_OFFSETS = np.arange(-5, 6)
SOFTENED = np.exp(-(_OFFSETS**2) / (2 * SOFT**2))
SOFTENED /= SOFTENED.sum()
_TURN = np.linspace(0, 2 * np.pi, 4 * CIRCLE, endpoint=False)
RIM = np.stack((np.cos(_TURN), np.sin(_TURN)), axis=1)


@dataclass(frozen=True, slots=True)
class Seen:
    """A part in picture units."""

    part: Part
    balls: NDArray[np.float64]
    crowd: NDArray[np.float64]
    hulls: NDArray[np.object_]
    shadow: shapely.Geometry


@dataclass(slots=True)
class Scene:
    """All that is seen from one place."""

    camera: Camera
    parts: list[Seen]
    wood: Woodwork
    palm_edge: shapely.Geometry = field(init=False)

    def __post_init__(self) -> None:
        self.palm_edge = self.parts[0].shadow.boundary
        shapely.prepare(self.palm_edge)

    def wood_nearest(self, points: Points) -> NDArray[np.float64]:
        near = np.full(len(points), FAR)
        for body in self.wood.bodies:
            near = np.maximum(near, body.nearest(points))
        return near

    def flesh_nearest(self, points: Points) -> NDArray[np.float64]:
        near = np.full(len(points), FAR)
        for seen in self.parts:
            near = np.maximum(near, nearest(points, seen.crowd))
        return near


@dataclass(frozen=True, slots=True)
class Line:
    points: NDArray[np.float64]
    is_closed: bool
    is_hidden: bool = False


def scene_of(parts: Sequence[Part], wood: Woodwork, camera: Camera) -> Scene:
    return Scene(camera, [_see(part, camera) for part in parts], wood)


def _see(part: Part, camera: Camera) -> Seen:
    balls = camera.project(part.balls)
    rims = balls[:, None, :2] + balls[:, None, 3:] * RIM
    members = np.concatenate([np.array(patch) for patch in part.patches])
    sizes = [len(patch) * len(RIM) for patch in part.patches]
    groups = np.repeat(np.arange(len(sizes)), sizes)
    points = shapely.points(rims[members].reshape(-1, 2))
    hulls = shapely.convex_hull(shapely.multipoints(points, indices=groups))
    shadow = shapely.union_all(hulls)
    if part.limb == PALM:
        close = CLOSING * camera.scale
        shadow = shadow.buffer(close, quad_segs=CIRCLE).buffer(-close, quad_segs=CIRCLE)
    return Seen(part, balls, camera.project(part.crowd), hulls, shadow)


def rings_of(shape: shapely.Geometry) -> Iterator[NDArray[np.float64]]:
    """Every ring of an area, holes too."""
    for polygon in getattr(shape, "geoms", [shape]):
        if polygon.is_empty:
            continue
        for ring in (polygon.exterior, *polygon.interiors):
            yield np.asarray(ring.coords)


def edges_of(scene: Scene) -> list[Line]:
    """The lines of the hand: solid where seen, and the thumb's where only wood hides them."""
    edge = _gather(scene)
    drawn, hidden = _visible(scene, edge)
    solid: list[Line] = []
    dashed: list[Line] = []
    for start, end in edge.rings:
        for run, closed in runs_of(drawn[start:end]):
            solid.append(Line(edge.points[start:end][run], closed))
        for run, closed in runs_of(hidden[start:end]):
            dashed.append(Line(edge.points[start:end][run], closed, is_hidden=True))
    return [*stitched(solid), *dashed]


@dataclass(frozen=True, slots=True)
class _Edges:
    """The sampled edges of all parts, one after another."""

    points: Points
    depth: NDArray[np.float64]
    owner: NDArray[np.intp]
    along: NDArray[np.float64]
    rings: list[tuple[int, int]]


def _gather(scene: Scene) -> _Edges:
    points, depths, owners, along = [], [], [], []
    rings = []
    count = 0
    for index, seen in enumerate(scene.parts):
        for ring in rings_of(seen.shadow):
            sampled = _sampled(ring)
            if len(sampled) < SHORTEST:
                continue
            depth, ball = on_outline(sampled, seen.crowd)
            points.append(sampled)
            depths.append(depth)
            along.append(seen.part.along[ball])
            owners.append(np.full(len(sampled), index))
            rings.append((count, count + len(sampled)))
            count += len(sampled)
    return _Edges(
        np.concatenate(points),
        np.concatenate(depths),
        np.concatenate(owners),
        np.concatenate(along),
        rings,
    )


def _sampled(ring: NDArray[np.float64]) -> NDArray[np.float64]:
    """The ring at even steps, without its last point again."""
    steps = np.hypot(*np.diff(ring, axis=0).T)
    way = np.concatenate(([0.0], np.cumsum(steps)))
    count = round(way[-1] / STEP)
    at = np.linspace(0, way[-1], count, endpoint=False)
    even = np.stack([np.interp(at, way, ring[:, k]) for k in range(2)], axis=1)
    if count <= 2 * len(SOFTENED):
        return even
    reach = len(SOFTENED) // 2
    around = np.concatenate((even[-reach:], even, even[:reach]))
    return np.stack([np.convolve(around[:, k], SOFTENED, "valid") for k in range(2)], axis=1)


def _visible(scene: Scene, edge: _Edges) -> tuple[NDArray[np.bool_], NDArray[np.bool_]]:
    """For every point of the edges: whether it is drawn, and whether it is drawn as hidden."""
    scale = scene.camera.scale
    blocked = np.zeros(len(edge.points), dtype=bool)
    drawn = _in_field(scene.camera, edge.points)
    of_palm = edge.owner == 0
    for index, other in enumerate(scene.parts):
        # The palm has taken up the first bit of each limb itself.
        taken = 1 if other.part.limb == THUMB else STUB
        for mine, crowd in (
            (~of_palm & (edge.owner != index), other.crowd),
            (of_palm & (index != 0), other.crowd[other.part.along >= taken]),
        ):
            at = np.flatnonzero(mine)
            near = nearest(edge.points[at], crowd)
            there = near > FAR
            at, near = at[there], near[there]
            if not len(at):
                continue
            own = edge.depth[at]
            rules = np.array([_rules(seen.part, other.part) for seen in scene.parts]) * scale
            hides, step = rules[edge.owner[at]].T
            blocked[at] |= near > own + hides
            drawn[at] &= near < own - step
    drawn &= ~_drawn_by_palm(scene, edge)
    behind_wood = scene.wood_nearest(edge.points) > edge.depth + HIDES * scale
    thumbs = np.array([seen.part.limb == THUMB for seen in scene.parts])
    shown = drawn & ~blocked
    return shown & ~behind_wood, shown & behind_wood & thumbs[edge.owner]


def _drawn_by_palm(scene: Scene, edge: _Edges) -> NDArray[np.bool_]:
    """Where a limb grows out of the palm and lies along the palm's own edge."""
    taken = np.array([0.85 if seen.part.limb == THUMB else STUB - 0.03 for seen in scene.parts])
    at = np.flatnonzero((edge.owner != 0) & (edge.along < taken[edge.owner]))
    gap = shapely.distance(scene.palm_edge, shapely.points(edge.points[at]))
    same = np.zeros(len(edge.points), dtype=bool)
    same[at[gap < NEAR_PALM_EDGE * scene.camera.scale]] = True
    return same


def _rules(front: Part, behind: Part) -> tuple[float, float]:
    """How far something must stand before an edge to hide it, and how far below it something must
    lie for it to be drawn, mm."""
    if front.limb == behind.limb:
        return HIDES_OWN, SAME_LIMB
    if PALM in (front.limb, behind.limb):
        return HIDES, THUMB_OVER_PALM if THUMB in (front.limb, behind.limb) else PALM_BELOW
    return HIDES, OTHER_FINGER


def _in_field(camera: Camera, points: Points) -> NDArray[np.bool_]:
    width, height = camera.field
    x, y = points.T
    edge = 6
    inside = (x > -edge) & (x < width + edge) & (y > -edge) & (y < height + edge)
    return np.asarray(inside)


def runs_of(mask: NDArray[np.bool_]) -> Iterator[tuple[NDArray[np.intp], bool]]:
    """Stretches of a closed ring where the mask holds, in order; small gaps bridged, crumbs left
    out. The flag says that the whole ring is one."""
    count = len(mask)
    if not mask.any():
        return
    if mask.all():
        yield np.arange(count), True
        return
    start = int(np.flatnonzero(~mask)[0])
    order = np.roll(np.arange(count), -start)
    on = mask[order]
    edges = np.flatnonzero(np.diff(np.concatenate(([0], on.astype(int), [0]))))
    runs = [(int(a), int(b)) for a, b in edges.reshape(-1, 2)]
    merged = [runs[0]]
    for a, b in runs[1:]:
        if a - merged[-1][1] <= GAP:
            merged[-1] = (merged[-1][0], b)
        else:
            merged.append((a, b))
    for a, b in merged:
        if b - a >= SHORTEST:
            yield order[a:b], False


def stitched(lines: list[Line]) -> list[Line]:
    """Lines whose ends nearly meet and go the same way become one."""
    loose = [line.points for line in lines if not line.is_closed]
    done = [line for line in lines if line.is_closed]
    while loose:
        line = loose.pop(0)
        joined = True
        while joined:
            joined = False
            for index, other in enumerate(loose):
                both = _joined(line, other)
                if both is not None:
                    line = both
                    loose.pop(index)
                    joined = True
                    break
        done.append(Line(line, False))
    return done


def _joined(one: NDArray[np.float64], two: NDArray[np.float64]) -> NDArray[np.float64] | None:
    ends = np.array((one[0], one[-1]))
    others = np.array((two[0], two[-1]))
    if np.abs(ends[:, None] - others).max(axis=2).min() > JOIN * 2:
        return None
    for a in (one, one[::-1]):
        for b in (two, two[::-1]):
            tail, head = a[-TAIL:], b[:TAIL]
            if np.abs(tail[-1] - head[0]).max() > JOIN * 2:
                continue
            gaps = np.hypot(*(tail[:, None] - head[None]).transpose(2, 0, 1))
            i, j = np.unravel_index(gaps.argmin(), gaps.shape)
            way_out = a[-1] - a[-min(len(a), 4)]
            way_in = b[min(len(b), 4) - 1] - b[0]
            same = way_out @ way_in / (np.hypot(*way_out) * np.hypot(*way_in) + 1e-9)
            if gaps[i, j] < JOIN and same > SAME_WAY and _leads_over(tail[i], head[j], way_out):
                cut = len(a) - len(tail) + i + 1
                return np.concatenate((a[:cut], b[j:]))
    return None


def _leads_over(
    end: NDArray[np.float64], start: NDArray[np.float64], way: NDArray[np.float64]
) -> bool:
    """True where the gap lies in the line's own direction, or is none to speak of."""
    gap = start - end
    size = float(np.hypot(*gap))
    return size < STEP or float(gap @ way) > SAME_WAY * size * float(np.hypot(*way))


# ------------------------------------------------------------------ areas


def skin_of(scene: Scene) -> tuple[list[shapely.Geometry], list[shapely.Geometry]]:
    """The skin behind the wood and the skin before it, areas to fill that may lie over each other.

    A part that has wood before it at one place and behind it at another is split into patches."""
    wood = shapely.union_all([body.shadow for body in scene.wood.bodies] or [shapely.Point()])
    behind: list[shapely.Geometry] = []
    before: list[shapely.Geometry] = []
    for seen in scene.parts:
        common = shapely.intersection(seen.hulls, wood)
        shared = shapely.area(common) > 1
        at = shapely.get_coordinates(shapely.point_on_surface(common[shared]))
        is_before = nearest(at, seen.crowd) >= scene.wood_nearest(at)
        if is_before.all():
            before.append(seen.shadow)
        elif not is_before.any():
            behind.append(seen.shadow)
        else:
            hulls = seen.hulls[shared]
            behind.append(shapely.union_all([*seen.hulls[~shared], *hulls[~is_before]]))
            before.append(shapely.union_all([*seen.hulls[~shared], *hulls[is_before]]))
    return behind, before
