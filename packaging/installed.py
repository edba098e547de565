"""`jolf` as installed from the package: the commands of `config.command_line`, run beside it."""

import sys
from pathlib import Path

BACKEND = Path(__file__).resolve().parent / "backend"


def main() -> int:
    sys.path.insert(0, str(BACKEND))
    from config.command_line import main as run

    return run()


if __name__ == "__main__":
    sys.exit(main())
