"""Plant faults in the pages' own rules and see whether their quick tests notice.

`python -m bench.page_faults`: Stryker, a general-purpose library for this, makes the faults in a
copy of the pages and runs the tests that reach them. Files are drawn by a seed from all that hold
rules and no drawing (`.ts`), also those that only a browser's tests reach.
"""

import argparse
import os
import random
import shutil
import subprocess
import tempfile
from pathlib import Path

ROOT = Path(__file__).resolve().parents[2]
SOURCES = ROOT / "frontend" / "src"
LEFT_OUT = ("messages", "api")


def rule_files() -> list[Path]:
    found = [
        path
        for path in SOURCES.rglob("*.ts")
        if ".test." not in path.name
        and not path.name.endswith(".d.ts")
        and path.relative_to(SOURCES).parts[0] not in LEFT_OUT
    ]
    return sorted(found)


def tested(path: Path) -> bool:
    """Has quick tests of its own beside it."""
    return path.with_suffix(".test.ts").exists()


def main() -> None:
    options = argparse.ArgumentParser(description=__doc__)
    options.add_argument("--files", type=int, default=10)
    options.add_argument("--seed", type=int, default=1)
    options.add_argument("--tested", action="store_true", help="only files with tests beside them")
    asked = options.parse_args()
    files = [path for path in rule_files() if tested(path) or not asked.tested]
    chosen = sorted(random.Random(asked.seed).sample(files, min(asked.files, len(files))))
    names = ",".join(str(path.relative_to(ROOT / "frontend")) for path in chosen)
    print(names, flush=True)
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        left_out = shutil.ignore_patterns("node_modules", "dist", "__pycache__")
        shutil.copytree(ROOT / "frontend", folder / "frontend", ignore=left_out)
        (folder / "frontend" / "node_modules").symlink_to(ROOT / "frontend" / "node_modules")
        # Tables of cases that both sides are held to.
        shutil.copytree(
            ROOT / "backend" / "lefthand" / "tests",
            folder / "backend" / "lefthand" / "tests",
            ignore=left_out,
        )
        cores = str(os.cpu_count() or 1)
        npx = shutil.which("npx") or "npx"
        command = [npx, "stryker", "run", "--mutate", names, "--concurrency", cores]
        subprocess.run(command, cwd=folder / "frontend", check=False)


if __name__ == "__main__":
    main()
