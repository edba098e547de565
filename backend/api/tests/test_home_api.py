"""The open routes behind a private link: what they show, what they refuse, what they tell robots."""

import json
import re
from datetime import timedelta
from io import BytesIO
from unittest import mock

from django.core.cache import cache
from django.test import Client
from django.utils import timezone
from icalendar import Calendar

from api.home.limits import READING
from api.home.present import home_out
from studio.home.link import make_link, open_link
from studio.lessons.access import start_lesson
from studio.models import Player
from studio.sheet.sheet import build_sheet
from studio.tests.studio_case import GRIP, StudioCase


class HomeApi(StudioCase):
    def setUp(self):
        super().setUp()
        cache.clear()
        self.today = timezone.localdate()
        self.given = start_lesson(self.player, self.today)
        self.enter(self.given, "reports", "", {})
        self.look(self.given, GRIP)
        self.enter(self.given, "line", "", "Soft hands.")
        self.enter(self.given, "focus", "", ["thumb_index_grip"])
        self.give(self.given, *(i.exercise for i in self.view(self.given).proposal.items))
        self.token = make_link(self.given.player).token
        self.client = Client(enforce_csrf_checks=True)

    def get(self, tail=""):
        return self.client.get(f"/api/home/{self.token}{tail}")

    def log(self, **more):
        day = {"date": str(self.today + timedelta(days=1)), "done": "done", "felt": "soft", **more}
        return self.client.post(
            f"/api/home/{self.token}/days", json.dumps(day), content_type="application/json"
        )

    def test_it_needs_no_sign_in_and_shows_the_least(self):
        answer = self.get()
        self.assertEqual(answer.status_code, 200)
        self.assertIn("noindex", answer["X-Robots-Tag"])
        week = answer.json()
        self.assertEqual((week["first_name"], week["teacher_line"]), ("Pia", "Soft hands."))
        text = answer.content.decode()
        for secret in ("Example", "probability", "thumb_index_grip", "web.closed"):
            self.assertNotIn(secret, text)
        undrawn = re.sub(r"<svg.*?</svg>", "", text, flags=re.DOTALL)
        self.assertLess(len(undrawn), len(text))
        self.assertNotIn("2014", undrawn, "the year of birth, and no coordinate of the music")
        self.assertTrue(all(item["planned"] for item in week["items"]))
        self.assertTrue(any(item["lines"] and item["notes"] for item in week["items"]))

    def test_each_purpose_of_each_link_has_a_limit_of_its_own(self):
        with mock.patch.object(READING[1], "num_requests", 2):
            codes = [self.get().status_code for _ in range(3)]
            self.assertEqual(codes, [200, 200, 429])
            refused = self.client.get(
                f"/api/home/{self.token}", headers={"X-Forwarded-For": "198.51.100.7"}
            )
            self.assertEqual(refused.json()["code"], "slow_down")
            self.assertTrue(0 < int(refused["Retry-After"]) <= 60)
            self.assertEqual(self.log(client_key="limits-1").status_code, 200)
            self.assertEqual(self.client.get("/api/home/another-link").status_code, 404)

    def test_a_stop_that_comes_while_the_week_is_told_pauses_it(self):
        week = open_link(self.token, self.today)
        self.assertTrue(week.given)
        self.assertIsNone(week.reasons)
        self.assertEqual(self.log(felt="tight", pain=5).status_code, 200)
        told = home_out(week)
        self.assertTrue(told.paused)
        self.assertEqual(told.items, [])

    def test_phone_sheet_and_the_next_lesson_say_the_same_one_thing(self):
        on_paper = build_sheet(self.given).one
        phone = self.get().json()["one_thing"]
        self.assertEqual((phone["say"], phone["why"]), (on_paper.say, on_paper.why))
        self.client.force_login(self.teacher)
        following = self.lesson(1)
        following.date = max(following.date, self.given.date + timedelta(days=7))
        following.save()
        told = self.client.get(f"/api/lessons/{following.pk}").json()
        self.assertEqual(told["one_thing_before"], on_paper.say)

    def test_the_beat_is_that_of_the_music(self):
        self.give(self.given, "trill_bursts")
        (item,) = self.get().json()["items"]
        self.assertEqual((item["tempo"], item["beat"]), (60, 60))
        sixteenths = [n["onset"] for n in item["notes"][:3]]
        self.assertEqual(sixteenths, [0.0, 0.25, 0.5])

    def test_tempo_work_and_the_own_look_at_the_hand_come_home(self):
        self.player.self_check = True
        self.player.save()
        self.enter(self.given, "plan", "", [{"exercise": "tempo_ladder", "tempo": 60, "goal": 96}])
        week = self.get().json()
        (item,) = week["items"]
        self.assertEqual((item["tempo_steps"][0], item["tempo_steps"][-1]), (60, 96))
        self.assertTrue(item["cues"])
        self.assertEqual(len(week["self_check"]), 5)
        self.assertTrue(all(len(c["picture"]["frames"]) == 2 for c in week["self_check"]))
        tempos = {"tempo_ladder": {"highest": 72, "plays": 12, "slow": 10}}
        checks = {"before": ["gap"], "after": ["gap", "ball"]}
        (day,) = self.log(tempos=tempos, checks=checks).json()["days"]
        self.assertEqual((day["tempos"], day["checks"]), (tempos, checks))
        teacher = Client()
        teacher.force_login(self.teacher)
        later = start_lesson(self.player, self.today + timedelta(days=7))
        home = teacher.get(f"/api/lessons/{later.pk}").json()["home"]
        self.assertEqual(home["exercises"], {"tempo_ladder": "Tempo ladder"})
        self.assertEqual(home["days"][0]["checks"]["after"], ["gap", "ball"])
        self.assertFalse(later.observations.exists())

    def test_what_cannot_be_of_tempos_and_checks_names_its_field(self):
        for more, field in (
            (
                {"tempos": {"warm_up_x": {"highest": 60, "plays": 1, "slow": 0}}},
                "tempos.'warm_up_x'",
            ),
            ({"checks": {"before": ["gap"]}}, "checks.before"),
        ):
            with self.subTest(field):
                answer = self.log(**more)
                self.assertEqual(answer.status_code, 422)
                self.assertEqual(answer.json()["fields"][0]["field"], field)

    def test_steps_climbed_and_what_is_better_are_said_to_the_player(self):
        week = self.client.get(f"/api/home/{self.token}").json()
        self.assertTrue(week["climbed"])
        self.assertTrue(all(1 <= each["step"] <= each["of"] for each in week["climbed"]))
        self.assertEqual(week["better"], [])

    def test_the_youngest_are_not_asked_to_look_at_their_hand(self):
        self.player.self_check = True
        self.player.birth_year = self.today.year - 6
        self.player.save()
        self.assertEqual(self.get().json()["self_check"], [])

    def test_a_wrong_address_and_an_ended_one_are_told_apart(self):
        self.assertEqual(self.client.get(f"/api/home/{'b' * 43}").status_code, 404)
        teacher = Client()
        teacher.force_login(self.teacher)
        teacher.delete(f"/api/lessons/{self.given.pk}/link")
        answer = self.get()
        self.assertEqual((answer.status_code, answer.json()["code"]), (410, "link_gone"))

    def test_a_day_is_kept_without_a_cookie_and_bad_ones_name_their_field(self):
        self.assertEqual(self.log().json()["days"][0]["felt"], "soft")
        for more, field in (
            ({"pain": 99}, "pain"),
            ({"done": "x"}, "done"),
            ({"date": "2001-01-01"}, "date"),
        ):
            answer = self.log(**more)
            self.assertEqual(answer.status_code, 422)
            self.assertEqual(answer.json()["fields"][0]["field"], field)

    def test_pain_pauses_the_week_for_the_phone_and_the_teacher(self):
        week = self.log(pain=5).json()
        self.assertTrue(week["paused"])
        self.assertEqual(week["items"], [])
        teacher = Client()
        teacher.force_login(self.teacher)
        rows = teacher.get("/api/players/today").json()["rows"]
        self.assertIn("pain of 4 or more", rows[0]["flag"]["reasons"][0])

    def test_only_a_new_address_ends_the_one_that_is_in_use(self):
        teacher = Client()
        teacher.force_login(self.teacher)
        address = f"/api/lessons/{self.given.pk}/link"
        before = teacher.get(address).json()["address"]
        self.assertEqual(teacher.post(address).json()["address"], before)
        renewed = teacher.post(f"{address}?anew=true").json()["address"]
        self.assertNotEqual(renewed, before)
        self.assertEqual(teacher.get(address).json()["address"], renewed)

    def test_the_teachers_link_has_an_address_and_a_code_for_the_camera(self):
        teacher = Client()
        teacher.force_login(self.teacher)
        link = teacher.get(f"/api/lessons/{self.given.pk}/link").json()
        self.assertTrue(link["address"].endswith(f"/home/{self.token}"))
        self.assertIn("<svg", link["code"])
        self.assertFalse(link["is_local"])
        with self.settings(ADDRESS="http://127.0.0.1:8000"):
            link = teacher.get(f"/api/lessons/{self.given.pk}/link").json()
            self.assertTrue(link["address"].startswith("http://127.0.0.1:8000/home/"))
            self.assertTrue(link["is_local"])

    def test_the_page_asks_robots_to_stay_out_and_sets_no_cookie(self):
        answer = self.client.get(f"/home/{self.token}")
        self.assertIn("noindex", answer["X-Robots-Tag"])
        self.assertFalse(answer.cookies)

    def test_the_calendar_holds_the_planned_days_with_an_alarm_each(self):
        answer = self.get("/practice.ics?at=07:30")
        events = Calendar.from_ical(BytesIO(answer.content).read()).walk("VEVENT")
        days = {d for item in self.given.plan.items.all() for d in item.days}
        self.assertEqual(
            sorted(e["DTSTART"].dt.date() for e in events),
            sorted(self.today + timedelta(days=d) for d in days),
        )
        for event in events:
            self.assertEqual(event["DTSTART"].dt.strftime("%H:%M"), "07:30")
            self.assertEqual(len(event.walk("VALARM")), 1)
            self.assertNotIn("Pia", event["SUMMARY"])
        self.assertEqual(len({e["UID"] for e in events}), len(events))
        self.assertEqual(self.get("/practice.ics?at=noon").status_code, 422)

    def test_a_paused_week_has_an_empty_calendar(self):
        self.log(pain=5)
        events = Calendar.from_ical(self.get("/practice.ics").content).walk("VEVENT")
        self.assertEqual(events, [])
        self.assertEqual(Player.objects.count(), 1)
