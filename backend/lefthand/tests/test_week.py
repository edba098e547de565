"""A missed day is moved to a free one and never piled up."""

import json
from pathlib import Path
from unittest import TestCase

from hypothesis import assume, given, settings
from hypothesis import strategies as st

from lefthand.practice.week import fullest_day, moved_week

CASES = Path(__file__).parent / "moved_week.json"
DAYS = st.sets(st.integers(1, 6), min_size=1)
WEEKS = st.dictionaries(st.sampled_from(["a", "b", "c"]), DAYS, min_size=1)


class MovedWeek(TestCase):
    def test_table(self):
        """The phone moves days by itself and is held to the same table."""
        for case in json.loads(CASES.read_text(encoding="utf-8")):
            with self.subTest(case["name"]):
                moved = moved_week(
                    case["planned"], done=case["done"], today=case["today"], apart=case["apart"]
                )
                self.assertEqual(moved, case["expected"])

    @settings(deadline=None)
    @given(WEEKS, st.sets(st.integers(1, 7), min_size=1), st.integers(1, 7), st.integers(1, 7))
    def test_a_day_holds_the_same_when_it_is_asked_about_later(self, planned, done, day, later):
        def held(today, logged):
            week = moved_week(planned, done=logged, today=today)
            return {name for name, days in week.items() if day in days}

        assume(day in done)
        on_the_day = held(day, {d for d in done if d < day})
        self.assertEqual(held(max(day, later), done), on_the_day)

    @settings(deadline=None)
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

    def test_the_fullest_day_adds_what_stands_on_it(self):
        for items, minutes in (
            ([], 0.0),
            ([(2.0, (1,)), (3.0, (2,)), (1.5, (2, 3))], 4.5),
            ([(5.0, (7,)), (1.0, (1, 2))], 5.0),
        ):
            with self.subTest(items):
                self.assertEqual(fullest_day(items), minutes)

    def test_loads_that_rest_between_do_not_move_beside_one_another(self):
        planned = {"load": [1, 3], "other": [2]}
        for day, moved in ((2, [3, 5]), (4, [5])):
            with self.subTest(day):
                found = moved_week(planned, done=[], today=day, apart=["load"])
                self.assertFalse([d for d in found["load"] if d + 1 in found["load"]], moved)
