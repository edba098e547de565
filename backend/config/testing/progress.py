"""Where a run of tests stands: how many are done and what takes longest now.

Test processes tell it as it happens; on a terminal one line is written over and over, elsewhere a
line every half minute.
"""

import multiprocessing
import sys
import threading
import time
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from multiprocessing.queues import SimpleQueue
from typing import TextIO

EVERY_ON_TERMINAL, EVERY_ELSEWHERE = 1.0, 30.0  # s
WIDTH = 100
STOP = ("", 0)

# Inherited by the test processes where they are forked; elsewhere only what is done is told.
_told: "SimpleQueue[tuple[str, int]] | None" = None


def tell_began(test: str) -> None:
    if _told is not None:
        _told.put((test, 0))


def tell_ended(test: str) -> None:
    if _told is not None:
        _told.put((test, 1))


@dataclass
class Standing:
    """What has been told so far. `running`: when each test began that has not ended."""

    all_tests: int
    done: int = 0
    running: dict[str, float] = field(default_factory=dict)

    def take(self, test: str, ended: int, now: float) -> None:
        if ended:
            self.running.pop(test, None)
            self.done += 1
        else:
            self.running[test] = now

    def words(self, now: float, since: float) -> str:
        """One line."""
        line = f"{self.done} of {self.all_tests} tests, {now - since:.0f} s"
        if self.running:
            test, began = min(self.running.items(), key=lambda each: each[1])
            line += f"; {now - began:.0f} s in {test.rpartition('tests.')[2]}"
        return line


@contextmanager
def shown_progress(all_tests: int, out: TextIO = sys.stderr) -> Iterator[None]:
    """Show progress while the block runs."""
    global _told  # noqa: PLW0603 - what forked processes inherit
    _told = multiprocessing.SimpleQueue()
    teller = threading.Thread(target=_show, args=(_told, Standing(all_tests), out), daemon=True)
    teller.start()
    try:
        yield
    finally:
        _told.put(STOP)
        teller.join()
        _told = None


def _show(told: "SimpleQueue[tuple[str, int]]", standing: Standing, out: TextIO) -> None:
    is_terminal = out.isatty()
    every = EVERY_ON_TERMINAL if is_terminal else EVERY_ELSEWHERE
    since = shown = time.monotonic()
    while (message := told.get()) != STOP:
        now = time.monotonic()
        standing.take(*message, now)
        if now - shown >= every:
            shown = now
            line = standing.words(now, since)
            out.write(f"\r{line[:WIDTH]:{WIDTH}}" if is_terminal else f"{line}\n")
            out.flush()
    if is_terminal:
        out.write("\r" + " " * WIDTH + "\r")
