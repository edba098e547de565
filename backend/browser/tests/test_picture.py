"""An angle from a picture: chosen, measured by touch or by keys, taken over, and never sent."""

import base64
import tempfile
from pathlib import Path

from playwright.sync_api import expect

from browser.case import BrowserCase
from studio.demo.data import PLAYERS
from studio.models import HandPicture, Lesson, Player
from studio.tests.studio_case import png_saying

WIDTH, HEIGHT = 800, 600
# A finger whose last bone turns by 45 degrees to the string that lies below it.
JOINTS = ((200, 300), (300, 300), (400, 400))
STRING = ((100, 500), (700, 500))
THIRD = ("3.middle", "3.tip_joint", "3.tip")
DRAW = """([width, height, joints, string]) => {
  const canvas = document.createElement('canvas');
  canvas.width = width; canvas.height = height;
  const context = canvas.getContext('2d');
  context.fillStyle = '#caa'; context.fillRect(0, 0, width, height);
  for (const line of [joints, string]) {
    context.beginPath(); line.forEach(([x, y]) => context.lineTo(x, y)); context.stroke();
  }
  return canvas.toDataURL('image/png').split(',')[1];
}"""


class PictureAngles(BrowserCase):
    players = PLAYERS[:1]

    def setUp(self):
        super().setUp()
        self.begin_looking("Mira Oslund")
        page = self.page
        page.get_by_role("button", name="Tip of the third finger: not checked").focus()
        page.keyboard.press("Enter")
        page.get_by_role("button", name="Measure", exact=True).click()
        page.get_by_role("button", name="From a picture").click()
        self.dialog = page.get_by_role("dialog")

    def choose(self):
        drawn = self.page.evaluate(DRAW, [WIDTH, HEIGHT, JOINTS, STRING])
        with tempfile.TemporaryDirectory() as folder:
            file = Path(folder) / "finger.png"
            file.write_bytes(base64.b64decode(drawn))
            self.dialog.locator("input[type=file]").set_input_files(file)
            self.pad = self.dialog.get_by_role("application")
            self.pad.wait_for()

    def touch(self, x, y):
        box = self.pad.bounding_box()
        self.page.mouse.click(
            box["x"] + x / WIDTH * box["width"], box["y"] + y / HEIGHT * box["height"]
        )

    def set_all(self):
        for x, y in (*JOINTS, *STRING):
            self.touch(x, y)

    def test_an_angle_is_measured_twice_taken_over_and_undone(self):
        sent = []
        self.page.on("request", lambda r: sent.append(r) if r.method == "POST" else None)
        self.choose()
        self.assert_accessible("picture")
        self.set_all()
        expect(self.dialog.get_by_text("45", exact=False)).to_be_visible()
        self.dialog.get_by_role("button", name="Set them once more").click()
        self.set_all()
        expect(self.dialog.get_by_text("your own error is about")).to_be_visible()
        self.dialog.get_by_role("button", name="Take it over").click()
        mark = self.page.get_by_role("button", name="Tip of the third finger: not there")
        expect(mark).to_be_visible()
        bodies = [request.post_data or "" for request in sent]
        self.assertTrue(any("3.tip_joint" in body for body in bodies))
        self.assertLess(max(map(len, bodies)), 2000, "points go out, no picture")
        self.page.keyboard.press("u")
        expect(mark).not_to_be_visible()

    def test_a_second_picture_is_laid_beside_and_says_what_moved(self):
        sent = []
        self.page.on("request", lambda r: sent.append(r) if r.method == "POST" else None)
        self.choose()
        for x, y in ((200, 300), (300, 300), (358, 358), *STRING):
            self.touch(x, y)
        self.dialog.get_by_role("button", name="Beside a second picture").click()
        expect(self.dialog.get_by_text("Now the second picture")).to_be_visible()
        self.assert_accessible("second picture")
        self.choose()
        self.touch(10, 10)
        self.dialog.get_by_role("button", name="Take back").click()
        straight = ((200, 300), (300, 300), (382, 306), *STRING)
        for x, y in straight:
            self.touch(x, y)
        changed = "Changed by 41 degrees (under 9 may be chance): the fingertip joint of finger 3."
        expect(self.dialog.get_by_text(changed)).to_be_visible()
        expect(self.dialog.get_by_role("img", name="second, laid as the first")).to_be_visible()
        self.assert_accessible("two pictures")
        self.assertLess(max(len(r.post_data or "") for r in sent), 2000, "no picture is sent")
        self.dialog.get_by_role("button", name="Done").click()
        expect(self.dialog).to_have_count(0)

    def test_a_cut_is_kept_when_the_teacher_says_so_and_stands_on_the_players_page(self):
        Player.objects.update(is_practice=False)  # nobody's record needs nobody's leave
        self.choose()
        self.set_all()
        self.dialog.get_by_role("button", name="Lay the drawn hand over").click()
        expect(self.dialog.locator("svg path").first).to_be_attached()
        self.dialog.get_by_role("button", name="Keep the picture").click()
        expect(self.dialog.get_by_text("Is a face in it")).to_be_visible()
        self.assert_accessible("cutting a picture")
        self.dialog.get_by_label("A word for it").fill("before")
        self.dialog.get_by_role("button", name="Only the hand is in it: keep").click()
        # The first picture of a player asks who has said yes, and goes on by itself.
        leave = self.dialog.get_by_role("form", name="Leave to keep it")
        leave.get_by_label("Name of who said yes").fill("Ada Oslund")
        self.assert_accessible("leave to keep a picture")
        self.assertFalse(HandPicture.objects.exists())
        leave.get_by_role("button", name="Note it and keep").click()
        expect(self.dialog.get_by_text("The picture is kept.")).to_be_visible()
        self.dialog.get_by_role("button", name="Take it over").click()
        kept = HandPicture.objects.get()
        self.assertEqual((kept.measure, kept.finger, kept.words), ("tip_angle", 3, "before"))
        self.assertEqual(set(kept.points), {*THIRD, "string.a", "string.b"})
        self.assertLess(kept.height, HEIGHT)
        self.page.goto(f"{self.live_server_url}/players/{kept.player_id}")
        self.page.get_by_role("button", name="Pictures").click()
        picture = self.page.get_by_role("button", name="before")
        expect(picture).to_contain_text("Fingertip joint, finger 3: 45 degrees")
        shown = self.page.locator("li img").first
        self.wait_until(lambda: shown.evaluate("image => image.naturalWidth > 0"))
        expect(self.page.get_by_text("Ada Oslund (parent) said yes on")).to_be_visible()
        self.assert_accessible("player with a picture")
        self.page.get_by_role("button", name="Remove the picture").click()
        self.page.get_by_role("button", name="Yes, remove the picture").click()
        expect(picture).not_to_be_visible()
        self.assertFalse(HandPicture.objects.exists())
        self.page.get_by_role("button", name="Withdraw").click()
        self.page.get_by_role("button", name="Withdraw it").click()
        expect(self.page.get_by_text("said yes on")).to_have_count(0)

    def test_where_there_is_no_camera_a_drawn_hand_knows_the_answer(self):
        self.dialog.get_by_role("button", name="Try it on a drawn hand").click()
        self.pad = self.dialog.get_by_role("application")
        self.pad.wait_for()
        for x, y in ((200, 300), (240, 340), (300, 330), *STRING):
            self.touch(x, y)
        expect(self.dialog.get_by_text("It was drawn with")).to_be_visible()
        expect(self.dialog.get_by_role("button", name="Take it over")).not_to_be_visible()
        expect(self.dialog.get_by_role("button", name="Keep the picture")).not_to_be_visible()

    def test_keys_alone_set_the_points(self):
        self.choose()
        self.pad.focus()
        at = [WIDTH // 2, HEIGHT // 2]
        for point in (*JOINTS, *STRING):
            for axis, (less, more) in enumerate((("Left", "Right"), ("Up", "Down"))):
                way = point[axis] - at[axis]
                key = f"Arrow{more if way > 0 else less}"
                far, near = divmod(abs(way), 12)
                for _ in range(far):
                    self.page.keyboard.press(f"Shift+{key}")
                for _ in range(near):
                    self.page.keyboard.press(key)
                at[axis] = point[axis]
            self.page.keyboard.press("Enter")
        expect(self.dialog.get_by_text("45 degrees", exact=False)).to_be_visible()
        self.page.keyboard.press("Backspace")
        expect(self.dialog.get_by_text("5 of 5")).to_be_visible()

    def test_what_is_no_picture_is_refused_in_words(self):
        with tempfile.TemporaryDirectory() as folder:
            for name, content, words in (
                ("note.txt", b"not a picture", "This file is no picture."),
                ("broken.png", b"\x89PNG\r\n\x1a\nbroken", "cannot read that picture"),
                ("bomb.png", png_saying(60_000), "over 50 million points"),
            ):
                file = Path(folder) / name
                file.write_bytes(content)
                self.dialog.locator("input[type=file]").set_input_files(file)
                expect(self.dialog.get_by_role("alert")).to_contain_text(words)


class CarriedShape(BrowserCase):
    players = PLAYERS[:1]

    def test_where_nothing_should_move_two_pictures_are_offered_at_the_review(self):
        item = Lesson.objects.filter(plan__isnull=False).order_by("date").last().plan.items.first()
        item.plan.items.exclude(pk=item.pk).delete()
        item.exercise, item.rung, item.spot = "carry_the_shape", 1, None
        item.save()
        self.sign_in()
        page = self.page
        page.get_by_role("button", name="Begin the lesson of Mira").click()
        page.get_by_role("button", name="Carry the shape").click()
        page.get_by_role("button", name="Two pictures: did anything move?").click()
        dialog = page.get_by_role("dialog", name="Carry the shape")
        expect(dialog.get_by_text("The first picture.")).to_be_visible()
        self.assert_accessible("two pictures at the review")
