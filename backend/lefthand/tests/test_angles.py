"""Angles from points: hands built from known joint angles, and the error law against trials."""

import cmath
import json
import math
import random
import statistics
from unittest import TestCase

from lefthand.case.parsing import parse_case
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.picture.angles import PIXEL, elbow_offset, joint_angles, other_angles
from lefthand.picture.angles_json import angles_json
from lefthand.picture.foreshortening import BONES, Leaning
from lefthand.picture.points import FINGER_CHAIN, parse_points
from lefthand.tests.test_command_line import lefthand
from lefthand.values.errors import InputError

CATALOGUE = load_catalogue()
SIZE = {"width": 1600, "height": 1200}
SCALE = 5.0


def finger(bends, *, number=4, at=700 + 500j, heading=20.0, turn=1, lengths=None):
    """Points of a finger: from its base each bone turns by the next of `bends` (degrees, the first
    at the base itself), clockwise on the screen with `turn` 1."""
    place, direction = at, heading
    found = {f"{number}.base": place}
    bones = lengths or [SCALE * mm for mm in BONES[number]]
    for name, bend, length in zip(FINGER_CHAIN[1:], bends, bones, strict=True):
        direction += turn * bend
        place += length * cmath.exp(1j * math.radians(direction))
        found[f"{number}.{name}"] = place
    return found


def string_under(points, *, turn=1, number=4, heading=20.0):
    """A string along the heading of the hand, on the side to which fingers flex."""
    base = points[f"{number}.base"]
    along = cmath.exp(1j * math.radians(heading))
    below = base + turn * 1j * along * 120
    return {"string.a": below - 100 * along, "string.b": below + 200 * along}


def said(points, instrument="vn", **fields):
    raw = {name: [at.real, at.imag] for name, at in points.items()}
    return {
        "format": "jolf-points/1",
        "instrument": instrument,
        **SIZE,
        "points": raw,
        **fields,
    }


def angles(points, instrument="vn"):
    return angles_json(parse_points(said(points, instrument)), CATALOGUE)


class JointAngles(TestCase):
    def test_every_bend_however_the_picture_is_turned_or_mirrored(self):
        for middle, tip in ((45, 30), (70, 0), (30, -15), (90, 40), (15, 60), (60, -30)):
            for heading in (0, 20, 95, 180, 260, 333):
                for turn in (1, -1):
                    points = finger((10, middle, tip), heading=heading, turn=turn)
                    with self.subTest(middle=middle, tip=tip, heading=heading, turn=turn):
                        found = joint_angles(parse_points(said(points)))
                        self.assertAlmostEqual(found["middle_angle"][4].value, middle)
                        self.assertAlmostEqual(found["tip_angle"][4].value, tip)

    def test_a_middle_joint_past_straight_is_told_by_the_string(self):
        for middle, tip in ((-12, 35), (-5, -5), (40, -10)):
            for turn in (1, -1):
                for heading in (0, 75, 200):
                    points = finger((15, middle, tip), heading=heading, turn=turn)
                    points |= string_under(points, turn=turn, heading=heading)
                    with self.subTest(middle=middle, turn=turn, heading=heading):
                        found = joint_angles(parse_points(said(points)))
                        self.assertAlmostEqual(found["middle_angle"][4].value, middle)
                        self.assertAlmostEqual(found["tip_angle"][4].value, tip)

    def test_without_a_string_the_other_fingers_tell_which_one_is_past_straight(self):
        points = {}
        for number, middle in ((1, 50), (2, 55), (3, 50), (4, -10)):
            points |= finger((10, middle, 20), number=number, at=200 + 220 * number + 400j)
        found = joint_angles(parse_points(said(points)))
        self.assertAlmostEqual(found["middle_angle"][4].value, -10)
        self.assertAlmostEqual(found["tip_angle"][4].value, 20)

    def test_a_string_that_runs_along_the_bones_says_nothing_and_the_bend_does(self):
        points = finger((0, 40, 10), heading=0)
        points |= {"string.a": 900 + 100j, "string.b": 900.5 + 900j}
        found = joint_angles(parse_points(said(points)))
        self.assertAlmostEqual(found["middle_angle"][4].value, 40)

    def test_only_joints_with_three_points_have_an_angle_and_a_sign_only_where_it_is_told(self):
        points = finger((10, 40, 20))
        del points["4.base"]
        self.assertEqual(joint_angles(parse_points(said(points))), {})
        points |= {"string.a": 600 + 900j, "string.b": 1200 + 900j}
        self.assertEqual(list(joint_angles(parse_points(said(points)))), ["tip_angle"])

    def test_the_error_of_one_pixel_is_what_trials_scatter(self):
        chance = random.Random(3)
        for bends, lengths in (((10, 40, 20), (160, 90, 60)), ((0, 80, -20), (60, 60, 40))):
            points = finger(bends, lengths=lengths)
            told = joint_angles(parse_points(said(points)))
            trials = {"tip_angle": [], "middle_angle": []}
            for _ in range(3000):
                shaken = {
                    name: at + complex(chance.gauss(0, PIXEL), chance.gauss(0, PIXEL))
                    for name, at in points.items()
                }
                for measure, found in joint_angles(parse_points(said(shaken))).items():
                    trials[measure].append(found[4].value)
            for measure, values in trials.items():
                with self.subTest(measure, bends=bends):
                    spread = statistics.stdev(values)
                    self.assertAlmostEqual(told[measure][4].uncertainty / spread, 1, delta=0.06)

    def test_the_other_errors_are_what_trials_scatter_too(self):
        chance = random.Random(5)
        points = finger((10, 40, 20), number=3, at=500 + 300j, heading=10)
        points |= finger((10, 45, 20), number=4, at=700 + 300j, lengths=(60, 40, 40))
        points |= {"1.base": 560 + 320j, "elbow": 900 + 1000j}
        points |= {"thumb.base": 480 + 500j, "thumb.tip": 440 + 380j}

        def told(at):
            read = parse_points(said(at))
            angles = other_angles(read)
            return {
                "gap": angles["gap"]["3-4"],
                "thumb": angles["thumb_opening"]["hand"],
                "elbow": elbow_offset(read),
            }

        trials = {"gap": [], "thumb": [], "elbow": []}
        for _ in range(3000):
            shaken = {
                name: at + complex(chance.gauss(0, PIXEL), chance.gauss(0, PIXEL))
                for name, at in points.items()
            }
            for which, angle in told(shaken).items():
                trials[which].append(angle.value)
        for which, angle in told(points).items():
            with self.subTest(which):
                spread = statistics.stdev(trials[which])
                self.assertAlmostEqual(angle.uncertainty / spread, 1, delta=0.08)


class Foreshortening(TestCase):
    def test_a_hand_in_the_plane_of_the_picture_does_not_lean(self):
        found = joint_angles(parse_points(said(finger((10, 45, 30)))))
        self.assertEqual([a.may_be_off for m in found.values() for a in m.values()], [0, 0])

    def test_a_bone_that_leans_out_of_the_picture_widens_what_may_be_true(self):
        """Bones in space, seen from the front: the true angle lies within what is told."""
        for lean in (40, 55, 70):
            seen = math.cos(math.radians(lean))
            usual = [SCALE * mm for mm in BONES[4]]
            points = finger((0, 35, 20), lengths=(usual[0], usual[1], usual[2] * seen))
            read = parse_points(said(points))
            tip = joint_angles(read)["tip_angle"][4]
            # The last bone leans, the middle one does not: cosine law of the two directions.
            true = math.degrees(math.acos(seen * math.cos(math.radians(20))))
            with self.subTest(lean=lean):
                self.assertAlmostEqual(Leaning(read).lean(4, "tip_joint"), lean, places=6)
                self.assertAlmostEqual(tip.may_be_off, true - 20, places=6)

    def test_two_bones_that_lean_may_lean_the_same_way_or_apart(self):
        """Directions in space, of which the picture shows x and y: the angle between them is within
        what is told, and on its edge where they lean apart."""
        lean, bend = math.radians(50), math.radians(30)
        flat, deep = math.cos(lean), math.sin(lean)
        usual = [SCALE * mm for mm in BONES[4]]
        lengths = (usual[0], usual[1] * flat, usual[2] * flat)
        tip = joint_angles(parse_points(said(finger((0, 35, 30), lengths=lengths))))["tip_angle"][4]
        one = (flat, 0.0, deep)
        true = []
        for way in (1, -1):
            other = (flat * math.cos(bend), flat * math.sin(bend), way * deep)
            cosine = sum(a * b for a, b in zip(one, other, strict=True))
            true.append(math.degrees(math.acos(cosine)))
        self.assertAlmostEqual(tip.may_be_off, max(abs(angle - 30) for angle in true), places=6)

    def test_bones_as_their_proportions_are_known(self):
        """First to middle to last bone with its pulp (Buryanov and Kotiuk, 2010, from memory)."""
        for number, middle, last in ((1, 56, 49), (2, 59, 48), (3, 62, 51), (4, 55, 60)):
            bones = BONES[number]
            shares = [round(100 * bone / bones[0]) for bone in bones]
            self.assertEqual(shares, [100, middle, last])


class AnglesOfAPicture(TestCase):
    def hand(self):
        points = {}
        for number, tip in ((1, 30), (2, 30), (3, 20), (4, -12)):
            points |= finger((10, 45, tip), number=number, at=200 + 220 * number + 400j)
        return points

    def test_findings_are_what_a_case_takes(self):
        found = angles(self.hand())
        self.assertEqual(found["angles"]["tip_angle"]["4"]["value"], -12)
        self.assertEqual(found["observations"]["tip.gives"]["4"], {"value": -12})
        raw = {"format": "jolf-case/1", "instrument": "vn", "observations": found["observations"]}
        case = parse_case(raw, CATALOGUE)
        self.assertEqual(case.findings["tip.gives"].by_finger[4], 3)
        self.assertEqual(case.findings["middle.locks"].grade, 0)

    def test_the_elbow_in_hand_widths_is_outward_for_one_check_and_inward_for_the_other(self):
        points = {"1.base": 600 + 300j, "4.base": 700 + 300j, "elbow": 760 + 900j}
        found = angles(points)
        self.assertEqual(found["angles"]["elbow_offset"]["value"], 0.6)
        self.assertEqual(found["observations"]["elbow.behind"], {"value": 0.6})
        self.assertEqual(found["observations"]["elbow.forced"], {"value": -0.6})
        self.assertNotIn("elbow_offset", angles(points, "vc")["angles"])

    def test_wrist_thumb_and_gaps(self):
        points = self.hand()
        points |= {"elbow": 300 + 900j, "wrist": 500 + 700j}
        points |= {"thumb.base": 370 + 500j, "thumb.tip": 370 + 400j}
        found = angles(points)["angles"]
        self.assertEqual(set(found["gap"]), {"1-2", "2-3", "3-4"})
        self.assertEqual(set(found["wrist_line"]), {"hand"})
        # From straight up to the base of the first, 50 to the right of the thumb's and 100 above.
        opening = math.degrees(math.atan2(50, 100))
        self.assertAlmostEqual(found["thumb_opening"]["hand"]["value"], opening, delta=0.1)
        bent = angles({**points, "thumb.joint": 370 + 440j, "thumb.tip": 300 + 400j})["angles"]
        self.assertAlmostEqual(bent["thumb_opening"]["hand"]["value"], opening, delta=0.1)

    def test_numbers_are_rounded_to_what_a_teacher_reads(self):
        found = angles(finger((10.123, 45.678, 20.456)))
        self.assertEqual(found["angles"]["tip_angle"]["4"]["value"], 20.5)
        self.assertEqual(found["observations"]["middle.locks"]["4"], {"value": 45.7})
        points = {"1.base": 600 + 300j, "4.base": 700 + 300j, "elbow": 712.345 + 900j}
        self.assertEqual(angles(points)["angles"]["elbow_offset"]["value"], 0.12)
        self.assertEqual(angles(points)["observations"]["elbow.behind"], {"value": 0.12})

    def test_no_points_no_angles(self):
        self.assertEqual(angles({})["angles"], {})
        self.assertEqual(angles({})["observations"], {})

    def test_bad_input_names_its_field(self):
        for fields, field in (
            ({"format": "jolf-points/2"}, "format"),
            ({"instrument": "oud"}, "instrument"),
            ({"width": 0}, "width"),
            ({"height": 2.5}, "height"),
            ({"points": []}, "points"),
            ({"points": {"5.tip": [1, 1]}}, "points.5.tip"),
            ({"points": {"4.tip": [1]}}, "points.4.tip"),
            ({"points": {"4.tip": "here"}}, "points.4.tip"),
            ({"points": {"4.tip": [1, "2"]}}, "points.4.tip"),
            ({"points": {"4.tip": [1601, 2]}}, "points.4.tip"),
            ({"points": {"4.tip": [1, -1]}}, "points.4.tip"),
            ({"points": {"4.tip": [1, 1], "4.base": [1, 1]}}, "points.4.base"),
            ({"points": {"string.a": [5, 5], "string.b": [5, 5]}}, "points.string.b"),
            ({"points": {"wrist": [5, 5], "elbow": [5, 5]}}, "points.elbow"),
            ({"points": {"1.base": [5, 5], "4.base": [5, 5]}}, "points.4.base"),
            ({"colour": "red"}, "colour"),
        ):
            with self.subTest(**fields), self.assertRaises(InputError) as caught:
                parse_points({**said({}), **fields})
            self.assertEqual(caught.exception.field, field)

    def test_from_the_command_line(self):
        done = lefthand("angles", json.dumps(said(self.hand())))
        self.assertEqual(done.returncode, 0)
        self.assertEqual(json.loads(done.stdout)["format"], "jolf-angles/1")
        done = lefthand("angles", json.dumps({**said({}), "points": {"4.tip": [0]}}))
        self.assertEqual((done.returncode, done.stderr.count("\n")), (2, 1))
        self.assertIn("points.4.tip", done.stderr)
