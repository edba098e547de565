"""What else was done in a lesson, as the player's page tells it."""

from django.contrib.auth import get_user_model

from lefthand.catalogue.catalogue import load_catalogue
from studio.lessons.flags import lift_flags
from studio.lessons.notes import last_time, notes_of
from studio.tests.studio_case import GRIP, StudioCase


class Notes(StudioCase):
    def test_trials_words_and_the_own_line_are_told_by_lesson(self):
        first, second, third = (self.lesson(week) for week in range(3))
        self.look(first, {**GRIP, "try.thumb_off": 3})
        self.enter(first, "cause", "setup_misfit", {"word": "dismissed", "why": "new rest"})
        self.enter(second, "line", "", "Soft hands.")
        second.refresh_from_db()
        self.look(third, GRIP)
        self.assertEqual(
            notes_of([first, second, third]),
            {
                first.pk: [
                    "Thumb away: helped at once",
                    "Equipment does not fit: ruled out (new rest)",
                ],
                second.pk: ["“Soft hands.”"],
            },
        )

    def test_the_next_lesson_tells_them_with_the_second_focus_and_lifted_stops(self):
        first = self.lesson()
        self.assertEqual(last_time(first), [])
        self.look(first, {**GRIP, "try.thumb_off": 3})
        self.enter(first, "focus", "", ["thumb_index_grip", "thumb_misplaced"])
        self.enter(first, "reports", "", {"numbness": True})
        lift_flags(self.player, note="seen by a doctor", on=first.date)
        lesson = self.lesson(1)
        second, trial, stop = last_time(lesson)
        self.assertEqual(second, "second focus: " + load_catalogue().causes["thumb_misplaced"].name)
        self.assertEqual(trial, "Thumb away: helped at once")
        self.assertRegex(stop, "^stop .* lifted by you on 4 March: “seen by a doctor”$")
        self.client.force_login(self.teacher)
        told = self.client.get(f"/api/lessons/{lesson.pk}/last-time")
        self.assertEqual(told.json(), [second, trial, stop])
        self.client.force_login(get_user_model().objects.create_user("other"))
        self.assertEqual(self.client.get(f"/api/lessons/{lesson.pk}/last-time").status_code, 404)

    def test_compared_trials_and_lost_names_break_nothing(self):
        lesson = self.lesson()
        self.enter(lesson, "observation", "try.thumb_off", {"before": 3, "after": 1})
        lesson.observations.create(evidence="try.gone", entered=2, position=9)
        self.assertEqual(len(notes_of([lesson])[lesson.pk]), 1)

    def test_it_stands_on_the_players_page(self):
        self.client.force_login(self.teacher)
        lesson = self.lesson()
        self.look(lesson, {"try.thumb_off": 2})
        page = self.client.get(f"/api/players/{self.player.pk}").json()
        self.assertEqual(page["lessons"][0]["notes"], ["Thumb away: helped clearly"])
