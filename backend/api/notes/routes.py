"""A teacher's notes to oneself about a player: on no sheet, no phone and in no letter."""

from django.http import HttpRequest
from ninja import Router

from api.days import today
from api.notes.schemas import NoteDoneIn, NoteIn, NoteOut
from studio.errors import StudioError
from studio.lessons.access import player_of
from studio.lessons.own_notes import notes_to_oneself, remove_note, settle_note, write_note
from studio.models import Player

router = Router(tags=["notes"])


@router.get("/{int:player_id}/notes", response=list[NoteOut])
def read_notes(request: HttpRequest, player_id: int) -> list[NoteOut]:
    """Open lines for next time first, then the newest."""
    return _out(player_of(request.user, player_id))


@router.post("/{int:player_id}/notes", response=list[NoteOut])
def keep_note(request: HttpRequest, player_id: int, data: NoteIn) -> list[NoteOut]:
    """Keep one line; the answer is the whole list."""
    player = player_of(request.user, player_id)
    now = today(request)
    if data.on is not None and data.on > now:
        raise StudioError("bad_input", "on", "lies in the future")
    write_note(player, data.kind, data.text, data.on or now)
    return _out(player)


@router.post("/{int:player_id}/notes/{int:note_id}", response=list[NoteOut])
def settle(request: HttpRequest, player_id: int, note_id: int, data: NoteDoneIn) -> list[NoteOut]:
    """Done with, or open again."""
    player = player_of(request.user, player_id)
    settle_note(player, note_id, today(request) if data.done else None)
    return _out(player)


@router.delete("/{int:player_id}/notes/{int:note_id}", response=list[NoteOut])
def remove(request: HttpRequest, player_id: int, note_id: int) -> list[NoteOut]:
    """What is gone already stays gone."""
    player = player_of(request.user, player_id)
    remove_note(player, note_id)
    return _out(player)


def _out(player: Player) -> list[NoteOut]:
    return [
        NoteOut(id=n.pk, kind=n.kind, on=n.on, text=n.text, done_on=n.done_on)
        for n in notes_to_oneself(player)
    ]
