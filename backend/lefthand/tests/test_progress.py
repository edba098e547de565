"""Go on, stay, step back, rest, look again (rules of the trade: common practice, no source)."""

from unittest import TestCase

from lefthand.practice.progress import Course, PracticeDay, next_step
from lefthand.reason.safety import Safety, SafetyLevel, stop_said
from lefthand.values.dose import Dose

CALM = Safety(SafetyLevel.NONE, ())
RED = Safety(SafetyLevel.RED, (stop_said("swelling"),))
RIGHT, WRONG = PracticeDay(True, 0), PracticeDay(False, 0)
HURT = PracticeDay(True, 2)
# name, course, safety, move, next rung
TABLE = (
    ("shown in the lesson", Course(2, 4, True), CALM, "go on", 3),
    ("shown on the last rung", Course(4, 4, True), CALM, "go on", 4),
    ("three days running", Course(1, 3, None, 0, [WRONG, RIGHT, RIGHT, RIGHT]), CALM, "go on", 2),
    (
        "three days, not running",
        Course(1, 3, None, 0, [RIGHT, RIGHT, WRONG, RIGHT]),
        CALM,
        "stay",
        1,
    ),
    ("failed today after good days", Course(1, 3, False, 0, [RIGHT] * 5), CALM, "stay", 1),
    ("failed once", Course(2, 3, False, 0), CALM, "stay", 2),
    ("failed twice", Course(2, 3, False, 1), CALM, "step back", 1),
    ("failed twice on the lowest: another exercise", Course(1, 3, False, 1), CALM, "step back", 1),
    ("hurt at home", Course(2, 3, True, 0, [RIGHT, HURT]), CALM, "step back", 1),
    ("tighter at home", Course(2, 3, None, 0, [PracticeDay(True, 0, True)]), CALM, "step back", 1),
    ("red flag", Course(2, 3, True), RED, "rest", 2),
    ("no change in three lessons", Course(2, 3, None, 0, (), [5, 5, 6, 5]), CALM, "look again", 2),
    ("no change in two lessons", Course(2, 3, None, 0, (), [5, 5, 5]), CALM, "stay", 2),
    ("some change", Course(2, 3, None, 0, (), [5, 5, 5, 4]), CALM, "stay", 2),
    ("not tried", Course(2, 3), CALM, "stay", 2),
    (
        "no change, though it fails",
        Course(2, 3, False, 1, (), [5, 5, 5, 5]),
        CALM,
        "look again",
        2,
    ),
    ("no change, though it passes", Course(2, 3, True, 0, (), [5, 5, 5, 5]), CALM, "look again", 2),
    ("no change, though it hurts", Course(2, 3, None, 0, [HURT], [3] * 4), CALM, "look again", 2),
    ("nothing left to change", Course(2, 3, True, 0, (), [0, 0, 0, 0]), CALM, "go on", 3),
)
# dose, fingers, words, minutes
DOSES = (
    (Dose(reps=5, seconds=5, pause=5, is_hold=True), 1, "5 × 5 s", 1.5),
    (Dose(reps=4, sets=3, unit="bars", seconds=4, rest=10, tempo=60), 1, "3 × 4 bars", 1.5),
    (Dose(reps=1, unit="tune", seconds=60), 1, "1 tune", 1.5),
    (Dose(reps=2, is_hold=True, seconds=120, pause=20), 1, "2 × 2 min", 5.0),
    (Dose(reps=10, seconds=2, unit="swings", per="finger"), 1, "10 swings, each finger", 1.0),
    (Dose(reps=10, seconds=2, unit="swings", per="finger"), 0, "10 swings, each finger", 2.0),
    (Dose(reps=6, seconds=4, per="string"), 1, "6 times, each string", 2.0),
)


class Progress(TestCase):
    def test_moves(self):
        for name, course, safety, move, rung in TABLE:
            with self.subTest(name):
                advice = next_step(course, safety)
                self.assertEqual((advice.move.value, advice.rung), (move, rung))
                self.assertTrue(advice.reason)

    def test_what_is_left_out_of_the_next_week(self):
        table = (
            (Course(1, 3, False, 1), True),
            (Course(2, 3, False, 1), False),
            (Course(2, 3, None, 0, (), [5, 5, 5, 5]), True),
            (Course(2, 3, True), False),
        )
        for course, left_out in table:
            with self.subTest(course):
                self.assertEqual(next_step(course, CALM).is_left_out, left_out)


class Doses(TestCase):
    def test_words_and_minutes_follow_from_the_numbers(self):
        for dose, fingers, words, minutes in DOSES:
            with self.subTest(words):
                self.assertEqual((dose.words(), dose.minutes(fingers)), (words, minutes))

    def test_the_fingers_aimed_at_are_named(self):
        taps = Dose(reps=4, sets=4, unit="taps", per="finger")
        self.assertEqual(taps.words((4,)), "4 × 4 taps, finger 4")
        self.assertEqual(taps.words((3, 4)), "4 × 4 taps, finger 3 and 4")
        self.assertEqual(Dose(reps=6, per="string").words((4,)), "6 times, each string")

    def test_work_is_counted_without_pauses_and_rests(self):
        dose = Dose(reps=8, sets=2, seconds=3, pause=2, rest=10, per="finger")
        self.assertEqual((dose.work_seconds(1), dose.work_seconds(0)), (48, 192))

    def test_the_least_dose_is_never_one_tap_of_many(self):
        table = ((8, 2, 4), (5, 1, 3), (3, 3, 3), (2, 1, 2), (1, 4, 1))
        for reps, sets, least in table:
            with self.subTest(reps):
                self.assertEqual(Dose(reps=reps, sets=sets).least(), Dose(reps=least, sets=1))

    def test_the_most_that_is_allowed_never_falls_below_the_least(self):
        dose = Dose(reps=8, sets=2, seconds=1)
        table = ((100, 16), (15, 14), (12, 12), (8, 8), (7.9, 7), (2, 4))
        for limit, expected in table:
            with self.subTest(limit):
                most = dose.most(lambda d, limit=limit: d.work_seconds() <= limit, dose.least())
                self.assertEqual(most.work_seconds(), expected)

    def test_halving_never_ends_below_something_to_do(self):
        for dose, *_ in DOSES:
            for _ in range(5):
                smaller = dose.halved()
                self.assertLess(smaller.total_seconds(), dose.total_seconds())
                self.assertGreaterEqual(min(smaller.reps, smaller.sets), 1)
                dose = smaller  # noqa: PLW2901
