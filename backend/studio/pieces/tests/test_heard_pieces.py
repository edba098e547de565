"""A take of a piece beside what was expected of it."""

import io

import soundfile
from django.core.files.uploadedfile import SimpleUploadedFile

from lefthand.sound.player import Playing, play
from lefthand.tests.scores import melody_bytes, note, score
from studio.pieces.heard import to_hear
from studio.pieces.pieces import keep_piece, read
from studio.tests.pieces_case import TUNE, PiecesCase
from studio.tests.studio_case import DAY, silence


class ByEar(PiecesCase):
    """A take of the passage beside what was expected; nothing of the sound stays."""

    def setUp(self):
        super().setUp()
        self.piece = keep_piece(self.player, melody_bytes(f"{TUNE} " * 4), "march", DAY)

    def sound(self, **how):
        asked = to_hear(read(self.piece))
        made = play(asked.score, Playing(**how), 1, 24_000)
        written = io.BytesIO()
        soundfile.write(written, made.samples, made.rate, format="WAV")
        return written.getvalue()

    def send(self, data, **told):
        file = SimpleUploadedFile("take.wav", data)
        return self.client.post(f"{self.address(self.piece)}/take", {"file": file, **told})

    def test_it_tells_from_which_bar_it_tightens_and_keeps_numbers_only(self):
        answer = self.send(self.sound(tired_from=0.5)).json()
        heard = answer["heard"]
        self.assertTrue(heard["usable"])
        self.assertRegex(heard["words"], r"^It tightens from bar \d+\. Bar \d+ was farthest")
        numbers = [bar["number"] for bar in heard["bars"]]
        self.assertEqual(numbers[0], answer["to_hear"]["bars"][0])
        self.assertEqual(numbers[-1], answer["to_hear"]["bars"][1])
        self.assertEqual(max(bar["expected"] for bar in heard["bars"]), 1)
        self.assertEqual(max(bar["heard"] for bar in heard["bars"]), 1)
        self.assertEqual(answer["bars"], self.client.get(self.address(self.piece)).json()["bars"])
        calm = self.send(self.sound()).json()["heard"]
        self.assertIn("It does not tighten", calm["words"])
        self.assertIn("No bar stands out", calm["words"])

    def test_bars_that_are_not_looked_at_any_more_are_not_set_beside(self):
        self.send(self.sound(tired_from=0.5))
        heard = self.change(first=1, last=2).json()["heard"]
        self.assertLessEqual(len(heard["bars"]), 2)
        self.assertNotIn("expected", heard["words"])
        self.assertIn("It tightens from bar", heard["words"])

    def test_a_take_that_tells_nothing_says_why(self):
        heard = self.send(silence(4)).json()["heard"]
        self.assertEqual((heard["usable"], heard["bars"]), (False, []))
        self.assertIn("too quiet", heard["words"])

    def test_what_is_no_sound_or_no_tempo_is_refused_by_its_field(self):
        for data, told, field in ((b"RIFF", {}, "file"), (silence(), {"tempo": 4}, "tempo")):
            answer = self.send(data, **told)
            with self.subTest(field):
                self.assertEqual(answer.status_code, 422)
                self.assertEqual([each["field"] for each in answer.json()["fields"]], [field])
        self.piece.refresh_from_db()
        self.assertIsNone(self.piece.heard)

    def test_the_same_bars_at_every_tempo(self):
        told = read(self.piece)
        self.assertEqual(to_hear(told, 40.0).bars, to_hear(told).bars)
        self.assertGreater(to_hear(told, 40.0).score.seconds, to_hear(told).score.seconds)

    def test_nobody_plays_under_a_stop_and_double_stops_are_said(self):
        chord = note() + note("C", 5, inside="").replace("<note>", "<note><chord/>")
        self.piece.score = score(*[chord * 4 for _ in range(12)])
        self.piece.save()
        answer = self.client.get(self.address(self.piece)).json()
        self.assertIsNone(answer["to_hear"])
        self.assertIn("Double stops", answer["cannot_hear"])
        self.enter(self.lesson(), "reports", "", {"numbness": True})
        self.assertEqual(self.send(silence()).status_code, 409)

    def test_a_made_up_player_plays_for_a_practice_player_alone(self):
        address = f"{self.address(self.piece)}/take/simulated"
        self.assertEqual(
            self.client.post(address, {}, content_type="application/json").status_code, 405
        )
        self.player.is_practice = True
        self.player.save()
        heard = self.client.post(address, {}, content_type="application/json").json()["heard"]
        self.assertTrue(heard["simulated"])
