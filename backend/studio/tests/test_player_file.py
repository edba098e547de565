"""A player's records can be taken along whole, and erased whole."""

import json

from django.apps import apps

from studio.models import Player
from studio.services.home import make_link
from studio.services.player_file import PLAYER_FORMAT, erase_player, player_file
from studio.tests.studio_case import DAY, GRIP, StudioCase


class PlayerFile(StudioCase):
    def setUp(self):
        super().setUp()
        self.given = self.whole_lesson(0, GRIP)
        self.enter(self.given, "line", "", "Soft hands.")
        later = self.whole_lesson(1, {"web.closed": 1})
        item = self.given.plan.items.first()
        self.enter(later, "result", str(item.pk), {"passed": True})
        self.given.home_days.create(date=DAY, done="done", felt="soft")
        make_link(later)

    def test_it_holds_everything_that_was_entered(self):
        data = json.loads(json.dumps(player_file(self.player)))
        self.assertEqual((data["format"], data["name"]), (PLAYER_FORMAT, "Pia Example"))
        first, second = data["lessons"]
        self.assertEqual(first["observations"], GRIP)
        self.assertEqual(first["teacher_line"], "Soft hands.")
        self.assertEqual(first["home_days"][0]["felt"], "soft")
        self.assertTrue(first["plan"][0]["results"][0]["in_lesson"])
        self.assertTrue(second["focus"])

    def test_no_private_address_is_in_it(self):
        token = self.player.lessons.last().home_link.token
        self.assertNotIn(token, json.dumps(player_file(self.player)))

    def test_erasing_leaves_no_record_of_the_player_and_nobody_elses_go(self):
        other = Player.objects.create(teacher=self.teacher, name="Other", instrument="vc")
        erase_player(self.player)
        self.assertEqual(list(Player.objects.all()), [other])
        kept = {"Player", "TeacherSettings", "Group"}
        for model in apps.get_app_config("studio").get_models():
            if model.__name__ not in kept:
                with self.subTest(model.__name__):
                    self.assertFalse(model.objects.exists())
