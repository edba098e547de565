"""What lies on the skin: creases, nails and strain marks."""

import math
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
import shapely
from numpy.typing import NDArray

from lefthand.drawing.outlines import SHORTEST, Scene
from lefthand.drawing.skeleton import Limb, Skeleton
from lefthand.drawing.vectors import Vector, unit
from lefthand.values.vocabulary import FINGERS

SUNK = 1.6  # mm that a fold may lie under the skin and still be seen
LEAST_FOLD = math.radians(18)
FOLD_POINTS = 21
SHORTEST_FOLD = 8.0  # picture units
NAIL_POINTS = 32
NAIL_WIDTH = 0.72  # half of it, as an angle round the finger
NAIL_SUNK = 2.0  # mm
LEAST_NAIL = 0.55  # share of the rim that must show
PALE_FROM = 0.5
# From how much strain on a stroke stands, and the next, and the next.
STRAIN_STEPS = (0.3, 0.3, 0.6, 0.9)
STRAIN_LENGTH = 11.0
STRAIN_RADIUS = 15.0
BACK_DEPTH = 11.0  # mm from the bones of the hand to the skin of its back


@dataclass(frozen=True, slots=True)
class Mark:
    kind: str
    points: NDArray[np.float64]
    is_closed: bool = False


def details_of(scene: Scene, skeleton: Skeleton) -> Iterator[Mark]:
    limbs = [*skeleton.fingers.values(), skeleton.thumb]
    folds = [
        _fold(limb, joint, radius)
        for limb in limbs
        for joint, radius in ((1, 8.0), (2, 6.6))
        if _bend(limb, joint) >= LEAST_FOLD
    ]
    yield from _creases(scene, folds)
    yield from _nails(scene, skeleton)
    yield from _strain(scene, skeleton)


def _bend(limb: Limb, joint: int) -> float:
    cosine = float(limb.frames[joint - 1].along @ limb.frames[joint].along)
    return math.acos(max(-1.0, min(1.0, cosine)))


def _fold(limb: Limb, joint: int, radius: float) -> NDArray[np.float64]:
    """The fold on the palm side of a bent joint, where the flesh of two bones meets. For two round
    bones that is half an ellipse in the plane between them, radius over cos(bend / 2) deep."""
    before, after = limb.frames[joint - 1], limb.frames[joint]
    bend = _bend(limb, joint)
    deep = radius * limb.breadth / math.cos(bend / 2) * 0.96
    inner = -unit(before.back + after.back)
    turn = np.linspace(-1, 1, FOLD_POINTS) * (0.55 + 0.25 * bend)
    side = before.side * (radius * limb.breadth)
    at = limb.joints[joint]
    around = np.outer(np.cos(turn), inner * deep) + np.outer(np.sin(turn), side)
    return np.asarray(at + around)


def _creases(scene: Scene, lines: list[NDArray[np.float64]]) -> Iterator[Mark]:
    """What is seen of the folds."""
    if not lines:
        return
    seen = scene.camera.project(np.concatenate(lines))
    flat = seen[:, :2]
    sunk = SUNK * scene.camera.scale
    top = np.maximum(scene.flesh_nearest(flat) - sunk, scene.wood_nearest(flat))
    shown = (seen[:, 2] >= top).reshape(-1, FOLD_POINTS)
    for row, on in zip(flat.reshape(-1, FOLD_POINTS, 2), shown, strict=True):
        edges = np.flatnonzero(np.diff(np.concatenate(([0], on.astype(int), [0]))))
        for a, b in edges.reshape(-1, 2):
            if b - a >= SHORTEST and np.hypot(*(row[b - 1] - row[a])) >= SHORTEST_FOLD:
                yield Mark("crease", row[a:b])


def _nails(scene: Scene, skeleton: Skeleton) -> Iterator[Mark]:
    limbs = [(limb, False) for limb in skeleton.fingers.values()] + [(skeleton.thumb, True)]
    shapes = [_nail(limb, thumb) for limb, thumb in limbs]
    seen = scene.camera.project(np.concatenate([points for points, _ in shapes]))
    flat = seen[:, :2]
    top = np.maximum(scene.flesh_nearest(flat), scene.wood_nearest(flat))
    faces = np.concatenate([normals for _, normals in shapes]) @ scene.camera.axes[2] > 0.05
    shown = faces & (seen[:, 2] > top - NAIL_SUNK * scene.camera.scale)
    for k, (_, thumb) in enumerate(limbs):
        row = slice(k * NAIL_POINTS, (k + 1) * NAIL_POINTS)
        is_pale = thumb and skeleton.posture["thumb.pale"] >= PALE_FROM
        yield from _nail_mark(flat[row], shown[row], is_pale)


def _nail(limb: Limb, thumb: bool) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """The nail's rim in space, and the way out of the skin at each point."""
    last = len(limb.frames) - 1
    frame = limb.frames[last]
    bone = float(np.linalg.norm(limb.joints[last + 1] - limb.joints[last]))
    turn = np.linspace(0, 2 * math.pi, NAIL_POINTS, endpoint=False)
    along = bone * ((0.68 if thumb else 0.7) + (0.24 if thumb else 0.22) * np.cos(turn))
    around = NAIL_WIDTH * np.sign(np.sin(turn)) * np.abs(np.sin(turn)) ** 0.8
    radius = (8.0 if thumb else 6.3) * limb.breadth
    offset = (1.3 if thumb else 1.1) * limb.breadth
    normals = np.outer(np.cos(around), frame.back) + np.outer(np.sin(around), frame.side)
    points = limb.joints[last] + np.outer(along, frame.along) - frame.back * offset
    return points + normals * radius, normals


def _nail_mark(rim: NDArray[np.float64], shown: NDArray[np.bool_], is_pale: bool) -> Iterator[Mark]:
    if shown.mean() < LEAST_NAIL:
        return
    kind = "nail-pale" if is_pale else "nail"
    if shown.all():
        yield Mark(kind, rim, is_closed=True)
        return
    order = np.roll(np.arange(len(shown)), -int(np.flatnonzero(~shown)[0]))
    yield Mark(kind, rim[[i for i in order if shown[i]]], is_closed=is_pale)


def _strain(scene: Scene, skeleton: Skeleton) -> Iterator[Mark]:
    """Short strokes around a place that works too hard, on free ground where there is some."""
    posture = skeleton.posture
    thumb = skeleton.thumb
    knuckle = skeleton.fingers[1].joints[0]
    spots: list[tuple[float, Vector]] = [
        (posture["thumb.pale"], thumb.touch),
        (posture["index.dig"], knuckle),
        (posture["hard.ball"], (thumb.joints[0] + thumb.joints[1]) / 2),
        (posture["hard.back"], back_of_hand(skeleton)),
    ]
    spots += [(posture.fingers[n]["press"], skeleton.fingers[n].touch) for n in FINGERS]
    hand = shapely.union_all([seen.shadow for seen in scene.parts])
    shapely.prepare(hand)
    for amount, at in spots:
        count = sum(amount >= step for step in STRAIN_STEPS)
        if count == 0:
            continue
        centre = scene.camera.project(at[None])[0, :2]
        yield from _strokes(hand, centre, count)


def back_of_hand(skeleton: Skeleton) -> Vector:
    middle = skeleton.fingers[2]
    return (middle.root + middle.joints[0]) / 2 - skeleton.hand.palmar * BACK_DEPTH


def _strokes(hand: shapely.Geometry, centre: NDArray[np.float64], count: int) -> Iterator[Mark]:
    spread = math.radians(26)
    best: tuple[float, list[NDArray[np.float64]]] | None = None
    for turn in np.linspace(0, 2 * math.pi, 16, endpoint=False):
        strokes = []
        for k in range(count):
            angle = turn + (k - (count - 1) / 2) * spread
            way = np.array((math.cos(angle), math.sin(angle)))
            ends = (STRAIN_RADIUS, STRAIN_RADIUS + STRAIN_LENGTH)
            strokes.append(np.array([centre + way * end for end in ends]))
        covered = shapely.contains_xy(hand, np.concatenate(strokes)).mean()
        if best is None or covered < best[0]:
            best = (float(covered), strokes)
    if best:
        for stroke in best[1]:
            yield Mark("strain", stroke)
