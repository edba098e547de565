"""Ways of teaching: what each value accepts, where it moves the edges of a grade, what it says.

The table is the trade's own (common practice, no source).
"""

from unittest import TestCase

from lefthand.case.way_changes import way_changes
from lefthand.case.ways import cuts_in_force, said_in_force
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.composing.for_exercise import ForWhom, drill_of
from lefthand.reason.diagnosis import counted_findings
from lefthand.tests.cases import case, diagnosis, plan
from lefthand.values.vocabulary import Instrument
from lefthand.words import words_of

CATALOGUE = load_catalogue()

# instrument, way, value, evidence, grades that count as not checked
ACCEPTED = (
    ("vn", "carry", "shared", "thumb.under", {1, 2}),
    ("va", "carry", "hand", "thumb.under", {1, 2}),
    ("vn", "carry", "body", "thumb.under", set()),
    ("vn", "thumb_place", "second", "thumb.lying", {1}),
    ("va", "thumb_follows", "follows", "thumb.lying", {1}),
    ("vc", "thumb_counter", "lever", "thumb.locked", {1}),
    ("vc", "thumb_counter", "lever", "thumb.pushes", {1}),
    ("vn", "thumb_counter", "none", "thumb.locked", set()),
    ("vn", "index_contact", "light", "index.pressed", {1}),
    ("vn", "index_contact", "none", "index.pressed", set()),
    ("vn", "landing", "far_side", "string.dragged", {1}),
    ("vn", "landing", "square", "string.dragged", set()),
    ("vn", "elbow_show", "whole", "elbow.forced", {1}),
    ("vn", "elbow_show", "glimpse", "elbow.forced", set()),
    ("db", "idle_fingers", "down", "idle.stiff", {1}),
    ("db", "idle_fingers", "free", "idle.stiff", set()),
    ("vn", "fourth_reach", "stretch", "fourth.straight", {1}),
    ("vn", "fourth_reach", "turn", "fourth.straight", set()),
    ("vc", "wrist", "slight_give", "wrist.bulged", {1}),
    ("vc", "wrist", "straight", "wrist.bulged", set()),
)
# Six players: the instrument, and what shows.
SIX_PLAYERS = (
    ("vn", {"web.closed": 3, "thumb.locked": 3, "hold.slips": 0}),
    ("vn", {"idle.stiff": 3, "handback.tight": 3, "fades.early": 2, "hold.slips": 0}),
    ("va", {"reach.exceeded": 3, "fourth.straight": 3, "elbow.behind": 0, "hold.slips": 0}),
    ("vc", {"fades.early": 3, "handback.tight": 3, "idle.stiff": 3, "thumb.pushes": 0}),
    ("vn", {"fourth.low": 2, "fourth.straight": 2, "elbow.behind": 3, "try.arm_round": 3}),
    ("db", {"thumb.pushes": 2, "fades.early": 2, "middle.locks": 2, "try.hang_arm": 3}),
)
# carry, seconds held, grade
HELD = (
    ("shared", 4, 0),
    ("hand", 4, 0),
    ("hand", 3, 1),
    ("body", 30, 0),
    ("body", 29, 1),
    ("body", 4, 1),
    ("body", 1.5, 2),
    ("body", 0.5, 3),
)


class Ways(TestCase):
    def test_what_a_way_accepts_counts_as_not_checked_and_nothing_else(self):
        for instrument, way, value, evidence, accepted in ACCEPTED:
            for grade in (0, 1, 2, 3):
                with self.subTest(way=way, value=value, grade=grade):
                    chosen = case(instrument, {evidence: grade}, way_of_teaching={way: value})
                    counted, _ = counted_findings(chosen, CATALOGUE)
                    self.assertEqual(evidence not in counted, grade in accepted)

    def test_an_accepted_finding_leaves_every_probability_as_if_it_had_not_been_seen(self):
        for instrument, way, value, evidence, accepted in ACCEPTED:
            for grade in accepted:
                with self.subTest(way=way, value=value):
                    ways = {"way_of_teaching": {way: value}}
                    other = {"tip.gives": {"4": 2}}
                    seen = diagnosis(instrument, {**other, evidence: grade}, **ways)
                    never = diagnosis(instrument, other, **ways)
                    self.assertEqual(
                        seen.result.probabilities.tolist(), never.result.probabilities.tolist()
                    )

    def test_the_hold_is_asked_for_as_long_as_the_way_wants(self):
        for carry, seconds, grade in HELD:
            with self.subTest(carry=carry, seconds=seconds):
                held = case(
                    "vn", {"hold.slips": {"value": seconds}}, way_of_teaching={"carry": carry}
                )
                self.assertEqual(held.findings["hold.slips"].grade, grade)

    def test_every_choice_but_the_usual_one_changes_something_and_says_what(self):
        for way in CATALOGUE.ways.values():
            for value in way.values[1:]:
                with self.subTest(way.key, value=value):
                    told = [words_of(each) for each in way_changes(way, value)]
                    self.assertTrue(told)
                    self.assertTrue(all(each.endswith(".") for each in told))

    def test_two_teachers_with_opposite_ways_give_the_same_players_other_weeks(self):
        opposite = {
            "idle_fingers": "down", "thumb_counter": "lever", "index_contact": "none",
            "carry": "hand", "landing": "far_side", "elbow_show": "whole", "touch": "guided",
            "wrist": "slight_give", "fourth_reach": "lift", "thumb_across": "between",
        }  # fmt: skip
        others = 0
        for which, findings in SIX_PLAYERS:
            one = plan(which, findings, age=20)
            two = plan(which, findings, age=20, way_of_teaching=_ways_of(which, opposite))
            others += [i.exercise for i in one.items] != [i.exercise for i in two.items]
        self.assertGreaterEqual(others, 4)

    def test_what_lets_fingers_off_comes_later_and_says_why_to_those_who_keep_them(self):
        seen = {"idle.stiff": 3, "handback.tight": 3, "fades.early": 2, "hold.slips": 0}
        letting_off = CATALOGUE.ways["idle_fingers"].puts_back["down"]
        down = {"idle_fingers": "down"}
        first = plan("vn", seen, age=20).offered
        kept = plan("vn", seen, age=20, way_of_teaching=down).offered
        self.assertLess(first.index("fall_and_let_go"), kept.index("fall_and_let_go"))
        said = said_in_force(down, CATALOGUE, Instrument.VIOLIN)
        for name in letting_off:
            self.assertIn("down", said[name][-1])


def _ways_of(instrument, chosen):
    return {
        k: v for k, v in chosen.items() if Instrument(instrument) in CATALOGUE.ways[k].instruments
    }


class Unlocking(TestCase):
    def test_what_keeps_an_exercise_of_the_focus_out_is_loosened_first(self):
        fist = {"opposition.fist": 3, "hold.slips": 0, "thumb.locked": 0}
        for shut in (0, 1, 2, 3):
            with self.subTest(shut=shut):
                found = plan("vn", {**fist, "web.closed": shut}, age=20)
                first = found.offered[0]
                self.assertEqual(first == "soft_web", shut >= 2, found.offered)
                withheld = [each.exercise for each in found.withheld]
                self.assertEqual("finger_to_thumb" in withheld, shut >= 2)


class FingersDown(TestCase):
    """Music for those who let fingers stay down."""

    def kept(self, exercise, rung, instrument=Instrument.VIOLIN, **ways):
        whose = ForWhom(ways=ways)
        drill = drill_of(CATALOGUE.exercises[exercise], rung, instrument, whose)
        return [(event.tones[0].finger, event.kept) for _, event in drill.events() if event.tones]

    def test_lower_fingers_stay_until_they_are_needed_and_never_a_higher_one(self):
        for instrument in Instrument:
            found = self.kept("stay_over_notes", 1, instrument, idle_fingers="down")
            self.assertTrue(any(kept for _, kept in found), instrument)
            before = (0, ())
            for finger, kept in found:
                self.assertTrue(all(0 < each < finger for each in kept), (finger, kept))
                self.assertLessEqual(set(kept), {*before[1], before[0]})
                before = (finger, kept)

    def test_nothing_stays_for_others_or_where_letting_go_is_the_exercise(self):
        self.assertFalse(any(kept for _, kept in self.kept("stay_over_notes", 1)))
        for exercise, rung in (("feather_pattern", 1), ("fall_and_let_go", 1), ("two_homes", 1)):
            found = self.kept(exercise, rung, idle_fingers="down")
            self.assertFalse(any(kept for _, kept in found), exercise)

    def test_a_sentence_belongs_to_the_value_chosen_and_to_the_instrument(self):
        words = said_in_force({"touch": "words"}, CATALOGUE, Instrument.VIOLIN)
        guided = said_in_force({"touch": "guided"}, CATALOGUE, Instrument.VIOLIN)
        self.assertNotEqual(words["thumbball.hard"], guided["thumbball.hard"])
        self.assertIn("Ask first", guided["thumbball.hard"][-1])
        self.assertNotIn("hold.slips", said_in_force({}, CATALOGUE, Instrument.CELLO))

    def test_guided_touch_always_asks_first_and_never_forces_a_loose_joint(self):
        guided = CATALOGUE.ways["touch"].says["guided"]
        holding = {"try.support_scroll", "try.steady_body", "try.thumb_off"}
        for name, sentence in guided.items():
            with self.subTest(name):
                self.assertEqual("Ask first" in sentence, name not in holding)
        self.assertIn("never on loose joints", guided["try.shaped_hold"])

    def test_only_the_body_way_moves_an_edge(self):
        for value in CATALOGUE.ways["carry"].values:
            cuts = cuts_in_force({"carry": value}, CATALOGUE, Instrument.VIOLIN)
            self.assertEqual(set(cuts), {"hold_seconds"} if value == "body" else set())
