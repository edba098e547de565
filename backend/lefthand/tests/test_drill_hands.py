"""Positions, frames and what is weak: playable by construction, and weighted as asked.

First-position steps above the open string: common practice, no source (violin and viola 2, 3 or 4,
5, 7, fourth low 6; cello 2, 3, 4, 5, wide with first to second 2; bass 2, 3, 4).
"""

import argparse
from itertools import pairwise, product
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from lefthand.composing.for_exercise import ForWhom, drill_of
from lefthand.drill_command import add_drill_options, drill_answer
from lefthand.music.hands import FRAMES, POSITIONS, hand_of
from lefthand.music.musicxml import to_musicxml
from lefthand.music.request import MAX_BARS
from lefthand.music.strings import FINGERBOARDS
from lefthand.tests.drills import CATALOGUE, fingers_of, free, names_for, of_step
from lefthand.tests.effort import usually
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument, Level

# Drills that leave the frame on purpose: by a slide, a shift or an extension.
LEAVES_FRAME = {
    *("glide_add", "shift_pair", "slide_four", "extension_pattern", "open_forward"),
    *("two_homes", "weight_up_the_neck", "double_ring"),
}
MOVES_OF_FRAME = 9


@st.composite
def requests(draw):
    instrument = draw(st.sampled_from(list(Instrument)))
    wish = {
        "tempo": draw(st.one_of(st.none(), st.integers(20, 400))),
        "bars": draw(st.one_of(st.none(), st.integers(1, 12))),
        "fingers": draw(st.sampled_from([(), (4,), (3, 4), (2,)])),
        "pairs": draw(st.sampled_from([(), ((3, 4),), ((1, 2), (2, 4))])),
        "string": draw(st.one_of(st.none(), st.integers(0, 3))),
        "position": draw(st.sampled_from(sorted(POSITIONS[instrument]))),
        "frame": draw(st.sampled_from([None, *FRAMES[instrument]])),
        "difficulty": draw(st.integers(1, 3)),
        "rests": draw(st.booleans()),
        "slurred": draw(st.booleans()),
        "seed": draw(st.integers(0, 10_000)),
    }
    return draw(st.sampled_from(names_for(instrument))), instrument, wish


def above_open(tone, instrument):
    return tone.pitch.midi - FINGERBOARDS[instrument].strings[tone.string].midi


class Hands(TestCase):
    def test_first_position_is_that_of_the_trade(self):
        table = (
            ("vn", None, {1: 2, 2: 4, 3: 5, 4: 7}),
            ("va", "close 1-2", {1: 2, 2: 3, 3: 5, 4: 7}),
            ("vn", "low fourth", {1: 2, 2: 4, 3: 5, 4: 6}),
            ("vc", None, {1: 2, 2: 3, 3: 4, 4: 5}),
            ("vc", "wide", {1: 2, 2: 4, 3: 5, 4: 6}),
            ("db", None, {1: 2, 2: 3, 4: 4}),
            ("db", "1-2-3-4", {1: 2, 2: 3, 3: 4, 4: 5}),
        )
        for instrument, frame, expected in table:
            with self.subTest(instrument=instrument, frame=frame):
                hand = hand_of(Instrument(instrument), 1, frame)
                self.assertEqual({f: step[1] for f, step in hand.items()}, expected)

    def test_wrong_settings_name_their_field(self):
        for change, field in (
            ({"position": 9}, "position"),
            ({"frame": "round"}, "frame"),
            ({"string": 4}, "string"),
            ({"bars": 0}, "bars"),
            ({"bars": MAX_BARS + 1}, "bars"),
            ({"difficulty": 4}, "difficulty"),
            ({"fingers": (5,)}, "fingers"),
            ({"pairs": ((3, 3),)}, "pairs"),
        ):
            with self.subTest(field), self.assertRaises(InputError) as caught:
                free("frame_pattern", **change)
            self.assertEqual(caught.exception.field, field)


class Playable(TestCase):
    seconds_each = 8

    @settings(max_examples=usually(100, 300), deadline=None)
    @given(requests())
    def test_every_note_lies_under_the_hand_of_its_position_and_frame(self, request):
        name, instrument, wish = request
        try:
            drill = free(name, instrument, **wish)
        except InputError as error:
            self.assertIn(error.field, ("drill", "position", "string", "fingers"))
            return
        usual = [hand_of(instrument, wish["position"], wish["frame"])]
        if wish["frame"] is None and instrument is Instrument.VIOLIN:
            usual.append(hand_of(instrument, wish["position"], "close 1-2"))
        for bar in drill.bars:
            self.assertEqual(sum(event.length for event in bar), drill.beats)
            for event in bar:
                strings = {tone.string for tone in event.tones}
                self.assertLessEqual(max(strings, default=0) - min(strings, default=0), 1)
                for tone in event.tones:
                    steps = above_open(tone, instrument)
                    if tone.finger == 0:
                        self.assertEqual(steps, 0)
                    elif name not in LEAVES_FRAME:
                        self.assertIn(steps, [hand[tone.finger][1] for hand in usual])
                    else:
                        away = min(abs(steps - hand[tone.finger][1]) for hand in usual)
                        self.assertLessEqual(away, MOVES_OF_FRAME)
        self.assertEqual(drill, free(name, instrument, **wish))

    def test_every_setting_of_every_drill_writes_or_names_what_cannot_be(self):
        """Half position and double flats too: no note needs more than one sharp or flat."""
        written = 0
        for instrument in Instrument:
            ends = (0, max(POSITIONS[instrument]))
            hands = product(names_for(instrument), ends, FRAMES[instrument], (0, 2, 3))
            for name, position, frame, string in hands:
                wish = {"position": position, "frame": frame, "string": string}
                try:
                    made = free(name, instrument, **wish)
                except InputError as error:
                    self.assertIn(error.field, ("drill", "position", "frame", "string", "fingers"))
                    continue
                self.assertLessEqual(max(abs(p.alter) for p in made.pitches()), 1)
                self.assertIn("<score-partwise", to_musicxml(made))
                written += 1
        self.assertGreater(written, 1000)

    def test_as_many_bars_as_asked_for_and_a_bar_of_rest_after_each(self):
        drill = free("frame_pattern", Instrument.CELLO, bars=6, rests=True)
        self.assertEqual(len(drill.bars), 12)
        self.assertTrue(all(event.is_rest for bar in drill.bars[1::2] for event in bar))


class Weak(TestCase):
    def share(self, seed, **weak):
        return fingers_of(free("frame_pattern", bars=8, seed=seed, **weak))

    def test_a_weak_finger_comes_more_often(self):
        plain = sum(self.share(seed).count(4) for seed in range(20))
        weak = sum(self.share(seed, fingers=(4,)).count(4) for seed in range(20))
        self.assertGreater(weak, 1.3 * plain)

    def test_a_weak_pair_comes_more_often(self):
        def hits(fingers):
            return sum(set(two) == {3, 4} for two in pairwise(fingers))

        plain = sum(hits(self.share(seed)) for seed in range(20))
        weak = sum(hits(self.share(seed, pairs=((3, 4),))) for seed in range(20))
        self.assertGreater(weak, 1.5 * plain)

    def test_a_tune_lies_so_that_the_finger_plays_as_much_as_it_can(self):
        def share(finger, fingers):
            drills = [free("easy_tune", fingers=fingers, seed=seed) for seed in range(5)]
            played = [f for drill in drills for f in fingers_of(drill)]
            return played.count(finger) / len(played)

        for finger in (2, 3, 4):
            with self.subTest(finger):
                self.assertGreater(share(finger, (finger,)), 1.2 * share(finger, ()))

    def test_a_tune_begins_on_the_finger_asked_for_on_every_instrument(self):
        for instrument in Instrument:
            for rung, finger in ((3, 3), (4, 4)):
                asked = 2 if (instrument, finger) == (Instrument.BASS, 3) else finger
                for seed in range(6):
                    drill = of_step("stop_and_shape", rung, instrument, (4,), seed=seed)
                    with self.subTest(instrument=instrument, finger=finger, seed=seed):
                        self.assertEqual(fingers_of(drill)[0], asked)

    def test_harder_is_harder(self):
        def jumps(difficulty):
            lines = [
                fingers_of(free("frame_pattern", Instrument.VIOLA, difficulty=difficulty, seed=s))
                for s in range(10)
            ]
            return sum(abs(a - b) for line in lines for a, b in pairwise(line))

        self.assertLess(jumps(1), jumps(3))

    def test_another_seed_and_another_level_bring_another_tune(self):
        titles = {of_step("easy_melody", 2, seed=seed).title for seed in range(8)}
        self.assertGreaterEqual(len(titles), 4)
        tunes = {tune.title: tune for tune in CATALOGUE.tunes.values()}
        for seed in range(8):
            easy = of_step("easy_melody", 2, level=Level.BEGINNER, seed=seed)
            self.assertIs(tunes[easy.title].level, Level.BEGINNER)

    def test_music_about_the_frame_of_cello_and_bass_has_its_own_fingers_and_no_open_string(self):
        for exercise, rung in product(("stay_over_notes", "feather_pattern"), (1, 2)):
            for instrument, hand in (
                (Instrument.CELLO, {1, 2, 3, 4}),
                (Instrument.BASS, {1, 2, 4}),
            ):
                with self.subTest(exercise, rung=rung, on=instrument.value):
                    heard = set(fingers_of(of_step(exercise, rung, instrument)))
                    self.assertNotIn(0, heard)
                    self.assertIn(2, heard)
                    self.assertLessEqual(heard, hand)

    def test_the_music_of_a_step_goes_into_another_position_where_it_can(self):
        exercise = CATALOGUE.exercises["two_and_four"]
        home = drill_of(exercise, 1, Instrument.CELLO)
        fourth = drill_of(exercise, 1, Instrument.CELLO, ForWhom(position=4))
        self.assertEqual(fingers_of(fourth), fingers_of(home))
        lowest = [min(t.pitch.midi for _, e in d.events() for t in e.tones) for d in (home, fourth)]
        self.assertEqual(lowest[1] - lowest[0], 5)
        with self.assertRaisesRegex(InputError, "position"):
            drill_of(CATALOGUE.exercises["hang_and_draw"], 2, Instrument.CELLO, ForWhom(position=4))

    def test_the_command_refuses_what_an_exercise_would_ignore(self):
        options = argparse.ArgumentParser()
        add_drill_options(options)
        for more, field in (
            (["--tempo", "60"], "tempo"), (["--bars", "4"], "bars"), (["--string", "2"], "string"),
            (["--frame", "wide"], "frame"), (["--slurred"], "slurred"), (["--difficulty", "3"], "difficulty"),
        ):  # fmt: skip
            chosen = options.parse_args(["--exercise", "two_and_four", *more])
            with self.subTest(field), self.assertRaises(InputError) as refused:
                drill_answer(chosen, CATALOGUE)
            self.assertEqual(refused.exception.field, field)
        chosen = options.parse_args(["--exercise", "two_and_four", "--position", "3"])
        self.assertEqual(drill_answer(chosen, CATALOGUE)["request"]["position"], 3)
