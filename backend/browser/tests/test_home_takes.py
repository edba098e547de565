"""A take at home: recorded on the phone's page, or by the phone itself, with and without a network."""

import tempfile
from datetime import timedelta
from pathlib import Path

from django.utils import timezone
from playwright.sync_api import expect

from browser.cable import Cable
from browser.case import BrowserCase
from browser.playing import write_take
from studio.demo.data import PLAYERS
from studio.home.link import make_link
from studio.models import HomeDay, Lesson, Plan, RedFlag, Take

CHECK = "fourth.low"
PLAYER = next(p for p in PLAYERS if p.name == "Mira Oslund")
PLAYED_MS = 90_000


class AtHome(BrowserCase):
    players = (PLAYER,)
    viewport = {"width": 390, "height": 844}

    @classmethod
    def setUpClass(cls):
        cls.folder = tempfile.TemporaryDirectory()
        cls.addClassCleanup(cls.folder.cleanup)
        cls.played = str(Path(cls.folder.name) / "played.wav")
        write_take(cls.played, PLAYER, CHECK, off={4: -30})
        cls.arguments = (
            "--use-fake-device-for-media-stream",
            "--use-fake-ui-for-media-stream",
            f"--use-file-for-fake-audio-capture={cls.played}%noloop",
        )
        super().setUpClass()

    def setUp(self):
        super().setUp()
        HomeDay.objects.all().delete()
        self.given = Lesson.objects.order_by("date").last()
        self.given.date = timezone.localdate() - timedelta(days=1)
        self.given.home_take = CHECK
        self.given.save()
        self.token = make_link(self.given.player).token
        self.card = self.page.get_by_role("region", name="A take for your teacher")

    def open(self, address):
        self.page.goto(f"{address}/home/{self.token}")
        self.open_card()

    def open_card(self):
        self.page.get_by_role("button", name="asks for a recording").click()
        self.card.wait_for()

    def takes(self):
        return Take.objects.exclude(home_on=None)

    def test_recorded_on_the_page_and_told_to_the_teacher_alone(self):
        self.open(self.live_server_url)
        self.assert_accessible("a take at home")
        self.assertLessEqual(self.page.evaluate("document.documentElement.scrollWidth"), 390)
        self.card.get_by_role("button", name="Record", exact=True).click()
        expect(self.card.get_by_text("of 4")).to_be_visible()
        told = self.card.get_by_text("It is with your teacher")
        told.wait_for(timeout=PLAYED_MS)
        take = self.takes().get()
        self.assertEqual((take.lesson, take.home_on), (self.given, timezone.localdate()))
        self.assertIn("cents low", take.words)
        self.assertNotIn("cents", self.card.inner_text())

    def test_without_a_network_it_waits_on_the_phone(self):
        cable = Cable(self.server_thread.port)
        self.addCleanup(cable.cut)
        self.own_addresses.append(cable.address)
        self.open(cable.address)
        self.page.locator("html[data-kept='yes']").wait_for()
        cable.cut()
        self.page.reload()
        self.open_card()
        self.card.locator("input[type=file]").set_input_files(self.played)
        waits = self.card.get_by_text("the take waits on this phone")
        waits.wait_for()
        self.page.reload()
        self.open_card()
        waits.wait_for()
        self.assertEqual(self.takes().count(), 0)
        cable.mend()
        self.page.evaluate("window.dispatchEvent(new Event('online'))")
        self.card.get_by_text("It is with your teacher").wait_for(timeout=PLAYED_MS)
        self.assertEqual(self.takes().count(), 1)
        self.page.reload()
        self.open_card()
        expect(self.card.get_by_text("Recorded on")).to_be_visible()
        expect(waits).to_have_count(0)

    def test_one_that_waited_is_sent_from_a_week_that_asks_for_none(self):
        takes = "**/takes"
        self.open(self.live_server_url)
        self.page.route(takes, lambda route: route.abort("failed"))
        self.card.locator("input[type=file]").set_input_files(self.played)
        self.card.get_by_text("the take waits on this phone").wait_for()
        self.page.unroute(takes)
        too_much = {"code": "slow_down", "message": "Too many tries.", "fields": []}
        self.page.route(takes, lambda route: route.fulfill(status=429, json=too_much))
        self.page.evaluate("window.dispatchEvent(new Event('online'))")
        self.card.get_by_text("Jolf has much to do just now: the take waits").wait_for()
        self.page.unroute(takes)
        given, newest = self.given.pk, self.given
        newest.pk, newest.date, newest.home_take = None, timezone.localdate(), ""
        plan = Plan.objects.get(lesson=Lesson.objects.order_by("date").last())
        newest.save()
        plan.pk, plan.lesson = None, newest
        plan.save()
        self.page.reload()
        self.page.get_by_text("The take of before: ").wait_for(timeout=PLAYED_MS)
        expect(self.card).to_have_count(0)
        self.assertEqual(self.takes().get().lesson_id, given)

    def test_what_cannot_be_used_is_told_and_nothing_is_asked_under_a_stop(self):
        self.open(self.live_server_url)
        text = Path(self.folder.name) / "text.wav"
        text.write_text("not sound")
        self.card.locator("input[type=file]").set_input_files(text)
        expect(self.card.get_by_role("status")).to_contain_text("not a sound file")
        RedFlag.objects.create(
            player=self.given.player,
            lesson=self.given,
            raised_on=timezone.localdate(),
            reasons=["numbness"],
        )
        self.page.reload()
        self.page.get_by_role("heading", name="Please rest this hand").wait_for()
        expect(self.card).to_have_count(0)
