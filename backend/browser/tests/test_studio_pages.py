"""A class in pairs, notes to oneself, the studio as a whole, and help, as they are touched."""

from django.contrib.auth import get_user_model
from django.utils import timezone
from playwright.sync_api import expect

from browser.case import BrowserCase
from studio.demo.data import PLAYERS
from studio.groups.groups import choose_checks, save_group
from studio.models import OwnNote, PartnerLook, Player

MIRA = tuple(p for p in PLAYERS if p.name == "Mira Oslund")


class ClassRound(BrowserCase):
    seconds_each = 12

    def test_twelve_children_three_looks_by_touch_and_nothing_typed(self):
        teacher = get_user_model().objects.get()
        children = [
            Player.objects.create(teacher=teacher, name=f"Kid{n} Example", instrument="vn")
            for n in range(12)
        ]
        group = save_group(teacher, None, "Tuesday class", [child.pk for child in children])
        choose_checks(group, ["web.closed", "wrist.caved", "hold.droops"])
        self.sign_in()
        page = self.page
        page.goto(f"{self.live_server_url}/class/{group.pk}")
        page.get_by_role("link", name="A round in pairs").click()
        for look in range(3):
            for turn in range(2):
                rows = page.get_by_role("region", name="Who watches whom").get_by_role("listitem")
                expect(rows).to_have_count(6)
                if look == turn == 0:
                    page.get_by_role("button", name="How to sit").click()
                    room = page.get_by_role("img", name="The room from above")
                    self.assertEqual(room.locator("text").count(), 12 + 1)
                    self.assert_accessible("a round")
                    page.get_by_role("button", name="How to sit").click()
                for row in range(6):
                    saw = row == 0
                    rows.nth(row).get_by_role(
                        "button", name="I saw it" if saw else "I did not"
                    ).click()
                    expect(
                        rows.nth(row).get_by_role("button", name="I saw it" if saw else "I did not")
                    ).to_have_attribute("aria-pressed", "true")
                is_end = look == 2 and turn == 1
                page.get_by_role(
                    "button", name="Done" if is_end else "Next look" if turn else "Swap"
                ).click()
        expect(page.get_by_role("heading", name="The round is over")).to_be_visible()
        expect(page.get_by_text("Look yourself at:")).to_be_visible()
        self.assert_accessible("a round that is over")
        self.assertEqual(PartnerLook.objects.count(), 36)
        self.assertEqual(PartnerLook.objects.filter(saw=True).count(), 6)


class ToOneself(BrowserCase):
    players = MIRA

    def test_a_line_for_next_time_is_told_in_the_lesson_and_done_with(self):
        page = self.page
        self.sign_in()
        page.get_by_role("link", name="Mira Oslund").first.click()
        page.get_by_role("button", name="To yourself").click()
        page.get_by_label("A line for next time").fill("ask about the chair")
        page.get_by_role("button", name="Keep it").click()
        expect(page.get_by_text("ask about the chair").first).to_be_visible()
        page.get_by_label("What kind of note").select_option("talk")
        page.get_by_label("What was talked about").fill("her mother asks about summer")
        page.keyboard.press("Enter")
        expect(page.get_by_text("her mother asks about summer").first).to_be_visible()
        self.assert_accessible("notes to oneself")
        page.get_by_role("button", name="Begin").click()
        known = page.get_by_role("region", name="What is known")
        expect(known.get_by_text("ask about the chair").first).to_be_visible()
        expect(known.get_by_text("her mother asks about summer")).to_have_count(0)
        known.get_by_role("button", name="Done with").click()
        expect(known.get_by_text("ask about the chair")).to_have_count(0)
        self.assertEqual(OwnNote.objects.get(kind="next").done_on, timezone.localdate())

    def test_what_was_typed_stays_when_it_cannot_be_kept(self):
        page = self.page
        self.sign_in()
        page.get_by_role("link", name="Mira Oslund").first.click()
        page.get_by_role("button", name="To yourself").click()
        line = page.get_by_label("A line for next time")
        line.fill("ask about the chair")
        page.route("**/notes", lambda route: route.abort())
        page.get_by_role("button", name="Keep it").click()
        expect(page.get_by_role("alert")).to_be_visible()
        expect(line).to_have_value("ask about the chair")
        page.unroute("**/notes")
        page.get_by_role("button", name="Keep it").click()
        expect(line).to_have_value("")


class WholeStudio(BrowserCase):
    def desk(self, part):
        self.page.goto(f"{self.live_server_url}/desk?part={part}")

    def test_the_owner_adds_a_colleague_who_signs_in_with_what_was_told(self):
        page = self.page
        self.sign_in()
        self.desk("people")
        page.get_by_label("Name of a new teacher").fill("wren")
        page.get_by_role("button", name="Add").click()
        told = page.get_by_role("status").filter(has_text="wren signs in with")
        password = told.locator("strong").inner_text()
        self.assert_accessible("who teaches here")
        self.assertTrue(get_user_model().objects.get(username="wren").check_password(password))
        page.get_by_role("button", name="Remove").click()
        page.get_by_role("button", name="Yes, remove").click()
        expect(page.get_by_text("wren", exact=True)).to_have_count(0)

    def test_figures_and_copies_have_their_pages(self):
        page = self.page
        self.sign_in()
        self.desk("glance")
        expect(page.get_by_role("heading", name="The studio at a glance")).to_be_visible()
        page.get_by_text("a year").click()
        self.assert_accessible("at a glance")
        self.desk("copies")
        expect(page.get_by_role("button", name="Make a copy now")).to_be_visible()
        self.assert_accessible("copies")

    def test_help_is_found_from_a_page_and_by_search(self):
        page = self.page
        self.sign_in()
        page.keyboard.press("?")
        page.get_by_role("link", name="Help for this page").click()
        opened = page.get_by_role("region", name="Open page")
        expect(opened.get_by_role("heading", name="A lesson, step by step")).to_be_visible()
        self.assert_accessible("help")
        page.get_by_label("Search").fill("likely above possible")
        page.get_by_role("button", name="From grades to a cause").click()
        expect(opened).to_contain_text("Above 80 % it is called very likely")
        page.get_by_label("Search").fill("keep fingers down")
        page.get_by_role("button", name="Fingers that do not play").click()
        expect(opened).to_contain_text("Music says which fingers stay down")
        self.assert_accessible("a way of teaching")
