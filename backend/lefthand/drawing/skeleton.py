"""From a posture to joints in space.

Method: the palm hangs at a point between its knuckles. A finger that is down is a chain of two
links in one plane: first bone, and the rest of the finger held stiff at the given bend of its
fingertip joint; the law of cosines gives the bends of base and middle joint so that the touching
point lies on its string. Where a finger cannot reach, or would have to bend past its range, its
base joint gives way, never the tip. The thumb is the same chain with a free root; out of reach it
touches nearer its tip, then lower on the neck, then along it.

Frames. Neck: x from nut to bridge, y out of the board, z to the lowest string, mm. Hand: distal to
the fingers, radial to the thumb, palmar out of the palm; radial = palmar x distal makes it a left
hand. Bone: along it, its back, its side to the thumb; side = along x back; a positive bend closes
the joint.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np

from lefthand.drawing.anatomy import FingerBones, anatomy
from lefthand.drawing.neck import Neck, neck_of
from lefthand.drawing.posture import Posture
from lefthand.drawing.vectors import Vector, clamped, cross, length, turned, unit, vector, without
from lefthand.values.vocabulary import FINGERS

PIVOT = vector((86, -4, 0))  # between the knuckles, in the frame of the hand
MOST_PIP = 110.0
NEARLY_STRAIGHT = 5.0
GIVES_WAY = 24.0  # mm that a base joint may move, for an adult
SPREAD_TRIES = 6


@dataclass(frozen=True, slots=True)
class Frame:
    along: Vector
    back: Vector
    side: Vector

    def bent(self, degrees: float) -> "Frame":
        """The next bone's frame, the joint closed by so much."""
        angle = math.radians(degrees)
        cosine, sine = math.cos(angle), math.sin(angle)
        return Frame(
            self.along * cosine - self.back * sine,
            self.back * cosine + self.along * sine,
            self.side,
        )

    def spread(self, degrees: float) -> "Frame":
        return Frame(
            turned(self.along, self.back, degrees),
            self.back,
            turned(self.side, self.back, degrees),
        )


@dataclass(frozen=True, slots=True)
class Limb:
    """A finger or the thumb: its joints from the base to the tip, one frame for each bone."""

    root: Vector
    joints: tuple[Vector, ...]
    frames: tuple[Frame, ...]
    touch: Vector
    breadth: float
    missing: float
    angles: Mapping[str, float]


@dataclass(frozen=True, slots=True)
class HandFrame:
    wrist: Vector
    distal: Vector
    radial: Vector
    palmar: Vector
    scale: float

    def at(self, place: Vector) -> Vector:
        """A point given in the frame of an adult hand."""
        moved = self.distal * place[0] + self.radial * place[1] + self.palmar * place[2]
        return np.asarray(self.wrist + moved * self.scale)


@dataclass(frozen=True, slots=True)
class Skeleton:
    posture: Posture
    neck: Neck
    hand: HandFrame
    fingers: Mapping[int, Limb]
    thumb: Limb
    elbow: Vector
    fore: Vector  # from the wrist to the elbow
    angles: Mapping[str, float]


def skeleton_of(posture: Posture) -> Skeleton:
    neck = neck_of(posture.instrument)
    hand = _hand_frame(posture)
    elbow = vector([posture[f"elbow.{axis}"] for axis in "xyz"])
    bend, side = _wrist(hand, unit(elbow - hand.wrist))
    across = hand.palmar * math.tan(math.radians(bend)) + hand.radial * math.tan(math.radians(side))
    fore = unit(across - hand.distal)
    return Skeleton(
        posture,
        neck,
        hand,
        {n: _finger(n, hand, posture, neck) for n in FINGERS},
        _placed_thumb(hand, posture, neck),
        elbow,
        fore,
        {"wrist bend": bend, "wrist side": side},
    )


def _wrist(hand: HandFrame, fore: Vector) -> tuple[float, float]:
    """The wrist's bend to the palm and to the thumb's side, degrees; where the elbow asks for more
    than a wrist can do, the forearm comes along."""
    back = -float(fore @ hand.distal)
    ranges = anatomy().ranges
    angles = []
    for axis, name in ((hand.palmar, "wrist bend"), (hand.radial, "wrist side")):
        limits = ranges[name]
        asked = math.degrees(math.atan2(float(fore @ axis), back))
        angles.append(clamped(asked, limits.least, limits.most))
    return angles[0], angles[1]


def _hand_frame(posture: Posture) -> HandFrame:
    """Before its turns the palm faces the board's side, fingers across it (held up), or the board
    itself, fingers to the low string (standing)."""
    if posture.instrument.is_held_up:
        distal, palmar = vector((0, 1, 0)), vector((0, 0, 1))
    else:
        distal, palmar = vector((0, 0, 1)), vector((0, -1, 0))
    for axis_of, degrees in (
        ("p", posture["hand.yaw"]),
        ("r", -posture["hand.pitch"]),
        ("d", posture["hand.roll"]),
    ):
        radial = cross(palmar, distal)
        axis = {"p": palmar, "r": radial, "d": distal}[axis_of]
        distal, palmar = turned(distal, axis, degrees), turned(palmar, axis, degrees)
    radial = cross(palmar, distal)
    pivot = vector([posture[f"hand.{axis}"] for axis in "xyz"])
    frame = HandFrame(vector((0, 0, 0)), distal, radial, palmar, posture.scale)
    return replace(frame, wrist=pivot - frame.at(PIVOT))


@dataclass(frozen=True, slots=True)
class _Bend:
    frame: Frame
    degrees: float
    missing: float


def _reach(base: Vector, target: Vector, first: float, rest: complex, side: Vector) -> _Bend:
    """Two links in the plane at right angles to `side`: the first bone, and a stiff rest whose
    touching point lies `rest` (along, to the palm) in the frame of the second bone."""
    line = target - base
    far = length(line)
    second = abs(rest)
    distance = clamped(far, abs(first - second) + 0.5, first + second - 0.02)
    toward = line / far
    up = cross(side, toward)
    at_base = math.acos((first**2 + distance**2 - second**2) / (2 * first * distance))
    at_end = math.acos((second**2 + distance**2 - first**2) / (2 * second * distance))
    along = toward * math.cos(at_base) + up * math.sin(at_base)
    bend = at_base + at_end - math.atan2(rest.imag, rest.real)
    return _Bend(
        Frame(along, cross(side, along), side),
        math.degrees(bend),
        max(0.0, far - (first + second - 0.02)),
    )


def _finger(n: int, hand: HandFrame, posture: Posture, neck: Neck) -> Limb:
    bones, pose = anatomy().fingers[n], posture.fingers[n]
    size = hand.scale * (1 + pose["length"])
    first, middle, last = bones.first * size, bones.middle * size, bones.last * size
    thick = bones.breadth * hand.scale
    target = neck.stop_at(pose["string"], pose["x"], pose["side"]) + vector((0, pose["hover"], 0))
    touch = complex(last * (0.88 - 0.42 * pose["pad"]), (5.2 + 2.0 * pose["pad"]) * thick)
    dip = pose["dip"]
    rest = middle + touch * complex(math.cos(math.radians(dip)), math.sin(math.radians(dip)))
    side = turned(hand.radial, hand.palmar, pose["fan"])
    aim = _Aim(target, first, rest, pose["straight"], side, GIVES_WAY * hand.scale)
    base, solved = _solve_finger(_knuckle(bones, pose, hand), aim, hand.radial)

    frame = solved.frame.bent(pose["mcp"])
    ranges = anatomy().ranges
    is_lifted = pose["hover"] > 0 or pose["mcp"] < 0
    while is_lifted and (past := ranges["finger mcp"].least - _base_bend(frame, hand)) > 0:
        frame = frame.bent(past + 0.1)
    pip = clamped(solved.degrees + pose["pip"], -12, ranges["finger pip"].most)
    dip = clamped(dip + pose["last"], ranges["finger dip"].least, ranges["finger dip"].most)
    frames = (frame, frame.bent(pip), frame.bent(pip).bent(dip))
    at_pip = base + frame.along * first
    at_dip = at_pip + frames[1].along * middle
    spread = math.asin(clamped(float(frame.along @ hand.radial), -1, 1))
    return Limb(
        hand.at(bones.root),
        (base, at_pip, at_dip, at_dip + frames[2].along * last),
        frames,
        at_dip + frames[2].along * touch.real - frames[2].back * touch.imag,
        thick,
        solved.missing,
        {"mcp": _base_bend(frame, hand), "spread": math.degrees(spread), "pip": pip, "dip": dip},
    )


def _base_bend(first: Frame, hand: HandFrame) -> float:
    """Of the base joint, degrees, to the palm."""
    flat = without(first.along, hand.radial)
    return math.degrees(math.atan2(float(flat @ hand.palmar), float(flat @ hand.distal)))


def _knuckle(bones: FingerBones, pose: Mapping[str, float], hand: HandFrame) -> Vector:
    drop = pose["drop"]
    return hand.at(bones.knuckle + vector((-drop * 0.25, pose["shift"], drop)))


@dataclass(frozen=True, slots=True)
class _Aim:
    """Where a finger has to touch, and with what: its first bone, the stiff rest of it as in
    `_reach`, how far it is only stretched (0 to 1), the way to its side, mm its base may give."""

    target: Vector
    first: float
    rest: complex
    straight: float
    side: Vector
    give: float


def _solve_finger(base: Vector, aim: _Aim, radial: Vector) -> tuple[Vector, _Bend]:
    """The base joint, moved where it has to give way, and the bend that brings the tip home."""
    limits = anatomy().ranges["finger spread"]
    low, high = (math.sin(math.radians(limit)) for limit in (limits.least, limits.most))
    for _ in range(SPREAD_TRIES):
        moved, solved = _bent_home(base, aim)
        sine = float(solved.frame.along @ radial)
        past = sine - clamped(sine, low, high)
        if abs(past) < 1e-3:
            break
        base = base + radial * (past * (aim.first + abs(aim.rest)))
    return moved, solved


def _bent_home(base: Vector, aim: _Aim) -> tuple[Vector, _Bend]:
    toward = unit(aim.target - base)
    side = unit(without(aim.side, toward))
    solved = _reach(base, aim.target, aim.first, aim.rest, side)

    def give_way(degrees: float) -> None:
        nonlocal base, solved
        angle = math.radians(degrees) + math.atan2(aim.rest.imag, aim.rest.real)
        first, second = aim.first, abs(aim.rest)
        needed = math.sqrt(first**2 + second**2 + 2 * first * second * math.cos(angle))
        base = base - toward * clamped(needed - length(aim.target - base), -aim.give, aim.give)
        solved = _reach(base, aim.target, first, aim.rest, side)

    if aim.straight > 0:
        give_way(solved.degrees + (NEARLY_STRAIGHT - solved.degrees) * aim.straight)
    if solved.missing > 0:
        give_way(NEARLY_STRAIGHT)
    if solved.degrees > MOST_PIP:
        give_way(MOST_PIP)
    return base, solved


def _thumb(
    hand: HandFrame, root: Vector, target: Vector, back: Vector, pad: float, bend: float
) -> Limb:
    bones, scale = anatomy().thumb, hand.scale
    lengths = (bones.hand_bone * scale, bones.first * scale, bones.last * scale)
    on_first = clamped((pad - 1.4) / 0.25, 0, 1)  # it touches with its first bone, not its last
    held = math.radians(bend * (1 - on_first))
    touch = complex(
        lengths[2] * (0.85 - 0.6 * min(1.4, pad)),
        (6.4 + 2.6 * min(1.0, pad * 1.6)) * scale,
    )
    rest = lengths[1] + touch * complex(math.cos(held), math.sin(held))
    rest -= max(0.0, pad - 1.4) * lengths[1]
    toward = unit(target - root)
    side = cross(toward, unit(without(back, toward)))
    solved = _reach(root, target, lengths[0], rest, side)
    limits = anatomy().ranges["thumb mcp"]
    at_base = clamped(solved.degrees, limits.least, limits.most)
    frames = (
        solved.frame,
        solved.frame.bent(at_base),
        solved.frame.bent(at_base + bend),
    )
    joints = [root]
    for frame, bone in zip(frames, lengths, strict=True):
        joints.append(joints[-1] + frame.along * bone)
    return Limb(
        root,
        tuple(joints),
        frames,
        joints[2] + frames[2].along * touch.real - frames[2].back * touch.imag,
        scale,
        solved.missing,
        {"mcp": at_base, "ip": bend},
    )


def _placed_thumb(hand: HandFrame, posture: Posture, neck: Neck) -> Limb:
    root = hand.at(anatomy().thumb.root)
    x, angle, pad = posture["thumb.x"], posture["thumb.angle"], posture["thumb.pad"]
    lowest = 75 if posture.instrument.is_held_up else 165
    limb = None
    for _ in range(40):
        point, out = neck.around(x, angle)
        target = point + vector((0, posture["thumb.rise"], 0)) + out * posture["thumb.off"]
        limb = _thumb(hand, root, target, out, pad, posture["thumb.ip"])
        if limb.missing < 0.2 and limb.angles["mcp"] > -9:
            break
        if pad > 0.05:
            pad = max(0.0, pad - 0.1)
        elif angle < lowest:
            angle += 5
        else:
            x += float(root[0] - x) * 0.25
    assert limb is not None  # noqa: S101 - the loop runs at least once
    return limb


def joint_angles(skeleton: Skeleton) -> dict[str, float]:
    """Every joint's angle by name, degrees: `4.pip`, `thumb.ip`, `wrist bend`."""
    found = dict(skeleton.angles)
    for n, limb in skeleton.fingers.items():
        found.update({f"{n}.{joint}": value for joint, value in limb.angles.items()})
    found.update({f"thumb.{joint}": value for joint, value in skeleton.thumb.angles.items()})
    return found
