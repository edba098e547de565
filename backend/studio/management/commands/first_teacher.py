"""Ask for the first teacher's name and password when there is no teacher yet."""

import sys
from typing import Any

from django.contrib.auth import get_user_model
from django.core.management.base import BaseCommand, CommandError

from studio.management.commands.teacher import ask_password, check_name


class Command(BaseCommand):
    help = __doc__

    def handle(self, *_args: Any, **_options: Any) -> None:
        users = get_user_model().objects
        if users.exists():
            return
        if not sys.stdin.isatty():
            problem = "no teacher yet: run ./jolf serve once in a terminal to make one"
            raise CommandError(problem, returncode=2)
        self.stdout.write("Welcome. Choose the name and password you will sign in with.")
        try:
            name = input("Name: ").strip()
            check_name(name)
            users.create_user(name, password=ask_password(name))
        except (EOFError, KeyboardInterrupt) as error:
            raise CommandError("broken off; nothing was changed", returncode=2) from error
        self.stdout.write(f"{name} can sign in now.")
