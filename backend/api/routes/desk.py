"""The teacher's desk: way of teaching and cut points."""

from django.http import HttpRequest
from ninja import Router

from api.present_desk import desk_out
from api.schemas import CutsIn, DeskOut, WayIn
from studio.services.desk import set_teachers_way, set_thresholds, settings_of

router = Router(tags=["desk"])


@router.get("", response=DeskOut)
def read_desk(request: HttpRequest) -> DeskOut:
    return desk_out(settings_of(request.user))


@router.post("/way", response=DeskOut)
def choose_way(request: HttpRequest, data: WayIn) -> DeskOut:
    return desk_out(set_teachers_way(request.user, data.key, data.value))


@router.post("/cuts", response=DeskOut)
def change_cuts(request: HttpRequest, data: CutsIn) -> DeskOut:
    return desk_out(set_thresholds(request.user, data.measure, data.cuts))
