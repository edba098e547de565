"""Edges of doses, days and rules: just inside and just outside."""

from dataclasses import replace
from unittest import TestCase

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.doses import (
    is_load,
    load_minutes,
    practice_days,
    rests_between_loads,
    safe_dose,
)
from lefthand.practice.planning import aimed_cause, plan_item, prescribe
from lefthand.practice.rules import reason_against, too_much_when_easing
from lefthand.practice.selection import Wishes
from lefthand.practice.situation import Situation
from lefthand.tests.cases import case, diagnosis
from lefthand.values.said import said
from lefthand.values.vocabulary import Kind, Likelihood
from lefthand.words import words_of

CATALOGUE = load_catalogue()
GRIP = {"web.closed": 3, "thumb.locked": 3, "nail.pale": 2, "hold.slips": 0}
RELEASE = CATALOGUE.exercises["thumb_taps"]
STRONG = CATALOGUE.exercises["fourth_plucks"]


def now(observations=GRIP, **more):
    return Situation(diagnosis("vn", observations, **more), CATALOGUE)


class Days(TestCase):
    def test_little_time_leaves_a_day_off_more(self):
        for minutes, expected in ((5, (1, 2, 3, 5, 6)), (5.5, (1, 2, 3, 4, 5, 6))):
            with self.subTest(minutes):
                self.assertEqual(practice_days(RELEASE, case(daily_minutes=minutes)), expected)

    def test_loads_rest_a_day_between_for_young_and_old_hands(self):
        table = (
            (9.9, 9.9, True),
            (10, 10, False),
            (60, 60, False),
            (60.1, 60.1, True),
            (None, None, False),
        )
        for youngest, oldest, expected in table:
            with self.subTest(youngest):
                self.assertEqual(rests_between_loads(youngest, oldest), expected)
        self.assertEqual(practice_days(STRONG, case(age=9, daily_minutes=20)), (1, 3, 5))
        self.assertEqual(practice_days(RELEASE, case(age=9, daily_minutes=20)), (1, 2, 3, 4, 5, 6))

    def test_a_third_of_the_day_may_load_and_two_minutes_always(self):
        for minutes, expected in ((3, 2), (6, 2), (9, 3), (30, 10)):
            with self.subTest(minutes):
                self.assertAlmostEqual(load_minutes(case(daily_minutes=minutes)), expected)

    def test_what_loads(self):
        self.assertTrue(is_load(STRONG))
        self.assertFalse(is_load(RELEASE))
        self.assertTrue(is_load(replace(RELEASE, stretch=True)))


class Caution(TestCase):
    def halvings(self, exercise, **more):
        full = exercise.rung(1).dose
        found = safe_dose(exercise, 1, now(**more))
        for times in range(4):
            if found == full:
                return times
            full = full.halved()
        return None

    def test_how_often_a_dose_is_halved(self):
        table = (
            ("nothing", RELEASE, {}, 0),
            ("pain", RELEASE, {"reports": {"pain": 2}}, 1),
            ("a short break, a release", RELEASE, {"break_weeks": 2}, 0),
            ("a short break, a load", STRONG, {"break_weeks": 2}, 1),
            ("less than a break", STRONG, {"break_weeks": 1.9}, 0),
            ("the last day of two weeks", STRONG, {"break_weeks": 2, "days_back": 13}, 1),
            ("two weeks back", STRONG, {"break_weeks": 2, "days_back": 14}, 0),
            ("a long break", STRONG, {"break_weeks": 4}, 2),
        )
        for name, exercise, more, expected in table:
            with self.subTest(name):
                self.assertEqual(self.halvings(exercise, **more), expected)


class Rules(TestCase):
    def test_easing_off_leaves_out_each_kind_of_strain_for_its_own_reason(self):
        taps = CATALOGUE.exercises["thumb_taps"]
        for more, reason in (
            ({}, None),
            ({"kind": Kind.PLACEMENT}, None),
            ({"kind": Kind.STRENGTH}, said("eased-kind")),
            ({"kind": Kind.TRANSFER}, said("eased-kind")),
            ({"stretch": True}, said("eased-stretch")),
            ({"kind": Kind.PLACEMENT, "stretch": True}, said("eased-stretch")),
            ({"static_s": 5}, said("eased-hold")),
            ({"long_hold": True}, said("eased-hold")),
        ):
            with self.subTest(**more):
                self.assertEqual(too_much_when_easing(replace(taps, **more)), reason)

    def test_age_and_children(self):
        table = (
            (replace(RELEASE, min_age=8), 8, None),
            (replace(RELEASE, min_age=8), 7.9, "not under 8 years"),
            (replace(RELEASE, long_hold=True), 7.9, "no long quiet hold under 8 years"),
            (replace(RELEASE, long_hold=True), 8, None),
            (replace(RELEASE, static_s=5), 7, None),
            (replace(RELEASE, static_s=5.5), 7, "no still hold over 5 s under 8 years"),
        )
        for exercise, age, expected in table:
            with self.subTest(age=age, expected=expected):
                found = reason_against(exercise, now(age=age))
                self.assertEqual(found and words_of(found), expected)

    def test_a_need_blocks_when_it_shows_clearly_and_not_when_it_was_not_looked_at(self):
        needing = replace(RELEASE, needs=("hold.slips",))
        for observations, blocked in (
            ({"web.closed": 3}, False),
            ({"web.closed": 3, "hold.slips": 1}, False),
            ({"web.closed": 3, "hold.slips": 2}, True),
        ):
            with self.subTest(observations):
                self.assertEqual(reason_against(needing, now(observations)) is not None, blocked)

    def test_a_limit_by_a_cause_has_its_likelihood(self):
        situation = now()
        grip = situation.diagnosis.probability("thumb_index_grip")
        self.assertGreater(grip, 0.55)
        for word in (Likelihood.POSSIBLE, Likelihood.LIKELY):
            with self.subTest(word):
                limited = replace(RELEASE, not_while={"thumb_index_grip": word})
                self.assertIn(word.value, words_of(reason_against(limited, situation)))
                free = replace(RELEASE, not_while={"joint_laxity": word})
                self.assertIsNone(reason_against(free, situation))


class Selection(TestCase):
    def test_what_counts_how_much(self):
        seen = now({"web.closed": 3, "thumb.locked": 2}).diagnosis
        expected = {
            "thumb_index_grip": 1.0,
            "insecure_hold": 0.6 * seen.probability("insecure_hold"),
        }
        self.assertEqual(seen.targets, expected)
        two = now({"fades.early": 3, "idle.stiff": 3, "web.closed": 3}).diagnosis
        self.assertEqual(two.targets, {"thumb_index_grip": 1.0, "held_fingers": 0.6})
        none = now({"web.closed": 3}).diagnosis
        self.assertEqual(list(none.targets), ["thumb_index_grip", "insecure_hold"])
        self.assertEqual(now({}).diagnosis.targets, {})

    def test_the_why_begins_with_a_capital_and_names_the_cause_it_is_given_for(self):
        item = plan_item(RELEASE, now())
        cause = CATALOGUE.causes[aimed_cause(RELEASE, now())]
        why = words_of(item.why)
        self.assertEqual(why[1 : len(cause.because)], cause.because[1:])
        self.assertEqual(why[0], cause.because[0].upper())
        self.assertTrue(why.endswith(f"; this {RELEASE.does}."))

    def test_doses_are_cut_to_the_minutes_and_what_cannot_be_cut_goes(self):
        for minutes in (3, 5, 8, 15):
            with self.subTest(minutes):
                found = prescribe(now().diagnosis, CATALOGUE, Wishes(minutes=minutes))
                self.assertTrue(found.items)
                self.assertLessEqual(found.minutes_a_day, minutes)
                for item in found.items:
                    rung = CATALOGUE.exercises[item.exercise].rung(item.rung)
                    self.assertEqual(item.dose.seconds, rung.dose.seconds, "never a shorter hold")

    def test_an_exercise_counts_half_when_it_is_disliked(self):
        first, second = prescribe(now().diagnosis, CATALOGUE).offered[:2]
        both = prescribe(now().diagnosis, CATALOGUE, Wishes(disliked={first, second})).offered
        self.assertEqual([e for e in both if e in (first, second)], [first, second])
        self.assertGreater(both.index(first), 0)
        self.assertLess(both.index(first), len(both) - 1)

    def test_kinds_stand_in_their_order(self):
        found = prescribe(now(level="advanced").diagnosis, CATALOGUE, Wishes())
        kinds = [list(Kind).index(item.kind) for item in found.items]
        self.assertEqual(kinds, sorted(kinds))
