"""What tests of takes share."""

import io

import soundfile
from django.core.files.uploadedfile import SimpleUploadedFile

from lefthand.music.drill_json import drill_json
from lefthand.sound.player import Playing, play
from lefthand.sound.score import parse_score
from studio.takes.takes import SLOW, drill_to_play, to_play
from studio.tests.studio_case import StudioCase

RATE = 24_000


class TakesCase(StudioCase):
    def setUp(self):
        super().setUp()
        self.now = self.lesson()
        self.client.force_login(self.teacher)

    def sound(self, evidence, part=SLOW, how=None, seed=1):
        drill = drill_to_play(self.now, to_play(self.now, evidence), part)
        take = play(parse_score(drill_json(drill)), how or Playing(), seed, RATE)
        out = io.BytesIO()
        soundfile.write(out, take.samples, RATE, format="WAV")
        return out.getvalue()

    def address(self, evidence):
        return f"/api/lessons/{self.now.pk}/takes/{evidence}"

    def post(self, evidence, data, part=SLOW):
        file = SimpleUploadedFile("take.wav", data)
        return self.client.post(self.address(evidence), {"file": file, "part": part})
