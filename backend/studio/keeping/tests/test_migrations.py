"""Records of an older studio after an update."""

from datetime import timedelta

from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.test import TransactionTestCase

from studio.tests.studio_case import DAY

BEFORE, AFTER = ("studio", "0017_focus_that_follows"), ("studio", "0018_link_of_a_player")


class LinksOfPlayers(TransactionTestCase):
    def tearDown(self):
        self.go_to(*MigrationExecutor(connection).loader.graph.leaf_nodes("studio"))

    def go_to(self, *target):
        executor = MigrationExecutor(connection)
        executor.migrate(list(target))
        return MigrationExecutor(connection).loader.project_state(list(target)).apps

    def test_each_player_keeps_the_link_of_the_newest_week_that_has_one(self):
        old = self.go_to(BEFORE)
        teacher = old.get_model("auth", "User").objects.create(username="t")
        links = {}
        for name, weeks in (("Ada", (0, 1, 3)), ("Bo", (2,)), ("Cy", ())):
            player = old.get_model("studio", "Player").objects.create(
                teacher=teacher, name=name, instrument="vn"
            )
            for week in range(4):
                lesson = player.lessons.create(date=DAY + timedelta(weeks=week))
                if week in weeks:
                    token = links[name] = f"{name}-{week}"
                    old.get_model("studio", "HomeLink").objects.create(
                        lesson=lesson, token=token, revoked=week == 3
                    )
        new = self.go_to(AFTER)
        kept = new.get_model("studio", "HomeLink").objects.select_related("player")
        self.assertEqual({link.player.name: link.token for link in kept}, links)
        self.assertTrue(kept.get(token="Ada-3").revoked, "an ended link is not opened again")
