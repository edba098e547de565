"""The posterior against pyagrum, and the properties that it must have."""

import random
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.reason.network import (
    MAX_CAUSES,
    build_network,
    log_odds,
    network_for,
    posterior,
    without_each,
)
from lefthand.tests.cases import WORKED_CASES
from lefthand.tests.reference_network import reference_posterior, untempered
from lefthand.values.vocabulary import Instrument

TOLERANCE = 1e-6
SUBNET = ("thumb_index_grip", "closed_frame", "over_pressing", "held_fingers", "weak_finger")


def random_grades(instrument: Instrument, count: int, seed: int) -> dict[str, int]:
    chooser = random.Random(seed)
    names = [e.id for e in load_catalogue().evidence_of(instrument)]
    return {name: chooser.randrange(4) for name in chooser.sample(names, count)}


class AgainstReference(TestCase):
    def assert_same(self, instrument, grades):
        catalogue = load_catalogue()
        priors = {c.id: c.prior for c in catalogue.causes_of(instrument)}
        evidence = catalogue.evidence_of(instrument)
        expected = reference_posterior(priors, evidence, grades, MAX_CAUSES)
        found = posterior(untempered(network_for(catalogue, instrument)), grades)
        for cause, probability in expected.items():
            self.assertAlmostEqual(found.probability(cause), probability, delta=TOLERANCE)

    def test_worked_cases_on_the_whole_network_with_the_bound(self):
        for name, instrument, findings, _, _ in WORKED_CASES:
            grades = {k: v if isinstance(v, int) else max(v.values()) for k, v in findings.items()}
            with self.subTest(name):
                self.assert_same(Instrument(instrument), grades)

    def test_random_cases_of_every_instrument_on_the_whole_network_with_the_bound(self):
        for number, instrument in enumerate(Instrument):
            for seed in range(3):
                with self.subTest(instrument=instrument, seed=seed):
                    self.assert_same(instrument, random_grades(instrument, 9, 10 * number + seed))

    def test_subnet_of_five_causes_where_the_bound_never_bites(self):
        catalogue = load_catalogue()
        priors = {c: catalogue.causes[c].prior for c in SUBNET}
        evidence = catalogue.evidence_of(Instrument.VIOLIN)
        network = build_network(priors, evidence, MAX_CAUSES)
        for seed in range(10):
            grades = random_grades(Instrument.VIOLIN, 12, seed)
            expected = reference_posterior(priors, evidence, grades, max_causes=None)
            found = posterior(network, grades)
            for cause, probability in expected.items():
                with self.subTest(seed=seed, cause=cause):
                    self.assertAlmostEqual(found.probability(cause), probability, delta=TOLERANCE)

    def test_what_the_bound_moves_is_small_for_an_ordinary_lesson(self):
        catalogue = load_catalogue()
        instrument = Instrument.VIOLIN
        priors = {c.id: c.prior for c in catalogue.causes_of(instrument)}
        moved = 0.0
        for seed in range(5):
            grades = random_grades(instrument, 6, seed)
            grades = {name: min(grade, 2) if seed % 2 else grade for name, grade in grades.items()}
            free = reference_posterior(priors, catalogue.evidence_of(instrument), grades, None)
            found = posterior(untempered(network_for(catalogue, instrument)), grades)
            moved = max(moved, *(abs(free[c] - found.probability(c)) for c in priors))
        self.assertLess(moved, 0.12)


VIOLIN_EVIDENCE = [e.id for e in load_catalogue().evidence_of(Instrument.VIOLIN)]
GRADES = st.dictionaries(st.sampled_from(VIOLIN_EVIDENCE), st.integers(0, 3), max_size=12)


class Properties(TestCase):
    network = network_for(load_catalogue(), Instrument.VIOLIN)

    @settings(max_examples=40, deadline=None)
    @given(GRADES)
    def test_probabilities_stay_between_nought_and_one_and_order_does_not_matter(self, grades):
        found = posterior(self.network, grades)
        self.assertTrue(((found.probabilities >= 0) & (found.probabilities <= 1)).all())
        self.assertAlmostEqual(float(found.weights.sum()), 1.0, places=9)
        backwards = posterior(self.network, dict(reversed(list(grades.items()))))
        self.assertEqual(found.probabilities.tolist(), backwards.probabilities.tolist())

    @settings(max_examples=40, deadline=None)
    @given(st.sampled_from(VIOLIN_EVIDENCE))
    def test_a_higher_grade_alone_never_lowers_a_cause_that_it_supports(self, evidence):
        supported = set(load_catalogue().evidence[evidence].causes) & set(self.network.causes)
        self.assertTrue(supported)
        for cause in supported:
            chances = [posterior(self.network, {evidence: g}).probability(cause) for g in range(4)]
            self.assertEqual(chances, sorted(chances))

    def test_leaving_a_piece_out_is_the_same_as_never_having_seen_it(self):
        grades = {"web.closed": 3, "thumb.locked": 2, "hold.slips": 0}
        left_out = without_each(posterior(self.network, grades))["hold.slips"]
        never = posterior(self.network, {"web.closed": 3, "thumb.locked": 2})
        for a, b in zip(left_out, never.probabilities, strict=True):
            self.assertAlmostEqual(a, b, places=12)

    def test_causes_explain_each_other_away(self):
        slipping = posterior(self.network, {"web.closed": 3, "hold.slips": 3})
        secure = posterior(self.network, {"web.closed": 3, "hold.slips": 0})
        self.assertGreater(
            secure.probability("thumb_index_grip"), slipping.probability("thumb_index_grip") + 0.2
        )

    def test_log_odds_stay_finite_at_the_ends(self):
        self.assertGreater(float(log_odds(1.0)), 20)
        self.assertLess(float(log_odds(0.0)), -20)
