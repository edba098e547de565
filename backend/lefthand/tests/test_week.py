"""A missed day is moved to a free one and never piled up."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from lefthand.week import moved_week

DAYS = st.sets(st.integers(1, 6), min_size=1)
WEEKS = st.dictionaries(st.sampled_from(["a", "b", "c"]), DAYS, min_size=1)


class MovedWeek(TestCase):
    def test_table(self):
        five = {"a": [1, 2, 4, 5, 6], "b": [1, 2, 4, 5, 6]}
        table = [
            ("nothing missed", five, [1, 2], 3, five),
            (
                "day 2 missed goes to the free day 3",
                five,
                [1],
                3,
                {"a": [1, 3, 4, 5, 6], "b": [1, 3, 4, 5, 6]},
            ),
            (
                "two missed, one free day left",
                five,
                [],
                3,
                {"a": [3, 4, 5, 6, 7], "b": [3, 4, 5, 6, 7]},
            ),
            (
                "no free day left: let go",
                {"a": [1, 2, 3, 4, 5, 6]},
                [2, 3, 4, 5],
                6,
                {"a": [2, 3, 4, 5, 6, 7]},
            ),
            ("the week is over", {"a": [1, 2]}, [1], 8, {"a": [1]}),
            ("practised on a free day", {"a": [1, 2, 4]}, [3], 3, {"a": [4, 5, 6]}),
        ]
        for name, planned, done, today, expected in table:
            with self.subTest(name):
                self.assertEqual(moved_week(planned, done=done, today=today), expected)

    def test_loads_keep_a_day_between(self):
        planned = {"load": [1, 3, 5], "soft": [1, 2, 3, 5, 6]}
        moved = moved_week(planned, done=[1, 2], today=4, apart=["load"])
        self.assertEqual(moved["soft"], [1, 2, 4, 5, 6])
        self.assertEqual(moved["load"], [1, 5], "day 4 stands beside day 5")

    @given(WEEKS, st.sets(st.integers(0, 7)), st.integers(0, 8))
    def test_no_day_holds_more_than_some_planned_day_and_nothing_stands_in_the_past(
        self, planned, done, today
    ):
        moved = moved_week(planned, done=done, today=today)

        def on(week, day):
            return frozenset(name for name, days in week.items() if day in days)

        meant = {on(planned, day) for day in range(1, 8)}
        for day in range(1, 8):
            self.assertIn(on(moved, day), meant | {frozenset()})
            if day < today and day not in done:
                self.assertFalse(on(moved, day))
        for name in planned:
            self.assertLessEqual(len(moved[name]), len(set(planned[name])))
