"""Records of an older studio after an update."""

from datetime import timedelta
from importlib import import_module

from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.test import TransactionTestCase

from lefthand.reason.safety import StopReason
from studio.lessons.flags import WRITTEN_EARLIER
from studio.tests.studio_case import DAY


class MigrationCase(TransactionTestCase):
    def tearDown(self):
        self.go_to(*MigrationExecutor(connection).loader.graph.leaf_nodes("studio"))

    def go_to(self, *target):
        executor = MigrationExecutor(connection)
        executor.migrate(list(target))
        return MigrationExecutor(connection).loader.project_state(list(target)).apps

    def player_in(self, apps, name):
        teacher, _ = apps.get_model("auth", "User").objects.get_or_create(username="t")
        return apps.get_model("studio", "Player").objects.create(
            teacher=teacher, name=name, instrument="vn"
        )


class LinksOfPlayers(MigrationCase):
    BEFORE, AFTER = ("studio", "0017_focus_that_follows"), ("studio", "0018_link_of_a_player")

    def test_each_player_keeps_the_link_of_the_newest_week_that_has_one(self):
        old = self.go_to(self.BEFORE)
        links = {}
        for name, weeks in (("Ada", (0, 1, 3)), ("Bo", (2,)), ("Cy", ())):
            player = self.player_in(old, name)
            for week in range(4):
                lesson = player.lessons.create(date=DAY + timedelta(weeks=week))
                if week in weeks:
                    token = links[name] = f"{name}-{week}"
                    old.get_model("studio", "HomeLink").objects.create(
                        lesson=lesson, token=token, revoked=week == 3
                    )
        new = self.go_to(self.AFTER)
        kept = new.get_model("studio", "HomeLink").objects.select_related("player")
        self.assertEqual({link.player.name: link.token for link in kept}, links)
        self.assertTrue(kept.get(token="Ada-3").revoked, "an ended link is not opened again")


class ReasonsById(MigrationCase):
    BEFORE, AFTER = ("studio", "0029_leave_and_time"), ("studio", "0030_reasons_by_id")
    WORDS = ["swelling", "pain of 4 or more out of 10", "something a teacher of then wrote"]
    IDS = ["swelling", "pain", "something a teacher of then wrote"]

    def test_a_stop_and_what_undo_puts_back_keep_their_reasons_there_and_back_again(self):
        old = self.go_to(self.BEFORE)
        player = self.player_in(old, "Ada")
        lesson = player.lessons.create(date=DAY)
        flag = {"player": player, "lesson": lesson, "raised_on": DAY, "reasons": self.WORDS}
        old.get_model("studio", "RedFlag").objects.create(**flag)
        entries = old.get_model("studio", "LessonEntry").objects
        for key, aside in (("a", {"reasons": self.WORDS, "pain": 5}), ("b", None), ("c", [1, 2])):
            entries.create(lesson=lesson, client_key=key, kind="reports", aside=aside)
        for target, expected in ((self.AFTER, self.IDS), (self.BEFORE, self.WORDS)):
            apps = self.go_to(target)
            self.assertEqual(apps.get_model("studio", "RedFlag").objects.get().reasons, expected)
            kept = apps.get_model("studio", "LessonEntry").objects.order_by("client_key")
            self.assertEqual(
                [entry.aside for entry in kept], [{"reasons": expected, "pain": 5}, None, [1, 2]]
            )

    def test_a_file_of_then_is_read_by_the_same_names(self):
        renamed = import_module("studio.migrations.0030_reasons_by_id").IDS
        self.assertEqual(renamed, WRITTEN_EARLIER)
        self.assertEqual(set(renamed.values()), set(StopReason))
