"""Letters: drafted, edited and made, kept over a reload; and what a child sees on the phone."""

import io

from django.utils import timezone
from playwright.sync_api import expect
from pypdf import PdfReader

from browser.case import BrowserCase
from studio.demo.data import PLAYERS
from studio.home.link import make_link
from studio.models import Player


class Letters(BrowserCase):
    players = PLAYERS[:1]

    def test_a_letter_is_edited_sentence_by_sentence_and_outlives_a_reload(self):
        page = self.page
        self.sign_in()
        player = Player.objects.get(name="Mira Oslund")
        page.goto(f"{self.live_server_url}/players/{player.pk}")
        page.get_by_role("link", name="Letters").click()
        letter = page.get_by_role("region", name="Letter about Mira Oslund")
        letter.wait_for()
        self.assert_accessible("letters")
        letter.get_by_label("What comes next").fill("We go on with soft taps.")
        letter.get_by_label("If something hurts").fill("")
        page.reload()
        expect(letter.get_by_label("What comes next")).to_have_value("We go on with soft taps.")
        with page.expect_download() as found:
            page.get_by_role("button", name="Make the PDF").click()
        with open(found.value.path(), "rb") as made:
            text = PdfReader(io.BytesIO(made.read())).pages[0].extract_text()
        self.assertIn("We go on with soft taps.", text)
        self.assertNotIn("If something hurts", text)
        page.get_by_role("button", name="A doctor").click()
        expect(letter.get_by_label("What was reported")).to_be_visible()
        page.get_by_role("button", name="A parent").click()
        expect(letter.get_by_label("What comes next")).to_have_value("We go on with soft taps.")
        page.get_by_role("button", name="Begin anew from the records").click()
        expect(letter.get_by_label("What comes next")).not_to_have_value("We go on with soft taps.")
        page.set_viewport_size({"width": 390, "height": 844})
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), 390)

    def test_the_phone_says_how_far_one_is_without_counting_days(self):
        page = self.page
        player = Player.objects.get(name="Mira Oslund")
        lesson = player.lessons.order_by("date").last()
        lesson.date = timezone.localdate()
        lesson.save()
        page.set_viewport_size({"width": 390, "height": 844})
        page.goto(f"{self.live_server_url}/home/{make_link(player).token}")
        far = page.locator("section", has=page.get_by_role("heading", name="How far you are"))
        expect(far).to_contain_text("Thumb taps: step 4 of 4")
        for word in ("day", "streak", "point", "%"):
            expect(far).not_to_contain_text(word)
        self.assert_accessible("home, how far one is")
