"""One question at a time: what was told last time, what last week brought, what is open."""

from playwright.sync_api import expect

from browser.case import BrowserCase
from studio.demo.data import PLAYERS
from studio.models import Lesson

# In the page, the second 40 ms after the first by its own time, however late it comes up.
TWO_KEYS = """([key, late]) => {
    const first = new KeyboardEvent('keydown', { key, bubbles: true });
    const second = new KeyboardEvent('keydown', { key, bubbles: true });
    Object.defineProperty(second, 'timeStamp', { value: first.timeStamp + 40 });
    document.body.dispatchEvent(first);
    return new Promise((done) =>
      setTimeout(() => done(document.body.dispatchEvent(second)), late));
}"""
TWO_TOUCHES = """node => {
    node.click();
    return new Promise((done) => setTimeout(() => done(node.click()), 60));
}"""


class Asking(BrowserCase):
    players = tuple(p for p in PLAYERS if p.name == "Nils Haverkamp")

    def setUp(self):
        super().setUp()
        self.sign_in()
        self.page.get_by_role("button", name="Begin the lesson of Nils").click()
        self.page.get_by_role("group", name="forearm").wait_for()

    def told(self):
        return Lesson.objects.order_by("pk").last().again

    def test_a_doubled_key_and_a_doubled_touch_answer_one_question_each(self):
        page = self.page
        for late in (40, 600):  # ms, quick and on a busy machine
            page.evaluate(TWO_KEYS, ["0", late])
            self.saved()
            self.assertEqual(self.told(), {"forearm": "gone"})
            page.keyboard.press("u")
            self.saved()
        page.keyboard.press("0")
        self.saved()
        complaint = page.get_by_role("group", name="It cramps before the last page")
        complaint.get_by_role("button", name="less").evaluate(TWO_TOUCHES)
        self.saved()
        self.assertEqual(self.told(), {"forearm": "gone", "complaint": "less"})

    def test_keys_typed_without_a_pause_answer_one_question_after_the_other(self):
        page = self.page
        page.keyboard.type("01")
        self.saved()
        self.assertEqual(self.told(), {"forearm": "gone", "complaint": "less"})
        page.keyboard.press("u")
        self.saved()
        self.assertEqual(self.told(), {"forearm": "gone"})
        expect(page.get_by_role("group", name="It cramps before the last page")).to_be_visible()

    def test_what_is_left_open_stays_open_and_enter_goes_on_to_the_look(self):
        page = self.page
        open_ones = page.get_by_text("Still open").locator("xpath=..")
        before = open_ones.inner_text()
        page.keyboard.press("x")
        expect(page.get_by_role("group", name="It cramps before the last page")).to_be_visible()
        self.assertNotEqual(open_ones.inner_text(), before)
        self.assert_accessible("asking")
        page.keyboard.press("Enter")
        page.get_by_role("heading", name="What it means").wait_for()
        self.assertEqual(self.told(), {})
        page.keyboard.press("g")
        expect(
            page.get_by_role("heading", name="No exercises while the stop is up")
        ).to_be_visible()
