"""A player's own music: brought in, looked at, one finger changed, given back, removed."""

import tempfile
from pathlib import Path

import soundfile
from django.contrib.sessions.models import Session
from playwright.sync_api import expect

from browser.case import BrowserCase
from browser.playing import RATE
from lefthand.sound.player import Playing, play
from lefthand.tests.scores import melody_bytes
from studio.demo.data import DEMO_PASSWORD, PLAYERS
from studio.models import Piece
from studio.pieces.heard import to_hear
from studio.pieces.pieces import read

PLAYER = next(p for p in PLAYERS if p.name == "Mira Oslund")
TUNE = "A4 B4 C#5 D5 E5 D5 E5 D5 D5 E5 D5 E5 F#5 E5 D5 C#5 B4:2 A4:2"

# With nowhere to let go.
LONG_LINE = "B4 C#5 D5 C#5 B4 D5 C#5 D5 F#5 G5 F#5 D5 C#5 D5 C#5 B4 " * 3


class Pieces(BrowserCase):
    players = (PLAYER,)

    def setUp(self):
        super().setUp()
        self.folder = tempfile.TemporaryDirectory()
        self.addCleanup(self.folder.cleanup)
        self.sign_in()
        self.page.get_by_role("link", name=PLAYER.name).first.click()
        self.page.get_by_role("button", name="Own music").click()

    def bring_in(self, data):
        path = Path(self.folder.name) / "A little march.musicxml"
        path.write_bytes(data)
        self.page.get_by_label("Bring in or drop a piece").set_input_files(path)

    def unfold(self, name):
        self.page.get_by_role("button", name=name).click()

    def touch_note(self, number):
        head = self.page.locator(f"#note-{number} .notehead").first
        head.scroll_into_view_if_needed()
        box = head.bounding_box()
        self.page.mouse.click(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)

    def test_what_is_next_and_what_waits(self):
        page = self.page
        self.bring_in(melody_bytes(TUNE, tempo=96))
        page.get_by_role("heading", name="The way there").wait_for()
        page.get_by_role("link", name="Back to the player").click()
        page.get_by_role("button", name="Own music").click()
        page.get_by_role("link", name="what is next for this hand").click()
        page.get_by_role("heading", name="Next, one thing at a time").wait_for()
        strings = page.get_by_role("table")
        expect(strings.get_by_role("columnheader", name="A little march")).to_be_visible()
        self.assert_accessible("what is next")
        state = page.get_by_role("group", name="Is it begun? A little march")
        state.get_by_role("button", name="Not begun yet").click()
        # Nothing else was brought in: the lightest tunes are told now, and the piece itself waits.
        page.get_by_role("heading", name="To begin with").wait_for()
        expect(strings).to_have_count(0)
        self.assertTrue(Piece.objects.get().later)
        next_one = page.get_by_role("region", name="What is next for this hand").get_by_role(
            "listitem"
        )
        expect(next_one.filter(has_text="A little march")).to_contain_text("brought in, waits")
        next_one.filter(has_text="one of our tunes").first.get_by_role("link").click()
        page.get_by_role("heading", name="Library").wait_for()
        page.get_by_label("Tune").wait_for()

    def test_from_the_file_to_the_way_there(self):
        page = self.page
        self.bring_in(melody_bytes(TUNE, tempo=96))
        page.get_by_role("heading", name="A little march").wait_for()
        page.get_by_role("heading", name="The way there").wait_for()
        expect(page.get_by_text("Bars ").first).to_be_visible()
        self.assert_accessible("a piece")
        self.touch_note(5)
        change = page.get_by_role("region", name="This note")
        expect(change).to_contain_text("E5")
        change.get_by_role("button", name="open").click()
        self.wait_until(lambda: Piece.objects.get().wishes == {"5": {"finger": 0}})
        expect(change.get_by_role("button", name="open")).to_have_attribute("aria-pressed", "true")
        soft = change.get_by_role("button", name="let go here")
        lets_go = soft.get_attribute("aria-pressed") == "false"
        soft.click()
        self.wait_until(
            lambda: Piece.objects.get().wishes == {"5": {"finger": 0, "lets_go": lets_go}}
        )
        expect(soft).to_have_attribute("aria-pressed", str(lets_go).lower())
        change.get_by_role("button", name="As proposed").click()
        self.wait_until(lambda: Piece.objects.get().wishes == {})
        change.get_by_role("button", name="Done").click()
        self.unfold("Bar by bar")
        bars = page.get_by_role("group", name="Bars")
        bars.get_by_role("button").nth(1).click()
        expect(page.get_by_role("heading", name="Bar 2")).to_be_visible()
        self.unfold("What is looked at")
        page.get_by_label("From bar").fill("2")
        page.get_by_label("From bar").press("Enter")
        expect(bars.get_by_role("button")).to_have_count(4)
        self.unfold("Take along, remove")
        with page.expect_download() as download:
            page.get_by_role("link", name="The part with these marks").click()
        self.assertIn(b"<fingering>", Path(download.value.path()).read_bytes())
        page.set_viewport_size({"width": 390, "height": 844})
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)
        page.get_by_role("button", name="Remove this piece").click()
        self.assertEqual(Piece.objects.count(), 1)
        page.get_by_role("button", name="Yes, remove it").click()
        page.get_by_role("heading", name=PLAYER.name).wait_for()
        self.assertEqual(Piece.objects.count(), 0)

    def test_in_a_lesson_a_piece_is_brought_in_and_the_lesson_gone_on_with(self):
        page = self.page
        page.get_by_role("button", name="Begin").click()
        page.get_by_role("region", name="What is asked").wait_for()
        page.get_by_role("button", name="Own music").click()
        self.bring_in(melody_bytes(TUNE))
        page.get_by_role("link", name="Back to the lesson").click()
        expect(page.get_by_role("button", name="All is well")).to_be_visible()
        page.get_by_role("button", name="Own music").click()
        expect(page.get_by_role("link", name="A little march")).to_be_visible()

    def test_notes_are_seen_in_the_dark(self):
        page = self.page
        page.emulate_media(color_scheme="dark")
        self.bring_in(melody_bytes(TUNE))
        page.locator("#note-1").wait_for()
        look = "e => { const s = getComputedStyle(e); return [s.fill, s.color]; }"
        fill, ink = page.locator("#note-1 .notehead").first.evaluate(look)
        self.assertEqual(fill, ink)
        self.assertGreater(int(fill.split("(")[1].split(",")[0]), 150)

    def test_by_keys_and_what_cannot_be_read_is_told(self):
        page = self.page
        self.bring_in(b"no music")
        expect(page.get_by_role("alert")).to_contain_text("The file is not XML")
        self.bring_in(melody_bytes(TUNE))
        self.unfold("Every note")
        page.get_by_role("button", name="bar 1, B4").focus()
        page.keyboard.press("Enter")
        change = page.get_by_role("region", name="This note")
        change.get_by_role("button", name="string 3").focus()
        page.keyboard.press("Enter")
        self.wait_until(lambda: Piece.objects.get().wishes == {"2": {"string": 3}})

    def test_other_fingers_by_a_key_and_a_place_into_the_week(self):
        page = self.page
        self.bring_in(melody_bytes(f"{LONG_LINE} {TUNE}", tempo=96))
        page.get_by_text("Fingers as usual.").wait_for()
        page.locator("body").press("p")
        expect(page.get_by_role("status").filter(has_text="Proposed now")).to_be_visible()
        self.wait_until(lambda: Piece.objects.get().taste != "")
        page.get_by_role("button", name="Show the drills").click()
        expect(page.get_by_role("heading", name="A note more each time")).to_be_visible()
        week = page.get_by_role("status").filter(has_text="step into music")
        for is_in in (True, False, True):
            page.keyboard.press("Enter")
            expect(week).to_have_count(int(is_in))
            self.wait_until(lambda is_in=is_in: bool(Piece.objects.get().place) == is_in)
        self.assert_accessible("a piece in the week")
        page.get_by_role("link", name="Back to the player").click()
        page.get_by_role("button", name="Begin").click()
        page.get_by_role("tab", name="Give").or_(page.get_by_text("Give", exact=True)).first.click()
        page.get_by_role("button", name="In A little march").click()
        link = page.get_by_role("link", name="A little march")
        expect(link).to_be_visible()
        page.get_by_role("button", name="Give it").click()
        expect(page.get_by_role("img", name="sheet, page 1 of")).to_be_visible()
        self.assert_accessible("a sheet with a place of a piece")

    def test_what_cannot_be_is_said_and_stays_as_it_was_typed(self):
        page = self.page
        numbered = melody_bytes(f"{TUNE} {TUNE}").decode()
        for number in range(1, 12):  # an upbeat counts as bar 0
            numbered = numbered.replace(f'number="{number}"', f'number="{number - 1}"')
        self.bring_in(numbered.encode())
        self.unfold("What is looked at")
        page.get_by_text("1 here is printed 0.").wait_for()
        self.unfold("Other bars")
        page.get_by_label("Week: first bar").fill("5")
        page.get_by_label("Week: last bar").fill("3")
        page.get_by_label("Week: last bar").press("Enter")
        expect(page.get_by_role("alert")).to_be_visible()
        expect(page.get_by_label("Week: last bar")).to_have_value("3")
        page.get_by_label("Week: first bar").fill("2")
        page.get_by_label("Week: last bar").fill("3")
        page.get_by_label("Week: last bar").press("Enter")
        told = page.get_by_role("status").filter(has_text="step into music")
        expect(told).to_contain_text("Bars 1 to 2")
        expect(page.get_by_role("alert")).to_have_count(0)

    def test_signed_out_in_another_tab_nothing_is_lost(self):
        page = self.page
        self.bring_in(melody_bytes(f"{TUNE} {TUNE}"))
        worst = page.get_by_role("button", name="Into the week", exact=True)
        worst.wait_for()
        Session.objects.all().delete()
        worst.click()
        dialog = page.get_by_role("dialog", name="You were signed out")
        dialog.get_by_label("Password", exact=True).fill(DEMO_PASSWORD)
        page.keyboard.press("Enter")
        dialog.wait_for(state="detached")
        worst.click()
        self.wait_until(lambda: Piece.objects.get().place is not None)
        expect(page.get_by_role("alert")).to_have_count(0)

    def test_a_take_tells_where_it_tightens_beside_what_was_expected(self):
        page = self.page
        self.bring_in(melody_bytes(" ".join([TUNE] * 3), tempo=96))
        self.unfold("By ear")
        page.get_by_role("button", name="Hear where it tightens").click()
        asked = to_hear(read(Piece.objects.get()))
        made = play(asked.score, Playing(tired_from=0.5), 1, RATE)
        path = Path(self.folder.name) / "take.wav"
        soundfile.write(path, made.samples, RATE)
        page.get_by_label("or a sound file").set_input_files(path)
        told = page.get_by_role("status").filter(has_text="It tightens from bar")
        expect(told).to_be_visible()
        expect(page.get_by_role("img", name="heard: bar")).to_be_visible()
        expect(page.get_by_role("img", name="expected: bar")).to_be_visible()
        self.assert_accessible("a piece that was heard")
        page.set_viewport_size({"width": 390, "height": 844})
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)

    def test_the_load_lies_under_its_own_bars_and_the_open_place_is_ringed(self):
        page = self.page
        self.bring_in(melody_bytes(" ".join([TUNE] * 4), tempo=96))
        music = page.get_by_role("img", name="The music with fingers")
        music.wait_for()
        drawn = music.locator("xpath=..").locator("> svg")
        systems = music.locator("g.system").count()
        self.assertGreater(systems, 1)
        strings = drawn.locator("path")
        expect(strings).to_have_count(systems)
        for number in range(systems):
            staff = music.locator("g.system").nth(number).bounding_box()
            string = strings.nth(number).bounding_box()
            self.assertGreater(string["y"], staff["y"])
            self.assertLess(abs(string["x"] - staff["x"]), staff["width"] / 5)
        before = drawn.locator("rect").first.bounding_box()
        page.get_by_role("list", name="Places").get_by_role("button").nth(1).click()
        self.assertNotEqual(drawn.locator("rect").first.bounding_box(), before)
