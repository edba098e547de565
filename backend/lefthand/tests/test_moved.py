"""Two pictures of one hand, built from known joint angles: what moved and what did not."""

import random
from dataclasses import replace
from unittest import TestCase

from lefthand.picture.moved import moved, moved_said
from lefthand.picture.points import Point, Points
from lefthand.tests.test_angles import finger, string_under
from lefthand.values.vocabulary import Instrument
from lefthand.words import words_of

WRIST = 700 + 500j


def hand(wrist=10.0, *, bends=(20, 45, 25), turn=0.0, scale=1.0, at=0j, shake=None):
    """A hand with its forearm: `wrist` folded in by so many degrees; the whole turned (degrees),
    scaled and shifted; each point off by a random pixel of `shake`."""
    whole = {"elbow": WRIST - 400, "wrist": WRIST}
    heading = complex(0, wrist * 3.141592653589793 / 180)
    knuckle = WRIST + 350 * 2.718281828459045**heading
    whole |= finger(bends, number=2, at=knuckle, heading=wrist)
    whole |= string_under(whole, number=2, heading=wrist)
    moving = scale * 2.718281828459045 ** complex(0, turn * 3.141592653589793 / 180)
    laid = {name: WRIST + at + moving * (place - WRIST) for name, place in whole.items()}
    if shake:
        laid = {n: p + complex(shake.gauss(0, 1), shake.gauss(0, 1)) for n, p in laid.items()}
    return Points(Instrument.VIOLIN, {name: Point(p.real, p.imag) for name, p in laid.items()})


def words(before, after):
    return [words_of(each) for each in moved_said(moved(before, after))]


class TwoPictures(TestCase):
    def test_another_place_size_and_turn_of_the_picture_is_no_movement(self):
        after = hand(turn=35, scale=0.7, at=60 - 40j)
        self.assertTrue(all(abs(each.by) < 1e-6 for each in moved(hand(), after)))
        (says,) = words(hand(), after)
        self.assertTrue(says.startswith("Nothing moved that the points can tell: the line of the"))

    def test_a_wrist_that_folded_is_told_by_how_much_and_alone(self):
        for by in (15, -15, 30):
            found = moved(hand(10), hand(10 + by, turn=20))
            changed = [each for each in found if each.is_moved]
            with self.subTest(by=by):
                self.assertEqual([(m.measure, m.of) for m in changed], [("wrist_line", "hand")])
                self.assertAlmostEqual(changed[0].by, by, delta=0.2)
        (says,) = words(hand(10), hand(25))
        self.assertRegex(
            says, r"Changed by 15 degrees \(under [89] may be chance\): the line of the wrist\."
        )

    def test_a_finger_that_straightened_is_named(self):
        found = [m for m in moved(hand(), hand(bends=(20, 20, 25))) if m.is_moved]
        self.assertIn(("middle_angle", "2"), [(m.measure, m.of) for m in found])

    def test_points_set_by_a_hand_that_shakes_move_nothing(self):
        """A pixel at each point, two hundred pairs of one still hand."""
        dice = random.Random(5)
        told = [m for _ in range(200) for m in moved(hand(shake=dice), hand(shake=dice))]
        self.assertLess(sum(m.is_moved for m in told) / len(told), 0.02)

    def test_a_bone_that_points_at_the_camera_is_said_and_never_called_still(self):
        short = hand(bends=(20, 45, 25))
        at = dict(short.at)
        middle, tip = at["2.middle"], at["2.tip_joint"]
        at["2.tip_joint"] = Point((3 * middle.x + tip.x) / 4, (3 * middle.y + tip.y) / 4)
        leaning = Points(Instrument.VIOLIN, at)
        told = words(leaning, leaning)
        self.assertTrue(any("A bone points at the camera: under" in each for each in told))
        self.assertNotIn("middle joint", told[0])

    def test_what_the_pictures_do_not_share_is_not_told(self):
        alone = Points(Instrument.VIOLIN, {"wrist": Point(1, 1)})
        self.assertEqual(moved(hand(), alone), [])
        self.assertEqual(
            words(hand(), alone), ["These points tell nothing that both pictures have."]
        )

    def test_each_kind_has_its_words(self):
        for each in moved(hand(), hand(bends=(60, 5, 60), wrist=40)):
            for leans in (0.0, 40.0):
                (says,) = moved_said([replace(each, leans=leans)])
                self.assertTrue(words_of(says))
