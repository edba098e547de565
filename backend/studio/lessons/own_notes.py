"""Lines that a teacher writes to oneself: for next time, and of talks with parents or players."""

from datetime import date

from studio.errors import StudioError
from studio.models import OwnNote, Player

MOST_NOTES = 500
MOST_LETTERS = 600
KINDS = (OwnNote.NEXT, OwnNote.TALK)


def notes_to_oneself(player: Player) -> list[OwnNote]:
    """Newest first; lines for next time that are still open come first."""
    notes = list(player.own_notes.all())
    return sorted(notes, key=lambda note: note.kind != OwnNote.NEXT or note.done_on is not None)


def write_note(
    player: Player, kind: str, text: str, on: date, done_on: date | None = None
) -> OwnNote:
    """Raises StudioError naming the field."""
    words = " ".join(text.split())
    if kind not in KINDS:
        raise StudioError("bad_input", "kind", f"expected one of {', '.join(KINDS)}")
    if not words:
        raise StudioError("bad_input", "text", "write something first")
    if len(words) > MOST_LETTERS:
        problem = f"expected at most {MOST_LETTERS} letters, got {len(words)}"
        raise StudioError("bad_input", "text", problem)
    if player.own_notes.count() >= MOST_NOTES:
        raise StudioError("conflict", "text", f"there are {MOST_NOTES} notes: remove some")
    return OwnNote.objects.create(player=player, kind=kind, text=words, on=on, done_on=done_on)


def settle_note(player: Player, note_id: int, done_on: date | None) -> None:
    """Done with, or open again with None. Raises StudioError for no note of this player."""
    if not player.own_notes.filter(pk=note_id).update(done_on=done_on):
        raise StudioError("not_found", "note")


def remove_note(player: Player, note_id: int) -> None:
    """What is gone already stays gone."""
    player.own_notes.filter(pk=note_id).delete()
