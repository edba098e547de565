"""Where a player stands, lesson after lesson: the rules over many lessons, told by hand."""

from dataclasses import replace
from datetime import date, timedelta
from unittest import TestCase

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.progress import Move, PracticeDay
from lefthand.practice.record import Given, GivenWeek, LessonRecord, Shown
from lefthand.practice.standing import (
    AT_FIRST,
    advance,
    advice_for,
    break_now,
    kept_now,
    load_limit,
    passed_rungs,
    recent_focus,
)
from lefthand.reason.learning import LessonFacts

CATALOGUE = load_catalogue()
START = date(2026, 1, 5)
GRIP = "thumb_index_grip"
TAPS = "thumb_taps"
STRONG = "fourth_plucks"
SHOWN = {"web.closed": 3, "thumb.locked": 2}


def week(number):
    return START + timedelta(weeks=number)


def lesson(number, *given, grades=SHOWN, focus=(GRIP,), **more):
    """A lesson in which `given` (exercise, rung) is given."""
    items = tuple(each if isinstance(each, Given) else Given(*each) for each in given)
    return LessonRecord(
        on=week(number),
        facts=LessonFacts(focus=focus, grades=grades),
        week=GivenWeek(items, 5.0) if items else None,
        **more,
    )


def shown(passed, rung=1, exercise=TAPS, **more):
    return (Shown(exercise, rung, PracticeDay(passed, **more)),)


def after(*lessons):
    standing = AT_FIRST
    for each in lessons:
        standing = advance(standing, each, CATALOGUE)
    return standing


def advice(before, record, rung=1):
    return advice_for(Given(TAPS, rung), before, record, CATALOGUE)


class Rungs(TestCase):
    def test_what_the_next_lesson_shows_counts_as_passed(self):
        before = after(lesson(0, (TAPS, 1)))
        table = (
            ("shown", {"shown": shown(True)}, 1),
            ("not there yet", {"shown": shown(False)}, 0),
            ("three days running", {"practised": {TAPS: (PracticeDay(True),) * 3}}, 1),
            ("two days running", {"practised": {TAPS: (PracticeDay(True),) * 2}}, 0),
            ("three days of another", {"practised": {"rod_pivot": (PracticeDay(True),) * 3}}, 0),
            ("shown with pain", {"shown": shown(True, pain=2)}, 0),
            ("of an older week", {"shown": (replace(shown(True)[0], is_newest=False),)}, 0),
        )
        for name, more, expected in table:
            with self.subTest(name):
                found = passed_rungs(before, lesson(1, **more), CATALOGUE)
                self.assertEqual(found.get(TAPS, 0), expected)

    def test_a_week_is_judged_by_the_first_lesson_after_it_and_by_no_later_one(self):
        missed = after(lesson(0, (TAPS, 1)), lesson(1, shown=shown(False)))
        later = lesson(2, shown=shown(True))
        self.assertEqual(passed_rungs(missed, later, CATALOGUE), {})
        glance = after(lesson(0, (TAPS, 1)), lesson(1, is_glance=True, focus=()))
        self.assertEqual(passed_rungs(glance, later, CATALOGUE), {TAPS: 1})

    def test_the_last_rung_is_passed_as_a_whole(self):
        last = len(CATALOGUE.exercises[TAPS].rungs)
        before = after(lesson(0, (TAPS, last)))
        found = passed_rungs(before, lesson(1, shown=shown(True, rung=last)), CATALOGUE)
        self.assertEqual(found, {TAPS: last})

    def test_after_a_stop_or_a_long_break_one_begins_a_rung_lower(self):
        before = after(lesson(0, (TAPS, 3)))
        table = (
            ("nothing", {}, 3),
            ("lifted today", {"lifted": week(1)}, 1),
            ("lifted two weeks ago", {"lifted": week(-1)}, 3),
            ("four weeks away", {"weeks_away": 4}, 1),
            ("two weeks away", {"weeks_away": 2}, 3),
        )
        for name, more, expected in table:
            with self.subTest(name):
                record = lesson(1, shown=shown(True, rung=3), **more)
                self.assertEqual(passed_rungs(before, record, CATALOGUE), {TAPS: expected})

    def test_easing_ends_after_two_weeks_and_reads_the_rung_before_the_pause(self):
        course = [lesson(0, (TAPS, 4)), lesson(1, (TAPS, 3), lifted=week(1), shown=shown(True, 4))]
        for number, expected in ((2, 2), (3, 3)):
            with self.subTest(number):
                record = lesson(number, shown=shown(True, rung=3), lifted=week(1))
                found = passed_rungs(after(*course), record, CATALOGUE)
                self.assertEqual(found, {TAPS: expected})


class Trouble(TestCase):
    def test_two_failures_running_step_back_and_a_success_in_between_does_not(self):
        twice = after(lesson(0, (TAPS, 2)), lesson(1, (TAPS, 2), shown=shown(False, rung=2)))
        record = lesson(2, shown=shown(False, rung=2), grades={})
        self.assertEqual(advice(twice, record, 2).move, Move.STEP_BACK)
        between = after(
            lesson(0, (TAPS, 2)),
            lesson(1, (TAPS, 2), shown=shown(False, rung=2)),
            lesson(2, (TAPS, 2), shown=shown(True, rung=2)),
        )
        record = lesson(3, shown=shown(False, rung=2), grades={"web.closed": 1})
        self.assertEqual(advice(between, record, 2).move, Move.STAY)

    def test_three_lessons_without_change_ask_for_another_look(self):
        same = [lesson(n, (TAPS, 1)) for n in range(3)]
        self.assertEqual(advice(after(*same), lesson(3)).move, Move.LOOK_AGAIN)
        self.assertNotEqual(advice(after(*same[:2]), lesson(3)).move, Move.LOOK_AGAIN)
        less = lesson(3, grades={"web.closed": 2, "thumb.locked": 2})
        self.assertNotEqual(advice(after(*same), less).move, Move.LOOK_AGAIN)
        with self.subTest("only what all four looked at is compared"):
            other = lesson(3, grades={"web.closed": 3})
            self.assertEqual(advice(after(*same), other).move, Move.LOOK_AGAIN)
        with self.subTest("a run that was broken off begins anew"):
            broken = [*same[:2], lesson(2, ("rod_pivot", 1)), lesson(3, (TAPS, 1))]
            self.assertNotEqual(advice(after(*broken), lesson(4)).move, Move.LOOK_AGAIN)
        with self.subTest("a look over a class is no lesson"):
            glances = [same[0], *(lesson(n, is_glance=True, focus=()) for n in (1, 2))]
            self.assertNotEqual(advice(after(*glances), lesson(3)).move, Move.LOOK_AGAIN)


class Load(TestCase):
    def loaded(self, number, seconds, **more):
        return lesson(number, Given(STRONG, 1, seconds, 1.0), **more)

    def test_it_grows_by_a_tenth_and_begins_again_at_half(self):
        before = after(self.loaded(0, 100))
        self.assertAlmostEqual(load_limit(before, lesson(1)), 110)
        for name, more in (("a break", {"weeks_away": 2}), ("a stop", {"lifted": week(1)})):
            with self.subTest(name):
                self.assertAlmostEqual(load_limit(before, lesson(1, **more)), 50)
        self.assertIsNone(load_limit(AT_FIRST, lesson(1)))

    def test_a_pause_before_the_last_load_is_past(self):
        before = after(self.loaded(0, 100), self.loaded(1, 50, lifted=week(1)))
        self.assertAlmostEqual(load_limit(before, lesson(2, lifted=week(1))), 55)

    def test_all_loads_of_a_week_count_together(self):
        both = lesson(0, Given(STRONG, 1, 60.0, 2.0), Given("shaped_finger", 1, 40.0, 5.0))
        self.assertAlmostEqual(load_limit(after(both), lesson(1)), 110)


class Memory(TestCase):
    def test_the_focus_is_recent_for_seven_days(self):
        before = after(lesson(0, (TAPS, 1)))
        self.assertEqual(recent_focus(before, lesson(1)), [GRIP])
        later = replace(lesson(1), on=week(1) + timedelta(days=1))
        self.assertEqual(recent_focus(before, later), [])
        self.assertEqual(after(lesson(0), lesson(1, focus=())).focus, (GRIP,))

    def test_a_break_is_felt_for_two_weeks(self):
        before = after(lesson(0), lesson(6, weeks_away=5.5))
        for days, expected in ((7, 5.5), (13, 5.5), (14, None)):
            with self.subTest(days):
                record = replace(lesson(6), on=week(6) + timedelta(days=days))
                found = break_now(before, record)
                self.assertEqual(found and found.weeks, expected)

    def test_a_long_break_is_felt_though_a_short_one_was_told_after_it(self):
        before = after(lesson(0, (TAPS, 4)), lesson(5, (TAPS, 3), weeks_away=5))
        record = lesson(6, weeks_away=2, shown=shown(True, rung=3))
        self.assertEqual(break_now(before, record).weeks, 5)
        self.assertEqual(passed_rungs(before, record, CATALOGUE), {TAPS: 2})
        later = lesson(7, shown=shown(True, rung=3))
        again = after(
            lesson(0, (TAPS, 4)), lesson(5, (TAPS, 3), weeks_away=5), lesson(6, weeks_away=2)
        )
        self.assertEqual(break_now(again, later).weeks, 2)

    def test_what_helped_is_what_was_given_before_the_signs_were_gone(self):
        gone = dict.fromkeys(SHOWN, 0)
        before = after(
            lesson(0, ("rod_pivot", 1)),
            lesson(1, (TAPS, 1), ("easy_melody", 1)),
            lesson(2, ("tighten_and_melt", 1), focus=(), grades=gone),
        )
        (kept,) = kept_now(before, lesson(3, focus=(), grades={}), CATALOGUE)
        self.assertEqual(kept.since, week(2))
        self.assertEqual(kept.helped, (TAPS, "easy_melody", "rod_pivot"))
        self.assertEqual(before.newest, week(2))
        self.assertEqual(after(lesson(0), lesson(1, is_glance=True)).newest_real, week(0))
