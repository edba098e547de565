"""Where on a picture the places of the catalogue lie, and where they are touched.

A target lies on its place where there is room, and beside it, with a leading line, where other
targets would come nearer than a fingertip is broad.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from lefthand.drawing.details import back_of_hand
from lefthand.drawing.flesh import PALM, THUMB, finger_name
from lefthand.drawing.outlines import Scene
from lefthand.drawing.skeleton import Skeleton
from lefthand.drawing.vectors import Vector
from lefthand.drawing.wood import scroll_of
from lefthand.values.vocabulary import FINGERS

APART = 44.0  # picture units between two targets
MARGIN = 24.0  # to the edge of the picture
STEPS = 70
HOLDS = 0.06  # how strongly a target is drawn back to its place, a step
NUMERAL_OFF = 36.0  # of a finger's number from the joint or tip that stands out
CORNERS: Mapping[str, tuple[float, float]] = {"jaw": (0.93, 0.62), "seat": (0.93, 0.9)}
STANDING_CORNERS: Mapping[str, tuple[float, float]] = {"seat": (0.06, 0.93)}


@dataclass(frozen=True, slots=True)
class Target:
    """`at` is touched, `place_at` is meant; picture units. `limb` is the part the place lies on,
    where it lies on one."""

    place: str
    finger: int | None
    at: tuple[float, float]
    place_at: tuple[float, float]
    limb: str | None = None


def targets_of(skeleton: Skeleton, scene: Scene) -> list[Target]:
    """Every place this instrument's drawing has, in a fixed order."""
    found = _on_fingers(skeleton, scene) + _on_hand(skeleton, scene) + _around(skeleton, scene)
    moved = _apart(np.array([target.at for target in found]), scene.camera.field)
    return [
        Target(t.place, t.finger, (float(x), float(y)), t.place_at, t.limb)
        for t, (x, y) in zip(found, moved, strict=True)
    ]


def _flat(scene: Scene, point: Vector) -> tuple[float, float]:
    x, y = scene.camera.project(point[None])[0, :2]
    return float(x), float(y)


def _target(scene: Scene, place: str, point: Vector, limb: str | None = None) -> Target:
    at = _flat(scene, point)
    return Target(place, None, at, at, limb)


def _on_fingers(skeleton: Skeleton, scene: Scene) -> list[Target]:
    found = []
    wrist = np.array(_flat(scene, skeleton.hand.wrist))
    for n in FINGERS:
        limb = skeleton.fingers[n]
        tip = limb.joints[2] * 0.45 + limb.joints[3] * 0.55
        ends = [np.array(_flat(scene, limb.joints[k])) for k in (1, 3)]
        outer = max(ends, key=lambda end: float(np.hypot(*(end - wrist))))
        way = outer - wrist
        number = outer + way / np.hypot(*way) * NUMERAL_OFF
        name = finger_name(n)
        for place, at, limb_name in (
            ("tip", _flat(scene, tip), name),
            ("middle", _flat(scene, limb.joints[1]), name),
            ("finger", (float(number[0]), float(number[1])), None),
        ):
            found.append(Target(place, n, at, at, limb_name))
    return found


def _on_hand(skeleton: Skeleton, scene: Scene) -> list[Target]:
    fingers, thumb = skeleton.fingers, skeleton.thumb
    knuckle = {n: fingers[n].joints[0] for n in FINGERS}
    middle = {n: (fingers[n].joints[0] + fingers[n].joints[1]) / 2 for n in FINGERS}
    last = len(thumb.joints) - 1
    found = [
        _target(scene, "thumb", (thumb.joints[last - 1] + thumb.joints[last]) / 2, THUMB),
        _target(scene, "web", thumb.joints[1] * 0.55 + knuckle[1] * 0.45),
        _target(scene, "index_base", knuckle[1], PALM),
        _target(scene, "gap12", (middle[1] + middle[2]) / 2),
        _target(scene, "gaps", (middle[3] + middle[4]) / 2),
        _target(scene, "hand_back", _back_in_sight(skeleton), PALM),
        _target(scene, "thumb_ball", (thumb.joints[0] + thumb.joints[1]) / 2, THUMB),
        _target(scene, "wrist", skeleton.hand.wrist, PALM),
        _target(scene, "elbow", skeleton.hand.wrist + skeleton.fore * 88, PALM),
    ]
    if skeleton.neck.instrument.is_held_up:
        found.append(_target(scene, "knuckles", (knuckle[2] + knuckle[3]) / 2, PALM))
    return found


def _back_in_sight(skeleton: Skeleton) -> Vector:
    """Held up, the neck lies before the back of the hand: its place is below the neck."""
    if skeleton.neck.instrument.is_held_up:
        return (skeleton.fingers[1].root + skeleton.fingers[2].root) / 2
    return back_of_hand(skeleton)


def _around(skeleton: Skeleton, scene: Scene) -> list[Target]:
    neck = skeleton.neck
    farthest = max(skeleton.posture.fingers[n]["x"] for n in FINGERS)
    found = [_target(scene, "strings", neck.string_at(1.5, farthest + 40))]
    width, height = scene.camera.field
    corners = CORNERS
    if neck.instrument.is_held_up:
        found.append(_target(scene, "scroll", scroll_of(neck)))
    else:
        corners = STANDING_CORNERS
    for place, (x, y) in corners.items():
        at = (width * x, height * y)
        found.append(Target(place, None, at, at))
    return found


def _apart(places: NDArray[np.float64], field: tuple[float, float]) -> NDArray[np.float64]:
    """The places moved as little as gives every two of them room, inside the field."""
    low, high = np.array((MARGIN, MARGIN)), np.array(field) - MARGIN
    wanted = APART + 1.0
    home = np.clip(places, low, high)
    at = home.copy()
    for step in range(STEPS):
        away = at[:, None] - at[None]
        # Two at the very same place part in a fixed direction.
        same = np.hypot(away[..., 0], away[..., 1]) < 1e-6
        away[same] = np.array((math.cos(step), math.sin(step))) * 1e-3
        gap = np.hypot(away[..., 0], away[..., 1])
        np.fill_diagonal(gap, math.inf)
        push = np.where(gap < wanted, (wanted - gap) / 2, 0)[..., None] * away / gap[..., None]
        push[np.isnan(push)] = 0
        moved = push.sum(axis=1)
        if step < STEPS * 0.6:
            moved += (home - at) * HOLDS
        elif not moved.any():
            break
        at = np.clip(at + moved, low, high)
    return at
