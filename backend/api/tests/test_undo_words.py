"""Undo says what it takes back, in words a teacher would use."""

from api.lessons.undo_words import undo_words
from studio.models import LessonEntry
from studio.tests.studio_case import GRIP, StudioCase


class UndoWords(StudioCase):
    def test_each_entry_has_its_words(self):
        for kind, key, after, words in (
            ("observation", "web.closed", 2, "Opening beside the thumb is shut: clear"),
            ("observation", "tip.gives/4", 3, "Fingertip joint buckles, finger 4: strong"),
            (
                "observation",
                "tip.gives/4",
                {"value": -12.5},
                "Fingertip joint buckles, finger 4: -12.5",
            ),
            ("observation", "web.closed", None, "Opening beside the thumb is shut: taken back"),
            ("observation", "try.thumb_off", 3, "Thumb away: at once"),
            ("observation", "no.longer.known", 3, "grade"),
            ("skip", "web.closed", True, "Opening beside the thumb is shut: cannot see it"),
            ("complaint", "", None, "complaint taken back"),
            ("cause", "over_pressing", {"word": "dismissed"}, "not this"),
            ("cause", "over_pressing", None, "word taken back"),
            ("focus", "", ["over_pressing"], "focus: "),
            ("focus", "", None, "no focus"),
            ("plan", "", [{"exercise": "thumb_taps"}], "the week: "),
            ("plan", "", None, "the week taken back"),
            ("disliked", "thumb_taps", True, "not liked"),
            ("line", "", "Soft hands.", "line on the sheet"),
            ("result", "7", {"passed": True}, "Thumb taps: shown"),
            ("result", "7", {"passed": False}, "Thumb taps: not yet"),
            ("result", "7", None, "Thumb taps: taken back"),
            ("result", "8", {"passed": True}, "last week's result"),
        ):
            with self.subTest(kind=kind, after=after):
                told = undo_words(LessonEntry(kind=kind, key=key, after=after), {"7": "Thumb taps"})
                self.assertIn(words, told)

    def test_the_lesson_names_the_newest_first(self):
        self.client.force_login(self.teacher)
        lesson = self.lesson()
        self.look(lesson, GRIP)
        told = self.client.get(f"/api/lessons/{lesson.pk}").json()["undoable"]
        self.assertEqual(len(told), len(GRIP))
        self.assertIn("not there", told[0]["words"])
