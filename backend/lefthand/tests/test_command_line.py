"""`python -m lefthand`: JSON on stdout, or exit 2 and one line that names the field."""

import json
import os
import shlex
import subprocess
import sys
import tempfile
from pathlib import Path
from unittest import TestCase

from lefthand.tests.running import run_lefthand

BACKEND = Path(__file__).resolve().parents[2]
CASE = {"format": "jolf-case/1", "instrument": "vn", "observations": {"web.closed": 3}}


def lefthand(command: str, content: str | None) -> subprocess.CompletedProcess[str]:
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "case.json"
        if content is not None:
            path.write_text(content, encoding="utf-8")
        return run_lefthand(command, path)


class CommandLine(TestCase):
    def test_diagnose_and_prescribe_print_their_formats(self):
        for command, form in (("diagnose", "jolf-diagnosis/1"), ("prescribe", "jolf-plan/1")):
            with self.subTest(command):
                done = lefthand(command, json.dumps(CASE))
                self.assertEqual((done.returncode, done.stderr), (0, ""))
                self.assertEqual(json.loads(done.stdout)["format"], form)

    def test_hand_draws_and_names_what_it_cannot_use(self):
        hand = {"format": "jolf-hand/1", "instrument": "vc", "observations": {"wrist.caved": 2}}
        done = lefthand("hand", json.dumps(hand))
        self.assertEqual((done.returncode, done.stderr), (0, ""))
        self.assertEqual(json.loads(done.stdout)["format"], "jolf-picture/1")
        done = lefthand("hand", json.dumps({**hand, "view": "back"}))
        self.assertEqual((done.returncode, done.stdout), (2, ""))
        self.assertIn("view", done.stderr)

    def test_any_command_answers_a_line_for_a_line(self):
        fit = {"format": "jolf-fit/1", "instrument": "vn", "size": "4/4", "span": 70}
        lines = "\n".join(map(json.dumps, (fit, {**fit, "span": 1}, fit)))
        done = run_lefthand("reach", "--lines", "-", typed=lines)
        answers = [json.loads(line) for line in done.stdout.splitlines()]
        self.assertEqual(done.returncode, 2)
        self.assertEqual(answers[1]["error"]["field"], "span")
        self.assertEqual(answers[0], answers[2])
        self.assertEqual(answers[0]["format"], "jolf-reach/1")

    def test_any_locale_prints_and_a_closed_pipe_is_no_error(self):
        case = json.dumps({**CASE, "observations": {"web.closed": 3, "thumb.locked": 3}})
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "case.json"
            path.write_text(case, encoding="utf-8")
            plan = [sys.executable, "-m", "lefthand", "prescribe", str(path)]
            ascii_only = {
                **os.environ,
                "LC_ALL": "C",
                "PYTHONIOENCODING": "ascii",
                "PYTHONUTF8": "0",
            }
            done = subprocess.run(
                plan, cwd=BACKEND, env=ascii_only, capture_output=True, check=False
            )
            self.assertEqual((done.returncode, done.stderr), (0, b""))
            self.assertIn("×", done.stdout.decode("utf-8"))
            piped = f"{shlex.join(plan)} | true; exit ${{PIPESTATUS[0]}}"
            done = subprocess.run(
                ["/bin/bash", "-c", piped], cwd=BACKEND, capture_output=True, check=False
            )
            self.assertEqual((done.returncode, done.stderr), (0, b""))

    def test_odd_files_are_refused_in_one_line(self):
        observations = CASE["observations"]
        odd = (
            (
                '{"format": "jolf-case/1", "instrument": "vn", "observations": {}, "age": %s}'
                % ("9" * 400),
                "age",
            ),
            ('{"a": ' + "9" * 5000 + "}", "is not JSON"),
            ("[" * 100_000, "is not JSON"),
            ("[]", "expected an object"),
            ('"\\ud800"', "expected an object"),
            (json.dumps({**CASE, "instrument": ["vn"]}), "instrument"),
            (json.dumps({**CASE, "observations": [observations]}), "observations"),
            (json.dumps({**CASE, "observations": {"\ud800": 1}}), "observations"),
            (json.dumps({**CASE, "reports": {"pain_when": [1]}}), "reports.pain_when"),
            (json.dumps({**CASE, "passed": {"thumb_taps": 1e300}}), "passed.thumb_taps"),
            (json.dumps({**CASE, "way_of_teaching": {"carry": ["body"]}}), "way_of_teaching.carry"),
            ('{"age": NaN}', "format"),
        )
        for content, words in odd:
            with self.subTest(content[:40]):
                done = lefthand("diagnose", content)
                self.assertEqual((done.returncode, done.stdout), (2, ""), done.stderr)
                self.assertEqual(done.stderr.count("\n"), 1)
                self.assertIn(words, done.stderr)

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

    def test_many_cases_a_line_each_answer_in_order_and_a_bad_one_keeps_its_place(self):
        bad = {**CASE, "observations": {"web.closed": 7}}
        for command, form in (("diagnose", "jolf-diagnosis/1"), ("prescribe", "jolf-plan/1")):
            with self.subTest(command):
                lines = "\n".join([json.dumps(CASE), json.dumps(bad), "{", json.dumps(CASE)])
                done = run_lefthand(command, "--lines", "-", typed=lines)
                first, second, third, last = map(json.loads, done.stdout.splitlines())
                self.assertEqual((done.returncode, done.stderr), (2, ""))
                self.assertEqual((first["format"], first), (form, last))
                self.assertEqual(second["error"]["field"], "observations.web.closed")
                self.assertEqual(third["error"]["field"], "line 3")
