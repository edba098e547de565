"""Edges of the music: the value on which something turns, one step to either side of it."""

from unittest import TestCase
from xml.etree import ElementTree as ET

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.composing.compose import free_recipe, slurred
from lefthand.music.drill_json import no_drill_json
from lefthand.music.engraving import engrave, flat_svg
from lefthand.music.hands import hand_of
from lefthand.music.keys import key_with, signature
from lefthand.music.midi import PROGRAMS
from lefthand.music.musicxml import TYPES, to_musicxml
from lefthand.music.phrase import Names, read_bar
from lefthand.music.request import HIGHEST_STRING, DrillHand, DrillRequest
from lefthand.music.strings import Pitch
from lefthand.tests.drills import free
from lefthand.values.vocabulary import Instrument

CATALOGUE = load_catalogue()
GENERAL_MIDI = {"vn": 41, "va": 42, "vc": 43, "db": 44}


class PlacesOfTheHand(TestCase):
    """First finger above the open string by position: letters, semitones (common practice, no
    source)."""

    def test_where_the_first_stands_in_each_position(self):
        upper = {0: (1, 1), 1: (1, 2), 2: (2, 4), 3: (3, 5), 4: (4, 7), 5: (5, 9)}
        lower = {0: (1, 1), 1: (1, 2), 2: (2, 3), 3: (3, 5), 4: (4, 7)}
        for instrument, table in (("vn", upper), ("va", upper), ("vc", lower), ("db", lower)):
            for position, letters_and_semitones in table.items():
                with self.subTest(instrument, position=position):
                    hand = hand_of(Instrument(instrument), position)
                    self.assertEqual(hand[1], letters_and_semitones)

    def test_letters_go_up_with_the_fingers(self):
        for frame, letters in (
            ("close 2-3", [1, 2, 3, 4]),
            ("close 1-2", [1, 2, 3, 4]),
            ("close 3-4", [1, 2, 3, 4]),
            ("all whole", [1, 2, 3, 4]),
        ):
            hand = hand_of(Instrument.VIOLIN, 1, frame)
            self.assertEqual([hand[f][0] for f in (1, 2, 3, 4)], letters)

    def test_frames_by_their_half_step(self):
        table = {
            "close 2-3": (2, 4, 5, 7),
            "close 1-2": (2, 3, 5, 7),
            "close 3-4": (2, 4, 6, 7),
            "low fourth": (2, 4, 5, 6),
            "all whole": (2, 4, 6, 8),
        }
        for frame, steps in table.items():
            hand = hand_of(Instrument.VIOLA, 1, frame)
            self.assertEqual(tuple(hand[f][1] for f in (1, 2, 3, 4)), steps, frame)


class Signatures(TestCase):
    """Order of sharps F C G D A E B and of flats B E A D G C F (music theory, common practice)."""

    def test_which_letters_are_altered(self):
        for fifths, letters, sign in (
            (0, "", 0),
            (1, "F", 1),
            (2, "FC", 1),
            (4, "FCGD", 1),
            (-1, "B", -1),
            (-3, "BEA", -1),
        ):
            with self.subTest(fifths):
                found = dict(zip("CDEFGAB", signature(fifths), strict=True))
                expected = {letter: sign if letter in letters else 0 for letter in "CDEFGAB"}
                self.assertEqual(found, expected)

    def test_tonics(self):
        majors = {0: "C", 1: "G", 2: "D", 3: "A", 4: "E", 5: "B", 6: "F#", -1: "F", -2: "Bb"}
        minors = {0: "A", 1: "E", 2: "B", 3: "F#", -1: "D", -2: "G", -3: "C"}
        for tonics, is_minor in ((majors, False), (minors, True)):
            for fifths, tonic in tonics.items():
                self.assertEqual(key_with(fifths, is_minor=is_minor).tonic, tonic)

    def test_the_highest_string_is_string_one_in_the_file(self):
        written = ET.fromstring(to_musicxml(free("open_strings", string=3)))
        self.assertEqual({s.text for s in written.iter("string")}, {"1"})
        lowest = ET.fromstring(to_musicxml(free("open_strings", string=0)))
        self.assertEqual({s.text for s in lowest.iter("string")}, {"4"})

    def test_the_flat_picture_is_as_large_as_it_was(self):
        svg = engrave(to_musicxml(free("frame_pattern", bars=8)))
        root = ET.fromstring(flat_svg(svg))
        nested = ET.fromstring(svg)
        inner = next(e for e in nested.iter() if e.get("class") == "definition-scale")
        outer_width = float(root.get("viewBox").split()[2])
        inner_width = float(inner.get("viewBox").split()[2])
        scales = [e.get("transform") for e in root.iter() if "scale(" in (e.get("transform") or "")]
        self.assertIn(f"scale({outer_width / inner_width:.6f})", scales)


class Spelling(TestCase):
    def test_a_double_sign_is_the_letter_beside_it(self):
        for written, simple in (
            ("F##4", "G4"),
            ("E##4", "F#4"),
            ("B##3", "C#4"),
            ("Bbb3", "A3"),
            ("Cbb4", "Bb3"),
            ("F#4", "F#4"),
            ("Eb4", "Eb4"),
        ):
            with self.subTest(written):
                pitch = Pitch.parse(written)
                self.assertEqual(str(pitch.simple()), simple)
                self.assertEqual(pitch.simple().midi, pitch.midi)

    def hand(self, instrument="vn", **wish):
        request = DrillRequest(Instrument(instrument), **wish)
        return DrillHand(free_recipe("frame_pattern", request.instrument, CATALOGUE), request)

    def test_in_unison_with_an_open_string_the_finger_stands_low(self):
        stopped, ringing = read_bar("4&0^", self.hand(), Names({}), 1)[0].tones
        self.assertEqual((str(stopped.pitch), str(ringing.pitch)), ("Ab4", "A4"))
        stopped, ringing = read_bar("3&0^", self.hand(), Names({}), 1)[0].tones
        self.assertEqual((str(stopped.pitch), str(ringing.pitch)), ("G4", "A4"))

    def test_the_low_second_finger_is_for_a_violins_highest_string_in_first_position(self):
        for hand, semitones in (
            (self.hand(), 3),
            (self.hand(frame="close 2-3"), 4),
            (self.hand(position=3), 7),
            (self.hand("va"), 4),
        ):
            self.assertEqual(hand.steps_of(2, HIGHEST_STRING)[1], semitones)


class Printed(TestCase):
    def test_programs_of_the_four_instruments(self):
        """General MIDI sound set: violin 41, viola 42, cello 43, contrabass 44, counted from 1."""
        self.assertEqual({i.value: PROGRAMS[i] + 1 for i in Instrument}, GENERAL_MIDI)

    def test_every_length_has_its_note(self):
        """A dot adds half of a note's length."""
        plain = {"whole": 4, "half": 2, "quarter": 1, "eighth": 1 / 2, "16th": 1 / 4}
        for length, (kind, dots) in TYPES.items():
            self.assertEqual(float(length), plain[kind] * (1.5 if dots else 1))
        self.assertEqual({kind for kind, _ in TYPES.values()}, set(plain))

    def test_slurs_hold_so_many_notes_and_a_rest_begins_anew(self):
        hand = Spelling().hand()
        for line, marks in (
            ("1 2 3 4", "SSS-"),
            ("1' 2' 3' 4' 1' 2'", "SSS-S-"),
            ("1 r 2' 3' 4' 1' 2'", "-rSSS--"),
            ("1' 2' r' 3' 4' 1' 2' 3'", "S-rSSS--"),
        ):
            bar = slurred(tuple(read_bar(line, hand, Names({}), 1)), 4)
            signs = ["r" if e.is_rest else "S" if "slur" in e.marks else "-" for e in bar]
            self.assertEqual("".join(signs), marks)

    def test_a_step_without_music_is_a_file_without_notes(self):
        found = no_drill_json("vn", {"exercise": "warm_up"})
        self.assertEqual((found["time"], found["bars"], found["notes"]), ([4, 4], 0, []))
