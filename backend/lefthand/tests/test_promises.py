"""What a step says is what its music does: every step with music, on every instrument, for every
finger, both hands of the bass and three seeds.

What music a step has beyond its own promises (`promises.py`) is checked for all alike.
"""

import re
from functools import cache
from unittest import TestCase

from lefthand.catalogue.drills import Each
from lefthand.composing.for_exercise import ForWhom, drill_of
from lefthand.music.hands import hand_of
from lefthand.music.score import WHOLE
from lefthand.practice.cues import each_words
from lefthand.tests.drills import CATALOGUE, bars_of_fingers
from lefthand.tests.effort import usually
from lefthand.tests.promises import PROMISES, Step
from lefthand.values.vocabulary import FingerRole, Instrument

SEEDS = usually((1,), (1, 2, 3))
ALL_FINGERS = (1, 2, 3, 4)
# Steps whose words name no more than a pattern over the hand.
PLAIN = {
    *("thumbless", "feather_pattern", "finger_to_thumb", "breath_and_bow", "stay_over_notes"),
    *("arm_eases_out", "wrist_line", "weight_walk", "small_pivots", "hang_and_draw"),
    *("base_leaves_neck", "third_after_fourth", "weight_higher_up", "loose_vibrato"),
    *("thumb_answers", "tune_for_the_hand"),
}
# Nothing sounds here, or it is the player's own music.
NO_MUSIC = {
    *("warm_up", "hands_free_hold", "rod_pivot", "quiet_hold", "carry_the_shape", "half_bent"),
    *("arch_on_table", "guided_refit", "arm_swing", "level_pencil", "tempo_ladder"),
    *("release_marks", "reset_in_passage", "one_thing_in_mind", "three_slow_one_quick"),
}


def steps():
    for exercise in CATALOGUE.exercises.values():
        for number in range(1, len(exercise.rungs) + 1):
            for instrument in sorted(exercise.instruments):
                yield exercise, number, instrument


@cache
def played(exercise_id, number, instrument):
    return list(_played(CATALOGUE.exercises[exercise_id], number, instrument))


def _played(exercise, number, instrument):
    """The step for every finger that it may be aimed at, both bass hands and three seeds."""
    aimed = [(), *((f,) for f in ALL_FINGERS)] if exercise.finger is not None else [()]
    hands = ("124", "1234") if instrument is Instrument.BASS else ("124",)
    for way in hands:
        frame = {"124": "1-2-4", "1234": "1-2-3-4"}[way] if len(hands) > 1 else None
        for fingers in aimed:
            for seed in SEEDS:
                whose = ForWhom(fingers, {"bass_fingering": way}, seed=seed)
                drill = drill_of(exercise, number, instrument, whose)
                if drill is not None:
                    yield Step(drill, instrument, fingers, tuple(hand_of(instrument, 1, frame)))


def works(event):
    """The fingers that a note asks for: the one that plucks, else those that stop."""
    return [event.plucks] if event.plucks else [t.finger for t in event.tones if t.finger]


class Promises(TestCase):
    def test_every_step_plays_what_it_says(self):
        count = 0
        for exercise, number, instrument in steps():
            for step in played(exercise.id, number, instrument):
                for promise in PROMISES.get((exercise.id, number), []):
                    count += 1
                    with self.subTest(
                        exercise.id, step=number, on=instrument.value, fingers=step.fingers
                    ):
                        name = promise.__qualname__
                        self.assertTrue(promise(step), f"{name}: {bars_of_fingers(step.drill)}")
        self.assertGreater(count, usually(500, 1500))

    def test_every_step_with_music_has_a_promise_or_is_a_plain_pattern(self):
        told = {(e.id, n) for e, n, i in steps() if e.rung(n).music}
        missing = sorted(s for s in told - set(PROMISES) if s[0] not in PLAIN)
        self.assertEqual(missing, [])
        self.assertEqual(set(PROMISES) - told, set())

    def test_where_nothing_sounds_nothing_is_printed(self):
        for name in NO_MUSIC:
            self.assertFalse(CATALOGUE.exercises[name].has_music, name)

    def test_as_long_as_the_dose(self):
        """Bars as many as the dose says, or repetitions as many, for each finger, pair or string."""
        for exercise, number, instrument in steps():
            rung = exercise.rung(number)
            for step in played(exercise.id, number, instrument):
                recipe = rung.music[instrument]
                if recipe.tune is not None or recipe.scale is not None:
                    continue
                if rung.dose.unit == "bars":
                    wanted = rung.dose.reps
                else:
                    sets = rung.dose.sets if rung.all_sets else 1
                    passes = -(-rung.dose.reps * sets // recipe.holds)
                    lines = 2 if recipe.orders and recipe.orders.rested else len(recipe.lines)
                    wanted = passes * lines * self.groups(step, recipe)
                with self.subTest(exercise.id, step=number, on=instrument, fingers=step.fingers):
                    self.assertEqual(len(step.drill.bars), wanted)
                    is_each_of_all = recipe.each is Each.FINGER and not step.fingers
                    self.assertLessEqual(wanted, 60 if is_each_of_all else 32)

    def groups(self, step, recipe):
        if recipe.each is Each.FINGER:
            return 1 if step.fingers else len(step.hand)
        if recipe.each is Each.PAIR:
            return len(step.hand) - 1
        return 1

    def test_the_tempo_over_the_music_is_that_of_the_step(self):
        for exercise, number, instrument in steps():
            tempo = exercise.rung(number).dose.tempo
            for step in played(exercise.id, number, instrument):
                if tempo is not None:
                    self.assertEqual(step.drill.tempo, tempo, exercise.id)

    def test_a_held_note_lasts_as_long_as_the_hold_and_the_rest_as_long_as_the_pause(self):
        """To a twentieth of a second, as a tempo is a whole number; a silence may be longer."""
        held = 0
        for exercise, number, instrument in steps():
            dose = exercise.rung(number).dose
            for step in played(exercise.id, number, instrument) if dose.is_hold else ():
                beat = 60 / step.drill.tempo
                quiet = 0.0
                for _, event in step.drill.events():
                    with self.subTest(exercise.id, step=number, on=instrument.value):
                        if event.is_rest:
                            quiet += float(event.length) * beat
                            continue
                        held += 1
                        self.assertAlmostEqual(float(event.length) * beat, dose.seconds, delta=0.05)
                        self.assertTrue(quiet == 0 or quiet >= dose.pause - 0.05, quiet)
                        quiet = 0.0
                self.assertGreaterEqual(quiet, dose.pause - 0.05, exercise.id)
        self.assertGreater(held, usually(160, 500))

    def test_what_the_timer_says_next_is_what_the_music_plays(self):
        """For each pair or finger of a dose, on every instrument and both hands of the bass."""
        told = 0
        for exercise, number, instrument in steps():
            dose = exercise.rung(number).dose
            if dose.per not in ("pair", "finger"):
                continue
            for step in played(exercise.id, number, instrument):
                words = each_words(dose, step.fingers, step.hand, ())
                said = [tuple(map(int, re.findall(r"\d", each))) for each in words]
                made = []
                for bar in step.drill.bars:
                    used = tuple(sorted({finger for event in bar for finger in works(event)}))
                    if used and used not in made:
                        made.append(used)
                with self.subTest(exercise.id, step=number, on=instrument.value, hand=step.hand):
                    told += 1
                    self.assertEqual(sorted(made), sorted(said))
        self.assertGreater(told, usually(30, 100))

    def test_half_a_dose_is_half_the_music(self):
        exercise = CATALOGUE.exercises["feather_pattern"]
        dose = exercise.rung(3).dose
        half = drill_of(exercise, 3, Instrument.VIOLIN, ForWhom(dose=dose.halved().halved()))
        self.assertEqual(len(half.bars), dose.reps // 2)

    def test_a_hand_without_a_working_third_has_no_step_for_the_third(self):
        exercise = CATALOGUE.exercises["three_four_apart"]
        three = ForWhom(ways={"bass_fingering": "124"})
        four = ForWhom(ways={"bass_fingering": "1234"})
        self.assertIsNone(drill_of(exercise, 2, Instrument.BASS, three))
        self.assertIsNotNone(drill_of(exercise, 2, Instrument.BASS, four))

    def test_a_finger_that_is_let_go_is_in_every_pair(self):
        exercise = CATALOGUE.exercises["fall_and_let_go"]
        self.assertIs(exercise.finger, FingerRole.LET_GO)
        drill = drill_of(exercise, 1, Instrument.CELLO, ForWhom((1,)))
        self.assertTrue(all(1 in bar for bar in bars_of_fingers(drill)))

    def test_long_notes_fill_their_bars(self):
        drill = drill_of(CATALOGUE.exercises["pressure_finder"], 1, Instrument.VIOLA)
        self.assertEqual({e.length for _, e in drill.events()}, {WHOLE})
