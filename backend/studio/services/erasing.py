"""Erasing for good: records go, their bytes are overwritten, and the log is emptied."""

import logging

from django.db import DatabaseError, connection

from studio.models import Player
from studio.services.lessons import Teacher, players_of

log = logging.getLogger("jolf.studio")


def erase_player(player: Player) -> None:
    """The player and every record of them. There is no way back."""
    player.delete()
    empty_log()


def erase_players_of(teacher: Teacher) -> None:
    players_of(teacher).delete()
    empty_log()


def empty_log() -> None:
    """Move what the write-ahead log holds into the database and cut the log to nothing.

    Freed pages are overwritten with zeros as `secure_delete` is on. While somebody is reading it
    may not go at once; then the next erasing, or the next start, does it.
    """
    if connection.in_atomic_block:
        return
    try:
        with connection.cursor() as cursor:
            cursor.execute("PRAGMA wal_checkpoint(TRUNCATE)")
            is_busy, *_ = cursor.fetchone()
    except DatabaseError:
        is_busy = True
    if is_busy:
        log.warning("what was erased leaves the log with the next start: somebody was reading")
