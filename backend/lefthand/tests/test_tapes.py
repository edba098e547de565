"""Tapes beside computed places. Distances by the twelfth root of two, as every table of frets has
them (with a scale of 650 mm the first lies at 36.5 mm, the twelfth at half the string): from memory."""

from unittest import TestCase

from lefthand.fit.stops import stop
from lefthand.fit.tapes import tape_said, tapes_beside
from lefthand.words import words_of


class Tapes(TestCase):
    def test_a_fret_table_lies_in_its_places(self):
        frets = (36.5, 70.9, 103.4, 134.1, 163.0, 190.4, 216.2, 240.5, 263.5, 285.2, 305.7, 325.0)
        found = tapes_beside(frets, 650)
        self.assertEqual([tape.semitones for tape in found], list(range(1, 13)))
        for tape in found:
            self.assertLess(abs(tape.off), 0.06)
            self.assertLess(abs(tape.cents), 1)
            self.assertTrue(tape.is_in_place)

    def test_a_millimetre_too_far_is_sharp_by_what_the_place_makes_of_it(self):
        right = stop(328, 2)
        (high,), (low,) = tapes_beside([right + 1], 328), tapes_beside([right - 1], 328)
        self.assertAlmostEqual(high.cents, 5.9, delta=0.1)
        self.assertAlmostEqual(low.cents, -5.9, delta=0.1)
        (told,) = tapes_beside([36.8], 328)
        self.assertEqual(
            words_of(tape_said(told)),
            "Tape at 36.8 mm: 1.0 mm too far from the nut, 6 cents high; "
            "2 half steps lie at 35.8 mm.",
        )
        self.assertIn("too near to the nut, 6 cents low", words_of(tape_said(low)))

    def test_the_nearest_step_is_taken_and_never_the_open_string(self):
        (tape,) = tapes_beside([3.0], 328)
        self.assertEqual(tape.semitones, 1)
        self.assertLess(tape.cents, -60)

    def test_what_lies_on_no_string_is_left_out(self):
        self.assertEqual(tapes_beside([0, -4, 328, 400], 328), [])

    def test_what_is_right_says_so(self):
        (tape,) = tapes_beside([18.4], 328)
        self.assertEqual(
            words_of(tape_said(tape)),
            "Tape at 18.4 mm: in its place, 1 half step above the open string.",
        )
