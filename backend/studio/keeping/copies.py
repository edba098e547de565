"""Copies of the studio that lie beside it: put there before an update or a restore, or made
from the desk. What was erased since is still in them."""

import re
from dataclasses import dataclass
from datetime import datetime, timedelta
from pathlib import Path

from django.core.management import call_command
from django.db import DatabaseError, connection
from django.db.migrations.loader import MigrationLoader

from studio.errors import StudioError
from studio.keeping.backup import STAMP, BackupError, make_backup, restore_backup
from studio.keeping.turns import my_turn

NAMED = re.compile(r"(?:before-(?:update|restore)|copy)-(\d{8}-\d{6})[.]sqlite3")
MADE_HERE = "copy-"
MOST_MADE = 12
OLD_AFTER = timedelta(days=31)
BESIDE = ("", "-wal", "-shm")


@dataclass(frozen=True)
class Copy:
    """`made`: in this computer's time. `size`: bytes."""

    path: Path
    made: datetime
    size: int

    @property
    def is_made_here(self) -> bool:
        """Made on purpose, from the desk."""
        return self.path.name.startswith(MADE_HERE)


def copies_beside(database: Path) -> list[Copy]:
    """Oldest first; backups that were put elsewhere are not known."""
    found = []
    for path in database.parent.glob("*-*.sqlite3"):
        named = NAMED.fullmatch(path.name)
        if named is not None:
            made = datetime.strptime(named[1], STAMP)
            found.append(Copy(path, made, path.stat().st_size))
    return sorted(found, key=lambda copy: copy.made)


def forget(copy: Copy) -> None:
    """Raises OSError."""
    for ending in BESIDE:
        copy.path.with_name(copy.path.name + ending).unlink(missing_ok=True)


def make_copy(database: Path, now: datetime) -> Copy:
    """One more from the desk; of these the oldest goes when there are many. Raises StudioError
    where it cannot be written."""
    target = database.with_name(f"{MADE_HERE}{now.strftime(STAMP)}.sqlite3")
    try:
        make_backup(database, target)
        made = [copy for copy in copies_beside(database) if copy.is_made_here]
        for old in made[:-MOST_MADE]:
            forget(old)
    except (OSError, BackupError) as error:
        raise StudioError("storage", "copy", str(error)) from error
    return made[-1]


def go_back_to(name: str, database: Path, now: datetime) -> None:
    """Put a copy in the place of the studio while it is served. What was there lies beside it as
    one more copy; everybody is signed out. Raises StudioError: no copy of that name, or one that
    cannot be used; the studio is then as it was."""
    copy = next((each for each in copies_beside(database) if each.path.name == name), None)
    if copy is None:
        raise StudioError("not_found", "copy")
    with my_turn():
        try:
            aside = _restored(copy.path, database, now)
        except BackupError as error:
            raise StudioError("bad_input", "copy", str(error)) from error
        try:
            connection.close()
            call_command("migrate", verbosity=0)
        except DatabaseError as error:
            if aside is not None:
                _restored(aside, database, now + timedelta(seconds=1))
            raise StudioError("storage", "copy", str(error)) from error


def _restored(source: Path, database: Path, now: datetime) -> Path | None:
    known = set(MigrationLoader(None).disk_migrations or {})
    return restore_backup(source, database, known_migrations=known, over_newer=True, now=now)


def is_copy_due(database: Path, now: datetime) -> bool:
    """The newest copy is older than a month, or there is none."""
    copies = copies_beside(database)
    return not copies or now - copies[-1].made > OLD_AFTER
