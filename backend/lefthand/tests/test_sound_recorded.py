"""Takes set from single notes of people who play; what is told of them stays within what was done.

The notes are packages of the npm registry (samples CC BY 3.0), which `./jolf test` installs.
"""

from unittest import TestCase, skipUnless

import numpy as np

from lefthand.sound.findings import EVEN_RISE, beside_of, findings_of, findings_of_two
from lefthand.tests.effort import usually
from lefthand.tests.recorded import are_here, recorded_take
from lefthand.tests.test_sound_sampled import taken

INSTRUMENTS = ("vn", "vc", "db")
# ms in the middle: a bass note speaks late
STARTS = {"vn": 3.0, "vc": 5.0, "db": 9.0}


def played(instrument, speed, **how):
    return taken(instrument, speed, by=recorded_take, **how)


@skipUnless(are_here(), "the recorded notes are not here: ./jolf test brings them")
class PlayersNotes(TestCase):
    tags = {"long"}

    def test_a_flat_fourth_and_starts(self):
        for instrument in INSTRUMENTS:
            for flat in usually((25,), (10, 25, 50)):
                made, take, _ = played(instrument, 2, off={4: -flat}, seed=2)
                own = [n.at - made.onsets[n.place] for n in take.notes if n.slurred]
                with self.subTest(instrument=instrument, flat=flat):
                    self.assertIsNone(take.reason)
                    self.assertEqual(len(take.lost), 0)
                    value = findings_of(take)["fourth.low"]["value"]
                    self.assertAlmostEqual(value, -flat, delta=3)
                    self.assertLess(1000 * np.median(np.abs(own)), STARTS[instrument])

    def test_an_even_hand_is_as_even_fast_as_slow_on_every_instrument(self):
        """The bass is heard less evenly when fast, by what its own notes do."""
        for instrument in INSTRUMENTS:
            for seed in usually((1, 2), (1, 2, 3, 4)):
                slow, fast = (
                    beside_of(played(instrument, speed, seed=seed)[1]) for speed in (1.7, 5.0)
                )
                with self.subTest(instrument=instrument, seed=seed):
                    value = findings_of_two(slow, fast).get("uneven.fast", {"value": 0.0})["value"]
                    self.assertLess(value, EVEN_RISE)

    def test_an_even_take_is_even_and_an_uneven_one_as_uneven_as_it_is(self):
        for number, instrument in enumerate(INSTRUMENTS):
            for speed in usually(((4, 8, 4)[number],), (2, 4, 8)):
                with self.subTest(instrument=instrument, speed=speed):
                    _, even, _ = played(instrument, speed)
                    self.assertLessEqual(even.evenness.cv, even.evenness.least)
                    _, take, gaps = played(instrument, speed, uneven=0.1, seed=3)
                    counted = gaps[list(take.evenness.places)]
                    true = 100 * counted.std(ddof=1) / counted.mean()
                    within = max(2.0, 0.6 * take.evenness.least)
                    self.assertAlmostEqual(take.evenness.cv, true, delta=within)
