"""How long the right to write was held, for tests: by whom, in seconds of work of this thread."""

import gc
import time
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from types import TracebackType
from typing import Any
from unittest import mock

from django.db import transaction


@dataclass
class Held:
    """`spans`: seconds from the beginning of each outermost transaction to its end, in order."""

    spans: list[float] = field(default_factory=list)

    @property
    def longest(self) -> float:
        return max(self.spans, default=0.0)


@contextmanager
def holding() -> Iterator[Held]:
    """Work of others on the machine does not count, nor collecting what earlier tests left; what
    SQLite computes does."""
    held, depth, began = Held(), 0, 0.0
    enter, leave = transaction.Atomic.__enter__, transaction.Atomic.__exit__

    def entered(atomic: Any) -> None:
        nonlocal depth, began
        depth += 1
        if depth == 1:
            began = time.thread_time()
        enter(atomic)

    def left(
        atomic: Any,
        kind: type[BaseException] | None,
        error: BaseException | None,
        trace: TracebackType | None,
    ) -> None:
        nonlocal depth
        try:
            leave(atomic, kind, error, trace)
        finally:
            depth -= 1
            if depth == 0:
                held.spans.append(time.thread_time() - began)

    with (
        mock.patch.object(transaction.Atomic, "__enter__", entered),
        mock.patch.object(transaction.Atomic, "__exit__", left),
    ):
        gc.collect()
        gc.disable()
        try:
            yield held
        finally:
            gc.enable()
