"""A sweep over a group by mouse and by keys, the closer look, and partner cards."""

import io

from playwright.sync_api import expect
from pypdf import PdfReader

from browser.case import BrowserCase
from studio.demo.data import PLAYERS
from studio.models import Group, Lesson, Observation

SMALL = tuple(p for p in PLAYERS if p.in_group)


class Sweep(BrowserCase):
    players = SMALL

    def setUp(self) -> None:
        super().setUp()
        self.page.goto(self.live_server_url)
        self.page.get_by_label("Name").fill("demo")
        self.page.get_by_label("Password", exact=True).fill("strings-and-air")
        self.page.keyboard.press("Enter")
        self.page.get_by_role("link", name="Class", exact=True).click()
        self.page.get_by_role("heading", name="Class").wait_for()

    def open_group(self) -> None:
        self.page.get_by_role("link", name="Small strings").click()
        self.page.get_by_role("heading", name="Small strings").wait_for()

    def test_one_touch_a_player_says_who_needs_a_closer_look(self):
        page = self.page
        self.assert_accessible("groups")
        self.open_group()
        page.get_by_role("group", name="Jonas Feld: Fingertip").get_by_role(
            "button", name="strong"
        ).click()
        page.get_by_role("group", name="Runa Ekholt: Fingertip").get_by_role(
            "button", name="slight"
        ).click()
        closer = page.get_by_role("region", name="Look closer at")
        expect(closer.get_by_role("listitem")).to_have_count(2)
        expect(closer.get_by_role("listitem").last).to_contain_text("more than last time")
        self.assert_accessible("sweep")
        page.get_by_role("button", name="All the others: not there").click()
        checks = page.get_by_role("navigation", name="Which check")
        expect(checks.get_by_role("button", name="Fingertip joint buckles")).to_contain_text(
            "all seen"
        )
        self.assertEqual(Observation.objects.filter(evidence="tip.gives", entered=3).count(), 1)
        page.get_by_role("button", name="Look closer at Jonas Feld").click()
        page.get_by_role("button", name="All is well").click()
        expect(page.get_by_text("What it means")).to_be_visible()
        lesson = Lesson.objects.get(observations__entered=3, player__name="Jonas Feld")
        self.assertIn(f"/lessons/{lesson.pk}", page.url)

    def test_keys_grade_down_the_list_and_turn_to_the_next_check(self):
        page = self.page
        self.open_group()
        self.press_grades("012000")
        checks = page.get_by_role("navigation", name="Which check")
        expect(checks.get_by_role("button", name="Fingertip joint buckles")).to_contain_text(
            "all seen"
        )
        page.keyboard.press("ArrowRight")
        page.keyboard.press("ArrowDown")
        page.keyboard.press("3")
        lene = page.get_by_role("group", name="Lene Moravec: Wrist")
        expect(lene.get_by_role("button", name="strong")).to_have_attribute("aria-pressed", "true")
        page.reload()  # what had not been sent yet is sent now
        lene_tip = page.get_by_role("group", name="Lene Moravec: Fingertip")
        expect(lene_tip.get_by_role("button", name="slight")).to_have_attribute(
            "aria-pressed", "true"
        )
        page.keyboard.press("ArrowRight")
        expect(lene.get_by_role("button", name="strong")).to_have_attribute("aria-pressed", "true")
        self.saved()

    def test_a_check_of_fingers_asks_which_by_touch_and_by_keys(self):
        page = self.page
        self.open_group()
        jonas = page.get_by_role("group", name="Jonas Feld: Fingertip")
        jonas.get_by_role("button", name="strong").click()
        asked = page.get_by_role("group", name="Jonas Feld: which finger")
        expect(asked).to_contain_text("Which finger?")
        asked.get_by_role("button", name="Finger 3").click()
        page.keyboard.press("a")  # the fourth, as it lies under a left hand
        expect(asked.get_by_role("button", name="Finger 4")).to_have_attribute(
            "aria-pressed", "true"
        )
        self.saved()
        today = Lesson.objects.filter(player__name="Jonas Feld").last()
        found = today.observations.get(evidence="tip.gives")
        self.assertEqual(found.entered, {"3": 3, "4": 3})
        page.reload()
        expect(asked.get_by_role("button", name="Finger 3")).to_have_attribute(
            "aria-pressed", "true"
        )

    def test_other_checks_and_cards_in_words_for_a_child(self):
        page = self.page
        self.open_group()
        page.get_by_role("button", name="Other checks").click()
        dialog = page.get_by_role("dialog")
        dialog.get_by_role("button", name="Finger lies long").click()
        dialog.get_by_role("combobox", name="Something else").fill("thumb")
        page.get_by_role("option", name="Thumb lies back or creeps forward").click()
        self.assert_accessible("choice of checks")
        dialog.get_by_role("button", name="Look at these").click()
        tabs = page.get_by_role("navigation", name="Which check")
        expect(tabs.get_by_role("button", name="Thumb lies back")).to_be_visible()
        page.get_by_role("link", name="Partner cards").click()
        page.get_by_role("heading", name="Partner cards").wait_for()
        expect(page.get_by_role("heading", level=2)).to_have_count(len(SMALL))
        expect(page.get_by_text("Is your thumb standing or lying in bed?").first).to_be_visible()
        self.assertNotIn("Feld", page.locator("main").inner_text())
        self.assert_accessible("cards")

    def test_the_sheets_of_all_are_one_print_with_helpers_pages_when_asked(self):
        page = self.page
        self.open_group()
        page.get_by_role("button", name="Sheets for all").click()
        dialog = page.get_by_role("dialog", name="Sheets for all")
        expect(dialog).to_contain_text("Jonas Feld")
        self.assert_accessible("sheets for all")
        pages = {}
        for large, helper in ((False, False), (True, True)):
            if helper:
                dialog.get_by_role("button", name="Each with a page for a helper").click()
            if large:
                dialog.get_by_role("button", name="A4, large print").click()
            address = dialog.get_by_role("link", name="Open the PDF").get_attribute("href")
            answer = page.request.get(f"{self.live_server_url}{address}")
            self.assertEqual(answer.headers["content-type"], "application/pdf")
            pages[helper] = len(PdfReader(io.BytesIO(answer.body())).pages)
        self.assertGreaterEqual(pages[False], 2)
        self.assertGreater(pages[True], pages[False])

    def test_a_class_is_brought_in_after_a_look_at_what_each_line_does(self):
        page = self.page
        page.get_by_role("button", name="Bring in a class").click()
        dialog = page.get_by_role("dialog")
        dialog.get_by_label("Name of the group").fill("Quartet")
        dialog.get_by_label("A player a line").fill("Ada Lindt, violin, 2016\nBo Marsh, kazoo")
        dialog.get_by_role("button", name="See what it will do").click()
        expect(dialog.get_by_role("row", name="Bo Marsh")).to_contain_text("instrument: expected")
        expect(dialog.get_by_role("button", name="Bring in")).to_have_count(0)
        self.assert_accessible("bring in a class")
        dialog.get_by_label("A player a line").fill("Ada Lindt; violin; 2016\nJonas Feld; violin")
        dialog.get_by_role("button", name="See what it will do").click()
        expect(dialog.get_by_role("row", name="Jonas Feld")).to_contain_text("joins the group")
        dialog.get_by_role("button", name="Bring in 2 players").click()
        page.get_by_role("heading", name="Quartet").wait_for()
        names = [player.name for player in Group.objects.get(name="Quartet").players.all()]
        self.assertEqual(sorted(names), ["Ada Lindt", "Jonas Feld"])

    def test_a_group_is_made_and_removed(self):
        page = self.page
        page.get_by_role("button", name="New group").click()
        page.get_by_role("button", name="Keep").click()
        expect(page.get_by_text("expected 1 to 80 characters")).to_be_visible()
        page.get_by_label("Name of the group").fill("Two of them")
        page.get_by_label("Jonas Feld, violin").check()
        page.get_by_label("Timo Sarre, cello").check()
        self.assert_accessible("group")
        page.get_by_role("button", name="Keep").click()
        page.get_by_role("heading", name="Two of them").wait_for()
        page.get_by_role("button", name="Change the group").click()
        page.get_by_role("button", name="Remove the group").click()
        page.get_by_role("heading", name="Class").wait_for()
        expect(page.get_by_role("link", name="Two of them")).to_have_count(0)
        self.assertEqual(Group.objects.count(), 1)

    def test_every_view_of_the_studio_fits_a_phone_double_zoom_and_a_finger(self):
        page = self.page
        group = Group.objects.get().pk
        views = ["/", "/class", f"/class/{group}", f"/class/{group}/cards", "/desk", "/library"]
        for width, height in ((390, 844), (640, 400)):
            page.set_viewport_size({"width": width, "height": height})
            for view in views:
                page.goto(self.live_server_url + view)
                page.get_by_role("heading", level=1).wait_for()
                with self.subTest(view=view, width=width):
                    wide = page.evaluate("document.documentElement.scrollWidth")
                    self.assertLessEqual(wide, width)
                    small = page.evaluate(
                        """() => [...document.querySelectorAll('main button, header a, nav a')]
                          .map(node => [node.textContent, node.getBoundingClientRect()])
                          .filter(([, box]) => box.width > 0 && box.height < 43.5)
                          .map(([text, box]) => `${text} ${box.height}`)"""
                    )
                    self.assertEqual(small, [])
