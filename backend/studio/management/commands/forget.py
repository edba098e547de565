"""Remove copies that were kept beside the studio before updates and restores."""

from datetime import timedelta
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError, CommandParser
from django.utils import timezone

from studio.keeping.copies import copies_beside, forget


class Command(BaseCommand):
    help = __doc__
    requires_migrations_checks = False

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--older-than", type=int, default=0, metavar="DAYS")

    def handle(self, *_args: Any, older_than: int, **_options: Any) -> None:
        until = timezone.localtime().replace(tzinfo=None) - timedelta(days=max(0, older_than))
        known = copies_beside(settings.DATABASE_FILE)
        for copy in (each for each in known if each.made <= until):
            try:
                forget(copy)
            except OSError as error:
                raise CommandError(f"{copy.path} cannot be removed ({error.strerror})") from error
            self.stdout.write(f"removed {copy.path}")
        left = len(copies_beside(settings.DATABASE_FILE))
        self.stdout.write(
            f"{left} kept. Backups that you have put elsewhere hold what was erased since, too."
        )
