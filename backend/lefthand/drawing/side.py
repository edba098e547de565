"""One finger from its side with given bends, as a picture is taken to measure it."""

from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np

from lefthand.drawing.flesh import flesh_of
from lefthand.drawing.free import FreePose, camera_around, free_poses, free_skeleton
from lefthand.drawing.outlines import scene_of
from lefthand.drawing.picture import Picture, drawn
from lefthand.drawing.wood import Shape, Woodwork

FINGER_PLACES = ("base", "middle", "tip_joint", "tip")
POSE = "arch"
BOARD = 14.0  # picture units that the board is thick
FAR = 30.0  # picture units from the tip to a point of the string


@dataclass(frozen=True, slots=True)
class SideView:
    """`places`: the finger's joints, and two points of the string it stands on, by their names in
    `jolf-points/1`; picture units."""

    picture: Picture
    places: Mapping[str, tuple[float, float]]


def side_view(
    finger: int, *, tip: float, middle: float, from_thumb: bool, on_board: bool = False
) -> SideView:
    """The hand with this finger's fingertip joint and middle joint bent so far, degrees, seen at
    right angles to the finger from the thumb's side or from the other. `on_board`: with a board
    under the tip; without it only the hand is drawn."""
    pose = _with_finger(free_poses()[POSE], middle, tip)
    skeleton = free_skeleton(pose, finger)
    limb = skeleton.fingers[finger]
    toward = limb.frames[0].side * (1 if from_thumb else -1)
    camera = camera_around([skeleton], toward, -skeleton.hand.palmar)
    joints = camera.project(np.array(limb.joints))[:, :2]
    # The plank stands in the plane of the picture, whichever of pad and tip reaches it first.
    touch = max(camera.project(limb.touch[None])[0, :2], joints[-1], key=lambda at: at[1])
    places = {
        f"{finger}.{place}": (float(x), float(y))
        for place, (x, y) in zip(FINGER_PLACES, joints, strict=True)
    }
    x, y = float(touch[0]), float(touch[1])
    places["string.a"], places["string.b"] = (x - FAR, y), (x + FAR, y)
    wood = Woodwork((), (_board(x, y),) if on_board else (), ())
    return SideView(drawn(skeleton, scene_of(flesh_of(skeleton), wood, camera)), places)


def _with_finger(pose: FreePose, middle: float, tip: float) -> FreePose:
    base, spread, _, _ = pose.fingers["aimed"]
    return replace(pose, fingers={**pose.fingers, "aimed": (base, spread, middle, tip)}, props=())


def _board(x: float, y: float) -> Shape:
    """A plank under the tip; the palm is level, so that it is level too."""
    ends = (x - 600, x + 600)
    corners = ((ends[0], y), (ends[1], y), (ends[1], y + BOARD), (ends[0], y + BOARD))
    return Shape("neck", np.array(corners))
