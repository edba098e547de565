"""A browser test: the built front end on a live server, with everything unexpected an error."""

import os
from collections.abc import Callable
from pathlib import Path
from typing import Any

from django.conf import settings
from django.contrib.auth import get_user_model
from django.contrib.staticfiles.testing import StaticLiveServerTestCase
from django.core.cache import cache
from django.test import Client
from playwright.sync_api import ConsoleMessage, Page, Request, expect
from playwright.sync_api import Error as PlaywrightError

from browser.chromium import EXECUTABLE, shared_chromium
from browser.furnished import furnish
from studio.demo.data import DEMO_PASSWORD, DEMO_USERNAME
from studio.demo.shapes import DemoPlayer

AXE = Path(__file__).resolve().parents[2] / "frontend" / "node_modules" / "axe-core" / "axe.min.js"
# What may stand in the console: the browser's own note of an answer the test asked for.
EXPECTED_NOTES = (
    "the server responded with a status of 4",
    "net::ERR_INTERNET_DISCONNECTED",
    "net::ERR_CONNECTION_REFUSED",
    "net::ERR_CONNECTION_RESET",
    "net::ERR_FAILED",
)


# A busy machine may take its time; nothing waits longer than it must.
PATIENCE_MS = 20_000
SETTLED_MS = 500
BOUNCE_MS = 450  # a little more than the pages wait after a grade
expect.set_options(timeout=PATIENCE_MS)


def _is_portable(value: object) -> bool:
    """True for what can go to another process: plain values."""
    return isinstance(value, str | int | bool | None)


class BrowserCase(StaticLiveServerTestCase):
    """`players` of the demo studio are built before each test; `page` is a fresh context's page."""

    seconds_each = 8
    players: tuple[DemoPlayer, ...] = ()
    viewport = {"width": 1280, "height": 800}
    # Further arguments of the browser, and which one it is.
    arguments: tuple[str, ...] = ()
    executable = EXECUTABLE

    @classmethod
    def setUpClass(cls) -> None:
        os.environ.setdefault("DJANGO_ALLOW_ASYNC_UNSAFE", "true")
        super().setUpClass()
        cls.browser = shared_chromium(*cls.arguments, executable=cls.executable)

    def __getstate__(self) -> dict[str, Any]:
        """What goes from one test process to another: nothing that hangs on the browser."""
        kept = {name: value for name, value in self.__dict__.items() if _is_portable(value)}
        return {"_cleanups": [], "_type_equality_funcs": {}, **kept}

    def setUp(self) -> None:
        self.problems: list[str] = []
        self.own_addresses = [self.live_server_url, "data:", "blob:"]
        cache.clear()  # the count of sign-ins
        furnish(self.players)
        self.context = self.browser.new_context(viewport=self.viewport, reduced_motion="reduce")
        self.addCleanup(self.context.close)
        self.context.on("request", self._note_request)
        self.page = self.new_page()

    def _callTestMethod(self, method: Callable[[], None]) -> None:  # noqa: N802 - unittest's name
        """Run the test; what fails tells what the pages showed then."""
        try:
            super()._callTestMethod(method)
        except Exception as error:
            error.add_note(self._shown())
            raise

    def _shown(self) -> str:
        """Where each page is and what can be read on it."""
        told = []
        for page in self.context.pages:
            try:
                told.append(f"{page.url}\n{page.inner_text('body')}")
            except PlaywrightError as error:  # closed, or on its way
                told.append(f"{page.url}: {error}")
        return "\n---\n".join(["The pages showed:", *told, *self.problems])

    def tearDown(self) -> None:
        self.assertEqual(self.problems, [])

    def new_page(self) -> Page:
        page = self.context.new_page()
        page.set_default_timeout(PATIENCE_MS)
        page.on("console", self._note_console)
        page.on("pageerror", lambda error: self.problems.append(f"page error: {error}"))
        return page

    def _note_request(self, request: Request) -> None:
        """The browser itself finds no other host; whoever asks for one is told of."""
        if not request.url.startswith(tuple(self.own_addresses)):
            self.problems.append(f"request to {request.url}")

    def _note_console(self, message: ConsoleMessage) -> None:
        expected = any(note in message.text for note in EXPECTED_NOTES)
        if message.type in ("error", "warning") and not expected:
            self.problems.append(f"console {message.type}: {message.text}")

    def sign_in(self) -> None:
        """Signed in already: the form is left to the tests of signing in."""
        client = Client()
        client.force_login(get_user_model().objects.get(username=DEMO_USERNAME))
        cookie = client.cookies[settings.SESSION_COOKIE_NAME]
        self.context.add_cookies(
            [{"name": cookie.key, "value": cookie.value, "url": self.live_server_url}]
        )
        self.page.goto(self.live_server_url)
        self.page.get_by_role("button", name="New player").wait_for()

    def sign_in_by_form(self) -> None:
        self.page.goto(self.live_server_url)
        self.page.get_by_label("Name").fill(DEMO_USERNAME)
        self.page.get_by_label("Password", exact=True).fill(DEMO_PASSWORD)
        self.page.keyboard.press("Enter")
        self.page.get_by_role("heading", level=1).wait_for()
        self.page.get_by_role("button", name="New player").wait_for()

    def begin_looking(self, player: str) -> None:
        """Sign in, begin the lesson of a player and go on to what there is to look at."""
        self.sign_in()
        self.page.get_by_role("button", name=f"Begin the lesson of {player}").click()
        self.page.get_by_role("heading", name="Last week: show me").wait_for()
        self.page.keyboard.press("l")

    def saved(self, page: Page | None = None) -> None:
        """Wait until every entry has arrived."""
        (page or self.page).get_by_role("status").filter(has_text="Saved").wait_for()

    def press_grades(self, grades: str, page: Page | None = None) -> None:
        """Press grade keys one by one; each check that comes up takes none for a moment."""
        shown = page or self.page
        for grade in grades:
            shown.keyboard.press(grade)
            shown.wait_for_timeout(BOUNCE_MS)

    def wait_until(self, holds: Callable[[], bool]) -> None:
        """Wait until something holds that the page does not show."""
        for _ in range(PATIENCE_MS // 100):
            if holds():
                return
            self.page.wait_for_timeout(100)
        self.fail("it did not come to hold")

    def assert_accessible(self, view: str) -> None:
        """No violation of WCAG 2 A and AA, by axe."""
        if not self.page.evaluate("typeof axe === 'object'"):
            self.page.evaluate(AXE.read_text(encoding="utf-8"))
        told = self.violations()
        if told:
            # A box that has just begun to scroll becomes focusable a frame later.
            self.page.wait_for_timeout(SETTLED_MS)
            told = self.violations()
        self.assertEqual("\n".join(told), "", view)

    def violations(self) -> list[str]:
        """What axe finds now, a line each."""
        found = self.page.evaluate(
            "axe.run({runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'best-practice']})"
        )
        return [
            f"{v['id']}: {v['help']} at {[n['target'] for n in v['nodes'][:3]]}"
            for v in found["violations"]
        ]
