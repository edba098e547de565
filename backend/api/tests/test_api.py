"""The HTTP surface: who may see what, error bodies, sign-in, CSRF, the client's freshness."""

import json
from pathlib import Path
from unittest import mock

from django.contrib.auth import get_user_model
from django.contrib.sessions.backends.base import UpdateError
from django.contrib.sessions.backends.db import SessionStore
from django.core.cache import cache
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import DatabaseError, connection
from django.test import Client, TestCase, override_settings
from django.test.utils import CaptureQueriesContext
from django.utils.timezone import localdate

from api.main import api
from api.management.commands.openapi import OPENAPI_FILE, openapi_text
from lefthand.tests.scores import melody_bytes
from studio.entries import KINDS
from studio.groups.groups import choose_checks, save_group
from studio.home.link import make_link
from studio.lessons.own_notes import write_note
from studio.models import Lesson, LessonEntry, Player, RedFlag, Setup
from studio.pictures.pictures import Kept, keep_picture
from studio.pieces.pieces import keep_piece
from studio.players.leave import PICTURE, SOUND, give_leave
from studio.takes.kept_sounds import keep_sound
from studio.takes.takes import measure
from studio.tests.studio_case import DAY, GRIP, StudioCase, picture_bytes, silence
from studio.today.holidays import add_holiday

FRONTEND = Path(__file__).resolve().parents[3] / "frontend"
OPEN_ROUTES = {("GET", "/api/session"), ("POST", "/api/session/sign-in")}
TAKES = "/api/lessons/{lesson_id}/takes/{evidence}"
SOUND_OF = f"{TAKES}/{{take_id}}/sound"
# Nobody plays while a stop is up, and a made-up player only in the demo.
PIECE = "/api/players/{player_id}/pieces/{piece_id}"
NOT_NOW = (  # a stop is up
    ("POST", TAKES),
    ("POST", f"{TAKES}/simulated"),
    ("GET", f"{PIECE}/part.pdf"),
    ("POST", f"{PIECE}/take"),
    ("POST", f"{PIECE}/take/simulated"),
)
NO_WEEK_NOW = (("GET", "/api/groups/{group_id}/sheets.pdf"),)  # its lessons are long ago
UPLOADS = {
    TAKES: ("take.wav", silence(), {"part": "slow"}),
    SOUND_OF: ("take.wav", silence(), {}),
    f"{PIECE}/take": ("take.wav", silence(), {"tempo": "60"}),
    "/api/players/{player_id}/pictures": ("hand.png", picture_bytes(), {}),
    "/api/players/{player_id}/pieces": ("piece.musicxml", melody_bytes("A4 B4"), {}),
}
REMOVES_A_LESSON = ("DELETE", "/api/lessons/{lesson_id}")
HOME = "/api/home/"  # open to whoever has the link
ENTRY = {"client_key": "abcdefgh-1", "kind": "observation", "key": "web.closed", "value": 2}
KEY = "abcdefgh-2"
BODIES = {
    "body": {"fact": "injury", "word": "lifted", "note": "healed, says the doctor"},
    "lift-flag": {"note": "seen by a doctor today"},
    "undo": {"client_key": KEY},
    "way": {"key": "carry", "value": "body"},
    "setups": {"change": "pad one size thinner"},
    "cuts": {"measure": "hold_seconds", "cuts": [5, 3, 1]},
    "learning": {"on": True},
    "{player_id}": {"name": "Pia Example", "instrument": "vn", "level": "beginner"},
    "{group_id}": {"name": "Group", "players": []},
    "groups": {"name": "Group", "players": []},
    "simulated": {"part": "slow"},
    "checks": {"checks": ["web.closed"]},
    "grades": {"client_key": KEY, "player": 0, "check": "web.closed", "grade": 1},
    "rest": {"client_key": KEY, "check": "web.closed"},
    "helped": {"on": True},
    "pdf": {"letters": []},
    "leave": {"kind": "picture", "by": "parent", "name": "Ada Example"},
    "kept": {"months": 6},
    "people": {"name": "Robin"},
    "round": {"player": 0, "watcher": 0, "check": "web.closed", "saw": True},
    "notes": {"kind": "next", "text": "ask about the chair"},
    "{note_id}": {"done": True},
    "holidays": {"first": str(localdate()), "last": str(localdate())},
}


def routes():
    for path, operations in api.get_openapi_schema()["paths"].items():
        for method in operations:
            if not path.startswith(HOME):
                yield method.upper(), path


class RoutesCase(StudioCase):
    """One of everything, and how each route is called with it."""

    def setUp(self):
        super().setUp()
        # The database of a test is in no file that could be copied.
        self.enterContext(mock.patch("api.desk.studio.make_copy"))
        self.given = self.whole_lesson(0, GRIP)
        self.take = measure(self.given, "fourth.low", "slow", silence())
        self.take.curve = {"step": 0.025, "begins": 0.5, "cents": [None], "level": [-40]}
        self.take.save()
        self.piece = keep_piece(self.player, melody_bytes("A4 B4"), "", DAY)
        self.sound = keep_sound(self.take, silence())
        RedFlag.objects.create(
            player=self.player, lesson=self.given, raised_on=DAY, reasons=["swelling"]
        )
        self.friend = Player.objects.create(
            teacher=self.teacher, name="Nia Example", instrument="vn"
        )
        ids = [self.player.pk, self.friend.pk]
        self.group = save_group(self.teacher, None, "Group", ids)
        choose_checks(self.group, ["web.closed"])
        self.setup = Setup.objects.create(
            player=self.player, date=DAY, change="rest moved", size="4/4"
        )
        for kind in (PICTURE, SOUND):
            give_leave(self.player, kind=kind, by="parent", name="Ada Example", on=DAY)
        self.note = write_note(self.player, "next", "ask about the chair", DAY)
        self.holiday = add_holiday(self.teacher, DAY, DAY, DAY)
        self.picture = keep_picture(self.player, picture_bytes(), Kept(DAY))
        self.colleague = get_user_model().objects.create_user("wren", password="quiet-hands-9")
        self.other = get_user_model().objects.create_user("other", password="quiet-hands-8")

    def call(self, client, method, path):
        ids = {
            "player_id": self.player,
            "lesson_id": self.given,
            "group_id": self.group,
            "setup_id": self.setup,
            "note_id": self.note,
            "holiday_id": self.holiday,
            "teacher_id": self.colleague,
            "take_id": self.take,
            "piece_id": self.piece,
        }
        numbers = {name: record.pk for name, record in ids.items()}
        words = {"kind": "svg", "reader": "parent"}
        if "/leave/" in path:
            words["kind"] = "sound"
        words = {**words, "token": "a" * 43, "name": self.picture.name}
        words["evidence"] = "fourth.low"
        if "/sound/" in path:
            words["name"] = self.sound.name
        address = path.format(**words, **numbers)
        if method == "POST" and path in UPLOADS:
            name, data, more = UPLOADS[path]
            return client.post(address, {"file": SimpleUploadedFile(name, data), **more})
        if path.endswith("/how"):
            address += "?exercise=thumb_taps"
        if path.endswith("/cents"):
            address += "?finger=4&mm=-2"
        if path.endswith("{reader}"):
            address += f"?players={self.player.pk}"
        body = BODIES.get(path.rsplit("/", 1)[-1], ENTRY)
        if isinstance(body.get("players"), list):
            body = {**body, "players": [self.player.pk]}
        if "letters" in body:
            letter = {"player": self.player.pk, "title": "T", "paragraphs": []}
            body = {"letters": [letter]}
        whose = {"player": self.player.pk, "watcher": self.friend.pk}
        body = {**body, **{name: pk for name, pk in whose.items() if name in body}}
        data = json.dumps(body) if method == "POST" else None
        if (method, path) == ("DELETE", "/api/players/{player_id}"):
            address += "?name=Pia%20Example"
        return client.generic(method, address, data or "", content_type="application/json")


class Access(RoutesCase):
    def test_nothing_but_the_session_is_open_without_signing_in(self):
        for method, path in routes():
            with self.subTest(method=method, path=path):
                status = self.call(Client(), method, path).status_code
                if (method, path) not in OPEN_ROUTES:
                    self.assertEqual(status, 401)

    def test_another_teacher_finds_none_of_this_teachers_records(self):
        client = Client()
        client.force_login(self.other)
        walked = 0
        for method, path in routes():
            if "{" in path:
                walked += 1
                with self.subTest(method=method, path=path):
                    answer = self.call(client, method, path)
                    self.assertEqual(answer.status_code, 404)
                    self.assertEqual(answer.json()["code"], "not_found")
        self.assertGreaterEqual(walked, 7)
        self.assertEqual(client.get("/api/players/today").json()["rows"], [])
        self.assertTrue(RedFlag.objects.filter(lifted_on__isnull=True).exists())
        self.assertFalse(LessonEntry.objects.filter(client_key=ENTRY["client_key"]).exists())

    def test_the_owner_reaches_every_route(self):
        client = Client()
        client.force_login(self.teacher)
        mine = [
            (method, path)
            for method, path in routes()
            if "{" in path
            and "undo" not in path
            and (method, path) not in (REMOVES_A_LESSON, *NOT_NOW, *NO_WEEK_NOW)
        ]
        self.assertGreater(len(mine), 15)
        # What is removed goes last, and what belongs to something before that.
        for method, path in sorted(mine, key=lambda r: (r[0] == "DELETE", -len(r[1]))):
            with self.subTest(method=method, path=path):
                self.assertIn(self.call(client, method, path).status_code, (200, 204))

    def test_a_write_without_the_csrf_token_is_refused(self):
        client = Client(enforce_csrf_checks=True)
        client.force_login(self.teacher)
        writes = [r for r in routes() if r[0] != "GET" and r not in OPEN_ROUTES]
        self.assertGreater(len(writes), 15)
        for method, path in writes:
            with self.subTest(path), self.assertLogs("django.security.csrf", "WARNING"):
                self.assertEqual(self.call(client, method, path).status_code, 403)

    def test_a_longer_history_takes_no_more_queries(self):
        client = Client()
        client.force_login(self.teacher)
        RedFlag.objects.all().delete()
        client.get("/api/session")  # the day's renewal of the session

        def queries(lesson):
            with CaptureQueriesContext(connection) as captured:
                client.get(f"/api/lessons/{lesson.pk}")
            return len(captured)

        second = queries(self.whole_lesson(1, GRIP))
        for week in (2, 3):
            newest = self.whole_lesson(week, GRIP)
        self.assertEqual(queries(newest), second)
        self.assertLess(second, 31)


class OldRecords(StudioCase):
    """Ids that the catalogue has lost, or calls otherwise now, break no page."""

    def test_every_page_opens(self):
        given = self.whole_lesson(0, GRIP)
        second = self.whole_lesson(1, GRIP)
        self.enter(second, "cause", "over_pressing", {"word": "pinned"})
        group = save_group(self.teacher, None, "Group", [self.player.pk])
        token = make_link(second.player).token
        for lesson in (given, second):
            lesson.observations.filter(evidence="nail.pale").update(evidence="gone.sign")
            lesson.focuses.filter(rank=1).update(cause="gone_cause")
            lesson.cause_words.update(cause="gone_cause")
            lesson.plan.items.filter(order=1).update(exercise="gone_exercise")
            lesson.plan.items.filter(order=2).update(rung=99)
            Lesson.objects.filter(pk=lesson.pk).update(complaint="gone.sign", skipped=["gone.sign"])
        self.player.way_of_teaching = {"gone_way": "x", "carry": "gone_value"}
        self.player.disliked, self.player.missing = ["gone_exercise"], ["gone thing"]
        self.player.save()
        group.checks = ["gone.sign"]
        group.save()
        client = Client()
        client.force_login(self.teacher)
        newest = self.lesson(2)
        pages = [f"/api/lessons/{pk}{more}" for pk in (given.pk, second.pk, newest.pk)
                 for more in ("", "/sheet", "/sheet.pdf", "/practice.ics")]  # fmt: skip
        pages += [f"/api/players/{self.player.pk}", f"/api/players/{self.player.pk}/file",
                  "/api/players/today", "/api/groups", f"/api/groups/{group.pk}",
                  f"/api/groups/{group.pk}/checks", "/api/desk", "/api/catalogue"]  # fmt: skip
        with mock.patch("studio.home.week_at_home.DAYS_OPEN", 10_000):
            for page in [*pages, f"/api/home/{token}"]:
                with self.subTest(page):
                    self.assertEqual(client.get(page).status_code, 200)


class Errors(StudioCase):
    def test_one_body_for_every_error(self):
        client = Client()
        client.force_login(self.teacher)
        lesson = self.lesson()
        address = f"/api/lessons/{lesson.pk}/entries"
        table = (
            (address, {**ENTRY, "value": 9}, 422, "bad_input", "observations.web.closed"),
            (address, {"kind": "observation"}, 422, "bad_input", "data.client_key"),
            (address, {**ENTRY, "client_key": "x"}, 422, "bad_input", "data.client_key"),
            (f"/api/lessons/{lesson.pk}/undo", {"client_key": KEY}, 409, "nothing_to_undo", None),
            ("/api/lessons/99999/undo", {"client_key": KEY}, 404, "not_found", None),
            (f"/api/players/{self.player.pk}/lift-flag", {"note": ""}, 422, "bad_input", "note"),
        )
        for path, body, status, code, field in table:
            with self.subTest(path=path, body=body):
                answer = client.post(path, json.dumps(body), content_type="application/json")
                self.assertEqual((answer.status_code, answer.json()["code"]), (status, code))
                self.assertEqual(set(answer.json()), {"code", "message", "fields"})
                if field:
                    self.assertEqual(answer.json()["fields"][0]["field"], field)
        broken = client.post(address, "{", content_type="application/json")
        self.assertEqual((broken.status_code, broken.json()["code"]), (422, "bad_input"))


@override_settings(CACHES={"default": {"BACKEND": "django.core.cache.backends.locmem.LocMemCache"}})
class SignIn(TestCase):
    def setUp(self):
        cache.clear()
        get_user_model().objects.create_user("teacher", password="quiet-hands-7")

    def sign_in(self, client, password, token, name="teacher"):
        body = json.dumps({"username": name, "password": password})
        return client.post(
            "/api/session/sign-in",
            body,
            content_type="application/json",
            headers={"X-CSRFToken": token},
        )

    def test_sign_in_and_out_with_the_token_of_the_session_route(self):
        client = Client(enforce_csrf_checks=True)
        client.get("/api/session")
        token = client.cookies["csrftoken"].value
        self.assertEqual(self.sign_in(client, "wrong", token).json()["code"], "sign_in_failed")
        with self.assertLogs("django.security.csrf", "WARNING"):
            self.assertEqual(self.sign_in(client, "quiet-hands-7", "").status_code, 403)
        answer = self.sign_in(client, "quiet-hands-7", token)
        self.assertEqual(answer.json()["teacher"]["name"], "teacher")
        token = client.cookies["csrftoken"].value
        client.post("/api/session/sign-out", headers={"X-CSRFToken": token})
        self.assertIsNone(client.get("/api/session").json()["teacher"])

    def test_tries_at_a_name_are_limited_and_lock_nobody_else_out(self):
        client = Client()
        client.get("/api/session")
        codes = [self.sign_in(client, "wrong", "").status_code for _ in range(12)]
        self.assertEqual(codes[:10], [401] * 10)
        self.assertEqual(codes[10:], [429] * 2)
        self.assertEqual(self.sign_in(client, "wrong", "", name="TEACHER").status_code, 429)
        get_user_model().objects.create_user("neighbour", password="quiet-hands-8")
        self.assertEqual(
            self.sign_in(client, "quiet-hands-8", "", name="neighbour").status_code, 200
        )
        elsewhere = Client(REMOTE_ADDR="10.0.0.9")
        elsewhere.get("/api/session")
        self.assertEqual(self.sign_in(elsewhere, "quiet-hands-7", "").status_code, 200)

    def test_tries_from_one_address_are_limited_whatever_the_name(self):
        client = Client()
        client.get("/api/session")
        codes = [self.sign_in(client, "x", "", name=f"n{n}").status_code for n in range(62)]
        self.assertEqual((set(codes[:60]), set(codes[60:])), ({401}, {429}))

    def test_a_new_password_keeps_this_device_and_signs_others_out(self):
        here, there = Client(), Client()
        for client in (here, there):
            client.get("/api/session")
            self.sign_in(client, "quiet-hands-7", "")
        table = (
            ({"old": "wrong", "new": "soft-thumbs-9"}, 422, "old"),
            ({"old": "quiet-hands-7", "new": "12345678"}, 422, "new"),
            ({"old": "quiet-hands-7", "new": "soft-thumbs-9"}, 204, None),
        )
        for body, status, field in table:
            answer = here.post("/api/desk/password", json.dumps(body), "application/json")
            self.assertEqual(answer.status_code, status)
            if field:
                self.assertEqual(answer.json()["fields"][0]["field"], field)
        self.assertEqual(here.get("/api/desk").status_code, 200)
        self.assertEqual(there.get("/api/desk").status_code, 401)

    def test_a_session_in_use_slides_and_outlives_a_busy_database(self):
        client = Client()
        client.get("/api/session")
        self.sign_in(client, "quiet-hands-7", "")
        first = client.get("/api/desk").cookies
        self.assertIn("sessionid", first)
        self.assertNotIn("sessionid", client.get("/api/desk").cookies)
        session = client.session
        session["last_seen"] = "2020-01-01"
        session.save()
        for trouble in (DatabaseError, UpdateError):  # busy; signed out meanwhile in another tab
            with (
                self.subTest(trouble),
                mock.patch.object(SessionStore, "save", side_effect=trouble),
            ):
                self.assertEqual(client.get("/api/desk").status_code, 200)
        self.assertIn("sessionid", client.get("/api/desk").cookies)


class Pages(TestCase):
    def test_every_page_carries_the_policy_and_sets_the_csrf_cookie(self):
        for address in ("/", "/lessons/7", "/players/3"):
            with self.subTest(address):
                answer = self.client.get(address)
                policy = answer.headers["Content-Security-Policy"].split("; ")
                self.assertIn("script-src 'self'", policy)
                self.assertIn("default-src 'self'", policy)
                self.assertIn("connect-src 'self'", policy)
                self.assertIn("csrftoken", answer.cookies)
                self.assertNotIn("<script>", answer.content.decode())

    def test_every_kind_of_entry_has_its_shape(self):
        shapes = json.loads(openapi_text())["components"]["schemas"]["EntryIn"]
        self.assertEqual(set(shapes["discriminator"]["mapping"]), set(KINDS))

    def test_the_openapi_file_is_that_of_the_code(self):
        self.assertEqual(OPENAPI_FILE.read_text(encoding="utf-8"), openapi_text())

    def test_players_of_nobody_are_not_listed(self):
        self.assertEqual(Player.objects.count(), 0)
        self.assertEqual(self.client.get("/api/players/today").status_code, 401)
