"""Hands to look at: signs in, a drawing out. Nothing of a player goes into it."""

from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from api.hands.present import (
    alike_out,
    angles_out,
    check_pair_out,
    drawn_picture_out,
    exercise_pair_out,
    hand_text,
    moved_out,
    over_out,
    signs_of,
    span_out,
)
from api.hands.schemas import (
    AlikeIn,
    AngleOut,
    CheckPairIn,
    DrawnPictureOut,
    ExercisePairIn,
    FingerPointsIn,
    HandIn,
    HandOut,
    LaidOut,
    MovedIn,
    MovedOut,
    OverOut,
    PointsIn,
    SpanIn,
    SpanOut,
    TwoHandsOut,
)

router = Router(tags=["hands"])

FOR_A_DAY = "private, max-age=86400"


@router.get("/one", response=HandOut)
def read_hand(request: HttpRequest, wanted: Query[HandIn]) -> HttpResponse:
    """A hand in the posture of these signs."""
    text = hand_text(
        wanted.instrument, signs_of(wanted.signs), wanted.view, wanted.playing, wanted.thumb
    )
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


@router.post("/span", response=SpanOut)
def measure_span(request: HttpRequest, data: SpanIn) -> SpanOut:
    """A span in mm from a picture in which the string is seen from nut to bridge."""
    return span_out(data)


@router.post("/alike", response=LaidOut | None)
def lay_alike(request: HttpRequest, data: AlikeIn) -> LaidOut | None:
    """How one picture is turned and scaled to lie as another; null for fewer than two points that
    both have."""
    return alike_out(data)


@router.post("/moved", response=MovedOut)
def tell_moved(request: HttpRequest, data: MovedIn) -> MovedOut:
    """What changed between two pictures of one hand, with what can be told from the points."""
    return moved_out(data)


@router.post("/over", response=OverOut | None)
def draw_over(request: HttpRequest, data: FingerPointsIn) -> OverOut | None:
    """The drawn hand with the measured angles, to lay over the picture; null where no joint of that
    finger was measured."""
    return over_out(data)


@router.get("/drawn", response=DrawnPictureOut)
def draw_picture(
    request: HttpRequest,
    finger: Annotated[int, Query(ge=1, le=4)],
    seed: Annotated[int, Query(ge=0, le=1_000_000)] = 0,
) -> DrawnPictureOut:
    """A picture to measure on where there is no camera: drawn, with known bends."""
    return drawn_picture_out(finger, seed)
