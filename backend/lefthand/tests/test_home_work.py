"""What is done at home, one thing after the other: cues of a dose, calls, tempo work.

The rules of tempo work are common practice, no source; `tempo_work.json` holds the phone to the
same cases.
"""

import json
from itertools import pairwise
from pathlib import Path
from unittest import TestCase

from lefthand.catalogue.catalogue import KNOWLEDGE, load_catalogue
from lefthand.catalogue.self_check import read_self_check
from lefthand.drawing.pairs import pair_of_check
from lefthand.practice.cues import CHANGE_SECONDS, CueKind, cues_of, each_words
from lefthand.practice.tempo import LARGEST_STEP, goal_tempo, tempo_after, tempo_steps
from lefthand.values.dose import Dose
from lefthand.values.errors import CatalogueError
from lefthand.values.knowledge_file import read_records
from lefthand.values.vocabulary import Instrument

CATALOGUE = load_catalogue()
CASES = json.loads(Path(__file__).with_name("tempo_work.json").read_text(encoding="utf-8"))


class TempoWork(TestCase):
    def test_three_clean_go_on_and_two_misses_go_back(self):
        for case in CASES:
            plays = [play == "c" for play in case["plays"]]
            with self.subTest(case["plays"], steps=case["steps"]):
                now = tempo_after(case["steps"], plays)
                self.assertEqual((now.tempo, now.highest), (case["tempo"], case["highest"]))
                share = case["slow"] / len(plays) if plays else None
                self.assertEqual(now.slow, share)

    def test_steps_are_small_and_lead_from_start_to_goal(self):
        for start, goal in ((60, 96), (40, 41), (80, 80), (100, 60), (30, 208)):
            with self.subTest(start=start, goal=goal):
                steps = tempo_steps(start, goal)
                self.assertEqual((steps[0], steps[-1]), (start, max(start, goal)))
                for slower, quicker in pairwise(steps):
                    self.assertLessEqual(quicker, slower * LARGEST_STEP + 1)
                    self.assertGreater(quicker, slower)

    def test_no_more_steps_than_eight_percent_asks_for(self):
        self.assertEqual(tempo_steps(60, 90), [60, 64, 69, 73, 79, 84, 90])
        self.assertEqual(tempo_steps(100, 108), [100, 108])
        self.assertEqual(tempo_steps(100, 109), [100, 104, 109])

    def test_a_step_leads_to_the_next_quicker_one(self):
        two_and_four = CATALOGUE.exercises["two_and_four"]
        self.assertEqual([goal_tempo(two_and_four, rung) for rung in (1, 2)], [80, None])
        self.assertIsNone(goal_tempo(CATALOGUE.exercises["warm_up"], 1))

    def test_exercises_with_the_players_own_music_are_tempo_work(self):
        for name in ("tempo_ladder", "three_slow_one_quick", "one_thing_in_mind"):
            self.assertTrue(CATALOGUE.exercises[name].tempo_work, name)


class Cues(TestCase):
    def test_each_hold_and_each_letting_go_for_each_finger_and_one_rest_after_a_set(self):
        dose = Dose(reps=2, sets=2, seconds=4, pause=6, rest=20, per="finger", is_hold=True)
        cues = cues_of(dose, ["finger 3", "finger 4"])
        a_finger = [CueKind.DO, CueKind.LET_GO] * 2
        a_set = [*a_finger, CueKind.CHANGE, *a_finger]
        self.assertEqual([c.kind for c in cues], [*a_set, CueKind.REST, *a_set])
        self.assertEqual(cues[0].words, "1 of 2, finger 3, round 1 of 2")
        self.assertEqual(cues[4].words, "next: finger 4")
        self.assertEqual([c.seconds for c in cues[:5]], [4, 6, 4, 6, CHANGE_SECONDS])

    def test_quick_repetitions_are_one_stretch(self):
        taps = Dose(reps=10, sets=2, seconds=1.5, rest=10, unit="taps")
        cues = cues_of(taps)
        self.assertEqual([c.kind for c in cues], [CueKind.DO, CueKind.REST, CueKind.DO])
        self.assertEqual((cues[0].seconds, cues[0].words), (15, "10 taps, round 1 of 2"))

    def test_what_takes_turns_says_which_is_on_now(self):
        turns = Dose(reps=2, sets=2, seconds=40, rest=10, unit="turns")
        cues = cues_of(turns, turns=("the stick", "the instrument"))
        done = [c for c in cues if c.kind is CueKind.DO]
        self.assertEqual([c.seconds for c in done], [20] * 8)
        self.assertEqual(
            [c.words for c in done[:4]],
            [
                f"{what}, {n} of 2, round 1 of 2"
                for n in (1, 2)
                for what in ("the stick", "the instrument")
            ],
        )
        self.assertEqual(sum(c.kind is CueKind.REST for c in cues), 1)

    def test_the_cues_take_about_the_minutes_that_are_told(self):
        """Beside the time to settle, which no cue takes, and a moment between fingers."""
        for exercise in CATALOGUE.exercises.values():
            for rung in exercise.rungs:
                dose = rung.dose
                each = each_words(dose, (), (1, 2, 3, 4), ("G", "D", "A", "E"))
                cued = sum(cue.seconds for cue in cues_of(dose, each, rung.turns))
                told = dose.total_seconds(0 if dose.per == "finger" else 1)
                changes = CHANGE_SECONDS * dose.sets * len(each)
                with self.subTest(exercise.id, step=rung.words):
                    self.assertLessEqual(abs(cued - told), 15 + changes + 5 * dose.sets * 4)

    def test_what_it_is_repeated_for_in_words(self):
        table = (
            ("finger", (4,), ["finger 4"]),
            ("finger", (), ["finger 1", "finger 2", "finger 4"]),
            ("string", (), ["E string", "A string", "D string", "G string"]),
            ("pair", (), ["fingers 1 and 2", "fingers 2 and 4"]),
            ("", (4,), [""]),
        )
        for per, fingers, expected in table:
            with self.subTest(per, fingers=fingers):
                found = each_words(Dose(per=per), fingers, (1, 2, 4), ("E", "A", "D", "G"))
                self.assertEqual(found, expected)


class CallsAndChecks(TestCase):
    def test_steps_that_speak_of_calls_have_a_caller(self):
        for exercise in CATALOGUE.exercises.values():
            for rung in exercise.rungs:
                if rung.dose.unit == "calls" and not rung.music:
                    self.assertIsNotNone(rung.calls, exercise.id)

    def test_five_touches_on_every_instrument(self):
        for instrument in ("vn", "va", "vc", "db"):
            checks = [c for c in CATALOGUE.self_checks.values() if instrument in c.instruments]
            self.assertEqual(len(checks), 5, instrument)
            for check in checks:
                self.assertIsNotNone(pair_of_check(check.shows, Instrument(instrument)), check.id)

    def test_a_look_at_a_sign_that_is_not_there_is_refused(self):
        (record, *_) = read_records(KNOWLEDGE / "self_check.yaml")
        with self.assertRaisesRegex(CatalogueError, "shows: unknown evidence 'web.closed'"):
            read_self_check(record, {"nail.pale"})
