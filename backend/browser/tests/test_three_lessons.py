"""Three lessons and the weeks between them: sheet, phone, what came home, a stop and its lifting."""

from datetime import timedelta

from playwright.sync_api import Page, expect

from browser.case import BrowserCase
from browser.phone import it_hurts, log_day, nothing_hurt
from studio.demo.data import PLAYERS
from studio.models import HomeDay, Lesson, PracticeResult, RedFlag, StoredStanding, Summary


def let_days_pass(days: int) -> None:
    """Move everything that is dated back, so that today lies `days` later."""
    for model in (Lesson, HomeDay, PracticeResult):
        for record in model.objects.order_by("date"):
            record.date -= timedelta(days=days)
            record.save()
    for kept in (StoredStanding, Summary):
        kept.objects.all().delete()


class ThreeLessons(BrowserCase):
    players = PLAYERS[:1]

    def begin(self) -> None:
        self.page.goto(self.live_server_url)
        self.page.get_by_role("button", name="lesson of Mira Oslund").click()
        self.page.get_by_role("region", name="What is asked").wait_for()

    def look_and_give(self, grades: str) -> str:
        """From the answers to the sheet; the address of the phone's week."""
        page = self.page
        page.get_by_role("button", name="All is well").click()
        page.get_by_role("heading", name="What it means").wait_for()
        self.press_grades(grades)
        self.saved()
        page.keyboard.press("d")
        page.get_by_role("button", name="Take it").click()
        page.get_by_role("heading", name="The week", exact=True).wait_for()
        page.keyboard.press("Enter")
        page.get_by_role("heading", name="Mira’s week").wait_for()
        page.get_by_role("button", name="For the phone").click()
        address = page.get_by_label("Address", exact=True).input_value()
        page.get_by_role("button", name="Close").click()
        return address

    def log(self, phone: Page, done: str, felt: str) -> None:
        let_days_pass(1)
        phone.reload()
        log_day(phone, done, felt)

    def test_the_story(self):
        page = self.page
        self.sign_in()
        self.begin()
        address = self.look_and_give("2222")
        phone = self.new_page()
        phone.set_viewport_size({"width": 390, "height": 844})
        phone.goto(address)
        for _ in range(3):
            self.log(phone, "All of it", "Soft")
            nothing_hurt(phone)
            expect(phone.get_by_role("heading", name="is on the string")).to_be_visible()
            self.saved(phone)
        let_days_pass(4)

        self.begin()
        expect(page.get_by_text("Practised on 3 of")).to_be_visible()
        expect(page.get_by_text("right on three practice days running").first).to_be_visible()
        second = self.look_and_give("1111")
        self.assertEqual(second, address, "one address outlives the week")
        phone.goto(address)
        self.log(phone, "All of it", "Tight")
        it_hurts(phone, 5)
        phone.get_by_role("heading", name="Please rest this hand").wait_for()
        self.wait_until(lambda: RedFlag.objects.filter(lifted_on=None).exists())
        let_days_pass(6)

        page.goto(self.live_server_url)
        expect(page.get_by_text("Stop: pain of 4 or more")).to_be_visible()
        self.begin()
        expect(page.get_by_text("It hurt:")).to_be_visible()
        page.keyboard.press("g")
        expect(page.get_by_text("No exercises while the stop is up")).to_be_visible()
        page.goto(self.live_server_url)
        page.get_by_role("link", name="Mira Oslund").first.click()
        page.get_by_role("button", name="Lift").first.click()
        page.get_by_role("textbox").fill("seen by the physiotherapist, begin gently")
        page.get_by_role("button", name="Lift").last.click()
        expect(page.get_by_text("Stops that were lifted")).to_be_visible()
        self.assertFalse(RedFlag.objects.filter(lifted_on=None).exists())
        self.begin()
        page.keyboard.press("g")
        page.get_by_role("heading", name="No week before this is answered").wait_for()
        page.get_by_role("button", name="Gone").click()
        page.get_by_role("heading", name="The week", exact=True).wait_for()
