"""How `./jolf` sets itself up: steps side by side, and trouble told in one line."""

import io
import subprocess
import sys
import threading
from contextlib import redirect_stdout
from unittest import TestCase

from config.tests.test_serving import load_jolf


class SideBySide(TestCase):
    def setUp(self):
        self.jolf = load_jolf()
        self.steps = self.jolf.Steps()

    def run_lines(self, *lines):
        out = io.StringIO()
        with redirect_stdout(out):
            self.steps.beside(*lines)
        return out.getvalue()

    def test_lines_run_at_once_and_each_step_says_what_it_took(self):
        both = threading.Barrier(2, timeout=20)  # neither gets on without the other
        told = self.run_lines(
            lambda: self.steps.step("one", both.wait), lambda: self.steps.step("other", both.wait)
        )
        self.assertEqual(sorted(told.split("\n")[:2]), ["jolf: one (0 s)", "jolf: other (0 s)"])

    def test_what_fails_stops_the_other_lines_before_their_next_step(self):
        failed, made = threading.Event(), []

        def breaks():
            try:
                raise self.jolf.MissingError("no disk")
            finally:
                failed.set()

        def goes_on():
            self.steps.step("first", lambda: failed.wait(20))
            self.steps.step("second", lambda: made.append("second"))

        with self.assertRaises(self.jolf.MissingError):
            self.run_lines(lambda: self.steps.step("broken", breaks), goes_on)
        self.assertEqual(made, [])

    def test_a_failed_command_tells_all_it_said_and_what_it_means_in_one_line(self):
        table = (
            ("OSError: [Errno 28] No space left on device", "the disk is full"),
            ("npm error code ENOTFOUND", "no network"),
            ("Temporary failure in name resolution", "no network"),
            ("error: command 'gcc' failed", "no compiler"),
            ("something else", "this step failed:"),
        )
        for output, words in table:
            command = (sys.executable, "-c", f"print({output!r}); raise SystemExit(3)")
            with self.subTest(output), self.assertRaises(self.jolf.FailedError) as caught:
                self.jolf.run_quietly(*command)
            self.assertEqual((caught.exception.code, caught.exception.output.strip()), (3, output))
            self.assertIn(words, caught.exception.words())
            self.assertNotIn("\n", caught.exception.words())

    def test_what_builds_the_demo_is_not_told_to_the_server_once_it_is_built(self):
        for given, left in (
            (["--fresh", "--port", "81"], ["--port", "81"]),
            (["--weeks", "3", "--network"], ["--network"]),
            (["--weeks=3", "--port=81"], ["--port=81"]),
            ([], []),
        ):
            self.assertEqual(self.jolf.without_building(given), left)


class InsideItsOwnEnvironment(TestCase):
    def test_packages_can_be_installed_also_by_the_python_that_has_no_pip(self):
        jolf = load_jolf()
        asked = subprocess.run(
            [*jolf.pip_for(jolf.PYTHON), "list"], capture_output=True, text=True, check=False
        )
        self.assertEqual(asked.returncode, 0, asked.stderr)
        self.assertIn("Django", asked.stdout)
