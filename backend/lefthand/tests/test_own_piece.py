"""The step into music in the player's own piece: the bars that the words promise, no more time than
was planned, and what a piece asks more than another."""

import itertools
from unittest import TestCase

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.passage.costs import costs_of
from lefthand.passage.harder import asked_most, asks_of, harder_because
from lefthand.passage.levels import weights
from lefthand.passage.passage import Asked, next_taste, read_passage
from lefthand.passage.tastes import tastes
from lefthand.practice.own_piece import in_own_piece
from lefthand.practice.own_place import OwnPlace
from lefthand.practice.planning import plan_item, prescribe
from lefthand.practice.selection import Wishes
from lefthand.practice.situation import Situation
from lefthand.tests.cases import WORKED_CASES, diagnosis
from lefthand.tests.scores import melody
from lefthand.values.vocabulary import Instrument, Kind
from lefthand.words.words import words_of

EXERCISES = load_catalogue().exercises
NUMBERS = {"two": 2, "four": 4, "eight": 8}
GRIP = {"web.closed": 3, "thumb.locked": 3, "nail.pale": 2, "hold.slips": 0}


def place(first=11, last=12, bars=32, start=54, goal=96, quarters=4.0):
    return OwnPlace(first, last, (first, last), [quarters] * bars, start, goal)


def items(where, findings=GRIP):
    now = Situation(diagnosis("vn", findings), load_catalogue())
    for exercise in EXERCISES.values():
        for rung in range(1, len(exercise.rungs) + 1):
            if exercise.rung(rung).in_piece is not None:
                item = plan_item(exercise, now, rung=rung)
                yield exercise, item, in_own_piece(item, exercise, where)


class Places(TestCase):
    def test_so_many_bars_with_the_heart_in_them(self):
        cases = (
            (place(11, 12), 2, (11, 12)),
            (place(11, 12), 4, (10, 13)),
            (place(11, 12), 8, (8, 15)),
            (place(11, 12), None, (11, 12)),
            (place(0, 1), 4, (0, 3)),
            (place(30, 31), 8, (24, 31)),
            (place(1, 2, bars=3), 8, (0, 2)),
            (OwnPlace(8, 15, (14, 15), [4.0] * 32, 54, 96), 2, (14, 15)),
            (OwnPlace(8, 15, (14, 15), [4.0] * 32, 54, 96), 4, (12, 15)),
            (OwnPlace(5, 5, (5, 5), [4.0] * 32, 54, 96), 2, (4, 5)),
        )
        for where, bars, expected in cases:
            with self.subTest(where=(where.first, where.last), bars=bars):
                self.assertEqual(where.window(bars), expected)

    def test_the_bars_are_as_many_as_the_words_of_the_step_say(self):
        told = 0
        for exercise, before, item in items(place()):
            first, last = item.in_piece
            words = exercise.rung(item.rung).words.split()
            if words[0] in NUMBERS and words[1].startswith("bars"):
                told += 1
                with self.subTest(exercise.id, rung=item.rung):
                    self.assertEqual(last - first + 1, NUMBERS[words[0]])
            if before.dose.unit == "bars":
                self.assertEqual(last - first + 1, item.dose.reps)
        self.assertGreaterEqual(told, 5)

    def test_half_the_tempo_is_half_of_the_goal_at_most(self):
        for start, goal in ((54, 96), (20, 40), (60, 60), (40, 300)):
            for exercise, _, item in items(place(start=start, goal=goal)):
                words = " ".join([exercise.rung(item.rung).words, *exercise.steps_in_piece])
                with self.subTest(exercise.id, rung=item.rung, goal=goal):
                    if "half the tempo" in words:
                        self.assertLessEqual(item.dose.tempo, max(20, round(goal / 2)))
                        self.assertIsNone(item.goal)
                    if exercise.rung(item.rung).words == "up to tempo" and start < goal:
                        self.assertEqual((item.dose.tempo, item.goal), (start, goal))

    def test_slow_or_long_bars_are_played_less_often_and_never_take_more_minutes(self):
        for start, quarters in itertools.product((24, 40, 90), (3.0, 4.0, 6.0)):
            for exercise, before, item in items(place(start=start, quarters=quarters)):
                once = place(start=start, quarters=quarters).seconds(
                    item.in_piece, item.dose.tempo or start
                )
                with self.subTest(exercise.id, rung=item.rung, start=start, quarters=quarters):
                    played = item.dose.work_seconds(len(item.fingers))
                    is_once = item.dose.reps * item.dose.sets == 1 or item.dose.unit == "bars"
                    self.assertGreaterEqual(played + 1e-6, once)
                    if not (is_once and item.dose.sets == 1):
                        self.assertLessEqual(item.minutes, before.minutes)

    def test_without_a_place_or_a_piece_of_ones_own_nothing_changes(self):
        now = Situation(diagnosis("vn", GRIP), load_catalogue())
        taps = plan_item(EXERCISES["thumb_taps"], now)
        self.assertIs(in_own_piece(taps, EXERCISES["thumb_taps"], place()), taps)
        marks = plan_item(EXERCISES["release_marks"], now)
        self.assertIs(in_own_piece(marks, EXERCISES["release_marks"], None), marks)


class InTheWeek(TestCase):
    def test_the_step_into_music_is_in_the_piece_in_every_worked_case_that_has_room_for_it(self):
        for name, instrument, findings, _, _ in WORKED_CASES:
            for level in ("beginner", "intermediate", "advanced"):
                found = diagnosis(instrument, findings, level=level)
                plain = prescribe(found, load_catalogue())
                week = prescribe(found, load_catalogue(), Wishes(place=place()))
                steps = [i for i in week.items if i.kind is Kind.TRANSFER]
                with self.subTest(name, level=level):
                    if any(i.kind is Kind.TRANSFER for i in plain.items):
                        self.assertTrue(steps)
                        self.assertTrue(all(i.in_piece for i in steps))
                    self.assertLessEqual(week.minutes_a_day, found.case.minutes_budget)

    def test_a_stop_leaves_nothing(self):
        found = diagnosis("vn", GRIP, reports={"numbness": True})
        week = prescribe(found, load_catalogue(), Wishes(place=place()))
        self.assertEqual((week.items, week.paused), ((), True))


RUN = "A4:.5 B4:.5 C#5:.5 D5:.5 E5:.5 D5:.5 C#5:.5 B4:.5 " * 4
CALM = "A4 r B4 r C#5 r B4 r " * 4
FOURTHS = "D5 E5^4 D5 E5^4 " * 8
GRIPPED = {"thumb_index_grip": 1.0, "weak_finger": 1.0}


def asks(text, **how):
    return asks_of(read_passage(melody(text), Asked(Instrument.VIOLIN, tempo=90.0, **how)))


class Harder(TestCase):
    def test_every_demand_that_weighs_has_its_words(self):
        kinds = {kind for each in weights().values() for kind in each}
        for kind in sorted(kinds):
            told = asked_most({kind: 1.0, f"{kind} 4": 1.0}, 4)
            self.assertEqual([bool(words_of(each)) for each in told], [True], kind)

    def test_harder_is_told_by_what_the_piece_before_did_not_ask(self):
        cases = (
            (FOURTHS, CALM, "notes of the fourth", True),
            (FOURTHS, CALM, "more notes of the third", False),
            (FOURTHS, CALM, "without a place to let go", True),
        )
        for now, before, words, is_told in cases:
            told = harder_because(asks(now), asks(before), GRIPPED, 4)
            with self.subTest(words):
                self.assertEqual(any(words in words_of(each) for each in told), is_told, told)

    def test_an_easier_one_or_the_same_is_not_harder(self):
        for now, before in ((CALM, RUN), (CALM, FOURTHS), (RUN, RUN), (CALM, CALM)):
            self.assertEqual(harder_because(asks(now), asks(before), GRIPPED, 4), [])
        self.assertTrue(harder_because(asks(RUN), asks(CALM), {}, 4), "no cause known: all alike")

    def test_a_longer_piece_of_the_same_is_not_harder(self):
        line = "D5 E5^4 r:2 " * 8
        self.assertEqual(harder_because(asks(line * 3), asks(line), GRIPPED, 4), [])


class OtherFingers(TestCase):
    def test_each_taste_is_another_way_and_says_the_same_notes(self):
        piece = melody("E5 D5 C#5 B4 A4 B4 C#5 D5 E5 F#5 G#5 A5 B5 A5 G#5 F#5")
        asked = Asked(Instrument.VIOLIN, tempo=90.0)
        seen = []
        while not seen or asked.taste:
            passage = read_passage(piece, asked)
            pitches = [n.tones[0].pitch.midi for n in passage.line]
            strings = (55, 62, 69, 76)
            told = [
                strings[hand.places[0].string] + hand.places[0].semitones
                for hand in passage.fingering.hands
            ]
            self.assertEqual(told, pitches)
            seen.append(passage.fingering.hands)
            asked = Asked(Instrument.VIOLIN, tempo=90.0, taste=next_taste(piece, asked))
        self.assertGreater(len(seen), 2)
        self.assertTrue(all(a != b for a, b in itertools.pairwise(seen)))

    def test_fourths_for_open_strings_and_open_strings_for_fourths(self):
        piece = melody("D5 E5 D5 E5 " * 4)
        fingers = {}
        for taste in ("fourths", "open_strings"):
            passage = read_passage(piece, Asked(Instrument.VIOLIN, tempo=90.0, taste=taste))
            fingers[taste] = {hand.places[0].finger for hand in passage.fingering.hands}
        self.assertEqual(fingers, {"fourths": {3, 4}, "open_strings": {3, 0}})

    def test_where_there_is_one_way_it_stays(self):
        asked = Asked(Instrument.VIOLIN, tempo=90.0)
        self.assertEqual(next_taste(melody("G3 G3 G3 G3"), asked), "")

    def test_tastes_change_costs_that_there_are(self):
        for taste in tastes():
            for instrument in Instrument:
                self.assertTrue(costs_of(instrument, taste))
