"""What a page brings at its first load: scripts and styles as they travel, compressed."""

import gzip

from playwright.sync_api import Response

from browser.case import BrowserCase
from studio.demo.data import PLAYERS
from studio.home.link import make_link
from studio.models import Lesson

MOST_OF_A_PAGE = 150_000
MOST_OF_THE_PHONE = 60_000
# What comes ahead of its use, when there is time, stays away from those who save data.
SAVES_DATA = "Object.defineProperty(navigator, 'connection', { value: { saveData: true } })"


class Weight(BrowserCase):
    players = PLAYERS[:1]

    def weigh(self, path: str, ready: str) -> int:
        """Bytes until the page has settled, in a browser that has never been here."""
        cookies = self.context.cookies()
        context = self.browser.new_context()
        context.add_cookies(cookies)
        page = context.new_page()
        page.add_init_script(SAVES_DATA)
        loaded: list[Response] = []

        def note(response: Response) -> None:
            loaded.append(response)

        page.on("response", note)
        page.goto(f"{self.live_server_url}{path}")
        page.get_by_role("heading", name=ready).first.wait_for()
        page.wait_for_load_state("networkidle")
        parts = [r for r in loaded if r.request.resource_type in ("script", "stylesheet")]
        found = sum(len(gzip.compress(each.body())) for each in parts)
        context.close()
        self.assertGreater(found, 10_000, "nothing was weighed")
        return found

    def test_no_page_is_heavy(self):
        self.sign_in()
        lesson = Lesson.objects.order_by("date").last()
        player = lesson.player
        pages = {
            "/": "day",
            f"/players/{player.pk}": player.name,
            f"/lessons/{lesson.pk}?step=look": player.name,
            f"/lessons/{lesson.pk}?step=give": player.name,
            "/class": "Class",
            "/library": "Library",
            "/desk": "Desk",
        }
        for path, heading in pages.items():
            with self.subTest(path):
                self.assertLess(self.weigh(path, heading), MOST_OF_A_PAGE)
        with self.subTest("phone"):
            token = make_link(lesson.player).token
            self.assertLess(self.weigh(f"/home/{token}", "thumb"), MOST_OF_THE_PHONE)
