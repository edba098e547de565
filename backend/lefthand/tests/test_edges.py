"""Edges: the value on which something turns, one step to either side of it."""

import tempfile
from pathlib import Path
from unittest import TestCase
from xml.etree import ElementTree as ET

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.exercises import read_dose
from lefthand.catalogue.starting import read_starting_chance
from lefthand.catalogue.tunes import read_tune
from lefthand.music.compose import free_recipe, slurred
from lefthand.music.drill_json import no_drill_json
from lefthand.music.engraving import engrave, flat_svg
from lefthand.music.hands import hand_of
from lefthand.music.keys import key_with, signature
from lefthand.music.midi import PROGRAMS
from lefthand.music.musicxml import TYPES, to_musicxml
from lefthand.music.phrase import Names, read_bar
from lefthand.music.request import HIGHEST_STRING, DrillHand, DrillRequest
from lefthand.music.strings import Pitch
from lefthand.practice.doses import doses_of, fill_share, load_minutes
from lefthand.practice.planning import aimed_cause, prescribe
from lefthand.practice.selection import Wishes, select
from lefthand.practice.situation import Situation
from lefthand.reason.outside import outside_chances
from lefthand.tests.cases import case, diagnosis, plan
from lefthand.tests.drills import free
from lefthand.values.dose import Dose
from lefthand.values.errors import CatalogueError
from lefthand.values.fingers import finger_pairs
from lefthand.values.knowledge_file import Record, read_records
from lefthand.values.vocabulary import Instrument, Kind

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


class KnowledgeFiles(TestCase):
    def tune(self, **fields):
        usual = {"title": "T", "origin": "O", "level": "beginner", "phrases": ["0 2 4 5"]}
        return read_tune(Record("tunes.yaml", "t", {**usual, **fields}))

    def test_a_tune_that_cannot_be_sung_is_refused(self):
        self.assertEqual(self.tune().bars, 1)
        for phrases, problem in (
            (["0 2 4"], "the last bar is not full"),
            (["0 2 4 5 7"], "is too long"),
            (["0 2 | 4 5"], "has a bar line at beat 2"),
            (["0 2 4 x"], "expected a note, got 'x'"),
            (["0 2 4 5--'"], "expected a note"),
            (["0 2 4 25"], "wider than 24 semitones"),
        ):
            with self.subTest(phrases), self.assertRaisesRegex(CatalogueError, problem):
                self.tune(phrases=phrases)
        self.assertEqual(self.tune(phrases=["0 2 4 24"]).span, 24)
        self.assertEqual(self.tune(beats=3, phrases=["0- 2 | r 2 4"]).bars, 2)

    def test_a_dose_that_cannot_be_done_is_refused(self):
        for fields, fits in (
            ({"hold": 1, "reps": 1}, True),
            ({"hold": 0.9, "reps": 1}, False),
            ({"hold": 600, "reps": 1}, True),
            ({"hold": 601, "reps": 1}, False),
            ({"reps": 1, "pause": 60}, True),
            ({"reps": 1, "pause": 61}, False),
            ({"reps": 1, "rest": 120}, True),
            ({"reps": 1, "rest": 121}, False),
            ({"reps": 60}, True),
            ({"reps": 61}, False),
            ({"bars": 64}, True),
            ({"bars": 65}, False),
            ({"reps": 1, "tempo": 20}, True),
            ({"reps": 1, "tempo": 19}, False),
            ({"reps": 1, "per": "toe"}, False),
        ):
            with self.subTest(**fields):
                row = Record("x.yaml", "y", fields)
                if fits:
                    self.assertIsInstance(read_dose(row), Dose)
                else:
                    with self.assertRaises(CatalogueError):
                        read_dose(row)

    def test_a_dose_that_says_little_is_once_and_without_a_rest(self):
        dose = read_dose(Record("x.yaml", "y", {"reps": 3}))
        self.assertEqual((dose.sets, dose.pause, dose.rest, dose.tempo), (1, 0, 0, None))

    def test_a_tune_has_two_to_four_beats_a_bar(self):
        self.assertEqual(self.tune().beats, 4)
        self.assertEqual(self.tune(beats=2, phrases=["0 2 | 4 5"]).bars, 2)
        for beats in (1, 5):
            with self.subTest(beats), self.assertRaisesRegex(CatalogueError, "beats"):
                self.tune(beats=beats, phrases=["0"])

    def test_a_starting_chance_is_for_ages_of_people(self):
        for who, fits in (
            ({"age_from": 0}, True),
            ({"age_from": 120}, True),
            ({"age_from": 121}, False),
            ({"age_from": -1}, False),
            ({"age_below": 121}, False),
            ({"hours_from": 24}, True),
            ({"hours_from": 25}, False),
        ):
            record = {"who": [who], "odds": {"arm_forced": 2}, "because": "it is so"}
            with self.subTest(**who):
                row = Record("starting.yaml", "s", record)
                if fits:
                    chance = read_starting_chance(row, {"arm_forced"}, set())
                    self.assertEqual(chance.odds, {"arm_forced": 2})
                else:
                    with self.assertRaisesRegex(CatalogueError, "age|hours"):
                        read_starting_chance(row, {"arm_forced"}, set())

    def test_wrong_records_name_file_and_record(self):
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "a.yaml"
            path.write_text("one: {a: 1}\none: {a: 2}\n", encoding="utf-8")
            with self.assertRaises(CatalogueError):
                read_records(path)


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


class Ages(TestCase):
    def test_minutes_by_age_and_level(self):
        for age, level, minutes in (
            (7.9, "advanced", 5),
            (8, "advanced", 15),
            (60, "advanced", 15),
            (60.1, "advanced", 5),
            (30, "intermediate", 10),
            (30, "beginner", 5),
        ):
            with self.subTest(age=age, level=level):
                self.assertEqual(case("vn", age=age, level=level).minutes_budget, minutes)

    def test_how_full_a_day_is(self):
        for age, level, share in (
            (7.9, "advanced", 0.8),
            (8, "advanced", 1.0),
            (60, "advanced", 1.0),
            (61, "advanced", 0.8),
            (30, "intermediate", 0.9),
            (30, "beginner", 0.8),
        ):
            with self.subTest(age=age, level=level):
                self.assertEqual(fill_share(case("vn", age=age, level=level)), share)

    def test_over_sixty_a_week_begins_with_the_warm_up_and_at_sixty_not_always(self):
        seen = {"thumb.locked": 3, "nail.pale": 3, "thumbball.hard": 3, "hold.slips": 0}
        old = plan("vn", seen, age=61, level="intermediate", daily_minutes=10)
        self.assertEqual(old.items[0].exercise, "warm_up")
        sixty = plan("vn", seen, age=60, level="intermediate", daily_minutes=10)
        self.assertNotIn("warm_up", [i.exercise for i in sixty.items])


class DosesOfAWeek(TestCase):
    def now(self, **more):
        grip = {"thumb.locked": 3, "nail.pale": 3, "hold.slips": 0}
        return Situation(diagnosis("vn", grip, **more), CATALOGUE)

    def doses(self, name, now):
        exercise = CATALOGUE.exercises[name]
        given = exercise.rung(1).dose
        return [(d.sets, d.reps) for d in doses_of(exercise, 1, given, now)]

    def test_from_the_least_to_the_usual_and_to_twice_of_it(self):
        self.assertEqual(
            self.doses("thumb_taps", self.now()), [(1, 5), (1, 10), (2, 10), (3, 10), (4, 10)]
        )

    def test_music_may_grow_to_four_times(self):
        doses = self.doses("easy_melody", self.now())
        self.assertEqual(doses[0], (1, 1))
        self.assertEqual(max(s * r for s, r in doses), 4)

    def test_a_load_never_grows_beyond_its_dose(self):
        doses = self.doses("two_and_four", self.now())
        self.assertEqual(doses[-1], (2, 8))

    def test_a_third_of_the_day_may_load_the_hand_and_two_minutes_always(self):
        for minutes, most in ((3, 2.0), (6, 2.0), (9, 3.0), (30, 10.0)):
            self.assertEqual(load_minutes(case("vn", daily_minutes=minutes)), most)

    def test_more_is_a_repetition_for_few_or_holds_else_a_set(self):
        for dose, expected in (
            (Dose(reps=4), (1, 5)),
            (Dose(reps=5), (2, 5)),
            (Dose(reps=9, is_hold=True), (1, 10)),
            (Dose(reps=3, sets=2), (3, 3)),
        ):
            more = dose.more()
            self.assertEqual((more.sets, more.reps), expected)

    def test_words_of_a_dose(self):
        for dose, words in (
            (Dose(reps=1, unit="tune"), "1 tune"),
            (Dose(reps=2, unit="tune"), "2 tunes"),
            (Dose(reps=1, unit="taps"), "1 tap"),
            (Dose(reps=8, sets=2, unit="bars"), "2 × 8 bars"),
            (Dose(reps=4, sets=3), "12 times"),
            (Dose(reps=2, seconds=60, is_hold=True), "2 × 1 min"),
            (Dose(reps=2, seconds=90, is_hold=True), "2 × 90 s"),
            (Dose(reps=2, seconds=59, is_hold=True), "2 × 59 s"),
        ):
            self.assertEqual(dose.words(), words)


class SlotsOfAWeek(TestCase):
    GRIP = {"thumb.locked": 3, "nail.pale": 3, "thumbball.hard": 3, "hold.slips": 0}

    def kinds(self, seen, **more):
        now = Situation(diagnosis("vn", seen, **more), CATALOGUE)
        return [{e.kind for e in slot.candidates} for slot in select(now, Wishes()).slots]

    def test_what_leads_is_a_release_then_music_then_placement(self):
        lead, music, placement = self.kinds(self.GRIP)
        self.assertEqual((lead, music), ({Kind.RELEASE}, {Kind.TRANSFER}))
        self.assertIn(Kind.PLACEMENT, placement)

    def test_a_load_brings_the_warm_up(self):
        weak = {"arch.fails": {"4": 3}, "shape.lost": {"4": 3}, "tip.gives": 0}
        now = Situation(diagnosis("vn", weak), CATALOGUE)
        slots = select(now, Wishes()).slots
        self.assertEqual({e.kind for e in slots[0].candidates}, {Kind.STRENGTH})
        self.assertEqual([e.id for e in slots[1].candidates], ["warm_up"])

    def test_music_for_a_finger_is_a_tune_and_for_the_whole_hand_an_open_string(self):
        for seen, first in (
            ({"shape.lost": {"4": 3}, "arch.fails": {"4": 3}}, "tune_for_the_hand"),
            ({"hold.slips": 3, "hold.droops": 3}, "open_string_line"),
        ):
            given = plan("vn", seen, age=12, level="beginner").items
            music = [item.exercise for item in given if item.kind is Kind.TRANSFER]
            self.assertEqual(music, [first])

    def test_fit_is_no_place_of_the_week(self):
        now = Situation(diagnosis("vn", {"strings.high": 3, "try.refit": 3}), CATALOGUE)
        found = select(now, Wishes())
        self.assertEqual(found.in_lesson, ("guided_refit",))
        for slot in found.slots:
            self.assertNotIn("guided_refit", [e.id for e in slot.candidates])

    def test_a_sign_that_an_exercise_answers_brings_it_forward_by_its_grade(self):
        def place(grade):
            seen = {**self.GRIP, "press.excess": {"2": grade}, "try.lighter": 3}
            return prescribe(diagnosis("vn", seen), CATALOGUE).offered.index("pressure_finder")

        self.assertLess(place(3), place(1))

    def test_what_aims_at_a_focus_is_given_for_it_and_what_is_for_all_too(self):
        for seen in (
            self.GRIP,
            {"elbow.forced": 3},
            {"arch.fails": {"4": 3}, "shape.lost": {"4": 3}, "tip.gives": 0},
            {"press.excess": {"2": 3}, "try.lighter": 3},
        ):
            now = Situation(diagnosis("vn", seen), CATALOGUE)
            focus = {f.cause for f in now.diagnosis.focus}
            self.assertTrue(focus)
            aiming = [e for e in CATALOGUE.exercises.values() if focus & set(e.aims) or e.general]
            self.assertGreater(len(aiming), 3)
            for exercise in aiming:
                self.assertIn(aimed_cause(exercise, now), focus)

    def test_a_third_that_helps_the_fourth_is_trained_as_the_fourth(self):
        weak = {"shape.lost": {"3": 3}, "arch.fails": {"3": 3}, "tip.gives": {"3": 2}}
        for way, finger in (("124", 4), ("1234", 3)):
            ways = {"bass_fingering": way}
            given = plan("db", weak, way_of_teaching=ways, age=14, level="intermediate").items
            named = {item.fingers for item in given if item.fingers}
            self.assertEqual(named, {(finger,)}, way)

    def test_pairs_are_as_many_as_neighbours_and_hold_the_aimed_at_finger(self):
        for hand, aimed, pairs in (
            ((1, 2, 3, 4), (), [(1, 2), (2, 3), (3, 4)]),
            ((1, 2, 3, 4), (4,), [(1, 4), (2, 4), (3, 4)]),
            ((1, 2, 3, 4), (3, 4), [(1, 3), (2, 3), (3, 4)]),
            ((1, 2, 4), (), [(1, 2), (2, 4)]),
            ((1, 2, 4), (3,), [(1, 4), (2, 4)]),
        ):
            self.assertEqual(finger_pairs(hand, aimed), pairs)

    def test_who_plays_two_hours_a_day_is_given_strength_later(self):
        weak = {"arch.fails": {"4": 3}, "shape.lost": {"4": 3}, "tip.gives": 0}

        def first_strength(hours):
            offered = plan("vn", weak, hours_a_day=hours, age=20, level="advanced").offered
            kinds = [CATALOGUE.exercises[name].kind for name in offered]
            return kinds.index(Kind.STRENGTH)

        self.assertEqual(first_strength(1.99), first_strength(0))
        self.assertGreater(first_strength(2), first_strength(1.99))

    def test_the_way_of_the_fourth_prefers_its_own_exercises(self):
        def score(way, exercise):
            seen = {"reach.exceeded": 3, "fourth.straight": 3, "elbow.behind": 0, "hold.slips": 0}
            ways = {"fourth_reach": way}
            offered = plan("vn", seen, way_of_teaching=ways, age=20).offered
            return offered.index(exercise)

        self.assertLess(score("turn", "lean_to_fourth"), score("lift", "lean_to_fourth"))
        self.assertLess(score("lift", "fourth_first"), score("turn", "fourth_first"))


class OutsideTheHand(TestCase):
    def test_how_much_the_bow_may_bring(self):
        for seen, chance in (
            ({}, 0.25),
            ({"bow.blurs": 0}, 0.0),
            ({"bow.blurs": 1}, 0.3),
            ({"bow.blurs": 2}, 0.0),
        ):
            found = outside_chances(case("vn", {"tone.fuzzy": 3, **seen}), CATALOGUE)
            self.assertEqual(found, {"tone.fuzzy": chance})

    def test_a_clear_blur_asks_for_the_bow_and_a_slight_one_does_not(self):
        for grade, asks in ((1, False), (2, True), (3, True)):
            found = diagnosis("vn", {"tone.fuzzy": grade})
            self.assertEqual("bow.blurs" in found.awaited, asks)
