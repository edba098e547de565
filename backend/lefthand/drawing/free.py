"""The hand away from the instrument: joints from given angles, and simple things it touches."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import lru_cache
from types import MappingProxyType
from typing import Any

import numpy as np

from lefthand.drawing.anatomy import DATA, anatomy
from lefthand.drawing.flesh import flesh_of
from lefthand.drawing.neck import neck_of
from lefthand.drawing.outlines import scene_of
from lefthand.drawing.picture import Picture, drawn
from lefthand.drawing.posture import posture_of
from lefthand.drawing.sight import Body, Camera
from lefthand.drawing.skeleton import Frame, HandFrame, Limb, Skeleton
from lefthand.drawing.vectors import Vector, cross, turned, unit, vector, without
from lefthand.drawing.wood import Shape, Woodwork, rod_of
from lefthand.values.fields import read_number
from lefthand.values.knowledge_file import Record, read_records
from lefthand.values.vocabulary import FINGERS, Instrument

FIELD = (320.0, 268.0)
MARGIN = 20.0
ARM = 240.0  # mm of the forearm
ARM_SHOWN = 34.0
STICK = 130.0  # mm to either side of the hand
STICK_RADIUS = 5.0
AXES = {
    "thumb_side": vector((0, 1, 0)),
    "little_side": vector((0, -1, 0)),
    "palm": vector((0, 0, 1)),
    "back": vector((0, 0, -1)),
    "fingers": vector((1, 0, 0)),
    "thumb": vector((0, 1, 0)),
}


@dataclass(frozen=True, slots=True)
class FreePose:
    """Angles in degrees, as free.yaml tells."""

    eye: str
    up: str
    fingers: Mapping[str, tuple[float, ...]]
    thumb: tuple[float, ...]
    wrist: tuple[float, ...]
    props: tuple[str, ...]
    still: str = "hand"

    def finger(self, n: int, aimed: int) -> tuple[float, ...]:
        if n == aimed and "aimed" in self.fingers:
            return self.fingers["aimed"]
        return self.fingers.get(str(n), self.fingers["rest"])


@lru_cache(maxsize=1)
def free_poses() -> Mapping[str, FreePose]:
    """Raises CatalogueError."""
    return MappingProxyType({r.id: _read(r) for r in read_records(DATA / "free.yaml")})


def _read(record: Record) -> FreePose:
    def numbers(values: Any) -> tuple[float, ...]:
        return tuple(read_number("angle", value) for value in values)

    pose = FreePose(
        record.text("from"),
        record.text("up"),
        {str(name): numbers(row) for name, row in record.mapping("fingers").items()},
        numbers(record.take("thumb")),
        numbers(record.take("wrist")),
        tuple(record.words("props", [])),
        record.text("still", "hand"),
    )
    if pose.still not in ("hand", "arm"):
        record.fail("still: expected hand or arm")
    if pose.eye not in (*AXES, "aimed_side") or pose.up not in AXES or "rest" not in pose.fingers:
        record.fail("from, up and the row of the other fingers must be known")
    record.done()
    return pose


def free_skeleton(pose: FreePose, aimed: int) -> Skeleton:
    """Distal along x, the thumb's side along y, out of the palm along z; mm."""
    distal, palmar = AXES["fingers"], AXES["palm"]
    bend, side = pose.wrist
    if pose.still == "arm":
        distal, palmar = (turned(axis, AXES["thumb"], -bend) for axis in (distal, palmar))
    hand = HandFrame(vector((0, 0, 0)), distal, AXES["thumb"], palmar, 1.0)
    across = hand.palmar * math.tan(math.radians(bend)) + hand.radial * math.tan(math.radians(side))
    fore = unit(across - hand.distal)
    return Skeleton(
        posture_of(Instrument.VIOLIN),
        neck_of(Instrument.VIOLIN),
        hand,
        {n: _finger(n, hand, pose.finger(n, aimed)) for n in FINGERS},
        _thumb(hand, pose.thumb),
        fore * ARM,
        fore,
        {"wrist bend": bend, "wrist side": side},
    )


def _finger(n: int, hand: HandFrame, angles: tuple[float, ...]) -> Limb:
    mcp, spread, pip, dip = angles
    bones = anatomy().fingers[n]
    away = turned(hand.distal, hand.palmar, spread)
    first = Frame(away, -hand.palmar, cross(away, -hand.palmar)).bent(mcp)
    frames = (first, first.bent(pip), first.bent(pip).bent(dip))
    joints = [hand.at(bones.knuckle)]
    for frame, bone in zip(frames, (bones.first, bones.middle, bones.last), strict=True):
        joints.append(joints[-1] + frame.along * bone)
    touch = joints[2] + frames[2].along * bones.last * 0.7 - frames[2].back * 6.5 * bones.breadth
    told = {"mcp": mcp, "spread": spread, "pip": pip, "dip": dip}
    return Limb(hand.at(bones.root), tuple(joints), frames, touch, bones.breadth, 0.0, told)


def _thumb(hand: HandFrame, angles: tuple[float, ...]) -> Limb:
    aside, palmar, mcp, ip = angles
    bones = anatomy().thumb
    flat = turned(hand.distal, hand.palmar, aside)
    along = unit(
        flat * math.cos(math.radians(palmar)) + hand.palmar * math.sin(math.radians(palmar))
    )
    back = unit(without(hand.radial * 0.85 - hand.palmar * 0.5, along))
    first = Frame(along, back, cross(along, back))
    frames = (first, first.bent(mcp), first.bent(mcp + ip))
    joints = [hand.at(bones.root)]
    for frame, bone in zip(frames, (bones.hand_bone, bones.first, bones.last), strict=True):
        joints.append(joints[-1] + frame.along * bone)
    touch = joints[2] + frames[2].along * bones.last * 0.6 - frames[2].back * 8
    return Limb(joints[0], tuple(joints), frames, touch, 1.0, 0.0, {"mcp": mcp, "ip": ip})


def free_pictures(poses: list[FreePose], aimed: int) -> list[Picture]:
    """All of one size, seen from one place, so that they can be laid beside each other."""
    skeletons = [free_skeleton(pose, aimed) for pose in poses]
    camera = _camera(poses[0], aimed, skeletons)
    pictures = []
    for pose, skeleton in zip(poses, skeletons, strict=True):
        wood = _props(pose, skeleton, aimed, camera)
        pictures.append(drawn(skeleton, scene_of(flesh_of(skeleton), wood, camera)))
    return pictures


def between(one: FreePose, two: FreePose, share: float) -> FreePose:
    """A pose on the way from the first to the second."""

    def mixed(a: tuple[float, ...], b: tuple[float, ...]) -> tuple[float, ...]:
        return tuple(x + (y - x) * share for x, y in zip(a, b, strict=True))

    rows = {}
    for name in {*one.fingers, *two.fingers}:
        a = one.fingers.get(name, one.fingers["rest"])
        b = two.fingers.get(name, two.fingers["rest"])
        rows[name] = mixed(a, b)
    thumb, wrist = mixed(one.thumb, two.thumb), mixed(one.wrist, two.wrist)
    return replace(one, fingers=rows, thumb=thumb, wrist=wrist)


def _camera(pose: FreePose, aimed: int, skeletons: list[Skeleton]) -> Camera:
    eye = pose.eye
    if eye == "aimed_side":
        eye = "thumb_side" if aimed <= 2 else "little_side"
    # A little from above and from before, so that fingers do not hide each other wholly.
    toward = unit(AXES[eye] + AXES["palm"] * 0.12 + AXES["fingers"] * 0.1)
    return camera_around(skeletons, toward, AXES[pose.up])


def camera_around(skeletons: list[Skeleton], toward: Vector, up: Vector) -> Camera:
    """From `toward`, near enough that all of them just fit in."""
    right = unit(cross(up, toward))
    down = -cross(toward, right)
    axes = np.array((right, down, toward))
    seen = np.concatenate([_extent(skeleton) for skeleton in skeletons]) @ axes.T
    low, high = seen[:, :2].min(axis=0) - 12, seen[:, :2].max(axis=0) + 12
    width, height = FIELD
    scale = float(min((width - MARGIN) / (high - low)[0], (height - MARGIN) / (high - low)[1]))
    middle = (low + high) / 2
    return Camera(
        axes,
        vector((0, 0, 0)),
        (width / 2 - scale * float(middle[0]), height / 2 - scale * float(middle[1])),
        scale,
        FIELD,
    )


def _extent(skeleton: Skeleton) -> Any:
    limbs = [*skeleton.fingers.values(), skeleton.thumb]
    return np.array(
        [joint for limb in limbs for joint in limb.joints] + [skeleton.fore * ARM_SHOWN]
    )


def _props(pose: FreePose, skeleton: Skeleton, aimed: int, camera: Camera) -> Woodwork:
    shapes: list[Shape] = []
    bodies: list[Body] = []
    width, height = camera.field
    if "table" in pose.props:
        top = camera.project(skeleton.fingers[aimed].touch[None])[0, 1]
        corners = ((-10, top), (width + 10, top), (width + 10, height + 10), (-10, height + 10))
        shapes.append(Shape("neck", np.array(corners, dtype=float)))
    if "stick" in pose.props:
        middle = skeleton.thumb.touch - skeleton.hand.palmar * (STICK_RADIUS + 5)
        way = skeleton.hand.radial * STICK
        shape, body = rod_of(middle - way, middle + way, STICK_RADIUS, camera)
        shapes.append(shape)
        bodies.append(body)
    return Woodwork((), tuple(shapes), tuple(bodies))
