"""From measured numbers to grades.

Cut points: working judgement of teaching practice (no source), except the nine-point cut-offs of
the 2017 international criteria (Malfait et al., Am J Med Genet C 175:8-26).
"""

from unittest import TestCase

from lefthand.case.findings import parse_finding, with_grades
from lefthand.case.grading import Body, grade_of, laxity_cutoff
from lefthand.case.pair import Pair
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.errors import InputError
from lefthand.values.measures import MEASURES
from lefthand.words import words_of

CATALOGUE = load_catalogue()
# measure, finger, (value, grade) pairs; values on an edge get the milder grade
TABLE = (
    ("hold_seconds", None, ((4, 0), (3.9, 1), (2, 1), (1.9, 2), (1, 2), (0.9, 3), (0, 3))),
    ("reach_margin", None, ((5, 0), (0, 0), (-1, 1), (-8, 1), (-8.1, 2), (-15, 2), (-16, 3))),
    ("elbow_offset", None, ((-1, 0), (0.25, 0), (0.3, 1), (0.5, 1), (0.6, 2), (1, 2), (1.1, 3))),
    ("tip_angle", None, ((10, 0), (9, 1), (0, 1), (-1, 2), (-10, 2), (-11, 3))),
    ("middle_angle", None, ((30, 0), (29, 1), (15, 1), (14, 2), (0, 2), (-1, 3))),
    ("middle_angle", 4, ((20, 0), (19, 1), (5, 1), (4, 2), (-10, 2), (-11, 3))),
    ("arch_seconds", None, ((5, 0), (4, 1), (3, 1), (2, 2), (1, 2), (0.5, 3))),
    (
        "pressure_slack",
        None,
        ((0.9, 0), (0.8, 0), (0.7, 1), (0.6, 1), (0.5, 2), (0.4, 2), (0.3, 3)),
    ),
    ("fourth_cents", None, ((0, 0), (-10, 0), (-11, 1), (-20, 1), (-21, 2), (-35, 2), (-36, 3))),
    ("vibrato_share", None, ((0.7, 0), (0.6, 1), (0.5, 1), (0.3, 2), (0.25, 2), (0.2, 3))),
    ("neighbour_share", None, ((0.8, 0), (0.7, 1), (0.5, 1), (0.3, 2), (0.2, 2), (0.1, 3))),
    ("evenness_rise", None, ((1, 0), (2, 0), (3, 1), (5, 1), (6, 2), (10, 2), (11, 3))),
    ("shrink_cents", None, ((-5, 0), (-6, 1), (-12, 1), (-13, 2), (-25, 2), (-26, 3))),
    ("share_before_tight", None, ((1, 0), (0.9, 1), (0.75, 1), (0.5, 2), (0.4, 2), (0.3, 3))),
)
# body, published cut-off
CUTOFFS = (
    (Body(age=8), 6),
    (Body(age=12), 6),
    (Body(age=13), 5),
    (Body(age=12, before_puberty=False), 5),
    (Body(age=14, before_puberty=True), 6),
    (Body(age=50), 5),
    (Body(age=51), 4),
    (Body(), 5),
)
REFUSED = (
    ("hold_seconds", -1),
    ("hold_seconds", float("nan")),
    ("tip_angle", float("inf")),
    ("pressure_slack", 1.2),
    ("laxity_score", 10),
    ("laxity_score", 4.5),
)


class Thresholds(TestCase):
    def test_values_around_every_edge(self):
        for measure, finger, pairs in TABLE:
            for value, grade in pairs:
                with self.subTest(measure=measure, finger=finger, value=value):
                    self.assertEqual(grade_of(measure, value, finger=finger), grade)

    def test_published_cut_offs_of_the_nine_point_test(self):
        for body, cutoff in CUTOFFS:
            with self.subTest(body):
                self.assertEqual(laxity_cutoff(body), cutoff)
                grades = [
                    grade_of("laxity_score", cutoff + d, body=body) for d in (-3, -2, -1, 0, 1)
                ]
                self.assertEqual(grades, [0, 1, 1, 2, 3])

    def test_a_teacher_may_move_the_cut_points(self):
        strict = {"hold_seconds": (30.0, 10.0, 4.0)}
        self.assertEqual(grade_of("hold_seconds", 5, cuts=strict), 2)

    def test_what_cannot_be_measured_is_refused_by_name(self):
        for measure, value in REFUSED:
            with self.subTest(measure=measure, value=value):
                with self.assertRaises(InputError) as caught:
                    grade_of(measure, value)
                self.assertEqual(caught.exception.field, measure)


# measure, least and most that can be measured at all
RANGES = (
    ("hold_seconds", 0, 600),
    ("reach_margin", -100, 300),
    ("laxity_score", 0, 9),
    ("elbow_offset", -6, 6),
    ("tip_angle", -90, 120),
    ("middle_angle", -90, 140),
    ("arch_seconds", 0, 60),
    ("pressure_slack", 0, 1),
    ("fourth_cents", -600, 600),
    ("vibrato_share", 0, 20),
    ("neighbour_share", 0, 1),
    ("late_share", 0, 1),
    ("evenness_rise", -100, 300),
    ("shrink_cents", -600, 600),
    ("share_before_tight", 0, 1),
)


class Ranges(TestCase):
    def test_what_cannot_be_measured_is_refused(self):
        self.assertEqual({measure for measure, *_ in RANGES}, set(MEASURES))
        for measure, low, high in RANGES:
            with self.subTest(measure):
                for value in (low, high):
                    self.assertIn(grade_of(measure, value), (0, 1, 2, 3))
                for value in (low - 1, high + 1):
                    with self.assertRaises(InputError):
                        grade_of(measure, value)


class Trials(TestCase):
    """A trial is the same bar before and after one thing was changed."""

    def test_how_clearly_it_eased(self):
        table = (
            *((3, 3, 0), (3, 2, 1), (3, 1, 2), (3, 0, 3), (2, 3, 0)),
            *((2, 2, 0), (2, 1, 1), (2, 0, 3), (1, 1, 0), (1, 0, 2)),
        )
        for before, after, eased in table:
            with self.subTest(before=before, after=after):
                raw = {"before": before, "after": after, "changed": "thumb away"}
                found = parse_finding(raw, CATALOGUE.evidence["try.thumb_off"])
                self.assertEqual((found.grade, found.compared.changed), (eased, "thumb away"))
                self.assertEqual(with_grades(raw, found), {**raw, "grade": eased})

    def test_each_finger_may_be_compared(self):
        found = parse_finding(
            {"4": {"before": 3, "after": 0}, "3": 1}, CATALOGUE.evidence["try.shaped_hold"]
        )
        self.assertEqual(found.by_finger, {3: 1, 4: 3})

    def test_a_measured_pair_is_graded_by_its_numbers(self):
        """The fourth's cents with the first finger down, and with it let go."""
        trial = CATALOGUE.evidence["try.lift_first"]
        for before, after, eased, words in (
            (-40, -6, 3, "The fourth comes 34 cents higher."),
            (-40, -18, 2, "The fourth comes 22 cents higher."),
            (-40, -34, 0, "No difference that measuring twice could not make by itself."),
            (-18, -8, 0, "No difference that measuring twice could not make by itself."),
            (-18, -4, 2, "The fourth comes 14 cents higher."),
            (-18, -36, 0, "The fourth ends 18 cents lower."),
            (-18, 25, 2, "The fourth comes 43 cents higher."),
            (-5, 20, 0, "It was right before already: nothing to ease."),
        ):
            with self.subTest(before=before, after=after):
                raw = {"measured_before": before, "measured_after": after}
                found = parse_finding(raw, trial)
                pair = found.compared.measured
                self.assertEqual((found.grade, pair.before, pair.after), (eased, before, after))
                self.assertEqual(words_of(pair.told(found.compared.before)), words)
                self.assertEqual(with_grades(raw, found), {**raw, "grade": eased})

    def test_every_pair_has_its_words(self):
        for trial in CATALOGUE.evidence.values():
            if trial.pair is not None:
                for before, after in ((-100, 0), (0, -100)):
                    self.assertTrue(words_of(Pair(trial.pair.measure, before, after).told(2)))

    def test_what_cannot_be_compared_names_its_field(self):
        pair = {"measured_before": -20, "measured_after": -5}
        for name, raw, field in (
            ("web.closed", {"before": 2, "after": 0}, "observations.web.closed"),
            ("try.thumb_off", {"before": 0, "after": 0}, "observations.try.thumb_off.before"),
            ("try.thumb_off", {"before": 2}, "observations.try.thumb_off.after"),
            ("try.thumb_off", {"before": 2, "after": 1, "x": 1}, "observations.try.thumb_off.x"),
            ("try.thumb_off", pair, "observations.try.thumb_off"),
            *(
                ("try.lift_first", {**pair, name: value}, f"observations.try.lift_first.{name}")
                for name, value in (
                    ("measured_before", "low"),
                    ("measured_after", -900),
                    ("before", 2),
                )
            ),
            (
                "try.lift_first",
                {"measured_before": -20},
                "observations.try.lift_first.measured_after",
            ),
        ):
            with self.subTest(name, raw=raw), self.assertRaises(InputError) as caught:
                parse_finding(raw, CATALOGUE.evidence[name])
            self.assertEqual(caught.exception.field, field)
