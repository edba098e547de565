"""What is promised on the screen: nothing entered is lost, and a stop is a stop."""

from datetime import timedelta
from unittest import mock

from django.contrib.sessions.models import Session
from django.utils import timezone
from playwright.sync_api import expect

from browser.case import BOUNCE_MS, BrowserCase
from browser.phone import it_hurts, log_day, nothing_hurt, touch, week_is_there
from studio.demo.data import DEMO_PASSWORD, PLAYERS
from studio.entries import record
from studio.errors import StudioError
from studio.home.link import make_link
from studio.models import HomeDay, Lesson, LessonEntry, Plan, RedFlag

MIRA = PLAYERS[:1]


class Held(BrowserCase):
    """Entries across a sign-out, refusals and another window."""

    players = MIRA

    def begin(self):
        self.sign_in()
        self.page.get_by_role("button", name="Begin the lesson of Mira").click()
        self.page.get_by_role("button", name="All is well").click()
        self.page.get_by_role("heading", name="The same again").wait_for()
        self.saved()

    def grade(self, evidence):
        found = Lesson.objects.order_by("date").last().observations.filter(evidence=evidence)
        return [each.entered for each in found]

    def test_entries_made_while_signed_out_wait_and_go_on_after_signing_in_place(self):
        page = self.page
        self.begin()
        Session.objects.all().delete()
        page.keyboard.press("3")
        dialog = page.get_by_role("dialog", name="You were signed out")
        expect(dialog.get_by_text("One entry is kept here")).to_be_visible()
        self.assert_accessible("signed out")
        self.assertEqual(self.grade("web.closed"), [])
        dialog.get_by_label("Password", exact=True).fill(DEMO_PASSWORD)
        page.keyboard.press("Enter")
        expect(dialog).to_have_count(0)
        self.saved()
        self.assertEqual(self.grade("web.closed"), [3])
        expect(page.get_by_role("heading", name="What it means")).to_be_visible()
        expect(page.get_by_role("group", name="Left hand on the neck")).to_be_visible()

    def test_entries_kept_without_a_network_are_sent_from_any_page_another_day(self):
        page = self.page
        self.begin()
        self.context.set_offline(True)
        page.keyboard.press("2")
        expect(page.get_by_text("No connection: 1 entry kept here")).to_be_visible()
        self.context.set_offline(False)
        page.goto(f"{self.live_server_url}/library")
        page.get_by_role("heading", level=1).wait_for()
        self.wait_until(lambda: bool(self.grade("web.closed")))
        self.assertEqual(self.grade("web.closed"), [2])

    def test_an_entry_that_cannot_be_taken_is_set_aside_with_its_words(self):
        page = self.page
        self.begin()
        refused = []

        def refuse_once(*arguments, **more):
            if not refused:
                refused.append(more)
                raise StudioError("bad_input", "value", "is out of tune")
            return record(*arguments, **more)

        patch = mock.patch("api.lessons.routes.record", refuse_once)
        patch.start()
        self.addCleanup(patch.stop)
        self.press_grades("31")
        button = page.get_by_role("button", name="1 not taken")
        expect(button).to_be_visible()
        button.click()
        dialog = page.get_by_role("dialog", name="Entries that were not taken")
        expect(dialog.get_by_text("Grade · web.closed · 3")).to_be_visible()
        self.assert_accessible("not taken")
        dialog.get_by_role("button", name="Try again").click()
        expect(dialog).to_have_count(0)
        self.saved()
        self.assertEqual(self.grade("web.closed"), [3])

    def test_two_windows_add_up_and_each_sees_the_other(self):
        self.begin()
        other = self.new_page()
        other.goto(self.page.url)
        other.get_by_role("heading", name="What it means").wait_for()
        self.page.keyboard.press("3")
        self.saved()
        expect(other.get_by_role("button", name="Opening beside the thumb: strong")).to_be_visible()
        expect(other.get_by_text("changed in another window")).to_be_visible()
        other.keyboard.press("u")
        expect(
            self.page.get_by_role("button", name="Opening beside the thumb: strong")
        ).to_have_count(0)
        self.assertEqual(self.grade("web.closed"), [])

    def test_a_lesson_begun_by_mistake_goes(self):
        self.begin()
        count = Lesson.objects.count()
        self.page.keyboard.press("a")
        self.page.get_by_role("button", name="Begun by mistake").click()
        self.assert_accessible("remove a lesson")
        self.page.get_by_role("button", name="Remove it").click()
        self.page.get_by_role("button", name="Begin the lesson of Mira").wait_for()
        self.assertEqual(Lesson.objects.count(), count - 1)


class StopStays(BrowserCase):
    players = MIRA

    def test_only_a_note_or_undo_takes_a_stop_away(self):
        page = self.page
        self.sign_in()
        page.get_by_role("button", name="Begin the lesson of Mira").click()
        page.get_by_role("region", name="What is asked").wait_for()
        page.keyboard.press("y")
        page.get_by_label("swelling").click()
        stop = page.get_by_role("heading", name="Stop, and ask a doctor")
        expect(stop).to_be_visible()
        page.get_by_label("swelling").click()
        self.saved()
        page.keyboard.press("w")
        self.saved()
        expect(stop).to_be_visible()
        self.assertEqual(RedFlag.objects.get(lifted_on=None).reasons, ["swelling"])
        self.assert_accessible("stop in asking")
        page.keyboard.press("u")
        page.keyboard.press("u")
        expect(stop).to_have_count(0)
        self.saved()
        undone = LessonEntry.objects.filter(kind="reports", undone=True)
        self.assertEqual(undone.count(), 2)

    def test_a_complaint_of_an_ache_asks_one_question_more(self):
        page = self.page
        self.sign_in()
        page.get_by_role("button", name="Begin the lesson of Mira").click()
        page.get_by_role("button", name="What bothers most").click()
        page.get_by_role("button", name="My thumb aches after playing").click()
        page.get_by_role("button", name="All is well").click()
        question = page.get_by_role("region", name="One question more")
        expect(question).to_be_visible()
        self.assert_accessible("one question more")
        question.get_by_role("button", name="It hurts").click()
        page.get_by_role("button", name="Pain 3 of 10").click()
        expect(page.get_by_text("Ease off:")).to_be_visible()
        expect(question).to_have_count(0)


class PainAtHome(BrowserCase):
    players = MIRA
    viewport = {"width": 390, "height": 844}

    def setUp(self):
        super().setUp()
        HomeDay.objects.all().delete()
        self.lesson = Lesson.objects.order_by("date").last()
        self.lesson.date = timezone.localdate() - timedelta(days=2)
        self.lesson.save()
        self.address = f"{self.live_server_url}/home/{make_link(self.lesson.player).token}"

    def open(self):
        self.page.goto(self.address)
        week_is_there(self.page)

    def test_slight_pain_eases_the_week_at_once_without_a_network_too(self):
        self.open()
        self.context.set_offline(True)
        log_day(self.page)
        it_hurts(self.page, 2)
        touch(self.page, "To the week")
        expect(self.page.get_by_text("Easing off.")).to_be_visible()
        self.context.set_offline(False)
        self.page.evaluate("window.dispatchEvent(new Event('online'))")
        self.saved()
        expect(self.page.get_by_text("Easing off.")).to_be_visible()
        self.assert_accessible("home, eased")
        self.page.set_viewport_size({"width": 1280, "height": 800})
        self.sign_in()
        expect(self.page.get_by_text("Hurt at home")).to_be_visible()
        self.assert_accessible("today, pain at home")

    def test_a_log_of_last_week_that_waited_is_sent_when_the_new_week_is_opened(self):
        page = self.page
        self.open()
        self.context.set_offline(True)
        log_day(page)
        nothing_hurt(page)
        expect(page.get_by_text("1 entry kept here")).to_be_visible()
        self.context.set_offline(False)
        newer = Lesson.objects.create(player=self.lesson.player, date=timezone.localdate())
        Plan.objects.create(lesson=newer).items.create(
            order=1, exercise="thumb_taps", rung=1, reps=8, sets=2, seconds=2, days=[1, 2]
        )
        page.goto(self.address)
        week_is_there(page)
        self.wait_until(HomeDay.objects.exists)
        self.assertEqual(HomeDay.objects.get().lesson, self.lesson)

    def test_the_next_day_asks_whether_it_is_still_there_and_then_stops(self):
        yesterday = timezone.localdate() - timedelta(days=1)
        HomeDay.objects.create(lesson=self.lesson, date=yesterday, done="done", felt="soft", pain=2)
        self.page.goto(self.address)
        self.page.get_by_role("heading", name="Was it still there later?").wait_for()
        touch(self.page, "Yes")
        self.assert_accessible("home, still there")
        touch(self.page, "the next day")
        touch(self.page, "Keep this")
        expect(self.page.get_by_role("heading", name="Please rest this hand")).to_be_visible()
        self.wait_until(lambda: RedFlag.objects.filter(lifted_on=None).exists())
        flag = RedFlag.objects.get(lifted_on=None)
        self.assertEqual(flag.reasons, ["next_day"])

    def test_a_stop_says_what_the_teacher_knows_and_can_be_taken_back_at_once(self):
        page = self.page
        self.open()
        self.context.set_offline(True)
        log_day(page)
        touch(page, "Yes")
        touch(page, "It is swollen")
        expect(page.get_by_text("Your teacher has not heard of it yet")).to_be_visible()
        self.context.set_offline(False)
        page.evaluate("window.dispatchEvent(new Event('online'))")
        expect(page.get_by_text("Your teacher gets a note of it")).to_be_visible()
        page.get_by_role("button", name="That was tapped by mistake").click()
        expect(page.get_by_role("heading", name="Please rest this hand")).to_have_count(0)
        self.saved()
        self.assertTrue(RedFlag.objects.get().mistaken)
        self.assertFalse(HomeDay.objects.exists())


# In the page, so that a busy machine does not come between the two.
TWICE = """(element, script) => {
    const act = new Function('element', script);
    act(element);
    return new Promise((done) => setTimeout(() => done(act(element)), 50));
}"""


class OneGradeAtATime(BrowserCase):
    players = MIRA

    def setUp(self):
        super().setUp()
        self.sign_in()
        self.page.get_by_role("button", name="Begin the lesson of Mira").click()
        self.page.get_by_role("button", name="All is well").click()
        self.page.get_by_role("heading", name="The same again").wait_for()

    def test_a_bounced_key_or_a_double_click_grades_one_check(self):
        press = "new KeyboardEvent('keydown', { key: '3', bubbles: true })"
        self.page.locator("body").evaluate(TWICE, f"document.body.dispatchEvent({press})")
        self.saved()
        self.assertEqual(Lesson.objects.last().observations.count(), 1)
        self.page.wait_for_timeout(BOUNCE_MS)
        row = self.page.locator("[data-question]").get_by_role("group").last
        row.get_by_role("button", name="slight").evaluate(TWICE, "element.click()")
        self.saved()
        self.assertEqual(Lesson.objects.last().observations.count(), 2)

    def test_a_check_of_fingers_asks_which_and_takes_several(self):
        page = self.page
        page.get_by_role("button", name="Middle joint, first finger: not checked").focus()
        page.keyboard.press("Enter")
        page.get_by_role("button", name="Middle joint snaps straight").click()
        row = page.locator("[data-question]")
        row.get_by_role("button", name="Finger 1").click()
        row.get_by_role("button", name="Finger 1").click()
        expect(row.get_by_text("Which finger?")).to_be_visible()
        page.keyboard.press("2")
        expect(row.get_by_role("alert")).to_contain_text("Which finger?")
        today = Lesson.objects.last().observations
        self.assertFalse(today.filter(evidence="middle.locks").exists())
        row.get_by_role("button", name="Finger 2").click()
        row.get_by_role("button", name="Finger 4").click()
        page.keyboard.press("2")
        self.saved()
        self.assertEqual(today.get(evidence="middle.locks").entered, {"2": 2, "4": 2})

    def test_enter_does_what_the_main_button_says_wherever_the_mouse_left_the_focus(self):
        row = self.page.locator("[data-question]")
        row.get_by_role("group").last.get_by_role("button", name="clear").click()
        self.saved()
        self.page.keyboard.press("Enter")
        self.page.get_by_role("heading", name="This week’s focus").wait_for()
        graded = Lesson.objects.last().observations
        self.assertEqual(graded.count(), 1, "Enter did not grade again")

    def test_the_drawn_hand_outlives_a_server_that_does_not_answer(self):
        page = self.page
        hand = page.get_by_role("group", name="Left hand on the neck")
        lines = hand.locator("path").evaluate_all("all => all.map(p => p.getAttribute('d')).join()")
        page.route("**/api/hands/**", lambda route: route.abort())
        page.keyboard.press("3")
        self.saved()
        page.wait_for_timeout(4500)
        expect(hand).to_be_visible()
        page.unroute("**/api/hands/**")
        self.wait_until(
            lambda: (
                lines
                != hand.locator("path").evaluate_all(
                    "all => all.map(p => p.getAttribute('d')).join()"
                )
            )
        )
