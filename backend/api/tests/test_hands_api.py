"""Hands over the API: who asks well gets a drawing, who asks badly is told what was wrong."""

import base64

from studio.tests.studio_case import StudioCase

HANDS = "/api/hands"


class HandsApi(StudioCase):
    def setUp(self):
        super().setUp()
        self.client.force_login(self.teacher)

    def get(self, path, **query):
        return self.client.get(f"{HANDS}/{path}", query)

    def test_a_sign_changes_the_drawn_hand_and_its_order_does_not(self):
        rest = self.get("one", instrument="vn").json()
        one = self.get("one", instrument="vn", signs="tip.gives:3:4,wrist.caved:1").json()
        same = self.get("one", instrument="vn", signs="wrist.caved:1,tip.gives:3:4").json()
        self.assertNotEqual(rest["paths"], one["paths"])
        self.assertEqual(one, same)
        self.assertIn("scroll", {place["place"] for place in rest["places"]})

    def test_the_browser_may_keep_a_drawing_but_nobody_between(self):
        answer = self.get("one", instrument="vc")
        self.assertIn("private", answer["Cache-Control"])

    def test_pairs_have_two_frames_or_what_lies_between(self):
        for path, query in (
            ("check", {"evidence": "tip.gives", "finger": 3}),
            ("exercise", {"exercise": "thumb_taps"}),
        ):
            pair = self.get(path, instrument="vn", **query).json()
            self.assertEqual((len(pair["words"]), len(pair["frames"])), (2, 2))
            moving = self.get(path, instrument="vn", frames=4, **query).json()
            self.assertEqual(len(moving["frames"]), 4)

    def test_what_no_hand_shows_has_no_picture(self):
        for path, query in (
            ("check", {"evidence": "fades.early"}),
            ("exercise", {"exercise": "guided_refit"}),
        ):
            answer = self.get(path, instrument="vn", **query)
            self.assertEqual((answer.status_code, answer.json()), (200, None))

    def test_a_bad_question_is_refused_by_its_field(self):
        for path, query, field in (
            ("one", {"instrument": "kazoo"}, "instrument"),
            ("one", {"instrument": "vn", "signs": "no.such:1"}, "signs"),
            ("one", {"instrument": "vn", "signs": "tip.gives:4"}, "signs"),
            ("one", {"instrument": "vn", "signs": "tip.gives:1:5"}, "signs"),
            ("one", {"instrument": "vn", "signs": "tip.gives:1,"[:9] * 1000}, "signs"),
            ("check", {"instrument": "vn", "evidence": "no.such"}, "evidence"),
            ("exercise", {"instrument": "vn", "exercise": "no_such"}, "exercise"),
            ("check", {"instrument": "vn", "evidence": "tip.gives", "frames": 90}, "frames"),
        ):
            with self.subTest(path=path, query=query):
                answer = self.get(path, **query)
                self.assertIn(answer.status_code, (400, 422))
                self.assertIn(field, answer.json()["fields"][0]["field"])

    def test_the_tone_is_the_teachers_choice_and_outline_until_then(self):
        self.assertEqual(self.client.get("/api/session").json()["teacher"]["hand_tone"], "outline")
        answer = self.client.post(
            "/api/desk/tone", {"tone": "three"}, content_type="application/json"
        )
        self.assertEqual(answer.json()["hand_tone"], "three")
        self.assertEqual(self.client.get("/api/session").json()["teacher"]["hand_tone"], "three")
        bad = self.client.post("/api/desk/tone", {"tone": "green"}, content_type="application/json")
        self.assertEqual(bad.json()["fields"][0]["field"], "tone")

    def test_a_drawn_picture_comes_with_its_truth_and_is_the_same_for_the_same_seed(self):
        one, same, other = (self.get("drawn", finger=4, seed=seed).json() for seed in (1, 1, 2))
        self.assertEqual(one, same)
        self.assertNotEqual(one["image"], other["image"])
        self.assertTrue(base64.b64decode(one["image"]).startswith(b"\xff\xd8"))
        self.assertEqual(set(one["truth"]), {"tip_angle", "middle_angle"})

    def test_pictures_are_laid_alike_and_drawn_over_by_their_points(self):
        points = {"4.middle": [100, 100], "4.tip_joint": [200, 100], "4.tip": [260, 160]}
        string = {"string.a": [0, 300], "string.b": [600, 300]}
        body = {"instrument": "vn", "width": 640, "height": 480, "points": {**points, **string}}
        half = {n: [x / 2 + 10, y / 2] for n, (x, y) in body["points"].items()}
        laid = self.post("alike", moved={**body, "points": half}, still=body)
        self.assertEqual([round(n, 6) for n in laid["matrix"]], [2, 0, 0, 2, -20, 0])
        self.assertFalse(laid["mirrored"])
        self.assertIsNone(self.post("alike", moved={**body, "points": {}}, still=body))
        self.assertTrue(self.post("over", **body, finger=4)["paths"])
        self.assertIsNone(self.post("over", **body, finger=2))

    def test_what_moved_between_two_pictures_is_said(self):
        points = {"2.base": [100, 100], "2.middle": [200, 100], "2.tip_joint": [240, 160]}
        body = {"instrument": "vn", "width": 640, "height": 480, "points": points}
        same = self.post("moved", before=body, after=body)
        self.assertFalse(same["is_moved"])
        self.assertEqual([round(n, 6) for n in same["matrix"]], [1, 0, 0, 1, 0, 0])
        other = {**body, "points": {**points, "2.tip_joint": [270, 110]}}
        self.assertTrue(self.post("moved", before=body, after=other)["is_moved"])
        nothing = self.post("moved", before={**body, "points": {}}, after=body)
        self.assertEqual((nothing["is_moved"], nothing["matrix"]), (False, None))
        bad = self.post("moved", before=body, after={**body, "points": {"nose": [1, 1]}})
        self.assertEqual(bad["fields"][0]["field"], "points.nose")

    def test_a_span_is_told_in_mm_and_a_missing_end_by_its_name(self):
        points = {"string.nut": [0, 50], "string.bridge": [1000, 50], "span.a": [100, 40]}
        body = {"instrument": "vn", "width": 1200, "height": 300, "string_length": 325}
        whole = {**points, "span.b": [300, 40]}
        self.assertEqual(self.post("span", **body, points=whole)["value"], 65)
        answer = self.post("span", **body, points=points)
        self.assertEqual(answer["fields"][0]["field"], "points.span.b")

    def post(self, path, **body):
        return self.client.post(f"{HANDS}/{path}", body, content_type="application/json").json()
