"""Single pages: the desk, a stop, the connection, the layout, a first player, the week by hand."""

import re

from playwright.sync_api import expect

from browser.case import BrowserCase
from studio.demo.data import DEMO_PASSWORD, DEMO_USERNAME, PLAYERS
from studio.models import Lesson, Player

MIRA = PLAYERS[:1]
NILS = tuple(p for p in PLAYERS if p.name == "Nils Haverkamp")
TARGET_PIXELS = 44


class DeskAndMeasures(BrowserCase):
    players = MIRA

    def test_what_own_lessons_have_shown_is_off_until_turned_on_and_can_be_forgotten(self):
        page = self.page
        self.sign_in()
        page.get_by_role("link", name="Desk").click()
        page.get_by_role("button", name="What your own lessons have shown").click()
        expect(page.get_by_text("1 confirmed, 0 refuted")).to_be_visible()
        expect(page.get_by_text("would start at")).to_be_visible()
        page.get_by_role("switch", name="Let this shift").click(force=True)
        expect(page.get_by_text("would start at")).to_have_count(0)
        expect(page.get_by_role("switch", name="Let this shift")).to_be_checked()
        self.assert_accessible("learning")
        page.get_by_role("button", name="Forget this and count anew").click()
        expect(page.get_by_text("Nothing is settled yet, counting from")).to_be_visible()

    def test_ways_and_cut_points_are_kept_and_a_timed_check_takes_a_number(self):
        page = self.page
        self.sign_in()
        page.get_by_role("link", name="Desk").click()
        page.get_by_role("heading", name="Your desk").wait_for()
        self.assert_accessible("desk")
        page.get_by_text("no touch", exact=True).click()
        page.get_by_role("button", name="back to the usual").wait_for()
        page.get_by_role("button", name="From numbers to grades").click()
        cut = page.get_by_label("seconds held without the left hand: clear from")
        cut.fill("9")
        page.get_by_role("button", name="Keep").click()
        expect(page.get_by_role("alert")).to_contain_text("worse than the one before")
        cut.fill("3")
        page.get_by_role("button", name="Keep").click()
        page.get_by_role("button", name="back to 4, 2, 1").wait_for()

        page.goto(self.live_server_url)
        page.get_by_role("button", name="Begin the lesson of Mira").click()
        page.get_by_role("button", name="All is well").click()
        page.get_by_role("button", name="Jaw, shoulder: not checked").click()
        page.get_by_role("button", name="Measure", exact=True).click()
        page.get_by_label("Instrument sinks without the hand, in s").fill("2.5")
        page.keyboard.press("Enter")
        expect(page.get_by_role("button", name="Jaw, shoulder: clear")).to_be_visible()
        page.get_by_role("button", name="Timer").click()
        page.get_by_role("button", name="Stop at").click()
        expect(page.get_by_role("button", name="Jaw, shoulder: strong")).to_be_visible()


class Stop(BrowserCase):
    players = NILS

    def test_a_red_flag_pauses_until_it_is_lifted_with_a_note(self):
        page = self.page
        self.sign_in()
        expect(page.get_by_text("Stop: pain of 4 or more")).to_be_visible()
        page.get_by_role("button", name="Begin the lesson of Nils").click()
        page.get_by_role("heading", name="Stop, and ask a doctor").wait_for()
        page.get_by_role("button", name="Nothing new today").click()
        self.saved()
        expect(page.get_by_role("heading", name="Stop, and ask a doctor")).to_be_visible()
        self.assert_accessible("stop")
        page.keyboard.press("g")
        page.get_by_role("heading", name="No exercises while the stop is up").wait_for()
        page.get_by_role("button", name="Lift with a note").click()
        page.get_by_role("dialog").get_by_role("button", name="Lift the stop").click()
        expect(page.get_by_text("say in a sentence what has changed")).to_be_visible()
        page.get_by_label("What has changed").fill("Seen by a physiotherapist.")
        page.get_by_role("dialog").get_by_role("button", name="Lift the stop").click()
        page.get_by_role("heading", name="No week before this is answered").wait_for()
        page.keyboard.press("0")
        page.get_by_role("heading", name="The week", exact=True).wait_for()
        self.assertEqual(Player.objects.get().red_flags.get().note, "Seen by a physiotherapist.")


class Connection(BrowserCase):
    players = MIRA

    def begin(self):
        self.sign_in()
        self.page.get_by_role("button", name="Begin the lesson of Mira").click()
        self.page.get_by_role("button", name="All is well").click()
        self.page.get_by_role("heading", name="The same again").wait_for()
        self.saved()

    def test_a_part_that_does_not_come_is_told_and_comes_at_the_second_try(self):
        page = self.page
        self.sign_in()
        page.route("**/assets/LibraryPage*", lambda route: route.abort())
        page.get_by_role("link", name="Library").click()
        expect(page.get_by_role("alert")).to_contain_text("What you entered is kept")
        self.assert_accessible("a part that did not come")
        page.unroute("**/assets/LibraryPage*")
        page.get_by_role("button", name="Try again").click()
        page.get_by_role("heading", name="Library").wait_for()
        self.problems = [each for each in self.problems if "preload" not in each]

    def test_entries_made_without_a_connection_are_kept_and_sent_in_order(self):
        self.begin()
        page = self.page
        self.context.set_offline(True)
        self.press_grades("32")
        expect(page.get_by_text("No connection: 2 entries kept here")).to_be_visible()
        expect(page.get_by_role("button", name="Opening beside the thumb: strong")).to_be_visible()
        self.context.set_offline(False)
        self.saved()
        lesson = Lesson.objects.last()
        found = dict(lesson.observations.values_list("evidence", "entered"))
        self.assertEqual(found, {"web.closed": 3, "thumb.locked": 2})
        self.assertEqual(lesson.entries.filter(kind="observation").count(), 2)

    def test_a_second_tab_sees_what_the_first_has_entered(self):
        self.begin()
        second = self.new_page()
        second.goto(self.page.url)
        second.get_by_role("heading", name="The same again").wait_for()
        self.page.bring_to_front()
        self.page.keyboard.press("3")
        self.saved()
        second.bring_to_front()
        second.reload()
        expect(
            second.get_by_role("button", name="Opening beside the thumb: strong")
        ).to_be_visible()


class Layout(BrowserCase):
    players = MIRA

    def open_look(self):
        self.sign_in()
        self.page.get_by_role("button", name="Begin the lesson of Mira").click()
        self.page.get_by_role("button", name="All is well").click()
        self.page.get_by_role("heading", name="The same again").wait_for()

    def scrolls(self, axis: str) -> bool:
        size = "Width" if axis == "x" else "Height"
        return self.page.evaluate(
            f"document.documentElement.scroll{size} > document.documentElement.client{size} + 1"
        )

    def test_look_and_decide_fit_a_laptop_without_scrolling(self):
        self.open_look()
        self.assertFalse(self.scrolls("y"))
        self.page.keyboard.press("d")
        self.page.get_by_role("heading", name="This week’s focus").wait_for()
        self.assertFalse(self.scrolls("y"))

    def test_nothing_is_wider_than_the_screen_on_a_phone_or_at_double_zoom(self):
        self.open_look()
        for width, height in ((390, 844), (640, 400), (820, 1180)):
            self.page.set_viewport_size({"width": width, "height": height})
            for key in "aldg":
                with self.subTest(width=width, step=key):
                    self.page.keyboard.press(key)
                    self.page.wait_for_timeout(150)
                    self.assertFalse(self.scrolls("x"))
                    self.assertEqual(self.cut_words(), [])

    def cut_words(self):
        """Words of buttons that do not fit in them; those for the ear alone are one pixel wide."""
        return self.page.evaluate(
            """() => [...document.querySelectorAll('main button, main button *')]
              .filter(node => !node.closest('[aria-hidden]') && node.clientWidth > 1 && node.scrollWidth > node.clientWidth + 1)
              .map(node => node.textContent)"""
        )

    def test_every_button_of_the_lesson_is_large_enough_for_a_finger(self):
        self.open_look()
        for key in "aldg":
            self.page.keyboard.press(key)
            self.page.wait_for_timeout(200)
            small = self.page.evaluate(
                """least => [...document.querySelectorAll('main button, main a')]
                  .map(node => [node.textContent, node.getBoundingClientRect()])
                  .filter(([, box]) => box.width > 0 && box.height < least)
                  .map(([text, box]) => `${text} ${box.height}`)""",
                TARGET_PIXELS,
            )
            with self.subTest(step=key):
                self.assertEqual(small, [])

    def test_dark_page_is_accessible_too(self):
        self.sign_in()
        self.page.get_by_role("button", name="Dark page").click()
        self.open_look()
        self.saved()
        for key in "aldg":
            self.page.keyboard.press(key)
            self.page.wait_for_timeout(200)
            self.assert_accessible(f"dark {key}")


class FirstPlayer(BrowserCase):
    players = ()

    def test_an_empty_studio_leads_to_its_first_player_and_a_wrong_field_is_named(self):
        page = self.page
        page.goto(self.live_server_url)
        page.get_by_label("Name").fill(DEMO_USERNAME)
        page.get_by_label("Password", exact=True).fill(DEMO_PASSWORD)
        page.keyboard.press("Enter")
        page.get_by_text("Nobody is here yet").wait_for()
        page.get_by_role("button", name="New player").press("Enter")
        expect(page.get_by_label("Name")).to_be_focused()
        page.keyboard.press("Escape")
        expect(page.get_by_role("dialog")).to_have_count(0)
        expect(page.get_by_role("button", name="New player")).to_be_focused()
        page.get_by_role("button", name="New player").click()
        page.keyboard.type("Ona Testa")
        page.get_by_label("Year of birth").fill("1700")
        page.get_by_role("button", name="Keep").click()
        page.get_by_text("expected a whole number from").wait_for()
        page.get_by_label("Year of birth").fill("2015")
        page.get_by_label("Instrument").select_option(label="cello")
        self.assert_accessible("player form")
        page.get_by_role("button", name="Keep").click()
        page.get_by_role("heading", name="Ona Testa").wait_for()
        expect(page.get_by_text(re.compile(r"^cello, \d+$"))).to_be_visible()
        page.get_by_role("button", name="Change").click()
        page.get_by_label("Piece now").fill("a round")
        page.get_by_role("button", name="Keep").click()
        expect(page.get_by_text(re.compile(r", a round$"))).to_be_visible()
        self.assertEqual(Player.objects.get().piece, "a round")
        page.get_by_role("button", name="Records").click()
        with page.expect_download() as taken:
            page.get_by_role("link", name="Save all records as a file").click()
        self.assertTrue(taken.value.suggested_filename.endswith(".json"))
        page.get_by_role("button", name="Erase this player").click()
        erase = page.get_by_role("button", name="Erase for good")
        expect(erase).to_be_disabled()
        asked = page.get_by_label("Type Ona Testa to erase")
        expect(asked).to_be_focused()  # though it comes a little after its dialog
        asked.fill("Ona Testa")
        self.assert_accessible("erase")
        erase.click()
        page.get_by_text("Nothing is left in this studio").wait_for()
        self.assert_accessible("erased")
        page.get_by_role("button", name="To your day").click()
        page.get_by_text("Nobody is here yet").wait_for()
        self.assertFalse(Player.objects.exists())


class Give(BrowserCase):
    players = MIRA

    def test_other_weeks_order_by_buttons_and_a_dislike(self):
        page = self.page
        self.sign_in()
        page.get_by_role("button", name="lesson of Mira Oslund").click()
        page.get_by_role("button", name="All is well").click()
        page.get_by_role("heading", name="What it means").wait_for()
        for grade in "2222":
            page.keyboard.press(grade)
        page.keyboard.press("g")
        page.get_by_role("heading", name="The week", exact=True).wait_for()
        self.saved()
        rows = page.get_by_role("region", name="Exercises of the week").get_by_role("listitem")
        names = rows.get_by_test_id("name")
        before = names.all_inner_texts()
        page.get_by_role("button", name="Take the week: other exercises").click()
        self.saved()
        expect(names.first).not_to_have_text(before[0])
        taken = names.all_inner_texts()
        self.assertNotEqual(taken, before)
        rows.first.get_by_role("button").click()
        page.get_by_role("button", name="Later", exact=True).click()
        expect(names.nth(1)).to_have_text(taken[0])
        self.saved()
        names.nth(1).drag_to(names.first)
        expect(names.first).to_have_text(taken[0])
        page.get_by_role("button", name="Not liked").click()
        self.saved()
        page.get_by_text("Not given, and why").click()
        expect(page.get_by_role("button", name="Liked again")).to_be_visible()
        self.assertNotIn(taken[0], names.all_inner_texts())
        self.assert_accessible("give, by hand")
