"""The drawn hand laid over a picture: it takes the angles that were measured there."""

from collections.abc import Mapping
from dataclasses import dataclass

from lefthand.drawing.picture import Path
from lefthand.drawing.side import side_view
from lefthand.picture.alike import Laid, laid_over
from lefthand.picture.angles import flexion_way, joint_angles
from lefthand.picture.points import Point, Points

LINES = ("line", "nail", "crease")
AT_EASE = {"tip_angle": 22.0, "middle_angle": 45.0}  # where a joint was not measured


@dataclass(frozen=True, slots=True)
class Over:
    """Lines in units of their own, and how they are laid over the picture in pixels."""

    paths: tuple[Path, ...]
    laid: Laid


def over_picture(points: Points, finger: int) -> Over | None:
    """None where no joint of that finger was measured."""
    measured = {
        name: angles[finger].value
        for name, angles in joint_angles(points).items()
        if finger in angles
    }
    if not measured:
        return None
    bends = {**AT_EASE, **measured}
    # One of the two sides of the hand shows the finger bending the way it does in the picture.
    for from_thumb in (True, False):
        view = side_view(
            finger,
            tip=bends["tip_angle"],
            middle=bends["middle_angle"],
            from_thumb=from_thumb,
        )
        places = {name: Point(*at) for name, at in view.places.items()}
        if flexion_way(Points(points.instrument, places)) == flexion_way(points):
            break
    shared = _joints(places, points.at, finger)
    laid = laid_over([places[name] for name in shared], [points.at[name] for name in shared])
    paths = tuple(path for path in view.picture.paths if path.kind in LINES)
    return None if laid is None else Over(paths, laid)


def _joints(drawn: Mapping[str, Point], seen: Mapping[str, Point], finger: int) -> list[str]:
    return [name for name in drawn if name in seen and name.startswith(f"{finger}.")]
