"""Writers of one process take turns.

The database lets one write at a time and has no queue: who waits asks again now and then, and may
be passed over until its patience ends. Here they stand in line, so that the database is asked by
one of them only.
"""

import threading
from collections.abc import Iterator
from contextlib import contextmanager

from django.db import OperationalError, connection

_turn = threading.Lock()


@contextmanager
def my_turn() -> Iterator[None]:
    """Wait for the turn as long as for the database. Raises OperationalError after that."""
    if connection.in_atomic_block:  # it writes already
        yield
        return
    if not _turn.acquire(timeout=connection.settings_dict["OPTIONS"]["timeout"]):
        raise OperationalError("database is locked")
    try:
        yield
    finally:
        _turn.release()
