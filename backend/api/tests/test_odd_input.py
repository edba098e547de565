"""No input gives a server error: every refusal has the one body, and names the field where it can."""

import json
from unittest import mock

from django.db import OperationalError
from django.test import Client, override_settings

from studio.home.link import make_link
from studio.models import Lesson
from studio.tests.studio_case import DAY, GRIP, StudioCase

HUGE = 10**400
ENTRY = {"client_key": "abcdefgh-1", "kind": "observation", "key": "web.closed", "value": 2}
# kind, key, value of an entry; field that is named
ENTRIES = (
    ("observation", "web.closed", HUGE, "value"),
    ("observation", "web.closed", 1e308, "value"),
    ("observation", "web.closed", 5, "observations.web.closed"),
    ("observation", "web.closed", [1], "observations.web.closed"),
    ("observation", "web.closed", {"value": "x"}, "observations.web.closed.value"),
    ("observation", "tip.gives/²", 1, "evidence.tip.gives/²"),
    ("observation", "tip.gives", {"4": {"4": 1}}, "observations.tip.gives.4.value"),
    ("observation", "web\u0000closed", 1, "key"),
    ("reports", "", {"pain": HUGE}, "value.pain"),
    ("reports", "", {"pain_when": [["rest"]]}, "reports.pain_when"),
    ("reports", "", {"place": ["hand"]}, "reports.place"),
    ("reports", "", {"place": {}}, "reports.place"),
    ("complaint", "", {"a": 1}, "complaint"),
    ("cause", "insecure_hold", {"word": ["pinned"]}, "cause.word"),
    ("cause", "insecure_hold", {"word": "pinned", "why": 3}, "cause.why"),
    ("cause", "insecure_hold", {"word": "pinned", "why": "\ud800"}, "value.why"),
    ("cause", "insecure_hold", {"word": "pinned", "why": "y" * 201}, "cause.why"),
    ("result", "²", {"passed": True}, "result"),
    ("result", "٣", {"passed": True}, "result"),
    ("result", "9" * 40, {"passed": True}, "result"),
    ("focus", "", [["insecure_hold"]], "focus"),
    ("focus", "", ["insecure_hold", "insecure_hold"], "focus"),
    ("plan", "", [{"exercise": ["thumb_taps"]}], "plan.1.exercise"),
    ("plan", "", [{"exercise": "thumb_taps", "days": [[1]]}], "plan.1.days"),
    ("plan", "", [{"exercise": "thumb_taps", "days": ["1"]}], "plan.1.days"),
    ("plan", "", [{"exercise": "thumb_taps", "reps": HUGE}], "value.1.reps"),
    ("plan", "", ["thumb_taps"], "plan.1"),
    ("line", "", "a\u0007b", "value"),
    ("line", "", 3, "line"),
    ("order", "", [], "order"),
    ("break", "", True, "break"),
)
RAW = (b"{", b"\xff\xfe", b"[" * 100_000, b'"text"', b"[]", b"3", b"null", b"9" * 5000, b"NaN")


class OddCase(StudioCase):
    def setUp(self):
        super().setUp()
        self.client = Client(raise_request_exception=False)
        self.client.force_login(self.teacher)
        self.given = self.whole_lesson(0, GRIP)
        self.address = f"/api/lessons/{self.given.pk}/entries"

    def post(self, path, body, content_type="application/json"):
        data = body if isinstance(body, bytes) else json.dumps(body)
        return self.client.generic("POST", path, data, content_type=content_type)

    def assert_worded(self, answer, status=None):
        self.assertLess(answer.status_code, 500, answer.content[:200])
        self.assertGreaterEqual(answer.status_code, 400)
        self.assertEqual(set(answer.json()), {"code", "message", "fields"})
        if status is not None:
            self.assertEqual(answer.status_code, status)


class Entries(OddCase):
    def test_every_odd_entry_names_its_field_and_changes_nothing(self):
        before = Lesson.objects.values().get(pk=self.given.pk)
        for kind, key, value, field in ENTRIES:
            with self.subTest(kind=kind, key=key, value=repr(value)[:40]):
                answer = self.post(
                    self.address, {**ENTRY, "kind": kind, "key": key, "value": value}
                )
                self.assert_worded(answer, 422)
                self.assertEqual(answer.json()["fields"][0]["field"], field)
        self.assertEqual(Lesson.objects.values().get(pk=self.given.pk), before)

    def test_bodies_that_are_no_entry(self):
        for body in RAW:
            with self.subTest(body[:20]):
                self.assert_worded(self.post(self.address, body), 422)
        multipart = "multipart/form-data; boundary=x"
        form = b'--x\r\nContent-Disposition: form-data; name="kind"\r\n\r\nline\r\n--x--\r\n'
        self.assert_worded(self.post(self.address, form, multipart), 422)
        self.assert_worded(self.post(self.address, {**ENTRY, "value": "x" * 1_100_000}), 413)

    def test_deep_nesting_is_refused(self):
        value = 1
        for _ in range(40):
            value = [value]
        self.assert_worded(self.post(self.address, {**ENTRY, "value": value}), 422)


class Addresses(OddCase):
    def test_unknown_addresses_methods_and_ids(self):
        table = (
            ("GET", "/api/nothing", 404),
            ("POST", "/api/", 404),
            ("PUT", self.address, 405),
            ("DELETE", "/api/session", 405),
            ("GET", f"/api/lessons/{2**70}", 404),
            ("GET", "/api/lessons/" + "9" * 5000, 404),
            ("GET", "/api/players/²", 404),
            ("GET", "/api/players/0", 404),
            ("GET", f"/api/lessons/{self.given.pk}/practice.ics?at=25:00", 422),
            ("GET", f"/api/lessons/{self.given.pk}/practice.ics?at=10:00%2B02:00", 422),
            ("GET", f"/api/lessons/{self.given.pk}/sheet.pdf?paper=A0", 422),
            ("DELETE", f"/api/players/{self.player.pk}?name=%00", 422),
        )
        for method, path, status in table:
            with self.subTest(method=method, path=path[:60]):
                self.assert_worded(self.client.generic(method, path), status)

    def test_head_is_answered_like_get_without_a_body(self):
        for path, status in (("/api/session", 200), ("/api/nothing", 404)):
            answer = self.client.head(path)
            self.assertEqual((answer.status_code, answer.content), (status, b""))

    def test_a_wrong_method_says_what_is_allowed(self):
        self.assertIn("POST", self.client.put(self.address)["Allow"])

    def test_ids_in_bodies_beyond_what_a_database_holds(self):
        group = {"name": "Group", "players": [2**60]}
        self.assert_worded(self.post("/api/groups", group), 422)
        self.assert_worded(self.post("/api/groups", {"name": "Group", "players": [2**40]}), 404)

    def test_odd_facts_of_a_player(self):
        good = {"name": "Pia", "instrument": "vn", "level": "beginner"}
        table = (
            ("lesson_time", "10:00+02:00"),
            ("lesson_time", "²5:00"),
            ("lesson_time", "x" * 30),
            ("birth_year", 2**52),
            ("missing", ["no such thing"]),
            ("name", "\ud83d"),
            ("hours_a_day", -1),
        )
        for field, value in table:
            with self.subTest(field=field, value=value):
                answer = self.post("/api/players", {**good, field: value})
                self.assert_worded(answer, 422)
                self.assertIn(field, answer.json()["fields"][0]["field"])

    def test_odd_logs_from_home(self):
        token = make_link(self.given.player).token
        good = {"date": str(DAY), "done": "done"}
        for more in (
            {"date": "yesterday"},
            {"pain": HUGE},
            {"signs": [["numbness"]]},
            {"felt": "x" * 11},
        ):
            self.assert_worded(self.post(f"/api/home/{token}/days", {**good, **more}), 422)
        for path in ("later", "take-back"):
            self.assert_worded(self.post(f"/api/home/{token}/{path}", {"seconds": "soon"}), 422)


class Trouble(OddCase):
    """What the disk does is told apart from what the user did."""

    def test_a_locked_and_a_full_database_are_told_apart(self):
        table = (
            ("database is locked", "busy"),
            ("database table is locked: studio_lesson", "busy"),
            ("database or disk is full", "storage"),
            ("attempt to write a readonly database", "storage"),
            ("database disk image is malformed", "storage"),
        )
        for words, code in table:
            with (
                self.subTest(words),
                mock.patch("api.lessons.routes.record", side_effect=OperationalError(words)),
                self.assertLogs("jolf.api", "ERROR"),
                self.assertLogs("django.request", "ERROR"),
            ):
                answer = self.post(self.address, ENTRY)
                self.assertEqual((answer.status_code, answer.json()["code"]), (503, code))
                self.assertEqual(answer["Retry-After"], "3")

    @override_settings(DEBUG=False)
    def test_what_fails_outside_a_route_has_the_one_body_too(self):
        with (
            mock.patch("api.lessons.routes.lesson_out", side_effect=RuntimeError("no")),
            self.assertLogs("django.request", "ERROR"),
        ):
            answer = self.client.get(f"/api/lessons/{self.given.pk}")
        self.assertEqual((answer.status_code, answer.json()["code"]), (500, "failed"))
