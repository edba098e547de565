"""What the documents name is there: files, folders, links."""

import re
from pathlib import Path
from unittest import TestCase

BACKEND = Path(__file__).resolve().parents[2]
ROOT = BACKEND.parent
CORE = BACKEND / "lefthand"
# A path is told from one of these.
FROM = (
    ROOT,
    BACKEND,
    BACKEND / "studio",
    CORE,
    CORE / "catalogue",
    ROOT / "frontend",
    ROOT / "frontend" / "src",
)
DOCUMENTS = [ROOT / "README.md", *sorted((ROOT / "docs").rglob("*.md"))]
PATH = re.compile(r"`([\w.-]+/[\w./-]*)`")
FILE = re.compile(r"`([\w-]+\.(?:py|yaml|tsx?|json|typ|md|html))`")
# Formats, and what is there once something has run.
NO_FILE = re.compile(r"jolf-\w+/\d|(?:build|data)/.*")
LINK = re.compile(r"\]\(([^)#:]+)\)")


class Documents(TestCase):
    def test_what_is_named_is_there(self):
        files = {
            p.name for folder in (BACKEND, ROOT / "frontend" / "src") for p in folder.rglob("*.*")
        }
        for document in DOCUMENTS:
            text = document.read_text(encoding="utf-8")
            paths = [path for path in PATH.findall(text) if not NO_FILE.fullmatch(path)]
            with self.subTest(document.name):
                gone = [path for path in paths if not any((base / path).exists() for base in FROM)]
                gone += [name for name in FILE.findall(text) if name not in files]
                gone += [
                    link for link in LINK.findall(text) if not (document.parent / link).exists()
                ]
                self.assertEqual(gone, [])
