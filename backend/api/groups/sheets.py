"""The sheets of a class in one print."""

from django.http import HttpRequest, HttpResponse
from ninja import Router

from api.answers import PDF, as_file
from api.days import today
from api.groups.schemas import ClassSheetsOut
from api.sheets.code import code_for
from studio.errors import StudioError
from studio.groups.groups import group_of, weeks_of
from studio.keeping.line import in_line
from studio.paper.setting import Paper
from studio.sheet.pages import PageFor, sheets_pdf
from studio.sheet.sheet import build_sheet

router = Router(tags=["groups"])


@router.get("/{int:group_id}/sheets", response=ClassSheetsOut)
def read_class_sheets(request: HttpRequest, group_id: int) -> ClassSheetsOut:
    """Whose sheets would be printed, and who has no week."""
    weeks = weeks_of(group_of(request.user, group_id), today(request))
    return ClassSheetsOut(
        printed=[player.name for player, lesson in weeks if lesson is not None],
        without=[player.name for player, lesson in weeks if lesson is None],
    )


@router.get(
    "/{int:group_id}/sheets.pdf",
    openapi_extra={"responses": {200: {"content": {"application/pdf": {}}}}},
)
@in_line
def read_class_sheets_pdf(
    request: HttpRequest,
    group_id: int,
    paper: Paper = Paper.A4,
    large: bool = False,
    helper: bool = False,
) -> HttpResponse:
    """The sheets of all who have a week, by name; each begins a page. `helper`: each with a page
    for whoever sits beside at home."""
    on = today(request)
    lessons = [lesson for _, lesson in weeks_of(group_of(request.user, group_id), on) if lesson]
    if not lessons:
        raise StudioError("bad_input", "group", "nobody in it has a week yet")
    sheets = [
        (
            build_sheet(lesson, on),
            PageFor(paper, large, code_for(request, lesson.player), helper),
        )
        for lesson in lessons
    ]
    return as_file(sheets_pdf(sheets), PDF, f"practice-class-{on}.pdf", shown=True)
