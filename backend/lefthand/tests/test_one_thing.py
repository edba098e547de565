"""What heads a week, and an exercise in few words: for each cause, age, finger and instrument."""

from itertools import product
from unittest import TestCase

from lefthand.catalogue.briefs import read_brief
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.one_things import (
    NO_FOCUS,
    WORDS_SAID,
    WORDS_WHY,
    Reader,
    read_one_things,
    reader_of,
)
from lefthand.drawing.pairs import exercise_pictures
from lefthand.values.errors import CatalogueError
from lefthand.values.knowledge_file import Record
from lefthand.values.vocabulary import FINGERS, Instrument

FINGER_SETS = ((), *((finger,) for finger in FINGERS), (3, 4))
JARGON = ("laxity", "probab", "extension", "hypermobil", "tendon", "syndrome", "inflam")


class OneThing(TestCase):
    def told(self):
        catalogue = load_catalogue()
        for cause, reader, instrument, fingers in product(
            catalogue.one_things, Reader, Instrument, FINGER_SETS
        ):
            if cause == NO_FOCUS or instrument in catalogue.causes[cause].instruments:
                one = catalogue.one_things[cause].told(reader, instrument, fingers)
                yield cause, reader, instrument, fingers, one

    def test_it_is_one_short_sentence_with_a_short_reason_and_a_question(self):
        seen = set()
        for cause, reader, instrument, fingers, one in self.told():
            seen.add((cause, reader))
            with self.subTest(cause=cause, reader=reader, instrument=instrument, fingers=fingers):
                self.assertLessEqual(len(one.say.split()), WORDS_SAID)
                self.assertLessEqual(len(one.say), 60, "two lines of large print")
                self.assertLessEqual(len(one.why.split()), WORDS_WHY[reader.value])
                self.assertTrue(one.say.endswith(".") and one.why.endswith("."))
                self.assertTrue(one.ask.endswith("?"))
                for text in (one.say, one.why, one.ask):
                    self.assertNotIn("{", text)
                    self.assertFalse([word for word in JARGON if word in text.lower()], text)
        self.assertEqual(len(seen), 3 * (len(load_catalogue().causes) + 1))

    def test_it_names_the_one_finger_and_no_other(self):
        names = {1: "first", 2: "second", 3: "third", 4: "little"}
        for cause, _, _, fingers, one in self.told():
            if cause in ("soft_tip_joint", "weak_finger", "held_fingers") and len(fingers) == 1:
                with self.subTest(cause=cause, fingers=fingers):
                    said = {finger for finger, name in names.items() if name in one.say}
                    self.assertEqual(said, set(fingers))
                    self.assertIn(names[fingers[0]], one.ask)

    def test_whom_it_speaks_to_follows_from_the_age(self):
        table = ((7, "child"), (11, "child"), (12, "teen"), (17, "teen"), (18, "adult"))
        for age, reader in (*table, (None, "teen")):
            with self.subTest(age):
                self.assertEqual(reader_of(age).value, reader)

    def test_what_is_too_long_for_a_page_is_refused_by_its_name(self):
        said = {"say": "Short.", "why": "Short."}
        long = {"say": "One two three four five six seven eight nine ten.", "why": "Short."}
        with self.assertRaisesRegex(CatalogueError, "x.child: more than 9 words"):
            read_one_things(
                Record("f", "x", {"child": long, "teen": said, "adult": said, "ask": "So?"})
            )


class Briefs(TestCase):
    def test_every_exercise_says_three_steps_on_every_rung_and_instrument(self):
        catalogue = load_catalogue()
        for exercise in catalogue.exercises.values():
            brief = catalogue.briefs[exercise.id]
            for rung, instrument in product(range(len(exercise.rungs)), exercise.instruments):
                with self.subTest(exercise=exercise.id, rung=rung + 1, instrument=instrument):
                    steps = brief.steps_of(rung + 1, instrument)
                    self.assertEqual(len(steps), 3)
                    self.assertEqual(len(set(steps)), 3)
                    for step in steps:
                        self.assertIn(step[-1], ".?")
            with self.subTest(exercise=exercise.id):
                self.assertTrue(set(brief.on_rung) <= set(range(1, len(exercise.rungs) + 1)))
                self.assertTrue(set(brief.on_instrument) <= exercise.instruments)
                for goes_on in (brief.feel, brief.stop):
                    self.assertFalse(goes_on.endswith("."), "the page ends the sentence")

    def test_a_silent_rung_asks_for_no_bow_and_a_bowed_one_for_no_plucking(self):
        catalogue = load_catalogue()
        for exercise in catalogue.exercises.values():
            for number, rung in enumerate(exercise.rungs, start=1):
                for instrument in exercise.instruments:
                    steps = catalogue.briefs[exercise.id].steps_of(number, instrument)
                    text = " ".join(steps).lower()
                    with self.subTest(exercise=exercise.id, rung=rung.words):
                        if rung.words == "silent":
                            self.assertNotRegex(text, r"\bbow\b|pluck|\bsounds\b")
                        if "bow" in rung.words and exercise.id != "plucked_echo":
                            self.assertNotRegex(text, r"pluck")

    def test_loose_joints_are_never_told_to_go_past_flat(self):
        brief = load_catalogue().briefs["fold_and_flatten"]
        self.assertIn("never past flat", brief.stop)

    def test_pictures_have_few_words(self):
        for name, shown in exercise_pictures().items():
            with self.subTest(name):
                self.assertLessEqual(sum(len(words.split()) for words in shown.words), 10)

    def test_what_is_too_long_is_refused_by_its_name(self):
        good = {
            "steps": ["One.", "Two.", "Three."],
            "feel": "soft",
            "stop": "it hurts",
            "see": "it?",
        }
        bad = {
            "steps": ({"steps": ["One.", "Two."]}, "steps: expected 3"),
            "feel": ({"feel": "one two three four five six seven eight"}, "feel: more than 7"),
            "see": ({"see": " ".join(["word"] * 10)}, "see: more than 9"),
        }
        read_brief(Record("f", "x", dict(good)))
        for field, (wrong, problem) in bad.items():
            with self.subTest(field), self.assertRaisesRegex(CatalogueError, problem):
                read_brief(Record("f", "x", good | wrong))
