"""Whose leave there is to keep pictures and sounds of a player; withdrawn, they are erased."""

from datetime import date

from studio.errors import StudioError
from studio.models import HandPicture, KeptSound, Leave, Player
from studio.players.erasing import empty_log

PICTURE, SOUND = "picture", "sound"
KINDS = (PICTURE, SOUND)
BY = ("player", "parent")
MAX_NAME = 80


def need_leave(player: Player, kind: str) -> None:
    """Raises StudioError `leave_needed` on the kind; a practice player is nobody."""
    if not player.is_practice and not player.leaves.filter(kind=kind).exists():
        raise StudioError("leave_needed", kind, "nobody has given leave to keep it yet")


def give_leave(player: Player, *, kind: str, by: str, name: str, on: date) -> Leave:
    """Note it, over an earlier one. Raises StudioError naming the field."""
    if kind not in KINDS:
        raise StudioError("bad_input", "kind", f"expected one of {', '.join(KINDS)}")
    if by not in BY:
        raise StudioError("bad_input", "by", f"expected one of {', '.join(BY)}")
    name = " ".join(name.split())
    if not 2 <= sum(c.isalpha() for c in name) <= len(name) <= MAX_NAME:
        raise StudioError("bad_input", "name", "say by name who has said yes")
    told = {"by": by, "name": name, "on": on}
    return Leave.objects.update_or_create(player=player, kind=kind, defaults=told)[0]


def withdraw(player: Player, kind: str) -> None:
    """What was kept with this leave goes at once. Raises StudioError."""
    if kind not in KINDS:
        raise StudioError("not_found", "kind")
    erase_kept(player, kind)
    player.leaves.filter(kind=kind).delete()
    empty_log()


def erase_kept(player: Player, *kinds: str) -> None:
    if PICTURE in kinds:
        HandPicture.objects.filter(player=player).delete()
    if SOUND in kinds:
        KeptSound.objects.filter(take__lesson__player=player).delete()
