"""`jolf-angles/1`: what the points of a picture tell, and the findings of a case they make."""

from collections.abc import Mapping
from typing import Any

from lefthand.catalogue.catalogue import Catalogue
from lefthand.picture.angles import (
    Angle,
    base_heights,
    elbow_offset,
    joint_angles,
    other_angles,
)
from lefthand.picture.points import Points
from lefthand.values.measures import MEASURES

ANGLES_FORMAT = "jolf-angles/1"
ELBOW = "elbow_offset"
HEIGHT = "base_height"
# Inward counts as positive for this one.
INWARD = "elbow.forced"


def angles_json(points: Points, catalogue: Catalogue) -> dict[str, Any]:
    """Degrees; `elbow_offset` in hand-widths, `base_height` in lengths of the first bone;
    `observations` as a case takes them."""
    by_finger = joint_angles(points)
    elbow = elbow_offset(points)
    angles: dict[str, Any] = {
        name: {str(finger): _angle_json(angle) for finger, angle in fingers.items()}
        for name, fingers in by_finger.items()
    }
    for name, others in other_angles(points).items():
        angles[name] = {which: _angle_json(angle) for which, angle in others.items()}
    heights = base_heights(points)
    if heights:
        angles[HEIGHT] = {which: _angle_json(each, 2) for which, each in heights.items()}
    if elbow is not None:
        angles[ELBOW] = _angle_json(elbow, 2)
    return {
        "format": ANGLES_FORMAT,
        "angles": angles,
        "observations": _observations(points, catalogue, by_finger, elbow),
    }


def _angle_json(angle: Angle, digits: int = 1) -> dict[str, float]:
    found = {
        "value": round(angle.value, digits),
        "uncertainty": round(angle.uncertainty, digits),
    }
    if angle.may_be_off:
        found["may_be_off"] = round(angle.may_be_off, digits)
    return found


def _observations(
    points: Points,
    catalogue: Catalogue,
    by_finger: Mapping[str, Mapping[int, Angle]],
    elbow: Angle | None,
) -> dict[str, Any]:
    found: dict[str, Any] = {}
    for check in catalogue.evidence_of(points.instrument):
        if check.measure == ELBOW and elbow is not None:
            way = -1 if check.id == INWARD else 1
            found[check.id] = _value(ELBOW, way * elbow.value, 2)
        for finger, angle in by_finger.get(check.measure or "", {}).items():
            if check.per_finger and check.measure is not None:
                value = _value(check.measure, angle.value, 1)
                found.setdefault(check.id, {})[str(finger)] = value
    return found


def _value(measure: str, value: float, digits: int) -> dict[str, Any]:
    """Within what the measure can be, so that a case takes it."""
    limits = MEASURES[measure]
    return {"value": round(min(max(value, limits.low), limits.high), digits)}
