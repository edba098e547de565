"""Hands over the API: who asks well gets a drawing, who asks badly is told what was wrong."""

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
            ("exercise", {"exercise": "tempo_ladder"}),
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
