"""A sweep over a group: what to look at, who needs a closer look, who watches whom."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.sweep import (
    GLANCE_SECONDS,
    Partner,
    Swept,
    closer_looks,
    glance_checks,
    most_telling,
    pair_up,
)
from lefthand.reason.network import network_for, posterior
from lefthand.values.vocabulary import Instrument

CATALOGUE = load_catalogue()
PARTNERS = st.lists(st.tuples(st.booleans(), st.integers(0, 9)), min_size=2, max_size=30).map(
    lambda rows: [Partner(number, *row) for number, row in enumerate(rows)]
)


def known(instrument, grades):
    return instrument, posterior(network_for(CATALOGUE, instrument), grades)


class Checks(TestCase):
    def test_only_what_a_passing_look_can_show_is_swept(self):
        for check in glance_checks(CATALOGUE, list(Instrument)):
            with self.subTest(check.id):
                self.assertLessEqual(check.seconds, GLANCE_SECONDS)
                self.assertFalse(check.is_trial)
                self.assertTrue(check.child, "a partner needs words for it")

    def test_a_cello_group_is_not_asked_for_what_only_violins_have(self):
        own = {e.id for e in glance_checks(CATALOGUE, [Instrument.CELLO])}
        self.assertIn("thumb.pushes", own)
        self.assertNotIn("web.closed", own)

    def test_the_proposal_follows_what_was_found(self):
        quiet = [known(Instrument.VIOLIN, {})] * 4
        weak = [known(Instrument.VIOLIN, {"fourth.low": 3, "shape.lost": 3})] * 4
        self.assertNotEqual(
            [e.id for e in most_telling(quiet, CATALOGUE)],
            [e.id for e in most_telling(weak, CATALOGUE)],
        )
        self.assertNotIn("shape.lost", {e.id for e in most_telling(weak, CATALOGUE)})


class CloserLooks(TestCase):
    def test_clear_or_more_than_before_needs_a_closer_look(self):
        cases = [
            ({"a": 0, "b": 0}, {}, None),
            ({"a": 1}, {}, None),
            ({"a": 1}, {"a": 1}, None),
            ({"a": 1}, {"a": 0}, ("a", 1, True)),
            ({"a": 2}, {"a": 3}, ("a", 2, False)),
            ({"a": 2, "b": 3}, {}, ("b", 3, False)),
            ({"a": 2, "b": 2}, {"a": 2, "b": 1}, ("b", 2, True)),
        ]
        for now, before, expected in cases:
            with self.subTest(now=now, before=before):
                found = [
                    (c.worst, c.grade, c.is_more) for c in closer_looks([Swept(1, now, before)])
                ]
                self.assertEqual(found, [expected] if expected else [])

    def test_the_worst_comes_first_and_the_newly_worse_before_the_equal(self):
        found = closer_looks(
            [Swept(1, {"a": 2}, {"a": 2}), Swept(2, {"a": 2}, {"a": 0}), Swept(3, {"a": 3}, {})]
        )
        self.assertEqual([c.player for c in found], [3, 2, 1])


class Partners(TestCase):
    @settings(deadline=None)
    @given(PARTNERS)
    def test_everybody_watches_one_other_and_is_watched_once(self, partners):
        pairs = pair_up(partners)
        everybody = sorted(p.player for p in partners)
        self.assertEqual(sorted(p.watcher for p in pairs), everybody)
        self.assertEqual(sorted(p.watched for p in pairs), everybody)
        self.assertTrue(all(p.watcher != p.watched for p in pairs))

    def test_the_easiest_hand_sits_beside_the_one_with_most_trouble_of_the_same_kind(self):
        pairs = pair_up(
            [Partner(1, True, 5), Partner(2, False, 4), Partner(3, True, 0), Partner(4, False, 0)]
        )
        told = {(pair.watcher, pair.watched) for pair in pairs}
        self.assertLessEqual({(1, 3), (2, 4)}, told)
        self.assertEqual({pair.turn for pair in pairs}, {0, 1})

    def test_three_watch_in_a_circle_and_one_alone_has_no_partner(self):
        circle = pair_up([Partner(n, True, n) for n in (1, 2, 3)])
        self.assertEqual(len({(p.watcher, p.watched) for p in circle}), 3)
        self.assertEqual(pair_up([Partner(1, True, 2)]), [])
