"""The drawn hand: what is down stays on its string, joints stay human, it is a left hand, and every
place lies on the part it names."""

import itertools
import json
import random
import unittest
from collections import deque

import numpy as np
import shapely

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.drawing.anatomy import anatomy
from lefthand.drawing.free import free_poses, free_skeleton
from lefthand.drawing.hand_json import parse_hand, picture_json
from lefthand.drawing.outlines import edges_of
from lefthand.drawing.pairs import (
    exercise_pictures,
    has_picture,
    is_for_rung,
    pair_of_check,
    pair_of_exercise,
)
from lefthand.drawing.picture import ALONG, MAIN, drawing_of, look, picture_of
from lefthand.drawing.places import APART, targets_of
from lefthand.drawing.posture import (
    THUMB_WAY,
    Sign,
    family_of,
    is_drawn,
    posture_of,
    postures,
    read_posture,
    thumb_of,
    thumb_places,
)
from lefthand.drawing.skeleton import joint_angles, skeleton_of
from lefthand.drawing.svg import PAPER, svg_of
from lefthand.drawing.vectors import length
from lefthand.picture.angles_json import angles_json
from lefthand.picture.points import parse_points
from lefthand.tests.effort import usually
from lefthand.values.errors import CatalogueError, InputError
from lefthand.values.knowledge_file import Record
from lefthand.values.vocabulary import FINGERS, Instrument, Setting

CATALOGUE = load_catalogue()
ON_STRING = 1.0  # mm
GRADES = (1, 2, 3)
EACH_FAMILY = (Instrument.VIOLIN, Instrument.CELLO)
ONE_IN_TURN = deque(EACH_FAMILY)


def one_family_of(instruments):
    """One that is drawn for these, each in its turn; usually that is enough."""
    found = [each for each in EACH_FAMILY if each in instruments]
    ONE_IN_TURN.rotate()
    return usually([each for each in ONE_IN_TURN if each in found][:1], found)


def signs_for(instrument):
    """Every drawn sign of the catalogue, on each finger it can be on."""
    for evidence in CATALOGUE.evidence.values():
        if is_drawn(evidence.id, instrument) and instrument in evidence.instruments:
            fingers = FINGERS if evidence.per_finger else (evidence.of_finger,)
            for finger in fingers:
                yield evidence.id, finger


def limits_of(joint):
    name, _, bone = joint.partition(".")
    key = joint if not bone else f"{'thumb' if name == 'thumb' else 'finger'} {bone}"
    found = anatomy().ranges[key]
    return found.least, found.most


class SkeletonTest(unittest.TestCase):
    tags = {"long"}

    def check(self, posture, said):
        skeleton = skeleton_of(posture)
        for n, limb in skeleton.fingers.items():
            pose = posture.fingers[n]
            if any(pose[name] for name in ("hover", "mcp", "pip", "last")):
                continue
            at = skeleton.neck.stop_at(pose["string"], pose["x"], pose["side"])
            self.assertLess(length(limb.touch - at), ON_STRING, f"{said}: finger {n}")
        for joint, value in joint_angles(skeleton).items():
            low, high = limits_of(joint)
            self.assertTrue(low - 0.5 <= value <= high + 0.5, f"{said}: {joint} {value:.0f}")

    def test_every_sign_alone_keeps_tips_on_strings_and_joints_human(self):
        """Ranges: Joint Motion, American Academy of Orthopaedic Surgeons, 1965 (from memory)."""
        for instrument in Instrument:
            self.check(posture_of(instrument), instrument)
            for (name, finger), grade in itertools.product(signs_for(instrument), GRADES):
                with self.subTest(instrument=instrument, sign=name, finger=finger, grade=grade):
                    self.check(posture_of(instrument, [Sign(name, grade, finger)]), name)

    def test_every_two_signs_together_too(self):
        for instrument in (Instrument.VIOLIN, Instrument.CELLO, Instrument.BASS):
            for one, two in itertools.combinations(list(signs_for(instrument)), 2):
                signs = [Sign(one[0], 3, one[1]), Sign(two[0], 3, two[1])]
                self.check(posture_of(instrument, signs), f"{instrument} {one} {two}")

    def test_many_signs_give_a_hand_and_no_numbers_that_are_none(self):
        dice = random.Random(7)
        for _ in range(150):
            instrument = dice.choice(list(Instrument))
            some = dice.sample(list(signs_for(instrument)), 5)
            signs = [Sign(name, dice.choice(GRADES), finger) for name, finger in some]
            angles = joint_angles(skeleton_of(posture_of(instrument, signs)))
            self.assertTrue(np.isfinite(list(angles.values())).all(), signs)

    def test_grades_move_the_hand_step_by_step(self):
        bends = [
            joint_angles(skeleton_of(posture_of(Instrument.VIOLIN, [Sign("tip.gives", g, 4)])))[
                "4.dip"
            ]
            for g in (0, 0.5, 1, 2, 3)
        ]
        self.assertEqual(bends, sorted(bends, reverse=True))
        self.assertGreater(bends[0], 20)
        self.assertLess(bends[-1], -25)

    def test_wherever_a_way_puts_the_thumb_the_hand_is_one_and_it_stands_there(self):
        """Beside the first finger, between, opposite the second; low, it stands farther round."""
        for instrument in (Instrument.VIOLIN, Instrument.VIOLA):
            first, second = (posture_of(instrument).fingers[n]["x"] for n in (1, 2))
            stands = {}
            for place in ("", *thumb_places(instrument)):
                for name, finger in [(None, None), *signs_for(instrument)]:
                    signs = [Sign(name, 3, finger)] if name else []
                    self.check(posture_of(instrument, signs, thumb=place), f"{place} {name}")
                stands[place] = skeleton_of(posture_of(instrument, thumb=place)).thumb.touch
            along = {place: float(at[0]) for place, at in stands.items()}
            self.assertLess(along[""], first)
            self.assertTrue(first < along["between"] < along["second"])
            self.assertLess(abs(along["second"] - second), 3)
            self.assertLess(stands["low"][1], stands[""][1] - 3, "farther under the board")

    def test_each_place_that_can_be_chosen_is_the_usual_one_or_is_drawn(self):
        way = CATALOGUE.ways[THUMB_WAY]
        for instrument in way.instruments:
            others = set(way.values) - {way.default}
            self.assertEqual(thumb_places(instrument), others)
            for value in way.values:
                drawn = thumb_of(instrument, {THUMB_WAY: value})
                self.assertEqual(drawn, "" if value == way.default else value)
        self.assertEqual(thumb_of(Instrument.CELLO, {THUMB_WAY: "second"}), "")

    def test_a_small_hand_is_the_same_hand(self):
        child = skeleton_of(posture_of(Instrument.VIOLIN, hand=0.8))
        adult = skeleton_of(posture_of(Instrument.VIOLIN))
        for n in FINGERS:
            bones = [
                length(s.fingers[n].joints[1] - s.fingers[n].joints[0]) for s in (child, adult)
            ]
            self.assertAlmostEqual(bones[0] / bones[1], 0.8)
            self.assertLess(length(child.fingers[n].touch - adult.fingers[n].touch), ON_STRING)


class LeftHandTest(unittest.TestCase):
    def test_thumb_and_index_lie_to_the_scroll_and_the_palm_is_a_left_one(self):
        for instrument in Instrument:
            skeleton = skeleton_of(posture_of(instrument))
            along = [skeleton.fingers[n].joints[0][0] for n in FINGERS]
            self.assertEqual(along, sorted(along), instrument)
            hand = skeleton.hand
            turned = np.cross(hand.palmar, hand.distal)
            np.testing.assert_allclose(turned, hand.radial, atol=1e-9)
            # The thumb is on the index's side of the palm, and bends towards the palm's side.
            root = skeleton.thumb.root - hand.wrist
            self.assertGreater(root @ hand.radial, 5)
            self.assertGreater((skeleton.thumb.joints[1] - hand.wrist) @ hand.palmar, 5)

    def test_held_up_scroll_thumb_and_fingers_stand_from_left_to_right(self):
        for instrument in (Instrument.VIOLIN, Instrument.VIOLA):
            _, targets = drawing_of(posture_of(instrument))
            at = {(t.place, t.finger): t.place_at for t in targets}
            row = [at["scroll", None][0], *(at["middle", n][0] for n in FINGERS)]
            self.assertEqual(row, sorted(row))
            self.assertLess(at["thumb", None][0], at["middle", 3][0])
            self.assertGreater(at["thumb", None][1], at["tip", 1][1], "below the strings")

    def test_standing_the_first_finger_is_nearest_the_scroll(self):
        for instrument in (Instrument.CELLO, Instrument.BASS):
            _, targets = drawing_of(posture_of(instrument))
            down = [t.place_at[1] for t in targets if t.place == "tip"]
            self.assertEqual(down, sorted(down))
            across = {t.place: t.place_at[0] for t in targets}
            self.assertGreater(across["wrist"], across["strings"], "the arm comes from the right")

    def test_the_thick_string_lies_nearest_the_thumb_or_the_players_left(self):
        for instrument in Instrument:
            strings = [p for p in picture_of(posture_of(instrument)).paths if p.kind == "string"]
            self.assertEqual(len(strings), 4)
            ends = {s.width: [float(v) for v in s.d.split("L")[-1].split()] for s in strings}
            thick, thin = ends[max(ends)], ends[min(ends)]
            if instrument.is_held_up:
                self.assertGreater(thick[1], thin[1], "the thumb is below")
            else:
                self.assertLess(thick[0], thin[0], "seen from before, the low string is left")


class PictureTest(unittest.TestCase):
    tags = {"long"}

    def test_whatever_was_seen_places_lie_on_their_parts_and_a_fingertip_apart(self):
        for instrument in Instrument:
            for name, finger in [(None, None), *signs_for(instrument)]:
                with self.subTest(instrument=instrument, sign=name, finger=finger):
                    signs = [Sign(name, 3, finger)] if name else []
                    skeleton, scene = look(posture_of(instrument, signs))
                    targets = targets_of(skeleton, scene)
                    self.check_parts(scene, targets)
                    for place in thumb_places(instrument) if name in (None, "thumb.lying") else ():
                        elsewhere = look(posture_of(instrument, signs, thumb=place))
                        self.check_parts(elsewhere[1], targets_of(*elsewhere))
                    at = np.array([t.at for t in targets])
                    gaps = np.hypot(*(at[:, None] - at[None]).transpose(2, 0, 1))
                    np.fill_diagonal(gaps, 999)
                    self.assertGreaterEqual(gaps.min(), APART - 1)

    def check_parts(self, scene, targets):
        for target in targets:
            if target.limb:
                shadows = [seen.shadow for seen in scene.parts if seen.part.limb == target.limb]
                point = shapely.Point(target.place_at)
                self.assertTrue(any(shadow.contains(point) for shadow in shadows), target)

    def test_every_place_of_the_catalogue_can_be_touched(self):
        for instrument in Instrument:
            _, targets = drawing_of(posture_of(instrument))
            drawn = {target.place for target in targets}
            asked = {
                e.place for e in CATALOGUE.evidence.values() if instrument in e.instruments
            } - {"none"}
            self.assertEqual(asked - drawn, set(), instrument)

    def test_a_sign_that_no_hand_shows_changes_nothing(self):
        for instrument in Instrument:
            rest = picture_of(posture_of(instrument))
            self.assertEqual(rest, picture_of(posture_of(instrument, [Sign("fades.early", 3)])))

    def test_the_thumb_hidden_by_the_neck_is_dashed_and_only_there(self):
        for instrument in Instrument:
            _, scene = look(posture_of(instrument))
            hidden = [line for line in edges_of(scene) if line.is_hidden]
            self.assertEqual(bool(hidden), not instrument.is_held_up, instrument)

    def test_the_view_along_the_neck_shows_the_opening_shut(self):
        def light_under_neck(signs):
            skeleton, scene = look(posture_of(Instrument.VIOLIN, signs), ALONG)
            below = skeleton.neck.around(35, 90)[0]
            point = shapely.Point(scene.camera.project(below[None])[0, :2])
            return scene.parts[0].shadow.distance(point) / scene.camera.scale

        light = [
            light_under_neck([Sign("web.closed", grade)] if grade else []) for grade in range(4)
        ]
        self.assertEqual(light, sorted(light, reverse=True))
        self.assertGreater(light[0], 10, "mm")
        self.assertLess(light[-1], 5)

    def test_the_picture_for_paper_is_svg_in_ink(self):
        text = svg_of(picture_of(posture_of(Instrument.CELLO)), PAPER, title="A left hand")
        self.assertTrue(text.startswith("<svg ") and text.endswith("</svg>"))
        self.assertIn("<title>A left hand</title>", text)
        colours = {word[1:7] for word in text.split('"') if word.startswith("#")}
        for colour in colours:
            self.assertEqual(len({colour[0:2], colour[2:4], colour[4:6]}), 1, "grey only")


class PairTest(unittest.TestCase):
    tags = {"long"}
    seconds_each = 12

    def test_every_drawn_check_differs_between_not_there_and_strong(self):
        for evidence in CATALOGUE.evidence.values():
            for instrument in one_family_of(evidence.instruments):
                pair = pair_of_check(evidence.id, instrument)
                self.assertEqual(pair is not None, has_picture(evidence.id, instrument))
                if pair:
                    self.assertNotEqual(*pair.frames, evidence.id)

    def test_every_pictured_exercise_differs_and_says_what_is_what(self):
        for name in exercise_pictures():
            for instrument in one_family_of(CATALOGUE.exercises[name].instruments):
                pair = pair_of_exercise(name, instrument)
                self.assertNotEqual(*pair.frames, f"{name} {instrument}")
                self.assertEqual(len(set(pair.words)), 2)

    def test_a_table_stands_beside_no_rung_on_the_neck_and_a_neck_beside_none_away_from_it(self):
        for name, shown in exercise_pictures().items():
            for number, rung in enumerate(CATALOGUE.exercises[name].rungs, start=1):
                is_away = rung.setting is Setting.AWAY or "away from" in rung.words
                if is_for_rung(shown, number):
                    self.assertEqual(shown.free is not None, is_away, f"{name} {number}")
        for chosen, is_shown in ((None, True), (3, True), (4, False)):
            pair = pair_of_exercise("arch_on_table", Instrument.VIOLIN, rung=chosen)
            self.assertEqual(pair is not None, is_shown)

    def test_the_thumb_stands_where_it_is_taught_in_every_pair_that_shows_it(self):
        for asked, pair in (("thumb_taps", pair_of_exercise), ("thumb.lying", pair_of_check)):
            frames = [
                pair(asked, Instrument.VIOLIN, thumb=place).frames[0]
                for place in ("", "between", "second", "low")
            ]
            drawn = {svg_of(frame, PAPER) for frame in frames}
            self.assertEqual(len(drawn), 4, asked)

    def test_a_movement_has_its_middle_between_its_ends(self):
        ends = pair_of_exercise("falling_finger", Instrument.VIOLIN)
        more = pair_of_exercise("falling_finger", Instrument.VIOLIN, frames=5)
        self.assertEqual(ends.frames, (more.frames[0], more.frames[-1]))
        self.assertEqual(len({frame.paths for frame in more.frames}), 5)

    def test_where_the_hand_leaves_the_instrument_stands_by_itself(self):
        for name, instrument in (("hands_free_hold", "vn"), ("stands_alone", "db")):
            frames = pair_of_exercise(name, Instrument(instrument), frames=4).frames
            skin = ["skin" in {path.kind for path in frame.paths} for frame in frames]
            self.assertEqual(skin, [True, True, False, False])
            self.assertIn("board", {path.kind for path in frames[-1].paths})

    def test_a_stick_lies_under_the_thumb_and_over_the_palm(self):
        frame, _ = pair_of_exercise("rod_pivot", Instrument.VIOLIN).frames
        kinds = [path.kind for path in frame.paths]
        self.assertEqual(kinds[:3], ["skin", "neck", "skin"])

    def test_a_hand_that_is_shaken_moves_and_its_arm_stays(self):
        down, up = (free_skeleton(free_poses()[f"hand shaken {way}"], 4) for way in ("down", "up"))
        apart = np.degrees(np.arccos([down.fore @ up.fore, down.hand.distal @ up.hand.distal]))
        self.assertLess(apart[0], 1)
        self.assertAlmostEqual(apart[1], 74, delta=1)  # 46 to the palm and 28 back

    def test_a_slip_in_the_data_is_named(self):
        for fields, words in (
            ({"both": {"finger.dips": [1, 2, 3]}}, "finger.dips: no such number"),
            ({"both": {"thumb.ip": [1, 2]}}, "thumb.ip: expected three amounts"),
            ({"both": {"5.dip": [1, 2, 3]}}, "5.dip: no such number"),
            ({"show": "sideways"}, "show: expected"),
            ({"bth": {}}, "bth"),
            ({"free": ["arch"]}, "free: expected two poses, got 1"),
        ):
            with self.subTest(words), self.assertRaises(CatalogueError) as caught:
                read_posture(Record("postures.yaml", "some.sign", fields))
            self.assertIn(words, str(caught.exception))

    def test_postures_are_signs_of_the_catalogue_or_movements(self):
        for name in postures():
            self.assertTrue(name in CATALOGUE.evidence or name.startswith("move."), name)
        families = {family_of(instrument) for instrument in Instrument}
        self.assertEqual(families, {"shoulder", "standing"})


class FreeHandTest(unittest.TestCase):
    def test_every_free_pose_is_a_left_hand_within_human_ranges(self):
        for name, pose in free_poses().items():
            for aimed in FINGERS:
                skeleton = free_skeleton(pose, aimed)
                for joint, value in joint_angles(skeleton).items():
                    low, high = limits_of(joint)
                    self.assertTrue(low <= value <= high, f"{name}: {joint} {value}")
                ends = {n: limb.joints[0] for n, limb in skeleton.fingers.items()}
                self.assertGreater((ends[1] - ends[4]) @ skeleton.hand.radial, 40, name)
                thumb = skeleton.thumb.joints[0] - skeleton.hand.wrist
                self.assertGreater(thumb @ skeleton.hand.radial, 10, name)

    def test_thumb_and_index_side_lie_left_when_the_palm_is_seen(self):
        open_palm = free_poses()["open palm"]
        skeleton = free_skeleton(open_palm, 4)
        self.assertEqual((open_palm.eye, open_palm.up), ("palm", "fingers"))
        spread = skeleton.fingers[1].joints[3] - skeleton.fingers[4].joints[3]
        self.assertGreater(spread @ skeleton.hand.radial, 60, "fingers spread apart, mm")
        away = skeleton.thumb.joints[3] - skeleton.fingers[1].joints[0]
        self.assertGreater(away @ skeleton.hand.radial, 20)

    def test_the_finger_that_meets_the_thumb_touches_it(self):
        skeleton = free_skeleton(free_poses()["finger meets thumb"], 2)
        self.assertLess(length(skeleton.fingers[2].touch - skeleton.thumb.touch), 5, "mm")

    def test_the_arch_stands_on_the_table_round_and_sunk(self):
        for name, least, most in (("arch", 10, 60), ("arch sunk", -40, -10)):
            dip = free_skeleton(free_poses()[name], 4).fingers[4].angles["dip"]
            self.assertTrue(least <= dip <= most, name)


class MeasuredOnTheModelTest(unittest.TestCase):
    """A picture of the model, the camera square to the finger: measured angles are the model's."""

    def points(self, skeleton, finger, noise=0.0, seed=1):
        limb = skeleton.fingers[finger]
        eye = limb.frames[0].side
        right = limb.frames[0].along
        down = np.cross(right, eye)
        dice = np.random.default_rng(seed)

        def at(point):
            x, y = point @ right * 8 + 800, point @ down * 8 + 600
            return [float(x + dice.normal(0, noise)), float(y + dice.normal(0, noise))]

        pose = skeleton.posture.fingers[finger]
        string = [skeleton.neck.stop_at(pose["string"], pose["x"] + way) for way in (-40, 40)]
        names = ("base", "middle", "tip_joint", "tip")
        found = {f"{finger}.{n}": at(p) for n, p in zip(names, limb.joints, strict=True)}
        middle = np.mean(list(found.values()), axis=0)
        shift = np.array((2000, 2000)) - middle
        found |= {f"string.{n}": at(p) for n, p in zip("ab", string, strict=True)}
        return {name: list(np.array(p) + shift) for name, p in found.items()}

    def measured(self, instrument, points):
        data = {"format": "jolf-points/1", "instrument": instrument.value}
        data |= {"width": 4000, "height": 4000, "points": points}
        return angles_json(parse_points(data), CATALOGUE)["angles"]

    def test_in_plane_fingers_measure_within_three_degrees(self):
        for instrument in Instrument:
            for grade, finger in itertools.product((0, 1, 2, 3), FINGERS):
                hand = posture_of(instrument, [Sign("tip.gives", grade, finger)])
                skeleton = skeleton_of(hand)
                true = skeleton.fingers[finger].angles
                for noise, seed in ((0.0, 1), (1.0, 2), (1.0, 3)):
                    said = self.measured(instrument, self.points(skeleton, finger, noise, seed))
                    for measure, joint in (("tip_angle", "dip"), ("middle_angle", "pip")):
                        value = said[measure][str(finger)]["value"]
                        self.assertAlmostEqual(value, true[joint], delta=3 if noise else 0.1)


class HandFileTest(unittest.TestCase):
    def file(self, **more):
        return {"format": "jolf-hand/1", "instrument": "vn", **more}

    def test_a_hand_file_gives_paths_places_and_angles(self):
        data = self.file(observations={"tip.gives": {"4": {"grade": 3}}, "wrist.caved": 1})
        answer = picture_json(*parse_hand(data, CATALOGUE))
        self.assertEqual(answer["format"], "jolf-picture/1")
        self.assertLess(answer["angles"]["4.dip"], -25)
        self.assertIn({"scroll"}, [{p["place"]} for p in answer["places"]])
        json.dumps(answer)

    def test_what_cannot_be_used_is_named(self):
        for more, field in (
            ({"format": "jolf-case/1"}, "format"),
            ({"instrument": "ukulele"}, "instrument"),
            ({"hand": 3}, "hand"),
            ({"playing": 5}, "playing"),
            ({"view": "above"}, "view"),
            ({"feet": 1}, "feet"),
            ({"observations": {"no.such": {"grade": 1}}}, "observations.no.such"),
            ({"observations": {"tip.gives": {"5": {"grade": 1}}}}, "observations.tip.gives.5"),
            ({"observations": {"tip.gives": {"4": {}}}}, "observations.tip.gives.4.grade"),
            ({"observations": {"wrist.caved": {"grade": 4}}}, "observations.wrist.caved.grade"),
        ):
            with self.subTest(field=field), self.assertRaises(InputError) as caught:
                parse_hand(self.file(**more), CATALOGUE)
            self.assertEqual(caught.exception.field, field)

    def test_views_of_one_hand_differ(self):
        hand = posture_of(Instrument.BASS)
        self.assertNotEqual(picture_of(hand, MAIN), picture_of(hand, ALONG))
