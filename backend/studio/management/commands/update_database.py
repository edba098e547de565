"""Bring the database up to date, with a copy of it kept beside it before anything is changed."""

from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.exceptions import ImproperlyConfigured
from django.core.management import call_command
from django.core.management.base import BaseCommand
from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.utils import timezone

from studio.keeping.backup import STAMP, BackupError, make_backup, restore_backup


class Command(BaseCommand):
    help = __doc__
    requires_migrations_checks = False

    def handle(self, *_args: Any, **_options: Any) -> None:
        executor = MigrationExecutor(connection)
        steps = executor.migration_plan(executor.loader.graph.leaf_nodes())
        if not steps:
            return
        copy = self._keep_copy() if executor.loader.applied_migrations else None
        try:
            call_command("migrate", verbosity=0)
        except Exception as error:
            raise ImproperlyConfigured(_undone(copy, error)) from error

    def _keep_copy(self) -> Path:
        database = settings.DATABASE_FILE
        copy = database.with_name(f"before-update-{timezone.localtime().strftime(STAMP)}.sqlite3")
        try:
            make_backup(database, copy)
        except BackupError as error:
            raise ImproperlyConfigured(str(error)) from error
        return copy


def _undone(copy: Path | None, error: Exception) -> str:
    """Put the copy back; the line that says so."""
    database = settings.DATABASE_FILE
    connection.close()
    if copy is None:
        return f"{database} could not be made ({error}); delete it and start again"
    known = set(MigrationExecutor(connection).loader.disk_migrations or {})
    restore_backup(
        copy, database, known_migrations=known, over_newer=True, now=timezone.localtime()
    )
    return (
        f"{database} could not be brought up to date ({error}); it is as it was before, "
        f"with a copy in {copy}; go on with the earlier version of Jolf"
    )
