"""The demo studio that a browser test begins with: built once by each process, then copied."""

import sqlite3
from datetime import date

from django.db import connection
from django.utils import timezone

from studio.demo_shapes import DemoPlayer
from studio.services.demo import build_demo

_built: dict[tuple[date, tuple[str, ...]], sqlite3.Connection] = {}


def furnish(players: tuple[DemoPlayer, ...]) -> None:
    """Put the demo studio of these players into the empty database of the test."""
    today = timezone.localdate()
    which = (today, tuple(player.name for player in players))
    if which in _built:
        connection.ensure_connection()
        _built[which].backup(connection.connection)
        return
    build_demo(today, players)
    _built[which] = sqlite3.connect(":memory:")
    connection.connection.backup(_built[which])
