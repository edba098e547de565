"""A studio as one file and back: backup while serving, restore over what is there.

Method: SQLite's online backup, which copies a consistent state page by page under its own locks and
becomes valid in one commit (https://www.sqlite.org/backup.html). A backup appears under its name
when it is whole, and a restore that is broken off leaves the database as it was.
"""

import os
import shutil
import sqlite3
from collections.abc import Callable
from contextlib import closing, suppress
from datetime import datetime
from pathlib import Path

STAMP = "%Y%m%d-%H%M%S"
NEEDED = {"studio_player", "studio_lesson", "django_migrations"}
HEADER = b"SQLite format 3\x00"
BUSY_SECONDS = 3
NUMBERS = "SELECT name, seq FROM sqlite_sequence"


class BackupError(Exception):
    """A backup or a restore that cannot be made, in one line that says what to do."""


def make_backup(database: Path, target: Path, *, pages: int = -1) -> None:
    """Copy the database to `target`, over an older backup only. Raises BackupError.

    Signed-in sessions stay behind. `pages`: pages a step; all at once by default.
    """
    _refuse_target(database, target)
    part = target.with_name(f".{target.name}.part")
    try:
        part.unlink(missing_ok=True)
        part.touch(mode=0o600)
        with closing(_open(database)) as source, closing(sqlite3.connect(part)) as copy:
            source.backup(copy, pages=pages)
            copy.execute("DELETE FROM django_session")
            copy.commit()
            copy.execute("PRAGMA journal_mode=DELETE")
            _check_whole(copy, database)
        _sync(part)
        part.replace(target)
    except (OSError, sqlite3.Error) as error:
        raise BackupError(
            f"{target} could not be written ({error}); nothing was changed"
        ) from error
    finally:
        with suppress(OSError):
            part.unlink(missing_ok=True)


def restore_backup(
    source: Path,
    database: Path,
    *,
    known_migrations: set[tuple[str, str]],
    over_newer: bool,
    now: datetime,
    pages: int = -1,
    progress: Callable[[int, int, int], object] | None = None,
) -> Path | None:
    """Put a backup in the place of the database. Raises BackupError.

    Over a studio with entries that the backup lacks only with `over_newer`. What was there is put
    aside beside it; its path is returned, None when nothing was there. A number that a record had
    since is given to no other: what a browser still holds for it must not reach somebody else's.
    """
    _check_source(source, known_migrations)
    aside, given = None, {}
    if database.exists():
        if not over_newer and _has_more(database, source):
            raise BackupError(
                f"{database} has entries that {source} lacks; say --over-newer to replace it anyway"
            )
        given = _numbers_given(database)
        aside = database.with_name(f"before-restore-{now.strftime(STAMP)}.sqlite3")
        _put_aside(database, aside)
    try:
        with closing(_open(source)) as found, closing(sqlite3.connect(database)) as live:
            live.execute(f"PRAGMA busy_timeout={BUSY_SECONDS * 1000}")
            found.backup(live, pages=pages, progress=progress)
            _give_no_number_again(live, given)
    except sqlite3.Error as error:
        raise BackupError(f"{database} could not be replaced ({error}); it is as it was") from error
    return aside


def _open(path: Path) -> sqlite3.Connection:
    """Open for reading; a file that is not there is not made."""
    return sqlite3.connect(f"{path.resolve().as_uri()}?mode=ro", uri=True, timeout=BUSY_SECONDS)


def _refuse_target(database: Path, target: Path) -> None:
    if not database.exists():
        raise BackupError(f"there is no studio at {database} yet")
    if target.resolve() == database.resolve():
        raise BackupError(f"{target} is the studio itself; name another file")
    if target.is_dir():
        raise BackupError(f"{target} is a folder; name a file in it")
    if target.exists() and target.stat().st_size and target.read_bytes()[:16] != HEADER:
        raise BackupError(f"{target} is there already and is no backup; name another file")


def _check_source(source: Path, known_migrations: set[tuple[str, str]]) -> None:
    try:
        if source.read_bytes()[:16] != HEADER:
            raise BackupError(f"{source} is no backup of a studio")
        with closing(_open(source)) as found:
            _check_whole(found, source)
            made_with = set(found.execute("SELECT app, name FROM django_migrations"))
    except OSError as error:
        raise BackupError(f"{source} cannot be read ({error.strerror})") from error
    except sqlite3.Error as error:
        raise BackupError(f"{source} is damaged ({error})") from error
    if newer := made_with - known_migrations:
        name = sorted(newer)[-1][1]
        raise BackupError(f"{source} was made by a newer Jolf ({name}); update Jolf first")


def _check_whole(found: sqlite3.Connection, path: Path) -> None:
    (answer,) = found.execute("PRAGMA quick_check(1)").fetchone()
    if answer != "ok":
        raise BackupError(f"{path} is damaged ({answer})")
    tables = {name for (name,) in found.execute("SELECT name FROM sqlite_master")}
    if missing := NEEDED - tables:
        raise BackupError(f"{path} is no studio: it has no {sorted(missing)[0]}")


def _has_more(database: Path, source: Path) -> bool:
    """True when something was entered in the database that the backup does not have."""
    try:
        now, then = _entered(database), _entered(source)
    except sqlite3.Error:
        return False  # a damaged database has nothing to lose that is not put aside
    return any(count > then.get(name, 0) for name, count in now.items())


def _numbers_given(database: Path) -> dict[str, int]:
    """The highest number that a record of each table had; none of a damaged database."""
    try:
        with closing(_open(database)) as found:
            return dict(found.execute(NUMBERS))
    except sqlite3.Error:
        return {}


def _give_no_number_again(live: sqlite3.Connection, given: dict[str, int]) -> None:
    known = dict(live.execute(NUMBERS))
    for name, number in given.items():
        if name in known:
            live.execute(
                "UPDATE sqlite_sequence SET seq = max(seq, ?) WHERE name = ?", (number, name)
            )
        else:
            live.execute("INSERT INTO sqlite_sequence (name, seq) VALUES (?, ?)", (name, number))
    live.commit()


def _entered(path: Path) -> dict[str, int]:
    """How many records were ever made, by table, and how often lessons were changed."""
    with closing(_open(path)) as found:
        counts = dict(found.execute(NUMBERS))
        (changes,) = found.execute("SELECT SUM(revision) FROM studio_lesson").fetchone()
    return {**counts, "changes of lessons": changes or 0}


def _put_aside(database: Path, aside: Path) -> None:
    """A whole copy, or, of a damaged database, its files as they are; these then make room."""
    try:
        make_backup(database, aside)
    except BackupError:
        for ending in ("", "-wal", "-shm"):
            file = database.with_name(database.name + ending)
            if file.exists():
                shutil.move(file, aside.with_name(aside.name + ending))


def _sync(path: Path) -> None:
    with path.open("rb+") as file:
        os.fsync(file.fileno())
