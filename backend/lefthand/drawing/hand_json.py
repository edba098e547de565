"""A hand to draw, as JSON: `jolf-hand/1` in, `jolf-picture/1` out."""

from collections.abc import Mapping
from typing import Any

from lefthand.catalogue.catalogue import Catalogue
from lefthand.drawing.picture import ALONG, MAIN, Picture, drawn, look
from lefthand.drawing.places import Target, targets_of
from lefthand.drawing.posture import Posture, Sign, posture_of
from lefthand.drawing.skeleton import joint_angles
from lefthand.values.errors import InputError
from lefthand.values.fields import Fields, read_number, short
from lefthand.values.vocabulary import FINGERS, Grade, Instrument

HAND_FORMAT = "jolf-hand/1"
PICTURE_FORMAT = "jolf-picture/1"
HAND_SIZES = (0.6, 1.3)  # against the adult's hand on this neck


def parse_hand(data: Any, catalogue: Catalogue) -> tuple[Posture, str]:
    """The posture and the view that a file asks for. Raises InputError naming the field.

    `observations` are those of a case file with grades, which may be parts of one."""
    fields = Fields(data)
    if (form := fields.text("format")) != HAND_FORMAT:
        raise InputError("format", f"expected {HAND_FORMAT!r}, got {short(form)}")
    instrument = fields.choice("instrument", Instrument)
    hand = fields.number("hand", *HAND_SIZES, default=1.0)
    playing = fields.whole("playing", FINGERS[0], FINGERS[-1], default=None)
    view = fields.text("view", MAIN)
    if view not in (MAIN, ALONG):
        raise InputError("view", f"{short(view)} is not one of {MAIN}, {ALONG}")
    seen = fields.mapping("observations", {})
    fields.done()
    signs = [sign for name, value in seen.items() for sign in _signs(name, value, catalogue)]
    return posture_of(instrument, signs, hand=hand, playing=playing), view


def _signs(name: str, value: Any, catalogue: Catalogue) -> list[Sign]:
    at = f"observations.{name}"
    evidence = catalogue.evidence.get(name)
    if evidence is None:
        raise InputError(at, "unknown evidence")
    if not isinstance(value, Mapping) or "grade" in value:
        return [Sign(name, _grade(at, value), evidence.of_finger)]
    signs = []
    for key, each in value.items():
        if key not in {str(n) for n in FINGERS}:
            raise InputError(f"{at}.{key}", "expected grade, or a finger from 1 to 4")
        signs.append(Sign(name, _grade(f"{at}.{key}", each), int(key)))
    return signs


def _grade(at: str, value: Any) -> float:
    """Of a number alone, or of an object with a grade."""
    if isinstance(value, Mapping):
        if "grade" not in value:
            raise InputError(f"{at}.grade", "missing")
        return read_number(f"{at}.grade", value["grade"], Grade.NONE, Grade.STRONG)
    return read_number(at, value, Grade.NONE, Grade.STRONG)


def picture_json(posture: Posture, view: str) -> dict[str, Any]:
    """The picture with its places and, degrees, the angles of every joint."""
    skeleton, scene = look(posture, view)
    return {
        "format": PICTURE_FORMAT,
        **paths_json(drawn(skeleton, scene)),
        "places": [place_json(target) for target in targets_of(skeleton, scene)],
        "angles": {name: round(value, 1) for name, value in joint_angles(skeleton).items()},
    }


def paths_json(picture: Picture) -> dict[str, Any]:
    return {
        "width": picture.width,
        "height": picture.height,
        "paths": [{"kind": path.kind, "d": path.d, "width": path.width} for path in picture.paths],
    }


def place_json(target: Target) -> dict[str, Any]:
    """`x`, `y`: where it is touched; `place_x`, `place_y`: what is meant."""
    return {
        "place": target.place,
        "finger": target.finger,
        "x": round(target.at[0], 1),
        "y": round(target.at[1], 1),
        "place_x": round(target.place_at[0], 1),
        "place_y": round(target.place_at[1], 1),
    }
