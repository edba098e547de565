"""Ask for the first teacher's name and password when there is no teacher yet."""

import getpass
import sys
from typing import Any

from django.contrib.auth import get_user_model
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.core.management.base import BaseCommand, CommandError


class Command(BaseCommand):
    help = __doc__

    def handle(self, *_args: Any, **_options: Any) -> None:
        users = get_user_model().objects
        if users.exists():
            return
        if not sys.stdin.isatty():
            raise CommandError("No teacher yet: run ./jolf serve once in a terminal to make one.")
        self.stdout.write("Welcome. Choose the name and password you will sign in with.")
        name = input("Name: ").strip()
        while True:
            password = getpass.getpass("Password: ")
            try:
                validate_password(password)
                break
            except ValidationError as error:
                self.stdout.write(" ".join(error.messages))
        users.create_user(name, password=password)
        self.stdout.write(f"{name} can sign in now.")
