"""A round of a class: pairs, what a partner saw, and whom the teacher looks at next."""

import json
from datetime import date

from django.contrib.auth import get_user_model

from studio.groups.groups import choose_checks, save_group
from studio.models import Observation, PartnerLook, Player
from studio.players.arriving import read_player_file
from studio.players.file import player_file
from studio.tests.studio_case import StudioCase

CHECKS = ["web.closed", "wrist.caved"]


class Rounds(StudioCase):
    def setUp(self):
        super().setUp()
        self.client.force_login(self.teacher)
        names = [f"Child{number} Example" for number in range(12)]
        self.players = [
            Player.objects.create(teacher=self.teacher, name=name, instrument="vn")
            for name in names
        ]
        ids = [player.pk for player in self.players]
        self.group = choose_checks(save_group(self.teacher, None, "Class", ids), CHECKS)
        self.address = f"/api/groups/{self.group.pk}/round"

    def tell(self, pair, check, saw):
        body = {"player": pair["watched"], "watcher": pair["watcher"], "check": check, "saw": saw}
        return self.client.post(self.address, json.dumps(body), content_type="application/json")

    def test_everybody_plays_once_a_check_and_half_at_a_time(self):
        pairs = self.client.get(self.address).json()["pairs"]
        self.assertEqual(sorted(p["watched"] for p in pairs), sorted(p.pk for p in self.players))
        self.assertEqual([p["turn"] for p in pairs].count(0), 6)
        for turn in (0, 1):
            playing = {p["watched"] for p in pairs if p["turn"] == turn}
            watching = {p["watcher"] for p in pairs if p["turn"] == turn}
            self.assertFalse(playing & watching)

    def test_what_was_seen_most_comes_to_the_teacher_and_is_no_grade(self):
        pairs = self.client.get(self.address).json()["pairs"]
        for pair in pairs:
            for check in CHECKS:
                found = self.tell(
                    pair, check, pair is pairs[3] or (pair is pairs[1] and check == CHECKS[0])
                )
        told = found.json()
        self.assertEqual(len(told["looks"]), 24)
        self.assertEqual(told["next_up"], [pairs[3]["watched_name"], pairs[1]["watched_name"]])
        self.assertFalse(Observation.objects.exists())
        page = self.client.get(f"/api/players/{pairs[3]['watched']}").json()
        self.assertEqual([look["saw"] for look in page["partner_looks"]], [True, True])

    def test_a_second_word_replaces_the_first_and_none_takes_it_back(self):
        (pair, *_) = self.client.get(self.address).json()["pairs"]
        for saw, left in ((True, [True]), (False, [False]), (None, []), (None, [])):
            told = self.tell(pair, CHECKS[0], saw).json()["looks"]
            self.assertEqual([look["saw"] for look in told], left)

    def test_who_or_what_does_not_belong_is_refused_by_field(self):
        (pair, *_) = self.client.get(self.address).json()["pairs"]
        for change, check, status in (
            ({"watched": self.player.pk}, CHECKS[0], 404),
            ({"watcher": self.player.pk}, CHECKS[0], 404),
            ({"watcher": pair["watched"]}, CHECKS[0], 422),
            ({}, "thumb.locked", 422),
        ):
            self.assertEqual(self.tell({**pair, **change}, check, True).status_code, status)
        self.assertFalse(PartnerLook.objects.exists())
        self.client.force_login(get_user_model().objects.create_user("other", password="quiet-8-x"))
        self.assertEqual(self.tell(pair, CHECKS[0], True).status_code, 404)

    def test_it_goes_with_the_player_and_the_watcher_is_not_in_the_file(self):
        (pair, *_) = self.client.get(self.address).json()["pairs"]
        self.tell(pair, CHECKS[0], True)
        told = player_file(Player.objects.get(pk=pair["watched"]))
        self.assertNotIn(pair["watcher_name"], json.dumps(told))
        arrived = read_player_file(self.teacher, json.loads(json.dumps(told)), date.today()).player
        self.assertTrue(arrived.partner_looks.get().saw)
        Player.objects.get(pk=pair["watcher"]).delete()
        self.assertIsNone(PartnerLook.objects.first().watcher)
