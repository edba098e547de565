"""The whole demo studio: a term of lessons with takes and pieces."""

import multiprocessing
import os
from concurrent.futures import ProcessPoolExecutor
from datetime import date

import django
from django.db import transaction

from studio.demo.pieces import bring_in_tunes
from studio.demo.players import build_demo
from studio.demo.takes import DemoTakes


@transaction.atomic
def build_studio(today: date, weeks: int) -> int:
    """All of it or nothing; returns how many players there are. `weeks`: how far back their lessons
    reach; 0 for those alone that are written out, without takes and pieces."""
    if not weeks:
        return len(build_demo(today))
    with _other_processes() as pool:
        takes = DemoTakes(pool)
        players = build_demo(today, weeks=weeks, stands=takes.begin)
        bring_in_tunes(players)
        takes.keep()
    return len(players)


def _other_processes() -> ProcessPoolExecutor:
    """One a processor beside this one; not forked, as none may hold the database's connection."""
    fresh = multiprocessing.get_context("spawn")
    count = max(1, (os.cpu_count() or 1) - 1)
    return ProcessPoolExecutor(count, mp_context=fresh, initializer=django.setup)
