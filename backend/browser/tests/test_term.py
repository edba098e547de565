"""The player's page opens on what truly changed: sentence, picture, keys and touch."""

import io

from django.utils import timezone
from playwright.sync_api import expect
from pypdf import PdfReader

from browser.case import BrowserCase
from studio.demo.data import PLAYERS
from studio.demo.past import build_past
from studio.models import Lesson, Player


class Term(BrowserCase):
    players = PLAYERS[:1]

    def setUp(self):
        super().setUp()
        player = Player.objects.get(name="Mira Oslund")
        build_past(player, timezone.localdate(), first=4, weeks=9)
        self.sign_in()
        self.page.goto(f"{self.live_server_url}/players/{player.pk}")
        self.picture = self.page.get_by_role("application")
        self.picture.wait_for()

    def test_the_picture_is_one_stop_for_keys_and_leads_to_the_lesson(self):
        page = self.page
        self.assert_accessible("player, the term")
        self.picture.focus()
        page.keyboard.press("ArrowRight")
        page.keyboard.press("ArrowRight")
        said = page.locator("#term-says")
        expect(said).to_contain_text("Thumb squeezes")
        page.get_by_role("button", name="Its signs").click()
        signs = page.get_by_role("region", name="Signs of: Thumb squeezes")
        expect(signs.get_by_role("row", name="Thumb will not tap")).to_be_visible()
        self.assert_accessible("player, the signs of a cause")
        signs.get_by_role("button", name="Close").click()
        expect(signs).to_have_count(0)
        self.picture.focus()
        page.keyboard.press("Enter")
        page.wait_for_url("**/lessons/*")
        lesson = Lesson.objects.get(pk=int(page.url.rsplit("/", 1)[1].split("?")[0]))
        self.assertEqual(lesson.player.name, "Mira Oslund")

    def test_a_touch_says_what_lies_there_and_the_page_fits_a_phone(self):
        page = self.page
        page.set_viewport_size({"width": 390, "height": 844})
        page.wait_for_timeout(500)
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)
        box = self.picture.bounding_box()
        page.mouse.click(box["x"] + box["width"] * 0.3, box["y"] + 115)
        expect(page.locator("#term-says")).not_to_be_empty()
        self.assert_accessible("player, the term on a phone")

    def test_at_its_right_end_stands_how_it_is_today_and_a_touch_opens_the_signs(self):
        page = self.page
        answer = page.get_by_role("button", name="Thumb squeezes:")
        strand = self.picture.bounding_box()
        at = answer.bounding_box()
        self.assertLess(strand["y"], at["y"])
        self.assertLess(at["y"], strand["y"] + strand["height"])
        before = self.picture.bounding_box()
        answer.click()
        page.get_by_role("region", name="Signs of: Thumb squeezes").wait_for()
        self.assertEqual(self.picture.bounding_box(), before)

    def test_each_part_opens_in_its_place_and_moves_nothing_above_it(self):
        page = self.page
        for name in ("Sheets", "Steps climbed", "Every sign", "Own music", "Body and fit"):
            fold = page.get_by_role("button", name=name)
            fold.scroll_into_view_if_needed()
            before = fold.evaluate("(node) => node.offsetTop")
            fold.click()
            inside = page.locator(f"[id='{fold.get_attribute('aria-controls')}']")
            expect(inside.locator("> *").first).to_be_attached()
            page.wait_for_load_state("networkidle")
            with self.subTest(part=name):
                self.assertEqual(fold.evaluate("(node) => node.offsetTop"), before)
        self.assert_accessible("player, all parts open")

    def test_it_prints_on_one_upright_page_without_buttons(self):
        page = self.page
        page.get_by_role("heading", name="Then and now").wait_for()
        page.wait_for_load_state("networkidle")
        printed = PdfReader(io.BytesIO(page.pdf(prefer_css_page_size=True))).pages
        self.assertEqual(len(printed), 1)
        self.assertLess(printed[0].mediabox.width, printed[0].mediabox.height)
        told = printed[0].extract_text()
        for words in ("Mira Oslund", "Thumb squeezes", "Then and now", "What next"):
            self.assertIn(words, told)
        self.assertNotIn("Begin", told)

    def test_the_picture_can_be_taken_along(self):
        self.page.get_by_role("button", name="Records").click()
        for kind, start in (("PNG", b"\x89PNG"), ("SVG", b"<svg")):
            address = self.page.get_by_role("link", name=kind).get_attribute("href")
            answer = self.page.request.get(self.live_server_url + address)
            self.assertEqual(answer.body()[: len(start)], start)
            self.assertIn("attachment", answer.headers["content-disposition"])

    def test_today_and_the_desk_say_what_follows_from_it(self):
        page = self.page
        page.goto(self.live_server_url)
        page.get_by_role("list", name="Lessons today").wait_for()
        thought = page.get_by_role("region", name="Worth a thought")
        expect(thought.get_by_role("link", name="Mira Oslund")).to_be_visible()
        page.goto(f"{self.live_server_url}/desk?part=change")
        page.get_by_role("heading", name="What went before a change").wait_for()
        page.get_by_text("rest on too few players").click()
        expect(page.get_by_text("of 1 player").first).to_be_visible()
        self.assert_accessible("desk, what went before a change")
        page.get_by_label("Show this here").click()
        expect(page.get_by_text("of 1 player")).to_have_count(0)
