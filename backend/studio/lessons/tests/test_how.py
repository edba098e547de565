"""How an exercise goes, shown in the lesson before it is given: the same as on its sheet."""

from studio.lessons.access import lesson_of
from studio.sheet.sheet import build_sheet
from studio.tests.studio_case import GRIP, StudioCase


class HowItGoes(StudioCase):
    def setUp(self):
        super().setUp()
        self.client.force_login(self.teacher)

    def how(self, lesson, **query):
        return self.client.get(f"/api/lessons/{lesson.pk}/how", query)

    def test_what_is_shown_is_what_the_sheet_then_has(self):
        lesson = self.whole_lesson(0, GRIP)
        sheet = build_sheet(lesson_of(self.teacher, lesson.pk))
        self.assertTrue(sheet.items)
        rungs = {item.exercise: item.rung for item in lesson.plan.items.all()}
        for place, item in enumerate(sheet.items, start=1):
            name = item.exercise.id
            with self.subTest(name):
                shown = self.how(lesson, exercise=name, rung=rungs[name], place=place).json()
                self.assertEqual(shown["steps"], list(item.steps))
                self.assertEqual(shown["music"], item.music)
                self.assertEqual(shown["dose"], item.dose.words(item.fingers))

    def test_it_can_be_shown_before_anything_was_given(self):
        lesson = self.lesson()
        self.assertTrue(self.how(lesson, exercise="thumb_taps").json()["steps"])
        self.assertFalse(hasattr(lesson, "plan"))

    def test_what_this_instrument_does_not_have_is_refused_by_its_field(self):
        lesson = self.lesson()
        for query, field in (
            ({"exercise": "no_such"}, "exercise"),
            ({"exercise": "level_pencil"}, "exercise"),
            ({"exercise": "thumb_taps", "rung": 9}, "rung"),
            ({"exercise": "thumb_taps", "rung": 0}, "rung"),
        ):
            with self.subTest(query):
                answer = self.how(lesson, **query)
                self.assertEqual(answer.status_code, 422)
                self.assertIn(field, answer.json()["fields"][0]["field"])
