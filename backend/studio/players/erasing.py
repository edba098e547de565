"""Erasing for good: records go, their bytes are overwritten, and the log is emptied.

While somebody is reading the log cannot be emptied; a file beside the database then says that it is
still to be done, and every later request, the end of the server and the next start try again.
"""

import logging
from pathlib import Path
from typing import Any

from django.db import DatabaseError, connection

from studio.lessons.access import Teacher, players_of
from studio.models import Player

STILL_IN_LOG = "erased-still-in-log"
log = logging.getLogger("jolf.studio")


def erase_player(player: Player) -> bool:
    """The player and every record of them. There is no way back. False while a trace is still in
    the log, because somebody is reading."""
    player.delete()
    return empty_log()


def erase_players_of(teacher: Teacher) -> None:
    players_of(teacher).delete()
    empty_log()


def empty_log() -> bool:
    """Move what the write-ahead log holds into the database and cut the log to nothing; whether
    that is done. Freed pages are overwritten with zeros as `secure_delete` is on."""
    if connection.in_atomic_block or _cut():
        return True
    empty_log_soon()
    log.warning("what was erased leaves the log a little later: somebody was reading")
    return False


def empty_log_soon() -> None:
    """At the end of this request, or of a later one; waits for nobody."""
    _still_to_do().touch(mode=0o600)


def empty_log_again(**_signal: Any) -> None:
    """Once more where it could not be done before; waits for nobody."""
    if not _still_to_do().exists() or connection.in_atomic_block:
        return
    patience = connection.settings_dict["OPTIONS"]["timeout"]
    with connection.cursor() as cursor:
        cursor.execute("PRAGMA busy_timeout=0")
        try:
            is_done = _cut()
        finally:
            cursor.execute(f"PRAGMA busy_timeout={int(1000 * patience)}")
    if is_done:
        _still_to_do().unlink(missing_ok=True)


def _cut() -> bool:
    try:
        with connection.cursor() as cursor:
            cursor.execute("PRAGMA wal_checkpoint(TRUNCATE)")
            is_busy, *_ = cursor.fetchone()
    except DatabaseError:
        return False
    return not is_busy


def _still_to_do() -> Path:
    name = Path(connection.settings_dict["NAME"])
    return name.with_name(f"{name.stem}-{STILL_IN_LOG}")
