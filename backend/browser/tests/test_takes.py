"""A check that is heard: with a microphone, without one, from a file, with a made-up player."""

import tempfile
from pathlib import Path

from playwright.sync_api import expect

from browser.case import BrowserCase
from browser.chromium import WHOLE
from browser.playing import write_take
from studio.demo.data import PLAYERS
from studio.models import KeptSound, Lesson, Observation, Take

PLAYED_MS = 90_000  # a take is as long as it is, and a busy machine measures it slowly
CHECK = "uneven.fast"
LABEL = "Uneven when fast"
NOTE_MICROPHONES = """
window.streams = [];
window.isLive = (stream) => stream.getTracks().some((track) => track.readyState === 'live');
const ask = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices);
navigator.mediaDevices.getUserMedia = async (wanted) => {
  const stream = await ask(wanted);
  window.streams.push(stream);
  return stream;
};
"""
NOTE_FOLLOWED = """
window.followed = [];
new MutationObserver(() => {
  const notes = [...document.querySelectorAll('g.note')];
  const here = notes.findIndex((note) => note.classList.contains('sounding'));
  if (here >= 0 && window.followed.at(-1) !== here) window.followed.push(here);
}).observe(document, { subtree: true, attributes: true, attributeFilter: ['class'] });
"""
PLAYER = next(p for p in PLAYERS if p.name == "Mira Oslund")


class TakesCase(BrowserCase):
    players = (PLAYER,)

    def open_check(self):
        self.begin_looking("Mira Oslund")
        page = self.page
        page.get_by_role("button", name="Tempo, reports").click()
        page.get_by_role("region", name="Tempo and reports").get_by_role(
            "button", name=LABEL
        ).click()
        page.get_by_role("button", name="Measure", exact=True).click()
        self.ear = page.get_by_role("region", name=f"Measure: {LABEL}")
        self.ear.get_by_role("img", name="The music to play").wait_for()

    def found(self):
        lesson = Lesson.objects.order_by("date").last()
        return Observation.objects.filter(lesson=lesson, evidence=CHECK).first()


class Heard(TakesCase):
    """Chromium hears a file in the place of a microphone."""

    @classmethod
    def setUpClass(cls):
        cls.folder = tempfile.TemporaryDirectory()
        cls.addClassCleanup(cls.folder.cleanup)
        heard = Path(cls.folder.name) / "fast.wav"
        write_take(
            heard, PLAYER, CHECK, is_fast=True, is_counted_in=True, off={3: -20, 4: -30}, uneven=11
        )
        cls.slow = str(Path(cls.folder.name) / "slow.wav")
        write_take(cls.slow, PLAYER, CHECK)
        cls.arguments = (
            "--use-fake-device-for-media-stream",
            "--use-fake-ui-for-media-stream",
            f"--use-file-for-fake-audio-capture={heard}%noloop",
        )
        super().setUpClass()

    def test_a_take_by_microphone_and_one_by_file_become_a_finding(self):
        self.context.add_init_script(NOTE_FOLLOWED)
        self.open_check()
        ear = self.ear
        ear.get_by_role("button", name="Fast").click()
        notes = ear.locator("g.note").count()
        self.page.get_by_role("button", name="Record").click()
        ear.get_by_role("img", name="Beat").wait_for()
        expect(ear.locator("g.note.sounding")).to_have_count(0)
        heard = ear.get_by_role("region", name="What was heard")
        heard.wait_for(timeout=PLAYED_MS)
        self.check_that_the_music_followed(notes)
        fast = Take.objects.get()
        self.assertEqual((fast.part, fast.result["usable"]), ("fast", True))
        self.assertFalse(fast.is_simulated)
        self.assertEqual(fast.result["lost"], [])
        heard.get_by_label("The take").wait_for()
        self.assertIn("blob:", heard.get_by_label("The take").get_attribute("src"))

        ear.locator("input[type=file]").set_input_files(self.slow)
        takes_over = self.page.get_by_role("button", name="Take it")
        takes_over.wait_for(timeout=PLAYED_MS)
        expect(heard.get_by_role("status")).to_contain_text(
            "third and fourth sink", timeout=PLAYED_MS
        )
        self.assert_accessible("a take")
        self.look_at_the_curve(heard)
        self.keep_the_sound(heard)
        takes_over.click()
        self.saved()
        expect(self.ear).to_have_count(0)
        entered = self.found().entered
        self.assertEqual(entered["source"], "take")
        self.assertGreater(entered["value"], 4)
        self.page.get_by_role("button", name="Undo: ").click()
        self.wait_until(lambda: self.found() is None)

    def check_that_the_music_followed(self, notes):
        followed = self.page.evaluate("window.followed")
        self.assertEqual(followed, sorted(followed))
        self.assertGreater(len(followed), 0.8 * notes)

    def look_at_the_curve(self, heard):
        heard.get_by_role("button", name="As a curve").click()
        heard.get_by_role("img", name="How the pitch moves").first.wait_for()
        beside = heard.get_by_role("region", name="Two takes beside each other")
        expect(beside.get_by_role("button", name="Slow beside fast")).to_be_visible()
        expect(beside.get_by_role("row").filter(has_text="fourth")).to_contain_text("cents")
        self.assert_accessible("a curve")

    def keep_the_sound(self, heard):
        self.assertEqual(KeptSound.objects.count(), 0)
        heard.get_by_role("button", name="Keep the sound").click()
        heard.get_by_role("button", name="Let the sound go").wait_for()
        kept = KeptSound.objects.get()
        self.assertEqual(bytes(kept.flac[:4]), b"fLaC")
        heard.get_by_role("button", name="Let the sound go").click()
        heard.get_by_role("button", name="Yes, let it go for good").click()
        heard.get_by_role("button", name="Keep the sound").wait_for()
        self.assertEqual(KeptSound.objects.count(), 0)

    def test_one_microphone_is_open_at_a_time_and_none_afterwards(self):
        self.context.add_init_script(NOTE_MICROPHONES)
        self.open_check()
        self.page.get_by_role("button", name="Record").dblclick()
        self.ear.get_by_role("img", name="Beat").wait_for()
        self.assertEqual(self.page.evaluate("streams.map(isLive)"), [True])
        self.ear.get_by_role("button", name="Stop, keep nothing").click()
        self.assertEqual(self.page.evaluate("streams.map(isLive)"), [False])
        self.page.get_by_role("button", name="Record").click()
        self.ear.get_by_role("img", name="Beat").wait_for()
        self.page.keyboard.press("Escape")
        expect(self.ear).to_have_count(0)
        self.assertEqual(self.page.evaluate("streams.map(isLive)"), [False, False])
        self.assertEqual(Take.objects.count(), 0)

    def test_a_take_that_did_not_arrive_is_sent_again(self):
        self.open_check()
        takes = "**/takes/**"
        self.page.route(takes, lambda route: route.abort("failed"))
        self.ear.locator("input[type=file]").set_input_files(self.slow)
        expect(self.ear.get_by_role("alert")).to_contain_text("kept on this page")
        self.page.unroute(takes)
        self.ear.get_by_role("button", name="Send it again").click()
        self.ear.get_by_role("region", name="What was heard").wait_for()
        self.assertEqual(Take.objects.count(), 1)


class Refused(TakesCase):
    arguments = ("--use-fake-device-for-media-stream", "--deny-permission-prompts")
    executable = WHOLE

    def test_a_refused_microphone_is_told_and_a_file_still_goes(self):
        self.open_check()
        self.page.get_by_role("button", name="Record").click()
        expect(self.ear.get_by_role("alert")).to_contain_text("choose a file")
        with tempfile.TemporaryDirectory() as folder:
            text = Path(folder) / "text.wav"
            text.write_text("not sound")
            self.ear.locator("input[type=file]").set_input_files(text)
            expect(self.ear.get_by_text("not a sound file")).to_be_visible()
        self.assertEqual(Take.objects.count(), 0)
        self.assert_accessible("no microphone")


class MadeUp(TakesCase):
    def test_by_keys_alone(self):
        """Enter does the main thing: records first, takes over once something was heard."""
        self.open_check()
        self.page.keyboard.press("Escape")
        expect(self.ear).to_have_count(0)
        self.page.keyboard.press("m")
        expect(self.page.get_by_role("button", name="Record")).to_be_visible()
        for part in ("slow", "fast"):
            self.press_tab_to("No microphone?")
            self.page.keyboard.press("Enter")
            self.wait_until(lambda part=part: Take.objects.filter(part=part).exists())
        takes_over = self.page.get_by_role("button", name="Take it")
        expect(takes_over).to_be_visible()
        self.page.keyboard.press("Escape")
        self.page.keyboard.press("m")
        expect(takes_over).to_be_visible()
        self.page.keyboard.press("Enter")
        expect(self.ear).to_have_count(0)
        self.saved()
        self.assertEqual(self.found().entered["source"], "take")

    def press_tab_to(self, name):
        button = self.ear.get_by_role("button", name=name)
        button.wait_for()
        for _ in range(12):
            if button.evaluate("(it) => it === document.activeElement"):
                return
            self.page.keyboard.press("Tab")
        self.fail(f"Tab does not lead to {name}")

    def test_every_note_in_numbers_and_a_take_thrown_away(self):
        self.open_check()
        for part in ("slow", "fast"):
            self.ear.get_by_role("button", name="No microphone?").click()
            self.wait_until(lambda part=part: Take.objects.filter(part=part).exists())
        self.ear.get_by_text("made-up player, not by a person").wait_for()
        expect(self.ear.get_by_text("Measuring")).to_have_count(0)
        self.ear.get_by_text("Every note in numbers").click()
        expect(self.ear.get_by_role("table", name="Every note").get_by_role("row")).to_have_count(
            len(Take.objects.last().result["notes"]) + 1
        )
        again = self.ear.get_by_role("button", name="Throw this take away")
        again.click()
        self.wait_until(lambda: Take.objects.count() == 1)

    def test_on_a_phone_nothing_is_cut(self):
        self.page.set_viewport_size({"width": 390, "height": 844})
        self.open_check()
        for part in ("slow", "fast"):
            self.ear.get_by_role("button", name="No microphone?").click()
            self.wait_until(lambda part=part: Take.objects.filter(part=part).exists())
        self.page.get_by_role("button", name="Take it").wait_for()
        wide = self.page.evaluate("document.documentElement.scrollWidth")
        self.assertLessEqual(wide, 390)
        box = self.ear.bounding_box()
        self.assertLessEqual(box["x"] + box["width"], 390)
