"""Where on the neck a step's music can lie: what is offered is what is then played."""

from dataclasses import replace
from unittest import TestCase

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.composing.for_exercise import ForWhom, drill_of
from lefthand.composing.on_neck import Spot, spots_of, words_of_spot
from lefthand.music.hands import hand_of
from lefthand.music.strings import FINGERBOARDS
from lefthand.tests.effort import usually
from lefthand.values.vocabulary import Instrument
from lefthand.words.words import words_of

CATALOGUE = load_catalogue()
FOURTH = ForWhom(fingers=(4,))
DRAWN_BACK = 1  # semitones


def steps():
    """Every rung with music, of every instrument."""
    for exercise in CATALOGUE.exercises.values():
        for instrument in sorted(exercise.instruments):
            for rung in range(1, len(exercise.rungs) + 1):
                if instrument in exercise.rung(rung).music:
                    yield exercise, rung, instrument


class Spots(TestCase):
    def test_the_middle_strings_come_first_the_thickest_last_and_then_positions(self):
        for instrument, second in ((Instrument.VIOLIN, 3), (Instrument.CELLO, 4)):
            found = spots_of(CATALOGUE.exercises["just_enough"], 1, instrument, FOURTH)
            with self.subTest(instrument):
                self.assertEqual([s.string for s in found[:4]], [2, 1, 3, 0])
                self.assertEqual({s.position for s in found[:4]}, {1})
                self.assertEqual(found[0], Spot(2, 1))
                self.assertEqual(found[4].position, second)

    def test_what_is_offered_is_played_there(self):
        every = usually(9, 1)
        checked = 0
        for exercise, rung, instrument in list(steps())[::every]:
            for spot in spots_of(exercise, rung, instrument, FOURTH):
                there = replace(FOURTH, string=spot.string, position=spot.position)
                drill = drill_of(exercise, rung, instrument, there)
                tones = [t for bar in drill.bars for e in bar for t in e.tones if t.finger]
                lowest = hand_of(instrument, spot.position)[1][1] - DRAWN_BACK
                board = FINGERBOARDS[instrument]
                with self.subTest(exercise=exercise.id, rung=rung, of=instrument, spot=spot):
                    for tone in tones:
                        self.assertLessEqual(abs(tone.string - spot.string), 1)
                        above = tone.pitch.midi - board.strings[tone.string].midi
                        self.assertGreaterEqual(above, lowest)
                    self.assertIn(spot.string, {t.string for t in tones} or {spot.string})
                    checked += 1
        self.assertGreater(checked, 200)

    def test_scales_tunes_and_what_goes_over_strings_lie_where_they_lie(self):
        found = {
            (exercise.id, rung): spots_of(exercise, rung, instrument, FOURTH)
            for exercise, rung, instrument in steps()
            if instrument is Instrument.VIOLIN
        }
        self.assertEqual(found["pressure_finder", 3], (), "a scale")
        self.assertEqual(found["just_enough", 2], (), "one string after the other")
        ringing = {spot.string for spot in found["ringing_neighbour", 1]}
        self.assertEqual(ringing, {0, 1, 2}, "the highest string has no higher neighbour")

    def test_in_words(self):
        for instrument, spot, words in (
            (Instrument.VIOLIN, Spot(1, 3), "on the D string, third position"),
            (Instrument.CELLO, Spot(0, 1), "on the C string, first position"),
            (Instrument.BASS, Spot(3, 4), "on the G string, fourth position"),
        ):
            self.assertEqual(words_of(words_of_spot(spot, instrument)), words)
