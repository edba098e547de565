"""Sounds that a teacher keeps, and takes laid beside each other."""

import io
import json

import soundfile

from lefthand.sound.player import Playing
from studio.errors import StudioError
from studio.models import KeptSound, Take
from studio.players.erasing import erase_player
from studio.players.file import player_file
from studio.players.leave import give_leave
from studio.takes import kept_sounds
from studio.takes.beside import pairs_of
from studio.takes.kept_sounds import keep_sound
from studio.takes.takes import FAST, SLOW, measure, takes_of
from studio.tests.studio_case import silence
from studio.tests.takes_case import TakesCase

CHECK = "fourth.low"
TWO_SPEEDS = "uneven.fast"


class Kept(TakesCase):
    def setUp(self):
        super().setUp()
        give_leave(self.player, kind="sound", by="parent", name="Ada Example", on=self.now.date)
        self.data = self.sound(CHECK)
        self.take = measure(self.now, CHECK, SLOW, self.data)

    def test_a_sound_is_kept_only_when_the_teacher_says_so_and_goes_when_let_go(self):
        address = f"{self.address(CHECK)}/{self.take.pk}/sound"
        self.assertEqual(KeptSound.objects.count(), 0)
        upload = {"file": io.BytesIO(self.data)}
        told = self.client.post(address, upload).json()["takes"][0]["sound"]
        self.assertTrue(told.startswith(f"{address}/"))
        self.assertGreater(len(told) - len(address), 40)
        heard = self.client.get(told)
        self.assertEqual(heard["Content-Type"], "audio/flac")
        self.assertIn("no-store", heard["Cache-Control"])
        kept, rate = soundfile.read(io.BytesIO(heard.content))
        self.assertAlmostEqual(len(kept) / rate, self.take.result["seconds"], delta=0.05)
        told = self.client.delete(address).json()["takes"][0]["sound"]
        self.assertIsNone(told)
        self.assertEqual(KeptSound.objects.count(), 0)

    def test_keeping_it_twice_keeps_one_under_one_address(self):
        first, second = keep_sound(self.take, self.data), keep_sound(self.take, self.data)
        self.assertEqual((first.pk, first.name), (second.pk, second.name))

    def test_another_sound_is_not_the_sound_of_this_take(self):
        for data in (silence(), b"no sound"):
            with self.subTest(len(data)), self.assertRaises(StudioError) as caught:
                keep_sound(self.take, data)
            self.assertEqual(caught.exception.field, "file")

    def test_there_is_room_for_so_many(self):
        other = measure(self.now, CHECK, SLOW, self.data)
        keep_sound(self.take, self.data)
        kept_sounds.MOST_SOUNDS, before = 1, kept_sounds.MOST_SOUNDS
        self.addCleanup(setattr, kept_sounds, "MOST_SOUNDS", before)
        with self.assertRaises(StudioError):
            keep_sound(other, self.data)
        keep_sound(self.take, self.data)

    def test_it_is_in_the_player_file_on_request_only_and_goes_with_the_player(self):
        keep_sound(self.take, self.data)
        plain = json.dumps(player_file(self.player))
        self.assertNotIn('"sound":', plain)
        whole = player_file(self.player, sounds=True)["lessons"][0]["takes"][0]
        self.assertGreater(len(whole["sound"]), 10_000)
        self.client.delete(f"{self.address(CHECK)}/{self.take.pk}")
        self.assertEqual(KeptSound.objects.count(), 0)
        keep_sound(measure(self.now, CHECK, SLOW, self.data), self.data)
        erase_player(self.player)
        self.assertEqual((KeptSound.objects.count(), Take.objects.count()), (0, 0))

    def test_the_curve_is_drawn_for_a_take_that_tells_something(self):
        address = f"{self.address(CHECK)}/{self.take.pk}/curve"
        curve = self.client.get(address).json()
        self.assertEqual(len(curve["cents"]), len(curve["level"]))
        told = [cents for cents in curve["cents"] if cents is not None]
        self.assertGreater(len(told), 0.8 * len(curve["cents"]))
        self.assertLess(max(map(abs, told)), 30)
        quiet = measure(self.now, CHECK, SLOW, silence())
        answer = self.client.get(f"{self.address(CHECK)}/{quiet.pk}/curve")
        self.assertEqual(answer.status_code, 404)


class TwoTakes(TakesCase):
    def kinds(self, evidence=CHECK):
        return {pair.kind: pair for pair in pairs_of(self.now, takes_of(self.now, evidence))}

    def test_one_take_alone_has_nothing_beside_it(self):
        self.assertEqual(self.kinds(), {})
        measure(self.now, CHECK, SLOW, silence())
        self.assertEqual(self.kinds(), {})
        measure(self.now, CHECK, SLOW, self.sound(CHECK))
        self.assertEqual(self.kinds(), {})

    def test_before_and_after_on_one_day(self):
        measure(self.now, CHECK, SLOW, self.sound(CHECK, how=Playing(off={4: -30})))
        measure(self.now, CHECK, SLOW, silence())
        measure(self.now, CHECK, SLOW, self.sound(CHECK, how=Playing(off={4: -8}), seed=2))
        pair = self.kinds()["before_after"]
        self.assertIn("The fourth went up by 2", pair.sentence)
        self.assertEqual([each.finger for each in pair.found.fingers if each.is_moved], [4])

    def test_a_pair_with_one_thing_changed_may_stand_as_a_trial(self):
        heard = [Playing(off={4: off}) for off in (-30, -29, -8)]
        self.take_heard(heard[0], seed=1)
        self.take_heard(heard[1], seed=2)
        self.assertIsNone(self.kinds()["before_after"].grades)  # nothing was changed between them
        self.take_heard(heard[1], seed=3, is_changed=True)
        before, after = self.kinds()["before_after"].grades
        self.assertEqual((before, after), (2, 2))  # no more than chance, so no help
        self.take_heard(heard[2], seed=4, is_changed=True)
        self.assertEqual(self.kinds()["before_after"].grades, (2, 0))
        told = self.client.get(self.address(CHECK)).json()["beside"]
        grades = [each["grades"] for each in told if each["kind"] == "before_after"]
        self.assertEqual(grades, [{"before": 2, "after": 0}])
        self.take_heard(heard[2], seed=5, is_changed=True)
        self.assertIsNone(self.kinds()["before_after"].grades)  # nothing was left to ease

    def take_heard(self, how, *, seed, is_changed=False):
        sound = self.sound(CHECK, how=how, seed=seed)
        measure(self.now, CHECK, SLOW, sound, is_changed=is_changed)

    def test_the_first_lesson_beside_now(self):
        measure(self.now, CHECK, SLOW, self.sound(CHECK, how=Playing(off={4: -30})))
        before, self.now = self.now, self.lesson(3)
        measure(self.now, CHECK, SLOW, self.sound(CHECK, seed=2))
        self.assertEqual(self.kinds()["first_now"].before.lesson, before)
        self.assertEqual(pairs_of(before, takes_of(before, CHECK)), [])

    def test_slow_and_fast(self):
        measure(self.now, TWO_SPEEDS, SLOW, self.sound(TWO_SPEEDS, SLOW))
        how = Playing(uneven=12)
        measure(self.now, TWO_SPEEDS, FAST, self.sound(TWO_SPEEDS, FAST, how))
        self.assertIn("less even when fast", self.kinds(TWO_SPEEDS)["slow_fast"].sentence.lower())
