"""A player with a piece of her own, for tests."""

from lefthand.tests.scores import melody_bytes
from studio.pieces.pieces import keep_piece
from studio.tests.studio_case import DAY, StudioCase

TUNE = "A4 B4 C#5 D5 E5 D5 C#5 B4 A4:4"


class PiecesCase(StudioCase):
    def setUp(self):
        super().setUp()
        self.client.force_login(self.teacher)
        self.piece = keep_piece(self.player, melody_bytes(TUNE), "tune.musicxml", DAY)

    def address(self, piece=None):
        base = f"/api/players/{self.player.pk}/pieces"
        return base if piece is None else f"{base}/{piece.pk}"

    def change(self, **told):
        return self.client.post(self.address(self.piece), told, content_type="application/json")
