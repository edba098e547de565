"""The front end's own tests, which stand beside their sources, run with the others."""

import os
import shutil
import subprocess
import tempfile
from pathlib import Path
from unittest import TestCase

from django.test import RequestFactory

from api.catalogue.routes import read_catalogue

FRONTEND = Path(__file__).resolve().parents[3] / "frontend"


class FrontendUnits(TestCase):
    seconds_each = 50

    def test_all_pass(self):
        npm = shutil.which("npm")
        self.assertIsNotNone(npm)
        with tempfile.TemporaryDirectory() as folder:
            catalogue = Path(folder) / "catalogue.json"
            sent = read_catalogue(RequestFactory().get("/")).model_dump_json()
            catalogue.write_text(sent, encoding="utf-8")
            done = subprocess.run(
                [npm, "run", "--silent", "test"],
                cwd=FRONTEND,
                env={**os.environ, "VITE_CATALOGUE": str(catalogue)},
                capture_output=True,
                text=True,
                check=False,
            )
        self.assertEqual(done.returncode, 0, done.stdout[-4000:] + done.stderr[-2000:])
        self.assertRegex(done.stdout, r"Tests\s+.*\d+ passed")
        self.assertNotIn("skipped", done.stdout)
