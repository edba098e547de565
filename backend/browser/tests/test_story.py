"""One lesson from complaint to sheet and the next one after it, by mouse and by keys alone."""

import io
import re
from datetime import timedelta

from playwright.sync_api import expect
from pypdf import PdfReader

from browser.case import BOUNCE_MS, BrowserCase
from studio.demo.data import PLAYERS
from studio.memory.standing import forget
from studio.models import Lesson, PlanItem

MIRA = PLAYERS[:1]
NILS = tuple(p for p in PLAYERS if p.name == "Nils Haverkamp")
TARGET_PIXELS = 44


def a_week_later() -> None:
    """Move every lesson a week back, so that today is the next lesson."""
    for lesson in Lesson.objects.order_by("date"):
        lesson.date -= timedelta(days=7)
        lesson.save()
        forget(lesson.player_id, lesson.date)


class ByMouse(BrowserCase):
    players = MIRA

    def test_a_lesson_and_the_next(self):
        page = self.page
        page.goto(self.live_server_url)
        page.get_by_role("button", name="Sign in").wait_for()
        self.assert_accessible("sign-in")
        self.sign_in_by_form()
        self.assert_accessible("today")
        page.get_by_role("button", name="Begin the lesson of Mira Oslund").click()

        page.get_by_role("heading", name="Last week: show me").wait_for()
        shown = page.get_by_role("group", name="Thumb taps, shown today")
        shown.get_by_role("button", name="Shown").click()
        expect(page.get_by_text("Go on: shown in the lesson").first).to_be_visible()
        page.get_by_role("button", name="What bothers most").click()
        page.get_by_role("combobox", name="Complaint").fill("aches")
        page.get_by_role("option", name="My thumb aches after playing").click()
        self.saved()
        self.assert_accessible("ask")
        page.get_by_role("button", name="No pain, only tired").click()
        page.get_by_role("button", name="All is well").click()

        page.get_by_role("heading", name="The same again").wait_for()
        self.assertGreater(page.get_by_text("last", exact=False).count(), 0)
        page.get_by_role("button", name="Opening beside the thumb: not checked").click()
        page.get_by_role("group", name="Opening beside the thumb is shut").get_by_role(
            "button", name="strong"
        ).click()
        # The hand takes its new posture first, so that the touch meets the place where it lies.
        self.saved()
        page.wait_for_load_state("networkidle")
        page.get_by_role("button", name="Thumb: not checked", exact=False).first.click()
        page.get_by_role("group", name="Thumb will not tap").get_by_role(
            "button", name="strong"
        ).click()
        page.get_by_role("button", name="Try one thing").click()
        page.get_by_role("button", name="Thumb away").click()
        page.get_by_role("group", name="Thumb away").get_by_role("button", name="at once").click()
        self.saved()
        page.get_by_role("button", name="Back to the hand").click()
        expect(page.get_by_role("button", name="Opening beside the thumb: strong")).to_be_visible()
        expect(page.get_by_role("region", name="What it means")).to_contain_text("very likely")
        page.keyboard.press("c")
        why = page.get_by_role("region", name="Why")
        expect(why).to_contain_text("thumb will not tap (strong)")
        self.assert_accessible("what speaks for it")
        page.keyboard.press("c")
        self.assert_accessible("look")
        page.get_by_role("button", name="Undo: Thumb away").click()
        page.get_by_role("button", name="Try one thing").click()
        trials = page.get_by_role("region", name="Change one thing")
        expect(trials.get_by_role("button", name="Thumb away")).not_to_contain_text("at once")

        page.reload()
        expect(page.get_by_role("button", name="Opening beside the thumb: strong")).to_be_visible()
        page.get_by_role("button", name="Decide").last.click()
        page.get_by_role("heading", name="This week’s focus").wait_for()
        self.assert_accessible("decide")
        page.get_by_role("button", name="Take it").click()

        page.get_by_role("heading", name="The week", exact=True).wait_for()
        self.saved()
        self.assert_accessible("give")
        told = page.locator("strong", has_text="a day")
        minutes = told.inner_text()
        page.locator("ol > li[draggable] button").last.click()
        page.get_by_role("button", name="Take out").click()
        self.saved()
        self.assertNotEqual(told.inner_text(), minutes)
        add = page.get_by_label("Add an exercise").first
        add.fill("far side")
        add.press("Enter")  # the first hit
        self.saved()
        page.get_by_test_id("name").filter(has_text="Index round the far side").click()
        page.get_by_role("button", name="Step up, Index round the far side").click()
        expect(page.get_by_text("2 of 4")).to_be_visible()
        page.keyboard.press("Escape")
        page.get_by_label("Your own line on the sheet").fill("Soft first.")
        page.get_by_role("button", name="Give it").click()

        page.get_by_role("heading", name="Mira’s week").wait_for()
        expect(page.get_by_role("img", name="Mira’s sheet, page 1 of")).to_be_visible()
        page.get_by_text("The sheet in words").click()
        expect(page.get_by_text("Soft first.")).to_be_visible()
        self.assert_accessible("sheet")
        printed = PdfReader(io.BytesIO(page.pdf(format="A4"))).pages
        self.assertEqual(len(printed), page.get_by_role("img", name="Mira’s sheet").count())
        address = page.get_by_role("link", name="Open the PDF").get_attribute("href")
        pdf = page.request.get(self.live_server_url + address)
        self.assertEqual(pdf.body()[:5], b"%PDF-")

        a_week_later()
        self.next_lesson()

    def next_lesson(self):
        page = self.page
        page.goto(self.live_server_url)
        page.get_by_role("link", name="Mira Oslund").first.click()
        page.get_by_role("button", name="Steps climbed").wait_for()
        self.assert_accessible("player")
        page.get_by_role("button", name="Every sign").click()
        row = page.get_by_role("row", name="Thumb will not tap")
        expect(row.get_by_role("cell").nth(4)).to_have_text("strong")
        page.get_by_role("button", name="Begin").click()
        page.get_by_role("button", name="All is well").click()
        page.get_by_role("heading", name="The same again").wait_for()
        asked = page.get_by_role("group", name="Opening beside the thumb is shut")
        expect(asked).to_contain_text("last time")


class ByKeys(BrowserCase):
    players = MIRA

    def press(self, *keys: str) -> None:
        for key in keys:
            self.page.keyboard.press(key)
            if key.isdigit():
                self.page.wait_for_timeout(BOUNCE_MS)

    def tab_to(self, role: str, name: str) -> None:
        target = self.page.get_by_role(role, name=name)
        for _ in range(60):
            self.press("Tab")
            if target.evaluate("node => node === document.activeElement"):
                return
        self.fail(f"the {role} {name!r} was not reached by Tab")

    def test_a_whole_lesson_without_the_mouse(self):
        page = self.page
        self.sign_in()
        self.tab_to("button", "Begin the lesson of Mira Oslund")
        self.press("Enter")
        page.get_by_role("heading", name="Last week: show me").wait_for()
        self.press("w")
        page.get_by_role("heading", name="The same again").wait_for()
        self.press("2", "1", "2", "1", "1")
        self.saved()
        self.assertEqual(Lesson.objects.last().observations.count(), 5)
        page.get_by_role("heading", name="Next look").wait_for()
        for count in (6, 7):
            self.press("0")
            self.saved()
            self.assertEqual(Lesson.objects.last().observations.count(), count)
        self.press("t")
        page.get_by_role("heading", name="Change one thing").wait_for()
        self.press("3")
        self.saved()
        self.assertTrue(
            Lesson.objects.last().observations.filter(evidence__startswith="try.").exists()
        )
        self.press("u")
        page.get_by_role("button", name=re.compile("Undo: .*not there")).wait_for()
        expect(page.locator("[data-question] [aria-pressed=true]")).to_have_count(0)
        self.press("3")
        self.saved()
        self.press("d")
        page.get_by_role("heading", name="This week’s focus").wait_for()
        self.press("Enter")
        page.get_by_role("heading", name="The week", exact=True).wait_for()
        self.saved()
        expect(page.get_by_role("button", name="Give it")).to_be_enabled()
        self.press("Enter")
        page.get_by_role("heading", name="Mira’s week").wait_for()
        given = PlanItem.objects.filter(plan__lesson=Lesson.objects.last())
        self.assertTrue(1 <= given.count() <= 3)

    def test_keys_are_listed_and_a_finger_is_chosen_by_arrows(self):
        page = self.page
        self.sign_in()
        self.tab_to("button", "Begin the lesson of Mira Oslund")
        self.press("Enter")
        page.get_by_role("heading", name="Last week: show me").wait_for()
        self.press("?")
        page.get_by_role("dialog").wait_for()
        self.assert_accessible("keys")
        self.press("w", "g")
        page.get_by_role("dialog").wait_for()
        self.press("Escape")
        page.get_by_role("dialog").wait_for(state="detached")
        self.press("w")
        page.get_by_role("heading", name="The same again").wait_for()
        self.tab_to("button", "Tip of the fourth finger: not checked")
        self.press("Enter", "ArrowLeft", "2")
        self.saved()
        expect(page.get_by_role("button", name="Tip of the third finger: clear")).to_be_visible()
        address = page.url
        page.goto(f"{self.live_server_url}/desk?part=keys")
        page.get_by_label("Single keys act in a lesson").click()
        expect(page.get_by_label("Single keys act in a lesson")).not_to_be_checked()
        self.assert_accessible("desk, keys off")
        page.goto(address)
        page.get_by_role("heading", name="What it means").wait_for()
        self.press("g", "2")
        page.wait_for_timeout(300)
        expect(page.get_by_role("heading", name="What it means")).to_be_visible()
        expect(page.get_by_role("status")).not_to_contain_text("kept")


class FewActions(BrowserCase):
    players = MIRA
    grades = "2120" + "0" * 4 + "31"
    most_more = 14

    def test_eight_checks_two_trials_and_the_decision_take_few_actions_more(self):
        """Counts every key pressed beside the ten grades, from the player to the decided focus."""
        page = self.page
        self.sign_in()
        page.get_by_role("link", name="Mira Oslund").first.click()
        page.get_by_role("button", name="Begin").click()
        more = 1

        def press(key: str) -> None:
            page.keyboard.press(key)
            if key.isdigit():
                page.wait_for_timeout(BOUNCE_MS)
            self.saved()

        page.get_by_role("heading", name="Last week: show me").wait_for()
        press("w")
        more += 1
        page.get_by_role("heading", name="The same again").wait_for()
        for count, grade in enumerate(self.grades):
            if count == 8:
                press("t")
                more += 1
                page.get_by_role("heading", name="Change one thing").wait_for()
            page.locator("[data-question]").wait_for()
            press(grade)
        press("Enter")
        more += 1
        page.get_by_role("heading", name="This week’s focus").wait_for()
        press("Enter")
        more += 1
        page.get_by_role("heading", name="The week", exact=True).wait_for()
        lesson = Lesson.objects.last()
        trials = lesson.observations.filter(evidence__startswith="try.").count()
        checked = lesson.observations.values("evidence").distinct().count()
        self.assertEqual((checked, trials), (10, 2))
        self.assertTrue(lesson.focuses.exists())
        print(f"\nactions beside the {len(self.grades)} grades: {more}")
        self.assertLessEqual(more, self.most_more)
