"""Put a backup in the place of the studio; what was there is kept beside it."""

from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandError, CommandParser
from django.db import connection
from django.db.migrations.loader import MigrationLoader
from django.utils import timezone

from studio.keeping.backup import BackupError, restore_backup


class Command(BaseCommand):
    help = __doc__
    requires_migrations_checks = False

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("file", type=Path)
        parser.add_argument("--over-newer", action="store_true")

    def handle(self, *_args: Any, file: Path, over_newer: bool, **_options: Any) -> None:
        known = set(MigrationLoader(None).disk_migrations or {})
        try:
            aside = restore_backup(
                file,
                settings.DATABASE_FILE,
                known_migrations=known,
                over_newer=over_newer,
                now=timezone.localtime(),
            )
        except BackupError as error:
            raise CommandError(str(error), returncode=2) from error
        connection.close()
        call_command("migrate", verbosity=0)
        self.stdout.write(f"The studio is now that of {file}.")
        if aside is not None:
            self.stdout.write(f"What was there before is kept in {aside}.")
