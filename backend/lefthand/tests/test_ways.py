"""Ways of teaching: what each value accepts, where it moves the edges of a grade, what it says.

The table is the trade's own (common practice, no source).
"""

from unittest import TestCase

from lefthand.case.ways import cuts_in_force, said_in_force
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.reason.diagnosis import counted_findings
from lefthand.tests.cases import case, diagnosis
from lefthand.values.vocabulary import Instrument

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

    def test_every_choice_changes_something(self):
        elsewhere = {"strength", "bass_fingering"}  # rules and drills read these
        for way in CATALOGUE.ways.values():
            spoken = set(way.accepts) | set(way.cuts) | set(way.prefers) | set(way.says)
            with self.subTest(way.key):
                self.assertTrue(way.key in elsewhere or len(spoken) >= len(way.values) - 1)

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
