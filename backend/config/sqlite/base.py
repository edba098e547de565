"""The database backend: Django's own, but that a clone for side-by-side tests has what is still in
the write-ahead log."""

from typing import Any

from django.db.backends.sqlite3 import base
from django.db.backends.sqlite3.creation import DatabaseCreation


class Creation(DatabaseCreation):
    def _clone_test_db(self, suffix: str, verbosity: int, keepdb: bool = False) -> None:
        with self.connection.cursor() as cursor:
            cursor.execute("PRAGMA wal_checkpoint(TRUNCATE)")
        super()._clone_test_db(suffix, verbosity, keepdb)  # type: ignore[misc]  # not in the stubs


class DatabaseWrapper(base.DatabaseWrapper):
    creation_class: Any = Creation
