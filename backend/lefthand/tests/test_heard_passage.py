"""A take of real music: from which bar it tightens, which bar stands out, what cannot be heard."""

from unittest import TestCase

from lefthand.passage.heard import (
    LONGEST,
    MOST_BARS,
    STANDS_OUT,
    bars_heard,
    bars_to_play,
    score_of,
)
from lefthand.passage.passage import Asked, read_passage
from lefthand.sound.player import Playing, play
from lefthand.sound.recording import recording_of
from lefthand.sound.take import measure_take
from lefthand.tests.effort import usually
from lefthand.tests.scores import melody
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument

TUNE = (
    "A4 B4 C#5 D5 E5:.5 D5:.5 C#5 B4:2 r:1 D5 E5^4 D5 C#5:.5 B4:.5 A4:3 r:1 B4 D5 F#5 E5^4 "
    "D5:1.5 C#5:.5 B4 A4 "
)
RATE = 24_000


def read(text, tempo=90.0):
    return read_passage(melody(text), Asked(Instrument.VIOLIN, tempo=tempo))


def heard(passage, bars, how, seed=1):
    score, at = score_of(passage, bars, 90.0)
    made = play(score, how, seed, RATE)
    take = measure_take(recording_of(made.samples, made.rate), score)
    return take, bars_heard(take, at)


class Heard(TestCase):
    tags = {"long"}
    seconds_each = 10

    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.passage = read(TUNE * 2)
        cls.bars = range(13)

    def test_it_tightens_about_where_the_hand_did(self):
        for share in (0.4, 0.55, 0.7):
            for seed in usually((1,), (1, 2, 3)):
                take, found = heard(self.passage, self.bars, Playing(tired_from=share), seed)
                with self.subTest(share=share, seed=seed):
                    self.assertIsNone(take.reason)
                    self.assertAlmostEqual(found.tightens, share * len(self.bars), delta=2)
                    self.assertGreaterEqual(found.hardest, found.tightens)

    def test_a_place_longer_than_a_take_may_be_is_refused_with_its_length(self):
        slow = read("A4:40 B4:40 C5:40", tempo=60.0)
        with self.assertRaises(InputError) as caught:
            score_of(slow, range(1), 20.0)
        self.assertEqual(caught.exception.field, "bars")
        self.assertRegex(caught.exception.problem, r"last \d+ seconds")

    def test_an_even_take_does_not_tighten_and_no_bar_stands_out(self):
        for seed in usually((1, 4), range(1, 6)):
            for how in (Playing(), Playing(uneven=2.0), Playing(off={4: -25})):
                _, found = heard(self.passage, self.bars, how, seed)
                with self.subTest(seed=seed, how=how.off or how.uneven):
                    self.assertIsNone(found.tightens)
                    self.assertIsNone(found.hardest)
                    self.assertLess(max(found.worse.values()), STANDS_OUT)

    def test_where_the_tone_breaks_stands_out(self):
        how = Playing(breaks=((0.46, 0.52),))
        for seed in usually((2,), (1, 2, 3)):
            take, found = heard(self.passage, self.bars, how, seed)
            score, at = score_of(self.passage, self.bars, 90.0)
            there = {
                bar
                for note, bar in zip(score.notes, at, strict=True)
                if 0.44 <= note.onset / score.seconds <= 0.54
            }
            with self.subTest(seed):
                self.assertIsNone(take.reason)
                self.assertIn(found.hardest, there)

    def test_another_tempo_is_no_other_music(self):
        take, found = heard(self.passage, self.bars, Playing(tempo=0.75, tired_from=0.5))
        self.assertIsNone(take.reason)
        self.assertAlmostEqual(found.tightens, 6.5, delta=2)

    def test_other_music_is_refused(self):
        score, _ = score_of(read("G3 A3 B3 C4 D4 E4 F#4 G4 " * 4), range(8), 90.0)
        made = play(score, Playing(), 1, RATE)
        other, _ = score_of(self.passage, self.bars, 90.0)
        take = measure_take(recording_of(made.samples, made.rate), other)
        self.assertIsNotNone(take.reason)
        self.assertEqual(take.strain, ())


class WhatIsPlayed(TestCase):
    def test_notes_sound_when_and_as_long_as_they_are_written(self):
        passage = read("A4 B4:2 r:1 (C#5:.5 D5:.5) E5:3")
        score, at = score_of(passage, range(2), 60.0)
        self.assertEqual([n.midi for n in score.notes], [69, 71, 73, 74, 76])
        self.assertEqual([n.onset for n in score.notes], [0, 1, 4, 4.5, 5])
        self.assertEqual([n.seconds for n in score.notes], [1, 2, 0.5, 0.5, 3])
        self.assertEqual([n.bound for n in score.notes], [False, False, True, False, False])
        self.assertEqual(at, [0, 0, 1, 1, 1])

    def test_as_many_bars_about_the_place_as_a_take_holds(self):
        passage = read("A4 B4 C#5 D5 " * 40)
        for tempo in (20.0, 60.0, 240.0):
            for heart in ((0, 1), (20, 21), (39, 39)):
                bars = bars_to_play(passage, heart, tempo)
                seconds = 4 * len(bars) * 60 / tempo
                with self.subTest(tempo=tempo, heart=heart):
                    self.assertLessEqual(seconds, max(LONGEST, 8 * 60 / tempo))
                    self.assertLessEqual(len(bars), MOST_BARS)
                    self.assertLessEqual({*heart}, {*bars})
                    wider = 4 * (len(bars) + 1) * 60 / tempo
                    self.assertTrue(wider > LONGEST or len(bars) == MOST_BARS)

    def test_what_is_not_one_line_is_said(self):
        for bars in (range(5, 6),):
            with self.assertRaises(InputError) as caught:
                score_of(read("A4 B4 C#5 D5"), bars, 60.0)
            self.assertEqual(caught.exception.field, "bars")
