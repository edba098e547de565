"""The fit written down and judged, a trial compared before and after, the loose tempo found."""

from datetime import timedelta

from django.utils import timezone
from playwright.sync_api import expect

from browser.case import BrowserCase
from studio.demo.data import PLAYERS
from studio.models import Lesson, Setup

MIRA = PLAYERS[:1]


class FitAndTempo(BrowserCase):
    players = MIRA

    def begin(self) -> None:
        self.sign_in()
        self.page.get_by_role("button", name="Begin the lesson of Mira").click()
        self.page.get_by_role("button", name="All is well").wait_for()

    def begin_trying(self) -> None:
        """The first check is there, so that one thing is changed."""
        self.begin()
        self.page.keyboard.press("w")
        self.page.get_by_role("heading", name="The same again").wait_for()
        self.page.keyboard.press("2")
        self.saved()
        self.page.get_by_role("button", name="Try one thing").click()

    def test_the_fit_is_written_down_on_the_players_page(self):
        page = self.page
        self.sign_in()
        page.get_by_role("link", name="Mira Oslund").first.click()
        page.get_by_role("button", name="Body and fit").click()
        page.get_by_role("button", name="Write down the fit").click()
        page.get_by_label("What was changed: one thing").wait_for()
        self.assert_accessible("fit dialog")
        page.get_by_role("button", name="Keep").click()
        expect(page.get_by_text("expected something to write down")).to_be_visible()
        page.get_by_label("What was changed: one thing").fill("pad one size thinner")
        page.get_by_label("Size of the instrument").fill("3/4")
        page.get_by_label("Tapes, mm from the nut").fill("33,6 high 63.5")
        page.get_by_role("button", name="Keep").click()
        expect(page.get_by_text("“high” is no number")).to_be_visible()
        self.assertFalse(Setup.objects.exists())
        page.get_by_label("Tapes, mm from the nut").fill("33,6 63.5")
        page.get_by_role("button", name="Keep").click()
        expect(page.get_by_text("changed: pad one size thinner")).to_be_visible()
        self.assertEqual(Setup.objects.get().tapes, [33.6, 63.5])
        self.assert_accessible("player, fit")
        page.get_by_role("button", name="Remove the fit").click()
        self.assertTrue(Setup.objects.exists())
        page.get_by_role("button", name="Yes, remove the fit").click()
        expect(page.get_by_text("changed: pad one size thinner")).to_have_count(0)
        self.assertFalse(Setup.objects.exists())

    def test_the_span_on_a_ruler_becomes_the_finding(self):
        page = self.page
        self.begin()
        page.keyboard.press("w")
        page.get_by_role("heading", name="What it means").wait_for()
        page.get_by_role("button", name="Gaps between the fingers: not checked").click()
        page.get_by_role("button", name="Frame is wider than the easy span").click()
        page.get_by_role("button", name="Measure", exact=True).click()
        expect(page.get_by_text("string from nut to bridge")).to_be_visible()
        page.get_by_label("String, mm").fill("328")
        page.get_by_label("Easy span, mm").fill("66")
        page.keyboard.press("Enter")
        expect(page.get_by_text("asks for 73.3 mm. 7.3 mm are missing.")).to_be_visible()
        expect(page.get_by_text("A turn of the hand brings that.")).to_be_visible()
        self.assert_accessible("reach")
        self.saved()
        stored = Lesson.objects.last().observations.get(evidence="reach.exceeded")
        self.assertEqual((stored.entered["value"], stored.entered["grade"]), (-10, 2))
        page.get_by_label("Easy span, mm").fill("5")
        page.keyboard.press("Enter")
        expect(page.get_by_text("expected a number from 20 to 300")).to_be_visible()
        page.get_by_label("Easy span, mm").fill("75")
        page.keyboard.press("Enter")
        expect(page.get_by_text("It fits, with 1.7 mm to spare.")).to_be_visible()

    def test_the_fourth_is_measured_with_the_first_down_and_let_go(self):
        page = self.page
        player = Lesson.objects.last().player
        day = timezone.localdate() - timedelta(days=9)
        Setup.objects.create(player=player, date=day, string_length=328)
        self.begin_trying()
        page.get_by_role("button", name="Let the first go").first.click()
        page.get_by_role("button", name="Before and after").click()
        with_first = page.get_by_label("Fourth, the first down, cents")
        with_first.press_sequentially("-40")
        let_go = page.get_by_label("Fourth, the first let go, cents")
        let_go.press_sequentially("-36")
        page.keyboard.press("Enter")
        expect(page.get_by_text("No difference that measuring twice")).to_be_visible()
        self.saved()
        entries = Lesson.objects.last().entries
        before = entries.count()
        with_first.focus()
        let_go.focus()
        self.saved()
        self.assertEqual(entries.count(), before, "only what was changed is entered")
        page.get_by_role("button", name="mm from its place").click()
        page.get_by_label("Fourth, the first down, mm").fill("-5")
        page.get_by_label("Fourth, the first let go, mm").fill("-0.5")
        page.keyboard.press("Enter")
        expect(page.get_by_text("The fourth comes 35 cents higher.")).to_be_visible()
        self.assert_accessible("measured pair")
        self.saved()
        stored = Lesson.objects.last().observations.get(evidence="try.lift_first")
        self.assertEqual(stored.entered["grade"], 3)
        self.assertAlmostEqual(stored.entered["measured_before"], -39.1, delta=0.1)
        page.get_by_role("button", name="cents", exact=True).click()
        expect(with_first).to_have_value(str(stored.entered["measured_before"]))
        for _ in range(2):
            page.get_by_role("button", name="Undo").click()
            self.saved()
        expect(with_first).to_have_value("")

    def test_the_next_lesson_asks_whether_a_change_helped(self):
        player = Lesson.objects.last().player
        day = timezone.localdate() - timedelta(days=7)
        setup = Setup.objects.create(player=player, date=day, change="pad thinner")
        self.begin()
        self.page.get_by_role("button", name="Did it help").click()
        answers = self.page.get_by_role("group", name="Did the change of fit help")
        answers.get_by_role("button", name="It helped").click()
        helped = answers.get_by_role("button", name="It helped")
        expect(helped).to_have_attribute("aria-pressed", "true")
        self.saved()
        setup.refresh_from_db()
        self.assertEqual(setup.judged, "helped")
        self.page.reload()
        self.page.get_by_role("button", name="Did it help").click()
        expect(helped).to_have_attribute("aria-pressed", "true")
        self.page.get_by_role("button", name="Undo").click()
        self.saved()
        expect(helped).to_have_attribute("aria-pressed", "false")
        setup.refresh_from_db()
        self.assertEqual(setup.judged, "")

    def test_a_trial_is_the_same_bar_before_and_after(self):
        page = self.page
        self.begin_trying()
        page.get_by_role("heading", name="Change one thing").wait_for()
        page.get_by_role("button", name="Thumb away").first.click()
        page.get_by_role("button", name="Before and after").click()
        self.assert_accessible("trial compared")
        page.get_by_role("button", name="Before: strong").click()
        page.get_by_role("button", name="After: slight").click()
        self.saved()
        stored = Lesson.objects.last().observations.get(evidence="try.thumb_off")
        self.assertEqual((stored.entered["before"], stored.entered["after"]), (3, 1))
        self.assertEqual(stored.entered["grade"], 2)
        page.get_by_role("button", name="Undo").click()
        self.saved()
        self.assertFalse(Lesson.objects.last().observations.filter(pk=stored.pk).exists())

    def test_the_loose_tempo_of_the_lesson_is_where_the_week_starts(self):
        page = self.page
        self.begin()
        page.keyboard.press("w")
        page.goto(f"{page.url.split('?')[0]}?step=give")
        page.get_by_role("heading", name="The week").wait_for()
        page.get_by_role("button", name="Tempo ladder").first.click()
        ladder = page.get_by_role("region", name="About the week")
        ladder.get_by_role("button", name="Play it to a beat").click()
        self.saved()
        ladder.get_by_role("button", name="Goal up, Tempo ladder").click()
        self.saved()
        ladder.get_by_text("Find the loose tempo now").click()
        for _ in range(6):
            ladder.get_by_role("button", name="It was clean").click()
        start = ladder.get_by_role("button", name="Start the week at")
        tempo = int(start.inner_text().rsplit("=", 1)[1])
        start.click()
        self.saved()
        item = Lesson.objects.last().plan.items.get(exercise="tempo_ladder")
        self.assertEqual((item.tempo, item.goal), (tempo, 100))
        self.assertGreater(tempo, 60)
