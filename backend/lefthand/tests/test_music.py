"""Drills: playable on every instrument, well-formed as MusicXML, drawn in any thread.

Open strings and first-position steps: common practice. A4 = 440 Hz is MIDI note 69 (ISO 16:1975,
MIDI 1.0). That the third on a string is the octave of the string below and the fourth the next open
string (violin, viola), and the fourth the octave of the string below (cello): common practice.
"""

import json
import re
import threading
from fractions import Fraction
from itertools import pairwise
from pathlib import Path
from unittest import TestCase
from xml.etree import ElementTree as ET

import jsonschema_rs

import lefthand
from lefthand.music.blanks import Blanks, left_to_player, with_blanks
from lefthand.music.drill_json import drill_json, no_drill_json
from lefthand.music.engraving import METRONOME_QUARTER, engrave, flat_svg
from lefthand.music.hands import hand_of
from lefthand.music.keys import key_of
from lefthand.music.musicxml import (
    DIVISIONS,
    DRAWN,
    EVERYTHING,
    Shown,
    bars_that_fit,
    beams,
    line_starts,
    to_musicxml,
)
from lefthand.music.score import EIGHTH, QUARTER, Drill, Event, Key, Tone, into_bars, rest
from lefthand.music.stop_signs import SIGNS
from lefthand.music.strings import FINGERBOARDS, Pitch
from lefthand.tests.drills import CATALOGUE, all_free, all_steps, fingers_of, free, of_step
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument

SCHEMA = Path(lefthand.__file__).parent / "schemas" / "jolf-drill-1.json"

REACH_SEMITONES = 12


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
    def test_every_note_lies_under_the_hand_and_every_bar_is_full(self):
        for drill in all_free():
            board = FINGERBOARDS[drill.instrument]
            with self.subTest(drill=drill.name, instrument=drill.instrument):
                self.assertTrue(any(not e.is_rest for bar in drill.bars for e in bar))
                for bar in drill.bars:
                    self.assertEqual(sum(e.length for e in bar), drill.beats)
                    for tone in (t for e in bar for t in e.tones):
                        above = tone.pitch.midi - board.strings[tone.string].midi
                        self.assertTrue(0 <= above <= REACH_SEMITONES)
                        if tone.finger == 0:
                            self.assertEqual(above, 0)
                        self.assertIn(tone.finger, (0, *hand_of(drill.instrument)))

    def test_a_pattern_does_not_repeat_a_bar_and_the_seed_decides(self):
        one = free("frame_pattern", seed=3)
        self.assertEqual(len(set(one.bars)), len(one.bars))
        self.assertEqual(one, free("frame_pattern", seed=3))
        self.assertNotEqual(one, free("frame_pattern", seed=4))

    def test_the_target_finger_is_what_sounds(self):
        held = free("held_note", Instrument.CELLO, fingers=(4,))
        self.assertEqual(set(fingers_of(held)), {4})

    def test_bad_requests_name_the_field(self):
        for name, wish, field in (
            ("nonsense", {}, "drill"),
            ("extension_pattern", {}, "drill"),
            ("frame_pattern", {"string": 4}, "string"),
            ("frame_pattern", {"tempo": 19}, "tempo"),
            ("double_ring", {"string": 3}, "string"),
            ("shift_pair", {"position": 5}, "position"),
        ):
            with self.subTest(name, **wish), self.assertRaises(InputError) as caught:
                free(name, **wish)
            self.assertEqual(caught.exception.field, field)

    def test_onsets_of_the_expected_notes(self):
        data = drill_json(free("touch_rest", tempo=120))
        self.assertEqual([n["onset"] for n in data["notes"][:3]], [0.0, 1.0, 2.0])
        self.assertEqual([n["finger"] for n in data["notes"]], [1, 2, 4, 4, 3, 2, 1])
        self.assertEqual(data["notes"][2]["kept"], [3])

    def test_an_event_may_not_cross_a_bar_line(self):
        with self.assertRaisesRegex(ValueError, "crosses the bar line"):
            into_bars([rest(Fraction(3)), Event(Fraction(2))])


class DrillFile(TestCase):
    """`jolf-drill/1` by its schema (JSON Schema 2020-12, read by the package jsonschema-rs)."""

    valid = jsonschema_rs.validator_for(json.loads(SCHEMA.read_text(encoding="utf-8")))

    def test_every_drill_and_every_step_is_valid(self):
        count = 0
        for drill in (*all_free(), *(found[-1] for found in all_steps(fingers=((), (4,))))):
            data = drill_json(drill)
            with self.subTest(drill=drill.name, instrument=drill.instrument):
                self.assertEqual([e.message for e in self.valid.iter_errors(data)], [])
            count += 1
        self.assertGreater(count, 500)
        self.assertTrue(self.valid.is_valid(no_drill_json("vn", {"exercise": "warm_up"})))
        self.assertFalse(self.valid.is_valid({**no_drill_json("vn", {}), "notes": [{}]}))

    def test_it_says_all_that_is_printed(self):
        def first(drill, **wanted):
            return next(
                n for n in drill_json(drill)["notes"] if all(n[k] == v for k, v in wanted.items())
            )

        pluck = first(of_step("fourth_plucks", 1), pluck=4)
        self.assertEqual((pluck["finger"], pluck["string"]), (0, 4))
        self.assertTrue(first(free("shift_pair", fingers=(1,)), slide=True))
        self.assertTrue(first(of_step("two_and_four", 1), slur=True))
        self.assertTrue(first(of_step("stop_and_shape", 1, fingers=(4,)), stop=True))
        self.assertTrue(first(of_step("thumb_taps", 4), tap=True))
        self.assertTrue(first(of_step("finger_before_bow", 1), short=True))
        data = drill_json(of_step("finger_before_bow", 1, fingers=(3,), seed=7))
        self.assertEqual(len(data["rests"]), 8)
        self.assertEqual(
            (data["request"]["fingers"], data["request"]["seed"], data["bars"]), ([3], 7, 4)
        )

    def test_articulation(self):
        self.assertEqual(drill_json(free("frame_pattern"))["articulation"], "separate")
        slurred = drill_json(free("frame_pattern", slurred=True))
        self.assertEqual(slurred["articulation"], "slurred")
        self.assertEqual([n["slur"] for n in slurred["notes"][:4]], [True, True, True, False])


class Written(TestCase):
    def test_musicxml_is_whole_and_says_what_is_played(self):
        for drill in all_free():
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
                    self.assertEqual(whole, drill.beats * DIVISIONS)

    def test_accidentals_stand_once_in_a_bar_and_come_back(self):
        events = []
        for name in ("C5", "C#5", "C#5", "C5", "C#5", "C5", "A4", "A4"):
            events.append(Event(QUARTER, (Tone(Pitch.parse(name), 2, 2),)))
        drill = Drill("test", "Test", Instrument.VIOLIN, 60, into_bars(events), Key(0, "C"))
        root = ET.fromstring(to_musicxml(drill))
        bars = [[n.findtext("accidental") for n in m.iter("note")] for m in root.iter("measure")]
        self.assertEqual(root.findtext(".//fifths"), "0")
        self.assertEqual(bars[0], [None, "sharp", None, "natural"])
        self.assertEqual(bars[1], ["sharp", "natural", None, None])

    def test_keys_have_a_tonic_that_is_heard(self):
        for names, home, tonic, fifths in (
            ("C4 D4 E4 G4", "C4", "C", 0),
            ("D4 E4 F#4 G4", "D4", "D", 2),
            ("B4 C#5 D5 E5", "A4", "D", 2),
            ("E4 F#4 G4 A4", "D4", "G", 1),
            ("D3 E3 F3 G3", "D3", "D", -1),
            ("C#5 E5", "A4", "A", 3),
        ):
            with self.subTest(names):
                key = key_of(list(map(Pitch.parse, names.split())), Pitch.parse(home))
                self.assertEqual((key.tonic, key.fifths), (tonic, fifths))

    def test_beginners_and_middle_patterns_need_no_signs_but_those_of_an_easy_key(self):
        for instrument in Instrument:
            for difficulty in (1, 2):
                for finger in (1, 2, 3, 4):
                    drill = free(
                        "frame_pattern", instrument, difficulty=difficulty, fingers=(finger,)
                    )
                    root = ET.fromstring(to_musicxml(drill))
                    with self.subTest(instrument=instrument, finger=finger):
                        self.assertEqual(list(root.iter("accidental")), [])
                        self.assertLessEqual(abs(drill.key.fifths), 3)

    def test_beams_join_what_is_quick_within_a_quarter(self):
        tone = Tone(Pitch.parse("D5"), 3, 2)
        bar = [Event(length, (tone,)) for length in (QUARTER, EIGHTH, EIGHTH, QUARTER, QUARTER)]
        self.assertEqual(beams(bar), [(), ("begin",), ("end",), (), ()])
        burst = of_step("trill_bursts", 1, fingers=(4,))
        self.assertEqual(
            beams(burst.bars[0])[:4], [(s, s) for s in ("begin", "continue", "continue", "end")]
        )

    def test_no_bar_stands_alone_on_the_last_line(self):
        for *_, drill in all_steps(fingers=((), (4,))):
            for most in (2, 4):
                starts = [
                    0,
                    *line_starts(len(drill.bars), bars_that_fit(drill, most)),
                    len(drill.bars),
                ]
                lines = [b - a for a, b in pairwise(starts)]
                with self.subTest(drill=drill.name, bars=len(drill.bars)):
                    few = all(len(bar) <= 2 for bar in drill.bars)
                    self.assertLessEqual(max(lines), 2 * most if few else most)
                    self.assertLessEqual(max(lines) - min(lines), 1)

    def test_a_tap_is_said_where_no_hint_explains_its_sign(self):
        drill = of_step("thumb_taps", 4)
        for shown, said in ((EVERYTHING, "*"), (Shown(opening=False), "tap")):
            words = [w.text for w in ET.fromstring(to_musicxml(drill, shown=shown)).iter("words")]
            with self.subTest(said):
                self.assertEqual(words.count(said), len(drill.bars))
                self.assertEqual(len({"*", "tap"} & set(words)), 1)

    def test_a_tune_names_itself_and_where_it_comes_from(self):
        root = ET.fromstring(to_musicxml(free("easy_tune")))
        titles = {tune.title for tune in CATALOGUE.tunes.values()}
        self.assertIn(root.findtext("work/work-title"), titles)
        self.assertTrue(root.findtext("identification/creator").startswith("traditional, "))

    def test_what_is_done_with_a_note_is_written(self):
        written = {
            "stopped": of_step("fourth_plucks", 1),
            "slur": of_step("two_and_four", 1),
            "slide": of_step("fourth_slide", 1),
            "breath-mark": of_step("stop_and_shape", 1, fingers=(4,)),
            "staccato": of_step("finger_before_bow", 1),
            "beam": of_step("trill_bursts", 1),
        }
        for tag, drill in written.items():
            with self.subTest(tag):
                self.assertIsNotNone(ET.fromstring(to_musicxml(drill)).find(f".//{tag}"))
        tunes = (of_step("tune_for_the_hand", 1, "vc", (4,), seed=seed) for seed in range(6))
        self.assertTrue(any("<dot" in to_musicxml(tune) for tune in tunes))
        self.assertEqual(
            drill_json(of_step("easy_melody", 1))["looks"], ["thumb", "elbow", "finger"]
        )
        kept = ET.fromstring(to_musicxml(of_step("low_high_fourth", 3)))
        words = [w.text for w in kept.iter("words")]
        self.assertEqual([w for w in words if w][-2:], ["keep 1", "+3"])


class LooksAtStops(TestCase):
    """At each stop of a tune one sign for each thing that is looked at, always in the same order."""

    def test_each_stop_has_all_signs_and_no_other_note_has_any(self):
        looked = 0
        for exercise, rung, instrument, fingers, drill in all_steps(
            fingers=((1,), (2,), (3,), (4,))
        ):
            if not drill.looks:
                continue
            with self.subTest(exercise.id, rung=rung, instrument=instrument, fingers=fingers):
                stops = sum("stop" in event.marks for _, event in drill.events())
                self.assertGreater(stops, 0)
                drawn = engrave(to_musicxml(drill, shown=DRAWN))
                order = [
                    each for each in re.findall(r'd="([^"]+)"', drawn) if each in SIGNS.values()
                ]
                self.assertEqual(order, [SIGNS[look] for look in drill.looks] * stops)
                self.assertNotIn("t\u00a0", drawn)
                looked += 1
        self.assertGreater(looked, 10)

    def test_a_file_says_letters_and_what_they_mean(self):
        words = [w.text for w in ET.fromstring(to_musicxml(free("tune_with_stops"))).iter("words")]
        said = "at each mark stop and shape. t thumb soft, e elbow free, f finger round"
        self.assertEqual(
            (words[1], words.count("t\u00a0\u00a0\u00a0e\u00a0\u00a0\u00a0f") > 1), (said, True)
        )

    def test_on_the_bass_it_begins_as_asked_and_has_the_finger_that_it_stops_for(self):
        """In first position no tune from the second finger has the fourth: then in the half one."""
        for rung, finger, begins, half in ((3, 4, 2, True), (4, 2, 4, True), (4, 4, 4, False)):
            for seed in range(6):
                drill = of_step("stop_and_shape", rung, "db", (finger,), seed=seed)
                with self.subTest(rung=rung, finger=finger, tune=drill.title):
                    self.assertEqual(fingers_of(drill)[0], begins)
                    self.assertIn(finger, fingers_of(drill)[1:])
                    self.assertEqual(drill.title.endswith(", half position"), half)

    def test_where_the_hand_hangs_at_each_mark_nothing_is_looked_at(self):
        for exercise, rung in (("tune_for_the_hand", 1), ("stop_and_shape", 5), ("easy_melody", 2)):
            drill = of_step(exercise, rung, fingers=(4,))
            self.assertEqual(drill.looks, ())
            self.assertNotIn("t\u00a0", to_musicxml(drill))


class Blank(TestCase):
    """What is left to the player is not printed, and still has its place and its length."""

    def test_one_note_a_bar_and_not_its_first_or_every_second_bar(self):
        for drill in (d for d in all_free() if sum(1 for _ in d.events()) > 1):
            for blanks in Blanks:
                left = with_blanks(drill, blanks)
                self.assertEqual(left, with_blanks(drill, blanks))
                for number, bar in enumerate(left.bars):
                    sounding = [event for event in bar if not event.is_rest]
                    mine = ["blank" in event.marks for event in sounding]
                    with self.subTest(drill.name, bar=number, blanks=blanks):
                        if blanks is Blanks.BARS:
                            self.assertEqual(mine, [number % 2 == 1] * len(sounding))
                        elif sounding:
                            self.assertEqual((sum(mine), mine[0]), (1, len(sounding) == 1))
                sounds = [(at, event.tones, event.length) for at, event in left.events()]
                self.assertEqual(sounds, [(at, e.tones, e.length) for at, e in drill.events()])

    def test_a_blank_note_tells_neither_pitch_nor_finger(self):
        drill = free("even_run", slurred=True)
        left = with_blanks(drill, Blanks.NOTES)
        mine = left_to_player(left)
        root = ET.fromstring(to_musicxml(left))
        notes = [note for note in root.iter("note") if note.find("rest") is None]
        self.assertEqual([note.get("print-object") == "no" for note in notes], mine)
        for note, is_mine in zip(notes, mine, strict=True):
            self.assertEqual(note.find(".//fingering") is None, is_mine)
            if is_mine:
                self.assertIsNone(note.find("beam"))
        self.assertEqual([w.text for w in root.iter("words")].count("_"), sum(mine))
        hidden = re.findall(r'class="note" visibility="hidden"', engrave(to_musicxml(left)))
        self.assertEqual(len(hidden), sum(mine))

    def test_slurs_end_where_they_ended_and_nothing_slides_to_a_blank(self):
        for name, slurred in (("even_run", True), ("shift_pair", False)):
            for blanks in Blanks:
                left = ET.fromstring(to_musicxml(with_blanks(free(name, slurred=slurred), blanks)))
                kinds = [slur.get("type") for slur in left.iter("slur")]
                self.assertEqual(kinds, ["start", "stop"] * (len(kinds) // 2))
                for note in left.iter("note"):
                    if note.get("print-object") == "no":
                        self.assertIsNone(note.find(".//slide"))
                slides = [slide.get("type") for slide in left.iter("slide")]
                self.assertEqual(slides.count("start"), slides.count("stop"))


class Drawn(TestCase):
    music = to_musicxml(free("frame_pattern", bars=8))

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
