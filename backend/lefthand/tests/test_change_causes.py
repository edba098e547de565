"""Causes over the lessons: against the exact joint by a general-purpose library, and by courses."""

import random
from dataclasses import replace
from datetime import date, timedelta
from unittest import TestCase
from unittest.mock import patch

import numpy as np

from lefthand.case.case import Case, Finding
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.change.causes import CauseWord
from lefthand.change.change import change_of
from lefthand.change.course import Course, CourseLesson
from lefthand.change.memory import causes_over_time, sets_of
from lefthand.reason.memory import Heard
from lefthand.simulation.course_report import tally_courses
from lefthand.simulation.courses import Kind, draw_course
from lefthand.tests.reference_chain import exact_smoothing
from lefthand.values.vocabulary import Instrument

CATALOGUE = load_catalogue()
# Every grade counted in full, as the exact joint has it.
UNTEMPERED = replace(CATALOGUE, weighing=replace(CATALOGUE.weighing, temper=1.0))
GRIP = "thumb_index_grip"
START = date(2026, 1, 7)
SIGNS = ("web.closed", "thumb.locked", "nail.pale", "index.pressed")


def course(*lessons, focus=(GRIP,), harder=()):
    """Weekly lessons, each by the grades of four signs of a squeezing thumb."""
    rows = [
        CourseLesson(
            START + timedelta(weeks=week),
            {name: Finding(grade) for name, grade in zip(SIGNS, grades, strict=True)},
            focus=focus,
            is_harder=week in harder,
        )
        for week, grades in enumerate(lessons)
    ]
    return Course(Case(Instrument.VIOLIN, {}), rows)


def word_of(*lessons, **more):
    causes = {each.cause: each for each in change_of(course(*lessons, **more), CATALOGUE).causes}
    return causes[GRIP].word


SHOWS, SOME, GONE = (3, 2, 2, 3), (1, 1, 2, 1), (0, 0, 0, 0)


@patch("lefthand.change.memory.REPEATED", 1.0)
class Exact(TestCase):
    """Against pyagrum: three causes over five lessons, all at once."""

    PRIORS = {"insecure_hold": 0.2, GRIP: 0.25, "weak_finger": 0.15}

    def test_the_messages_come_near_the_exact_joint(self):
        chooser = random.Random(4)
        names = ("hold.slips", "web.closed", "thumb.locked", "nail.pale", "arch.fails")
        errors = []
        for _ in range(12):
            heard = []
            day = 0
            for _ in range(5):
                grades = {name: chooser.choices(range(4), (4, 2, 2, 2))[0] for name in names}
                heard.append(Heard(day, grades, {}, chooser.random() < 0.2))
                day += chooser.choice((7, 14, 21))
            found = causes_over_time(heard, self.PRIORS, UNTEMPERED).smoothed
            errors.append(np.abs(found - exact_smoothing(heard, self.PRIORS, CATALOGUE)))
        self.assertLess(np.mean(errors), 0.02)
        self.assertLess(np.max(errors), 0.12)

    def test_of_one_cause_it_is_exact(self):
        heard = [Heard(7 * n, {"web.closed": g}, {}) for n, g in enumerate((3, 2, 2, 0, 0))]
        priors = {GRIP: 0.25}
        np.testing.assert_allclose(
            causes_over_time(heard, priors, UNTEMPERED).smoothed,
            exact_smoothing(heard, priors, CATALOGUE),
            atol=1e-6,
        )

    def test_sets_of_causes_are_all_of_them_once(self):
        self.assertEqual(len(sets_of(20, 3)), 1 + 20 + 190 + 1140)
        self.assertEqual(len({tuple(row) for row in sets_of(6, 5)}), 63)


class Memory(TestCase):
    PRIORS = {c.id: c.prior for c in CATALOGUE.causes_of(Instrument.VIOLIN)}

    def over(self, *lessons):
        found = causes_over_time(course(*lessons).heard, self.PRIORS, CATALOGUE)
        return found.smoothed[:, found.causes.index(GRIP)]

    def test_what_was_known_fades_and_what_is_seen_now_speaks_first(self):
        seen = self.over(SHOWS, SHOWS, SHOWS, GONE, GONE)
        self.assertGreater(min(seen[:2]), 0.95)
        self.assertLess(seen[-1], 0.2)

    def test_later_lessons_tell_what_was_there_at_first(self):
        alone = self.over(SOME)[0]
        self.assertGreater(self.over(SOME, SHOWS, SHOWS)[0], alone + 0.1)

    def test_a_cause_of_which_no_sign_was_looked_at_becomes_less_likely(self):
        found = causes_over_time(course(*[SHOWS] * 6).heard, self.PRIORS, CATALOGUE)
        last = dict(zip(found.causes, found.smoothed[-1], strict=True))
        self.assertLess(last["broken_wrist"], 0.4 * self.PRIORS["broken_wrist"])

    def test_no_lesson_and_empty_ones_break_nothing(self):
        self.assertEqual(causes_over_time([], self.PRIORS, CATALOGUE).smoothed.shape, (0, 20))
        empty = [Heard(0, {}, {}), Heard(7, {}, {})]
        found = causes_over_time(empty, self.PRIORS, CATALOGUE).smoothed
        np.testing.assert_allclose(found[0], list(self.PRIORS.values()), atol=0.05)


class Words(TestCase):
    def test_what_they_promise(self):
        for name, lessons, word in (
            ("gone", [SHOWS, SHOWS, SOME, GONE, GONE, GONE], CauseWord.GONE),
            ("stuck", [SHOWS, SHOWS, SHOWS, SHOWS, SHOWS], CauseWord.STUCK),
            ("too early", [SHOWS, SOME], CauseWord.NO_CLEAR_CHANGE),
            ("back", [SHOWS, SHOWS, GONE, GONE, GONE, SHOWS, SHOWS], CauseWord.BACK),
            ("never likely", [GONE, GONE, GONE], CauseWord.NOT_SEEN),
        ):
            with self.subTest(name):
                self.assertEqual(word_of(*lessons), word)

    def test_one_good_lesson_is_not_gone(self):
        self.assertNotIn(
            word_of(SHOWS, SHOWS, SHOWS, GONE), (CauseWord.GONE, CauseWord.CLEARLY_LESS)
        )

    def test_gone_is_gone_though_another_cause_still_shows_in_the_same_signs(self):
        """A hold that was made safe; the thumb goes on squeezing, and both shut the opening."""
        names = ("hold.slips", "hold.clamps", "web.closed", "thumb.locked", "nail.pale")
        looks = [(3, 2, 3, 3, 2)] * 3 + [(1, 1, 3, 2, 2)] + [(0, 0, 3, 3, 2)] * 5
        rows = [
            CourseLesson(
                START + timedelta(weeks=week),
                {name: Finding(grade) for name, grade in zip(names, grades, strict=True)},
            )
            for week, grades in enumerate(looks)
        ]
        found = change_of(Course(Case(Instrument.VIOLIN, {}), rows), CATALOGUE)
        words = {each.cause: each.word for each in found.causes}
        self.assertEqual(words["insecure_hold"], CauseWord.GONE)
        self.assertNotIn(words[GRIP], (CauseWord.GONE, CauseWord.CLEARLY_LESS))

    def test_slow_easing_shows_in_the_trouble_where_the_chance_is_saturated(self):
        lessons = [SHOWS, SHOWS, (2, 2, 2, 2), (2, 2, 1, 2), (1, 2, 1, 1), (1, 1, 1, 1)]
        (found,) = [c for c in change_of(course(*lessons), CATALOGUE).causes if c.cause == GRIP]
        self.assertGreater(found.probability[-1], 0.8)
        self.assertLess(found.trouble[-1], 0.7 * found.trouble[0])


class Simulated(TestCase):
    """Courses whose truth is known, with a margin below what the report says of 500 (see the head
    of `lefthand.simulation.course_report`)."""

    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.tally = tally_courses(CATALOGUE, Instrument.VIOLIN, 80, seed=9)

    def test_probabilities_are_better_than_those_of_the_lessons_before_and_far_below_chance(self):
        by_all, before, base = self.tally.brier()
        self.assertLess(by_all, before)
        self.assertLess(by_all, 0.5 * base)
        self.assertLess(by_all, 0.04)

    def test_what_is_said_to_be_very_likely_or_unlikely_is_so(self):
        for low, _, count, said, was in self.tally.reliability():
            if count > 200:
                with self.subTest(low=low):
                    self.assertLess(abs(said - was), 0.2)

    def test_words_are_right_as_often_as_they_say(self):
        right = {word.value: rate for word, rate in self.tally.right.items()}
        clear = (right["gone"].hits + right["clearly_less"].hits) / (
            right["gone"].all + right["clearly_less"].all
        )
        self.assertGreater(clear, 0.92)
        self.assertGreater(right["probably_less"].share, 0.55)

    def test_a_return_is_noticed_and_seldom_called_by_mistake(self):
        self.assertGreater(self.tally.noticed.share, 0.7)
        self.assertLess(self.tally.false_alarms.share, 0.2)

    def test_a_seed_fixes_a_course_and_too_short_ones_are_refused(self):
        one, other = (
            draw_course(Kind.BETTER, CATALOGUE, Instrument.CELLO, random.Random(3)) for _ in "ab"
        )
        self.assertEqual(one.grades, other.grades)
        with self.assertRaisesRegex(ValueError, "six lessons"):
            draw_course(Kind.BETTER, CATALOGUE, Instrument.CELLO, random.Random(3), lessons=5)
