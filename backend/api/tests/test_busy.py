"""A database that somebody holds for long: writers are told so, readers are not harmed."""

import json
import sqlite3
from contextlib import closing
from datetime import timedelta

from django.contrib.auth import get_user_model
from django.db import OperationalError, connection
from django.test import Client, TransactionTestCase
from django.utils import timezone

from studio.keeping import turns
from studio.keeping.spare import write_if_free
from studio.models import Player, Summary
from studio.pictures.pictures import Kept, keep_picture
from studio.tests.studio_case import picture_bytes


class Busy(TransactionTestCase):
    def test_a_turn_that_does_not_come_is_told_and_the_next_one_comes(self):
        with turns._turn, self.assertRaises(OperationalError), turns.my_turn():
            self.fail("it is not our turn")
        with turns.my_turn():
            pass
        self.assertFalse(turns._turn.locked())

    def test_keeping_something_of_a_player_who_was_erased_meanwhile_harms_nobody(self):
        write_if_free(lambda: Summary.objects.create(player_id=12345, verdicts={}))
        self.assertFalse(Summary.objects.exists())

    def test_the_day_is_read_while_somebody_writes_though_something_is_to_be_erased(self):
        teacher = get_user_model().objects.create_user("teacher", password="quiet-hands-7")
        player = Player.objects.create(teacher=teacher, name="Pia Example", instrument="vn")
        long_ago = timezone.localdate() - timedelta(days=400)
        keep_picture(player, picture_bytes(), Kept(long_ago))
        client = Client()
        client.force_login(teacher)
        client.get("/api/session")
        database = connection.settings_dict["NAME"]
        for told in (None, long_ago):  # it is to be told, and then to be erased
            Player.objects.update(told_of_erasing=told)
            with self.subTest(told), closing(sqlite3.connect(database)) as holder:
                holder.isolation_level = None
                holder.execute("BEGIN IMMEDIATE")
                self.assertEqual(client.get("/api/players/today").status_code, 200)
                holder.execute("ROLLBACK")
            self.assertEqual(player.pictures.count(), 1)
        self.assertEqual(client.get("/api/players/today").status_code, 200)
        self.assertEqual(player.pictures.count(), 0)

    def test_writing_is_busy_and_reading_goes_on(self):
        teacher = get_user_model().objects.create_user("teacher", password="quiet-hands-7")
        player = Player.objects.create(teacher=teacher, name="Pia Example", instrument="vn")
        client = Client(raise_request_exception=False)
        client.force_login(teacher)
        lesson = client.post(f"/api/players/{player.pk}/lessons").json()["id"]
        address = f"/api/lessons/{lesson}/entries"
        entry = {"client_key": "busy-key-1", "kind": "observation", "key": "web.closed", "value": 2}
        database = connection.settings_dict["NAME"]
        with closing(sqlite3.connect(database, isolation_level=None)) as holder:
            holder.execute("BEGIN IMMEDIATE")
            self.assertEqual(client.get("/api/players/today").status_code, 200)
            self.assertEqual(client.get(f"/api/lessons/{lesson}").json()["findings"], {})
            with self.assertLogs("jolf.api", "ERROR"), self.assertLogs("django.request", "ERROR"):
                answer = client.post(address, json.dumps(entry), "application/json")
            self.assertEqual((answer.status_code, answer.json()["code"]), (503, "busy"))
            holder.execute("ROLLBACK")
        answer = client.post(address, json.dumps(entry), "application/json")
        self.assertEqual(answer.json()["findings"]["web.closed"]["grade"], 2)
