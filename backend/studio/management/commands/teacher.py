"""Add a teacher, choose a new password, remove a teacher, or list them."""

import getpass
import sys
from typing import Any

from django.contrib.auth import get_user_model
from django.contrib.auth.models import AbstractBaseUser
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.core.management.base import BaseCommand, CommandError, CommandParser

from studio.desk.people import name_problem
from studio.players.erasing import empty_log, erase_players_of

ACTIONS = ("add", "password", "remove", "list")


class Command(BaseCommand):
    help = __doc__

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("action", choices=ACTIONS)
        parser.add_argument("name", nargs="?", default="")

    def handle(self, *_args: Any, action: str, name: str, **_options: Any) -> None:
        try:
            if action == "list":
                self._list()
            elif action == "add":
                self._add(name.strip())
            elif action == "password":
                self._new_password(find_teacher(name.strip()))
            else:
                self._remove(find_teacher(name.strip()))
        except (EOFError, KeyboardInterrupt) as error:
            raise CommandError("broken off; nothing was changed", returncode=2) from error

    def _list(self) -> None:
        for user in get_user_model().objects.order_by("username"):
            self.stdout.write(user.get_username())

    def _add(self, name: str) -> None:
        check_name(name)
        get_user_model().objects.create_user(name, password=ask_password(name))
        self.stdout.write(f"{name} can sign in now.")

    def _new_password(self, teacher: AbstractBaseUser) -> None:
        teacher.set_password(ask_password(teacher.get_username()))
        teacher.save()
        self.stdout.write(f"{teacher.get_username()} signs in with the new password from now on.")

    def _remove(self, teacher: AbstractBaseUser) -> None:
        name = teacher.get_username()
        count = teacher.players.count()  # type: ignore[attr-defined]
        self.stdout.write(f"{name} goes with {count} players and all their records, for good.")
        if input(f"Type {name} to go on: ") != name or input("And once more: ") != name:
            raise CommandError("that is another name; nothing was changed", returncode=2)
        erase_players_of(teacher)
        teacher.delete()
        empty_log()
        self.stdout.write(f"{name} is gone.")


def find_teacher(name: str) -> AbstractBaseUser:
    teacher = get_user_model().objects.filter(username=name).first()
    if teacher is None:
        raise CommandError(f"there is no teacher {name!r}; ./jolf teacher list", returncode=2)
    return teacher


def check_name(name: str) -> None:
    """Raise CommandError for a name that cannot be used."""
    problem = name_problem(name)
    if problem:
        ending = "" if name else ": ./jolf teacher add NAME"
        raise CommandError(f"{problem}{ending}", returncode=2)


def ask_password(name: str) -> str:
    """A good password, asked for twice. Raises CommandError where nobody can be asked."""
    if not sys.stdin.isatty():
        raise CommandError("a password is asked for in a terminal only", returncode=2)
    while True:
        password = getpass.getpass(f"New password of {name}: ")
        try:
            validate_password(password, get_user_model()(username=name))
        except ValidationError as error:
            sys.stdout.write(" ".join(error.messages) + "\n")
            continue
        if getpass.getpass("The same again: ") == password:
            return password
        sys.stdout.write("These are two different passwords; once more.\n")
