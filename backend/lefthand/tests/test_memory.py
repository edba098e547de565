"""What is remembered of causes from lesson to lesson, and a focus that keeps still."""

import random
from dataclasses import replace
from datetime import date, timedelta
from unittest import TestCase

import numpy as np

from lefthand.case.case import Case, Finding
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.reason.chain import EASED, NEVER, THERE
from lefthand.reason.diagnosis import weigh
from lefthand.reason.focus import KeptColumn, choose_focus, main_focus_columns
from lefthand.reason.kept import kept_said
from lefthand.reason.memory import NOTHING_YET, Heard, after_lesson, before_lesson
from lefthand.reason.network import network_for, posterior
from lefthand.reason.starting import with_memory
from lefthand.simulation.courses import Kind, draw_course
from lefthand.tests.cases import case, diagnosis
from lefthand.tests.effort import usually
from lefthand.values.vocabulary import Instrument
from lefthand.words import words_of

CATALOGUE = load_catalogue()
VIOLIN = Instrument.VIOLIN
STARTS = {c.id: c.prior for c in CATALOGUE.causes_of(VIOLIN)}
DAY = date(2026, 3, 4)
GRIP = {"web.closed": 3, "thumb.locked": 3, "nail.pale": 2, "hold.slips": 0}


def remembered(*lessons, gap=7):
    memory = NOTHING_YET
    for number, grades in enumerate(lessons):
        heard = Heard(number * gap, grades, {})
        on = DAY + timedelta(days=number * gap)
        memory = after_lesson(memory, STARTS, heard, on, CATALOGUE, VIOLIN)
    return memory


def on_day(memory, days, **more):
    known = before_lesson(memory, STARTS, DAY + timedelta(days=days), **more)
    return {cause: each[THERE] for cause, each in known.items()}


class Memory(TestCase):
    def test_the_first_lesson_is_the_network_itself(self):
        memory = remembered(GRIP)
        found = posterior(network_for(CATALOGUE, VIOLIN), GRIP)
        for cause, each in memory.chances.items():
            self.assertAlmostEqual(each[THERE], found.probability(cause), places=6)
            self.assertAlmostEqual(sum(each), 1.0)

    def test_time_lets_it_ease_and_a_harder_piece_brings_it_back(self):
        memory = remembered(GRIP)
        grip = [on_day(memory, days)["thumb_index_grip"] for days in (0, 7, 28, 180)]
        self.assertEqual(grip, sorted(grip, reverse=True))
        gone = remembered(GRIP, *[dict.fromkeys(GRIP, 0)] * 4)
        self.assertLess(on_day(gone, 35)["thumb_index_grip"], 0.25)
        soft, hard = (on_day(gone, 35, is_harder=h)["thumb_index_grip"] for h in (False, True))
        self.assertGreater(hard, soft)

    def test_one_strong_sign_is_believed_though_it_was_gone_for_long(self):
        gone = remembered(
            {"hold.slips": 3, "hold.clamps": 2}, *[{"hold.slips": 0, "hold.clamps": 0}] * 6
        )
        memory = on_day(gone, 49)
        self.assertLess(memory["insecure_hold"], 0.2)
        again = diagnosis("vn", {"hold.slips": 3, "hold.clamps": 2}, memory=memory)
        self.assertGreater(again.probability("insecure_hold"), 0.55)

    def test_what_eased_is_not_what_never_was(self):
        gone = remembered(GRIP, *[dict.fromkeys(GRIP, 0)] * 3).chances["thumb_index_grip"]
        self.assertGreater(gone[EASED], gone[NEVER])
        never = remembered(dict.fromkeys(GRIP, 0)).chances["thumb_index_grip"]
        self.assertGreater(never[NEVER], never[EASED])

    def test_a_sign_seen_again_counts_less_than_a_new_one(self):
        again = remembered({"web.closed": 2}, {"web.closed": 2})
        new = remembered({"web.closed": 2}, {"thumb.locked": 2})
        self.assertLess(
            again.chances["thumb_index_grip"][THERE], new.chances["thumb_index_grip"][THERE]
        )

    def test_today_speaks_louder_and_what_is_remembered_is_never_quite_sure(self):
        sure, unsure = with_memory(0.1, 1.0, CATALOGUE), with_memory(0.1, 0.0, CATALOGUE)
        self.assertLess(sure, 0.97)
        self.assertGreater(unsure, 0.0)
        self.assertEqual(with_memory(0.1, None, CATALOGUE), 0.1)
        free = dict.fromkeys(GRIP, 0)
        memory = on_day(remembered(GRIP), 7)
        before = diagnosis("vn", {}, memory=memory).probability("thumb_index_grip")
        after = diagnosis("vn", free, memory=memory).probability("thumb_index_grip")
        self.assertGreater(before, 0.55)
        self.assertLess(after, 0.25)


class KeepsStill(TestCase):
    def focus(self, kept, **probabilities):
        every = dict.fromkeys(STARTS, 0.01) | probabilities
        found = choose_focus(every, CATALOGUE, VIOLIN, [], kept=kept)
        causes = list(every)
        orders = np.array([float(CATALOGUE.causes[c].order) for c in causes])
        allowed = np.array([c != "short_reach" for c in causes])
        column = KeptColumn(causes.index(kept), CATALOGUE.weighing.margin) if kept else None
        row = main_focus_columns(np.array([list(every.values())]), orders, allowed, column)
        main = causes[int(row[0])] if row[0] >= 0 else None
        self.assertEqual(main, found[0] if found else None, "one rule for one case and for many")
        return main

    def test_last_weeks_focus_stays_until_another_is_clearly_surer_or_it_is_not_possible(self):
        grip, held = "thumb_index_grip", "held_fingers"
        for kept, probabilities, main in (
            (None, {grip: 0.6, held: 0.7}, grip),
            (held, {grip: 0.7, held: 0.6}, held),
            (held, {grip: 0.9, held: 0.6}, grip),
            (held, {grip: 0.8, held: 0.2}, grip),
            (held, {grip: 0.1, held: 0.4}, held),
            (held, {grip: 0.1, held: 0.2}, None),
            (held, {grip: 0.6, held: 0.3}, grip),
        ):
            with self.subTest(kept=kept, **probabilities):
                self.assertEqual(self.focus(kept, **probabilities), main)

    def test_what_became_of_it_is_said_from_the_numbers(self):
        def said(before, now, focus):
            told = case("vn", {}, memory={"held_fingers": before}, kept_focus=["held_fingers"])
            probabilities = {"held_fingers": now, "thumb_index_grip": 0.9}
            return words_of(kept_said(told, probabilities, focus))

        for before, now, focus, words in (
            (0.9, 0.9, ["held_fingers"], "Kept from last week: very likely before today's look and after it."),
            (0.7, 0.4, ["held_fingers"], "Kept from last week: likely before today's look, possible now."),
            (0.7, 0.1, [], "Last week's focus, fingers are not let go, is unlikely now."),
            (0.7, 0.4, ["thumb_index_grip"],
             "Last week's focus, fingers are not let go, is possible now; thumb squeezes is very likely."),
        ):  # fmt: skip
            self.assertEqual(said(before, now, focus), words)
        self.assertIsNone(kept_said(case("vn", {}), {}, []))

    def test_over_courses_the_focus_seldom_goes_to_and_fro(self):
        """Without memory it did in a third of the courses."""
        courses = usually(16, 200)
        still, fro = (
            self.to_and_fro(courses, remember=True),
            self.to_and_fro(courses, remember=False),
        )
        self.assertLess(still, 0.6 * fro)
        self.assertLess(still, 0.16 * courses)

    def to_and_fro(self, courses, *, remember):
        return sum(self.goes_to_and_fro(number, remember) for number in range(courses))

    def goes_to_and_fro(self, number, remember):
        chooser = random.Random(f"still/{number}")
        course = draw_course(list(Kind)[number % 4], CATALOGUE, VIOLIN, chooser)
        memory, kept, focus = NOTHING_YET, (), []
        for lesson, (day, grades) in enumerate(zip(course.days, course.grades, strict=True)):
            on = DAY + timedelta(days=day)
            seen = Case(VIOLIN, {name: Finding(grade) for name, grade in grades.items()})
            if remember and memory.graded:
                known = before_lesson(memory, STARTS, on, is_harder=lesson in course.harder)
                chances = {cause: each[THERE] for cause, each in known.items()}
                seen = replace(seen, memory=chances, kept_focus=kept)
            found = weigh(seen, CATALOGUE).engine_focus
            kept = found[:1] or kept
            focus.append(found[0] if found else None)
            heard = Heard(day, grades, {}, lesson in course.harder)
            memory = after_lesson(memory, STARTS, heard, on, CATALOGUE, VIOLIN)
        there = {cause: course.there[:, column] for column, cause in enumerate(course.causes)}
        return any(
            one is not None and one == third != second is not None
            and not (there[one][place] == 0 and there[one][place + 1] == 1)
            for place, (one, second, third) in enumerate(zip(focus, focus[1:], focus[2:], strict=False), 1)
        )  # fmt: skip
