"""Real change of measured numbers, against published formulas and reference libraries."""

import math
from datetime import date, timedelta
from unittest import TestCase

import numpy as np
from scipy import stats

from lefthand.change.measures import (
    STUDENT_95,
    Basis,
    least_real_change,
    measure_change,
    student_95,
    trend,
)
from lefthand.values.measures import MEASURES, METHOD_SEM

# Weir (2005), table 1, set A: eight subjects, two trials, kg (from memory). Its mean square of
# error is 57.1, its SEM 7.6 and its least real change 20.9.
WEIR = [
    (146, 140),
    (148, 152),
    (170, 152),
    (90, 99),
    (157, 145),
    (156, 153),
    (176, 167),
    (205, 218),
]
SHROUT_FLEISS = np.array(
    [[9, 2, 5, 8], [6, 1, 3, 2], [8, 4, 6, 8], [7, 1, 2, 6], [10, 5, 6, 9], [6, 2, 4, 7]]
)
START = date(2026, 1, 7)


def taken(*values, spread=None, days=7):
    return [(START + timedelta(days=days * n), value, spread) for n, value in enumerate(values)]


class LeastRealChange(TestCase):
    def test_weirs_worked_example(self):
        differences = np.diff(WEIR, axis=1)[:, 0]
        mean_square = differences.var(ddof=1) / 2
        self.assertAlmostEqual(mean_square, 57.1, places=1)
        found = least_real_change([], math.sqrt(mean_square))
        self.assertAlmostEqual(found.sem, 7.6, places=1)
        self.assertAlmostEqual(found.least, 20.9, places=1)
        self.assertEqual(found.basis, Basis.METHOD)

    def test_own_repeats_give_the_within_subject_deviation(self):
        """Bland and Altman, "Measurement error", BMJ 313, 1996: sqrt(sum d^2 / 2n)."""
        spreads = [abs(a - b) / math.sqrt(2) for a, b in WEIR]
        found = least_real_change(spreads)
        self.assertAlmostEqual(found.sem, math.sqrt(860 / 16), places=9)
        self.assertAlmostEqual(found.least, 2.306 * math.sqrt(2) * found.sem, places=6)
        self.assertEqual(found.basis, Basis.OWN)

    def test_a_published_table_of_several_measurings(self):
        """Shrout and Fleiss, "Intraclass correlations", Psychol. Bull. 86, 1979, table 2: six
        targets, four ratings (from memory). Their mean square within targets is 6.26 and between
        them 11.24, so that ICC(1,1) = .17."""
        within = np.mean([row.var(ddof=1) for row in SHROUT_FLEISS])
        between = 4 * SHROUT_FLEISS.mean(axis=1).var(ddof=1)
        self.assertAlmostEqual(within, 6.26, places=2)
        self.assertAlmostEqual((between - within) / (between + 3 * within), 0.17, places=2)
        found = least_real_change([row.std(ddof=1) for row in SHROUT_FLEISS])
        self.assertAlmostEqual(found.sem, math.sqrt(6.26), places=2)

    def test_few_repeats_leave_it_to_the_method_and_no_method_says_nothing(self):
        self.assertEqual(least_real_change([1.0, 2.0], 3.0).sem, 3.0)
        self.assertEqual(least_real_change([1.0, 2.0]).least, None)
        self.assertEqual(least_real_change([1.0, 2.0]).basis, Basis.NONE)
        with self.assertRaisesRegex(ValueError, "0 or more"):
            least_real_change([-1.0])

    def test_chance_is_seldom_called_a_change(self):
        """Three pairs and the method: drawn without any true change."""
        draw = np.random.default_rng(5)
        called = plain = 0
        for _ in range(2000):
            pairs = draw.normal(0, 2.0, (3, 2))
            spreads = (np.abs(np.diff(pairs, axis=1))[:, 0] / math.sqrt(2)).tolist()
            change = abs(np.diff(draw.normal(0, 2.0, 2))[0])
            called += change > least_real_change(spreads, 2.2).least
            sem = math.sqrt(sum(s**2 for s in spreads) / 3)
            plain += change > 1.96 * math.sqrt(2) * sem
        self.assertLess(called / 2000, 0.04)
        self.assertGreater(plain / 2000, 0.1)

    def test_students_t_is_the_handbooks(self):
        for freedom, point in STUDENT_95.items():
            with self.subTest(freedom=freedom):
                self.assertAlmostEqual(point, stats.t.ppf(0.975, freedom), places=3)
        self.assertEqual(student_95(11), STUDENT_95[10])
        with self.assertRaisesRegex(ValueError, "1 degree"):
            student_95(0)

    def test_every_method_is_of_a_known_measure_and_says_where_it_comes_from(self):
        for name, (sem, source) in METHOD_SEM.items():
            with self.subTest(name):
                self.assertIn(name, MEASURES)
                self.assertGreater(sem, 0)
                self.assertGreater(len(source.split()), 4)


class Trends(TestCase):
    def test_it_is_scipys_theil_sen(self):
        draw = np.random.default_rng(2)
        for count in (5, 9, 20):
            days = np.cumsum(draw.choice([7, 14], count)).astype(float)
            values = 10 + 0.1 * days + draw.normal(0, 1, count)
            slope, _, low, high = stats.theilslopes(values, days, 0.95)
            found = trend(days.tolist(), values.tolist())
            with self.subTest(count=count):
                self.assertAlmostEqual(found.slope, 7 * slope)
                self.assertAlmostEqual(found.low, 7 * low, delta=0.3)
                self.assertAlmostEqual(found.high, 7 * high, delta=0.3)

    def test_one_bad_day_does_not_move_it(self):
        days = [7.0 * n for n in range(9)]
        even = [float(n) for n in range(9)]
        spoilt = [*even[:4], -40.0, *even[5:]]
        self.assertAlmostEqual(trend(days, spoilt).slope, trend(days, even).slope, delta=0.2)
        self.assertTrue(trend(days, even).is_real)
        self.assertIsNone(trend([0.0, 7.0, 14.0], [1.0, 2.0, 3.0]))


class Changes(TestCase):
    def test_only_more_than_the_least_counts(self):
        held = measure_change("hold_seconds", taken(2.0, 2.5, 3.0))
        self.assertFalse(held.is_real)
        self.assertAlmostEqual(held.gain, 1.0)
        self.assertTrue(measure_change("hold_seconds", taken(2.0, 3.0, 6.0)).is_real)

    def test_gain_is_towards_the_better_side(self):
        self.assertGreater(measure_change("elbow_offset", taken(1.0, 0.2)).gain, 0)
        self.assertLess(measure_change("tip_angle", taken(15.0, -5.0)).gain, 0)

    def test_a_worst_first_day_is_told(self):
        self.assertTrue(measure_change("hold_seconds", taken(1, 6, 6, 6.2)).is_first_worst)
        self.assertFalse(measure_change("hold_seconds", taken(1, 3, 5, 8)).is_first_worst)

    def test_one_value_is_no_change(self):
        self.assertIsNone(measure_change("tip_angle", taken(10.0)))
