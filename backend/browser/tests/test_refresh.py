"""A page never throws away what is typed: a refresh that fails leaves it as it was, and says so."""

import re
from pathlib import Path

from playwright.sync_api import Route, expect

from browser.case import BrowserCase
from lefthand.tests.scores import melody_bytes
from studio.demo.data import PLAYERS
from studio.groups.groups import save_group
from studio.models import Lesson, Player
from studio.pieces.pieces import keep_piece

REFRESH = """() => window.dispatchEvent(new Event('visibilitychange'))"""


ROUTES = Path(__file__).resolve().parents[3] / "frontend" / "src" / "Pages.tsx"
FIELDS = ", ".join(
    f"{field}:visible"
    for field in ("textarea", "input[type=text]", "input[type=search]", "input:not([type])",
                  "input[type=number]", "input[inputmode]")
)  # fmt: skip
MORE = {
    "/lessons/:lessonId": ["?step=ask", "?step=look", "?step=decide", "?step=give"],
    "/letters": ["?group=:groupId"],
    "/desk": ["?part=numbers", "?part=keys", "?part=password"],
}


class Refresh(BrowserCase):
    seconds_each = 20
    players = PLAYERS[:1]

    def test_typed_text_survives_a_refresh_that_fails_on_every_page_with_a_field(self):
        self.page.clock.install()
        self.sign_in()
        player = Player.objects.get(name="Mira Oslund").pk
        pages = [
            ("/", None, "Find a player"),
            (f"/players/{player}", "Change", "Piece now"),
            ("/desk?part=numbers", None, "seconds held without the left hand: clear from"),
            ("/class", "New group", "Name of the group"),
        ]
        for path, button, label in pages:
            with self.subTest(path):
                self.type_and_fail(path, button, label)

    def type_and_fail(self, path, button, label):
        page = self.page
        page.goto(self.live_server_url + path)
        if button:
            page.get_by_role("button", name=button, exact=True).click()
        field = page.get_by_label(label).first
        field.fill("7")
        page.wait_for_load_state("networkidle")
        page.route("**/api/**", lambda route: route.abort("failed"))
        page.clock.fast_forward(20_000)
        with page.expect_event("requestfailed", lambda request: "/api/" in request.url):
            page.evaluate(REFRESH)
        told = page.get_by_role("status").filter(has_text="as it was; no connection")
        for _ in range(5):  # it tries again before it says so
            page.clock.run_for(5_000)
        expect(told).to_have_count(1)
        expect(field).to_have_value("7")
        page.unroute("**/api/**")

    def test_the_first_field_of_every_route_keeps_what_is_typed(self):
        self.page.clock.install()
        self.sign_in()
        self.failed = 0
        lesson = Lesson.objects.order_by("date").last()
        piece = keep_piece(lesson.player, melody_bytes("A4 B4 C5 D5"), "", lesson.date)
        group = save_group(lesson.player.teacher, None, "Group", [lesson.player.pk])
        ids = {
            ":playerId": lesson.player.pk,
            ":lessonId": lesson.pk,
            ":pieceId": piece.pk,
            ":groupId": group.pk,
        }
        found = []
        for route in re.findall(r'path="([^"]+)"', ROUTES.read_text(encoding="utf-8")):
            for more in MORE.get(route, [""]):
                path = re.sub(r":[a-z]+Id", lambda name: str(ids[name[0]]), route + more)
                with self.subTest(path):
                    found += [path] if self.kept(path) else []
        self.assertGreaterEqual(len(found), 5, found)
        self.assertGreaterEqual(self.failed, 4)

    def refuse(self, route: Route) -> None:
        self.failed += 1
        route.abort("failed")

    def kept(self, path: str) -> bool:
        """False for a page that has no field."""
        page = self.page
        page.goto(self.live_server_url + path)
        page.get_by_role("heading").first.wait_for()
        page.wait_for_load_state("networkidle")
        field = page.locator(FIELDS).first
        if field.count() == 0:
            return False
        field.fill("7")
        page.wait_for_load_state("networkidle")
        page.route("**/api/**", self.refuse)
        page.clock.fast_forward(20_000)
        page.evaluate(REFRESH)
        for _ in range(5):  # it tries again
            page.clock.run_for(5_000)
        expect(page.get_by_role("button", name="Try again")).to_have_count(0)
        expect(field).to_have_value("7")
        page.unroute("**/api/**")
        return True
