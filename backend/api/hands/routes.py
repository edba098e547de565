"""Hands to look at: signs in, a drawing out. Nothing of a player goes into it."""

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from api.hands.present import angles_out, check_pair_out, exercise_pair_out, hand_text, signs_of
from api.hands.schemas import (
    AngleOut,
    CheckPairIn,
    ExercisePairIn,
    HandIn,
    HandOut,
    PointsIn,
    TwoHandsOut,
)

router = Router(tags=["hands"])

FOR_A_DAY = "private, max-age=86400"


@router.get("/one", response=HandOut)
def read_hand(request: HttpRequest, wanted: Query[HandIn]) -> HttpResponse:
    text = hand_text(wanted.instrument, signs_of(wanted.signs), wanted.view, wanted.playing)
    response = HttpResponse(text, content_type="application/json")
    response["Cache-Control"] = FOR_A_DAY
    return response


@router.get("/check", response=TwoHandsOut | None)
def read_check_pair(
    request: HttpRequest, response: HttpResponse, wanted: Query[CheckPairIn]
) -> TwoHandsOut | None:
    """A check's sign not there and strong; null where the hand cannot show it."""
    pair = check_pair_out(wanted)
    response["Cache-Control"] = FOR_A_DAY
    return pair


@router.get("/exercise", response=TwoHandsOut | None)
def read_exercise_pair(
    request: HttpRequest, response: HttpResponse, wanted: Query[ExercisePairIn]
) -> TwoHandsOut | None:
    """An exercise right and wrong, or its beginning and end; null where it has no picture."""
    pair = exercise_pair_out(wanted)
    response["Cache-Control"] = FOR_A_DAY
    return pair


@router.post("/angles", response=list[AngleOut])
def measure_angles(request: HttpRequest, data: PointsIn) -> list[AngleOut]:
    """The angles that points on a picture tell; the picture stays where it is."""
    return angles_out(data)
