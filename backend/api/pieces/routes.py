"""A player's own music: brought in, read, fingered, given back; for its teacher alone."""

from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja import File, Form, Router
from ninja.files import UploadedFile

from api.answers import PDF, as_file
from api.days import today
from api.pieces.present import lead_drills_out, passage_out, piece_out
from api.pieces.repertoire import repertoire_out
from api.pieces.schemas import (
    LeadDrillsOut,
    PassageOut,
    PieceIn,
    PieceOut,
    PlayedIn,
    RepertoireOut,
)
from api.uploads import bytes_of
from lefthand.music.reading.unpacking import LARGEST_FILE
from studio.errors import StudioError
from studio.keeping.line import in_line
from studio.lessons.access import player_of
from studio.paper.setting import Paper
from studio.pieces.heard import hear_piece, simulate_piece
from studio.pieces.own_places import choose_place, opened, read_again, remove_piece
from studio.pieces.part import part_pdf
from studio.pieces.pieces import ReadPiece, change_piece, keep_piece, piece_of, pieces_of, read
from studio.pieces.repertoire import repertoire_of
from studio.players.erasing import empty_log
from studio.sheet.one_thing import one_thing_now
from studio.takes.takes import LARGEST_FILE as LARGEST_SOUND

router = Router(tags=["pieces"])


@router.get("/{int:player_id}/pieces", response=list[PieceOut])
def read_pieces(request: HttpRequest, player_id: int) -> list[PieceOut]:
    """The pieces of a player, oldest first."""
    return [piece_out(piece) for piece in pieces_of(player_of(request.user, player_id))]


@router.get("/{int:player_id}/repertoire", response=RepertoireOut)
@in_line
def read_repertoire(request: HttpRequest, player_id: int) -> RepertoireOut:
    """The player's music over time, and what is next for this hand."""
    return repertoire_out(repertoire_of(player_of(request.user, player_id)))


@router.post("/{int:player_id}/pieces", response=PassageOut)
@in_line
def bring_in(request: HttpRequest, player_id: int, file: File[UploadedFile]) -> PassageOut:
    """MusicXML, plain or compressed, 4 MB at most."""
    player = player_of(request.user, player_id)
    data = bytes_of(file, LARGEST_FILE)
    piece = keep_piece(player, data, file.name or "", today(request))
    return _out(request, read_again(piece))


@router.get("/{int:player_id}/pieces/{int:piece_id}", response=PassageOut)
def read_piece(request: HttpRequest, player_id: int, piece_id: int) -> PassageOut:
    """A piece read for this hand: fingers, loads, places, where to let go."""
    return _out(request, opened(piece_of(player_of(request.user, player_id), piece_id)))


@router.post("/{int:player_id}/pieces/{int:piece_id}", response=PassageOut)
@in_line
def change(request: HttpRequest, player_id: int, piece_id: int, data: PieceIn) -> PassageOut:
    """Another part, other bars, another tempo, other fingers, or the place for the week."""
    piece = piece_of(player_of(request.user, player_id), piece_id)
    told: dict[str, Any] = data.dict(exclude_unset=True)
    change_piece(piece, told)
    if told.get("week") is not None:
        return _out(request, choose_place(piece, told["week"]))
    return _out(request, read_again(piece))


@router.get("/{int:player_id}/pieces/{int:piece_id}/way", response=LeadDrillsOut)
def read_drills(request: HttpRequest, player_id: int, piece_id: int) -> LeadDrillsOut:
    """Drills of the place's own notes."""
    piece = piece_of(player_of(request.user, player_id), piece_id)
    bars = (piece.place["first"], piece.place["last"]) if piece.place else None
    return lead_drills_out(read(piece, bars))


@router.post("/{int:player_id}/pieces/{int:piece_id}/take", response=PassageOut)
@in_line
def hear(
    request: HttpRequest,
    player_id: int,
    piece_id: int,
    file: File[UploadedFile],
    told: Form[PlayedIn],
) -> PassageOut:
    """Measure a recording of the bars that are to be heard: any usual sound file, 60 s at most."""
    piece = piece_of(player_of(request.user, player_id), piece_id)
    hear_piece(piece, bytes_of(file, LARGEST_SOUND), told.tempo, today(request))
    return _out(request, read(piece))


@router.post("/{int:player_id}/pieces/{int:piece_id}/take/simulated", response=PassageOut)
@in_line
def hear_simulated(
    request: HttpRequest, player_id: int, piece_id: int, told: PlayedIn
) -> PassageOut:
    """For a practice player a made-up one plays in the place of a microphone."""
    player = player_of(request.user, player_id)
    piece = piece_of(player, piece_id)
    if not player.is_practice:
        raise StudioError("not_allowed")
    simulate_piece(piece, told.tempo, today(request))
    return _out(request, read(piece))


@router.get(
    "/{int:player_id}/pieces/{int:piece_id}/marked.musicxml",
    openapi_extra={"responses": {200: {"content": {"application/vnd.recordare.musicxml+xml": {}}}}},
)
def read_marked(request: HttpRequest, player_id: int, piece_id: int) -> HttpResponse:
    """The file as it came, with fingers and places to let go."""
    piece = piece_of(player_of(request.user, player_id), piece_id)
    return as_file(
        read(piece).marked, "application/vnd.recordare.musicxml+xml", f"piece-{piece.pk}.musicxml"
    )


@router.get(
    "/{int:player_id}/pieces/{int:piece_id}/part.pdf",
    openapi_extra={"responses": {200: {"content": {"application/pdf": {}}}}},
)
@in_line
def read_part(
    request: HttpRequest, player_id: int, piece_id: int, paper: Paper = Paper.A4
) -> HttpResponse:
    """The chosen bars with fingers and places to let go, for the stand."""
    piece = piece_of(player_of(request.user, player_id), piece_id)
    one = one_thing_now(piece.player, today(request))
    pdf = part_pdf(read(piece), paper, one.say if one else "")
    return as_file(pdf, PDF, f"piece-{piece.pk}.pdf", shown=True)


@router.delete("/{int:player_id}/pieces/{int:piece_id}", response=list[PieceOut])
def remove(request: HttpRequest, player_id: int, piece_id: int) -> list[PieceOut]:
    """What is gone already stays gone."""
    player = player_of(request.user, player_id)
    remove_piece(piece_of(player, piece_id))
    empty_log()
    return [piece_out(piece) for piece in pieces_of(player)]


def _out(request: HttpRequest, told: ReadPiece) -> PassageOut:
    return passage_out(told, simulated=told.piece.player.is_practice)
