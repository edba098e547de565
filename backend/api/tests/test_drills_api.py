"""Drills over HTTP: the same music as picture, notes, MusicXML and MIDI; wrong settings are named."""

from io import BytesIO
from xml.etree import ElementTree as ET

import mido
from django.test import Client

from lefthand.catalogue.catalogue import load_catalogue
from studio.tests.studio_case import StudioCase

ASKED = "drill=frame_pattern&instrument=vc&tempo=80&position=3&frame=wide&finger=4&seed=5"


class Drills(StudioCase):
    def setUp(self):
        super().setUp()
        self.client = Client()
        self.client.force_login(self.teacher)

    def get(self, tail):
        return self.client.get(f"/api/drills/{tail}")

    def test_every_drill_can_be_asked_for_on_its_instruments(self):
        choices = self.get("choices").json()
        self.assertEqual({d["id"] for d in choices["drills"]}, set(load_catalogue().drills))
        for drill in choices["drills"]:
            for instrument in drill["instruments"]:
                with self.subTest(drill=drill["id"], instrument=instrument):
                    answer = self.get(f"one?drill={drill['id']}&instrument={instrument}")
                    self.assertEqual(answer.status_code, 200)
                    self.assertIn("<svg", answer.json()["music"])

    def test_the_files_hold_the_notes_of_the_picture(self):
        notes = [n["midi"] for n in self.get(f"one?{ASKED}").json()["notes"]]
        midi = mido.MidiFile(file=BytesIO(self.get(f"one.mid?{ASKED}").content))
        self.assertEqual([m.note for m in midi if m.type == "note_on"], notes)
        written = ET.fromstring(self.get(f"one.musicxml?{ASKED}").content)
        self.assertEqual(sum(1 for _ in written.iter("pitch")), len(notes))

    def test_a_tune_can_be_asked_for_by_name(self):
        tunes = self.get("choices").json()["tunes"]
        self.assertEqual({tune["id"] for tune in tunes}, set(load_catalogue().tunes))
        for instrument in ("vn", "va", "vc", "db"):
            title = self.get(f"one?drill=easy_tune&instrument={instrument}&tune=star").json()
            self.assertEqual(title["title"], "Star tune")

    def test_wrong_settings_name_their_field(self):
        for tail, field in (
            ("drill=nonsense&instrument=vn", "drill"),
            ("drill=frame_pattern&instrument=kazoo", "instrument"),
            ("drill=frame_pattern&instrument=vn&position=12", "position"),
            ("drill=frame_pattern&instrument=vn&frame=closed", "frame"),
            ("drill=frame_pattern&instrument=vn&bars=0", "bars"),
            ("drill=frame_pattern&instrument=vn&tempo=1", "tempo"),
            ("drill=frame_pattern&instrument=vn&low=3&high=3", "pairs"),
            ("drill=frame_pattern&instrument=vn&finger=9", "fingers"),
            ("drill=frame_pattern&instrument=vn&tune=star", "tune"),
            ("drill=easy_tune&instrument=vn&tune=nonsense", "tune"),
        ):
            with self.subTest(field):
                answer = self.get(f"one?{tail}")
                self.assertEqual(answer.status_code, 422)
                self.assertEqual(answer.json()["fields"][0]["field"], field)
