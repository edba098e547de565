"""Edges of the week: the value on which something turns, one step to either side of it."""

from unittest import TestCase

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.doses import doses_of, fill_share, load_minutes
from lefthand.practice.planning import aimed_cause, prescribe
from lefthand.practice.selection import Wishes, select
from lefthand.practice.situation import Situation
from lefthand.tests.cases import case, diagnosis, plan
from lefthand.values.dose import Dose
from lefthand.values.fingers import finger_pairs
from lefthand.values.vocabulary import Kind

CATALOGUE = load_catalogue()


class Ages(TestCase):
    def test_minutes_by_age_and_level(self):
        for age, level, minutes in (
            (7.9, "advanced", 5),
            (8, "advanced", 15),
            (60, "advanced", 15),
            (60.1, "advanced", 5),
            (30, "intermediate", 10),
            (30, "beginner", 5),
        ):
            with self.subTest(age=age, level=level):
                self.assertEqual(case("vn", age=age, level=level).minutes_budget, minutes)

    def test_how_full_a_day_is(self):
        for age, level, share in (
            (7.9, "advanced", 0.8),
            (8, "advanced", 1.0),
            (60, "advanced", 1.0),
            (61, "advanced", 0.8),
            (30, "intermediate", 0.9),
            (30, "beginner", 0.8),
        ):
            with self.subTest(age=age, level=level):
                self.assertEqual(fill_share(case("vn", age=age, level=level)), share)

    def test_over_sixty_a_week_begins_with_the_warm_up_and_at_sixty_not_always(self):
        seen = {"thumb.locked": 3, "nail.pale": 3, "thumbball.hard": 3, "hold.slips": 0}
        old = plan("vn", seen, age=61, level="intermediate", daily_minutes=10)
        self.assertEqual(old.items[0].exercise, "warm_up")
        sixty = plan("vn", seen, age=60, level="intermediate", daily_minutes=10)
        self.assertNotIn("warm_up", [i.exercise for i in sixty.items])


class DosesOfAWeek(TestCase):
    def now(self, **more):
        grip = {"thumb.locked": 3, "nail.pale": 3, "hold.slips": 0}
        return Situation(diagnosis("vn", grip, **more), CATALOGUE)

    def doses(self, name, now):
        exercise = CATALOGUE.exercises[name]
        given = exercise.rung(1).dose
        return [(d.sets, d.reps) for d in doses_of(exercise, 1, given, now)]

    def test_from_the_least_to_the_usual_and_to_twice_of_it(self):
        self.assertEqual(
            self.doses("thumb_taps", self.now()), [(1, 5), (1, 10), (2, 10), (3, 10), (4, 10)]
        )

    def test_music_may_grow_to_four_times(self):
        doses = self.doses("easy_melody", self.now())
        self.assertEqual(doses[0], (1, 1))
        self.assertEqual(max(s * r for s, r in doses), 4)

    def test_a_load_never_grows_beyond_its_dose(self):
        doses = self.doses("two_and_four", self.now())
        self.assertEqual(doses[-1], (2, 8))

    def test_a_third_of_the_day_may_load_the_hand_and_two_minutes_always(self):
        for minutes, most in ((3, 2.0), (6, 2.0), (9, 3.0), (30, 10.0)):
            self.assertEqual(load_minutes(case("vn", daily_minutes=minutes)), most)

    def test_more_is_a_repetition_for_few_or_holds_else_a_set(self):
        for dose, expected in (
            (Dose(reps=4), (1, 5)),
            (Dose(reps=5), (2, 5)),
            (Dose(reps=9, is_hold=True), (1, 10)),
            (Dose(reps=3, sets=2), (3, 3)),
        ):
            more = dose.more()
            self.assertEqual((more.sets, more.reps), expected)

    def test_words_of_a_dose(self):
        for dose, words in (
            (Dose(reps=1, unit="tune"), "1 tune"),
            (Dose(reps=2, unit="tune"), "2 tunes"),
            (Dose(reps=1, unit="taps"), "1 tap"),
            (Dose(reps=8, sets=2, unit="bars"), "2 × 8 bars"),
            (Dose(reps=4, sets=3), "12 times"),
            (Dose(reps=2, seconds=60, is_hold=True), "2 × 1 min"),
            (Dose(reps=2, seconds=90, is_hold=True), "2 × 90 s"),
            (Dose(reps=2, seconds=59, is_hold=True), "2 × 59 s"),
        ):
            self.assertEqual(dose.words(), words)


class SlotsOfAWeek(TestCase):
    GRIP = {"thumb.locked": 3, "nail.pale": 3, "thumbball.hard": 3, "hold.slips": 0}

    def kinds(self, seen, **more):
        now = Situation(diagnosis("vn", seen, **more), CATALOGUE)
        return [{e.kind for e in slot.candidates} for slot in select(now, Wishes()).slots]

    def test_what_leads_is_a_release_then_music_then_placement(self):
        lead, music, placement = self.kinds(self.GRIP)
        self.assertEqual((lead, music), ({Kind.RELEASE}, {Kind.TRANSFER}))
        self.assertIn(Kind.PLACEMENT, placement)

    def test_a_load_brings_the_warm_up(self):
        weak = {"arch.fails": {"4": 3}, "shape.lost": {"4": 3}, "tip.gives": 0}
        now = Situation(diagnosis("vn", weak), CATALOGUE)
        slots = select(now, Wishes()).slots
        self.assertEqual({e.kind for e in slots[0].candidates}, {Kind.STRENGTH})
        self.assertEqual([e.id for e in slots[1].candidates], ["warm_up"])

    def test_music_for_a_finger_is_a_tune_and_for_the_whole_hand_an_open_string(self):
        for seen, first in (
            ({"shape.lost": {"4": 3}, "arch.fails": {"4": 3}}, "tune_for_the_hand"),
            ({"hold.slips": 3, "hold.droops": 3}, "open_string_line"),
        ):
            given = plan("vn", seen, age=12, level="beginner").items
            music = [item.exercise for item in given if item.kind is Kind.TRANSFER]
            self.assertEqual(music, [first])

    def test_fit_is_no_place_of_the_week(self):
        now = Situation(diagnosis("vn", {"strings.high": 3, "try.refit": 3}), CATALOGUE)
        found = select(now, Wishes())
        self.assertEqual(found.in_lesson, ("guided_refit",))
        for slot in found.slots:
            self.assertNotIn("guided_refit", [e.id for e in slot.candidates])

    def test_a_sign_that_an_exercise_answers_brings_it_forward_by_its_grade(self):
        def place(grade):
            seen = {**self.GRIP, "press.excess": {"2": grade}, "try.lighter": 3}
            return prescribe(diagnosis("vn", seen), CATALOGUE).offered.index("pressure_finder")

        self.assertLess(place(3), place(1))

    def test_what_aims_at_a_focus_is_given_for_it_and_what_is_for_all_too(self):
        for seen in (
            self.GRIP,
            {"elbow.forced": 3},
            {"arch.fails": {"4": 3}, "shape.lost": {"4": 3}, "tip.gives": 0},
            {"press.excess": {"2": 3}, "try.lighter": 3},
        ):
            now = Situation(diagnosis("vn", seen), CATALOGUE)
            focus = {f.cause for f in now.diagnosis.focus}
            self.assertTrue(focus)
            aiming = [e for e in CATALOGUE.exercises.values() if focus & set(e.aims) or e.general]
            self.assertGreater(len(aiming), 3)
            for exercise in aiming:
                self.assertIn(aimed_cause(exercise, now), focus)

    def test_a_third_that_helps_the_fourth_is_trained_as_the_fourth(self):
        weak = {"shape.lost": {"3": 3}, "arch.fails": {"3": 3}, "tip.gives": {"3": 2}}
        for way, finger in (("124", 4), ("1234", 3)):
            ways = {"bass_fingering": way}
            given = plan("db", weak, way_of_teaching=ways, age=14, level="intermediate").items
            named = {item.fingers for item in given if item.fingers}
            self.assertEqual(named, {(finger,)}, way)

    def test_pairs_are_as_many_as_neighbours_and_hold_the_aimed_at_finger(self):
        for hand, aimed, pairs in (
            ((1, 2, 3, 4), (), [(1, 2), (2, 3), (3, 4)]),
            ((1, 2, 3, 4), (4,), [(1, 4), (2, 4), (3, 4)]),
            ((1, 2, 3, 4), (3, 4), [(1, 3), (2, 3), (3, 4)]),
            ((1, 2, 4), (), [(1, 2), (2, 4)]),
            ((1, 2, 4), (3,), [(1, 4), (2, 4)]),
        ):
            self.assertEqual(finger_pairs(hand, aimed), pairs)

    def test_who_plays_two_hours_a_day_is_given_strength_later(self):
        weak = {"arch.fails": {"4": 3}, "shape.lost": {"4": 3}, "tip.gives": 0}

        def first_strength(hours):
            offered = plan("vn", weak, hours_a_day=hours, age=20, level="advanced").offered
            kinds = [CATALOGUE.exercises[name].kind for name in offered]
            return kinds.index(Kind.STRENGTH)

        self.assertEqual(first_strength(1.99), first_strength(0))
        self.assertGreater(first_strength(2), first_strength(1.99))

    def test_the_way_of_the_fourth_prefers_its_own_exercises(self):
        def score(way, exercise):
            seen = {"reach.exceeded": 3, "fourth.straight": 3, "elbow.behind": 0, "hold.slips": 0}
            ways = {"fourth_reach": way}
            offered = plan("vn", seen, way_of_teaching=ways, age=20).offered
            return offered.index(exercise)

        self.assertLess(score("turn", "lean_to_fourth"), score("lift", "lean_to_fourth"))
        self.assertLess(score("lift", "fourth_first"), score("turn", "fourth_first"))
