"""The simulation: the same players from a seed, and a next look that beats the fixed orders."""

import random
from unittest import TestCase

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.simulation.players import (
    CALM,
    TIMES,
    Disturbance,
    Tally,
    catalogue_order,
    draw_player,
    proposed_looks,
    random_order,
    simulate,
)
from lefthand.simulation.whole_lessons import simulate_lessons
from lefthand.values.vocabulary import Instrument

CATALOGUE = load_catalogue()
PLAYERS = 60


class Players(TestCase):
    def test_a_player_has_a_cause_and_a_complaint_and_a_report_for_every_check(self):
        for instrument in Instrument:
            player = draw_player(CATALOGUE, instrument, random.Random(5))
            with self.subTest(instrument):
                own = {e.id for e in CATALOGUE.evidence_of(instrument)}
                self.assertTrue(player.causes)
                self.assertEqual(set(player.reports), own)
                self.assertIn(player.complaint, own)
                self.assertFalse(CATALOGUE.evidence[player.complaint].is_trial)
                self.assertTrue(set(player.reports.values()) <= {0, 1, 2, 3})

    def test_the_seed_decides_and_disturbance_changes_reports(self):
        draw = lambda seed, how=CALM: draw_player(  # noqa: E731
            CATALOGUE, Instrument.VIOLIN, random.Random(seed), how
        )
        self.assertEqual(draw(3), draw(3))
        self.assertNotEqual(draw(3), draw(4))
        self.assertNotEqual(draw(3).reports, draw(3, Disturbance(0.0, 1.0)).reports)

    def test_every_order_makes_every_check_at_most_once(self):
        chooser = random.Random(1)
        player = draw_player(CATALOGUE, Instrument.BASS, chooser)
        for order in (catalogue_order, random_order, proposed_looks):
            with self.subTest(order):
                made = [e.id for e in order(player, Instrument.BASS, CATALOGUE, chooser)]
                self.assertEqual(len(made), len(set(made)))
                self.assertGreater(len(made), 40)


class Policies(TestCase):
    seconds_each = 12

    tags = {"long"}

    def test_the_next_look_is_ahead_of_both_fixed_orders_also_when_disturbed(self):
        for disturbance in (CALM, Disturbance(0.3, 0.1)):
            tally = simulate(
                CATALOGUE, Instrument.VIOLIN, range(PLAYERS), seed=2, disturbance=disturbance
            )
            with self.subTest(disturbance):
                hits = tally.by_policy
                for time in TIMES:
                    self.assertGreaterEqual(hits["next look"][time], hits["catalogue order"][time])
                self.assertGreater(
                    hits["next look"][180], hits["random order"][180] + PLAYERS // 10
                )
                self.assertEqual(tally.players, PLAYERS)

    def test_a_lesson_is_led_from_its_complaint_and_the_next_one_knows_more(self):
        led = simulate_lessons(CATALOGUE, Instrument.VIOLIN, range(24), seed=4, disturbance=CALM)
        self.assertEqual(led.lessons, 24)
        self.assertGreater(led.true_at[300], led.lessons * 0.7)
        self.assertGreaterEqual(led.true_at[300], led.true_at[90])
        self.assertGreaterEqual(led.second[90], led.true_at[90])
        self.assertLess(led.calibration_error(), 0.05)
        self.assertGreater(max(led.enough_seconds), min(led.enough_seconds))

    def test_tallies_of_parts_add_up_to_the_whole(self):
        def part(numbers):
            return simulate(
                CATALOGUE, Instrument.CELLO, numbers, seed=1, policies=("catalogue order",)
            )

        self.assertEqual(part(range(4)) + part(range(4, 9)), part(range(9)))
        self.assertIsInstance(part(range(1)), Tally)
