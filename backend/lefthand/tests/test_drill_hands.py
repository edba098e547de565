"""Positions, frames and what is weak: playable by construction, and weighted as asked.

First-position steps above the open string: common practice, no source (violin and viola 2, 3 or 4,
5, 7, fourth low 6; cello 2, 3, 4, 5, wide with first to second 2; bass 2, 3, 4).
"""

from itertools import pairwise, product
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.music.drills import MAKERS, make_drill
from lefthand.music.for_exercise import drill_of
from lefthand.music.hands import FRAMES, POSITIONS, hand_of
from lefthand.music.musicxml import to_musicxml
from lefthand.music.request import MAX_BARS, DrillRequest
from lefthand.music.score import BAR
from lefthand.music.strings import FINGERBOARDS
from lefthand.music.tunes import TUNES
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument

# Drills that leave the frame on purpose: by a slide, a shift or an extension.
LEAVES_FRAME = {"glide_add", "shift_pair", "slide_four", "extension_pattern"}
MOVES_OF_FRAME = 9


@st.composite
def requests(draw):
    instrument = draw(st.sampled_from(list(Instrument)))
    names = [n for n in MAKERS if n != "extension_pattern" or instrument is Instrument.CELLO]
    return DrillRequest(
        drill=draw(st.sampled_from(names)),
        instrument=instrument,
        tempo=draw(st.one_of(st.none(), st.integers(20, 400))),
        bars=draw(st.one_of(st.none(), st.integers(1, 12))),
        fingers=draw(st.sampled_from([(), (4,), (3, 4), (2,)])),
        pairs=draw(st.sampled_from([(), ((3, 4),), ((1, 2), (2, 4))])),
        string=draw(st.one_of(st.none(), st.integers(0, 3))),
        position=draw(st.sampled_from(sorted(POSITIONS[instrument]))),
        frame=draw(st.sampled_from([None, *FRAMES[instrument]])),
        difficulty=draw(st.integers(1, 3)),
        rests=draw(st.booleans()),
        seed=draw(st.integers(0, 10_000)),
    )


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
                make_drill(DrillRequest("frame_pattern", Instrument.VIOLIN, **change))
            self.assertEqual(caught.exception.field, field)


class Playable(TestCase):
    @settings(max_examples=300, deadline=None)
    @given(requests())
    def test_every_note_lies_under_the_hand_of_its_position_and_frame(self, request):
        try:
            drill = make_drill(request)
        except InputError as error:
            self.assertIn(error.field, ("drill", "position"))
            return
        hand = hand_of(request.instrument, request.position, request.frame)
        for bar in drill.bars:
            self.assertEqual(sum(event.length for event in bar), BAR)
            for event in bar:
                strings = {tone.string for tone in event.tones}
                self.assertLessEqual(max(strings, default=0) - min(strings, default=0), 1)
                for tone in event.tones:
                    steps = above_open(tone, request.instrument)
                    if "pluck" in event.marks or tone.finger == 0:
                        self.assertEqual(steps, 0)
                    elif request.drill not in LEAVES_FRAME:
                        self.assertEqual(steps, hand[tone.finger][1])
                    else:
                        self.assertLessEqual(abs(steps - hand[tone.finger][1]), MOVES_OF_FRAME)
        self.assertEqual(drill, make_drill(request))

    def test_every_setting_of_every_drill_writes_or_names_what_cannot_be(self):
        """Half position and double flats too: no note needs more than one sharp or flat."""
        written = 0
        for instrument in Instrument:
            ends = (0, max(POSITIONS[instrument]))
            hands = product(MAKERS, ends, FRAMES[instrument], (0, 2, 3))
            for drill, position, frame, string in hands:
                wish = DrillRequest(
                    drill, instrument, position=position, frame=frame, string=string
                )
                try:
                    made = make_drill(wish)
                except InputError as error:
                    self.assertIn(error.field, ("drill", "position", "frame"))
                    continue
                self.assertLessEqual(max(abs(p.alter) for p in made.pitches()), 1)
                self.assertIn("<score-partwise", to_musicxml(made))
                written += 1
        self.assertGreater(written, 1000)

    def test_no_bar_stands_four_times_running(self):
        for instrument in Instrument:
            for name in MAKERS:
                if name in ("extension_pattern", "pluck_pattern"):
                    continue
                for difficulty in (2, 3):
                    drill = make_drill(
                        DrillRequest(name, instrument, fingers=(4,), difficulty=difficulty)
                    )
                    runs = [
                        a == b == c == d
                        for a, b, c, d in zip(*(drill.bars[i:] for i in range(4)), strict=False)
                    ]
                    with self.subTest(drill=name, instrument=instrument):
                        self.assertFalse(any(runs))

    def test_as_many_bars_as_asked_for_and_a_bar_of_rest_after_each(self):
        drill = make_drill(DrillRequest("frame_pattern", Instrument.CELLO, bars=6, rests=True))
        self.assertEqual(len(drill.bars), 12)
        self.assertTrue(all(event.is_rest for bar in drill.bars[1::2] for event in bar))


class Weak(TestCase):
    def share(self, seed, **weak):
        drill = make_drill(
            DrillRequest("frame_pattern", Instrument.VIOLIN, bars=8, seed=seed, **weak)
        )
        return [tone.finger for _, event in drill.events() for tone in event.tones]

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
        def fourths(fingers):
            drills = (
                make_drill(DrillRequest("easy_tune", Instrument.VIOLIN, fingers=fingers, seed=seed))
                for seed in range(len(TUNES))
            )
            return [sum(t.finger == 4 for _, e in d.events() for t in e.tones) for d in drills]

        plain, asked = fourths(()), fourths((4,))
        self.assertTrue(all(a >= p for a, p in zip(asked, plain, strict=True)))
        self.assertGreater(sum(asked), 2 * sum(plain))

    def test_a_tune_begins_on_the_finger_asked_for_on_every_instrument(self):
        exercise = load_catalogue().exercises["stop_and_shape"]
        for instrument in Instrument:
            for rung, finger in ((3, 3), (4, 4)):
                begun = []
                for seed in range(len(TUNES)):
                    drill = drill_of(exercise, rung, instrument, fingers=(4,), seed=seed)
                    first = next(e for _, e in drill.events() if e.tones)
                    begun.append(first.tones[0].finger == finger)
                with self.subTest(instrument=instrument, finger=finger):
                    has_finger = finger in hand_of(instrument)
                    self.assertEqual(any(begun), has_finger)

    def test_harder_is_harder(self):
        def jumps(difficulty):
            total = 0
            for seed in range(10):
                drill = make_drill(
                    DrillRequest(
                        "frame_pattern", Instrument.VIOLA, difficulty=difficulty, seed=seed
                    )
                )
                fingers = [t.finger for _, event in drill.events() for t in event.tones]
                total += sum(abs(a - b) for a, b in pairwise(fingers))
            return total

        self.assertLess(jumps(1), jumps(3))
