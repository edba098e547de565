"""The term of a player: on screen, as a picture and as a table to take along."""

from django.http import HttpRequest, HttpResponse
from ninja import Router

from api.answers import as_file
from api.days import today
from api.term.present import term_out
from api.term.schemas import TermOut
from lefthand.drawing.term.ground import Size
from lefthand.drawing.term.picture import Span
from studio.errors import StudioError
from studio.lessons.access import player_of, players_of
from studio.progress.tables import table_of
from studio.progress.term import term_page
from studio.progress.term_file import term_png, term_svg

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
    name = f"term-{player_id}.{kind}"
    if kind == "svg":
        return as_file(term_svg(kept.term, span), "image/svg+xml", name)
    return as_file(term_png(kept.term, span), "image/png", name)


@router.get(
    "/{int:player_id}/table.csv",
    openapi_extra={"responses": {200: {"content": {"text/csv": {}}}}},
)
def read_table(request: HttpRequest, player_id: int) -> HttpResponse:
    """Everything that was written down of a player, a row each."""
    return _csv(table_of([player_of(request.user, player_id)]), f"player-{player_id}")


@router.get(
    "/table.csv",
    openapi_extra={"responses": {200: {"content": {"text/csv": {}}}}},
)
def read_all(request: HttpRequest) -> HttpResponse:
    """The same of all players."""
    players = players_of(request.user).select_related("teacher__studio_settings")
    return _csv(table_of(list(players.order_by("name", "pk"))), "players")


def _csv(table: str, name: str) -> HttpResponse:
    return as_file(table.encode(), "text/csv; charset=utf-8", f"{name}.csv")
