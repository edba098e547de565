"""The line frontend -> api -> studio -> lefthand holds, and files stay small."""

import ast
import subprocess
import sys
from pathlib import Path
from unittest import TestCase

BACKEND = Path(__file__).resolve().parents[2]
ROOT = BACKEND.parent
MOST_LINES = 500
MOST_OF_A_FUNCTION = 50


class Architecture(TestCase):
    def test_imports_go_one_way(self):
        done = subprocess.run(
            [str(Path(sys.executable).parent / "lint-imports"), "--config", str(ROOT / "pyproject.toml"),
             "--no-cache"],
            cwd=BACKEND, capture_output=True, text=True, check=False,
        )  # fmt: skip
        self.assertEqual(done.returncode, 0, done.stdout + done.stderr)

    def test_the_front_end_reaches_the_server_only_through_its_client(self):
        sources = [
            path for path in (ROOT / "frontend" / "src").rglob("*.ts*") if path.parent.name != "api"
        ]
        self.assertGreater(len(sources), 50)
        for path in sources:
            text = path.read_text(encoding="utf-8").replace("refetch(", "")
            self.assertNotIn("fetch(", text.replace("prefetch(", ""), path)

    def test_no_function_is_a_long_one(self):
        sources = [p for p in BACKEND.rglob("*.py") if not {"tests", "migrations"} & set(p.parts)]
        self.assertGreater(len(sources), 100)
        long = [
            f"{path.name}: {node.name}"
            for path in sources
            for node in ast.walk(ast.parse(path.read_text(encoding="utf-8")))
            if isinstance(node, ast.FunctionDef)
            and (node.end_lineno or 0) - node.lineno >= MOST_OF_A_FUNCTION
        ]
        self.assertEqual(long, [])

    def test_no_file_is_a_long_one(self):
        sources = [*BACKEND.rglob("*.py"), *(ROOT / "frontend" / "src").rglob("*.ts*")]
        long = [p for p in sources if p.name != "schema.d.ts" and "migrations" not in p.parts
                and len(p.read_text(encoding="utf-8").splitlines()) > MOST_LINES]  # fmt: skip
        self.assertEqual(long, [])
