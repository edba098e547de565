"""Pictures beside and over each other, and lengths on them, against closed forms and trials."""

import cmath
import math
import random
import statistics
from unittest import TestCase

from lefthand.drawing.side import side_view
from lefthand.picture.alike import alike, laid_over
from lefthand.picture.angles import base_heights, flexion_way, joint_angles
from lefthand.picture.over import over_picture
from lefthand.picture.points import Point, Points
from lefthand.picture.span import span_of
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import FINGERS, Instrument

VIOLIN = Instrument.VIOLIN


def points_of(at, instrument=VIOLIN):
    return Points(instrument, {name: Point(*place) for name, place in at.items()})


def moved(points, *, scale=1.0, degrees=0.0, by=(0.0, 0.0), mirrored=False):
    """The same hand in a picture that was held otherwise."""
    factor = cmath.rect(scale, math.radians(degrees))
    found = {}
    for name, p in points.at.items():
        place = factor * complex(-p.x if mirrored else p.x, p.y) + complex(*by)
        found[name] = (place.real, place.imag)
    return points_of(found, points.instrument)


def seen(finger=4, tip=15, middle=50, from_thumb=True):
    view = side_view(finger, tip=tip, middle=middle, from_thumb=from_thumb)
    return points_of(view.places)


class SideViews(TestCase):
    def test_what_is_measured_on_a_drawn_hand_is_what_it_was_drawn_with(self):
        for finger in FINGERS:
            for tip, middle in ((30, 60), (8, 35), (-20, 70), (0, 20)):
                for from_thumb in (True, False):
                    with self.subTest(finger=finger, tip=tip, middle=middle, thumb=from_thumb):
                        found = joint_angles(seen(finger, tip, middle, from_thumb))
                        self.assertAlmostEqual(found["tip_angle"][finger].value, tip, delta=1)
                        self.assertAlmostEqual(found["middle_angle"][finger].value, middle, delta=1)

    def test_the_two_sides_bend_the_two_ways(self):
        ways = {flexion_way(seen(from_thumb=side)) for side in (True, False)}
        self.assertEqual(ways, {1, -1})

    def test_a_board_is_drawn_only_where_one_is_asked_for(self):
        kinds = [
            {
                p.kind
                for p in side_view(4, tip=5, middle=40, from_thumb=True, on_board=b).picture.paths
            }
            for b in (True, False)
        ]
        self.assertIn("neck", kinds[0])
        self.assertNotIn("neck", kinds[1])


class Alike(TestCase):
    def test_a_picture_held_otherwise_is_laid_back(self):
        first = seen()
        for scale, degrees, mirrored in ((2.5, 30, False), (0.4, -170, False), (1.3, 75, True)):
            with self.subTest(scale=scale, degrees=degrees, mirrored=mirrored):
                other = moved(first, scale=scale, degrees=degrees, by=(70, -20), mirrored=mirrored)
                laid = alike(other, first)
                self.assertEqual(laid.is_mirrored, mirrored)
                for name, place in other.at.items():
                    self.assertLess(laid(place).to(first.at[name]).length, 1e-6, name)

    def test_of_points_that_do_not_fit_the_squared_distances_are_least(self):
        rng = random.Random(3)
        old = [Point(rng.uniform(0, 900), rng.uniform(0, 900)) for _ in range(6)]
        new = [Point(rng.uniform(0, 900), rng.uniform(0, 900)) for _ in range(6)]

        def squares(a, b, e, f):
            return sum(
                (a * o.x - b * o.y + e - n.x) ** 2 + (b * o.x + a * o.y + f - n.y) ** 2
                for o, n in zip(old, new, strict=True)
            )

        laid = laid_over(old, new)
        best = (laid.a, laid.b, laid.e, laid.f)
        for place, step in ((0, 1e-3), (1, 1e-3), (2, 0.5), (3, 0.5)):
            for way in (-1, 1):
                other = [v + way * step * (i == place) for i, v in enumerate(best)]
                self.assertGreater(squares(*other), squares(*best))

    def test_less_than_two_places_in_common_lay_nothing(self):
        one = points_of({"4.tip": (1, 2), "4.base": (9, 9)})
        other = points_of({"4.tip": (3, 4), "wrist": (9, 9)})
        self.assertIsNone(alike(one, other))
        self.assertIsNone(laid_over([Point(1, 1)] * 2, [Point(0, 0), Point(5, 5)]))


class OverAPicture(TestCase):
    def test_the_drawing_lies_on_the_joints_whichever_way_the_picture_was_taken(self):
        for finger in FINGERS:
            for mirrored in (False, True):
                with self.subTest(finger=finger, mirrored=mirrored):
                    hand = moved(
                        seen(finger, 12, 48), scale=4, degrees=25, by=(800, 300), mirrored=mirrored
                    )
                    over = over_picture(hand, finger)
                    self.assertFalse(over.laid.is_mirrored)
                    drawn = side_view(finger, tip=12, middle=48, from_thumb=not mirrored).places
                    for place in ("base", "middle", "tip_joint", "tip"):
                        name = f"{finger}.{place}"
                        off = over.laid(Point(*drawn[name])).to(hand.at[name]).length
                        self.assertLess(off, 4, name)
                    self.assertTrue(over.paths)

    def test_a_finger_that_was_not_measured_is_not_drawn(self):
        self.assertIsNone(over_picture(seen(4), 2))


class Lengths(TestCase):
    SPANNED = {
        "string.nut": (100, 500),
        "string.bridge": (1740, 500),
        "span.a": (300, 480),
        "span.b": (500, 480),
    }

    def test_a_span_beside_a_string_of_known_length(self):
        # 1640 pixels are 328 mm, so 200 pixels are 40 mm.
        self.assertAlmostEqual(span_of(points_of(self.SPANNED), 328).value, 40)

    def test_the_error_of_a_span_is_what_trials_scatter(self):
        rng = random.Random(11)
        tried = [
            span_of(
                points_of(
                    {
                        n: (x + rng.gauss(0, 1), y + rng.gauss(0, 1))
                        for n, (x, y) in self.SPANNED.items()
                    }
                ),
                328,
            ).value
            for _ in range(4000)
        ]
        told = span_of(points_of(self.SPANNED), 328).uncertainty
        self.assertAlmostEqual(statistics.stdev(tried) / told, 1, delta=0.05)

    def test_a_missing_end_is_named(self):
        for name in self.SPANNED:
            at = {n: place for n, place in self.SPANNED.items() if n != name}
            with self.assertRaises(InputError) as raised:
                span_of(points_of(at), 328)
            self.assertEqual(raised.exception.field, f"points.{name}")

    def test_a_knuckle_stands_over_the_string_or_under_it(self):
        string = {"string.a": (0, 400), "string.b": (800, 400)}
        for base, height in (((300, 300), 1.0), ((300, 350), 0.5), ((300, 430), -0.3)):
            at = {**string, "2.base": base, "2.middle": (base[0] + 80, base[1] - 60)}
            found = base_heights(points_of(at))["2"]
            with self.subTest(base=base):
                self.assertAlmostEqual(found.value, height)

    def test_without_a_string_no_height(self):
        self.assertEqual(base_heights(points_of({"2.base": (1, 1), "2.middle": (9, 9)})), {})
