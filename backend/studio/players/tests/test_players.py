"""Making and changing players: every field is checked by name and nothing else is touched."""

from datetime import time

from studio.errors import StudioError
from studio.models import Player
from studio.players.players import save_player
from studio.tests.studio_case import DAY, StudioCase
from studio.today.day_list import day_rows

FORM = {
    "name": "  Nora   Example ",
    "instrument": "vc",
    "level": "beginner",
    "piece": "",
    "birth_year": 2015,
    "daily_minutes": None,
    "hours_a_day": 0.5,
    "helper_at_home": None,
    "weekday": 2,
    "lesson_time": "16:30",
}


class Players(StudioCase):
    def test_a_new_player_stands_in_the_days_list_at_its_time(self):
        made = save_player(self.teacher, None, FORM, DAY)
        self.assertEqual((made.name, made.lesson_time), ("Nora Example", time(16, 30)))
        self.assertEqual(
            [r.player.name for r in day_rows(self.teacher, DAY) if r.is_today], [made.name]
        )

    def test_changing_keeps_lessons_and_what_the_form_does_not_hold(self):
        self.player.way_of_teaching = {"carry": "body"}
        self.player.save()
        self.lesson()
        save_player(self.teacher, self.player, {**FORM, "instrument": "vn"}, DAY)
        changed = Player.objects.get(pk=self.player.pk)
        self.assertEqual(changed.way_of_teaching, {"carry": "body"})
        self.assertEqual(changed.lessons.count(), 1)
        self.assertIsNone(changed.daily_minutes)

    def test_bad_values_name_their_field_and_change_nothing(self):
        self.lesson()
        refused = {
            "name": ["", " ", "n" * 81, 7],
            "instrument": ["kazoo", None, "vc"],
            "level": ["expert", 3],
            "piece": ["p" * 121],
            "birth_year": [1800, DAY.year + 1, 2001.5, "old"],
            "daily_minutes": [0, 999, True],
            "hours_a_day": [-1, 25, None],
            "helper_at_home": ["yes"],
            "weekday": [7, -1, 1.5],
            "lesson_time": ["25:00", "noon"],
            "missing": [["spoon"], "rod"],
        }
        for field, values in refused.items():
            for value in values:
                with self.subTest(field=field, value=value):
                    with self.assertRaises(StudioError) as caught:
                        save_player(
                            self.teacher,
                            self.player,
                            {**FORM, "instrument": "vn", field: value},
                            DAY,
                        )
                    self.assertEqual(caught.exception.field, field)
        self.assertEqual(Player.objects.get(pk=self.player.pk).name, "Pia Example")
