"""The practice sheet on screen and as PDF, the calendar file and the private link."""

from collections import Counter
from collections.abc import Iterator
from typing import Annotated

import segno
from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from api.answers import PDF, as_file
from api.days import today
from api.exercises.present import exercise_page
from api.exercises.schemas import HowOut, PossibleSpotOut
from api.home.schemas import LinkOut
from api.sheets.code import address_of, code_for, is_local
from api.sheets.schemas import SheetDayOut, SheetItemOut, SheetOut, SheetPagesOut
from api.types import WallTime
from lefthand.composing.on_neck import words_of_spot
from lefthand.music.strings import FINGERBOARDS
from lefthand.values.fields import short
from lefthand.words import words_of
from studio.errors import StudioError
from studio.home.link import keep_link, link_of, make_link, revoke_link
from studio.home.week_at_home import HomeWeek
from studio.lessons.access import lesson_of
from studio.lessons.cases import LessonView
from studio.memory.spots import as_kept, possible_spots, spot_of
from studio.models import HomeLink
from studio.paper.setting import Paper
from studio.sheet.calendar import USUAL_TIME, week_calendar
from studio.sheet.pages import PageFor, sheet_pdf, sheet_svgs
from studio.sheet.sheet import Sheet, SheetItem, build_sheet, shown_item

router = Router(tags=["sheets"])


@router.get("/{int:lesson_id}/sheet", response=SheetOut)
def read_sheet(request: HttpRequest, lesson_id: int) -> SheetOut:
    """The sheet of a lesson in words."""
    return _sheet_out(build_sheet(lesson_of(request.user, lesson_id), today(request)))


@router.get(
    "/{int:lesson_id}/sheet.pdf",
    openapi_extra={"responses": {200: {"content": {"application/pdf": {}}}}},
)
def read_sheet_pdf(
    request: HttpRequest,
    lesson_id: int,
    paper: Paper = Paper.A4,
    large: bool = False,
    helper: bool = False,
) -> HttpResponse:
    """`helper`: with a page for whoever sits beside at home."""
    lesson = lesson_of(request.user, lesson_id)
    sheet = build_sheet(lesson, today(request))
    page = PageFor(paper, large, code_for(request, lesson.player), helper)
    return as_file(sheet_pdf(sheet, page), PDF, f"practice-{sheet.date}.pdf", shown=True)


@router.get("/{int:lesson_id}/sheet/pages", response=SheetPagesOut)
def read_sheet_pages(
    request: HttpRequest,
    lesson_id: int,
    paper: Paper = Paper.A4,
    large: bool = False,
    helper: bool = False,
) -> SheetPagesOut:
    """The pages of the PDF as pictures, to be seen before it is printed."""
    lesson = lesson_of(request.user, lesson_id)
    sheet = build_sheet(lesson, today(request))
    page = PageFor(paper, large, code_for(request, lesson.player), helper)
    return SheetPagesOut(pages=sheet_svgs(sheet, page))


@router.get(
    "/{int:lesson_id}/practice.ics",
    openapi_extra={"responses": {200: {"content": {"text/calendar": {}}}}},
)
def read_calendar(request: HttpRequest, lesson_id: int, at: WallTime = USUAL_TIME) -> HttpResponse:
    """The days of practice as an iCalendar file."""
    lesson = lesson_of(request.user, lesson_id)
    return as_file(
        week_calendar(HomeWeek(lesson, lesson.date), at),
        "text/calendar; charset=utf-8",
        f"practice-{lesson.date}.ics",
    )


@router.get("/{int:lesson_id}/how", response=HowOut)
def read_how(
    request: HttpRequest,
    lesson_id: int,
    exercise: str,
    rung: Annotated[int, Query(ge=1, le=20)] = 1,
    place: Annotated[int, Query(ge=1, le=20)] = 1,
    string: Annotated[int | None, Query(ge=1, le=4)] = None,
    position: Annotated[int | None, Query(ge=0, le=5)] = None,
) -> HowOut:
    """How an exercise goes for this player: steps, picture and music, given or not. `string` (from
    1, the highest) and `position`: where on the neck, both or none."""
    view = LessonView(lesson_of(request.user, lesson_id))
    found = view.catalogue.exercises.get(exercise)
    if found is None or view.case.instrument not in found.instruments:
        raise StudioError("bad_input", "exercise", f"unknown exercise {short(exercise)}")
    if rung > len(found.rungs):
        raise StudioError("bad_input", "rung", f"expected 1 to {len(found.rungs)}")
    spot = None
    if string is not None and position is not None:
        spot = spot_of({"string": string, "position": position})
    item = shown_item(view, found, rung, place, spot)
    page = exercise_page(item, item.music)
    return HowOut(**page.dict(), spots=list(_spots_out(view, item)))


def _spots_out(view: LessonView, item: SheetItem) -> Iterator[PossibleSpotOut]:
    before = Counter(view.past.spots.get(item.exercise.id, ()))
    strings = FINGERBOARDS[view.case.instrument].strings
    for spot in possible_spots(view.lesson, item.exercise, item.rung, item.fingers):
        yield PossibleSpotOut(
            **as_kept(spot),
            letter=strings[spot.string].letter,
            says=words_of(words_of_spot(spot, view.case.instrument)),
            been=before[spot],
        )


@router.get("/{int:lesson_id}/link", response=LinkOut)
def read_link(request: HttpRequest, lesson_id: int) -> LinkOut:
    """The address of the player's week, null where there is none."""
    return _link_out(request, link_of(lesson_of(request.user, lesson_id).player))


@router.post("/{int:lesson_id}/link", response=LinkOut)
def make(request: HttpRequest, lesson_id: int, anew: bool = False) -> LinkOut:
    """The private link of this lesson's player, made where there is none. `anew`: a new address in
    any case; the one before stops working."""
    player = lesson_of(request.user, lesson_id).player
    return _link_out(request, make_link(player) if anew else keep_link(player))


@router.delete("/{int:lesson_id}/link", response=LinkOut)
def revoke(request: HttpRequest, lesson_id: int) -> LinkOut:
    """End the link; what waits on the phone is kept there."""
    revoke_link(lesson_of(request.user, lesson_id).player)
    return _link_out(request, None)


def _link_out(request: HttpRequest, link: HomeLink | None) -> LinkOut:
    if link is None:
        return LinkOut(address=None, code=None, is_local=False)
    address = address_of(request, link)
    code = segno.make(address, micro=False).svg_inline(border=2, omitsize=True)
    return LinkOut(address=address, code=code, is_local=is_local(address))


def _sheet_out(sheet: Sheet) -> SheetOut:
    return SheetOut(
        made_for=list(sheet.made_for),
        first_name=sheet.first_name,
        date=sheet.date,
        instrument=sheet.instrument.words,
        one_thing=sheet.one.say,
        why=sheet.one.why,
        teacher_line=sheet.teacher_line,
        paused=sheet.paused,
        eased=sheet.eased,
        reasons=list(sheet.reasons),
        minutes_a_day=sheet.minutes_a_day,
        days=[
            SheetDayOut(weekday=day.weekday, exercises=list(day.exercises), is_lesson=day.is_lesson)
            for day in sheet.days
        ],
        items=[
            SheetItemOut(
                exercise=item.exercise.id,
                name=item.exercise.name,
                dose=item.dose.words(item.fingers),
                steps=list(item.short_steps),
                feel=item.brief.feel,
                stop=item.brief.stop,
            )
            for item in sheet.items
        ],
    )
