"""What is next for a hand: one thing more at a time, never two where one is to be had."""

from unittest import TestCase

from lefthand.composing.tunes_asked import tunes_asked
from lefthand.passage.levels import weights
from lefthand.passage.repertoire import (
    MOST_NEW,
    Candidate,
    beside_all,
    by_theme,
    lightest,
    next_ones,
    theme_said,
    themes,
    to_rest_on,
)
from lefthand.values.vocabulary import FINGERS, Instrument, Level
from lefthand.words import words_of

PLAYED = {"cross": 1.0, "held": 0.5}


def candidate(name, **asks):
    return Candidate(name, name, {kind.replace("__", "."): points for kind, points in asks.items()})


def beside(*candidates, before=(PLAYED,), strengths=None, finger=4):
    return beside_all(candidates, before, strengths or {}, finger)


class Next(TestCase):
    def test_every_demand_stands_under_one_theme_with_words(self):
        weighed = {kind for each in weights().values() for kind in each}
        self.assertEqual({kind for kinds in themes().values() for kind in kinds}, weighed)
        words = {words_of(theme_said(theme, 4)) for theme in themes()}
        self.assertEqual(len(words), len(themes()))
        self.assertIn("work for the fourth", words)

    def test_new_is_half_as_much_again_and_a_twentieth_of_the_heaviest(self):
        cases = (
            ("the same", {"cross": 1.0, "held": 0.5}, []),
            ("less", {"cross": 0.2}, []),
            ("a little more", {"cross": 1.3, "held": 0.5}, []),
            ("half as much again", {"cross": 1.6, "held": 0.5}, ["strings"]),
            ("never before", {"cross": 1.0, "shift": 0.5}, ["shifts"]),
            ("hardly any", {"cross": 1.0, "shift": 0.02}, []),
            ("two things", {"cross": 1.0, "shift": 0.5, "fast": 1.0}, ["speed", "shifts"]),
        )
        for name, asks, expected in cases:
            with self.subTest(name):
                (found,) = beside(candidate("it", **asks))
                self.assertEqual(sorted(n.theme for n in found.new), sorted(expected))

    def test_all_pieces_before_count_not_the_last_alone(self):
        before = ({"shift": 1.0}, PLAYED)
        (found,) = beside(candidate("it", shift=1.0, cross=1.0), before=before)
        self.assertEqual(found.new, ())

    def test_another_fingers_demands_do_not_count(self):
        asks = candidate("it", cross=1.0, **{"own__played 3": 2.0})
        for finger, expected in ((4, []), (3, ["finger"])):
            (found,) = beside(asks, finger=finger)
            self.assertEqual([n.theme for n in found.new], expected)

    def test_the_players_trouble_is_told_and_comes_after_what_is_not(self):
        fast, high = (
            candidate("a fast one", cross=1.0, fast=0.3),
            candidate("z high", cross=1.0, high=2.0),
        )
        found = beside(fast, high, strengths={"tempo_overreach": 0.9})
        by_name = {each.candidate.title: each for each in found}
        self.assertEqual(by_name["a fast one"].new[0].causes, ("tempo_overreach",))
        self.assertEqual(by_name["z high"].new[0].causes, ())
        self.assertEqual([n.candidate.title for n in next_ones(found, 4)], ["z high", "a fast one"])

    def test_more_at_once_only_where_fewer_than_two_have_less_and_never_four(self):
        one = candidate("one", cross=1.0, shift=0.5)
        two = candidate("two", cross=1.0, shift=0.5, fast=1.0)
        four = candidate("four", cross=1.0, shift=0.5, fast=1.0, double=1.0, high=1.0)
        other = candidate("other", cross=1.0, fast=1.0)
        cases = (
            ((one, two, four), ["one", "two"]),
            ((one, other, two, four), ["one", "other"]),
            ((four,), []),
            ((one, candidate("one more", cross=1.0, shift=0.9), two), ["one", "two"]),
        )
        for candidates, expected in cases:
            with self.subTest(expected):
                told = next_ones(beside(*candidates), 4)
                self.assertEqual([n.candidate.title for n in told], expected)

    def test_what_is_new_in_nothing_is_to_rest_on_the_fullest_first(self):
        found = beside(
            candidate("thin", cross=0.1), candidate("full", cross=1.0), candidate("new", fast=1.0)
        )
        self.assertEqual([n.candidate.title for n in to_rest_on(found, 3)], ["full", "thin"])
        self.assertEqual(lightest(found, 1)[0].candidate.title, "thin")

    def test_our_tunes_one_after_the_other_ask_one_thing_more_each_time(self):
        """A course through the tunes of each instrument: nothing is played twice, no step brings
        more than two things, and what was new is not new again."""
        for instrument in Instrument:
            tunes = {
                tune.id: Candidate(tune.id, tune.title, asks)
                for tune, asks in tunes_asked(instrument, Level.BEGINNER).items()
            }
            played = [lightest(beside_all(tunes.values(), [], {}, 4), 1)[0].candidate]
            while True:
                left = [each for name, each in tunes.items() if each not in played]
                told = next_ones(beside_all(left, [p.asks for p in played], {}, 4), 1)
                if not told:
                    break
                with self.subTest(instrument.value, piece=told[0].candidate.title):
                    self.assertLessEqual(len(told[0].new), MOST_NEW)
                    self.assertTrue(all(new.rise > 0 and new.why for new in told[0].new))
                    highest = {t: max(by_theme(p.asks, 4)[t] for p in played) for t in themes()}
                    for new in told[0].new:
                        self.assertGreater(
                            by_theme(told[0].candidate.asks, 4)[new.theme], highest[new.theme]
                        )
                played.append(told[0].candidate)
            self.assertGreaterEqual(len(played), 3, instrument)

    def test_any_finger_can_be_the_weak_one(self):
        asks = next(iter(tunes_asked(Instrument.VIOLIN, Level.BEGINNER).values()))
        for finger in FINGERS:
            self.assertEqual(set(by_theme(asks, finger)), set(themes()))
