"""Headless Chromium for tests and pictures: Debian's own, with nothing that phones home."""

import atexit
import multiprocessing
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from functools import cache
from itertools import count
from multiprocessing.util import Finalize
from pathlib import Path

from playwright.sync_api import Browser, Playwright, sync_playwright

WHOLE = Path("/usr/bin/chromium")
# The one without windows is lighter, where it is there, and grants or refuses nothing.
SHELL = Path("/usr/bin/chromium-headless-shell")
EXECUTABLE = SHELL if SHELL.exists() else WHOLE
ARGUMENTS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--font-render-hinting=none",
    # Nothing leaves this computer.
    "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE localhost, EXCLUDE 127.0.0.1",
]


@cache
def shared_chromium(*more: str, executable: Path = EXECUTABLE) -> Browser:
    """One browser for all tests of a process that want it with these arguments; each test has a
    context of its own. It ends with the process."""
    browser = _shared_playwright().chromium.launch(
        executable_path=executable, args=[*ARGUMENTS, *more]
    )
    _at_the_end(browser.close)
    return browser


@cache
def _shared_playwright() -> Playwright:
    playwright = sync_playwright().start()
    _at_the_end(playwright.stop)
    return playwright


def _at_the_end(close: Callable[[], object]) -> None:
    """A test process ends without what `atexit` would do."""
    if multiprocessing.parent_process() is None:
        atexit.register(close)
    else:
        Finalize(None, close, exitpriority=next(_later))


_later = count()


@contextmanager
def chromium(*more: str) -> Iterator[Browser]:
    """`more`: further arguments of the browser."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=EXECUTABLE, args=[*ARGUMENTS, *more])
        try:
            yield browser
        finally:
            browser.close()
