"""The week on the phone: no sign-in, three touches a day, and all of it without a network."""

from datetime import timedelta

from django.utils import timezone
from playwright.sync_api import expect

from browser.cable import Cable
from browser.case import BrowserCase
from browser.phone import end_day, go_through, it_hurts, log_day, nothing_hurt, touch, week_is_there
from studio.demo.data import PLAYERS
from studio.home.link import make_link, revoke_link
from studio.lessons.access import start_lesson
from studio.lessons.flags import lift_flags
from studio.models import HomeDay, Lesson, Plan, Player, RedFlag

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
        week_is_there(self.page)

    def today(self) -> HomeDay:
        return HomeDay.objects.get(date=timezone.localdate())

    def test_a_day_in_three_touches_and_the_teacher_sees_it_before_asking(self):
        page = self.page
        self.assert_accessible("home")
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)
        log_day(page)
        self.assert_accessible("home, a question")
        nothing_hurt(page)
        expect(page.get_by_role("heading", name="is on the string")).to_be_visible()
        self.saved()
        day = self.today()
        told = (day.done, day.felt, day.one_thing, day.pain, day.hurt)
        self.assertEqual(told, ("done", "soft", "mostly", 0, ""))
        self.assert_accessible("home, logged")
        page.get_by_role("button", name="Change it").click()
        touch(page, "Not this day")
        self.saved()
        self.assertEqual(self.today().done, "not")
        self.page.set_viewport_size({"width": 1280, "height": 800})
        self.sign_in()
        page.get_by_role("button", name="lesson of Mira Oslund").click()
        page.get_by_role("heading", name="At home").wait_for()
        expect(page.get_by_text("Practised on")).to_be_visible()
        expect(page.get_by_text("Last week’s one thing")).to_be_visible()

    def test_without_a_network_the_week_opens_and_the_day_is_sent_later(self):
        page = self.page
        cable = self.kept_over_a_cable()
        cable.cut()
        page.reload()
        week_is_there(page)
        log_day(page)
        nothing_hurt(page)
        page.get_by_role("button", name="To the week").click()
        expect(page.get_by_text("1 entry kept here")).to_be_visible()
        page.reload()
        expect(page.get_by_text("Kept: all of it.")).to_be_visible()
        self.assertEqual(HomeDay.objects.count(), self.days_before)
        cable.mend()
        page.evaluate("window.dispatchEvent(new Event('online'))")
        self.saved()
        self.assertEqual(self.today().felt, "soft")

    def kept_over_a_cable(self) -> Cable:
        """The week open over a cable that can be cut, and kept on the phone."""
        cable = Cable(self.server_thread.port)
        self.addCleanup(cable.cut)
        self.own_addresses.append(cable.address)
        self.page.goto(f"{cable.address}/home/{self.token}")
        self.page.locator("html[data-kept='yes']").wait_for()
        return cable

    def teacher_writes(self, line: str) -> None:
        Lesson.objects.filter(plan__isnull=False).update(teacher_line=line)

    def test_a_kept_week_gives_way_to_the_new_one_without_a_touch(self):
        page = self.page
        cable = self.kept_over_a_cable()
        cable.cut()
        self.teacher_writes("slowly, like a cat")
        page.reload()
        week_is_there(page)
        expect(page.get_by_text("like a cat")).to_have_count(0)
        cable.mend()
        expect(page.get_by_text("like a cat")).to_be_visible()

    def test_a_page_that_stayed_open_reads_its_week_when_it_is_looked_at_again(self):
        page = self.page
        self.teacher_writes("slowly, like a cat")
        page.clock.set_fixed_time(timezone.now() + timedelta(minutes=1))
        page.evaluate("document.dispatchEvent(new Event('visibilitychange'))")
        expect(page.get_by_text("like a cat")).to_be_visible()
        revoke_link(Lesson.objects.order_by("date").last().player)
        page.clock.set_fixed_time(timezone.now() + timedelta(minutes=3))
        page.evaluate("document.dispatchEvent(new Event('visibilitychange'))")
        expect(page.get_by_text("This link has ended")).to_be_visible()

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
            week_is_there(page)
            page.locator("html[data-kept='yes']").wait_for()
            self.assertGreater(self.kept_on_the_phone(), 0)
            revoke_link(Lesson.objects.order_by("date").last().player)
            page.reload()
            expect(page.get_by_text("This link has ended")).to_be_visible()
            self.wait_until(lambda: self.kept_on_the_phone() == 0)

    def test_what_waits_with_an_ended_link_goes_with_the_new_one_of_the_same_player(self):
        page = self.page
        days = "**/days"
        page.route(days, lambda route: route.abort("failed"))
        log_day(page)
        nothing_hurt(page)
        page.get_by_role("button", name="To the week").click()
        expect(page.get_by_text("1 entry kept here")).to_be_visible()
        player = Lesson.objects.order_by("date").last().player
        renewed = make_link(player).token
        page.unroute(days)
        page.reload()
        expect(page.get_by_text("This link has ended")).to_be_visible()
        kept = page.get_by_role("region", name="Not sent yet")
        expect(kept.get_by_text("The log of")).to_have_count(1)
        self.assert_accessible("home, ended with something that waits")
        # The link of a brother or sister on this phone tells nothing of it, and sends nothing.
        sibling = Player.objects.create(teacher=player.teacher, name="Brother", instrument="vc")
        own = start_lesson(sibling, timezone.localdate() - timedelta(days=1))
        Plan.objects.create(lesson=own)
        page.goto(f"{self.live_server_url}/home/{make_link(sibling).token}")
        expect(page.get_by_text("Brother").first).to_be_visible()
        expect(page.get_by_text("kept here")).to_have_count(0)
        self.assertEqual(HomeDay.objects.count(), self.days_before)
        page.goto(f"{self.live_server_url}/home/{renewed}")
        week_is_there(page)
        expect(page.get_by_text("Kept: all of it.")).to_be_visible()
        self.saved()
        self.assertEqual(self.today().lesson.player, player)
        # Thrown away only by a touch: nothing is left on the ended page now.
        page.goto(self.address)
        expect(page.get_by_text("This link has ended")).to_be_visible()
        expect(kept).to_have_count(0)

    def test_pain_of_four_stops_the_week_at_once_and_flags_the_teacher(self):
        page = self.page
        log_day(page, felt="Tight")
        it_hurts(page, 4)
        stopped = page.get_by_role("heading", name="Please rest this hand")
        expect(stopped).to_be_visible()
        expect(page.get_by_role("button", name="Begin")).to_have_count(0)
        self.wait_until(lambda: RedFlag.objects.filter(from_home=True, lifted_on=None).exists())
        self.assert_accessible("home, stopped")
        page.reload()
        expect(stopped).to_be_visible()
        lift_flags(
            Lesson.objects.last().player, note="seen by a doctor today", on=timezone.localdate()
        )
        page.reload()
        expect(page.get_by_text("Easing off.")).to_be_visible()

    def test_some_of_it_asks_which(self):
        page = self.page
        rows = page.get_by_role("button").filter(has=page.locator("strong"))
        name = rows.first.locator("strong").inner_text()
        page.get_by_role("button", name="without the phone").click()
        touch(page, "Some of it")
        touch(page, name)
        self.assert_accessible("home, which of it")
        touch(page, "Go on")
        end_day(page)
        nothing_hurt(page)
        self.wait_until(HomeDay.objects.exists)
        self.assertEqual((self.today().done, len(self.today().parts)), ("partly", 1))
        page.set_viewport_size({"width": 1280, "height": 800})
        self.sign_in()
        page.get_by_role("button", name="lesson of Mira Oslund").click()
        expect(page.get_by_text(f"{name}, soft")).to_be_visible()
        expect(page.get_by_text("The one thing: mostly there on one day.")).to_be_visible()

    def test_the_day_of_the_lesson_says_why_it_is_free(self):
        lesson = Lesson.objects.order_by("date").last()
        lesson.date = timezone.localdate() - timedelta(days=7)
        lesson.save()
        for number in range(1, 7):
            day = lesson.date + timedelta(days=number)
            lesson.home_days.create(date=day, done="done", felt="soft")
        self.page.reload()
        expect(self.page.get_by_text("The day of the lesson is free")).to_be_visible()

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
                expect(page.get_by_text("Loose up to 60 today.")).to_be_attached()
                self.assert_accessible("home, tempo work")
        self.assertTrue(worked)
        page.get_by_role("button", name="Next").click()
        page.get_by_role("heading", name="And now?").wait_for()
        page.get_by_role("group", name="The thumbnail").get_by_text("pale").click()
        page.get_by_role("button", name="Done").click()
        end_day(page)
        nothing_hurt(page)
        self.wait_until(HomeDay.objects.exists)
        day = self.today()
        self.assertEqual((day.done, day.parts), ("done", None))
        self.assertEqual(day.tempos, {"tempo_ladder": {"highest": 60, "plays": 4, "slow": 4}})
        self.assertEqual(day.checks, {"before": ["nail"], "after": []})
        page.set_viewport_size({"width": 1280, "height": 800})
        self.sign_in()
        page.get_by_role("button", name="lesson of Mira Oslund").click()
        expect(page.get_by_text("Tempo ladder: loose up to ♩ = 60")).to_be_visible()
        expect(page.get_by_text("the thumbnail: pale after 1")).to_be_visible()

    def test_practice_that_was_cut_short_and_gone_on_with_later_is_one_day(self):
        page = self.page
        page.get_by_role("button", name="Begin").click()
        page.get_by_role("button", name="Next").click()
        for number in (1, 0):
            page.get_by_role("button", name="Back" if number else "Week").click()
        # What was gone through before the week was opened again is still there.
        page.get_by_role("button", name="Begin").click()
        go_through(page)
        end_day(page)
        nothing_hurt(page)
        self.wait_until(HomeDay.objects.exists)
        self.assertEqual(self.today().done, "done")

    def test_on_the_day_of_the_lesson_it_is_practised_and_logged_with_its_own_week(self):
        lesson = Lesson.objects.order_by("date").last()
        lesson.date = timezone.localdate()
        lesson.save()
        page = self.page
        page.reload()
        week_is_there(page)
        page.get_by_role("button", name="Begin").click()
        go_through(page)
        end_day(page)
        nothing_hurt(page)
        self.wait_until(HomeDay.objects.exists)
        self.assertEqual(HomeDay.objects.get().lesson, lesson)

    def test_a_day_to_come_is_tried_through_and_logs_nothing(self):
        page = self.page
        coming = timezone.localdate() + timedelta(days=2)
        page.get_by_role("button", name=f"{coming.day} {coming:%B}").click()
        page.get_by_role("button", name="Try it through").click()
        go_through(page)
        week_is_there(page)
        self.assertFalse(HomeDay.objects.exists())

    def test_an_ended_link_says_so(self):
        self.page.goto(f"{self.live_server_url}/home/{'x' * 43}")
        expect(self.page.get_by_text("This link has ended")).to_be_visible()
        self.assert_accessible("home, ended")
