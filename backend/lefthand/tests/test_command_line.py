"""`python -m lefthand`: JSON on stdout, or exit 2 and one line that names the field."""

import json
import subprocess
import sys
import tempfile
from pathlib import Path
from unittest import TestCase

BACKEND = Path(__file__).resolve().parents[2]
CASE = {"format": "jolf-case/1", "instrument": "vn", "observations": {"web.closed": 3}}


def lefthand(command: str, content: str | None) -> subprocess.CompletedProcess[str]:
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "case.json"
        if content is not None:
            path.write_text(content, encoding="utf-8")
        return subprocess.run(
            [sys.executable, "-m", "lefthand", command, str(path)],
            cwd=BACKEND,
            capture_output=True,
            text=True,
            check=False,
        )


class CommandLine(TestCase):
    def test_diagnose_and_prescribe_print_their_formats(self):
        for command, form in (("diagnose", "jolf-diagnosis/1"), ("prescribe", "jolf-plan/1")):
            with self.subTest(command):
                done = lefthand(command, json.dumps(CASE))
                self.assertEqual((done.returncode, done.stderr), (0, ""))
                self.assertEqual(json.loads(done.stdout)["format"], form)

    def test_bad_input_is_one_line_that_names_the_field_and_exit_two(self):
        bad = json.dumps({**CASE, "observations": {"web.closed": 7}})
        for content, words in (
            (bad, "observations.web.closed"),
            ("{", "is not JSON"),
            (None, "cannot be read"),
        ):
            with self.subTest(words):
                done = lefthand("diagnose", content)
                self.assertEqual((done.returncode, done.stdout), (2, ""))
                self.assertEqual(done.stderr.count("\n"), 1)
                self.assertIn(words, done.stderr)
