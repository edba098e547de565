"""The front end's own tests, which stand beside their sources, run with the others."""

import shutil
import subprocess
from pathlib import Path
from unittest import TestCase

FRONTEND = Path(__file__).resolve().parents[3] / "frontend"


class FrontendUnits(TestCase):
    def test_all_pass(self):
        npm = shutil.which("npm")
        self.assertIsNotNone(npm)
        done = subprocess.run(
            [npm, "run", "--silent", "test"],
            cwd=FRONTEND,
            capture_output=True,
            text=True,
            check=False,
        )
        self.assertEqual(done.returncode, 0, done.stdout[-4000:] + done.stderr[-2000:])
        self.assertRegex(done.stdout, r"Tests\s+.*\d+ passed")
