"""Way of teaching and cut points: set per teacher, overridden per player, felt in the next lesson."""

from datetime import UTC, date, datetime
from unittest import mock

from django.test import Client

from studio.desk.desk import (
    set_players_way,
    set_teachers_way,
    set_thresholds,
    set_time_zone,
    settings_of,
)
from studio.errors import StudioError
from studio.home.link import make_link
from studio.memory.days import today_behind, today_of
from studio.tests.studio_case import StudioCase

BAD_CUTS = (
    ("hold_seconds", [4, 2], "cuts"),
    ("hold_seconds", [1, 2, 4], "cuts"),
    ("hold_seconds", [4, 2, -1], "cuts"),
    ("hold_seconds", [4, "2", 1], "cuts"),
    ("laxity_score", [4, 5, 6], "measure"),
    ("mood", [1, 2, 3], "measure"),
)


class Desk(StudioCase):
    def fresh(self, lesson):
        self.player.refresh_from_db()
        return self.view(lesson)

    def test_a_way_of_the_teacher_accepts_and_a_players_own_wins(self):
        lesson = self.lesson()
        self.look(lesson, {"index.pressed": 1})
        self.assertIn("index.pressed", self.fresh(lesson).diagnosis.accepted)
        set_teachers_way(self.teacher, "index_contact", "none")
        self.assertNotIn("index.pressed", self.fresh(lesson).diagnosis.accepted)
        set_players_way(self.player, "index_contact", "sometimes")
        self.assertIn("index.pressed", self.fresh(lesson).diagnosis.accepted)
        set_players_way(self.player, "index_contact", None)
        self.assertNotIn("index.pressed", self.fresh(lesson).diagnosis.accepted)
        set_teachers_way(self.teacher, "index_contact", None)
        self.assertIn("index.pressed", self.fresh(lesson).diagnosis.accepted)

    def test_cut_points_change_what_a_number_means(self):
        lesson = self.lesson()
        self.look(lesson, {"hold.slips": {"value": 5}, "tip.gives": {"4": {"value": 2}}})
        grades = {k: f.grade for k, f in self.fresh(lesson).case.findings.items()}
        self.assertEqual(grades, {"hold.slips": 0, "tip.gives": 1})
        set_thresholds(self.teacher, "hold_seconds", [30, 10, 4])
        self.look(lesson, {"hold.slips": {"value": 5}})
        self.assertEqual(self.fresh(lesson).case.findings["hold.slips"].grade, 2)

    def test_other_edges_later_do_not_read_as_a_change_in_the_player(self):
        lesson = self.lesson()
        self.look(lesson, {"hold.slips": {"value": 5}, "tip.gives": {"4": {"value": 2}, "3": 2}})
        set_thresholds(self.teacher, "hold_seconds", [30, 10, 4])
        set_thresholds(self.teacher, "tip_angle", [1, 0, -1])
        found = self.fresh(lesson).case.findings
        self.assertEqual((found["hold.slips"].grade, found["hold.slips"].value), (0, 5))
        self.assertEqual(found["tip.gives"].by_finger, {3: 2, 4: 1})
        self.look(lesson, {"tip.gives/3": 1})
        self.assertEqual(self.fresh(lesson).case.findings["tip.gives"].by_finger, {3: 1, 4: 1})

    def test_a_way_moves_an_edge_and_the_teachers_own_edge_wins_over_it(self):
        lesson = self.lesson()
        set_teachers_way(self.teacher, "carry", "body")
        self.look(lesson, {"hold.slips": {"value": 10}})
        self.assertEqual(self.fresh(lesson).case.findings["hold.slips"].grade, 1)
        self.assertIn("thirty", " ".join(self.fresh(lesson).says["hold.slips"]))
        set_thresholds(self.teacher, "hold_seconds", [8, 4, 2])
        self.look(lesson, {"hold.slips": {"value": 10}})
        self.assertEqual(self.fresh(lesson).case.findings["hold.slips"].grade, 0)

    def test_bad_choices_name_the_field_and_change_nothing(self):
        for measure, cuts, field in BAD_CUTS:
            with self.subTest(measure=measure, cuts=cuts):
                with self.assertRaises(StudioError) as caught:
                    set_thresholds(self.teacher, measure, cuts)
                self.assertEqual(caught.exception.field, field)
        for key, value, field in (("carry", "feet", "value"), ("tempo", "fast", "key")):
            with self.subTest(key), self.assertRaises(StudioError) as caught:
                set_teachers_way(self.teacher, key, value)
            self.assertEqual(caught.exception.field, field)
        settings = settings_of(self.teacher)
        self.assertEqual((settings.thresholds, settings.way_of_teaching), ({}, {}))

    def test_the_desk_shows_what_is_in_force_and_what_was_chosen_here(self):
        set_teachers_way(self.teacher, "carry", "body")
        set_thresholds(self.teacher, "hold_seconds", [30, 10, 4])
        client = Client()
        client.force_login(self.teacher)
        desk = client.get("/api/desk").json()
        ways = {w["key"]: (w["chosen"], w["is_own"]) for w in desk["ways"]}
        self.assertEqual((ways["carry"], ways["wrist"]), (("body", True), ("straight", False)))
        hold = next(m for m in desk["measures"] if m["measure"] == "hold_seconds")
        self.assertEqual(
            (hold["cuts"], hold["starting"], hold["is_own"]), ([30, 10, 4], [4, 2, 1], True)
        )
        self.assertNotIn("laxity_score", [m["measure"] for m in desk["measures"]])
        player = client.get(f"/api/players/{self.player.pk}").json()
        own = {w["key"]: (w["chosen"], w["is_own"]) for w in player["ways"]}
        self.assertEqual(own["carry"], ("body", False))
        self.assertNotIn("bass_fingering", own)


class Looking(StudioCase):
    def test_the_complaint_says_where_the_look_starts(self):
        lesson = self.lesson()
        self.enter(lesson, "complaint", "", "fades.early")
        self.assertEqual(self.view(lesson).diagnosis.looking.stage.value, "fast")

    def test_the_order_of_looking_is_the_teachers(self):
        lesson = self.lesson()
        self.enter(lesson, "complaint", "", "fades.early")
        self.enter(lesson, "order", "", "classic")
        self.assertEqual(self.view(lesson).diagnosis.next_look.checks, ("fades.early",))
        self.look(lesson, {"fades.early": 2})
        self.assertEqual(self.view(lesson).diagnosis.next_look.stage.value, "setup")
        self.enter(lesson, "order", "", "silent")
        self.assertIn(
            self.view(lesson).diagnosis.next_look.stage.value, ("setup", "hand", "placed", "down")
        )
        with self.assertRaises(StudioError) as caught:
            self.enter(lesson, "order", "", "loud")
        self.assertEqual(caught.exception.field, "order")

    def test_days_begin_in_the_teachers_own_zone(self):
        link = self.home_link()
        late = datetime(2026, 3, 4, 22, 30, tzinfo=UTC)
        with mock.patch("django.utils.timezone.now", return_value=late):
            for zone, day in (("", 4), ("Pacific/Auckland", 5), ("America/Lima", 4)):
                with self.subTest(zone):
                    set_time_zone(self.teacher, zone)
                    self.assertEqual(today_of(self.teacher.pk), date(2026, 3, day))
                    self.assertEqual(today_behind(link.token), date(2026, 3, day))
        for bad in ("Atlantis/Harbour", "x" * 60, "../etc/passwd"):
            with self.subTest(bad), self.assertRaises(StudioError) as caught:
                set_time_zone(self.teacher, bad)
            self.assertEqual(caught.exception.field, "time_zone")

    def home_link(self):
        lesson = self.lesson()
        self.give(lesson, "thumb_taps")
        return make_link(lesson.player)

    def test_single_keys_are_switched_per_teacher(self):
        client = Client()
        client.force_login(self.teacher)
        self.assertTrue(client.get("/api/session").json()["teacher"]["letter_keys"])
        desk = client.post("/api/desk/keys", {"on": False}, content_type="application/json").json()
        self.assertFalse(desk["letter_keys"])
        self.assertFalse(client.get("/api/session").json()["teacher"]["letter_keys"])
