"""Today: absent and moved by two touches, one search, and nothing that moves."""

from datetime import datetime, time, timedelta

from django.utils import timezone
from playwright.sync_api import expect

from browser.case import BrowserCase
from studio.demo.data import PLAYERS
from studio.models import Lesson, LessonChange

SOME = tuple(p for p in PLAYERS if p.name in {"Mira Oslund", "Jonas Feld", "Pelle Winther"})
BOXES = """() => [...document.querySelectorAll('main ol > li, [aria-keyshortcuts="Enter"]')]
  .map((node) => { const b = node.getBoundingClientRect(); return [b.x, b.y, b.width, b.height]; })"""


class Day(BrowserCase):
    players = SOME

    def setUp(self) -> None:
        super().setUp()
        # Who is next follows from the time of day.
        morning = datetime.combine(timezone.localdate(), time(9), timezone.get_current_timezone())
        self.page.clock.install(time=morning)
        self.sign_in()
        self.lessons = self.page.get_by_role("list", name="Lessons today")
        self.mira = self.lessons.get_by_role("listitem").filter(has_text="Mira Oslund")

    def next_up(self) -> str:
        return self.page.locator("main strong").last.inner_text()

    def test_absent_is_two_touches_and_the_next_one_moves_up(self):
        page = self.page
        self.assertEqual(self.next_up(), "Mira Oslund")
        self.mira.get_by_role("button", name="More of Mira Oslund").click()
        page.get_by_role("button", name="Absent today").click()
        expect(self.mira).to_contain_text("absent today")
        expect(page.locator("main strong").last).to_have_text("Jonas Feld")
        self.assert_accessible("absent")
        page.keyboard.press("1")
        expect(self.mira).to_contain_text("absent today")
        self.assertEqual(Lesson.objects.filter(date=timezone.localdate()).count(), 0)
        self.mira.get_by_role("button", name="Mira Oslund comes today after all").click()
        expect(self.mira).not_to_contain_text("absent today")
        self.assertFalse(LessonChange.objects.exists())

    def test_a_holiday_empties_the_day_and_its_end_fills_it(self):
        page = self.page
        today = timezone.localdate()
        page.goto(f"{self.live_server_url}/desk?part=keys")
        page.get_by_label("First day").fill(str(today))
        page.get_by_label("Last day").fill(str(today + timedelta(days=6)))
        self.assert_accessible("desk, holidays")
        page.get_by_role("button", name="Keep it").click()
        page.get_by_role("button", name="Remove").wait_for()
        page.get_by_role("link", name="Today").first.click()
        expect(page.get_by_text("Holidays until")).to_be_visible()
        expect(self.lessons).to_have_count(0)
        page.goto(f"{self.live_server_url}/desk?part=keys")
        page.get_by_role("button", name="Remove").click()
        page.get_by_role("button", name="Yes, remove").click()
        expect(page.get_by_role("button", name="Remove")).to_have_count(0)
        page.goto(self.live_server_url)
        expect(self.mira).to_be_visible()

    def test_without_a_connection_it_is_said_and_the_next_touch_does_it(self):
        page = self.page
        self.mira.get_by_role("button", name="More of Mira Oslund").click()
        page.route("**/away", lambda route: route.abort("failed"))
        page.get_by_role("button", name="Absent today").click()
        expect(page.get_by_role("alert")).to_contain_text("No connection")
        expect(self.mira).not_to_contain_text("absent today")
        page.unroute("**/away")
        page.get_by_role("button", name="Absent today").click()
        expect(self.mira).to_contain_text("absent today")
        page.route("**/away", lambda route: route.abort("failed"))
        self.mira.get_by_role("button", name="Mira Oslund comes today after all").click()
        expect(page.get_by_role("alert")).to_contain_text("No connection")
        self.assertTrue(LessonChange.objects.exists())

    def test_by_keys_one_is_opened_absent_and_back(self):
        page = self.page
        page.keyboard.press("ArrowDown")
        page.get_by_role("heading", name="Mira Oslund", level=2).wait_for()
        page.keyboard.press("a")
        expect(self.mira).to_contain_text("absent today")
        page.keyboard.press("ArrowDown")
        page.keyboard.press("ArrowUp")
        page.get_by_role("heading", name="Mira Oslund", level=2).wait_for()
        page.keyboard.press("a")
        expect(self.mira).not_to_contain_text("absent today")

    def test_moved_to_any_day_and_a_time_before_today_is_told_and_nothing_lost(self):
        page = self.page
        self.mira.get_by_role("button", name="More of Mira Oslund").click()
        page.get_by_role("button", name="Other day or time").click()
        day = timezone.localdate() + timedelta(days=3)
        page.get_by_label("Moved to").fill(str(day + timedelta(days=90)))
        page.get_by_label("at", exact=True).fill("17:15")
        page.get_by_role("button", name="Move it").click()
        expect(page.get_by_role("alert")).to_contain_text("expected a day from")
        expect(page.get_by_label("at", exact=True)).to_have_value("17:15")
        self.assert_accessible("another day")
        page.get_by_label("Moved to").fill(str(day))
        page.get_by_role("button", name="Move it").click()
        expect(self.mira).to_contain_text("moved to")
        self.assertEqual(LessonChange.objects.get().to, day)

    def test_one_line_finds_a_player_and_leads_to_the_library(self):
        page = self.page
        page.keyboard.press("/")
        page.keyboard.type("pelle")
        found = page.get_by_role("button", name="Pelle Winther")
        expect(found).to_be_visible()
        expect(page.get_by_role("button", name="Mira Oslund", exact=True)).to_have_count(0)
        page.keyboard.press("Enter")
        page.get_by_role("heading", name="Pelle Winther", level=2).wait_for()
        self.assertEqual(self.next_up(), "Pelle Winther")
        page.get_by_role("button", name="Done").click()
        page.keyboard.press("/")
        page.keyboard.type("collapses")
        page.get_by_role("link", name="Look for “collapses” in the library").click()
        expect(page.get_by_label("Search")).to_have_value("collapses")

    def test_opening_a_lesson_moves_neither_rows_nor_the_next_action(self):
        for size in ({"width": 1280, "height": 800}, {"width": 1024, "height": 768}):
            self.page.set_viewport_size(size)
            before = self.page.evaluate(BOXES)
            self.mira.get_by_role("button", name="More of Mira Oslund").click()
            self.page.get_by_role("button", name="Absent today").wait_for()
            with self.subTest(size=size):
                self.assertEqual(self.page.evaluate(BOXES), before)
            self.page.keyboard.press("Escape")

    def test_the_keys_are_those_of_this_screen_and_all_others_a_touch_away(self):
        page = self.page
        page.keyboard.press("?")
        keys = page.get_by_role("dialog", name="Keys")
        expect(keys.get_by_role("heading", name="Today")).to_be_visible()
        expect(keys.get_by_role("heading", name="Decide")).to_have_count(0)
        self.assert_accessible("keys")
        keys.get_by_role("button", name="All keys").click()
        expect(keys.get_by_role("heading", name="Decide")).to_be_visible()
        page.keyboard.press("Escape")
        page.get_by_role("link", name="Library").click()
        page.get_by_role("button", name="Keys on this page").click()
        expect(keys.get_by_role("heading", name="Library")).to_be_visible()
