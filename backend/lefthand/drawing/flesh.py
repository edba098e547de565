"""Flesh on the joints: round cones (two balls and all between them), in parts that have a name.

A part holds balls for its outline, the patches of two to four of them whose hull it fills, and a
denser crowd of balls that tells how near its surface is at any point of a picture. Parts of one
limb share a joint; the ball at the joint belongs to the part nearer the palm.
"""

import itertools
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from lefthand.drawing.anatomy import Profile, anatomy
from lefthand.drawing.skeleton import Limb, Skeleton
from lefthand.drawing.vectors import Vector, unit, vector, without
from lefthand.values.vocabulary import FINGERS

Balls = NDArray[np.float64]  # rows of x, y, z, radius; mm
PALM = "palm"
THUMB = "thumb"
STUB = 0.45  # the palm takes up so much of a finger's first bone, so that its web is round
SPACING = 2.8  # mm between the balls of a limb
PALM_SPACING = 9.0
BALL_OF_THUMB = (vector((-10, 6, 4)), 8.0)
HEEL_OF_HAND = (  # along the little finger's side
    (vector((4, -17, 3)), 13.0),
    (vector((30, -20, 6)), 12.5),
    (vector((58, -25, 7)), 11.0),
)


@dataclass(frozen=True, slots=True)
class Part:
    limb: str
    piece: int
    balls: Balls
    patches: tuple[tuple[int, ...], ...]
    crowd: Balls
    along: NDArray[np.float64]  # place of each ball of the crowd along its limb


def finger_name(n: int) -> str:
    return f"finger {n}"


def flesh_of(skeleton: Skeleton) -> list[Part]:
    """All parts of the hand, the palm with the forearm first."""
    parts = [_palm(skeleton)]
    shape = anatomy()
    for n in FINGERS:
        parts += _limb_parts(finger_name(n), skeleton.fingers[n], shape.finger_profile)
    return parts + _limb_parts(THUMB, skeleton.thumb, shape.thumb_profile)


def ball_on(limb: Limb, place: float, radius: float, offset: float) -> Vector:
    """The ball at a place along a limb: x, y, z, radius."""
    piece = min(int(place), len(limb.frames) - 1)
    frame = limb.frames[piece]
    bone = limb.joints[piece + 1] - limb.joints[piece]
    back = frame.back
    if piece and place == piece:  # at a joint, half of both bones
        back = unit(back + limb.frames[piece - 1].back)
    middle = limb.joints[piece] + bone * (place - piece) - back * (offset * limb.breadth)
    return np.append(middle, radius * limb.breadth)


def _limb_parts(name: str, limb: Limb, profile: Profile) -> list[Part]:
    parts = []
    for piece in range(len(limb.frames)):
        rows = [row for row in profile if piece <= row[0] <= piece + 1]
        places = [row[0] for row in rows]
        balls = np.array([ball_on(limb, *row) for row in rows])
        patches = tuple((i, i + 1) for i in range(len(balls) - 1))
        crowd, along = _crowd(balls, places)
        first = 1 if piece else 0
        parts.append(Part(name, piece, balls, patches, crowd[first:], along[first:]))
    return parts


def _crowd(balls: Balls, places: Sequence[float]) -> tuple[Balls, NDArray[np.float64]]:
    """Balls at most SPACING apart between those given, with their places."""
    steps = np.linalg.norm(np.diff(balls[:, :3], axis=0), axis=1)
    way = np.concatenate(([0.0], np.cumsum(steps)))
    at = np.linspace(0, way[-1], max(2, round(way[-1] / SPACING) + 1))
    dense = np.stack([np.interp(at, way, balls[:, k]) for k in range(4)], axis=1)
    return dense, np.interp(at, way, places)


# ------------------------------------------------------------------ palm, web and forearm


class _Sheet:
    """Collects balls and patches."""

    def __init__(self) -> None:
        self.balls: list[Vector] = []
        self.patches: list[tuple[int, ...]] = []
        self.crowds: list[Balls] = []

    def rows(self, grid: Sequence[Sequence[Vector]], *, solid: bool = True) -> None:
        """Neighbouring rows of as many balls each, filled between them."""
        index = []
        for row in grid:
            index.append(range(len(self.balls), len(self.balls) + len(row)))
            self.balls += row
        patches = [
            tuple(row[corner] for row in rows for corner in range(k, min(k + 2, len(rows[0]))))
            for rows in itertools.pairwise(index)
            for k in range(max(1, len(rows[0]) - 1))
        ]
        self.patches += patches
        if solid:
            self.crowds += [_between([self.balls[i] for i in patch]) for patch in patches]

    def part(self) -> Part:
        crowd = np.concatenate(self.crowds)
        return Part(PALM, 0, np.array(self.balls), tuple(self.patches), crowd, np.zeros(len(crowd)))


def _between(corners: Sequence[Vector]) -> Balls:
    """Balls over a patch, bilinear between its two or four corners."""
    grid = np.array(corners)
    if len(grid) == 2:
        grid = np.repeat(grid, 2, axis=0)
    a, b, c, d = grid
    across = max(np.linalg.norm((b - a)[:3]), np.linalg.norm((d - c)[:3]))
    down = max(np.linalg.norm((c - a)[:3]), np.linalg.norm((d - b)[:3]))
    u = np.linspace(0, 1, int(across / PALM_SPACING) + 2 if across else 1)[:, None, None]
    v = np.linspace(0, 1, int(down / PALM_SPACING) + 2)[None, :, None]
    filled = (a * (1 - u) + b * u) * (1 - v) + (c * (1 - u) + d * u) * v
    return np.asarray(filled.reshape(-1, 4))


def _palm(skeleton: Skeleton) -> Part:
    hand = skeleton.hand
    sheet = _Sheet()
    bones = _hand_bones(skeleton)
    sheet.rows(bones)
    wrist_rows = _forearm(skeleton)
    sheet.rows(wrist_rows)
    ends = wrist_rows[0]
    width = len(bones)
    roots = [ends[0] + (ends[1] - ends[0]) * (k / (width - 1)) for k in range(width)]
    sheet.rows([roots, [bone[0] for bone in bones]])
    heel = [np.append(hand.at(at), r * hand.scale) for at, r in HEEL_OF_HAND]
    sheet.rows([[ball] for ball in heel])
    sheet.rows(_web(skeleton, bones))
    sheet.rows(_thumb_root(skeleton))
    stub = [row for row in anatomy().finger_profile if row[0] <= STUB]
    for limb in skeleton.fingers.values():
        sheet.rows([[ball_on(limb, *row)] for row in stub], solid=False)
    return sheet.part()


def _hand_bones(skeleton: Skeleton) -> list[list[Vector]]:
    """The bones behind the knuckles and one between each two, from the first to the fourth."""
    hand = skeleton.hand
    rows = []
    for n in FINGERS:
        limb = skeleton.fingers[n]
        breadth = (1 + limb.breadth / hand.scale) / 2 * hand.scale
        rows.append(
            [
                np.append(
                    limb.root
                    + (limb.joints[0] - limb.root) * s
                    + hand.palmar * offset * hand.scale,
                    radius * breadth,
                )
                for s, radius, offset in anatomy().palm_profile
            ]
        )
    filled = [rows[0]]
    for before, after in itertools.pairwise(rows):
        filled.append([(a + b) / 2 for a, b in zip(before, after, strict=True)])
        filled.append(after)
    return filled


def _forearm(skeleton: Skeleton) -> list[list[Vector]]:
    """Both edges of wrist and forearm, from the hand to the elbow."""
    hand, fore = skeleton.hand, skeleton.fore
    rows = []
    reach = float(np.linalg.norm(skeleton.elbow - hand.wrist)) / hand.scale
    for at, radius, half in anatomy().forearm_profile:
        if at > reach:
            break
        on_arm = max(0.0, at)
        middle = hand.wrist + (fore * on_arm - hand.distal * min(0.0, at)) * hand.scale
        across = unit(without(hand.radial, fore)) if at > 0 else hand.radial
        rows.append(
            [
                np.append(middle + across * (way * half * hand.scale), radius * hand.scale)
                for way in (1, -1)
            ]
        )
    return rows


def _thumb_root(skeleton: Skeleton) -> list[list[Vector]]:
    """The ball of the thumb grows out of the wrist."""
    at, radius = BALL_OF_THUMB
    hand = skeleton.hand
    start = np.append(hand.at(at), radius * hand.scale)
    rows = [row for row in anatomy().thumb_profile if row[0] <= 1]
    return [[start], *([ball_on(skeleton.thumb, *row)] for row in rows)]


def _web(skeleton: Skeleton, bones: list[list[Vector]]) -> list[list[Vector]]:
    """The skin between thumb and index: a hanging fold. Shut, it comes up to the neck."""
    shut = skeleton.posture["web.shut"]
    thumb, index = skeleton.thumb, bones[0]
    scale = skeleton.hand.scale
    folds = []
    for k in range(4):
        on_thumb = ball_on(thumb, 0.3 + k * (0.17 + 0.12 * shut), 7.0, 1.0)
        s = 0.25 + k * (0.2 + 0.05 * shut)
        on_index = index[0] + (index[-1] - index[0]) * min(1.0, s)
        middle = (on_thumb + on_index) / 2
        sag = skeleton.hand.distal * (-(9 - 8 * shut) * scale * k / 3)
        middle = np.append(middle[:3] + sag, (6.0 + 1.5 * shut) * scale)
        folds.append([on_thumb, middle, on_index])
    return folds
