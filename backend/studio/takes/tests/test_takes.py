"""Takes in a lesson: what to play, what is kept, what is proposed, and who may."""

import io
import json
from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta
from unittest import mock

import soundfile
from django.contrib.auth import get_user_model

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.music.drill_json import drill_json
from lefthand.sound.player import Playing
from lefthand.sound.score import parse_score
from lefthand.sound.take import measure_take
from lefthand.values.fingers import fingers_of_hand
from lefthand.values.vocabulary import Instrument, Level
from studio.demo.takes import DemoTakes
from studio.errors import StudioError
from studio.lessons.flags import lift_flags
from studio.memory.findings import findings_of
from studio.models import Lesson, RedFlag, Take
from studio.players.arriving import read_player_file
from studio.players.erasing import erase_player
from studio.players.file import player_file
from studio.takes.takes import (
    FAST,
    MOST_TAKES,
    SLOW,
    drill_to_play,
    earlier_takes,
    found_by_ear,
    measure,
    parts_of,
    sentence_of,
    simulate,
    takes_of,
    to_play,
)
from studio.tests.studio_case import DAY
from studio.tests.takes_case import TakesCase


class ToPlay(TakesCase):
    def test_every_check_that_can_be_heard_has_a_drill_on_every_instrument(self):
        """With a sound measure, its notes one at a time, and none longer than a take may be."""
        catalogue = load_catalogue()
        for evidence, asked in catalogue.takes.items():
            self.assertIsNotNone(catalogue.evidence[evidence].measure)
            for instrument in catalogue.evidence[evidence].instruments:
                self.player.instrument = instrument
                for level in Level:
                    self.player.level = level
                    self.now.player = self.player
                    for part in parts_of(asked):
                        with self.subTest(evidence, instrument=instrument, level=level, part=part):
                            drill = drill_to_play(self.now, asked, part)
                            score = parse_score(drill_json(drill))
                            self.assertLess(score.seconds, 55)
                            self.assertLessEqual(score.notes_a_second, 8)
                            self.assertTrue({n.finger for n in score.notes} - {0})

    def test_a_check_that_is_heard_in_two_takes_says_so(self):
        self.assertEqual(parts_of(to_play(self.now, "uneven.fast")), [SLOW, FAST])
        self.assertEqual(parts_of(to_play(self.now, "fourth.low")), [SLOW])
        with self.assertRaises(StudioError):
            drill_to_play(self.now, to_play(self.now, "fourth.low"), FAST)
        with self.assertRaises(StudioError):
            to_play(self.now, "web.closed")

    def test_the_bass_without_a_fourth_has_no_flat_one(self):
        self.player.instrument = Instrument.BASS
        has = Instrument.BASS in load_catalogue().evidence["fourth.low"].instruments
        self.now.player = self.player
        if has:
            self.assertIsNotNone(to_play(self.now, "fourth.low"))
        else:
            with self.assertRaises(StudioError):
                to_play(self.now, "fourth.low")


class Measuring(TakesCase):
    def test_a_flat_fourth_is_told_and_proposed_with_its_grade(self):
        data = self.sound("fourth.low", how=Playing(off={4: -27}))
        answer = self.post("fourth.low", data).json()
        self.assertIn("27 cents low", answer["sentence"])
        (found,) = [each for each in answer["found"] if each["is_asked"]]
        self.assertEqual((found["key"], found["grade"]), ("fourth.low", 2))
        self.assertAlmostEqual(found["value"]["value"], -27, delta=3)
        take = answer["takes"][0]
        self.assertEqual(take["lost"], 0)
        fourth = [note["cents"] for note in take["notes"] if note["finger"] == 4]
        self.assertAlmostEqual(sum(fourth) / len(fourth), -27, delta=3)

    def test_what_is_taken_over_says_that_a_take_found_it(self):
        measure(self.now, "fourth.low", SLOW, self.sound("fourth.low", how=Playing(off={4: -27})))
        (found,) = [f for f in found_by_ear(self.now, "fourth.low") if f.evidence == "fourth.low"]
        self.enter(self.now, "observation", found.key, {"value": found.value, "source": "take"})
        finding = findings_of(self.now)["fourth.low"]
        self.assertEqual(finding.grade, found.grade)
        self.assertEqual({m.source.value for m in finding.measured.values()}, {"take"})

    def test_two_takes_of_a_day_give_their_mean_and_their_spread(self):
        for off in (-20, -30):
            data = self.sound("fourth.low", how=Playing(off={4: off}), seed=-off)
            measure(self.now, "fourth.low", SLOW, data)
        (found,) = [f for f in found_by_ear(self.now, "fourth.low") if f.evidence == "fourth.low"]
        self.assertAlmostEqual(found.value, -25, delta=3)
        self.assertAlmostEqual(found.spread, 10 / 2**0.5, delta=2)

    def test_slow_and_fast_together_tell_what_gets_lost(self):
        measure(self.now, "uneven.fast", SLOW, self.sound("uneven.fast"))
        self.assertEqual(
            [f for f in found_by_ear(self.now, "uneven.fast") if f.evidence == "uneven.fast"], []
        )
        how = Playing(uneven=10, off={4: -30, 3: -20})
        measure(self.now, "uneven.fast", FAST, self.sound("uneven.fast", FAST, how))
        found = {f.evidence: f.grade for f in found_by_ear(self.now, "uneven.fast")}
        self.assertGreaterEqual(found["uneven.fast"], 2)
        self.assertGreaterEqual(found["frame.shrinks"], 2)
        self.assertIn("Less even when fast", sentence_of(takes_of(self.now, "uneven.fast")))

    def test_a_take_that_tells_nothing_is_kept_with_its_reason_and_proposes_nothing(self):
        data = self.sound("vibrato.narrow")
        answer = self.post("fourth.low", data).json()
        self.assertFalse(answer["takes"][0]["usable"])
        self.assertEqual(answer["found"], [])
        self.assertTrue(answer["takes"][0]["words"])

    def test_fingers_are_proposed_one_by_one_only_where_they_were_asked_for(self):
        self.client.force_login(self.teacher)
        measure(
            self.now, "neighbour.muted", SLOW, self.sound("neighbour.muted", how=Playing(rings=0.1))
        )
        found = found_by_ear(self.now, "neighbour.muted")
        self.assertEqual({f.evidence for f in found}, {"neighbour.muted"})
        self.assertTrue(all(f.grade == 3 and f.finger for f in found))


class Refusing(TakesCase):
    def test_what_is_no_sound_is_refused_by_field_and_nothing_kept(self):
        cases = {"text": b"no sound", "nothing": b"", "too long": self.too_long()}
        for name, data in cases.items():
            with self.subTest(name):
                answer = self.post("fourth.low", data)
                self.assertEqual(answer.status_code, 422)
                self.assertEqual(answer.json()["fields"][0]["field"], "file")
        self.assertEqual(Take.objects.count(), 0)

    def too_long(self):
        out = io.BytesIO()
        soundfile.write(out, [0.0] * (61 * 8000), 8000, format="WAV")
        return out.getvalue()

    def test_unknown_checks_and_parts_are_refused(self):
        data = self.sound("fourth.low")
        self.assertEqual(self.post("web.closed", data).status_code, 422)
        self.assertEqual(self.post("fourth.low", data, part="fast").status_code, 422)
        self.assertEqual(self.client.get(self.address("nothing.known")).status_code, 422)

    def test_nobody_else_sees_measures_or_removes(self):
        take = measure(self.now, "fourth.low", SLOW, self.sound("fourth.low"))
        other = get_user_model().objects.create_user("other", password="quiet-hands-8")
        self.client.force_login(other)
        self.assertEqual(self.client.get(self.address("fourth.low")).status_code, 404)
        self.assertEqual(self.post("fourth.low", b"x").status_code, 404)
        gone = self.client.delete(f"{self.address('fourth.low')}/{take.pk}")
        self.assertEqual((gone.status_code, Take.objects.count()), (404, 1))

    def test_a_take_is_thrown_away_once_and_for_all(self):
        take = measure(self.now, "fourth.low", SLOW, self.sound("fourth.low"))
        address = f"{self.address('fourth.low')}/{take.pk}"
        self.assertEqual(self.client.delete(address).json()["takes"], [])
        self.assertEqual(self.client.delete(address).status_code, 404)

    def test_a_lesson_that_was_removed_while_it_was_measured_is_not_found(self):
        data = self.sound("fourth.low")

        def removed_meanwhile(*arguments):
            Lesson.objects.filter(pk=self.now.pk).delete()
            return measure_take(*arguments)

        with mock.patch("studio.takes.takes.measure_take", removed_meanwhile):
            answer = self.post("fourth.low", data)
        self.assertEqual((answer.status_code, Take.objects.count()), (404, 0))

    def test_there_is_an_end_to_the_takes_of_a_lesson(self):
        take = measure(self.now, "fourth.low", SLOW, self.sound("fourth.low"))
        for _ in range(MOST_TAKES - 1):
            take.pk = None
            take.save()
        self.assertEqual(self.post("fourth.low", self.sound("fourth.low")).status_code, 409)


class MadeUp(TakesCase):
    def simulated(self):
        return self.client.post(
            f"{self.address('fourth.low')}/simulated",
            json.dumps({"part": "slow"}),
            content_type="application/json",
        )

    def test_a_made_up_player_plays_for_a_practice_player_alone_and_says_so(self):
        self.assertEqual(self.simulated().status_code, 405)
        self.assertFalse(self.client.get(self.address("fourth.low")).json()["simulated"])
        self.make_practice()
        answer = self.simulated().json()
        self.assertTrue(answer["simulated"] and answer["takes"][0]["is_simulated"])

    def make_practice(self):
        self.player.is_practice = True
        self.player.save()
        self.now.player.is_practice = True

    def test_after_a_change_the_new_take_is_the_finding_and_before_it_the_mean(self):
        for value, changed in ((-30, False), (-20, False), (-6, True)):
            Take.objects.create(
                lesson=self.now, evidence="fourth.low", part=SLOW, is_changed=changed, score={},
                words="", result={"usable": True, "notes": [], "observations": {"fourth.low": {"value": value}}},
            )  # fmt: skip
            told = found_by_ear(self.now, "fourth.low")[0]
            wanted = {-30: (-30, None), -20: (-25, 7.071), -6: (-6, None)}[value]
            self.assertEqual((told.value, told.spread), wanted)

    def test_it_plays_as_the_hand_was_found(self):
        self.make_practice()
        self.look(self.now, {"fourth.low": 3})
        take = simulate(self.now, "fourth.low", SLOW)
        self.assertLess(take.result["observations"]["fourth.low"]["value"], -35)


class UnderAStop(TakesCase):
    def test_nobody_plays_while_a_stop_is_up_and_what_was_heard_stays_to_be_read(self):
        data = self.sound("fourth.low")
        measure(self.now, "fourth.low", SLOW, data)
        RedFlag.objects.create(
            player=self.player, lesson=self.now, raised_on=DAY, reasons=["swelling"]
        )
        refused = self.post("fourth.low", data)
        self.assertEqual((refused.status_code, refused.json()["code"]), (409, "paused"))
        with self.assertRaises(StudioError):
            simulate(self.now, "fourth.low", SLOW)
        answer = self.client.get(self.address("fourth.low")).json()
        self.assertTrue(answer["paused"])
        self.assertEqual(len(answer["takes"]), 1)
        lift_flags(self.player, note="seen by a doctor, may play", on=DAY)
        self.assertFalse(self.client.get(self.address("fourth.low")).json()["paused"])
        self.assertEqual(self.post("fourth.low", data).status_code, 200)


class Promises(TakesCase):
    """What is said to the player against the notes, on every instrument."""

    def drills(self, evidence):
        asked = load_catalogue().takes[evidence]
        for instrument in load_catalogue().evidence[evidence].instruments:
            self.player.instrument = instrument
            for level in (Level.BEGINNER, Level.ADVANCED):
                self.player.level = level
                self.now.player = self.player
                for part in parts_of(asked):
                    yield instrument, drill_to_play(self.now, asked, part)

    def test_no_word_of_another_exercise_stands_above_the_music(self):
        for evidence in load_catalogue().takes:
            for _, drill in self.drills(evidence):
                self.assertEqual(drill.hint, "")

    def test_nothing_is_held_for_longer_than_a_child_may(self):
        """No still hold over five seconds (domain knowledge, section 8)."""
        for evidence in load_catalogue().takes:
            for _, drill in self.drills(evidence):
                longest = max(e.length for _, e in drill.events() if not e.is_rest)
                self.assertLessEqual(float(longest) * 60 / drill.tempo, 5)

    def test_a_bar_in_a_bow_is_one_slur_a_bar(self):
        for evidence in ("uneven.fast", "frame.shrinks"):
            self.assertIn("A bar in a bow", load_catalogue().takes[evidence].play)
            for _, drill in self.drills(evidence):
                for bar in drill.bars:
                    *bound, last = [event for event in bar if not event.is_rest]
                    self.assertTrue(all("slur" in event.marks for event in bound))
                    self.assertNotIn("slur", last.marks)

    def test_each_note_is_each_finger_of_the_hand_held_long_enough(self):
        for evidence in ("vibrato.narrow", "press.excess"):
            for instrument, drill in self.drills(evidence):
                notes = [event for _, event in drill.events() if not event.is_rest]
                fingers = {event.tones[0].finger for event in notes}
                self.assertEqual(fingers, set(fingers_of_hand(instrument, {})))
                self.assertTrue(all(float(e.length) * 60 / drill.tempo > 2 for e in notes))

    def test_both_strings_means_both_strings(self):
        for _, drill in self.drills("neighbour.muted"):
            for _, event in drill.events():
                self.assertEqual(sorted(tone.finger == 0 for tone in event.tones), [False, True])

    def test_a_flat_fourth_needs_fourths_and_a_fast_take_is_one(self):
        for _, drill in self.drills("fourth.low"):
            fourths = [t for _, e in drill.events() for t in e.tones if t.finger == 4]
            self.assertGreaterEqual(len(fourths), 3)
        for evidence, asked in load_catalogue().takes.items():
            if asked.faster is not None:
                for level in Level:
                    slow, fast = (asked.tempo_for(level, is_fast=each) for each in (False, True))
                    self.assertGreater(fast, 1.5 * slow, evidence)


class OverTheTerm(TakesCase):
    def test_after_years_the_first_take_and_the_newest_stand_there_for_one_query(self):
        take = measure(self.now, "fourth.low", SLOW, self.sound("fourth.low"))
        for week in range(1, 300):
            take.pk, take.lesson = None, self.lesson(week)
            take.save()
        newest = self.lesson(300)
        with self.assertNumQueries(1):
            earlier = earlier_takes(newest, "fourth.low")
            told = [(each.lesson.date, each.words) for each in earlier]
        self.assertEqual(len(told), 6)
        self.assertEqual(told[0][0], DAY)
        self.assertEqual(told[-1][0], DAY + timedelta(weeks=299))

    def test_earlier_takes_stand_beside_the_newest_one(self):
        later = self.lesson(2)
        with ThreadPoolExecutor(1) as pool:
            takes = DemoTakes(pool)
            takes.begin(self.player)
            takes.keep()
        self.assertEqual(Take.objects.filter(is_simulated=True, home_on=None).count(), 2)
        before, at_home = earlier_takes(later, "fourth.low")
        self.assertEqual((before.lesson, before.home_on), (self.now, None))
        self.assertEqual(at_home.home_on, DAY + timedelta(weeks=1))
        self.assertEqual(earlier_takes(self.now, "fourth.low"), [])
        answer = self.client.get(f"/api/lessons/{later.pk}/takes/fourth.low").json()
        self.assertEqual(
            [each["date"] for each in answer["earlier"] if not each["is_home"]], [str(DAY)]
        )
        self.assertEqual(answer["earlier"][0]["words"], before.words)


class Keeping(TakesCase):
    def test_numbers_are_kept_and_no_sound_and_all_go_with_the_player(self):
        data = self.sound("fourth.low")
        measure(self.now, "fourth.low", SLOW, data)
        kept = player_file(self.player)["lessons"][0]["takes"]
        self.assertEqual(kept[0]["result"]["format"], "jolf-take/1")
        self.assertLess(len(json.dumps(kept)), len(data) / 10)
        fields = {type(field).__name__ for field in Take._meta.get_fields()}
        self.assertFalse(fields & {"BinaryField", "FileField"})
        erase_player(self.player)
        self.assertEqual(Take.objects.count(), 0)

    def test_a_player_file_with_takes_is_read_and_says_what_stays_out(self):
        measure(self.now, "fourth.low", SLOW, self.sound("fourth.low"))
        read = read_player_file(self.teacher, player_file(self.player), DAY)
        self.assertTrue(any("takes" in each for each in read.left_out))
        self.assertEqual(read.player.lessons.count(), 1)
