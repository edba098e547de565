"""Deciding again: a taken focus moves with corrected grades, and the week says that it is stale; keys
for what stands on Today, Ask and Give."""

from playwright.sync_api import Locator, expect

from browser.case import BOUNCE_MS, BrowserCase
from studio.demo.data import PLAYERS
from studio.models import HomeDay, Lesson, Observation, Plan, PracticeResult, StoredStanding


class DecidingAgain(BrowserCase):
    players = PLAYERS[:1]

    def setUp(self):
        super().setUp()
        self.sign_in()
        self.page.keyboard.press("1")
        self.page.get_by_role("heading", name="Last week: show me").wait_for()

    def grade(self, place, check, grade):
        page = self.page
        page.get_by_role("button", name=place).first.click()
        if page.get_by_role("group", name=check).count() == 0:
            page.get_by_role("button", name=check).first.click()
        page.get_by_role("group", name=check).get_by_role("button", name=grade).click()
        self.saved()

    def test_a_week_on_paper_is_asked_for(self):
        page = self.page
        HomeDay.objects.all().delete()
        page.reload()
        days = page.get_by_role("group", name="Days of practice")
        days.get_by_role("button").nth(1).click()
        page.keyboard.press("3")
        expect(page.get_by_text("2 of 6 planned days.")).to_be_visible()
        self.saved()
        self.assert_accessible("days of practice")
        self.assertEqual(len(Lesson.objects.order_by("date").last().practised), 2)
        days.get_by_role("button", name="On none").click()
        expect(page.get_by_text("0 of 6 planned days.")).to_be_visible()
        self.saved()
        self.assertEqual(Lesson.objects.order_by("date").last().practised, [])
        expect(page.get_by_role("heading", name="Last time, besides")).to_be_visible()

    def sheet_in_words(self) -> Locator:
        words = self.page.get_by_role("group").filter(has_text="The sheet in words")
        words.get_by_text("The sheet in words").click()
        return words

    def test_the_focus_moves_with_what_is_corrected_and_the_week_is_made_anew(self):
        page = self.page
        Observation.objects.all().delete()  # today alone speaks
        StoredStanding.objects.all().delete()
        page.reload()
        page.get_by_role("button", name="All is well").wait_for()
        page.keyboard.press("l")
        self.grade("Opening beside the thumb", "Opening beside the thumb is shut", "strong")
        self.grade("Thumb:", "Thumb will not tap", "strong")
        page.keyboard.press("d")
        page.get_by_role("button", name="Take it").click()
        page.get_by_role("button", name="Give it").click()
        page.get_by_role("heading", name="Mira’s week").wait_for()
        expect(self.sheet_in_words()).to_contain_text("Your thumb only touches")

        page.keyboard.press("b")
        page.get_by_role("heading", name="The week", exact=True).wait_for()
        page.keyboard.press("l")
        for place, check in (
            ("Opening beside the thumb", "Opening beside the thumb is shut"),
            ("Thumb:", "Thumb will not tap"),
        ):
            self.grade(place, check, "not there")
        self.grade("Jaw, shoulder", "Instrument sinks without the hand", "strong")
        page.keyboard.press("d")
        expect(page.get_by_text("Moved with what you corrected")).to_be_visible()
        page.keyboard.press("g")
        stale = page.get_by_text("The focus has changed since this week was made")
        expect(stale).to_be_visible()
        self.assert_accessible("a stale week")
        page.keyboard.press("p")
        expect(page.get_by_text("The focus has changed since.")).to_be_visible()
        expect(self.sheet_in_words()).to_contain_text("Your thumb only touches")
        page.keyboard.press("b")
        expect(stale).to_be_visible()
        page.keyboard.press("m")
        expect(stale).not_to_be_visible()
        self.saved()
        page.keyboard.press("p")
        page.get_by_role("heading", name="Mira’s week").wait_for()
        expect(self.sheet_in_words()).not_to_contain_text("Your thumb only touches")

    def test_keys_answer_last_week_and_change_the_new_one(self):
        page = self.page
        page.keyboard.press("s")
        page.keyboard.press("n")
        self.saved()
        results = PracticeResult.objects.filter(lesson=Lesson.objects.last())
        self.assertEqual([r.passed for r in results.order_by("item__order")], [True, False])
        row = page.get_by_role("group", name="shown today")
        row.get_by_role("button", name="It hurt").click()
        page.get_by_role("button", name="Pain 2 of 10").first.click()
        self.saved()
        self.assertEqual([r.pain for r in results.filter(pain__gt=0)], [2])
        expect(page.get_by_role("group", name="Where does it hurt?")).to_be_visible()
        expect(page.get_by_role("button", name="All is well")).to_be_disabled()
        page.get_by_role("button", name="it hurt").click()
        row.get_by_role("button", name="Not yet").click()
        self.saved()
        expect(page.get_by_role("button", name="All is well")).to_be_enabled()
        page.keyboard.press("?")
        expect(page.get_by_role("dialog")).to_contain_text("shown")
        page.keyboard.press("Escape")
        page.keyboard.press("g")
        page.get_by_role("heading", name="The week", exact=True).wait_for()
        page.keyboard.press("ArrowDown")
        days = page.get_by_role("region", name="About the week").locator("[aria-pressed=true]")
        expect(days.first).to_be_visible()
        count = days.count()
        page.keyboard.press("1")
        expect(days).not_to_have_count(count)
        page.keyboard.press("x")
        self.saved()
        self.assertEqual(Lesson.objects.last().plan.items.count(), 2)

    def test_enter_while_a_stop_is_up_makes_its_sheet_and_gives_nothing_when_it_is_lifted(self):
        page = self.page
        page.keyboard.press("y")
        page.get_by_label("numbness or tingling").check()
        self.saved()
        page.keyboard.press("g")
        page.get_by_role("heading", name="No exercises while the stop is up").wait_for()
        page.keyboard.press("Enter")
        page.get_by_role("img", name="Mira’s sheet, page 1 of").wait_for()
        page.keyboard.press("b")
        page.get_by_role("heading", name="No exercises while the stop is up").wait_for()
        page.get_by_role("button", name="Lift with a note").click()
        dialog = page.get_by_role("dialog")
        dialog.get_by_role("textbox").fill("Seen by a doctor, may go on gently.")
        dialog.get_by_role("button", name="Lift").click()
        page.get_by_role("heading", name="The week", exact=True).wait_for()
        page.wait_for_timeout(BOUNCE_MS)
        expect(page.get_by_role("button", name="Give it")).to_be_visible()
        self.assertFalse(Plan.objects.filter(lesson=Lesson.objects.last()).exists())

    def test_the_form_opens_in_view_and_how_it_goes_can_be_heard_before_it_is_given(self):
        page = self.page
        page.keyboard.press("y")
        expect(page.get_by_text("Pain, from 0 (none) to 10")).to_be_in_viewport()
        page.keyboard.press("g")
        page.get_by_role("heading", name="The week", exact=True).wait_for()
        page.keyboard.press("ArrowDown")
        how = page.get_by_role("region", name="How it goes")
        expect(how.get_by_role("listitem").first).to_be_visible()
        expect(how.get_by_role("button", name="Listen")).to_be_visible()
        self.assert_accessible("how it goes")

    def test_three_exercises_and_the_questions_fit_the_screen(self):
        page = self.page
        page.set_viewport_size({"width": 1280, "height": 800})
        expect(page.get_by_role("button", name="All is well")).to_be_in_viewport(ratio=1)
        expect(page.get_by_role("group", name="shown today")).to_be_in_viewport(ratio=1)
        page.keyboard.press("g")
        page.get_by_role("heading", name="The week", exact=True).wait_for()
        rows = page.locator("ol > li[draggable]")
        expect(rows).to_have_count(3)
        expect(rows.last).to_be_in_viewport(ratio=0.99)
