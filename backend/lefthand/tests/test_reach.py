"""Stops on a string, and the span of a hand against what a frame needs."""

import json
from unittest import TestCase

from lefthand.case.parsing import parse_case
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.fit.reach_json import parse_fit, reach_json
from lefthand.fit.stops import cents_off, cents_per_mm, first_place, span_needed, stop
from lefthand.tests.test_command_line import lefthand
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument

CATALOGUE = load_catalogue()
VIOLIN = {"format": "jolf-fit/1", "instrument": "vn", "size": "4/4"}


def reach(**fields):
    return reach_json(parse_fit({**VIOLIN, **fields}, CATALOGUE))


class Stops(TestCase):
    def test_a_violins_first_position(self):
        """Check values of the trade for a string of 328 mm (common practice, no source)."""
        for semitones, mm in ((0, 0), (2, 35.8), (5, 82.3), (7, 109.1), (12, 164)):
            with self.subTest(semitones=semitones):
                self.assertAlmostEqual(stop(328, semitones), mm, delta=0.06)
        self.assertAlmostEqual(cents_per_mm(328, 7), 7.9, delta=0.05)

    def test_a_finger_short_of_its_place_sounds_as_the_fret_below_it(self):
        """A whole fret short is a half step low; near the place it is what a millimetre makes."""
        for length in (212, 328, 690, 1060):
            for semitones in (2, 5, 7):
                fret = stop(length, semitones) - stop(length, semitones - 1)
                with self.subTest(length=length, semitones=semitones):
                    self.assertAlmostEqual(cents_off(length, semitones, -fret), -100, places=6)
                    a_millimetre = cents_off(length, semitones, 1)
                    self.assertAlmostEqual(a_millimetre, cents_per_mm(length, semitones), places=6)
        with self.assertRaises(ValueError):
            cents_off(328, 7, 328)

    def test_as_the_fret_makers_rule_of_17817_divides_a_string(self):
        """Each semitone takes 1/17.817 of what is left (makers' rule, from memory)."""
        for length in (212, 328, 375, 690, 1060):
            left = float(length)
            for semitones in range(1, 13):
                left -= left / 17.817
                with self.subTest(length=length, semitones=semitones):
                    self.assertAlmostEqual(stop(length, semitones), length - left, delta=0.02)

    def test_the_first_place_fits_and_the_one_before_it_does_not(self):
        for length in (212, 328, 690, 1060):
            for width in (2, 3, 4, 5):
                for share in (0.6, 0.75, 0.9, 0.999):
                    span = share * span_needed(length, 0, width)
                    at = first_place(length, width, span)
                    with self.subTest(length=length, width=width, share=share):
                        self.assertLessEqual(span_needed(length, at, at + width), span)
                        self.assertGreater(span_needed(length, at - 1, at - 1 + width), span)
        self.assertEqual(first_place(328, 5, span_needed(328, 0, 5)), 0)
        self.assertEqual(first_place(328, 5, 200), 0)


class ReachOfAHand(TestCase):
    def test_the_frames_of_the_trade(self):
        """Semitones above the open string in first position (common practice, no source)."""
        for fields, semitones in (
            ({}, [2, 4, 5, 7]),
            ({"frame": "low fourth"}, [2, 4, 5, 6]),
            ({"instrument": "va", "size": "406"}, [2, 4, 5, 7]),
            ({"instrument": "vc", "size": "3/4"}, [2, 3, 4, 5]),
            ({"instrument": "vc", "size": "3/4", "frame": "wide"}, [2, 4, 5, 6]),
            ({"instrument": "db", "size": "3/4"}, [2, 3, 4]),
            ({"instrument": "db", "size": "3/4", "bass_fingering": "124"}, [2, 3, 4]),
            ({"instrument": "db", "size": "3/4", "bass_fingering": "1234"}, [2, 3, 4, 5]),
        ):
            with self.subTest(**fields):
                found = reach(**fields)
                self.assertEqual([t["semitones"] for t in found["tapes"]], semitones)
                spread = found["tapes"][-1]["from_nut"] - found["tapes"][0]["from_nut"]
                self.assertAlmostEqual(found["needed"], spread, delta=0.11)

    def test_margin_turn_sizes_and_the_place_where_it_fits(self):
        found = reach(span=68, span_error=1)
        self.assertEqual(found["margin"], {"mm": -5.3, "percent": -7.2, "fits": False})
        self.assertEqual(found["turn"]["fits_at_least"], True)
        fits = [s["size"] for s in found["sizes"] if s["margin"]["fits"]]
        self.assertEqual(fits, ["1/2", "1/4", "1/8", "1/16"])
        there = found["first_place"]
        self.assertLessEqual(span_needed(328, there, there + 5), 68)
        self.assertGreater(span_needed(328, there - 1, there + 4), 68)
        self.assertEqual(found["observations"], {"reach.exceeded": {"value": -7.2, "spread": 1.4}})

    def test_no_smaller_size_where_a_turn_is_enough_and_else_the_largest_that_fits(self):
        """Lengths as in the table of sizes (from memory); what a turn brings is common practice."""

        def told(span, age, error=None, **more):
            fit = parse_fit(
                {"format": "jolf-fit/1", "instrument": "vn", "size": "4/4", "span": span, **more,
                 **({"span_error": error} if error else {})},
                CATALOGUE,
            )  # fmt: skip
            return fit.size_that_fits(age)

        for span, age, error, size in (
            (80, 14, None, None),
            (66, 14, None, None),
            (63, 14, None, "7/8"),
            (61, 14, None, "3/4"),
            (61, 30, None, None),
            (61, None, None, None),
            (63, 30, None, "7/8"),
            (64.5, 14, 1, None),
            (50, 8, None, "1/4"),
            (22, 8, None, None),
        ):
            with self.subTest(span=span, age=age, error=error):
                self.assertEqual(told(span, age, error), size)

    def test_a_wide_hand_fits_where_it_is_and_a_very_short_one_nowhere(self):
        self.assertEqual(reach(span=80)["first_place"], 2)
        self.assertIsNone(reach(span=30)["first_place"])
        self.assertFalse(reach(span=30)["turn"]["fits_at_most"])

    def test_up_to_the_octave_and_no_farther(self):
        self.assertEqual(reach(span=span_needed(328, 7, 12) + 0.01)["first_place"], 7)
        self.assertIsNone(reach(span=span_needed(328, 7, 12) - 0.01)["first_place"])

    def test_without_a_span_there_are_tapes_and_no_opinion(self):
        found = reach()
        self.assertEqual(found["observations"], {})
        self.assertIsNone(found["margin"])
        self.assertIsNone(found["first_place"])
        self.assertIsNone(found["turn"])
        self.assertEqual(found["tapes"][0]["from_nut"], 35.8)

    def test_what_is_found_is_a_finding_of_a_case(self):
        case = parse_case(
            {
                "format": "jolf-case/1",
                "instrument": "vn",
                "observations": reach(span=66)["observations"],
            },
            CATALOGUE,
        )
        self.assertEqual(case.findings["reach.exceeded"].grade, 2)

    def test_a_measured_string_wins_over_the_size(self):
        self.assertEqual(reach(string_length=330)["string_length"], 330)

    def test_bad_input_names_its_field(self):
        for fields, field in (
            ({"format": "jolf-fit/2"}, "format"),
            ({"instrument": "flute"}, "instrument"),
            ({"size": "5/4"}, "size"),
            ({"size": ""}, "string_length"),
            ({"string_length": 10}, "string_length"),
            ({"span": 0}, "span"),
            ({"span": True}, "span"),
            ({"span_error": 1}, "span_error"),
            ({"position": 9}, "position"),
            ({"instrument": "db", "size": "3/4", "position": 5}, "position"),
            ({"frame": "broad"}, "frame"),
            ({"instrument": "db", "size": "3/4", "bass_fingering": "13"}, "bass_fingering"),
            ({"bass_fingering": "124"}, "bass_fingering"),
            ({"colour": "red"}, "colour"),
        ):
            with self.subTest(**fields), self.assertRaises(InputError) as caught:
                reach(**fields)
            self.assertEqual(caught.exception.field, field)

    def test_sizes_go_from_large_to_small_and_a_viola_is_measured_by_its_body(self):
        for instrument in Instrument:
            lengths = list(CATALOGUE.sizes[instrument].values())
            self.assertGreaterEqual(len(lengths), 4)
            self.assertEqual(lengths, sorted(lengths, reverse=True))
        for body, string in CATALOGUE.sizes[Instrument.VIOLA].items():
            self.assertAlmostEqual(string / float(body), 0.925, delta=0.002)

    def test_from_the_command_line(self):
        done = lefthand("reach", json.dumps({**VIOLIN, "span": 70}))
        self.assertEqual(done.returncode, 0)
        self.assertEqual(json.loads(done.stdout)["format"], "jolf-reach/1")
        done = lefthand("reach", json.dumps({**VIOLIN, "span": "wide"}))
        self.assertEqual((done.returncode, done.stderr.count("\n")), (2, 1))
        self.assertIn("span", done.stderr)
