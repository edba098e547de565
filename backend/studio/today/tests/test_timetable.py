"""Lessons that are not at their usual time: absent, moved, and what is free."""

from datetime import time, timedelta

from django.contrib.auth import get_user_model

from studio.errors import StudioError
from studio.models import Holiday, LessonChange, Player
from studio.tests.studio_case import DAY, StudioCase
from studio.today.day_list import day_rows
from studio.today.holidays import add_holiday, holiday_on, remove_holiday
from studio.today.timetable import (
    MOST_DAYS_AHEAD,
    change_lesson,
    free_times,
    take_back_change,
)

TOMORROW = DAY + timedelta(days=1)


class Timetable(StudioCase):
    def setUp(self) -> None:
        super().setUp()
        self.player.weekday = DAY.weekday()
        self.player.lesson_time = time(15)
        self.player.save()

    def row(self, on=DAY):
        return next(row for row in day_rows(self.teacher, on) if row.player == self.player)

    def test_on_a_holiday_nobody_comes_but_who_is_moved_there_or_has_begun(self):
        add_holiday(self.teacher, DAY - timedelta(days=3), DAY + timedelta(days=7), DAY)
        self.assertFalse(self.row().is_today)
        self.assertTrue(self.row(DAY + timedelta(weeks=2)).is_today, "after it")
        change_lesson(self.player, DAY, TOMORROW, time(17))
        self.assertTrue(self.row(TOMORROW).is_today, "moved there on purpose")
        self.lesson(0)
        self.assertTrue(self.row().is_today, "begun all the same")

    def test_a_holiday_is_the_teachers_own_and_ends(self):
        other = get_user_model().objects.create_user("other", password="quiet-hands-8")
        kept = add_holiday(other, DAY, DAY, DAY)
        self.assertTrue(self.row().is_today)
        with self.assertRaises(Holiday.DoesNotExist):
            remove_holiday(self.teacher, kept.pk)
        self.assertEqual(holiday_on(other, DAY), kept, "nobody else's is removed")
        self.assertIsNone(holiday_on(other, TOMORROW))
        remove_holiday(other, kept.pk)
        self.assertIsNone(holiday_on(other, DAY))

    def test_no_free_time_is_offered_on_a_holiday(self):
        self.assertTrue(free_times(self.teacher, DAY))
        add_holiday(self.teacher, DAY, DAY + timedelta(days=10), DAY)
        self.assertEqual(free_times(self.teacher, DAY), [])

    def test_what_is_no_holiday_is_refused_by_name(self):
        for first, last, field in (
            (DAY, DAY - timedelta(days=1), "last"),
            (DAY, DAY + timedelta(days=121), "last"),
            (DAY - timedelta(days=9), DAY - timedelta(days=8), "last"),
            (DAY + timedelta(days=800), DAY + timedelta(days=801), "first"),
        ):
            with self.subTest(first=first, last=last), self.assertRaises(StudioError) as raised:
                add_holiday(self.teacher, first, last, DAY)
            self.assertEqual(raised.exception.field, field)

    def test_who_is_absent_stays_in_the_day_and_comes_again_next_week(self):
        change_lesson(self.player, DAY, None, None)
        row = self.row()
        self.assertTrue(row.is_today)
        self.assertIsNotNone(row.away)
        self.assertIsNone(row.away.to)
        self.assertIsNone(self.row(DAY + timedelta(weeks=1)).away)

    def test_a_moved_lesson_stands_on_both_days_until_it_is_taken_back(self):
        change_lesson(self.player, DAY, TOMORROW, time(17, 15))
        self.assertEqual(self.row().away.to, TOMORROW)
        there = self.row(TOMORROW)
        self.assertEqual((there.is_today, there.time, there.away), (True, time(17, 15), None))
        take_back_change(self.player, DAY)
        self.assertIsNone(self.row().away)
        self.assertFalse(self.row(TOMORROW).is_today)

    def test_back_pressed_twice_does_not_take_away_what_was_moved_here(self):
        change_lesson(self.player, DAY, TOMORROW, time(17, 15))
        change_lesson(self.player, TOMORROW, None, None)
        self.assertIsNone(self.row(TOMORROW).away.to)
        for _ in range(2):
            take_back_change(self.player, TOMORROW)
        self.assertIsNone(self.row(TOMORROW).away)
        self.assertTrue(self.row(TOMORROW).is_today)

    def test_later_on_the_same_day_is_no_absence(self):
        change_lesson(self.player, DAY, DAY, time(18))
        row = self.row()
        self.assertEqual((row.is_today, row.time, row.away), (True, time(18), None))

    def test_said_twice_the_last_word_holds(self):
        change_lesson(self.player, DAY, None, None)
        change_lesson(self.player, DAY, TOMORROW, time(9))
        self.assertEqual(LessonChange.objects.get().to, TOMORROW)

    def test_a_day_that_cannot_be_meant_is_refused_by_its_field(self):
        cases = [
            ("to", DAY - timedelta(days=1), time(9)),
            ("to", DAY + timedelta(days=MOST_DAYS_AHEAD + 1), time(9)),
            ("to", None, time(9)),
            ("at", TOMORROW, None),
        ]
        for field, to, at in cases:
            with self.subTest(to=to, at=at), self.assertRaises(StudioError) as caught:
                change_lesson(self.player, DAY, to, at)
            self.assertEqual(caught.exception.field, field)
        self.assertFalse(LessonChange.objects.exists())

    def other(self, weekday: int, at: time) -> Player:
        return Player.objects.create(
            teacher=self.teacher, name=f"Other {at}", instrument="va", weekday=weekday,
            lesson_time=at,
        )  # fmt: skip

    def test_free_is_the_first_gap_of_the_next_days_that_are_taught(self):
        taught = (DAY.weekday() + 2) % 7
        self.other(taught, time(14))
        self.other(taught, time(14, 30))
        self.other(taught, time(15, 30))
        free = free_times(self.teacher, DAY)
        told = [((each.on - DAY).days, each.at) for each in free]
        self.assertEqual(told, [(2, time(15)), (7, time(15, 30))])

    def test_a_time_that_was_given_away_is_not_free_and_one_that_fell_out_is(self):
        there = DAY + timedelta(days=2)
        other = self.other(there.weekday(), time(15))
        change_lesson(self.player, DAY, there, time(14, 30))
        self.assertEqual(free_times(self.teacher, DAY)[0].at, time(15, 30))
        change_lesson(other, there, None, None)
        self.assertEqual(free_times(self.teacher, DAY)[0].at, time(15))

    def test_a_day_that_is_full_until_the_evening_is_not_offered(self):
        self.other((DAY.weekday() + 1) % 7, time(20, 15))
        self.assertEqual([(each.on - DAY).days for each in free_times(self.teacher, DAY)], [7])

    def test_only_the_own_players_take_time(self):
        stranger = type(self.teacher).objects.create_user("stranger", password="quiet-hands-8")
        self.assertEqual(free_times(stranger, DAY), [])
