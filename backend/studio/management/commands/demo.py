"""Build the demo studio in this database; one that is there stays as it was left."""

from typing import Any

from django.contrib.auth import get_user_model
from django.core.management.base import BaseCommand, CommandParser
from django.utils import timezone

from studio.demo.data import DEMO_PASSWORD, DEMO_USERNAME
from studio.demo.past_data import MOST_WEEKS, TERM_WEEKS


class Command(BaseCommand):
    help = __doc__

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("--fresh", action="store_true", help="build it anew")
        parser.add_argument(
            "--weeks",
            type=int,
            choices=range(MOST_WEEKS + 1),
            metavar=f"0..{MOST_WEEKS}",
            default=TERM_WEEKS,
            help="how far back the lessons reach (default: a term)",
        )

    def handle(self, *_args: Any, fresh: bool, weeks: int, **_options: Any) -> None:
        if not fresh and get_user_model().objects.filter(username=DEMO_USERNAME).exists():
            self.stdout.write("The demo studio is kept as it is; --fresh builds it anew.")
        else:
            from studio.demo.studio import build_studio  # noqa: PLC0415 - takes a while

            count = build_studio(timezone.localdate(), weeks)
            self.stdout.write(f"Demo studio with {count} players is ready.")
        self.stdout.write(f"Sign in as {DEMO_USERNAME} with {DEMO_PASSWORD}")
