"""Commands that ask: teachers are added, get new passwords and go, each asked for twice."""

from io import StringIO
from unittest import mock

from django.contrib.auth import get_user_model
from django.core.management import call_command
from django.core.management.base import CommandError
from django.test import TestCase

from studio.models import Player

ASKED = "studio.management.commands.teacher.getpass.getpass"
GOOD = "soft-thumbs-and-air-9"


class Teachers(TestCase):
    def call(self, *arguments, passwords=(), lines=(), terminal=True):
        out = StringIO()
        with (
            mock.patch(ASKED, side_effect=[*passwords, EOFError]),
            mock.patch("builtins.input", side_effect=[*lines, EOFError]),
            mock.patch("sys.stdin.isatty", return_value=terminal),
            mock.patch("sys.stdout", out),
        ):
            call_command(*arguments, stdout=out)
        return out.getvalue()

    def assert_refused(self, words, *arguments, **more):
        with self.assertRaises(CommandError) as caught:
            self.call(*arguments, **more)
        self.assertIn(words, str(caught.exception))
        self.assertEqual(caught.exception.returncode, 2)

    def test_a_second_teacher_is_added_and_gets_a_new_password(self):
        said = self.call("teacher", "add", "second", passwords=["short", GOOD, "other", GOOD, GOOD])
        self.assertIn("too short", said)
        self.assertIn("two different passwords", said)
        user = get_user_model().objects.get()
        self.assertTrue(user.check_password(GOOD))
        self.call("teacher", "password", "second", passwords=[GOOD + "1", GOOD + "1"])
        user.refresh_from_db()
        self.assertTrue(user.check_password(GOOD + "1"))
        self.assertEqual(self.call("teacher", "list"), "second\n")

    def test_what_cannot_be_done_is_one_line_and_changes_nothing(self):
        get_user_model().objects.create_user("first", password=GOOD)
        table = (
            ("in a terminal only", ("add", "second"), {"terminal": False}),
            ("there is no teacher", ("password", "nobody"), {}),
            ("there is no teacher", ("remove", ""), {}),
            ("a teacher 'First' already", ("add", "First"), {"passwords": [GOOD, GOOD]}),
            ("Enter a valid username", ("add", "a b"), {}),
            ("broken off", ("add", "second"), {"passwords": [GOOD]}),
            ("broken off", ("remove", "first"), {"lines": ["first"]}),
            ("another name", ("remove", "first"), {"lines": ["first", "frist"]}),
        )
        for words, arguments, more in table:
            with self.subTest(arguments=arguments):
                self.assert_refused(words, "teacher", *arguments, **more)
        self.assertEqual(self.call("teacher", "list"), "first\n")

    def test_a_teacher_goes_with_all_players_when_asked_for_twice(self):
        teacher = get_user_model().objects.create_user("first", password=GOOD)
        Player.objects.create(teacher=teacher, name="Pia Example", instrument="vn")
        self.call("teacher", "remove", "first", lines=["first", "first"])
        self.assertFalse(Player.objects.exists() or get_user_model().objects.exists())

    def test_the_first_teacher_is_asked_for_once(self):
        self.assert_refused("in a terminal", "first_teacher", terminal=False)
        said = self.call("first_teacher", lines=["Marle"], passwords=[GOOD, GOOD])
        self.assertIn("Marle can sign in now", said)
        self.assertEqual(self.call("first_teacher"), "")
