"""Pictures of the hand: kept small and bare, refused when they attack, gone when erased."""

import base64
import json
import random
from io import BytesIO
from unittest import mock

from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import connection
from django.test.utils import CaptureQueriesContext
from PIL import Image

from lefthand.picture.angles import joint_angles
from lefthand.picture.points import Point, Points
from lefthand.values.vocabulary import Instrument
from studio.demo.drawn_pictures import drawn_picture
from studio.errors import StudioError
from studio.models import HandPicture, Player
from studio.pictures import pictures
from studio.pictures.pictures import KEPT_SIDE, LARGEST_SIDE, Kept, keep_picture
from studio.players.arriving import read_player_file
from studio.players.erasing import erase_player
from studio.players.file import player_file
from studio.players.leave import give_leave
from studio.tests.studio_case import DAY, StudioCase, picture_bytes, png_saying

POINTS = {"4.middle": [10, 10], "4.tip_joint": [30, 10], "4.tip": [40, 30]}


class Keeping(StudioCase):
    def test_what_is_beside_the_picture_stays_behind(self):
        exif = Image.Exif()
        exif[0x010F] = "A Camera"
        exif[0x8825] = {2: (52.0, 30.0, 0.0)}
        for kind in ("JPEG", "PNG", "WEBP"):
            with self.subTest(kind):
                data = picture_bytes(kind, exif=exif)
                self.assertIn(b"A Camera", data)
                kept = keep_picture(self.player, data, Kept(DAY))
                self.assertNotIn(b"A Camera", bytes(kept.image))
                found = Image.open(BytesIO(kept.image))
                self.assertEqual((found.format, found.size), ("JPEG", (60, 40)))
                self.assertFalse(found.getexif())

    def test_a_large_cut_is_made_smaller_and_its_points_with_it(self):
        data = picture_bytes(size=(LARGEST_SIDE, 600))
        kept = keep_picture(self.player, data, Kept(DAY, "tip_angle", 4, {"4.tip": [1000, 500]}))
        self.assertEqual((kept.width, kept.height), (KEPT_SIDE, KEPT_SIDE // 4))
        self.assertEqual(kept.points, {"4.tip": [500, 250]})

    def test_each_has_an_address_that_cannot_be_guessed(self):
        names = {keep_picture(self.player, picture_bytes(), Kept(DAY)).name for _ in range(5)}
        self.assertEqual(len(names), 5)
        self.assertTrue(all(len(name) >= 40 for name in names))

    def test_what_is_no_still_picture_of_a_hand_is_refused_and_nothing_kept(self):
        frames = [Image.new("RGB", (20, 20), color) for color in ("red", "blue")]
        moving = BytesIO()
        frames[0].save(moving, "WEBP", save_all=True, append_images=frames[1:])
        svg = b'<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'
        for name, data in (
            ("bomb", png_saying(60_000)),
            ("too wide", picture_bytes(size=(LARGEST_SIDE + 1, 2))),
            ("cut off", picture_bytes(size=(400, 400))[:-200]),
            ("another kind", picture_bytes("GIF")),
            ("moving", moving.getvalue()),
            ("script", svg),
            ("page", b"<!doctype html><script>alert(1)</script>"),
            ("nothing", b""),
            ("too large", b"\xff\xd8" + b"\0" * pictures.LARGEST_FILE),
        ):
            with self.subTest(name), self.assertRaises(StudioError) as raised:
                keep_picture(self.player, data, Kept(DAY))
            self.assertEqual(raised.exception.field, "picture")
        self.assertFalse(HandPicture.objects.exists())

    def test_a_point_outside_the_cut_is_named(self):
        with self.assertRaises(StudioError) as raised:
            keep_picture(self.player, picture_bytes(), Kept(DAY, points={"4.tip": [70, 10]}))
        self.assertEqual(raised.exception.field, "points.4.tip")

    def test_there_is_an_end_to_how_many(self):
        with mock.patch.object(pictures, "MOST_PICTURES", 1):
            keep_picture(self.player, picture_bytes(), Kept(DAY))
            with self.assertRaises(StudioError):
                keep_picture(self.player, picture_bytes(), Kept(DAY))

    def test_erased_with_its_player(self):
        keep_picture(self.player, picture_bytes(), Kept(DAY))
        erase_player(self.player)
        self.assertFalse(HandPicture.objects.exists())


class DrawnPictures(StudioCase):
    def test_the_bends_can_be_measured_on_them_though_no_touch_is_exact(self):
        rng = random.Random(5)
        for finger, tip, middle, from_thumb, tilt in (
            (1, 30, 40, True, 15),
            (2, -25, 60, False, -20),
            (3, 5, 30, True, -8),
            (4, -12, 50, False, 18),
        ):
            with self.subTest(finger=finger):
                drawn = drawn_picture(
                    finger, tip=tip, middle=middle, from_thumb=from_thumb, tilt=tilt, seed=finger
                )
                at = {
                    name: Point(x + rng.gauss(0, 1), y + rng.gauss(0, 1))
                    for name, (x, y) in drawn.points.items()
                }
                found = joint_angles(Points(Instrument.VIOLIN, at))
                self.assertAlmostEqual(found["tip_angle"][finger].value, tip, delta=3)
                self.assertAlmostEqual(found["middle_angle"][finger].value, middle, delta=3)

    def test_it_is_a_picture_as_any_other_with_dark_lines_where_the_finger_is(self):
        drawn = drawn_picture(4, tip=10, middle=50, from_thumb=True, tilt=0, seed=1)
        kept = keep_picture(self.player, drawn.jpeg, Kept(DAY, "tip_angle", 4, drawn.points))
        image = Image.open(BytesIO(kept.image)).convert("L")
        x, y = kept.points["4.tip"]
        around = image.crop((int(x) - 20, int(y) - 20, int(x) + 20, int(y) + 20))
        self.assertLess(around.getextrema()[0], 90)


class InThePlayerFile(StudioCase):
    def setUp(self):
        super().setUp()
        told = Kept(DAY, "tip_angle", 4, POINTS, "before")
        keep_picture(self.player, picture_bytes(), told)

    def test_only_on_request_and_back_the_same(self):
        self.assertNotIn("pictures", player_file(self.player))
        data = json.loads(json.dumps(player_file(self.player, pictures=True)))
        found = read_player_file(self.teacher, data, DAY)
        self.assertEqual(len(found.left_out), 1)
        kept = found.player.pictures.get()
        self.assertEqual((kept.measure, kept.finger, kept.words), ("tip_angle", 4, "before"))
        self.assertEqual(kept.points, POINTS)
        self.assertEqual(kept.date, DAY)
        self.assertNotEqual(kept.name, self.player.pictures.get().name)

    def test_a_bad_picture_is_left_out_and_told(self):
        for image in ("", "not base64!", base64.b64encode(png_saying(60_000)).decode(), None, 7):
            with self.subTest(image=image):
                data = player_file(self.player, pictures=True)
                data["pictures"][0]["image"] = image
                found = read_player_file(self.teacher, data, DAY)
                self.assertTrue(found.left_out[1].startswith("picture 1: "))
                self.assertFalse(found.player.pictures.exists())


class OverTheApi(StudioCase):
    def setUp(self):
        super().setUp()
        self.client.force_login(self.teacher)
        give_leave(self.player, kind="picture", by="parent", name="Ada Example", on=DAY)
        self.address = f"/api/players/{self.player.pk}/pictures"

    def send(self, data=None, **told):
        sent = SimpleUploadedFile("hand.png", data or picture_bytes(), "image/png")
        return self.client.post(self.address, {"file": sent, **told})

    def test_kept_read_and_removed(self):
        answer = self.send(measure="tip_angle", finger=4, points=json.dumps(POINTS))
        (kept,) = answer.json()
        self.assertEqual(kept["points"], POINTS)
        self.assertEqual(self.client.get(self.address).json(), [kept])
        image = self.client.get(f"{self.address}/{kept['name']}")
        self.assertEqual(image["Content-Type"], "image/jpeg")
        self.assertIn("no-store", image["Cache-Control"])
        self.assertEqual(image["X-Content-Type-Options"], "nosniff")
        self.assertEqual(self.client.delete(f"{self.address}/{kept['name']}").json(), [])
        self.assertEqual(self.client.get(f"{self.address}/{kept['name']}").status_code, 404)

    def test_what_its_points_tell_comes_with_it(self):
        string = {"string.a": [2, 36], "string.b": [58, 36]}
        (kept,) = self.send(points=json.dumps({**POINTS, **string})).json()
        self.assertEqual([angle["measure"] for angle in kept["angles"]], ["tip_angle"])
        self.assertAlmostEqual(kept["angles"][0]["value"], 63.4)

    def test_many_pictures_take_no_more_queries_than_one_and_no_image_is_read(self):
        asked = []
        self.client.get(self.address)  # the session's own queries
        for count in (1, 12):
            while self.player.pictures.count() < count:
                keep_picture(self.player, picture_bytes(), Kept(DAY, "tip_angle", 4, POINTS))
            with CaptureQueriesContext(connection) as queries:
                self.assertEqual(len(self.client.get(self.address).json()), count)
            asked.append(len(queries))
            self.assertFalse([q for q in queries if '"image"' in q["sql"]])
        self.assertEqual(*asked)

    def test_a_bad_one_is_refused_by_its_field(self):
        for told, field in (
            ({"data": png_saying(60_000)}, "picture"),
            ({"data": b"x" * (pictures.LARGEST_FILE + 1)}, "file"),
            ({"points": "{"}, "points"),
            ({"points": '{"9.tip": [1, 1]}'}, "points.9.tip"),
            ({"finger": 5}, "finger"),
            ({"measure": "beauty"}, "measure"),
            ({"words": "x" * 121}, "words"),
        ):
            with self.subTest(field=field):
                answer = self.send(**told)
                self.assertEqual(answer.status_code, 422)
                self.assertIn(field, answer.json()["fields"][0]["field"])
        self.assertFalse(HandPicture.objects.exists())

    def test_not_through_another_player_of_the_same_teacher(self):
        kept = keep_picture(self.player, picture_bytes(), Kept(DAY))
        other = Player.objects.create(teacher=self.teacher, name="Other", instrument="vc")
        answer = self.client.get(f"/api/players/{other.pk}/pictures/{kept.name}")
        self.assertEqual(answer.status_code, 404)

    def test_a_player_file_with_pictures_comes_back_whole(self):
        keep_picture(self.player, picture_bytes(size=(1200, 900)), Kept(DAY))
        address = f"/api/players/{self.player.pk}/file"
        self.assertNotIn("pictures", self.client.get(address).json())
        data = self.client.get(f"{address}?pictures=true").content
        sent = SimpleUploadedFile("player.json", data, "application/json")
        answer = self.client.post("/api/players/file", {"file": sent}).json()
        self.assertEqual(len(answer["left_out"]), 1)
        self.assertEqual(Player.objects.get(pk=answer["player"]).pictures.count(), 1)
