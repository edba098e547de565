"""Letters about players, for a parent, a colleague or a doctor."""

from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from api.answers import PDF, as_file
from api.days import today
from api.letters.schemas import LetterOut, LettersIn, ParagraphOut
from studio.desk.desk import name_of
from studio.errors import StudioError
from studio.groups.groups import group_of
from studio.lessons.access import player_of
from studio.progress.letter_about import Paragraph
from studio.progress.letter_pages import letters_pdf
from studio.progress.letters import (
    WITH_PICTURE,
    Letter,
    Reader,
    draft,
    shown_term,
)
from studio.progress.term import term_page

router = Router(tags=["letters"])
MOST = 60


@router.get("/{reader}", response=list[LetterOut])
def read_drafts(
    request: HttpRequest,
    reader: Reader,
    players: Annotated[list[int], Query(max_length=MOST)] = [],  # noqa: B006 - read only
    group: int | None = None,
) -> list[LetterOut]:
    """Drafts for players, or for all players of a group."""
    ids = list(players)
    if group is not None:
        ids += group_of(request.user, group).players.order_by("name").values_list("pk", flat=True)
    if not ids:
        raise StudioError("bad_input", "players", "expected a player or a group")
    on = today(request)
    return [_letter_out(draft(player_of(request.user, pk), reader, on)) for pk in ids[:MOST]]


@router.post(
    "/{reader}/pdf",
    openapi_extra={"responses": {200: {"content": {"application/pdf": {}}}}},
)
def make_pdf(request: HttpRequest, reader: Reader, data: LettersIn) -> HttpResponse:
    """The letters as they were edited."""
    on = today(request)
    letters = []
    for each in data.letters:
        player = player_of(request.user, each.player)
        shows = each.picture and reader in WITH_PICTURE
        letters.append(
            Letter(
                player=player,
                title=each.title,
                paragraphs=[
                    Paragraph(p.heading, p.text) for p in each.paragraphs if p.text.strip()
                ],
                term=shown_term(term_page(player, on).term) if shows else None,
            )
        )
    pdf = letters_pdf(letters, author=name_of(request.user), on=on, paper=data.paper)
    return as_file(pdf, PDF, f"letter-{on}.pdf")


def _letter_out(letter: Letter) -> LetterOut:
    return LetterOut(
        player=letter.player.pk,
        name=letter.player.name,
        title=letter.title,
        paragraphs=[ParagraphOut(heading=p.heading, text=p.text) for p in letter.paragraphs],
        has_picture=letter.term is not None,
    )
