"""Entries: saved at once, counted once, undone in order, refused with the field."""

from django.db import connection
from django.test.utils import CaptureQueriesContext

from studio.entries import (
    UNDO_DEPTH,
    Entry,
    Opened,
    record,
    undo,
    write_entries,
)
from studio.errors import StudioError
from studio.lessons.access import lesson_of
from studio.models import Focus, LessonEntry, PlanItem, PracticeResult
from studio.tests.studio_case import GRIP, StudioCase

# kind, key, value, field that the refusal names
BAD = (
    ("observation", "web.shut", 1, "evidence"),
    ("observation", "elbow.low", 1, "evidence"),
    ("observation", "web.closed", 5, "observations.web.closed"),
    ("observation", "tip.gives/7", 1, "evidence.tip.gives/7"),
    ("observation", "web.closed/4", 1, "observations.web.closed"),
    ("reports", "", {"pain": 12}, "reports.pain"),
    ("reports", "", [], "reports"),
    ("complaint", "", "nothing", "complaint"),
    ("complaint", "", 3, "complaint"),
    ("skip", "web.closed", "yes", "skip"),
    ("cause", "no_arm_weight", {"word": "pinned"}, "cause"),
    ("cause", "insecure_hold", {"word": "loved"}, "cause.word"),
    ("result", "999", {"passed": True}, "result"),
    ("result", "x", {"passed": True}, "result"),
    ("focus", "", ["insecure_hold", "over_pressing", "weak_finger"], "focus"),
    ("focus", "", ["no_arm_weight"], "focus"),
    ("disliked", "no_such", True, "disliked"),
    ("disliked", "thumb_taps", "no", "disliked"),
    ("harder", "", 1, "harder"),
    ("break", "", -1, "break"),
    ("plan", "", {"exercise": "thumb_taps"}, "plan"),
    ("plan", "", [{"exercise": "hang_and_draw"}], "plan.1.exercise"),
    ("plan", "", [{"exercise": "thumb_taps", "rung": 9}], "plan.1.rung"),
    ("plan", "", [{"exercise": "thumb_taps", "days": [8]}], "plan.1.days"),
    ("plan", "", [{"exercise": "thumb_taps"}, {"exercise": "thumb_taps"}], "plan.2.exercise"),
    ("line", "", "x" * 301, "line"),
    ("wish", "", 1, "kind"),
)


class Entries(StudioCase):
    def test_an_entry_that_arrives_twice_counts_once(self):
        lesson = self.lesson()
        for value in (3, 1):
            record(
                lesson.pk,
                client_key="the-same-key",
                kind="observation",
                key="web.closed",
                value=value,
            )
        self.assertEqual(self.view(lesson).case.findings["web.closed"].grade, 3)
        self.assertEqual(LessonEntry.objects.count(), 1)

    def test_a_grade_asks_the_database_a_dozen_times_at_most_however_long_the_past(self):
        for week in range(4):
            self.whole_lesson(week, GRIP)
        lesson = self.lesson(4)
        self.enter(lesson, "observation", "web.closed", 3)
        with CaptureQueriesContext(connection) as asked:
            self.enter(lesson, "observation", "thumb.locked", 2)
        self.assertLessEqual(len(asked), 12)

    def test_entries_that_come_together_leave_what_they_leave_one_by_one(self):
        told = [
            ("reports", "", {"pain": 2, "place": "thumb"}),
            *(("observation", name, grade) for name, grade in GRIP.items()),
            ("complaint", "", "thumb.tired"),
            ("focus", "", ["thumb_index_grip"]),
            ("plan", "", [{"exercise": "thumb_taps"}]),
            ("observation", "web.closed", 1),
        ]
        one_by_one, together = self.lesson(0), self.lesson(1)
        for entry in told:
            self.enter(one_by_one, *entry)
        write_entries(
            Opened(lesson_of(self.teacher, together.pk)),
            [Entry(f"together-{number}", *entry) for number, entry in enumerate(told)],
        )
        for lesson in (one_by_one, together):
            lesson.refresh_from_db()
        self.assertEqual(self.stands(one_by_one), self.stands(together))
        self.assertEqual(one_by_one.revision, together.revision)

    def stands(self, lesson):
        return {
            "reports": lesson.reports,
            "findings": list(lesson.observations.values_list("evidence", "entered", "position")),
            "focus": list(lesson.focuses.values_list("cause", "rank", "follows")),
            "week": list(lesson.plan.items.values_list("exercise", "rung", "reps", "days")),
            "log": list(lesson.entries.values_list("kind", "key", "before", "after")),
        }

    def test_fingers_are_entered_one_by_one(self):
        lesson = self.lesson()
        self.enter(lesson, "observation", "tip.gives/4", 3)
        self.enter(lesson, "observation", "tip.gives/3", 1)
        self.assertEqual(self.view(lesson).case.findings["tip.gives"].by_finger, {3: 1, 4: 3})
        self.enter(lesson, "observation", "tip.gives/4", None)
        self.assertEqual(self.view(lesson).case.findings["tip.gives"].by_finger, {3: 1})
        self.enter(lesson, "observation", "tip.gives/3", None)
        self.assertNotIn("tip.gives", self.view(lesson).case.findings)

    def test_undo_takes_back_every_kind_of_entry_in_order(self):
        lesson = self.lesson()
        states = [self.state(lesson)]
        steps = (
            ("reports", "", {"tired_next_day": True}),
            ("complaint", "", "tip.gives"),
            ("complaint_finger", "", 4),
            ("again", "tired", "less"),
            ("observation", "web.closed", 3),
            ("observation", "web.closed", 1),
            ("observation", "tip.gives/4", 2),
            ("skip", "nail.pale", True),
            ("cause", "over_pressing", {"word": "pinned", "why": "felt it"}),
            ("focus", "", ["over_pressing"]),
            ("plan", "", [{"exercise": "thumb_taps", "rung": 2}]),
            ("line", "", "Soft."),
        )
        for step in steps:
            self.enter(lesson, *step)
            states.append(self.state(lesson))
        for expected in reversed(states[:-1]):
            undo(lesson.pk)
            self.assertEqual(self.state(lesson), expected)
        with self.assertRaises(StudioError) as caught:
            undo(lesson.pk)
        self.assertEqual(caught.exception.code, "nothing_to_undo")

    def test_undo_gives_back_the_focus_that_a_dismissal_dropped(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.enter(lesson, "focus", "", ["thumb_index_grip", "over_pressing"])
        self.enter(lesson, "cause", "thumb_index_grip", {"word": "dismissed"})
        self.assertEqual([f.cause for f in lesson.focuses.all()], ["over_pressing"])
        undo(lesson.pk)
        decided = [f.cause for f in self.view(lesson).lesson.focuses.all()]
        self.assertEqual(decided, ["thumb_index_grip", "over_pressing"])

    def test_an_undo_that_arrives_twice_undoes_once(self):
        lesson = self.lesson()
        for line in ("one", "two"):
            self.enter(lesson, "line", "", line)
        for _ in range(3):
            undo(lesson.pk, client_key="undo-key-01")
        self.assertEqual(self.view(lesson).lesson.teacher_line, "one")

    def test_an_undo_means_one_entry_and_no_other(self):
        lesson = self.lesson()
        for line in ("one", "two"):
            self.enter(lesson, "line", "", line)
        first, second = lesson.entries.order_by("pk")
        with self.assertRaises(StudioError) as caught:
            undo(lesson.pk, client_key="undo-key-01", entry_key=first.client_key)
        self.assertEqual(caught.exception.code, "conflict")
        undo(lesson.pk, client_key="undo-key-02", entry_key=second.client_key)
        self.assertEqual(self.view(lesson).lesson.teacher_line, "one")

    def test_editing_a_given_week_keeps_what_was_practised_and_the_days(self):
        lesson = self.lesson()
        self.give(lesson, "thumb_taps", "index_far_side")
        item = PlanItem.objects.get(exercise="thumb_taps")
        PracticeResult.objects.create(item=item, date=lesson.date, passed=True)
        days = item.days
        week = [{"exercise": "thumb_taps", "sets": 3}, {"exercise": "easy_melody"}]
        self.enter(lesson, "plan", "", week)
        same = PlanItem.objects.get(exercise="thumb_taps")
        self.assertEqual((same.pk, same.sets, same.days), (item.pk, 3, days))
        self.assertEqual(same.results.count(), 1)
        self.assertFalse(PlanItem.objects.filter(exercise="index_far_side").exists())
        undo(lesson.pk)
        self.assertEqual(PlanItem.objects.get(exercise="thumb_taps").results.count(), 1)

    def test_undo_reaches_twenty_entries_back(self):
        lesson = self.lesson()
        for number in range(UNDO_DEPTH + 5):
            self.enter(lesson, "line", "", f"line {number}")
        for _ in range(UNDO_DEPTH):
            undo(lesson.pk)
        with self.assertRaises(StudioError):
            undo(lesson.pk)
        self.assertEqual(self.view(lesson).lesson.teacher_line, "line 4")

    def test_bad_entries_name_the_field_and_change_nothing(self):
        lesson = self.lesson()
        self.look(lesson, {"web.closed": 2})
        before = self.state(lesson)
        for kind, key, value, field in BAD:
            with self.subTest(kind=kind, key=key, value=value):
                with self.assertRaises(StudioError) as caught:
                    self.enter(lesson, kind, key, value)
                self.assertEqual(caught.exception.field, field)
                self.assertEqual(self.state(lesson), before)

    def test_revision_counts_changes(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.assertEqual(self.view(lesson).lesson.revision, len(GRIP))

    def test_a_focus_is_stored_with_the_engines_view_beside_it(self):
        lesson = self.lesson()
        self.enter(lesson, "complaint", "", "thumb.tired")
        self.look(lesson, GRIP)
        self.enter(lesson, "focus", "", ["thumb_index_grip", "over_pressing"])
        stored = {f.cause: f for f in Focus.objects.all()}
        self.assertTrue(stored["thumb_index_grip"].is_engines)
        self.assertFalse(stored["over_pressing"].is_engines)
        self.assertGreater(stored["thumb_index_grip"].probability, 0.9)

    def test_a_dismissed_cause_leaves_the_focus(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.enter(lesson, "cause", "thumb_index_grip", {"word": "dismissed"})
        self.assertNotIn("thumb_index_grip", [f.cause for f in self.view(lesson).diagnosis.focus])
        self.assertIn("thumb_index_grip", self.view(lesson).diagnosis.engine_focus)

    def test_a_plan_by_hand_keeps_its_numbers(self):
        lesson = self.lesson()
        wish = {"exercise": "thumb_taps", "rung": 3, "reps": 6, "sets": 1, "days": [2, 1, 2]}
        self.enter(lesson, "plan", "", [wish])
        item = PlanItem.objects.get()
        self.assertEqual((item.rung, item.reps, item.sets, item.days), (3, 6, 1, [1, 2]))

    def state(self, lesson):
        fresh = self.view(lesson).lesson
        return (
            fresh.asked,
            fresh.reports,
            fresh.complaint,
            fresh.skipped,
            fresh.teacher_line,
            {o.evidence: o.entered for o in fresh.observations.all()},
            [(w.cause, w.word, w.why) for w in fresh.cause_words.all()],
            [f.cause for f in fresh.focuses.all()],
            list(
                PlanItem.objects.filter(plan__lesson=fresh).values_list("exercise", "rung", "reps")
            ),
        )
