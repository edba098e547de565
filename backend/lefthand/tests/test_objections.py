"""What is made by hand is measured by all the rules that planning keeps to."""

from dataclasses import replace
from unittest import TestCase

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.objections import WeekItem, objections
from lefthand.practice.planning import prescribe
from lefthand.practice.situation import Situation
from lefthand.tests.cases import diagnosis
from lefthand.values.dose import Dose
from lefthand.values.vocabulary import Kind
from lefthand.words import words_of

CATALOGUE = load_catalogue()
WEAK_FOURTH = {
    "tip.gives": {"4": 3},
    "arch.fails": {"4": 3},
    "elbow.behind": 0,
    "laxity.fingers": 0,
}
GRIP = {"web.closed": 3, "thumb.locked": 3, "nail.pale": 2, "hold.slips": 0}


def item(name, rung=1, days=(1, 2, 3, 5, 6), fingers=(4,), **dose):
    return WeekItem(
        name, rung, replace(CATALOGUE.exercises[name].rung(rung).dose, **dose), days, fingers
    )


def said(items, seen, **more):
    return [words_of(o.said) for o in objections(items, Situation(seen, CATALOGUE), **more)]


class Objections(TestCase):
    def week_of(self, seen):
        found = prescribe(seen, CATALOGUE)
        return [WeekItem(i.exercise, i.rung, i.dose, i.days, i.fingers) for i in found.items]

    def test_each_rule_speaks(self):
        weak = diagnosis("vn", WEAK_FOURTH, level="intermediate", age=30)
        child = diagnosis("vn", WEAK_FOURTH, age=9, helper_at_home=False)
        grip = diagnosis("vn", GRIP, age=30)
        hurt = diagnosis("vn", GRIP, age=30, level="intermediate", reports={"pain": 2})
        warm, load = item("thumb_taps"), item("shaped_finger")
        table = (
            ("warm-up", [load, warm], weak, "warm up first"),
            ("order", [load, warm], weak, "order: release"),
            ("step too high", [item("thumb_taps", 3)], grip, "step 3 comes after step 1"),
            ("strength waits", [warm, load], grip, "strength waits"),
            ("helper", [item("partner_watch")], child, "needs a helper"),
            ("age", [item("quiet_hold", fingers=())], diagnosis("vn", GRIP, age=7), "not under 8"),
            ("easing off", [item("thumb_taps", sets=4, reps=20)], hurt, "no more than"),
            ("kinds while easing off", [item("shaped_finger")], hurt, "only release and placement"),
            ("two days running", [warm, replace(load, days=(1, 2, 5))], child, "rests a day"),
            ("a third of the day", [warm, item("shaped_finger", sets=9)], weak, "load the hand"),
            ("no day off", [replace(warm, days=(1, 2, 3, 4, 5, 6, 7))], grip, "no day off"),
            ("few days", [replace(warm, days=(1, 2))], grip, "fewer than 4 days"),
            ("many", [item(n) for n in list(CATALOGUE.causes["thumb_index_grip"].begin_with)[:2]]
             + [item("thumb_taps"), item("quiet_hold", fingers=())], grip, "exercises; 3 are"),
        )  # fmt: skip
        for name, items, seen, words in table:
            with self.subTest(name):
                reasons = said(items, seen)
                self.assertTrue([r for r in reasons if words in r], reasons)

    def test_load_beyond_its_growth(self):
        weak = diagnosis("vn", WEAK_FOURTH, level="advanced", age=30)
        week = self.week_of(weak)
        load = next(i for i in week if CATALOGUE.exercises[i.exercise].kind is Kind.STRENGTH)
        self.assertEqual(said(week, weak, load_limit=load.weekly_work), [])
        reasons = said(week, weak, load_limit=load.weekly_work - 1)
        self.assertIn("s of load this week", reasons[0])

    def test_a_step_for_a_higher_level(self):
        found = [(e.id, n) for e in CATALOGUE.exercises.values() for n, r in enumerate(e.rungs, 1)
                 if r.level.rank > e.level.rank]  # fmt: skip
        name, rung = found[0]
        reasons = said([item(name, rung)], diagnosis("vn", WEAK_FOURTH, passed={name: rung - 1}))
        self.assertTrue([r for r in reasons if "this step is for" in r], reasons)

    def test_what_was_proposed_meets_none(self):
        for level in ("beginner", "intermediate", "advanced"):
            seen = diagnosis("vn", WEAK_FOURTH, level=level)
            self.assertEqual(said(self.week_of(seen), seen), [])

    def test_an_empty_week_meets_none(self):
        self.assertEqual(said([], diagnosis("vn", GRIP)), [])
        self.assertEqual(Dose().work_seconds(), 4.0)
