"""Whether a cello's treble clef is meant an octave lower is asked once, and the answer is kept."""

from lefthand.tests.test_old_treble import HIGH, three_bars
from studio.models import Piece, Player
from studio.pieces.pieces import keep_piece, read
from studio.players.arriving import read_player_file
from studio.players.file import player_file
from studio.tests.pieces_case import PiecesCase
from studio.tests.studio_case import DAY


class OldTreble(PiecesCase):
    def setUp(self):
        super().setUp()
        self.player.instrument = "vc"
        self.player.save()
        self.piece = keep_piece(self.player, three_bars(HIGH), "old.musicxml", DAY)

    def told(self, **change):
        answer = self.change(**change) if change else self.client.get(self.address(self.piece))
        self.assertEqual(answer.status_code, 200, answer.content)
        return answer.json()

    def pitches(self, told):
        return [note["pitch"] for note in told["notes"]][4:8]

    def test_it_is_asked_and_can_be_answered_either_way(self):
        told = self.told()
        self.assertEqual((told["has_old_treble"], told["old_treble"]), (True, None))
        self.assertEqual(self.pitches(told), ["D5", "E5", "F5", "E5"])
        for answer, first in ((True, "D4"), (False, "D5"), (True, "D4")):
            told = self.told(old_treble=answer)
            with self.subTest(answer):
                self.assertEqual((told["has_old_treble"], told["old_treble"]), (True, answer))
                self.assertEqual(self.pitches(told)[0], first)
                self.assertEqual(self.pitches(self.told())[0], first)

    def test_a_take_of_other_pitches_no_longer_holds(self):
        self.piece.heard = {"on": str(DAY)}
        self.piece.save()
        self.told(old_treble=True)
        self.assertIsNone(Piece.objects.get(pk=self.piece.pk).heard)

    def test_a_violin_is_not_asked(self):
        self.player.instrument = "vn"
        self.player.save()
        self.assertFalse(self.told()["has_old_treble"])

    def test_what_is_no_answer_is_refused(self):
        answer = self.change(old_treble="perhaps")
        self.assertEqual(answer.status_code, 422)
        self.assertIn("old_treble", answer.content.decode())
        self.assertIsNone(Piece.objects.get(pk=self.piece.pk).old_treble)

    def test_the_answer_goes_with_the_player(self):
        self.told(old_treble=True)
        file = player_file(self.player, scores=True)
        arrived = read_player_file(self.teacher, file, DAY)
        player = Player.objects.exclude(pk=self.player.pk).get()
        self.assertTrue(arrived)
        old = player.pieces.get(title="old")
        self.assertTrue(old.old_treble)
        self.assertEqual(str(read(old).passage.line[4].tones[0].pitch), "D4")
