"""Build the demo studio in this database."""

from typing import Any

from django.core.management.base import BaseCommand
from django.utils import timezone

from studio.demo_data import DEMO_PASSWORD, DEMO_USERNAME
from studio.services.demo import build_demo


class Command(BaseCommand):
    help = __doc__

    def handle(self, *_args: Any, **_options: Any) -> None:
        players = build_demo(timezone.localdate())
        self.stdout.write(f"Demo studio with {len(players)} players is ready.")
        self.stdout.write(f"Sign in as {DEMO_USERNAME} with {DEMO_PASSWORD}")
