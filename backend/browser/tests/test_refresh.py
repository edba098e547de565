"""A page never throws away what is typed: a refresh that fails leaves it as it was, and says so."""

from playwright.sync_api import expect

from browser.case import BrowserCase
from studio.demo_data import PLAYERS
from studio.models import Player

REFRESH = """() => window.dispatchEvent(new Event('visibilitychange'))"""


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
