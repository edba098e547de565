"""Sound files of every kind, and `measure` and `take` from the command line."""

import io
import json
import tempfile
from pathlib import Path
from unittest import TestCase

import jsonschema_rs
import numpy as np
import soundfile

from lefthand.sound.player import Playing, play
from lefthand.sound.recording import read_recording
from lefthand.sound.score import parse_score
from lefthand.sound.take import measure_take
from lefthand.sound.take_json import take_json
from lefthand.tests.running import run_lefthand
from lefthand.tests.takes import drill, made, score
from lefthand.values.errors import InputError

BACKEND = Path(__file__).resolve().parents[2]
SCHEMA = json.loads((BACKEND / "lefthand/schemas/jolf-take-1.json").read_text(encoding="utf-8"))
VALID = jsonschema_rs.validator_for(SCHEMA)


def written(samples, rate, form="WAV", subtype="PCM_16"):
    out = io.BytesIO()
    soundfile.write(out, samples, rate, format=form, subtype=subtype)
    return out.getvalue()


class SoundFiles(TestCase):
    tags = {"long"}

    def test_every_usual_kind_reads_the_same(self):
        of = score(bars=4)
        kinds = {
            "8 kHz": (8_000, {}),
            "44.1 kHz FLAC": (44_100, {"form": "FLAC"}),
            "96 kHz, 24 bit": (96_000, {"subtype": "PCM_24"}),
            "8 bit": (22_050, {"subtype": "PCM_U8"}),
            "floating point": (48_000, {"subtype": "FLOAT"}),
            "Ogg": (48_000, {"form": "OGG", "subtype": "VORBIS"}),
        }
        for name, (rate, how) in kinds.items():
            with self.subTest(name):
                truth = play(of, Playing(off={4: -20}), 1, rate)
                take = measure_take(read_recording(written(truth.samples, rate, **how)), of)
                self.assertIsNone(take.reason)
                self.assertAlmostEqual(take.fingers[4].cents, -20, delta=3)

    def test_two_channels_also_where_they_cancel_each_other(self):
        of = score(bars=4)
        one = made(of)[0].samples
        for name, other in (("alike", one), ("against each other", -one), ("one silent", 0 * one)):
            with self.subTest(name):
                data = written(np.stack([one, other], axis=1), 24_000)
                self.assertIsNone(measure_take(read_recording(data), of).reason)

    def test_no_numbers_count_as_silence(self):
        of = score(bars=4)
        samples = made(of)[0].samples.copy()
        samples[:200] = np.nan
        samples[300:310] = np.inf
        take = measure_take(read_recording(written(samples, 24_000, subtype="FLOAT")), of)
        self.assertIsNone(take.reason)

    def test_what_is_no_take_is_refused_by_name(self):
        second = np.zeros(24_000)
        bad = {
            "text": b"this is not sound at all",
            "nothing": b"",
            "a header alone": written(second, 24_000)[:44],
            "cut off in its header": written(second, 24_000)[:20],
            "of no length": written(second[:0], 24_000),
            "too short": written(second[:4000], 24_000),
            "too long": written(np.zeros(61 * 8_000), 8_000),
            "too slow": written(second, 4_000),
            "too many channels": written(np.zeros((24_000, 6)), 24_000),
        }
        for name, data in bad.items():
            with self.subTest(name), self.assertRaises(InputError) as caught:
                read_recording(data)
            self.assertEqual(caught.exception.field, "take")


class Scores(TestCase):
    def test_what_is_no_drill_for_a_take_is_refused_by_field(self):
        good = drill(bars=1)
        note = good["notes"][0]
        bad = {
            "format": {**good, "format": "jolf-case/1"},
            "instrument": {**good, "instrument": "xx"},
            "a4": {**good, "a4": 500},
            "notes": {**good, "notes": []},
            "notes.0.midi": {**good, "notes": [{**note, "midi": "C"}]},
            "notes.0.pluck": {**good, "notes": [{**note, "pluck": 4}]},
            "notes.1": {**good, "notes": [note, note]},
        }
        for field, data in bad.items():
            with self.subTest(field), self.assertRaises(InputError) as caught:
                parse_score(data)
            self.assertEqual(caught.exception.field, field)

    def test_another_a4_is_measured_against_itself(self):
        of = parse_score({**drill(bars=4), "a4": 430})
        take = measure_take(made(of)[1], of)
        self.assertAlmostEqual(take.fingers[1].cents, 0, delta=3)


class CommandLine(TestCase):
    tags = {"long"}

    def run_it(self, *arguments):
        return run_lefthand(*arguments)

    def test_a_take_is_made_and_measured(self):
        with tempfile.TemporaryDirectory() as folder:
            music, sound = Path(folder) / "drill.json", Path(folder) / "take.wav"
            music.write_text(json.dumps(drill()), encoding="utf-8")
            told = self.run_it(
                *("take", sound, "--drill", music, "--off", "4=-20", "--pair", "3-4=9")
            )
            self.assertEqual((told.returncode, told.stderr), (0, ""))
            truth = json.loads(told.stdout)
            done = self.run_it("measure", sound, "--drill", music)
            self.assertEqual((done.returncode, done.stderr), (0, ""))
            answer = json.loads(done.stdout)
        VALID.validate(answer)
        self.assertTrue(answer["usable"])
        self.assertEqual([n["i"] for n in answer["notes"]], [n["i"] for n in truth["notes"]])
        self.assertAlmostEqual(answer["observations"]["fourth.low"]["value"], -20, delta=4)

    def test_a_slow_and_a_fast_take_tell_more_together(self):
        with tempfile.TemporaryDirectory() as folder:
            music = Path(folder) / "drill.json"
            music.write_text(json.dumps(drill(tempo=120)), encoding="utf-8")
            slow, fast = Path(folder) / "slow.wav", Path(folder) / "fast.wav"
            self.run_it("take", slow, "--drill", music)
            self.run_it("take", fast, "--drill", music, "--tempo", "2", "--off", "4=-30")
            done = self.run_it("measure", slow, "--drill", music, "--fast", fast)
        together = json.loads(done.stdout)["together"]
        self.assertAlmostEqual(together["cents_a_doubling"]["4"], -30, delta=4)
        self.assertIn("frame.shrinks", together["observations"])

    def test_a_refused_take_is_an_answer(self):
        of = score(bars=4)
        refused = take_json(measure_take(made(of)[1], score("easy_tune", tempo=90)))
        VALID.validate(refused)
        self.assertEqual((refused["usable"], refused["observations"]), (False, {}))

    def test_bad_files_end_with_two_and_one_line(self):
        with tempfile.TemporaryDirectory() as folder:
            music, text = Path(folder) / "drill.json", Path(folder) / "text.wav"
            music.write_text(json.dumps(drill(bars=1)), encoding="utf-8")
            text.write_text("not sound", encoding="utf-8")
            cases = (
                (("measure", text, "--drill", music), "take"),
                (("measure", Path(folder) / "none.wav", "--drill", music), "take"),
                (("measure", text, "--drill", text), "text.wav"),
                (("take", Path(folder) / "a.mp3", "--drill", music), "out"),
                (("take", Path(folder) / "a.wav", "--drill", music, "--off", "9=1"), "off"),
                (("take", Path(folder) / "a.wav", "--drill", music, "--off", "4"), "off"),
                (("take", Path(folder) / "no/a.wav", "--drill", music), "out"),
            )
            for arguments, field in cases:
                with self.subTest(field=field, arguments=arguments):
                    done = self.run_it(*arguments)
                    self.assertEqual(done.returncode, 2)
                    self.assertEqual(done.stderr.count("\n"), 1)
                    self.assertIn(field, done.stderr)
