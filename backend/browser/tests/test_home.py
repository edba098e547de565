"""The week on the phone: no sign-in, three touches a day, and all of it without a network."""

from datetime import timedelta

from django.utils import timezone
from playwright.sync_api import expect

from browser.cable import Cable
from browser.case import BrowserCase
from studio.demo_data import PLAYERS
from studio.models import HomeDay, Lesson, RedFlag
from studio.services.flags import lift_flags
from studio.services.home import make_link, revoke_link

MIRA = PLAYERS[:1]


class Phone(BrowserCase):
    players = MIRA
    viewport = {"width": 390, "height": 844}

    def setUp(self) -> None:
        super().setUp()
        HomeDay.objects.all().delete()
        lesson = Lesson.objects.order_by("date").last()
        lesson.date = timezone.localdate() - timedelta(days=1)
        lesson.save()
        self.token = make_link(lesson.player).token
        self.days_before = HomeDay.objects.count()
        self.address = f"{self.live_server_url}/home/{self.token}"
        self.page.goto(self.address)
        self.page.get_by_role("heading", name="Mira’s week").wait_for()

    def three_touches(self, last: str) -> None:
        log = self.page.get_by_role("region", name="How it went")
        log.get_by_role("button", name="All of it").click()
        log.get_by_role("button", name="Soft").click()
        log.get_by_role("button", name=last, exact=True).click()

    def today(self) -> HomeDay:
        return HomeDay.objects.get(date=timezone.localdate())

    def test_a_day_in_three_touches_and_the_teacher_sees_it_before_asking(self):
        page = self.page
        self.assert_accessible("home")
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)
        self.three_touches("Nothing hurt")
        expect(page.get_by_text("Kept: all of it, soft.")).to_be_visible()
        self.saved()
        self.assertEqual(
            (self.today().done, self.today().felt, self.today().pain), ("done", "soft", 0)
        )
        self.assert_accessible("home, logged")
        page.get_by_role("button", name="Change it").click()
        page.get_by_role("button", name="Not today").click()
        self.saved()
        self.assertEqual(self.today().done, "not")
        self.page.set_viewport_size({"width": 1280, "height": 800})
        self.sign_in()
        page.get_by_role("button", name="lesson of Mira Oslund").click()
        page.get_by_role("heading", name="At home").wait_for()
        expect(page.get_by_text("Practised on")).to_be_visible()

    def test_without_a_network_the_week_opens_and_the_day_is_sent_later(self):
        page = self.page
        cable = Cable(self.server_thread.port)
        self.addCleanup(cable.cut)
        self.own_addresses.append(cable.address)
        page.goto(f"{cable.address}/home/{self.token}")
        page.locator("html[data-kept='yes']").wait_for()
        cable.cut()
        page.reload()
        page.get_by_role("heading", name="Mira’s week").wait_for()
        self.three_touches("Nothing hurt")
        expect(page.get_by_text("1 entry kept here")).to_be_visible()
        page.reload()
        expect(page.get_by_text("Kept: all of it, soft.")).to_be_visible()
        self.assertEqual(HomeDay.objects.count(), self.days_before)
        cable.mend()
        page.evaluate("window.dispatchEvent(new Event('online'))")
        self.saved()
        self.assertEqual(self.today().felt, "soft")

    def kept_on_the_phone(self) -> int:
        """Answers about this week that the phone keeps."""
        return self.page.evaluate(
            """async (token) => {
              let found = 0;
              for (const name of await caches.keys())
                for (const request of await (await caches.open(name)).keys())
                  found += request.url.includes(token) ? 1 : 0;
              return found;
            }""",
            self.token,
        )

    def test_a_week_that_has_ended_does_not_stay_on_the_phone(self):
        page = self.page
        cable = Cable(self.server_thread.port)
        self.addCleanup(cable.cut)
        self.own_addresses.append(cable.address)
        address = f"{cable.address}/home/{self.token}"
        page.goto(address)
        page.locator("html[data-kept='yes']").wait_for()
        self.assertGreater(self.kept_on_the_phone(), 0)
        with self.subTest("without a network, weeks later"):
            cable.cut()
            page.clock.set_fixed_time(timezone.now() + timedelta(days=70))
            page.reload()
            expect(page.get_by_text("This week is over")).to_be_visible()
            expect(page.get_by_text("Mira")).to_have_count(0)
            self.wait_until(lambda: self.kept_on_the_phone() == 0)
        with self.subTest("revoked"):
            cable.mend()
            page.clock.set_fixed_time(timezone.now())
            page.goto(address)
            page.get_by_role("heading", name="Mira’s week").wait_for()
            page.locator("html[data-kept='yes']").wait_for()
            self.assertGreater(self.kept_on_the_phone(), 0)
            revoke_link(Lesson.objects.order_by("date").last().player)
            page.reload()
            expect(page.get_by_text("This link is not in use any more")).to_be_visible()
            self.wait_until(lambda: self.kept_on_the_phone() == 0)

    def test_pain_of_four_stops_the_week_at_once_and_flags_the_teacher(self):
        log = self.page.get_by_role("region", name="How it went")
        log.get_by_role("button", name="Some of it").click()
        log.get_by_role("button", name="Tight").click()
        log.get_by_role("button", name="Pain 4 of 10").click()
        expect(self.page.get_by_role("heading", name="Please stop for now")).to_be_visible()
        expect(self.page.get_by_role("article")).to_have_count(0)
        self.saved()
        self.assert_accessible("home, stopped")
        self.assertTrue(RedFlag.objects.filter(from_home=True, lifted_on=None).exists())
        self.page.reload()
        expect(self.page.get_by_role("heading", name="Please stop for now")).to_be_visible()
        lift_flags(
            Lesson.objects.last().player, note="seen by a doctor today", on=timezone.localdate()
        )
        self.page.reload()
        expect(self.page.get_by_role("article").first).to_be_visible()

    def test_some_of_it_asks_which(self):
        page = self.page
        log = page.get_by_role("region", name="How it went")
        self.assertLess(
            log.bounding_box()["y"], page.get_by_role("article").first.bounding_box()["y"]
        )
        name = page.get_by_role("article").first.get_by_role("heading").inner_text()
        log.get_by_role("button", name="Some of it").click()
        log.get_by_role("group", name="Which of it").get_by_role("button", name=name).click()
        self.assert_accessible("home, which of it")
        log.get_by_role("button", name="Soft").click()
        log.get_by_role("button", name="Nothing hurt").click()
        expect(page.get_by_text(f"Kept: {name}, soft.")).to_be_visible()
        self.saved()
        self.assertEqual(len(self.today().parts), 1)
        self.page.set_viewport_size({"width": 1280, "height": 800})
        self.sign_in()
        page.get_by_role("button", name="lesson of Mira Oslund").click()
        expect(page.get_by_text(f"{name}, soft")).to_be_visible()

    def test_the_day_of_the_lesson_says_why_it_is_free(self):
        lesson = Lesson.objects.order_by("date").last()
        lesson.date = timezone.localdate() - timedelta(days=7)
        lesson.save()
        for number in range(1, 7):
            day = lesson.date + timedelta(days=number)
            lesson.home_days.create(date=day, done="done", felt="soft")
        self.page.reload()
        expect(self.page.get_by_text("The day of the lesson is free")).to_be_visible()

    def test_tools_start_and_stop_with_one_touch(self):
        page = self.page
        for name, stop in (
            ("Timer", "Stop the timer"),
            ("Beat ♩", "Stop the beat"),
            ("Listen", "Stop"),
        ):
            page.get_by_role("button", name=name).first.click()
            running = page.get_by_role("button", name=stop, exact=True).first
            expect(running).to_have_attribute("aria-pressed", "true")
            running.click()
            expect(page.get_by_role("button", name=stop, exact=True)).to_have_count(0)

    def test_a_practice_day_one_thing_at_a_time(self):
        lesson = Lesson.objects.order_by("date").last()
        lesson.player.self_check = True
        lesson.player.save()
        lesson.plan.items.filter(exercise="tempo_ladder").update(tempo=60, goal=90)
        page = self.page
        page.reload()
        page.get_by_role("button", name="Begin").click()
        page.get_by_role("heading", name="Look at your hand first").wait_for()
        self.assert_accessible("home, the hand before practice")
        page.get_by_role("group", name="The thumbnail").get_by_text("pink").click()
        worked = False
        for number in range(1, lesson.plan.items.count() + 1):
            page.get_by_role("button", name="Next").click()
            page.get_by_text(f"Exercise {number} of").wait_for()
            expect(page.get_by_role("article")).to_have_count(1)
            clean = page.get_by_role("button", name="It was clean")
            if clean.count():
                worked = True
                for _ in range(3):
                    clean.click()
                page.get_by_role("button", name="I missed").click()
                expect(page.get_by_text("Loose up to 60 today.")).to_be_visible()
                self.assert_accessible("home, tempo work")
        self.assertTrue(worked)
        page.get_by_role("button", name="Next").click()
        page.get_by_role("heading", name="And now?").wait_for()
        page.get_by_role("group", name="The thumbnail").get_by_text("pale").click()
        page.get_by_role("button", name="Next").click()
        self.three_touches("Nothing hurt")
        expect(page.get_by_text("Kept: all of it, soft.")).to_be_visible()
        self.saved()
        day = self.today()
        self.assertEqual(day.tempos, {"tempo_ladder": {"highest": 60, "plays": 4, "slow": 4}})
        self.assertEqual(day.checks, {"before": ["nail"], "after": []})
        self.page.set_viewport_size({"width": 1280, "height": 800})
        self.sign_in()
        page.get_by_role("button", name="lesson of Mira Oslund").click()
        expect(page.get_by_text("Tempo ladder: loose up to ♩ = 60")).to_be_visible()
        expect(page.get_by_text("the thumbnail: pale after 1")).to_be_visible()

    def test_on_the_day_of_the_lesson_the_first_day_of_practice_is_open(self):
        lesson = Lesson.objects.order_by("date").last()
        lesson.date = timezone.localdate()
        lesson.save()
        self.page.reload()
        self.page.get_by_role("article").first.wait_for()
        expect(self.page.get_by_role("region", name="How it went")).to_have_count(0)

    def test_on_the_day_of_the_lesson_it_may_be_tried_through_and_logs_nothing(self):
        lesson = Lesson.objects.order_by("date").last()
        lesson.date = timezone.localdate()
        lesson.save()
        page = self.page
        page.reload()
        page.get_by_role("button", name="Begin").click()
        while page.get_by_role("button", name="Next").count():
            page.get_by_role("button", name="Next").click()
        expect(page.get_by_text("You log a day here once it has come.")).to_be_visible()
        page.get_by_role("button", name="Overview").click()
        expect(page.get_by_role("button", name="Begin")).to_be_visible()
        self.assertFalse(HomeDay.objects.exists())

    def test_an_ended_link_says_so(self):
        self.page.goto(f"{self.live_server_url}/home/{'x' * 43}")
        expect(self.page.get_by_text("not among your records")).to_be_visible()
        self.assert_accessible("home, ended")
