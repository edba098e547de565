"""From findings to causes, focus, next look and words."""

from unittest import TestCase

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.reason.diagnosis import Looking, diagnose, diagnosis_json
from lefthand.reason.focus import TeacherWord, choose_focus
from lefthand.reason.looks import STAGE_CHANGE_SECONDS, seconds_of
from lefthand.tests.cases import WORKED_CASES, case, diagnosis
from lefthand.values.vocabulary import Instrument, Stage, likelihood_of
from lefthand.words.words import words_of

CATALOGUE = load_catalogue()
# probabilities, what was checked, expected focus (violin)
FOCUS = (
    ({"over_pressing": 0.7, "insecure_hold": 0.6}, (), ("insecure_hold", "over_pressing")),
    ({"over_pressing": 0.95, "insecure_hold": 0.6}, (), ("over_pressing", "insecure_hold")),
    ({"over_pressing": 0.55, "insecure_hold": 0.2}, (), ()),
    (
        {"weak_finger": 0.9, "soft_tip_joint": 0.8, "fist_action": 0.7},
        (),
        ("fist_action", "soft_tip_joint"),
    ),
    ({"short_reach": 0.9}, ("elbow.behind", "wrist.caved"), ()),
    ({"short_reach": 0.9}, ("elbow.behind", "wrist.caved", "knuckles.low"), ("short_reach",)),
)
WORDS = ((0.9, "very likely"), (0.8, "likely"), (0.56, "likely"), (0.55, "possible"),
         (0.26, "possible"), (0.25, "unlikely"), (0.0, "unlikely"))  # fmt: skip


class Causes(TestCase):
    def test_worked_cases_name_their_causes_first_and_in_order(self):
        for name, instrument, findings, expected, _ in WORKED_CASES:
            with self.subTest(name):
                found = diagnosis(instrument, findings)
                self.assertEqual([v.cause for v in found.causes[: len(expected)]], expected)
                self.assertEqual(found.focus[0].cause, expected[0])

    def test_words_for_probabilities(self):
        for probability, word in WORDS:
            with self.subTest(probability):
                self.assertEqual(likelihood_of(probability).value, word)

    def test_reasons_are_sorted_by_strength_and_split_by_side(self):
        found = diagnosis(
            "vn", {"web.closed": 3, "thumb.locked": 3, "hold.slips": 0, "nail.pale": 0}
        )
        grip = next(v for v in found.causes if v.cause == "thumb_index_grip")
        self.assertEqual([r.evidence for r in grip.speaks_against], ["nail.pale"])
        self.assertEqual(
            {r.evidence for r in grip.speaks_for}, {"web.closed", "thumb.locked", "hold.slips"}
        )
        weights = [r.weight for r in grip.speaks_for]
        self.assertEqual(weights, sorted(weights, reverse=True))

    def test_the_finger_is_named(self):
        found = diagnosis("vn", {"tip.gives": {"3": 3, "4": 1}, "shape.lost": {"3": 2}})
        soft = next(v for v in found.causes if v.cause == "soft_tip_joint")
        self.assertEqual(soft.fingers, (3,))
        low = diagnosis("vn", {"fourth.low": 2})
        self.assertEqual(next(v for v in low.causes if v.cause == "arm_not_under").fingers, (4,))

    def test_an_ungraded_complaint_counts_as_clear(self):
        silent = diagnosis("vn", complaint="thumb.tired")
        graded = diagnosis("vn", {"thumb.tired": 2})
        self.assertEqual(
            [v.probability for v in silent.causes], [v.probability for v in graded.causes]
        )
        overruled = diagnosis("vn", {"thumb.tired": 0}, complaint="thumb.tired")
        self.assertEqual(
            [v.probability for v in overruled.causes],
            [v.probability for v in diagnosis("vn", {"thumb.tired": 0}).causes],
        )

    def test_the_reason_for_a_focus_is_one_sentence_with_its_evidence(self):
        found = diagnosis("vn", {"web.closed": 3, "thumb.locked": 3, "hold.slips": 0})
        why = words_of(found.focus[0].why)
        self.assertIn("opening beside the thumb is shut (strong)", why)
        self.assertNotIn("instrument sinks", why)
        self.assertEqual(why.count("."), 1)


class FocusRule(TestCase):
    def test_upstream_first_unless_much_surer_and_never_more_than_two(self):
        for probabilities, checked, expected in FOCUS:
            with self.subTest(probabilities):
                found = choose_focus(probabilities, CATALOGUE, Instrument.VIOLIN, checked)
                self.assertEqual(found, expected)

    def test_the_teachers_word_wins_and_the_engines_stays_visible(self):
        strong = case("vn", {"web.closed": 3, "thumb.locked": 3, "hold.slips": 0})
        word = TeacherWord(pinned=("closed_frame",), dismissed=("thumb_index_grip",))
        found = diagnose(strong, CATALOGUE, word=word)
        self.assertEqual([f.cause for f in found.focus], ["closed_frame"])
        self.assertEqual(found.engine_focus, ("thumb_index_grip",))


class NextLook(TestCase):
    def test_a_look_is_one_to_five_open_checks_of_one_stage_with_their_seconds(self):
        for instrument in Instrument:
            with self.subTest(instrument):
                look = diagnosis(instrument.value).next_look
                evidence = [CATALOGUE.evidence[c] for c in look.checks]
                self.assertTrue(1 <= len(evidence) <= 5)
                self.assertEqual({e.stage for e in evidence}, {look.stage})
                self.assertEqual(
                    look.seconds, STAGE_CHANGE_SECONDS + seconds_of(evidence, CATALOGUE)
                )
                self.assertLess(look.seconds, 10 + sum(e.seconds for e in evidence))

    def test_skipped_and_made_checks_are_not_proposed_again(self):
        first = diagnosis("vn").next_look.checks
        again = diagnose(
            case("vn"), CATALOGUE, looking=Looking(skipped=frozenset(first))
        ).next_look.checks
        self.assertFalse(set(first) & set(again))
        made = diagnosis("vn", dict.fromkeys(first, 0)).next_look.checks
        self.assertFalse(set(first) & set(made))

    def test_trials_wait_until_something_was_found(self):
        everything = {e.id for e in CATALOGUE.evidence_of(Instrument.VIOLIN)}
        trials = {e for e in everything if CATALOGUE.evidence[e].is_trial}
        clean = case("vn", dict.fromkeys(everything - trials, 0))
        self.assertIsNone(diagnose(clean, CATALOGUE).next_look)
        found = case("vn", {**dict.fromkeys(everything - trials, 0), "web.closed": 2})
        self.assertEqual(diagnose(found, CATALOGUE).next_look.stage, Stage.TRIAL)

    def test_staying_in_the_stage_costs_no_change(self):
        for instrument in Instrument:
            with self.subTest(instrument):
                stage = diagnosis(instrument.value).next_look.stage
                stay = diagnose(case(instrument.value), CATALOGUE, looking=Looking(stage)).next_look
                self.assertEqual(stay.stage, stage)
                checks = [CATALOGUE.evidence[c] for c in stay.checks]
                self.assertEqual(stay.seconds, seconds_of(checks, CATALOGUE))

    def test_three_points_of_the_hold_are_one_routine_of_a_quarter_of_a_minute(self):
        three = [CATALOGUE.evidence[e] for e in ("hold.clamps", "hold.droops", "chin.holds")]
        self.assertEqual(seconds_of(three, CATALOGUE), 15)

    def test_enough_is_said_when_all_is_clear_and_not_before_the_first_check(self):
        self.assertFalse(diagnosis("vn").enough)
        clear = {"web.closed": 3, "thumb.locked": 3, "thumbball.hard": 3, "grip.at_start": 3,
                 "nail.pale": 3, "hold.slips": 0, "try.support_scroll": 0, "try.thumb_off": 3,
                 "hold.droops": 0, "hold.clamps": 0, "try.refit": 0}  # fmt: skip
        self.assertTrue(diagnosis("vn", clear).enough)

    def test_a_possible_cause_upstream_of_a_likely_one_names_its_trial(self):
        found = diagnosis("vn", {"web.closed": 3, "thumb.locked": 3})
        self.assertIn(found.settle, ("try.refit", "try.support_scroll"))


class WaysOfTeaching(TestCase):
    def test_an_accepted_finding_counts_as_not_checked_and_is_said(self):
        table = (
            ("thumb.under", 2, {"carry": "shared"}, True),
            ("thumb.under", 3, {"carry": "shared"}, False),
            ("thumb.under", 1, {"carry": "body"}, False),
            ("index.pressed", 1, {}, True),
            ("index.pressed", 1, {"index_contact": "none"}, False),
            ("wrist.caved", 1, {"wrist": "slight_give"}, True),
            ("elbow.forced", 1, {"elbow_show": "whole"}, True),
            ("fourth.straight", 1, {"fourth_reach": "stretch"}, True),
            ("string.dragged", 1, {"landing": "far_side"}, True),
            ("idle.stiff", 1, {"idle_fingers": "down"}, True),
            ("idle.stiff", 2, {"idle_fingers": "down"}, False),
        )
        for evidence, grade, way, accepted in table:
            with self.subTest(evidence=evidence, grade=grade, way=way):
                found = diagnosis("vn", {evidence: grade}, way_of_teaching=way)
                empty = diagnosis("vn", way_of_teaching=way)
                same = [v.probability for v in found.causes] == [
                    v.probability for v in empty.causes
                ]
                self.assertEqual((evidence in found.accepted, same), (accepted, accepted))

    def test_a_way_of_another_instrument_accepts_nothing(self):
        found = diagnosis("vc", {"index.pressed": 1})
        self.assertEqual(found.accepted, {})


class Output(TestCase):
    def test_shape_of_the_diagnosis(self):
        data = diagnosis_json(diagnosis("vc", {"thumb.pushes": 2}))
        self.assertEqual(data["format"], "jolf-diagnosis/1")
        self.assertEqual(set(data), {"format", "causes", "focus", "next_look", "enough", "safety"})
        chances = [c["probability"] for c in data["causes"]]
        self.assertEqual(chances, sorted(chances, reverse=True))
        self.assertEqual(
            {c["id"] for c in data["causes"]}, {c.id for c in CATALOGUE.causes_of(Instrument.CELLO)}
        )
        self.assertEqual(
            set(data["causes"][0]), {"id", "probability", "word", "fingers", "for", "against"}
        )
