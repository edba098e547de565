"""Red and amber flags (rules of the trade: common practice, no source)."""

from unittest import TestCase

from lefthand.reason.safety import assess_safety
from lefthand.tests.cases import case, plan
from lefthand.words import words_of

# reports, other fields of the case, level
TABLE = (
    ({}, {}, "none"),
    ({"pain": 0, "place": "wrist"}, {}, "none"),
    ({"pain": 1}, {}, "amber"),
    ({"pain": 3, "place": "thumb", "pain_when": "playing"}, {}, "amber"),
    ({"pain": 4}, {}, "red"),
    ({"pain": 1, "pain_when": ["rest"]}, {}, "red"),
    ({"pain": 1, "pain_when": "night"}, {}, "red"),
    ({"pain": 2, "pain_when": ["playing", "next_day"]}, {}, "red"),
    ({"pain": 1, "same_place_weeks": 2}, {}, "red"),
    ({"pain": 1, "same_place_weeks": 1.5}, {}, "amber"),
    ({"numbness": True}, {}, "red"),
    ({"radiating": True}, {}, "red"),
    ({"curling": True}, {}, "red"),
    ({"swelling": True}, {}, "red"),
    ({"sudden_weakness": True}, {}, "red"),
    ({"tired_next_day": True}, {}, "amber"),
    ({"earlier_injury": True}, {}, "amber"),
    ({"playing_jump": True}, {}, "amber"),
    ({"new": True}, {}, "amber"),
    ({"place": "neck"}, {}, "amber"),
    ({"place": "skin"}, {}, "none"),
    ({"pain": 2, "place": "skin"}, {}, "none"),
    ({"pain": 2, "place": "skin", "pain_when": "next_day"}, {}, "none"),
    ({"pain": 2, "place": "skin", "pain_when": "night"}, {}, "red"),
    ({"pain": 6, "place": "skin"}, {}, "red"),
    ({"pain": 3, "place": "skin", "same_place_weeks": 3, "new": True}, {}, "none"),
    ({"pain": 2, "place": "skin", "numbness": True}, {}, "red"),
    ({}, {"break_weeks": 4}, "amber"),
    ({}, {"break_weeks": 2}, "none"),
    ({}, {"break_weeks": 6, "days_back": 13}, "amber"),
    ({}, {"break_weeks": 6, "days_back": 14}, "none"),
    ({}, {"days_since_lift": 0}, "amber"),
    ({}, {"days_since_lift": 13}, "amber"),
    ({}, {"days_since_lift": 14}, "none"),
)
DISEASES = ("tendin", "carpal", "dyston", "arthr", "syndrome", "nerve")


class Safety(TestCase):
    def test_levels(self):
        for reports, more, level in TABLE:
            with self.subTest(reports=reports, more=more):
                found = assess_safety(case(reports=reports, **more))
                self.assertEqual(found.level.value, level)
                self.assertEqual(
                    bool(found.reasons), level != "none" or reports.get("place") == "skin"
                )

    def test_the_looseness_score_advises_a_clinicians_view_whatever_else_is_said(self):
        table = (({"value": 5}, True), ({"value": 4}, False), (2, True), (1, False))
        for entered, advised in table:
            for reports in ({}, {"pain": 2}, {"swelling": True}):
                with self.subTest(entered=entered, reports=reports):
                    seen = case("vn", {"laxity.ninepoint": entered}, age=30, reports=reports)
                    advice = [words_of(each) for each in assess_safety(seen).advice]
                    self.assertEqual(bool(advice), advised)
                    self.assertTrue(all("doctor or physiotherapist" in each for each in advice))

    def test_every_red_reason_is_given(self):
        found = assess_safety(case(reports={"pain": 7, "pain_when": "night", "swelling": True}))
        self.assertEqual(len(found.reasons), 3)

    def test_no_disease_is_named(self):
        for reports, more, _ in TABLE:
            for reason in map(words_of, assess_safety(case(reports=reports, **more)).reasons):
                self.assertFalse([d for d in DISEASES if d in reason.lower()], reason)

    def test_red_pauses_the_plan_whatever_else_is_asked(self):
        found = plan("vn", {"web.closed": 3, "thumb.locked": 3}, reports={"numbness": True},
                     level="advanced", way_of_teaching={"strength": "from_start"})  # fmt: skip
        self.assertTrue(found.paused)
        self.assertEqual((found.items, found.offered, found.minutes_a_day), ((), (), 0))
