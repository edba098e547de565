"""The teacher's desk: way of teaching and cut points."""

from django.conf import settings
from django.contrib.auth import update_session_auth_hash
from django.http import HttpRequest
from ninja import Router, Status
from ninja.throttling import AuthRateThrottle

from api.days import today
from api.desk.present import desk_out, helped_out
from api.desk.schemas import (
    CutsIn,
    DeskOut,
    HelpedOut,
    KeysIn,
    LearningIn,
    PasswordIn,
    ToneIn,
    WayIn,
    ZoneIn,
)
from studio.desk.desk import (
    choose_password,
    forget_settled,
    set_hand_tone,
    set_learning,
    set_letter_keys,
    set_shows_helped,
    set_teachers_way,
    set_thresholds,
    set_time_zone,
    settings_of,
)
from studio.models import TeacherSettings
from studio.today.attention import shares_of

router = Router(tags=["desk"])


@router.get("", response=DeskOut)
def read_desk(request: HttpRequest) -> DeskOut:
    """What a teacher has set once for all players."""
    return desk_out(settings_of(request.user))


@router.post("/way", response=DeskOut)
def choose_way(request: HttpRequest, data: WayIn) -> DeskOut:
    """Choose in how one teaches; null goes back to the usual."""
    return desk_out(set_teachers_way(request.user, data.key, data.value))


@router.post("/cuts", response=DeskOut)
def change_cuts(request: HttpRequest, data: CutsIn) -> DeskOut:
    """Move the three edges of a measure; null goes back to the usual."""
    return desk_out(set_thresholds(request.user, data.measure, data.cuts))


@router.post(
    "/password",
    response={204: None},
    throttle=[AuthRateThrottle(settings.SIGN_IN_RATE_OF_NAME)],
)
def change_password(request: HttpRequest, data: PasswordIn) -> Status[None]:
    """Other devices are signed out by it; this one stays."""
    update_session_auth_hash(request, choose_password(request.user, data.old, data.new))
    return Status(204, None)


@router.post("/zone", response=DeskOut)
def choose_zone(request: HttpRequest, data: ZoneIn) -> DeskOut:
    """Where the teacher's days begin."""
    return desk_out(set_time_zone(request.user, data.time_zone))


@router.post("/keys", response=DeskOut)
def switch_keys(request: HttpRequest, data: KeysIn) -> DeskOut:
    """Whether single keys act while nothing is typed."""
    return desk_out(set_letter_keys(request.user, on=data.on))


@router.post("/tone", response=DeskOut)
def choose_hand_tone(request: HttpRequest, data: ToneIn) -> DeskOut:
    """In which tone hands are drawn."""
    return desk_out(set_hand_tone(request.user, data.tone))


@router.post("/learning", response=DeskOut)
def switch_learning(request: HttpRequest, data: LearningIn) -> DeskOut:
    """Whether own lessons shift how often causes are met."""
    return desk_out(set_learning(request.user, on=data.on))


@router.post("/learning/forget", response=DeskOut)
def forget(request: HttpRequest) -> DeskOut:
    """Count own lessons anew from today."""
    return desk_out(forget_settled(request.user, today(request)))


@router.get("/helped", response=HelpedOut)
def read_helped(request: HttpRequest) -> HelpedOut:
    """What went before a change, over the teacher's own players."""
    return _helped(request, settings_of(request.user))


@router.post("/helped", response=HelpedOut)
def show_helped(request: HttpRequest, data: KeysIn) -> HelpedOut:
    """Whether what went before a change is shown."""
    return _helped(request, set_shows_helped(request.user, on=data.on))


def _helped(request: HttpRequest, settings: TeacherSettings) -> HelpedOut:
    found = shares_of(request.user, today(request)) if settings.shows_helped else None
    return helped_out(settings, found)
