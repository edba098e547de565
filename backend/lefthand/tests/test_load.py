"""Growth of what loads the hand (a tenth a week, half after a pause: common practice, no source)."""

from datetime import date, timedelta
from itertools import pairwise
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from lefthand.practice.load import GivenLoad, LoadCourse

START = date(2026, 1, 5)


def week(number):
    return START + timedelta(weeks=number)


def limit(*loads, pauses=()):
    """Limit after loads of the weeks 0, 1, ..., with pauses that ended in these weeks."""
    ended = [week(n) for n in pauses]
    course = LoadCourse()
    for number, seconds in enumerate(loads):
        pause = max((day for day in ended if day <= week(number)), default=None)
        course = course.after(GivenLoad(week(number), seconds, step=1), pause)
    return course.limit_after(max(ended, default=None))


class LoadLimit(TestCase):
    def test_table(self):
        table = (
            ("nothing before", limit(), None),
            ("never a load", limit(0, 0), None),
            ("a tenth more", limit(100), 110),
            ("of the newest", limit(100, 60), 66),
            ("a week without load changes nothing", limit(100, 0, 0), 110),
            ("half after a pause", limit(100, pauses=[3]), 50),
            ("half of the last load before it", limit(100, 110, 0, pauses=[4]), 55),
            ("two pauses do not halve twice", limit(100, pauses=[3, 4]), 50),
            ("a pause before any load", limit(pauses=[1]), None),
            ("from half it grows again", limit(100, 0, 0, 50, pauses=[3]), 55),
        )
        for name, found, expected in table:
            with self.subTest(name):
                if expected is None:
                    self.assertIsNone(found)
                else:
                    self.assertAlmostEqual(found, expected)

    def test_growth_not_used_is_kept_up_to_one_repetition_or_a_tenth(self):
        for seconds, step, most in ((105, 40, 121), (105, 10, 115.5), (100, 18, 118)):
            course = LoadCourse().after(GivenLoad(week(0), 100, step=step), None)
            course = course.after(GivenLoad(week(1), seconds, step=step), None)
            self.assertAlmostEqual(course.limit_after(None), most)

    def test_small_whole_doses_grow_in_time(self):
        given = [8.0]
        while given[-1] < 16 and len(given) < 40:
            given.append(float(int(limit(*given))))
        self.assertGreaterEqual(given[-1], 16)
        self.assertGreater(len(given), 7, "not from 8 to 16 in one step")
        for before, after in pairwise(given):
            self.assertLessEqual(after, before + max(1, 0.1 * before))

    @settings(deadline=None)
    @given(
        st.lists(st.floats(0, 500), min_size=1, max_size=12),
        st.sets(st.integers(0, 14), max_size=3),
    )
    def test_never_more_than_a_tenth_or_one_repetition_above_the_newest_load(self, loads, pauses):
        found = limit(*loads, pauses=pauses)
        newest = [seconds for seconds in loads if seconds > 0]
        most = max(1.1 * newest[-1], newest[-1] + 1) if newest else 0.0
        self.assertEqual(found is None, not newest)
        self.assertLessEqual(found or 0.0, most + 1e-9)
