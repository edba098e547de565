"""The demo studio that a browser test begins with: built once in a run of tests, then copied."""

import fcntl
import sqlite3
from contextlib import closing
from datetime import date
from hashlib import sha256
from pathlib import Path

from django.db import connection
from django.utils import timezone

from config.testing.runner import shared_folder
from studio.demo.players import build_demo
from studio.demo.shapes import DemoPlayer


def furnish(players: tuple[DemoPlayer, ...]) -> None:
    """Put the demo studio of these players into the empty database of the test."""
    today = timezone.localdate()
    kept = shared_folder() / f"{_name(today, players)}.sqlite3"
    with (kept.with_suffix(".lock")).open("w") as turn:
        fcntl.flock(turn, fcntl.LOCK_EX)  # one process builds it, the others wait
        connection.ensure_connection()
        if kept.exists():
            with closing(sqlite3.connect(kept)) as built:
                built.backup(connection.connection)
        else:
            build_demo(today, players)
            _keep(kept)


def _name(today: date, players: tuple[DemoPlayer, ...]) -> str:
    return sha256(repr((today, players)).encode()).hexdigest()[:16]


def _keep(path: Path) -> None:
    part = path.with_suffix(".part")
    with closing(sqlite3.connect(part)) as file:
        connection.connection.backup(file)
    part.replace(path)
