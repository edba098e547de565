"""Re-checks of resolved causes: when they are due, and when a fault has come back.

2, 4, 8 and 16 weeks: common practice, no source.
"""

from datetime import date, timedelta
from unittest import TestCase

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.keep_alive import kept_causes, watched
from lefthand.reason.learning import LessonFacts

CATALOGUE = load_catalogue()
GRIP = "thumb_index_grip"
START = date(2026, 1, 5)
SHOWN = {"web.closed": 3, "thumb.locked": 2}
GONE = {"web.closed": 0, "thumb.locked": 0}


def course(*lessons):
    """Lessons as (weeks from the start, is it the focus, grades)."""
    return kept_after(
        (START + timedelta(weeks=weeks), LessonFacts((GRIP,) if focus else (), frozenset(), grades))
        for weeks, focus, grades in lessons
    )


def kept_after(lessons):
    watches = {}
    for on, facts in lessons:
        watches = watched(watches, on, facts, CATALOGUE)
    return kept_causes(watches, CATALOGUE)


class KeepAlive(TestCase):
    def due_weeks(self, kept):
        return None if kept.due is None else (kept.due - START).days / 7

    def test_looks_are_due_after_two_four_eight_and_sixteen_weeks(self):
        lessons = [(0, True, SHOWN), (4, False, GONE)]
        for clean, weeks in enumerate((2, 4, 8, 16)):
            with self.subTest(clean=clean):
                (kept,) = course(*lessons)
                self.assertEqual((kept.clean, self.due_weeks(kept)), (clean, 4 + weeks))
            lessons.append((4 + weeks, False, GONE))
        (kept,) = course(*lessons)
        self.assertEqual((kept.clean, kept.due), (4, None))

    def test_a_look_before_it_is_due_changes_nothing(self):
        weekly = [(4 + week, False, GONE) for week in range(6)]
        (kept,) = course((0, True, SHOWN), *weekly)
        self.assertEqual((kept.clean, self.due_weeks(kept)), (2, 4 + 8))

    def test_a_late_look_covers_the_intervals_before_it(self):
        (kept,) = course((0, True, SHOWN), (4, False, GONE), (4 + 9, False, GONE))
        self.assertEqual((kept.clean, self.due_weeks(kept)), (3, 4 + 16))

    def test_harder_music_makes_a_look_due(self):
        lessons = [(0, True, SHOWN), (4, False, GONE), (5, False, GONE)]
        facts = [
            (START + timedelta(weeks=weeks), LessonFacts((GRIP,) if focus else (), frozenset(), grades,
             is_harder=weeks == 5)) for weeks, focus, grades in lessons
        ]  # fmt: skip
        (kept,) = kept_after(facts)
        self.assertEqual(kept.clean, 1)

    def test_half_of_the_signs_that_are_asked_is_enough(self):
        many = ["web.closed", "thumb.locked", "nail.pale", "index.pressed", "thumb.tired",
                "base.mutes", "pivot.stiff", "grip.at_start"]  # fmt: skip
        signs = {name: 2 for name in many if GRIP in CATALOGUE.evidence[name].causes}
        self.assertGreaterEqual(len(signs), 6)
        asked = sorted(signs, key=lambda name: (-CATALOGUE.evidence[name].causes[GRIP], name))[:3]
        (kept,) = course((0, True, signs), (4, False, dict.fromkeys(asked[:2], 0)))
        self.assertEqual(kept.since, START + timedelta(weeks=4))
        self.assertEqual(course((0, True, signs), (4, False, {asked[0]: 0})), [])

    def test_what_is_not_gone_or_not_looked_at_again_is_not_resolved(self):
        for grades in ({"web.closed": 1, "thumb.locked": 0}, {}, {"tip.gives": 0}):
            with self.subTest(grades):
                self.assertEqual(course((0, True, SHOWN), (2, False, grades)), [])
        self.assertEqual(course((0, True, SHOWN), (2, True, GONE)), [], "still worked on")

    def test_signs_that_the_focus_brings_as_well_are_no_return_of_another_cause(self):
        held = {"hold.slips": 3, "web.closed": 3}
        gone = dict.fromkeys(held, 0)

        def after(focus, grades):
            days = [START + timedelta(weeks=weeks) for weeks in (0, 2, 4)]
            facts = [
                LessonFacts(("insecure_hold",), frozenset(), held),
                LessonFacts((), frozenset(), gone),
                LessonFacts(focus, frozenset(), grades),
            ]
            kept = {k.cause: k for k in kept_after(zip(days, facts, strict=True))}
            return kept["insecure_hold"].returned

        squeezed = {"web.closed": 3, "hold.slips": 0}
        self.assertIsNone(after((GRIP,), squeezed))
        self.assertIsNotNone(after((), squeezed))
        self.assertIsNotNone(after((GRIP,), {"web.closed": 3, "hold.slips": 2}))

    def test_clear_signs_are_a_return_and_slight_ones_only_hold_the_count(self):
        before = [(0, True, SHOWN), (2, False, GONE)]
        (slight,) = course(*before, (4, False, {"web.closed": 1, "thumb.locked": 0}))
        self.assertEqual((slight.returned, slight.clean), (None, 0))
        (back,) = course(*before, (4, False, {"web.closed": 2, "thumb.locked": 0}))
        self.assertEqual(back.returned, START + timedelta(weeks=4))
        self.assertIsNone(back.due)

    def test_taking_it_up_again_is_a_return_and_it_can_be_resolved_again(self):
        again = [(0, True, SHOWN), (2, False, GONE), (5, True, SHOWN)]
        (back,) = course(*again)
        self.assertEqual(back.returned, START + timedelta(weeks=5))
        (kept,) = course(*again, (7, False, GONE))
        self.assertEqual((kept.returned, kept.since), (None, START + timedelta(weeks=7)))

    def test_signs_are_the_most_telling_ones_and_no_trials(self):
        grades = {**SHOWN, "nail.pale": 2, "index.pressed": 2, "try.thumb_off": 3}
        (kept,) = course((0, True, grades), (2, False, dict.fromkeys(grades, 0)))
        self.assertEqual(len(kept.signs), 3)
        self.assertNotIn("try.thumb_off", kept.signs)
        strengths = [CATALOGUE.evidence[s].causes[GRIP] for s in kept.signs]
        self.assertEqual(strengths, sorted(strengths, reverse=True))
