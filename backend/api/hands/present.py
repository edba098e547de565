"""Drawn hands as they leave the API; the newest are kept, so that going back is quick."""

import base64
import random
from dataclasses import astuple
from functools import lru_cache
from typing import Any

from api.hands.schemas import (
    AlikeIn,
    AngleOut,
    CheckPairIn,
    DrawnPictureOut,
    ExercisePairIn,
    FingerPointsIn,
    FrameOut,
    HandOut,
    LaidOut,
    MovedIn,
    MovedOut,
    OverOut,
    PathOut,
    PlaceOut,
    PointsIn,
    SpanIn,
    SpanOut,
    TwoHandsOut,
)
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.drawing.hand_json import paths_json, place_json
from lefthand.drawing.pairs import Pair, pair_of_check, pair_of_exercise
from lefthand.drawing.picture import drawing_of
from lefthand.drawing.posture import Sign, posture_of
from lefthand.picture.alike import Laid, alike
from lefthand.picture.angles_json import ELBOW, angles_json
from lefthand.picture.moved import moved, moved_said
from lefthand.picture.over import over_picture
from lefthand.picture.points import Points, points_of
from lefthand.picture.span import span_of
from lefthand.values.errors import InputError
from lefthand.values.fields import short
from lefthand.values.vocabulary import FINGERS, Grade, Instrument
from lefthand.words import words_of
from studio.demo.drawn_pictures import drawn_picture

KEPT = 256


def signs_of(text: str) -> tuple[Sign, ...]:
    """The signs of `evidence:grade:finger,...`, in one order, so that one posture has one name.
    Raises InputError."""
    signs = [_sign(part) for part in text.split(",") if part]
    return tuple(sorted(signs, key=lambda sign: (sign.evidence, sign.finger or 0, sign.grade)))


def _sign(part: str) -> Sign:
    name, _, rest = part.partition(":")
    grade, _, finger = rest.partition(":")
    evidence = load_catalogue().evidence.get(name)
    if evidence is None:
        raise InputError("signs", f"unknown evidence {short(name)}")
    if grade not in {str(g.value) for g in Grade}:
        raise InputError("signs", f"{name}: expected a grade from 0 to 3, got {short(grade)}")
    if finger not in {"", *(str(n) for n in FINGERS)}:
        raise InputError("signs", f"{name}: expected a finger from 1 to 4, got {short(finger)}")
    return Sign(name, int(grade), int(finger) if finger else evidence.of_finger)


@lru_cache(maxsize=KEPT)
def hand_text(
    instrument: Instrument, signs: tuple[Sign, ...], view: str, playing: int | None, thumb: str
) -> str:
    """A `HandOut` as the JSON that is sent, so that a kept one costs nothing."""
    picture, targets = drawing_of(posture_of(instrument, signs, playing=playing, thumb=thumb), view)
    places = [PlaceOut(**place_json(target)) for target in targets]
    return HandOut(**paths_json(picture), places=places).model_dump_json()


def check_pair_out(wanted: CheckPairIn) -> TwoHandsOut | None:
    """None for what the hand on its neck cannot show. Raises InputError."""
    evidence = wanted.evidence
    if evidence not in load_catalogue().evidence:
        raise InputError("evidence", f"unknown evidence {short(evidence)}")
    return two_hands_out(
        pair_of_check(
            evidence, wanted.instrument, wanted.finger, frames=wanted.frames, thumb=wanted.thumb
        )
    )


def exercise_pair_out(wanted: ExercisePairIn) -> TwoHandsOut | None:
    """None for an exercise without a picture. Raises InputError."""
    exercise = wanted.exercise
    if exercise not in load_catalogue().exercises:
        raise InputError("exercise", f"unknown exercise {short(exercise)}")
    return two_hands_out(
        pair_of_exercise(
            exercise, wanted.instrument, wanted.finger, frames=wanted.frames, thumb=wanted.thumb
        )
    )


def two_hands_out(pair: Pair | None) -> TwoHandsOut | None:
    """Two hands beside each other; None where there are none."""
    if pair is None:
        return None
    frames = [FrameOut(**paths_json(frame)) for frame in pair.frames]
    return TwoHandsOut(words=list(pair.words), frames=frames, moves=pair.moves)


def angles_out(data: PointsIn) -> list[AngleOut]:
    """Raises InputError."""
    return angles_of(_points(data))


def angles_of(points: Points) -> list[AngleOut]:
    """Angles from points, in degrees."""
    found: dict[str, Any] = angles_json(points, load_catalogue())["angles"]
    elbow = found.pop(ELBOW, None)
    if elbow:
        found[ELBOW] = {"hand": elbow}
    return [
        AngleOut(
            measure=measure,
            of=of,
            value=angle["value"],
            uncertainty=angle["uncertainty"],
            may_be_off=angle.get("may_be_off", 0.0),
        )
        for measure, each in found.items()
        for of, angle in each.items()
    ]


def span_out(data: SpanIn) -> SpanOut:
    """Raises InputError."""
    found = span_of(_points(data), data.string_length)
    return SpanOut(value=round(found.value, 1), uncertainty=round(found.uncertainty, 1))


def alike_out(data: AlikeIn) -> LaidOut | None:
    """Raises InputError."""
    laid = alike(_points(data.moved), _points(data.still))
    return None if laid is None else LaidOut(matrix=_matrix(laid), mirrored=laid.is_mirrored)


def moved_out(data: MovedIn) -> MovedOut:
    """Raises InputError."""
    before, after = _points(data.before), _points(data.after)
    found = moved(before, after)
    laid = alike(after, before)
    return MovedOut(
        is_moved=any(each.is_moved for each in found),
        says=[words_of(each) for each in moved_said(found)],
        matrix=_matrix(laid) if laid else None,
    )


def over_out(data: FingerPointsIn) -> OverOut | None:
    """Raises InputError."""
    over = over_picture(_points(data), data.finger)
    if over is None:
        return None
    paths = [PathOut(kind=path.kind, d=path.d, width=path.width) for path in over.paths]
    return OverOut(paths=paths, matrix=_matrix(over.laid))


def _matrix(laid: Laid) -> list[float]:
    return list(astuple(laid))


def _points(data: PointsIn) -> Points:
    return points_of(data.instrument, data.width, data.height, data.points)


def drawn_picture_out(finger: int, seed: int) -> DrawnPictureOut:
    """Bends, side and tilt by chance, the same for the same seed."""
    rng = random.Random(seed)
    tip, middle = round(rng.uniform(-28, 32)), round(rng.uniform(25, 65))
    drawn = drawn_picture(
        finger,
        tip=tip,
        middle=middle,
        from_thumb=rng.random() < 0.5,
        tilt=rng.uniform(-20, 20),
        seed=seed,
    )
    return DrawnPictureOut(
        image=base64.b64encode(drawn.jpeg).decode("ascii"),
        truth={"tip_angle": tip, "middle_angle": middle},
    )
