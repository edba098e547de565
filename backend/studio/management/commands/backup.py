"""Copy the studio into one file, while it is served too."""

from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError, CommandParser

from studio.keeping.backup import BackupError, make_backup


class Command(BaseCommand):
    help = __doc__

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("file", type=Path)

    def handle(self, *_args: Any, file: Path, **_options: Any) -> None:
        try:
            make_backup(settings.DATABASE_FILE, file)
        except BackupError as error:
            raise CommandError(str(error), returncode=2) from error
        self.stdout.write(f"The studio is kept in {file} ({file.stat().st_size / 1e6:.1f} MB).")
