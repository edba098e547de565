"""Whether a sign is truly less: against every path written out, and the words by what they promise."""

from itertools import pairwise, product
from unittest import TestCase

import numpy as np
from scipy.linalg import expm

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.change.signs import (
    EASES,
    GRADE_IF_SLIGHT,
    GRADE_IF_STRONG,
    GROWS,
    START,
    ChangeWord,
    Series,
    sign_changes,
)
from lefthand.reason.network import GRADE_IF_THERE, grades_if_not
from lefthand.reason.steps import exponential, level_step, rate_of

CATALOGUE = load_catalogue()
SIGN = CATALOGUE.evidence["uneven.fast"]


def weekly(*grades, sign=SIGN, finger=None):
    """One sign, graded every week; None where nobody looked."""
    looked = {week: grade for week, grade in enumerate(grades) if grade is not None}
    days = [7 * week for week in range(len(grades))]
    return sign_changes(days, [Series(sign, finger, looked)])[0]


class Steps(TestCase):
    def test_the_exponential_is_scipys(self):
        rates = np.array([[-0.3, 0.3, 0], [0.1, -0.2, 0.1], [0, 2.0, -2.0]])
        for weeks in (0, 1 / 7, 1, 12, 52):
            with self.subTest(weeks=weeks):
                np.testing.assert_allclose(
                    exponential(rates * weeks), expm(rates * weeks), atol=1e-9
                )

    def test_two_weeks_are_two_steps_of_one(self):
        one, two = level_step(7, 0.1, 0.05), level_step(14, 0.1, 0.05)
        np.testing.assert_allclose(one @ one, two, atol=1e-12)
        np.testing.assert_allclose(two.sum(axis=1), 1)
        np.testing.assert_allclose(level_step(0, 0.1, 0.05), np.eye(3))

    def test_a_chance_a_week_is_what_a_week_brings(self):
        step = level_step(7, 0.1, 0.0, levels=2)
        self.assertAlmostEqual(step[1, 0], 0.1)
        self.assertAlmostEqual(rate_of(0.1), 0.1053605, places=6)


class Exact(TestCase):
    def test_it_is_the_sum_over_all_paths_of_levels(self):
        grades, days = (3, 2, None, 1, 0), (0, 7, 14, 35, 42)
        table = [grades_if_not(SIGN), GRADE_IF_SLIGHT, GRADE_IF_STRONG]
        steps = [level_step(b - a, EASES, GROWS) for a, b in pairwise(days)]
        total = less = more = gone = 0.0
        for path in product(range(3), repeat=len(days)):
            weight = START[path[0]]
            for step, (a, b) in zip(steps, pairwise(path), strict=True):
                weight *= step[a, b]
            for level, grade in zip(path, grades, strict=True):
                weight *= 1 if grade is None else table[level][grade]
            total += weight
            less += weight * (path[-1] < path[0])
            more += weight * (path[-1] > path[0])
            gone += weight * (path[-1] == 0)
        looked = {n: grade for n, grade in enumerate(grades) if grade is not None}
        found = sign_changes(days, [Series(SIGN, None, looked)])[0]
        self.assertAlmostEqual(found.less, less / total, places=12)
        self.assertAlmostEqual(found.more, more / total, places=12)
        self.assertAlmostEqual(found.gone, gone / total, places=12)

    def test_slight_and_strong_together_are_the_networks_table(self):
        np.testing.assert_allclose((GRADE_IF_SLIGHT + GRADE_IF_STRONG) / 2, GRADE_IF_THERE)
        self.assertAlmostEqual(GRADE_IF_SLIGHT.sum(), 1)

    def test_a_sign_that_begins_later_or_ends_sooner_is_judged_by_its_own_looks(self):
        alone = weekly(2, 2, 0, 0)
        late = weekly(None, None, 2, 2, 0, 0, None, None)
        self.assertAlmostEqual(alone.less, late.less, places=12)
        self.assertEqual(sorted(late.level), [2, 3, 4, 5])

    def test_many_signs_at_once_are_as_one_by_one(self):
        other = CATALOGUE.evidence["laxity.fingers"]  # no common cause: no leaning
        days = [0, 7, 14, 28]
        rows = [Series(SIGN, None, {0: 3, 1: 2, 3: 0}), Series(other, None, {1: 1, 2: 2})]
        together = [each.less for each in sign_changes(days, rows)]
        apart = [sign_changes(days, [row])[0].less for row in rows]
        np.testing.assert_allclose(together, apart)


class Words(TestCase):
    def test_what_they_promise(self):
        for grades, word in (
            ((2,), ChangeWord.NO_CLEAR_CHANGE),
            ((3, 2), ChangeWord.NO_CLEAR_CHANGE),
            ((3, 0), ChangeWord.NO_CLEAR_CHANGE),
            ((3, 2, 3, 2), ChangeWord.NO_CLEAR_CHANGE),
            ((2, 2, 0, 0, 0), ChangeWord.GONE),
            ((3, 3, 2, 1, 0, 0, 0), ChangeWord.GONE),
            ((3, 3, 3, 1, 1, 1), ChangeWord.NO_CLEAR_CHANGE),
            ((3, 3, 3, 3, 1, 1, 1, 1), ChangeWord.PROBABLY_LESS),
            ((3, 3, 2, 3, 3, 1, 1, 1, 1, 1, 1), ChangeWord.CLEARLY_LESS),
            ((0, 0, 0, 2, 2, 2), ChangeWord.MORE),
            # grown once may be a bad day
            ((0, 0, 0, 0, 2), ChangeWord.NO_CLEAR_CHANGE),
            ((0, 0, 0, 0, 2, 3, 2, 3), ChangeWord.MORE),
            ((3, 2, 1, 2), ChangeWord.NO_CLEAR_CHANGE),
            # back in one of the last two looks, however clear it was before
            ((3, 3, 0, 0, 0, 0, 3), ChangeWord.NO_CLEAR_CHANGE),
            ((3, 3, 0, 0, 0, 0, 3, 0), ChangeWord.NO_CLEAR_CHANGE),
            # seen in one lesson only
            ((3, 0, 0, 0, 0, 0), ChangeWord.NO_CLEAR_CHANGE),
        ):
            with self.subTest(grades=grades):
                self.assertEqual(weekly(*grades).word, word)

    def test_one_mark_of_difference_is_never_a_word(self):
        for first, last in product(range(4), repeat=2):
            with self.subTest(first=first, last=last):
                self.assertEqual(weekly(first, last).word, ChangeWord.NO_CLEAR_CHANGE)

    def test_siblings_lean_on_each_other(self):
        rows = {"web.closed": (2, 2, 1, 0), "thumb.locked": (3, 2, 0, 0), "nail.pale": (2, 3, 0, 0)}
        series = [
            Series(CATALOGUE.evidence[name], None, dict(enumerate(grades)))
            for name, grades in rows.items()
        ]
        days = [0, 7, 14, 21]
        together = sign_changes(days, series)[0].less
        self.assertGreater(together, sign_changes(days, series[:1])[0].less + 0.05)

    def test_a_month_ago_is_four_weeks_before_the_last_look(self):
        self.assertIsNone(weekly(3, 2, 1, 0).less_than_a_month_ago)
        found = weekly(2, 2, 2, 2, 2, 2, 2, 0, 0, 0, 0)
        self.assertGreater(found.less_than_a_month_ago, 0.8)
        settled = weekly(2, 2, 0, 0, 0, 0, 0, 0, 0)
        self.assertLess(settled.less_than_a_month_ago, 0.2)
        self.assertGreater(settled.less, 0.8)

    def test_a_long_time_between_lessons_says_less_about_the_path(self):
        near = weekly(2, 2, 2, 0).less
        far = sign_changes([0, 7, 14, 210], [Series(SIGN, None, {0: 2, 1: 2, 2: 2, 3: 0})])[0].less
        self.assertGreater(far, near)  # months may well have healed it
