"""Writing what can be made anew at any time: only while nobody else is writing."""

from collections.abc import Callable
from contextlib import suppress

from django.db import DatabaseError, connection, transaction


def write_if_free(write: Callable[[], object]) -> None:
    """Run `write`, or leave it when the database is busy, or when what it is about has gone
    meanwhile: who only reads never waits for it."""
    if connection.in_atomic_block:
        write()
        return
    patience = connection.settings_dict["OPTIONS"]["timeout"]
    with connection.cursor() as cursor:
        cursor.execute("PRAGMA busy_timeout=0")
        try:
            with suppress(DatabaseError), transaction.atomic():
                write()
        finally:
            cursor.execute(f"PRAGMA busy_timeout={int(1000 * patience)}")
