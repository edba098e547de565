"""Traditional tunes: whole, of several countries, by level, and as printed elsewhere.

Second source: the Essen folk song collection (H. Schaffrath, 1995) as the package music21 ships it;
the others were written down from memory and compared by hand.
"""

import re
from itertools import pairwise
from pathlib import Path
from unittest import TestCase

import music21

from lefthand.catalogue.tunes import Mode
from lefthand.composing.compose import free_recipe
from lefthand.composing.tune_drill import asked_beside, best_tunes, tunes_of
from lefthand.music.request import DrillHand, DrillRequest
from lefthand.passage.of_drill import passage_of_drill
from lefthand.passage.passage import Asked
from lefthand.tests.drills import CATALOGUE, all_free, fingers_of, free
from lefthand.values.vocabulary import Instrument, Level

TUNES = CATALOGUE.tunes
CORPUS = Path(music21.__file__).parent / "corpus" / "essenFolksong"
# tune, file, number in it, how many notes are the same
PRINTED = (
    ("row_along", "dva0.abc", "191", None),
    ("ducklings", "kinder0.abc", "149", None),
    ("blossoms", "test0.abc", "5", None),
    ("star_bearers", "kinder0.abc", "87", None),
)
# Scale step of a semitone above the tonic, major or minor.
STEP = {0: 0, 1: 1, 2: 1, 3: 2, 4: 2, 5: 3, 6: 3, 7: 4, 8: 5, 9: 5, 10: 6, 11: 6}
# The last note of this one is the fifth below, as its scale wants it (common practice, no source).
ENDS_ON_FIFTH = {"blossoms"}


def printed_steps(file, number):
    """Scale steps of the notes of one tune of the collection, from C."""
    text = (CORPUS / file).read_text(encoding="latin-1")
    tunes = re.split(r"(?m)^X:\s*", text)
    tune = next(t for t in tunes if t.split("\n")[0].strip() == number)
    lines = [line for line in tune.split("\n")[1:] if not re.match(r"^[A-Za-z]:|^%", line)]
    found = []
    for letter, marks in re.findall(r"([A-Ga-g])([,']*)", "\n".join(lines)):
        octave = letter.islower() + marks.count("'") - marks.count(",")
        found.append("CDEFGAB".index(letter.upper()) + 7 * octave)
    return found


def own_steps(tune):
    heard = [n.semitones for n in tune.notes if n.semitones is not None]
    return [7 * (s // 12) + STEP[s % 12] for s in heard]


def moves(steps):
    return [b - a for a, b in pairwise(steps)]


class Tunes(TestCase):
    def test_a_second_source_has_the_same_notes(self):
        for name, file, number, count in PRINTED:
            ours, theirs = moves(own_steps(TUNES[name])), moves(printed_steps(file, number))
            with self.subTest(name):
                size = len(ours) if count is None else count - 1
                self.assertEqual(ours[:size], theirs[:size])

    def test_there_are_enough_of_them_of_several_countries_levels_and_modes(self):
        self.assertGreaterEqual(len(TUNES), 16)
        countries = {tune.origin.split(",")[0] for tune in TUNES.values()}
        self.assertGreaterEqual(len(countries), 6)
        self.assertEqual({tune.level for tune in TUNES.values()}, set(Level))
        self.assertGreaterEqual(sum(t.mode.is_minor for t in TUNES.values()), 3)
        self.assertEqual(
            {Mode.MINOR, Mode.MAJOR, Mode.DORIAN}, {tune.mode for tune in TUNES.values()}
        )

    def test_every_tune_is_whole_and_ends_on_its_tonic(self):
        for tune in TUNES.values():
            heard = [n for n in tune.notes if n.semitones is not None]
            with self.subTest(tune.id):
                self.assertEqual(heard[-1].semitones, -5 if tune.id in ENDS_ON_FIFTH else 0)
                self.assertEqual(sum(n.ends for n in tune.notes), tune.phrases)
                self.assertTrue(heard[-1].ends)
                self.assertEqual(sum(n.length for n in tune.notes) % tune.beats, 0)

    def test_phrases_are_as_long_as_phrases_are(self):
        """Two bars at least, eight at most of four beats, in each phrase; nine of three beats."""
        for tune in TUNES.values():
            lengths, now = [], 0
            for note in tune.notes:
                now += note.length
                if note.ends:
                    lengths.append(now / tune.beats)
                    now = 0
            with self.subTest(tune.id):
                self.assertGreaterEqual(min(lengths), 1.5)
                self.assertLessEqual(max(lengths), 9)

    def test_every_instrument_has_eight_tunes_at_least_under_its_first_hand(self):
        for instrument in Instrument:
            titles = {
                free("easy_tune", instrument, seed=seed, level=level, fingers=fingers).title
                for seed in range(5)
                for level in Level
                for fingers in ((), (1,), (2,), (4,))
            }
            with self.subTest(instrument):
                self.assertGreaterEqual(len(titles), 8)

    def test_the_target_finger_plays_the_strong_notes(self):
        """More than its share of the first beats, on every instrument."""
        for instrument in Instrument:
            for finger in (2, 4):
                hits = total = 0
                for seed in range(5):
                    drill = free("easy_tune", instrument, fingers=(finger,), seed=seed)
                    firsts = [bar[0].tones[0].finger for bar in drill.bars if bar[0].tones]
                    hits, total = hits + firsts.count(finger), total + len(firsts)
                with self.subTest(instrument=instrument, finger=finger):
                    self.assertGreater(hits / total, 0.25)

    def test_keys_are_easy_to_read(self):
        for instrument in Instrument:
            for seed in range(5):
                drill = free("easy_tune", instrument, seed=seed)
                self.assertLessEqual(abs(drill.key.fifths), 4)
                self.assertTrue(set(fingers_of(drill)) <= {0, 1, 2, 3, 4})

    def test_a_request_keeps_its_tune(self):
        request = {"fingers": (4,), "seed": 3, "level": Level.ADVANCED}
        self.assertEqual(free("easy_tune", **request), free("easy_tune", **request))
        self.assertEqual(DrillRequest(Instrument.VIOLIN).seed, 1)

    def test_the_tune_that_was_asked_for_is_played_whatever_the_seed(self):
        for instrument in Instrument:
            tunes = tunes_of(instrument)
            self.assertGreaterEqual(len(tunes), len(TUNES) - 1)
            for tune in tunes:
                with self.subTest(tune.id, instrument=instrument):
                    drill = free("easy_tune", instrument, tune=tune.id)
                    self.assertEqual(drill.title, tune.title)
        self.assertEqual(
            free("easy_tune", tune="star", seed=1).bars, free("easy_tune", tune="star", seed=2).bars
        )


class ByLoad(TestCase):
    """Our own music is read as any is: with its fingers, note for note."""

    def test_every_drill_is_read_with_the_fingers_that_it_has(self):
        told = 0
        for drill in list(all_free())[::6]:
            passage = passage_of_drill(drill, Asked(drill.instrument))
            own = [event for _, event in drill.events() if event.tones]
            for event, note, hand in zip(own, passage.line, passage.fingering.hands, strict=True):
                with self.subTest(drill.name, instrument=drill.instrument):
                    told += 1
                    self.assertEqual(
                        sorted(t.pitch.midi for t in event.tones),
                        sorted(t.pitch.midi for t in note.tones),
                    )
                    if hand is not None and len(event.tones) == 1:
                        place, tone = hand.places[-1], event.tones[0]
                        self.assertEqual((place.finger, place.string), (tone.finger, tone.string))
        self.assertGreater(told, 1000)

    def test_a_tune_for_a_finger_asks_little_else(self):
        """Beside the finger it is lighter than the tunes that play this finger as much."""
        for instrument in Instrument:
            for finger in (2, 4):
                recipe = free_recipe("easy_tune", instrument, CATALOGUE)
                hand = DrillHand(recipe, DrillRequest(instrument, fingers=(finger,)))
                best = {
                    placed.tune.title: asked_beside(placed, recipe.tune, hand)
                    for placed in best_tunes(hand, recipe.tune)
                }
                chosen = {
                    free("easy_tune", instrument, fingers=(finger,), seed=seed).title
                    for seed in range(6)
                }
                with self.subTest(instrument=instrument, finger=finger):
                    self.assertGreaterEqual(len(chosen), min(3, len(best)))
                    others = [best[title] for title in set(best) - chosen]
                    self.assertLessEqual(
                        max(best[title] for title in chosen), min(others, default=1e9)
                    )
