"""Nobody waits for a writer: with a history of 300 lessons no request holds the right to write long."""

import json
import random
from datetime import timedelta
from unittest import mock

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from api.tests.test_api import REMOVES_A_LESSON, RoutesCase, routes
from bench.studio_data import LONG, lessons_of
from lefthand.catalogue.catalogue import load_catalogue
from studio.home.link import make_link
from studio.models import Lesson, Player, RedFlag
from studio.players.file import player_file
from studio.tests.held import holding
from studio.tests.studio_case import DAY

LONGEST = 0.2  # s
ERASES = ("DELETE", "/api/players/{player_id}")
SIGNS_OUT = ("POST", "/api/session/sign-out")
ENTRIES = (
    ("observation", "web.closed", 2),
    ("reports", "", {"pain": 3}),
    ("complaint", "", "web.closed"),
    ("cause", "thumb_index_grip", {"word": "pinned"}),
    ("focus", "", ["thumb_index_grip"]),
    ("line", "", "Four soft taps."),
)


class Held(RoutesCase):
    def setUp(self):
        super().setUp()
        before = DAY - timedelta(days=7)
        lessons_of(self.player, LONG, before, random.Random(1))
        self.assertEqual(self.player.lessons.count(), LONG + 1)
        load_catalogue()
        self.teacher_client = Client()
        self.teacher_client.force_login(self.teacher)

    def assert_short(self, call):
        with holding() as held:
            answer = call()
        self.assertLess(held.longest, LONGEST)
        return answer, held

    def test_no_route_holds_it_long(self):
        writes = [r for r in routes() if r[0] != "GET" and r not in (SIGNS_OUT, REMOVES_A_LESSON)]
        for method, path in sorted(writes, key=lambda r: (r == ERASES, r[0] == "DELETE", r[1])):
            with self.subTest(method=method, path=path):
                self.assert_short(lambda m=method, p=path: self.call(self.teacher_client, m, p))

    def test_no_entry_of_a_lesson_and_no_day_at_home_holds_it_long(self):
        RedFlag.objects.all().delete()
        address = f"/api/lessons/{self.given.pk}/entries"
        for number, (kind, key, value) in enumerate(ENTRIES):
            entry = {"client_key": f"held-{number:0>4}", "kind": kind, "key": key, "value": value}
            with self.subTest(kind):
                answer, held = self.assert_short(lambda e=entry: self.post(address, e))
                self.assertEqual(answer.status_code, 200, answer.content)
                self.assertTrue(held.spans)
        RedFlag.objects.all().delete()
        token = make_link(self.player).token
        day = {"date": str(DAY + timedelta(days=1)), "done": "done", "felt": "soft", "pain": 5}
        with mock.patch("api.home.routes.today_behind", return_value=DAY + timedelta(days=1)):
            answer, _ = self.assert_short(
                lambda: self.post(f"/api/home/{token}/days", {**day, "client_key": "held-day-1"})
            )
        self.assertEqual(answer.status_code, 200, answer.content)

    def test_a_long_player_file_is_written_in_many_short_turns(self):
        self.assertEqual(player_lessons(self.player), LONG + 1)
        data = json.dumps(player_file(self.player)).encode()
        upload = SimpleUploadedFile("player.json", data)
        answer, held = self.assert_short(
            lambda: self.teacher_client.post("/api/players/file", {"file": upload})
        )
        self.assertEqual(answer.status_code, 200, answer.content)
        self.assertGreater(len(held.spans), LONG / 20)
        found = Player.objects.get(pk=answer.json()["player"])
        self.assertEqual(player_lessons(found), LONG + 1)

    def post(self, address, body):
        return self.teacher_client.post(address, json.dumps(body), "application/json")


def player_lessons(player):
    return Lesson.objects.filter(player=player).count()
