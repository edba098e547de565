"""Reading `jolf-case/1`: defaults, every kind of bad input, and a fuzz."""

import json
import tempfile
from dataclasses import fields
from pathlib import Path
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from lefthand.case.case import Measurement, Reports, Source
from lefthand.case.parsing import parse_case, read_case
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.tests.cases import case
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Level

CATALOGUE = load_catalogue()
GOOD = {"format": "jolf-case/1", "instrument": "vn", "observations": {"web.closed": 3}}
# what is changed in a good case, and the field that the error must name
BAD = (
    ({"format": "jolf-case/2"}, "format"),
    ({"instrument": "gt"}, "instrument"),
    ({"instrument": 3}, "instrument"),
    ({"observations": []}, "observations"),
    ({"observations": {"web.shut": 1}}, "observations.web.shut"),
    ({"observations": {"elbow.low": 1}}, "observations.elbow.low"),
    ({"observations": {"web.closed": 4}}, "observations.web.closed"),
    ({"observations": {"web.closed": -1}}, "observations.web.closed"),
    ({"observations": {"web.closed": 1.5}}, "observations.web.closed"),
    ({"observations": {"web.closed": True}}, "observations.web.closed"),
    ({"observations": {"web.closed": None}}, "observations.web.closed"),
    ({"observations": {"web.closed": "3"}}, "observations.web.closed"),
    ({"observations": {"web.closed": {"4": 1}}}, "observations.web.closed"),
    ({"observations": {"web.closed": {"value": 1}}}, "observations.web.closed.value"),
    ({"observations": {"tip.gives": {}}}, "observations.tip.gives"),
    ({"observations": {"tip.gives": {"5": 1}}}, "observations.tip.gives.5"),
    ({"observations": {"tip.gives": {"4": 9}}}, "observations.tip.gives.4"),
    ({"observations": {"hold.slips": {"value": "2"}}}, "observations.hold.slips.value"),
    ({"observations": {"hold.slips": {"value": 2, "unit": "s"}}}, "observations.hold.slips.unit"),
    ({"observations": {"hold.slips": {"value": -2}}}, "observations.hold.slips.value"),
    (
        {"observations": {"hold.slips": {"value": 2, "spread": -1}}},
        "observations.hold.slips.spread",
    ),
    (
        {"observations": {"hold.slips": {"value": 2, "source": "ear"}}},
        "observations.hold.slips.source",
    ),
    ({"observations": {"hold.slips": {"value": 2, "grade": 4}}}, "observations.hold.slips.grade"),
    (
        {"observations": {"tip.gives": {"4": {"value": 2, "grade": "1"}}}},
        "observations.tip.gives.4.grade",
    ),
    ({"level": "expert"}, "level"),
    ({"age": -3}, "age"),
    ({"age": "nine"}, "age"),
    ({"daily_minutes": 0}, "daily_minutes"),
    ({"hours_a_day": 25}, "hours_a_day"),
    ({"before_puberty": "no"}, "before_puberty"),
    ({"helper_at_home": 1}, "helper_at_home"),
    ({"equipment": "mirror"}, "equipment"),
    ({"break_weeks": -1}, "break_weeks"),
    ({"complaint": "thumb.sad"}, "complaint"),
    ({"complaint": "elbow.low"}, "complaint"),
    ({"complaint": 3}, "complaint"),
    ({"passed": {"thumb_taps": 5}}, "passed.thumb_taps"),
    ({"passed": {"thumb_tips": 1}}, "passed.thumb_tips"),
    ({"recent_focus": ["thumb"]}, "recent_focus"),
    ({"recent_focus": "thumb_index_grip"}, "recent_focus"),
    ({"way_of_teaching": {"carry": "feet"}}, "way_of_teaching.carry"),
    ({"way_of_teaching": {"tempo": "fast"}}, "way_of_teaching.tempo"),
    ({"reports": {"pain": 11}}, "reports.pain"),
    ({"reports": {"pain": "bad"}}, "reports.pain"),
    ({"reports": {"pain_when": "always"}}, "reports.pain_when"),
    ({"reports": {"pain_when": 3}}, "reports.pain_when"),
    ({"reports": {"place": "toe"}}, "reports.place"),
    ({"reports": {"numbness": "yes"}}, "reports.numbness"),
    ({"reports": {"mood": 3}}, "reports.mood"),
    ({"colour": "red"}, "colour"),
)


class GoodCases(TestCase):
    def test_defaults_are_those_of_the_format(self):
        found = case()
        self.assertEqual(found.level, Level.BEGINNER)
        self.assertEqual(found.minutes_budget, 5)
        self.assertFalse(found.has_helper)
        self.assertIsNone(found.complaint)

    def test_minutes_follow_level_and_age_unless_given(self):
        table = (
            ({"level": "intermediate"}, 10),
            ({"level": "advanced"}, 15),
            ({"level": "advanced", "age": 7}, 5),
            ({"level": "advanced", "age": 61}, 5),
            ({"level": "advanced", "age": 60}, 15),
            ({"level": "beginner", "daily_minutes": 12}, 12),
        )
        for more, minutes in table:
            with self.subTest(more):
                self.assertEqual(case(**more).minutes_budget, minutes)

    def test_a_helper_is_taken_to_be_at_home_below_thirteen(self):
        self.assertTrue(case(age=12).has_helper)
        self.assertFalse(case(age=13).has_helper)
        self.assertTrue(case(age=40, helper_at_home=True).has_helper)

    def test_one_word_does_for_pain_when(self):
        self.assertEqual(case(reports={"pain_when": "night"}).reports.pain_when, ("night",))

    def test_the_worst_finger_counts_and_numbers_become_grades(self):
        found = case(
            "vn",
            {
                "tip.gives": {"4": 3, "3": {"value": 5}},
                "hold.slips": {"value": 2.5},
                "middle.locks": 2,
            },
        ).findings
        self.assertEqual(
            (found["tip.gives"].grade, found["tip.gives"].by_finger), (3, {3: 1, 4: 3})
        )
        self.assertEqual((found["hold.slips"].grade, found["hold.slips"].value), (1, 2.5))
        self.assertEqual((found["middle.locks"].grade, found["middle.locks"].by_finger), (2, {}))
        self.assertEqual(found["tip.gives"].measured[3], Measurement(5, "degrees"))

    def test_a_measurement_keeps_its_spread_its_source_and_the_grade_decided_then(self):
        entered = {"value": 2.5, "spread": 0.3, "source": "take", "grade": 3}
        found = case("vn", {"hold.slips": entered}).findings["hold.slips"]
        self.assertEqual(found.grade, 3)
        self.assertEqual(found.measured[0], Measurement(2.5, "s", 0.3, Source.TAKE))


class Defaults(TestCase):
    def test_nothing_is_reported_and_nothing_is_behind_unless_it_is_told(self):
        plain = case()
        told = [f.name for f in fields(Reports) if getattr(plain.reports, f.name)]
        self.assertEqual(told, [])
        self.assertEqual((plain.break_weeks, plain.days_back, plain.days_since_lift), (0, 0, None))
        self.assertEqual((plain.hours_a_day, plain.passed, plain.recent_focus), (1, {}, ()))

    def test_edges_of_what_can_be_told(self):
        for more in ({"hours_a_day": 0}, {"hours_a_day": 24}, {"youngest_age": 0, "age": 2},
                     {"days_since_lift": 0}, {"daily_minutes": 1}, {"reports": {"pain": 0}}):  # fmt: skip
            with self.subTest(more):
                self.assertTrue(case(**more))
        for more in ({"hours_a_day": 24.5}, {"daily_minutes": 0.5}, {"age": 1}, {"age": 121}):
            with self.subTest(more), self.assertRaises(InputError):
                case(**more)


class BadCases(TestCase):
    def test_every_bad_field_is_named(self):
        for change, field in BAD:
            with self.subTest(change):
                with self.assertRaises(InputError) as caught:
                    parse_case({**GOOD, **change}, CATALOGUE)
                self.assertEqual(caught.exception.field, field)

    def test_required_fields(self):
        for name in GOOD:
            with self.subTest(name), self.assertRaises(InputError) as caught:
                parse_case({k: v for k, v in GOOD.items() if k != name}, CATALOGUE)
            self.assertEqual(caught.exception.field, name)

    def test_files_that_cannot_be_read(self):
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "case.json"
            for content in (b"", b"{", b"\xff\xfe", b"[" * 100_000, b"null", b"NaN"):
                path.write_bytes(content)
                with self.subTest(content[:10]), self.assertRaises(InputError):
                    read_case(path, CATALOGUE)
            with self.assertRaisesRegex(InputError, "cannot be read"):
                read_case(Path(folder) / "none.json", CATALOGUE)

    @settings(max_examples=150, deadline=None)
    @given(
        st.dictionaries(
            st.sampled_from([*GOOD, "age", "reports", "passed", "way_of_teaching", "complaint"]),
            st.recursive(
                st.none() | st.booleans() | st.floats() | st.integers() | st.text(max_size=8),
                lambda inner: (
                    st.lists(inner, max_size=3)
                    | st.dictionaries(
                        st.sampled_from(["web.closed", "tip.gives", "value", "4", "pain", "x"]),
                        inner,
                    )
                ),
                max_leaves=6,
            ),
        )
    )
    def test_whatever_comes_in_is_a_case_or_an_input_error(self, changes):
        data = json.loads(json.dumps({**GOOD, **changes}))
        try:
            parse_case(data, CATALOGUE)
        except InputError as error:
            self.assertTrue(str(error))
