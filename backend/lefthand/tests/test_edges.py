"""Edges of the knowledge files and of what lies outside the hand: the value on which something turns,
one step to either side of it."""

import tempfile
from pathlib import Path
from unittest import TestCase

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.exercises import read_dose
from lefthand.catalogue.starting import read_starting_chance
from lefthand.catalogue.tunes import read_tune
from lefthand.reason.outside import outside_chances
from lefthand.tests.cases import case, diagnosis
from lefthand.values.dose import Dose
from lefthand.values.errors import CatalogueError
from lefthand.values.knowledge_file import Record, read_records

CATALOGUE = load_catalogue()


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
