"""The library: search, pages that lead to each other, and drills to try."""

import re
from io import BytesIO

from playwright.sync_api import expect
from pypdf import PdfReader

from browser.case import BrowserCase
from studio.demo.data import PLAYERS


class Library(BrowserCase):
    players = PLAYERS[:1]

    def setUp(self) -> None:
        super().setUp()
        self.sign_in()
        self.page.get_by_role("link", name="Library").click()
        self.page.get_by_role("heading", name="Library").wait_for()

    def test_a_search_finds_and_pages_lead_to_each_other(self):
        page = self.page
        page.get_by_label("Search").fill("knocks softly")
        page.get_by_role("heading", name="Thumb taps").wait_for()
        self.assert_accessible("exercise")
        page.get_by_role("button", name="Thumb squeezes").click()
        page.get_by_role("heading", name="Thumb squeezes").wait_for()
        self.assert_accessible("cause")
        page.get_by_role("button", name="Thumb will not tap").click()
        page.get_by_role("heading", name="Thumb will not tap").wait_for()
        self.assert_accessible("check")
        page.goto(f"{self.live_server_url}/library?shelf=checks&search=zzz")
        expect(page.get_by_text("Nothing with these words")).to_be_visible()

    def test_players_and_drills_are_found_with_the_same_line(self):
        page = self.page
        page.get_by_label("Search").fill("there and back")
        page.get_by_role("button", name="There and back").click()
        page.get_by_role("button", name="Try it").click()
        page.get_by_role("img", name="Music of There and back").wait_for()
        page.get_by_role("button", name="Back to the list").click()
        page.get_by_label("Search").fill("star tune")
        page.get_by_role("button", name="Star tune").click()
        page.get_by_role("button", name="Try it").click()
        page.get_by_role("img", name="Music of Star tune").wait_for()
        page.get_by_role("button", name="Back to the list").click()
        page.get_by_label("Search").fill("oslund")
        page.get_by_role("heading", name="Mira Oslund").wait_for()
        self.assert_accessible("player found")
        page.keyboard.press("Tab")
        page.get_by_role("button", name=re.compile("^Open")).click()
        page.get_by_role("region", name="What truly changed").wait_for()

    def test_enter_ends_the_typing_and_the_next_one_goes_there(self):
        page = self.page
        page.get_by_label("Search").fill("oslund")
        page.keyboard.press("Enter")
        expect(page.get_by_role("region", name="List")).to_be_visible()
        page.keyboard.press("Enter")
        page.get_by_role("heading", name="Mira Oslund").first.wait_for()
        self.assertIn("/players/", page.url)

    def test_only_what_an_instrument_has_is_shown(self):
        page = self.page
        page.get_by_role("button", name="cello").click()
        page.get_by_label("Search").fill("turn to open")
        page.get_by_role("button", name="Turn to open").wait_for()
        page.get_by_role("button", name="violin").click()
        expect(page.get_by_role("button", name="Turn to open")).to_have_count(0)

    def test_a_drill_changes_with_its_settings_and_can_be_heard_and_taken_along(self):
        page = self.page
        page.get_by_text("Drills", exact=True).click()
        music = page.get_by_role("img", name="Music of Frame pattern")
        music.wait_for()
        self.assert_accessible("drill")
        before = music.inner_html()
        page.get_by_role("button", name="Another one").click()
        expect(music).to_be_visible()
        page.wait_for_timeout(500)
        self.assertNotEqual(music.inner_html(), before)
        page.get_by_label("Position").select_option("5")
        page.get_by_label("Drill", exact=True).select_option("shift_pair")
        expect(page.get_by_role("alert")).to_contain_text("so that there is a way up")
        page.get_by_label("Position").select_option("1")
        page.get_by_role("img", name="Music of There and back").wait_for()
        page.get_by_role("button", name="Listen").click()
        page.get_by_role("button", name="Stop", exact=True).click()
        page.get_by_role("button", name="One note a bar is yours").click()
        self.assert_accessible("drill to answer")
        page.get_by_role("button", name="Listen").click()
        music = page.get_by_role("img", name="Music of There and back")
        expect(music.locator("g.left-out").first).to_be_hidden()
        page.get_by_role("button", name="Stop", exact=True).click()
        expect(music.locator("g.left-out")).to_have_count(0)
        page.get_by_role("button", name="Every second bar is yours").click()
        page.get_by_role("button", name="Listen").click()
        expect(music.locator("g.left-out").first).to_be_hidden()
        page.get_by_role("button", name="Stop", exact=True).click()
        for name in ("To print", "To print, one note a bar blank"):
            address = page.get_by_role("link", name=name, exact=True).get_attribute("href")
            sheet = PdfReader(BytesIO(page.request.get(self.live_server_url + address).body()))
            text = sheet.pages[0].extract_text()
            self.assertIn("There and back", text)
            self.assertEqual("One note a bar is yours" in text, "blank" in name)
        page.get_by_role("button", name="My turn, your turn").click()
        page.get_by_role("button", name="Listen").click()
        expect(page.get_by_text("Your turn", exact=True)).to_be_visible()
        page.get_by_role("button", name="Stop", exact=True).click()
        with page.expect_download() as taken:
            page.get_by_role("link", name="MusicXML file").click()
        self.assertEqual(taken.value.suggested_filename, "shift_pair.musicxml")

    def test_it_fits_a_phone(self):
        self.page.set_viewport_size({"width": 390, "height": 844})
        for shelf in ("exercises", "drills"):
            self.page.goto(f"{self.live_server_url}/library?shelf={shelf}")
            self.page.get_by_role("heading", name="Library").wait_for()
            wide = self.page.evaluate("document.documentElement.scrollWidth")
            self.assertLessEqual(wide, 390, shelf)

    def test_from_a_lesson_and_back_with_what_was_found(self):
        page = self.page
        page.goto(self.live_server_url)
        page.get_by_role("button", name="Begin the lesson of Mira").click()
        page.get_by_role("heading", name="Mira Oslund", level=1).wait_for()
        page.keyboard.press("/")
        page.get_by_label("Search").wait_for()
        page.keyboard.type("fourth flat")
        page.get_by_role("heading", name="Fourth sounds flat").wait_for()
        expect(page.locator("mark").first).to_be_visible()
        self.assert_accessible("found")
        page.get_by_role("button", name="Look now").click()
        expect(page.get_by_role("group", name="Fourth sounds flat")).to_be_visible()
        page.keyboard.press("/")
        page.get_by_label("Search").fill("glide")
        page.get_by_role("button", name="One-spot glide").click()
        page.get_by_role("button", name="Give it").click()
        page.wait_for_url("**step=give**")

    def test_before_a_word_is_written_players_speak(self):
        self.page.get_by_role("button", name="My thumb aches").click()
        expect(self.page.get_by_label("Search")).to_have_value("My thumb aches after playing")
        expect(self.page.get_by_text("Nothing with these words")).to_have_count(0)
