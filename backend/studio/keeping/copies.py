"""Copies of the studio that were put beside it before an update or a restore: what was erased since
is still in them."""

import re
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path

from studio.keeping.backup import STAMP

NAMED = re.compile(r"before-(?:update|restore)-(\d{8}-\d{6})[.]sqlite3")
BESIDE = ("", "-wal", "-shm")


@dataclass(frozen=True)
class Copy:
    """`made`: in this computer's time. `size`: bytes."""

    path: Path
    made: datetime
    size: int


def copies_beside(database: Path) -> list[Copy]:
    """Oldest first; backups that were put elsewhere are not known."""
    found = []
    for path in database.parent.glob("before-*.sqlite3"):
        named = NAMED.fullmatch(path.name)
        if named is not None:
            made = datetime.strptime(named[1], STAMP)
            found.append(Copy(path, made, path.stat().st_size))
    return sorted(found, key=lambda copy: copy.made)


def forget(copy: Copy) -> None:
    """Raises OSError."""
    for ending in BESIDE:
        copy.path.with_name(copy.path.name + ending).unlink(missing_ok=True)
