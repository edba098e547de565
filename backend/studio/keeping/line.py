"""Heavy work of one process, one piece at a time and in the order it came: what somebody measures,
engraves or brings in leaves room for everybody's pages."""

import threading
from collections import deque
from collections.abc import Callable
from functools import wraps
from typing import ParamSpec, TypeVar

from studio.errors import StudioError

# Who waits holds one of the few threads that answer pages.
MOST_WAITING = 2


class InLineError(StudioError):
    """There is no room to wait. `before`: how many are."""

    def __init__(self, before: int) -> None:
        super().__init__("in_line")
        self.before = before


class Line:
    def __init__(self) -> None:
        self._changed = threading.Condition()
        self._tickets: deque[object] = deque()

    @property
    def length(self) -> int:
        """How many are in it, with the one whose turn it is."""
        return len(self._tickets)

    def take(self) -> object:
        """Wait for the turn. Raises InLineError where too many wait already."""
        ticket = object()
        with self._changed:
            if len(self._tickets) > MOST_WAITING:
                raise InLineError(len(self._tickets))
            self._tickets.append(ticket)
            self._changed.wait_for(lambda: self._tickets[0] is ticket)
        return ticket

    def leave(self, ticket: object) -> None:
        with self._changed:
            self._tickets.remove(ticket)
            self._changed.notify_all()


P = ParamSpec("P")
R = TypeVar("R")
_line = Line()
_mine = threading.local()


def in_line(work: Callable[P, R]) -> Callable[P, R]:
    """Work that is done in its turn; what it calls is in line with it. Must not be called while
    anything is being written."""

    @wraps(work)
    def done(*args: P.args, **kwargs: P.kwargs) -> R:
        if getattr(_mine, "has_turn", False):
            return work(*args, **kwargs)
        ticket = _line.take()
        _mine.has_turn = True
        try:
            return work(*args, **kwargs)
        finally:
            _mine.has_turn = False
            _line.leave(ticket)

    return done
