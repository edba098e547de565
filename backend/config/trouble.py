"""What goes wrong with files when Jolf starts, each in one line that says what to do."""

import errno
from pathlib import Path

from django.core.exceptions import ImproperlyConfigured
from django.db import DatabaseError

# What SQLite says, and what it means to whoever started Jolf.
DAMAGED = "{database} is damaged and was left as it is; ./jolf restore FILE brings a backup back"
DATABASE_WORDS = (
    ("locked", "{database} is in use by another program; stop that, then start again"),
    ("full", "the disk of {folder} is full; make room, then start again"),
    ("readonly", "{database} cannot be written; give your user the right to"),
    ("unable to open", "{folder} cannot be used; give your user the right to write there"),
    ("malformed", DAMAGED),
    ("not a database", DAMAGED),
)


def in_one_line(error: BaseException, database: Path) -> str | None:
    """The line for an error of files, or None for any other error."""
    if isinstance(error, ImproperlyConfigured):
        return " ".join(str(error).split())
    if isinstance(error, DatabaseError):
        for sign, words in DATABASE_WORDS:
            if sign in str(error):
                return words.format(database=database, folder=database.parent)
        return f"{database}: {' '.join(str(error).split())}; it was left as it is"
    if isinstance(error, OSError) and error.filename:
        if error.errno == errno.ENOSPC:
            return f"the disk of {error.filename} is full; make room, then start again"
        return f"{error.filename} cannot be used ({error.strerror}); give your user the right to"
    return None
