"""The term of a player: on screen, and as a picture to take along."""

from django.http import HttpRequest, HttpResponse
from ninja import Router

from api.days import today
from api.term.present import term_out
from api.term.schemas import TermOut
from lefthand.drawing.term.ground import Size
from lefthand.drawing.term.picture import Span
from studio.errors import StudioError
from studio.paper.picture import term_png, term_svg
from studio.services.lessons import player_of
from studio.services.term import term_page

router = Router(tags=["term"])


@router.get("/{int:player_id}/term", response=TermOut)
def read_term(
    request: HttpRequest, player_id: int, size: Size = Size.WIDE, span: Span = Span.TERM
) -> TermOut:
    """What has changed, in words and as a picture for a wide or a narrow screen."""
    player = player_of(request.user, player_id)
    return term_out(term_page(player, today(request)), size, span)


@router.get(
    "/{int:player_id}/term.{kind}",
    openapi_extra={"responses": {200: {"content": {"image/svg+xml": {}, "image/png": {}}}}},
)
def read_picture(
    request: HttpRequest, player_id: int, kind: str, span: Span = Span.TERM
) -> HttpResponse:
    """The picture as a file, svg or png, in the colours of paper."""
    kept = term_page(player_of(request.user, player_id), today(request))
    if kept.term is None or kind not in ("svg", "png"):
        raise StudioError("not_found", "term")
    if kind == "svg":
        response = HttpResponse(term_svg(kept.term, span), content_type="image/svg+xml")
    else:
        response = HttpResponse(term_png(kept.term, span), content_type="image/png")
    response["Content-Disposition"] = f'attachment; filename="term-{player_id}.{kind}"'
    return response
