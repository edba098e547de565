"""Finger and bow: how late a finger comes is told in ms, on recorded notes and on a made-up player;
a hand that is in time is never graded."""

from unittest import TestCase, skipUnless

import numpy as np

from lefthand.sound.findings import findings_of
from lefthand.sound.player import Playing
from lefthand.sound.take import measure_take
from lefthand.sound.together import LATE, BowStart, timing_by_finger
from lefthand.sound.words import told
from lefthand.tests.effort import usually
from lefthand.tests.sampled import is_here, sampled_take
from lefthand.tests.takes import measured, score
from lefthand.values.measures import MEASURES

INSTRUMENTS = usually(("vn", "db"), ("vn", "va", "vc", "db"))


def drilled(instrument="vn"):
    return score("frame_pattern", instrument, 72, 8, None, 1, slurred=False)


def grade(share):
    return sum(share >= cut for cut in MEASURES["late_share"].cuts)


@skipUnless(is_here(), "Debian's fluidsynth and fluid-soundfont-gm are not here")
class RecordedNotes(TestCase):
    tags = {"long"}

    def test_the_lag_of_recorded_notes_is_told_and_none_where_there_is_none(self):
        for instrument in INSTRUMENTS:
            of = drilled(instrument)
            gaps = np.array([note.seconds for note in of.notes])
            for late in (0.0, 0.05, 0.08):
                recording = sampled_take(of, gaps, late=dict.fromkeys((1, 2, 3, 4), late)).recording
                take = measure_take(recording, of)
                self.assertIsNone(take.reason)
                for finger, found in take.timing.items():
                    with self.subTest(instrument, late=late, finger=finger):
                        self.assertAlmostEqual(found.ms, 1000 * late, delta=18)
                        if late:
                            self.assertGreaterEqual(grade(found.share), 2)
                        else:
                            self.assertEqual(grade(found.share), 0)


class Together(TestCase):
    def test_only_the_finger_that_is_late_is_told(self):
        _, take = measured(drilled(), Playing(late={4: 0.07}))
        self.assertEqual(grade(take.timing[4].share), 3)
        self.assertEqual([grade(take.timing[f].share) for f in (1, 2, 3)], [0, 0, 0])
        self.assertIn("The fourth comes", told(take, "finger.late"))
        self.assertEqual(findings_of(take)["finger.late"]["4"]["value"], 1.0)

    def test_now_and_then_is_told_as_now_and_then(self):
        _, take = measured(drilled(), Playing(late={4: 0.07}, late_share=0.35))
        self.assertEqual(grade(take.timing[4].share), 1)
        self.assertIn("in the others it is there", told(take, "finger.late"))

    def test_a_hand_in_time_is_not_graded(self):
        for seed in usually((1,), (1, 2, 3, 4)):
            _, take = measured(drilled(), Playing(uneven=3.0), seed)
            with self.subTest(seed):
                self.assertEqual({grade(each.share) for each in take.timing.values()}, {0})
                self.assertIn("Fingers are there", told(take, "finger.late"))

    def test_slurred_notes_have_no_bow_to_be_late_for(self):
        of = score("frame_pattern", "vn", 72, 4, None, 1, slurred=True)
        _, take = measured(of, Playing(late={4: 0.08}))
        self.assertNotIn(4, take.timing)
        self.assertIn("a bow for each note", told(take, "finger.late"))

    def test_a_finger_needs_four_starts_and_its_error_shrinks_with_them(self):
        of = drilled()
        own = [place for place, note in enumerate(of.notes) if note.finger == 1]
        lags = (0.05, 0.06, 0.04, 0.05, 0.055, 0.045, 0.05, 0.05)
        starts = [BowStart(place, lag) for place, lag in zip(own, lags, strict=False)]
        self.assertEqual(timing_by_finger(of, starts[:3]), {})
        (few,), (many,) = (timing_by_finger(of, starts[:n]).values() for n in (4, len(starts)))
        self.assertEqual((few.starts, few.share), (4, 1.0))
        self.assertLessEqual(many.uncertainty, few.uncertainty)
        self.assertAlmostEqual(many.ms, 50, delta=5)
        self.assertLess(1000 * LATE, many.ms)
