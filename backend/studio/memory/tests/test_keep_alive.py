"""Re-checks in lessons: their checks come first, and a return brings back what helped."""

from datetime import timedelta

from studio.lessons.looks import lesson_look
from studio.tests.studio_case import DAY, GRIP, StudioCase
from studio.today.day_list import day_rows

GONE = {name: 0 for name, grade in GRIP.items() if grade > 0}
CAUSE = "thumb_index_grip"


class KeepAlive(StudioCase):
    def setUp(self):
        super().setUp()
        self.whole_lesson(0, GRIP)
        self.look(self.lesson(2), GONE)

    def reminders(self, weeks):
        return [(r.kept.cause, r.is_due) for r in self.view(self.lesson(weeks)).history.reminders]

    def test_nothing_is_due_before_two_weeks_and_then_its_checks_come_first(self):
        self.assertEqual(self.reminders(3), [])
        lesson = self.lesson(4)
        view = self.view(lesson)
        self.assertEqual(self.reminders(4), [(CAUSE, True)])
        look = lesson_look(view, view.past.last_real)
        self.assertTrue(look.again)
        self.assertTrue(set(look.checks) <= set(GONE))
        self.assertTrue(all(why.endswith(": due for another look") for why in look.whys.values()))

    def test_a_harder_piece_makes_it_due_at_once_and_can_be_undone(self):
        lesson = self.lesson(3)
        self.enter(lesson, "harder", "", True)
        self.assertEqual(self.reminders(3), [(CAUSE, True)])
        self.enter(lesson, "harder", "", False)
        self.assertEqual(self.reminders(3), [])

    def test_a_return_is_shown_with_what_helped(self):
        lesson = self.lesson(4)
        self.look(lesson, {**GONE, "web.closed": 3})
        (back,) = self.view(lesson).history.reminders
        self.assertEqual(back.kept.returned, lesson.date)
        given = {i.exercise for i in self.player.lessons.first().plan.items.all()}
        self.assertTrue(back.kept.helped)
        self.assertTrue(set(back.kept.helped) <= given)

    def test_the_days_list_names_what_is_due(self):
        (row,) = day_rows(self.teacher, DAY + timedelta(weeks=4))
        self.assertEqual((row.due, row.focus), ([CAUSE], []), "what is gone is no focus any more")
