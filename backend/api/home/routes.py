"""The week at home behind a private link: open without signing in, for whoever has the link."""

from django.http import HttpRequest, HttpResponse
from ninja import File, Form, Router
from ninja.files import UploadedFile

from api.answers import as_file
from api.home.limits import READING, TAKES, TELLING
from api.home.present import home_out
from api.home.schemas import HomeDayIn, HomeOut, HomeTakeIn, HomeTakeSentOut, LaterIn, TakeBackIn
from api.types import WallTime
from api.uploads import bytes_of
from studio.home.home_takes import measure_at_home
from studio.home.link import open_link
from studio.home.log import answer_later, log_day, take_back_stop
from studio.keeping.line import in_line
from studio.memory.days import today_behind
from studio.sheet.calendar import USUAL_TIME, week_calendar
from studio.takes.takes import LARGEST_FILE

NOT_FOR_SEARCH = "noindex, nofollow, noarchive"
router = Router(tags=["home"], auth=None, throttle=READING)


@router.get("/{token}", response=HomeOut)
def read_week(request: HttpRequest, response: HttpResponse, token: str) -> HomeOut:
    """The week of whoever has this link; 410 where it has ended."""
    response["X-Robots-Tag"] = NOT_FOR_SEARCH
    return home_out(open_link(token, today_behind(token)))


@router.post("/{token}/days", response=HomeOut, throttle=TELLING)
def keep_day(request: HttpRequest, token: str, data: HomeDayIn) -> HomeOut:
    """What was told of a day at home; sent twice it counts once."""
    return home_out(log_day(token, data.dict(), today_behind(token)))


@router.post("/{token}/later", response=HomeOut, throttle=TELLING)
def answer(request: HttpRequest, token: str, data: LaterIn) -> HomeOut:
    """Whether pain of an earlier day was still there the next day, at rest or at night."""
    key = data.client_key
    return home_out(answer_later(token, data.date, data.times, today_behind(token), client_key=key))


@router.post(
    "/{token}/takes",
    response=HomeTakeSentOut,
    throttle=TAKES,
)
@in_line
def measure(
    request: HttpRequest, token: str, file: File[UploadedFile], told: Form[HomeTakeIn]
) -> HomeTakeSentOut:
    """A recording of the drill that the teacher asked for: measured and let go."""
    data = bytes_of(file, LARGEST_FILE)
    usable, words = measure_at_home(token, data, told.date, told.client_key, today_behind(token))
    return HomeTakeSentOut(usable=usable, words=words)


@router.post("/{token}/take-back", response=HomeOut, throttle=TELLING)
def take_back(request: HttpRequest, token: str, data: TakeBackIn) -> HomeOut:
    """A stop that was tapped by mistake, within a minute."""
    return home_out(take_back_stop(token, data.client_key, data.seconds, today_behind(token)))


@router.get(
    "/{token}/practice.ics",
    openapi_extra={"responses": {200: {"content": {"text/calendar": {}}}}},
)
def read_calendar(request: HttpRequest, token: str, at: WallTime = USUAL_TIME) -> HttpResponse:
    """The rest of the week with an alarm a day at the wall-clock time `at`."""
    week = week_calendar(open_link(token, today_behind(token)), at)
    response = as_file(week, "text/calendar; charset=utf-8", "practice.ics")
    response["X-Robots-Tag"] = NOT_FOR_SEARCH
    return response
