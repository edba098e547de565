"""Headless Chromium for tests and pictures: Debian's own, with nothing that phones home."""

from collections.abc import Iterator
from contextlib import contextmanager

from playwright.sync_api import Browser, sync_playwright

EXECUTABLE = "/usr/bin/chromium"
ARGUMENTS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--font-render-hinting=none",
]


@contextmanager
def chromium(*more: str) -> Iterator[Browser]:
    """`more`: further arguments of the browser."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=EXECUTABLE, args=[*ARGUMENTS, *more])
        try:
            yield browser
        finally:
            browser.close()
