"""The practice sheet: on screen and as PDF."""

from django.http import HttpRequest, HttpResponse
from ninja import Router

from api.schemas import SheetItemOut, SheetOut
from studio.paper.pdf import sheet_pdf
from studio.paper.sheet import Sheet, build_sheet
from studio.services.lessons import lesson_of

router = Router(tags=["sheets"])


@router.get("/{int:lesson_id}/sheet", response=SheetOut)
def read_sheet(request: HttpRequest, lesson_id: int) -> SheetOut:
    return _sheet_out(build_sheet(lesson_of(request.user, lesson_id)))


@router.get(
    "/{int:lesson_id}/sheet.pdf",
    openapi_extra={"responses": {200: {"content": {"application/pdf": {}}}}},
)
def read_sheet_pdf(request: HttpRequest, lesson_id: int) -> HttpResponse:
    sheet = build_sheet(lesson_of(request.user, lesson_id))
    response = HttpResponse(sheet_pdf(sheet), content_type="application/pdf")
    response["Content-Disposition"] = f'inline; filename="practice-{sheet.date}.pdf"'
    return response


def _sheet_out(sheet: Sheet) -> SheetOut:
    return SheetOut(
        first_name=sheet.first_name,
        date=sheet.date,
        instrument=sheet.instrument,
        focus=list(sheet.focus),
        teacher_line=sheet.teacher_line,
        paused=sheet.paused,
        reasons=list(sheet.reasons),
        minutes_a_day=sheet.minutes_a_day,
        days=list(sheet.days),
        items=[
            SheetItemOut(
                exercise=item.exercise.id,
                name=item.exercise.name,
                rung_words=item.rung_words,
                dose=item.dose,
                minutes=item.minutes,
                tempo=item.tempo,
                days=list(item.days),
                why=item.why,
                steps=list(item.steps),
                feel=item.exercise.feel,
                mistake=item.exercise.mistake,
                stop=item.exercise.stop,
                helper_does=item.exercise.helper_does,
                music=item.music,
            )
            for item in sheet.items
        ],
    )
