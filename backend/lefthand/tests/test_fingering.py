"""Fingers for music of others: the cheapest way is found, printed ones are kept, and hidden ones
mostly guessed."""

from itertools import pairwise, product
from unittest import TestCase

import numpy as np

from lefthand.music.reading.reader import read_piece
from lefthand.passage.fingering import Wish, fingerings, printed_wishes
from lefthand.passage.moves import Moves
from lefthand.passage.places import THUMB, Fingerboard, fingerboard_of
from lefthand.passage.played import played
from lefthand.tests.fiddle_tunes import fingered_tunes, is_for_fitting
from lefthand.tests.reference_reading import CORPUS
from lefthand.tests.scores import melody
from lefthand.values.vocabulary import Instrument

VIOLIN = fingerboard_of(Instrument.VIOLIN)
OPEN_OR_FOURTH = {62, 69, 76}
FEW_TUNES = 60
QUARTETS = (
    "haydn/opus74no1/movement1.mxl",
    "mozart/k458/movement2.mxl",
    "beethoven/opus59no1/movement1.mxl",
)
QUARTET = (Instrument.VIOLIN, Instrument.VIOLIN, Instrument.VIOLA, Instrument.CELLO)


def letters(midi):
    """Letters above C0 of a pitch as the scale of C has it, sharps below."""
    return 7 * (midi // 12 - 1) + (0, 0, 1, 1, 2, 3, 3, 4, 4, 5, 5, 6)[midi % 12]


def fingered(text, board=VIOLIN, wishes=None, **how):
    line = played(melody(text, **how))
    return [hand.places[-1] for hand in fingerings(line, board, wishes)[0].hands]


def fingers(text, board=VIOLIN, wishes=None, **how):
    return [place.finger for place in fingered(text, board, wishes, **how)]


class Plain(TestCase):
    def test_common_lines_lie_as_a_teacher_would_have_them(self):
        bass = fingerboard_of(Instrument.BASS)
        cello = fingerboard_of(Instrument.CELLO)
        for name, text, board, expected in (
            ("a scale", "A4 B4 C#5 D5", VIOLIN, [0, 1, 2, 3]),
            ("minor", "D4 E4 F4 G4", VIOLIN, [0, 1, 2, 3]),
            ("the cello's own", "C2 D2 E2 F2", cello, [0, 1, 3, 4]),
            ("the cello, minor", "D3 E3 F3 G3", cello, [0, 1, 2, 4]),
            ("the bass goes 1-2-4", "E1 F#1 G1 A1", bass, [0, 1, 2, 0]),
        ):
            with self.subTest(name):
                self.assertEqual(fingers(text, board), expected)

    def test_what_sounds_together_lies_on_neighbouring_strings(self):
        for instrument in Instrument:
            board = fingerboard_of(instrument)
            opens = [midi for midi, _ in board.strings]
            for low in range(min(opens), max(opens) + 8):
                for apart in range(1, 20):
                    hands = board.hands(tuple((m, 7 * m // 12) for m in (low, low + apart)))
                    for hand in hands.hands if hands else ():
                        one, two = (place.string for place in hand.places)
                        self.assertEqual(abs(one - two), 1, (instrument, low, apart))

    def octave(self, board, low):
        """Fingers and strings of the cheapest hand for an octave."""
        hands = board.hands(((low, letters(low)), (low + 12, letters(low) + 7)))
        hand = hands.hands[int(np.argmin(hands.cost))]
        return [place.finger for place in hand.places], [place.string for place in hand.places]

    def test_octaves_are_played_by_first_and_fourth_or_with_an_open_string(self):
        for low in range(56, 80):
            with self.subTest(low=low):
                (one, two), strings = self.octave(VIOLIN, low)
                self.assertTrue(one == 0 or (one, two) == (1, 4), (one, two))
                self.assertEqual(strings[1] - strings[0], 1)

    def test_octaves_of_the_cello_are_thumb_and_third_where_no_open_string_helps(self):
        fingers, strings = self.octave(fingerboard_of(Instrument.CELLO), 53)
        self.assertEqual(fingers, [THUMB, 3])
        self.assertEqual(strings[1] - strings[0], 1)

    def test_a_wish_is_kept(self):
        text = "A4 B4 C#5 D5 E5 D5 C#5 B4"
        self.assertEqual(fingers(text), [0, 1, 2, 3, 4, 3, 2, 1])
        self.assertEqual(fingers(text, wishes={4: [Wish(finger=0)]}), [0, 1, 2, 3, 0, 3, 2, 1])
        third = fingered(text, wishes={1: [Wish(finger=1, string=1)]})
        self.assertEqual((third[1].finger, third[1].string), (1, 1))

    def test_what_is_printed_is_read_and_kept(self):
        line = played(melody("A4^4 B4 E5^4"))
        found = fingerings(line, VIOLIN, printed_wishes(line))[0]
        self.assertEqual([hand.places[-1].finger for hand in found.hands], [4, 1, 4])

    def test_a_print_that_no_hand_can_do_is_not_obeyed(self):
        line = played(melody("G3^3 A3"))
        found = fingerings(line, VIOLIN, printed_wishes(line))[0]
        self.assertEqual(found.hands[0].places[0].finger, 0)

    def test_notes_outside_the_instrument_have_no_hand(self):
        line = played(melody("C3 A4"))
        found = fingerings(line, VIOLIN)[0]
        self.assertIsNone(found.hands[0])
        self.assertIsNotNone(found.hands[1])
        self.assertEqual(fingerings(played(melody("C3 D3")), VIOLIN)[0].hands, (None, None))

    def test_half_steps_by_flats_stay_in_order(self):
        places = fingered("Bb4 C5 D5 Eb5 D5 C5 Bb4 A4")
        for one, two in pairwise(places):
            if one.string == two.string and one.finger and two.finger:
                self.assertGreaterEqual(
                    (two.finger - one.finger) * (two.semitones - one.semitones), 0
                )


class HighUp(TestCase):
    def test_the_high_e_is_touched_from_third_position_and_not_stretched_for(self):
        """The harmonic of the printed tunes, written 0 (common practice)."""
        text = "A5 C#6 E6 C#6 A5 C#6 E6 C#6"
        self.assertEqual(fingers(text), [1, 3, 0, 3, 1, 3, 0, 3])
        touched = fingered(text)[2]
        self.assertEqual((touched.string, touched.semitones, touched.is_harmonic), (3, 12, True))
        self.assertEqual(touched.on_string, 4)

    def test_a_harmonic_is_a_choice_and_stands_where_the_hand_can_reach_it(self):
        text = "A5 C#6 E6 C#6"
        pressed = fingers(text, wishes={2: [Wish(finger=4)]})
        self.assertEqual(pressed[2], 4)
        first = Fingerboard(Instrument.VIOLIN, highest=1)
        self.assertIsNone(first.hands(((88, letters(88)),)))
        cello = fingered("A4 B4 A4", fingerboard_of(Instrument.CELLO))
        self.assertFalse(any(place.is_harmonic for place in cello))
        viola = fingered("D5 F#5 A5 F#5", fingerboard_of(Instrument.VIOLA))
        self.assertTrue(viola[2].is_harmonic)

    def test_a_shift_goes_up_to_the_first_finger_and_down_from_it(self):
        up = "G4 A4 B4 C#5 D5 E5 F#5 G5 A5 B5 C#6 D6"
        line = played(melody(f"{up} {' '.join(reversed(up.split()))}"))
        hands = fingerings(line, VIOLIN)[0].hands
        shifts = [
            (one, two)
            for one, two in pairwise(hands)
            if abs(two.base - one.base) > 1 and one.places[0].finger and two.places[0].finger
        ]
        self.assertTrue(shifts)
        for one, two in shifts:
            lower = two if two.base > one.base else one
            self.assertEqual(lower.places[-1].finger, 1)


class Cheapest(TestCase):
    """Beside going through all ways one by one."""

    def every_way(self, line, board):
        moves = Moves(board.instrument, board.cost)
        sets = [board.hands(note.pitches) for note in line]
        steps = [
            moves.between(a, b, two.at - one.at, slurred=two.slurred, free=one.ends_phrase)
            for (one, two), (a, b) in zip(pairwise(line), pairwise(sets), strict=True)
        ]
        costs = []
        for way in product(*(range(len(hands.hands)) for hands in sets)):
            own = sum(
                hands.cost[n] + _held(hands, n, note)
                for hands, n, note in zip(sets, way, line, strict=True)
            )
            costs.append(own + sum(m[a, b] for m, (a, b) in zip(steps, pairwise(way), strict=True)))
        return np.sort(costs)

    def test_the_cheapest_ways_are_found(self):
        for text in ("A4 B4 C#5", "E5 F5 D5", "G4:2 A4 Bb4"):
            line = played(melody(text))
            board = Fingerboard(Instrument.VIOLIN, highest=3)
            expected = self.every_way(line, board)
            found = fingerings(line, board, count=5)
            with self.subTest(text):
                self.assertEqual(len({each.hands for each in found}), 5)
                np.testing.assert_allclose([each.cost for each in found], expected[:5])
                self.assertAlmostEqual(fingerings(line, board)[0].cost, expected[0])


def _held(hands, n, note):
    return hands.long[n] * min(1.0, max(0.0, (note.seconds - 0.4) / 0.8))


class Outside(TestCase):
    tags = {"long"}

    def test_fingers_printed_in_fiddle_tunes(self):
        """Of the half that the costs were not fitted on, part of it; all of it in the bench. Where
        nothing is printed at an open string's pitch it is taken to be open, an assumption."""
        tunes = [tune for tune in fingered_tunes() if not is_for_fitting(tune)]
        told = right = plain = opened = 0
        for tune in tunes[:FEW_TUNES]:
            line = played(tune)
            for note, hand in zip(line, fingerings(line, VIOLIN)[0].hands, strict=True):
                if len(note.tones) != 1:
                    continue
                (tone,), finger = note.tones, hand.places[-1].finger
                if tone.fingers:
                    told += 1
                    right += finger == int(tone.fingers[0])
                elif not note.is_grace and tone.pitch.midi in OPEN_OR_FOURTH:
                    plain += 1
                    opened += finger == 0
        self.assertGreater(told, 250)
        self.assertGreater(right / told, 0.83)
        self.assertGreater(opened / plain, 0.86)

    def test_quartet_parts_all_lie_under_a_hand(self):
        for name in QUARTETS:
            data = (CORPUS / name).read_bytes()
            for number, instrument in enumerate(QUARTET, start=1):
                line = played(read_piece(data, str(number), instrument))
                board = fingerboard_of(instrument)
                found = fingerings(line, board)[0]
                with self.subTest(name, instrument=instrument):
                    self.assertNotIn(None, found.hands)
                    self.assertLess(len(found.thinned), 5)
                    self.check(line, found, board)

    def check(self, line, found, board):
        """Each tone at its pitch, no finger below a lower one on the same string."""
        strings = board.strings
        for place, (note, hand) in enumerate(zip(line, found.hands, strict=True)):
            midis = {strings[p.string][0] + p.semitones for p in hand.places}
            wanted = {midi for midi, _ in note.pitches}
            self.assertTrue(midis <= wanted, note)
            if place not in found.thinned:
                self.assertEqual(midis, wanted)
        for one, two in pairwise(found.hands):
            before, after = one.places[-1], two.places[-1]
            is_line = len(one.places) == len(two.places) == 1
            is_plain = 0 < before.finger < THUMB and 0 < after.finger < THUMB
            if is_line and is_plain and before.string == after.string and one.base == two.base:
                up = (after.finger - before.finger) * (after.semitones - before.semitones)
                self.assertGreaterEqual(up, 0 if board.instrument.is_held_up else -1)
