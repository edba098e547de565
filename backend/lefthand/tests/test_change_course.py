"""`jolf-course/1` in, `jolf-change/1` out: what is read, what is refused, and what comes next."""

import json
import tempfile
from dataclasses import replace
from datetime import date, timedelta
from pathlib import Path
from unittest import TestCase

import jsonschema_rs

from lefthand.case.case import Case, Finding
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.change.causes import CauseWord
from lefthand.change.change import change_json, change_of
from lefthand.change.course import Course, CourseLesson, Practice, parse_course, series_of
from lefthand.change.helped import Helped, better_than_others, shares, what_helped
from lefthand.change.next_step import Step, next_step
from lefthand.change.work import work_on
from lefthand.reason.safety import Safety, SafetyLevel, stop_said
from lefthand.tests.running import run_lefthand
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument
from lefthand.words.words import words_of

CATALOGUE = load_catalogue()
GRIP = "thumb_index_grip"
START = date(2026, 1, 7)
LESSON = {
    "date": "2026-01-07",
    "observations": {"web.closed": 3, "tip.gives": {"4": 3, "3": 1}},
    "practice": {"planned": 6, "done": 5},
    "focus": [GRIP],
    "plan": ["thumb_taps"],
    "harder_piece": False,
}
COURSE = {"format": "jolf-course/1", "instrument": "vn", "lessons": [LESSON]}


def with_lesson(**more):
    return {**COURSE, "lessons": [{**LESSON, **more}]}


def course(*lessons, focus=(GRIP,), practice=(6, 5), pain=0, harder=(), plan=("thumb_taps",)):
    """Weekly lessons by the grades of three signs of a squeezing thumb."""
    names = ("web.closed", "thumb.locked", "nail.pale")
    return Course(
        Case(Instrument.VIOLIN, {}),
        [
            CourseLesson(
                START + timedelta(weeks=week),
                {name: Finding(grade) for name, grade in zip(names, grades, strict=True)},
                practice=Practice(*practice) if practice and week else None,
                focus=focus,
                plan=plan,
                is_harder=week in harder,
                pain=pain if week == len(lessons) - 1 else 0,
            )
            for week, grades in enumerate(lessons)
        ],
    )


SHOWS, SOME, GONE = (3, 3, 2), (1, 2, 1), (0, 0, 0)


class Reading(TestCase):
    def test_what_cannot_be_used_names_its_field(self):
        for data, field in (
            ({**COURSE, "format": "jolf-case/1"}, "format"),
            ({**COURSE, "instrument": "kazoo"}, "instrument"),
            ({**COURSE, "age": 1}, "age"),
            ({**COURSE, "level": "master"}, "level"),
            ({**COURSE, "lessons": {}}, "lessons"),
            ({**COURSE, "colour": "red"}, "colour"),
            (with_lesson(date="soon"), "lessons.0.date"),
            (with_lesson(date=None), "lessons.0.date"),
            (with_lesson(observations=[]), "lessons.0.observations"),
            (with_lesson(observations={"no.such": 1}), "lessons.0.observations"),
            (with_lesson(observations={"web.closed": 4}), "observations.web.closed"),
            (with_lesson(practice={"planned": 6}), "lessons.0.practice.done"),
            (with_lesson(practice={"planned": -1, "done": 0}), "lessons.0.practice.planned"),
            (with_lesson(focus=["no_such"]), "lessons.0.focus"),
            (with_lesson(plan=["no_such"]), "lessons.0.plan"),
            (with_lesson(harder_piece="yes"), "lessons.0.harder_piece"),
            (with_lesson(pain=11), "lessons.0.pain"),
            (with_lesson(mood="fine"), "lessons.0.mood"),
            ({**COURSE, "lessons": [LESSON, LESSON]}, "lessons.1.date"),
            ([], "case"),
        ):
            with self.subTest(field=field), self.assertRaises(InputError) as caught:
                parse_course(data, CATALOGUE)
            self.assertEqual(caught.exception.field, field)

    def test_no_lesson_and_one_have_an_answer(self):
        empty = change_json(
            change_of(parse_course({**COURSE, "lessons": []}, CATALOGUE), CATALOGUE)
        )
        self.assertEqual((empty["signs"], empty["causes"]), ({}, {}))
        self.assertEqual(empty["next"]["step"], "look")
        one = change_json(change_of(parse_course(COURSE, CATALOGUE), CATALOGUE))
        self.assertEqual(one["signs"]["tip.gives"]["fingers"].keys(), {"3", "4"})
        self.assertEqual(one["signs"]["web.closed"]["word"], "no_clear_change")

    def test_the_command_answers_and_refuses(self):
        for data, code in ((COURSE, 0), ({**COURSE, "age": "nine"}, 2)):
            with tempfile.TemporaryDirectory() as folder:
                path = Path(folder) / "course.json"
                path.write_text(json.dumps(data))
                done = run_lefthand("change", path)
            with self.subTest(code=code):
                self.assertEqual(done.returncode, code, done.stderr)
                if code == 0:
                    self.assertEqual(json.loads(done.stdout)["format"], "jolf-change/1")
                else:
                    self.assertTrue(done.stderr.startswith("age"), done.stderr)


class Fingers(TestCase):
    def grades(self, *looks):
        lessons = [
            CourseLesson(START + timedelta(weeks=n), {"tip.gives": look})
            for n, look in enumerate(looks)
        ]
        found = series_of(Course(Case(Instrument.VIOLIN, {}), lessons), CATALOGUE)
        return {each.finger: dict(each.grades) for each in found}

    def test_a_whole_hand_without_the_sign_speaks_of_every_finger(self):
        told = self.grades(Finding(3, {3: 1, 4: 3}), Finding(0))
        self.assertEqual(told, {None: {0: 3, 1: 0}, 3: {0: 1, 1: 0}, 4: {0: 3, 1: 0}})

    def test_a_look_at_another_finger_says_nothing_of_the_one_in_trouble(self):
        told = self.grades(Finding(3, {4: 3}), Finding(0, {1: 0}), Finding(0, {4: 0}))
        self.assertEqual(told[None], {0: 3, 2: 0})
        self.assertEqual(told[4], {0: 3, 2: 0})


class NextStep(TestCase):
    def step(self, *lessons, safety=None, **more):
        return change_of(course(*lessons, **more), CATALOGUE, safety=safety).next

    def test_each_state_has_its_step(self):
        rows = [
            ("just begun", [SHOWS, SHOWS], {}, Step.AS_EXPECTED),
            ("less", [*[SHOWS] * 4, *[(1, 1, 1)] * 5], {}, Step.ON_THE_WAY),
            ("gone", [SHOWS, SHOWS, SOME, GONE, GONE, GONE, GONE, GONE], {}, Step.KEEP_ALIVE),
            ("three lessons, time not over", [SHOWS] * 4, {}, Step.AS_EXPECTED),
            ("six weeks", [SHOWS] * 7, {}, Step.LOOK_AGAIN),
            ("hardly practised", [SHOWS] * 7, {"practice": (6, 2)}, Step.PRACTISE),
            ("nobody knows of practice", [SHOWS] * 7, {"practice": None}, Step.LOOK_AGAIN),
            ("hurt a little", [SHOWS] * 3, {"pain": 2}, Step.EASE_OFF),
            ("hurt", [SHOWS] * 3, {"pain": 5}, Step.STOP),
            ("back", [SHOWS, SHOWS, GONE, GONE, GONE, SHOWS], {"harder": {5}}, Step.LOOK_AGAIN),
            ("nobody works on it", [SHOWS] * 3, {"focus": ()}, Step.LOOK),
            ("wrong theory", [SHOWS] * 6, {"focus": ("broken_wrist",)}, Step.LOOK_AGAIN),
        ]
        for name, lessons, more, step in rows:
            with self.subTest(name):
                found = self.step(*lessons, **more)
                self.assertEqual(found.step, step, str(found.why))
                self.assertGreater(len(words_of(found.why).split()), 4)

    def test_a_wrong_theory_names_what_explains_more_and_the_trial_for_it(self):
        found = self.step(*[SHOWS] * 6, focus=("broken_wrist",))
        self.assertIn("Thumb squeezes explains more", words_of(found.why))
        self.assertEqual(found.check, CATALOGUE.causes[GRIP].settle[0])

    def test_another_cause_explains_more_only_where_it_is_likely_and_more_so(self):
        rows = course(*[SHOWS] * 7)
        (mine,) = [c for c in change_of(rows, CATALOGUE).causes if c.cause == GRIP]
        for chance, rivals, expected in (
            (0.3, 0.45, "no clear change"),
            (0.3, 0.5, "no clear change"),
            (0.3, 0.51, "explains more"),
            (0.7, 0.69, "no clear change"),
            (0.7, 0.71, "explains more"),
            (0.2, 0.3, "do not speak for it"),
        ):
            causes = [
                replace(mine, word=CauseWord.NO_CLEAR_CHANGE, probability=(chance,)),
                replace(
                    mine,
                    cause="broken_wrist",
                    word=CauseWord.NO_CLEAR_CHANGE,
                    probability=(rivals,),
                ),
            ]
            with self.subTest(chance=chance, rival=rivals):
                self.assertIn(expected, words_of(next_step(rows, causes, CATALOGUE).why))

    def test_pain_at_home_after_the_lesson_eases_off_or_stops(self):
        for pain, step in ((1, Step.EASE_OFF), (4, Step.STOP)):
            late = replace(course(SHOWS, SHOWS), pain_since=pain)
            self.assertEqual(change_of(late, CATALOGUE).next.step, step)

    def test_what_is_ruled_out_is_neither_proposed_nor_called_back(self):
        back = course(SHOWS, SHOWS, GONE, GONE, GONE, SHOWS)
        for rows in (back, course(*[SHOWS] * 6, focus=("broken_wrist",))):
            out = change_of(replace(rows, ruled_out=frozenset({GRIP})), CATALOGUE)
            words = {each.cause: each.word.value for each in out.causes}
            self.assertEqual(words[GRIP], "ruled_out")
            self.assertNotIn("Thumb squeezes", words_of(out.next.why))

    def test_a_stop_comes_before_everything(self):
        red = Safety(SafetyLevel.RED, (stop_said("numbness"),))
        self.assertEqual(self.step(*[GONE] * 5, safety=red).step, Step.STOP)

    def test_work_counts_since_the_cause_was_last_taken_up(self):
        rows = course(SHOWS, SHOWS, SHOWS).lessons
        late = [
            CourseLesson(
                START + timedelta(weeks=10 + n), {}, focus=(GRIP,), practice=Practice(6, 3)
            )
            for n in range(3)
        ]
        work = work_on(Course(Case(Instrument.VIOLIN, {}), [*rows, *late]), GRIP)
        self.assertEqual((work.weeks, work.lessons, work.planned, work.done), (2, 2, 12, 6))
        with self.assertRaisesRegex(ValueError, "never the focus"):
            work_on(course(SHOWS), "weak_finger")


class WhatHelped(TestCase):
    def test_an_exercise_is_told_with_its_practice_and_the_change_after_it(self):
        found = what_helped(course(SHOWS, SHOWS, SOME, GONE, GONE), CATALOGUE)
        (grip,) = [each for each in found if each.cause == GRIP]
        self.assertEqual((grip.exercise, grip.given_on, grip.days), ("thumb_taps", START, 20))
        self.assertGreater(grip.less, 0.6)
        self.assertTrue(grip.is_practised)

    def test_what_nobody_practised_or_looked_at_again_is_not_counted(self):
        untold = what_helped(course(SHOWS, SHOWS, GONE, GONE, practice=None), CATALOGUE)
        self.assertFalse(any(each.is_practised for each in untold))
        self.assertEqual(what_helped(course(SHOWS, GONE), CATALOGUE), [])
        self.assertEqual(shares([untold]), [])

    def test_a_share_counts_each_player_once_and_says_when_they_are_few(self):
        def player(less, exercise="thumb_taps"):
            return [Helped(exercise, GRIP, START, START + timedelta(weeks=4), 12, less)]

        found = shares([player(0.9), player(0.8), player(0.2), player(0.9, "rod_pivot")])
        by_name = {each.exercise: each for each in found}
        taps = by_name["thumb_taps"]
        self.assertEqual((taps.players, taps.less, taps.is_few), (3, 2, True))
        self.assertLess(taps.low, taps.share)
        self.assertLess(taps.share, taps.high)
        # drawn towards the others, not 1 of 1
        self.assertLess(by_name["rod_pivot"].share, 0.8)
        self.assertEqual(better_than_others(found), {})

    def test_what_is_much_better_in_many_is_told_apart_and_what_is_equal_is_not(self):
        def studio(first, second):
            rows = []
            for exercise, share in (("thumb_taps", first), ("rod_pivot", second)):
                for number in range(20):
                    less = 0.9 if number < 20 * share else 0.1
                    rows.append([Helped(exercise, GRIP, START, START, 12, less)])
            return better_than_others(shares(rows))

        self.assertEqual(studio(0.8, 0.2), {GRIP: "thumb_taps"})
        self.assertEqual(studio(0.5, 0.5), {})


class Schemas(TestCase):
    """JSON Schema 2020-12, read by the package jsonschema-rs."""

    def valid(self, name, data):
        path = Path(__file__).parents[1] / "schemas" / f"jolf-{name}.json"
        validator = jsonschema_rs.validator_for(json.loads(path.read_text(encoding="utf-8")))
        return [str(error.message) for error in validator.iter_errors(data)]

    def test_courses_in_and_changes_out_are_as_they_say(self):
        measured = with_lesson(observations={"tip.gives": {"4": {"value": -12.0}}, "web.closed": 2})
        later = {**measured["lessons"][0], "date": "2026-02-18"}
        two = {**COURSE, "lessons": [measured["lessons"][0], later]}
        for data in (COURSE, {**COURSE, "lessons": []}, two):
            self.assertEqual(self.valid("course-1", data), [])
            told = change_json(change_of(parse_course(data, CATALOGUE), CATALOGUE))
            self.assertEqual(self.valid("change-1", json.loads(json.dumps(told))), [])
        self.assertTrue(self.valid("course-1", {**COURSE, "instrument": "kazoo"}))
        self.assertTrue(self.valid("course-1", with_lesson(observations={"web.closed": 4})))
