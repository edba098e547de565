"""The week at home behind a private link: open without signing in, for whoever has the link."""

from datetime import time

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from ninja import Router
from ninja.throttling import AnonRateThrottle

from api.present_home import home_out
from api.routes.players import today
from api.schemas_home import HomeDayIn, HomeOut
from studio.paper.calendar import USUAL_TIME, week_calendar
from studio.services.home import log_day, open_link

NOT_FOR_SEARCH = "noindex, nofollow, noarchive"
router = Router(tags=["home"], auth=None, throttle=[AnonRateThrottle(settings.HOME_RATE)])


@router.get("/{token}", response=HomeOut)
def read_week(request: HttpRequest, response: HttpResponse, token: str) -> HomeOut:
    response["X-Robots-Tag"] = NOT_FOR_SEARCH
    return home_out(open_link(token, today()))


@router.post("/{token}/days", response=HomeOut)
def keep_day(request: HttpRequest, token: str, data: HomeDayIn) -> HomeOut:
    return home_out(log_day(token, data.dict(), today()))


@router.get(
    "/{token}/practice.ics",
    openapi_extra={"responses": {200: {"content": {"text/calendar": {}}}}},
)
def read_calendar(request: HttpRequest, token: str, at: time = USUAL_TIME) -> HttpResponse:
    """The rest of the week with an alarm a day at the wall-clock time `at`."""
    response = HttpResponse(
        week_calendar(open_link(token, today()), at), content_type="text/calendar; charset=utf-8"
    )
    response["Content-Disposition"] = 'attachment; filename="practice.ics"'
    response["X-Robots-Tag"] = NOT_FOR_SEARCH
    return response
