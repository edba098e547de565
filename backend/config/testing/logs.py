"""What the server logs while tests run: kept, so that a test which did not expect it fails.

A test that provokes such a line says so by `assertLogs`, which takes the line away from here.
"""

import logging

# A browser that goes on to another page breaks off what it was fetching.
BROKEN_OFF = "Broken pipe"

_lines: list[str] = []


class KeptHandler(logging.Handler):
    """Keeps every warning and error."""

    def emit(self, record: logging.LogRecord) -> None:
        if record.levelno >= logging.WARNING and BROKEN_OFF not in record.getMessage():
            _lines.append(self.format(record))


def forget() -> None:
    _lines.clear()


def kept() -> list[str]:
    return list(_lines)
