"""Drills: playable on every instrument, well-formed as MusicXML, drawn in any thread.

Open strings and first-position steps: common practice. A4 = 440 Hz is MIDI note 69 (ISO 16:1975,
MIDI 1.0). That the third on a string is the octave of the string below and the fourth the next open
string (violin, viola), and the fourth the octave of the string below (cello): common practice.
"""

import threading
from fractions import Fraction
from unittest import TestCase
from xml.etree import ElementTree as ET

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.exercises import DRILLS
from lefthand.music.drills import MAKERS, make_drill
from lefthand.music.engraving import METRONOME_QUARTER, engrave, flat_svg
from lefthand.music.for_exercise import drill_of
from lefthand.music.hands import hand_of
from lefthand.music.musicxml import DIVISIONS, key_for, to_musicxml
from lefthand.music.request import DrillRequest
from lefthand.music.score import BAR, QUARTER, Drill, Event, Tone, drill_json, into_bars, rest
from lefthand.music.strings import FINGERBOARDS, Pitch
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument

REACH_SEMITONES = 12


def all_requests():
    for instrument in Instrument:
        for name in MAKERS:
            if name == "extension_pattern" and instrument is not Instrument.CELLO:
                continue
            for difficulty in (1, 2, 3):
                for fingers in ((), (4,), (2, 3)):
                    yield DrillRequest(
                        name, instrument, tempo=72, fingers=fingers, difficulty=difficulty
                    )


def all_drills():
    return map(make_drill, all_requests())


class Strings(TestCase):
    def test_spelled_pitches_read_and_print(self):
        for text, midi in (("A4", 69), ("C4", 60), ("F#4", 66), ("Bb3", 58), ("E1", 28)):
            with self.subTest(text):
                pitch = Pitch.parse(text)
                self.assertEqual((pitch.midi, str(pitch)), (midi, text))
        for text in ("H4", "", "C", "C##b4", "4"):
            with self.subTest(text), self.assertRaises(InputError):
                Pitch.parse(text)

    def test_checks_of_the_trade_on_the_fingerboard(self):
        def at(instrument, string, finger):
            step = hand_of(instrument)[finger]
            return FINGERBOARDS[instrument].strings[string].above(*step).midi

        for instrument in (Instrument.VIOLIN, Instrument.VIOLA):
            strings = FINGERBOARDS[instrument].strings
            for string in range(1, 4):
                self.assertEqual(at(instrument, string, 3), strings[string - 1].midi + 12)
                self.assertEqual(at(instrument, string - 1, 4), strings[string].midi)
        cello = FINGERBOARDS[Instrument.CELLO].strings
        for string in range(1, 4):
            self.assertEqual(at(Instrument.CELLO, string, 4), cello[string - 1].midi + 12)
        tuning = {i.value: " ".join(map(str, FINGERBOARDS[i].strings)) for i in Instrument}
        self.assertEqual(
            tuning,
            {"vn": "G3 D4 A4 E5", "va": "C3 G3 D4 A4", "vc": "C2 G2 D3 A3", "db": "E1 A1 D2 G2"},
        )


class Drills(TestCase):
    def test_every_drill_that_an_exercise_names_has_a_generator(self):
        self.assertEqual(set(MAKERS), set(DRILLS))

    def test_every_note_lies_under_the_hand_and_every_bar_is_full(self):
        for drill in all_drills():
            board = FINGERBOARDS[drill.instrument]
            with self.subTest(drill=drill.name, instrument=drill.instrument):
                self.assertTrue(any(not e.is_rest for bar in drill.bars for e in bar))
                for bar in drill.bars:
                    self.assertEqual(sum(e.length for e in bar), BAR)
                    for tone in (t for e in bar for t in e.tones):
                        above = tone.pitch.midi - board.strings[tone.string].midi
                        self.assertTrue(0 <= above <= REACH_SEMITONES)
                        if tone.finger == 0:
                            self.assertEqual(above, 0)
                        self.assertIn(tone.finger, (0, *hand_of(drill.instrument)))

    def test_a_pattern_does_not_repeat_a_bar_and_the_seed_decides(self):
        one = make_drill(DrillRequest("frame_pattern", Instrument.VIOLIN, seed=3))
        self.assertEqual(len(set(one.bars)), len(one.bars))
        self.assertEqual(one, make_drill(DrillRequest("frame_pattern", Instrument.VIOLIN, seed=3)))
        self.assertNotEqual(
            one, make_drill(DrillRequest("frame_pattern", Instrument.VIOLIN, seed=4))
        )

    def test_the_target_finger_is_what_sounds(self):
        held = make_drill(DrillRequest("held_note", Instrument.CELLO, fingers=(4,)))
        self.assertEqual({t.finger for _, e in held.events() for t in e.tones}, {4})

    def test_a_silent_finger_does_not_sound(self):
        exercise = load_catalogue().exercises["index_far_side"]
        drill = drill_of(exercise, 2, Instrument.VIOLIN)
        self.assertNotIn(1, {t.finger for _, e in drill.events() for t in e.tones})

    def test_every_rung_with_music_can_be_made_for_each_of_its_instruments(self):
        for exercise in load_catalogue().exercises.values():
            for instrument in exercise.instruments:
                for number, rung in enumerate(exercise.rungs, start=1):
                    with self.subTest(exercise=exercise.id, instrument=instrument, rung=number):
                        drill = drill_of(exercise, number, instrument, fingers=(4,))
                        self.assertEqual(drill is None, rung.drill is None)

    def test_bad_requests_name_the_field(self):
        for request, field in (
            (DrillRequest("nonsense", Instrument.VIOLIN), "drill"),
            (DrillRequest("frame_pattern", Instrument.VIOLIN, string=4), "string"),
            (DrillRequest("extension_pattern", Instrument.VIOLIN), "drill"),
        ):
            with self.subTest(request), self.assertRaises(InputError) as caught:
                make_drill(request)
            self.assertEqual(caught.exception.field, field)

    def test_onsets_of_the_expected_notes(self):
        data = drill_json(make_drill(DrillRequest("touch_rest", Instrument.VIOLIN, tempo=120)))
        self.assertEqual([n["onset"] for n in data["notes"][:3]], [0.0, 1.0, 2.0])
        self.assertEqual([n["finger"] for n in data["notes"]], [1, 2, 3, 4, 4, 3, 2, 1])

    def test_an_event_may_not_cross_a_bar_line(self):
        with self.assertRaisesRegex(ValueError, "crosses the bar line"):
            into_bars([rest(Fraction(3)), Event(Fraction(2))])


class Written(TestCase):
    def test_musicxml_is_whole_and_says_what_is_played(self):
        for drill in all_drills():
            root = ET.fromstring(to_musicxml(drill))
            with self.subTest(drill=drill.name, instrument=drill.instrument):
                self.assertEqual((root.tag, root.get("version")), ("score-partwise", "4.0"))
                shift = int(root.findtext(".//transpose/octave-change", "0"))
                sounding = [
                    Pitch(
                        int(p.findtext("octave")) + shift,
                        "CDEFGAB".index(p.findtext("step")),
                        int(p.findtext("alter", "0")),
                    ).midi
                    for p in root.iter("pitch")
                ]
                self.assertEqual(sounding, [p.midi for p in drill.pitches()])
                for measure in root.iter("measure"):
                    whole = sum(
                        int(n.findtext("duration"))
                        for n in measure.iter("note")
                        if n.find("chord") is None
                    )
                    self.assertEqual(whole, BAR * DIVISIONS)

    def test_accidentals_stand_once_in_a_bar_and_come_back(self):
        events = []
        for name in ("C5", "C#5", "C#5", "C5", "C#5", "C5", "A4", "A4"):
            events.append(Event(QUARTER, (Tone(Pitch.parse(name), 2, 2),)))
        drill = Drill("test", "Test", Instrument.VIOLIN, 60, into_bars(events))
        root = ET.fromstring(to_musicxml(drill))
        bars = [[n.findtext("accidental") for n in m.iter("note")] for m in root.iter("measure")]
        self.assertEqual(root.findtext(".//fifths"), "0")
        self.assertEqual(bars[0], [None, "sharp", None, "natural"])
        self.assertEqual(bars[1], ["sharp", "natural", None, None])

    def test_key_with_the_fewest_accidentals(self):
        for names, fifths in (("C4 D4 E4", 0), ("B4 C#5 D5 E5", 2), ("A3 Bb3 C4", -1)):
            with self.subTest(names):
                self.assertEqual(key_for(map(Pitch.parse, names.split())), fifths)


class Drawn(TestCase):
    music = to_musicxml(make_drill(DrillRequest("frame_pattern", Instrument.VIOLIN)))

    def test_it_can_be_drawn_outside_the_main_thread(self):
        found = []
        worker = threading.Thread(target=lambda: found.append(engrave(self.music, seed=77)))
        worker.start()
        worker.join()
        self.assertTrue(found)
        self.assertIn("<svg", found[0])

    def test_only_shipped_fonts_and_no_private_signs(self):
        svg = engrave(self.music)
        self.assertNotIn("@font-face", svg)
        self.assertNotIn(METRONOME_QUARTER, svg)
        self.assertIn("♩", svg)

    def test_two_pictures_on_a_page_share_no_ids(self):
        def ids(svg):
            return {e.get("id") for e in ET.fromstring(svg).iter() if e.get("id")}

        self.assertFalse(ids(engrave(self.music, seed=1)) & ids(engrave(self.music, seed=2)))

    def test_the_flat_picture_has_one_svg_element(self):
        root = ET.fromstring(flat_svg(engrave(self.music)))
        self.assertEqual(sum(e.tag.endswith("}svg") for e in root.iter()), 1)
        with self.assertRaises(InputError):
            flat_svg("<svg/>")
